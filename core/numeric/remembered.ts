/** Puts something among what is kept; the oldest goes first when there are `most`. */
export function keep<T>(kept: Map<string, T>, most: number, name: string, made: T): T {
  if (kept.size >= most)
    for (const oldest of kept.keys()) {
      kept.delete(oldest);
      break;
    }
  kept.set(name, made);
  return made;
}

/**
 * The same function of a text, with its last results kept. For pure functions whose results nobody changes.
 * @param most  results kept; the oldest go first
 */
export function remembered<T>(most: number, make: (text: string) => T): (text: string) => T {
  const kept = new Map<string, T>();
  return (text) => {
    const known = kept.get(text);
    return known === undefined ? keep(kept, most, text, make(text)) : known;
  };
}
