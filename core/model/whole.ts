import { isInteger, rationalOfDouble, toDouble, type Rational } from "../numeric";
import { EMPTY } from "../interval";
import type { Expression } from "../formula";
import { encloseAt, exactValueAt, smoothParts, type FunctionTable } from "../solve";

/** Value at a whole input, with bounds; null where it has none. */
export function valueAtWhole(
  e: Expression,
  table: FunctionTable,
  n: Rational,
): { value: number; low: number; high: number; exact: Rational | null } | null {
  const part = smoothParts(e, table, n, n).find((p) => p.isPoint);
  if (!part?.expression) return null;
  const exact = exactValueAt(part.expression, n);
  if (exact) {
    const v = toDouble(exact);
    return { value: v, low: v, high: v, exact };
  }
  const v = encloseAt(part.expression, table, n);
  return v.flags & EMPTY ? null : { value: v.lo + (v.hi - v.lo) / 2, low: v.lo, high: v.hi, exact: null };
}

/** The whole numbers on both sides of a place known only by bounds; equal when the place is proven to be whole. */
export function wholeNeighbours(
  low: number,
  high: number,
  exact: Rational | null,
  isRootAt: (n: Rational) => boolean,
): { below: Rational; above: Rational } {
  if (exact) return isInteger(exact) ? { below: exact, above: exact } : { below: exact.floor(), above: exact.ceil() };
  const near = rationalOfDouble(Math.round(low + (high - low) / 2));
  const n = toDouble(near);
  if (n >= low && n <= high) {
    if (isRootAt(near)) return { below: near, above: near };
    // Too close to tell: take the number itself as one neighbour; the sign there decides.
    return { below: near, above: near };
  }
  return { below: rationalOfDouble(Math.floor(low)), above: rationalOfDouble(Math.ceil(high)) };
}

/** Values this close, relative to their size, tie when neither is exact. */
const TIES = 1e-13;

/**
 * Best whole inputs on [from, to]: between neighbouring turning points, ends and breaks the function is monotone, so that only the whole
 * numbers next to those places can be best.
 */
export function bestWhole(
  e: Expression,
  table: FunctionTable,
  from: Rational,
  to: Rational,
  places: readonly number[],
  sense: 1 | -1,
): readonly { at: number; value: number }[] {
  const first = from.ceil();
  const last = to.floor();
  if (first.compare(last) > 0) return [];
  const inputs = new Map<string, Rational>();
  const note = (r: Rational) => {
    if (r.compare(first) >= 0 && r.compare(last) <= 0) inputs.set(r.toFraction(), r);
  };
  note(first);
  note(last);
  for (const p of places) {
    if (!Number.isFinite(p)) continue;
    for (const r of [Math.floor(p) - 1, Math.floor(p), Math.ceil(p), Math.ceil(p) + 1]) note(rationalOfDouble(r));
  }
  const values = [...inputs.values()].map((n) => ({ n, v: valueAtWhole(e, table, n) })).filter((x) => x.v !== null);
  let best: typeof values = [];
  for (const x of values) {
    const top = best[0];
    if (!top) {
      best = [x];
      continue;
    }
    const order =
      x.v!.exact && top.v!.exact
        ? x.v!.exact.compare(top.v!.exact) * sense
        : close(x.v!.value, top.v!.value)
          ? 0
          : (x.v!.value - top.v!.value) * sense;
    if (order > 0) best = [x];
    else if (order === 0) best.push(x);
  }
  return best.sort((a, b) => a.n.compare(b.n)).map((x) => ({ at: toDouble(x.n), value: x.v!.value }));
}
const close = (a: number, b: number): boolean => Math.abs(a - b) <= TIES * Math.max(Math.abs(a), Math.abs(b));
