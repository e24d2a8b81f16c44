/**
 * The same function of a text, with its last results kept. For pure functions whose results nobody changes.
 * @param most  results kept; the oldest go first
 */
export function remembered<T>(most: number, make: (text: string) => T): (text: string) => T {
  const kept = new Map<string, T>();
  return (text) => {
    const known = kept.get(text);
    if (known !== undefined) return known;
    const made = make(text);
    if (kept.size >= most)
      for (const oldest of kept.keys()) {
        kept.delete(oldest);
        break;
      }
    kept.set(text, made);
    return made;
  };
}
