import { isZero, signOf, toDouble, type Rational } from "../numeric";
import type { Enclosure } from "../interval";
import type { Expression } from "../formula";

/**
 * What a function is on one side of a place: with x = p ± t (or ±1/t far out) and L = ln(1/t), its value lies in c ·
 * t^r · L^s · exp(w) for every t of (0, δ]. The scale is exp(−1/t^m) ≪ t^r ≪ 1/L ≪ 1 ≪ L ≪ t^−r ≪
 * exp(1/t^m). Source: Hardy, Orders of Infinity, chapter 2; Gruntz, On Computing Limits in a Symbolic Manipulation
 * System, for the comparison of growth.
 */
export interface Term {
  /** holds value / (t^r L^s exp w) for all t of (0, δ] */
  readonly c: Enclosure;
  readonly r: Rational;
  readonly s: Rational;
  /** an exponent that goes to plus or minus infinity as t goes to 0 */
  readonly w: Growth | null;
  /** what that quotient comes to as t goes to 0, as a number without variable; null where not known */
  readonly lead: Expression | null;
  /** without a lead: that the quotient comes to some number of c is known all the same */
  readonly settles?: boolean;
}
export interface Growth {
  readonly term: Term;
  readonly source: Expression;
}

/** Margin for bounds computed on plain doubles: far more than their rounding. */
export const MARGIN = 1 + 1e-9;

export const isNought = (t: Term): boolean => t.c.lo === 0 && t.c.hi === 0;

/** Whether values go to 0. */
export function vanishes(t: Term): boolean {
  if (isNought(t)) return true;
  if (t.w) return t.w.term.c.hi < 0;
  return signOf(t.r) > 0 || (isZero(t.r) && signOf(t.s) < 0);
}
/** Whether values go to plus or minus infinity, if they have a sign. */
export function grows(t: Term): boolean {
  if (isNought(t)) return false;
  if (t.w) return t.w.term.c.lo > 0;
  return signOf(t.r) < 0 || (isZero(t.r) && signOf(t.s) > 0);
}
/**
 * Greatest value of t^a L^b exp(w) on (0, δ], for a product that goes to 0 with t; null where that cannot be bounded.
 * Where an exponential decides, L is replaced by the larger 1/t.
 */
export function orderBound(a: number, b: number, w: Term | null, delta: number): number | null {
  const logarithm = -Math.log(delta);
  if (!w) {
    if (a < 0 || (a === 0 && b > 0) || logarithm < 1) return null;
    const atEnd = delta ** a * logarithm ** b;
    const inside = b > 0 && logarithm < b / a ? (b / (a * Math.E)) ** b : 0;
    return Math.max(atEnd, inside) * MARGIN + Number.MIN_VALUE;
  }
  const decay = -w.c.hi;
  const m = -toDouble(w.r);
  if (!(decay > 0) || !(m > 0) || signOf(w.s) < 0 || logarithm < 1) return null;
  // With y = t^−m the product is at most exp(−decay y) y^q.
  const q = -(a - Math.max(b, 0)) / m;
  // Beyond its greatest value the bound falls, so that a nearer y than one beyond all doubles does as well.
  const y = Math.min(delta ** -m, FAR_ENOUGH);
  const at = (z: number) => Math.exp(-decay * z + q * Math.log(z));
  return (q <= 0 || y >= q / decay ? at(y) : at(q / decay)) * MARGIN + Number.MIN_VALUE;
}
const FAR_ENOUGH = 1e300;
