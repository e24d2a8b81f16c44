import { denominator, numerator, ratio, type Rational } from "./rational";

/**
 * The fraction of smallest terms in [lo, hi], by the terms that the continued fractions of both ends share (Graham,
 * Knuth & Patashnik, Concrete Mathematics, section 4.5), in big integers without reduction.
 *
 * @param hi  not below lo
 * @param longest  greatest denominator wanted
 * @returns null where every fraction inside has a longer denominator
 */
export function simplestBetween(lo: Rational, hi: Rational): Rational;
export function simplestBetween(lo: Rational, hi: Rational, longest: bigint): Rational | null;
export function simplestBetween(lo: Rational, hi: Rational, longest: bigint | null = null): Rational | null {
  let [an, ad, bn, bd] = [numerator(lo), denominator(lo), numerator(hi), denominator(hi)];
  // Convergents: the last two numerators and denominators.
  let [p, q, before, beforeQ] = [1n, 0n, 0n, 1n];
  const take = (term: bigint) => {
    [p, q, before, beforeQ] = [term * p + before, term * q + beforeQ, p, q];
  };
  while (longest === null || q <= longest) {
    const floor = floorDivide(an, ad);
    const isWhole = floor * ad === an;
    if (isWhole || (floor + 1n) * bd <= bn) {
      take(isWhole ? floor : floor + 1n);
      return longest === null || q <= longest ? ratio(p, q) : null;
    }
    take(floor);
    [an, ad, bn, bd] = [bd, bn - floor * bd, ad, an - floor * ad];
  }
  return null;
}

/** The greatest whole number not above n/d, for d > 0. */
function floorDivide(n: bigint, d: bigint): bigint {
  const quotient = n / d;
  return n < 0n && quotient * d !== n ? quotient - 1n : quotient;
}
