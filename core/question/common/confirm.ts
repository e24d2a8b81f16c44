import { rationalOfDouble, toDouble } from "../../numeric";
import { containsZero } from "../../interval";
import type { Expression, NumberFunction } from "../../formula";
import { encloseAt, polynomialForm, type Root, type RootSearch } from "../../solve";
import type { SecondWay } from "../finding";
import { bisectionNear, plainEvaluation } from "./secondWay";
import type { Asking } from "./asking";

/** How far beside a root the function is looked at, as a part of the input. */
const BESIDE = 1e-7;
/** A true root leaves less than this part of what stands beside it, and of this at the least. */
const [SHARE, LEAST] = [1e-2, 1e-9];

/** A zero found a second time on plain doubles; null where doubles can say nothing. */
export function confirmRoot(
  asking: Asking,
  r: Root,
  e: Expression,
  here: NumberFunction,
  { roots, open }: Pick<RootSearch, "roots" | "open">,
): SecondWay | null {
  if (r.kind !== "crossing") {
    const v = Math.abs(here(r.at));
    return Number.isFinite(v) ? plainEvaluation(0, v < residualScale(here, r.at) ? 0 : v) : null;
  }
  const { from, to } = asking.range;
  // A bracket holds no other root, and none of a stretch left open, where there may be some.
  const room = (side: 1 | -1) => {
    const end = side > 0 ? to : from;
    const toEnd = end ? Math.abs(end.at - r.at) : 1 + Math.abs(r.at);
    const away = (x: number) => Math.max(0, (x - r.at) * side);
    const toOthers = roots.filter((o) => away(o.at) > 0).map((o) => away(o.at) / 2);
    const toOpen = open.filter((o) => away(o.hi) > 0 || away(o.lo) > 0).map((o) => Math.min(away(o.lo), away(o.hi)));
    return Math.min(...toOthers, ...toOpen, toEnd);
  };
  const isWithinRounding = (x: number) =>
    containsZero(encloseAt(e, asking.table, rationalOfDouble(x))) || Math.abs(here(x)) <= roundingOf(e, x);
  for (const share of [0.9, 0.1, 0.001]) {
    const found = bisectionNear(here, r.at, r.at - room(-1) * share, r.at + room(1) * share, isWithinRounding);
    if (found) return found;
  }
  return null;
}

/** How far rounding alone may move a polynomial's value: the sum of its terms' sizes, in units of the last place. */
function roundingOf(e: Expression, x: number): number {
  const p = polynomialForm(e);
  return p ? p.reduce((sum, c, i) => sum + Math.abs(toDouble(c)) * Math.abs(x) ** i, 0) * 2 ** -50 : 0;
}

/** The largest value the residual of a true root may show through rounding alone. */
export function residualScale(f: NumberFunction, at: number): number {
  const h = Math.max(Math.abs(at), 1) * BESIDE;
  const near = [f(at + h), f(at - h)].map(Math.abs).filter(Number.isFinite);
  return Math.max(...near, LEAST) * SHARE;
}

export const worst = (list: readonly (SecondWay | null)[]): SecondWay | null => {
  const known = list.filter((s): s is SecondWay => s !== null);
  if (known.length === 0) return null;
  return known.reduce((a, b) => (b.agrees === a.agrees ? (b.difference > a.difference ? b : a) : b.agrees ? a : b));
};
