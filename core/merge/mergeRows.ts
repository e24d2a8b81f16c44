import { byKey, keyOf, type Row } from "./parts";
import { same } from "./same";
import { settle, type Side } from "./settle";

/** Fields of a row that stand for themselves: whatever else is changed, they go with it. */
const FREE = ["label", "look", "shown", "rows", "left"];

/** Merges two versions of a list whose rows have names of their own; a list with a name twice is one part. */
export function mergeRows(
  base: readonly Row[],
  mine: readonly Row[],
  theirs: readonly Row[],
  prefer: Side,
): { rows: readonly Row[]; clashes: string[] } {
  const [b, m, t] = [byKey(base), byKey(mine), byKey(theirs)];
  if (b.size < base.length || m.size < mine.length || t.size < theirs.length) {
    const taken = settle(base, mine, theirs, prefer);
    return { rows: taken.value, clashes: taken.isClash ? ["with a name twice"] : [] };
  }
  const clashes: string[] = [];
  const rows = orderOf(base, mine, theirs).flatMap((key) => {
    const merged = mergeRow(b.get(key), m.get(key), t.get(key), prefer);
    if (merged.isClash) clashes.push(key);
    return merged.value ? [merged.value] : [];
  });
  return { rows, clashes };
}

function mergeRow(
  base: Row | undefined,
  mine: Row | undefined,
  theirs: Row | undefined,
  prefer: Side,
): { value: Row | undefined; isClash: boolean } {
  const whole = settle(base, mine, theirs, prefer);
  if (!whole.isClash || !base || !mine || !theirs) return whole;
  const core = settle(without(base), without(mine), without(theirs), prefer);
  let isClash = core.isClash;
  const merged: Record<string, unknown> = { ...core.value };
  for (const field of FREE) {
    const taken =
      field === "rows"
        ? settleCells(base[field], mine[field], theirs[field], prefer)
        : settle(base[field], mine[field], theirs[field], prefer);
    isClash ||= taken.isClash;
    if (taken.value !== undefined) merged[field] = taken.value;
  }
  return { value: merged, isClash };
}
const without = (row: Row): Row => Object.fromEntries(Object.entries(row).filter(([key]) => !FREE.includes(key)));

/** Rows of numbers: line by line while there are as many of them as there were. */
function settleCells(
  base: unknown,
  mine: unknown,
  theirs: unknown,
  prefer: Side,
): { value: unknown; isClash: boolean } {
  const whole = settle(base, mine, theirs, prefer);
  if (!whole.isClash || !Array.isArray(base) || !Array.isArray(mine) || !Array.isArray(theirs)) return whole;
  if (mine.length !== base.length || theirs.length !== base.length) return whole;
  const lines = base.map((line: unknown, i) => settle(line, mine[i] as unknown, theirs[i] as unknown, prefer));
  return { value: lines.map((l) => l.value), isClash: lines.some((l) => l.isClash) };
}

/**
 * The keys of both versions in one order: as mine where I moved rows, else as theirs; what only the other has stands
 * after the row it followed there.
 */
function orderOf(base: readonly Row[], mine: readonly Row[], theirs: readonly Row[]): string[] {
  const [b, m, t] = [base.map(keyOf), mine.map(keyOf), theirs.map(keyOf)];
  const kept = new Set(b.filter((key) => m.includes(key)));
  const moved = !same(
    b.filter((key) => kept.has(key)),
    m.filter((key) => kept.has(key)),
  );
  const [first, second] = moved ? [m, t] : [t, m];
  const order = [...first];
  const seen = new Set(order);
  second.forEach((key, i) => {
    if (seen.has(key)) return;
    seen.add(key);
    // At the end stay those that were put there.
    const before = second.slice(0, i).findLast((k) => seen.has(k));
    order.splice(before === undefined ? 0 : order.indexOf(before) + 1, 0, key);
  });
  return order;
}
