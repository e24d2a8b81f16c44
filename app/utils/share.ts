/**
 * The new value with every part that is the same as before replaced by the old part itself. What comes from a worker is
 * always a fresh copy; with the old parts kept, the page draws only what really changed. Plain data only: objects,
 * lists, texts, numbers.
 */
export function shareParts<T>(before: unknown, next: T): T {
  if (
    Object.is(before, next) ||
    typeof next !== "object" ||
    next === null ||
    typeof before !== "object" ||
    before === null
  )
    return next;
  if (Array.isArray(next) !== Array.isArray(before)) return next;
  if (ArrayBuffer.isView(next) || next instanceof Map || next instanceof Set) return next;
  const old = before as Record<string, unknown>;
  const made = next as Record<string, unknown>;
  const keys = Object.keys(made);
  let same = keys.length === Object.keys(old).length;
  for (const key of keys) {
    const part = shareParts(old[key], made[key]);
    // What comes from a step of undo is frozen, and stays as it is.
    if (part === old[key] && key in old) {
      if (made[key] !== part && !Object.isFrozen(made)) made[key] = part;
    } else same = false;
  }
  return same ? (before as T) : next;
}
