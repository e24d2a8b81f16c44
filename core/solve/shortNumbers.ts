import { PI, apply, exactNumber, multiply, negate, wholeNumber, type Expression } from "../formula";
import { ONE, ZERO, isZero, rationalOfDouble, signOf, simplestBetween, type Rational } from "../numeric";
import { exactRational } from "./constant";
import { formOf, rationalExact, type ExactForm } from "./exactForm";

export const exactOfCandidate = (c: Expression): ExactForm => {
  const r = exactRational(c);
  return r ? rationalExact(r) : formOf(c);
};

/** Numbers with short names inside a box: fractions, fractions of π, e, square roots, logarithms. */
export function candidates(lo: number, hi: number): Expression[] {
  if (!Number.isFinite(lo) || !Number.isFinite(hi)) return [];
  const out: Expression[] = [];
  const simple = simplestFraction(lo, hi);
  if (simple) out.push(exactNumber(simple));
  const turns = simplestFraction(lo / Math.PI, hi / Math.PI, 60n);
  if (turns && !isZero(turns)) out.push(multiply(exactNumber(turns), PI));
  if (lo <= Math.E && hi >= Math.E) out.push(apply("exp", wholeNumber(1)));
  if (lo > 0 || hi < 0) {
    const square = simplestFraction(Math.min(lo * lo, hi * hi), Math.max(lo * lo, hi * hi), 1000n);
    if (square) {
      const r = apply("sqrt", exactNumber(square));
      out.push(lo > 0 ? r : negate(r));
    }
  }
  if (Math.abs(lo) < 30 && Math.abs(hi) < 30) {
    const inside = simplestFraction(Math.exp(lo), Math.exp(hi), 1000n);
    if (inside && signOf(inside) > 0 && inside.compare(ONE) !== 0) out.push(apply("ln", exactNumber(inside)));
  }
  return out;
}

/** Denominators beyond this are no short names. */
const LONGEST = 10n ** 12n;

/** The fraction of smallest terms in [lo, hi] (Stern–Brocot), if its denominator is not above `longest`. */
export function simplestFraction(lo: number, hi: number, longest = LONGEST): Rational | null {
  if (!(lo <= hi)) return null;
  if (lo <= 0 && hi >= 0) return ZERO;
  if (hi < 0) {
    const r = simplestFraction(-hi, -lo, longest);
    return r && r.neg();
  }
  return simplestBetween(rationalOfDouble(lo), rationalOfDouble(hi), longest);
}
