import { ONE, toDouble, type Rational } from "../../numeric";
import {
  compareSpots,
  signOfValue,
  spotOfRational,
  type FunctionTable,
  type Range,
  type Spot,
  type Stretch,
} from "../../solve";
import type { Expression } from "../../formula";
import type { FindingStretch } from "../finding";
import { valueAtWhole } from "./whole";
import { wholeFrom } from "./asking";

/** A stretch as it is told; ends are rounded to doubles only here. */
export function told(s: { lo: number; hi: number; closedLo: boolean; closedHi: boolean }): FindingStretch {
  const [from, to] = [Number.isFinite(s.lo) ? s.lo : null, Number.isFinite(s.hi) ? s.hi : null];
  return {
    from,
    to,
    ends: `${s.closedLo && from !== null ? "[" : "("}${s.closedHi && to !== null ? "]" : ")"}`,
    least: null,
    first: null,
    last: null,
  };
}

/** Whether a stretch is all of a range, its ends among it. */
export const isWholeRange = (s: Pick<Stretch, "lo" | "hi" | "closedLo" | "closedHi">, { from, to }: Range): boolean =>
  s.lo === (from?.at ?? -Infinity) && s.hi === (to?.at ?? Infinity) && (!from || s.closedLo) && (!to || s.closedHi);

/** All of a range, its ends among it. */
export const allOf = ({ from, to }: Range): Stretch => {
  const [lo, hi] = [from?.at ?? -Infinity, to?.at ?? Infinity];
  return { from, to, lo, hi, closedLo: true, closedHi: true };
};

export const toldOpen = (o: { lo: number; hi: number }): FindingStretch =>
  told({ ...o, closedLo: true, closedHi: true });

/** The first and the last whole input inside a stretch; null where there is none, or the stretch has no such end. */
export function wholesIn(
  s: Stretch,
  table: FunctionTable,
  holds: (n: Rational) => boolean = () => true,
): { first: number | null; last: number | null } {
  // Beside an end beyond all doubles no whole number can be told.
  const first = s.from && Number.isFinite(s.from.hi) ? firstAt(s.from, s.closedLo, holds) : null;
  const mirrored = s.to && Number.isFinite(s.to.lo) ? firstAt(mirror(s.to), s.closedHi, (n) => holds(n.neg())) : null;
  const last = mirrored && mirrored.neg();
  const isEmpty = (n: Rational | null, end: Spot | null, side: 1 | -1, isClosed: boolean) => {
    if (!n || !end) return false;
    const order = compareSpots(spotOfRational(n), end, table);
    return order === side || (order === 0 && !isClosed);
  };
  if (isEmpty(first, s.to, 1, s.closedHi) || isEmpty(last, s.from, -1, s.closedLo)) return { first: null, last: null };
  return { first: first && toDouble(first), last: last && toDouble(last) };
}

function firstAt(end: Spot, isClosed: boolean, holds: (n: Rational) => boolean): Rational {
  const n = wholeFrom(end, isClosed);
  // A whole number hidden in the bounds of an irrational end is inside when what is asked holds there.
  const hidden = n.sub(ONE);
  return !end.rational && toDouble(hidden) >= end.lo && holds(hidden) ? hidden : n;
}

const mirror = (s: Spot): Spot => ({
  at: -s.at,
  lo: -s.hi,
  hi: -s.lo,
  rational: s.rational && s.rational.neg(),
  exact: null,
  zeroOf: [],
});

/** Whether a whole input has a value with one of these signs. */
export function hasSignAt(e: Expression, table: FunctionTable, signs: readonly number[]): (n: Rational) => boolean {
  return (n) => {
    const v = valueAtWhole(e, table, n);
    const sign = v.kind === "value" ? signOfValue(v) : null;
    return sign !== null && signs.includes(sign);
  };
}

/** Which stretches are left, in words. */
export function openMessage(open: readonly { lo: number; hi: number }[], variable = "x"): string {
  const end = (x: number) =>
    (Number.isFinite(x) ? String(Number(x.toPrecision(8))) : x > 0 ? "∞" : "−∞").replace("-", "−");
  const parts = open.map((o) => {
    const [a, b] = [end(o.lo), end(o.hi)];
    return a === b ? `near ${variable} = ${a}` : `on ${a} … ${b}`;
  });
  const places = [...new Set(parts)];
  const more = places.length - 3;
  return (
    `Not settled ${places.slice(0, 3).join(", ")}` +
    `${more > 0 ? ` and ${more === 1 ? "at one more place" : `at ${more} more places`}` : ""}` +
    "."
  );
}
