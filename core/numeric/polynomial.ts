import { spend } from "./effort";
import { greatestDivisor, leastMultiple } from "./wholes";
import { ONE, ZERO, isInteger, isZero, ratio, denominator, numerator, type Rational } from "./rational";

/** Coefficients from the constant upwards, exact, with no zero at the top; the zero polynomial is empty. */
export type Polynomial = readonly Rational[];

export const trim = (p: Rational[]): Polynomial => {
  while (p.length > 0 && isZero(p[p.length - 1]!)) p.pop();
  return p;
};
export const constant = (r: Rational): Polynomial => (isZero(r) ? [] : [r]);
export const degree = (p: Polynomial): number => p.length - 1;

export function add(a: Polynomial, b: Polynomial): Polynomial {
  const [long, short] = a.length < b.length ? [b, a] : [a, b];
  return trim(long.map((c, i) => (i < short.length ? plus(c, short[i]!) : c)));
}
/** Whole numbers share nothing with 1: what the library would look for. */
const plus = (a: Rational, b: Rational): Rational =>
  isInteger(a) && isInteger(b) ? ratio(numerator(a) + numerator(b)) : a.add(b);
export const scale = (p: Polynomial, by: Rational): Polynomial => (isZero(by) ? [] : p.map((c) => c.mul(by)));
export const negate = (p: Polynomial): Polynomial => p.map((c) => c.neg());
export const subtract = (a: Polynomial, b: Polynomial): Polynomial => add(a, negate(b));

/**
 * The product, multiplied out in whole numbers over one denominator: fractions would be brought to lowest terms at each
 * of the many sums.
 */
export function multiply(a: Polynomial, b: Polynomial): Polynomial {
  if (a.length === 0 || b.length === 0) return [];
  const [f, g] = [overOne(a), overOne(b)];
  const out: bigint[] = new Array(a.length + b.length - 1).fill(0n);
  f.terms.forEach((x, i) => {
    if (x === 0n) return;
    g.terms.forEach((y, j) => {
      if (y !== 0n) out[i + j] = out[i + j]! + x * y;
    });
  });
  const below = f.below * g.below;
  return trim(out.map((c) => (c === 0n ? ZERO : ratio(c, below))));
}

/** Whole terms over their common denominator. */
function overOne(p: Polynomial): { terms: bigint[]; below: bigint } {
  const below = p.reduce((m, c) => leastMultiple(m, denominator(c)), 1n);
  return { terms: below === 1n ? p.map(numerator) : p.map((c) => numerator(c) * (below / denominator(c))), below };
}

export const derivative = (p: Polynomial): Polynomial => trim(p.slice(1).map((c, i) => c.mul(ratio(i + 1))));
/** The antiderivative that is 0 at 0. */
export const antiderivative = (p: Polynomial): Polynomial =>
  p.length === 0 ? [] : [ZERO, ...p.map((c, i) => c.div(ratio(i + 1)))];

export const valueAt = (p: Polynomial, x: Rational): Rational => p.reduceRight((sum, c) => sum.mul(x).add(c), ZERO);

/** Quotient and remainder. @throws RangeError when the divisor is zero */
export function divide(a: Polynomial, b: Polynomial): { quotient: Polynomial; remainder: Polynomial } {
  const top = b[b.length - 1];
  if (!top) throw new RangeError("division by the zero polynomial");
  const rest = [...a];
  const quotient: Rational[] = new Array(Math.max(0, a.length - b.length + 1)).fill(ZERO);
  for (let i = rest.length - b.length; i >= 0; i--) {
    const factor = rest[i + b.length - 1]!.div(top);
    quotient[i] = factor;
    if (isZero(factor)) continue;
    b.forEach((c, j) => {
      rest[i + j] = rest[i + j]!.sub(factor.mul(c));
    });
  }
  return { quotient: trim(quotient), remainder: trim(rest.slice(0, b.length - 1)) };
}

/**
 * Whole coefficients without common factor, in the same ratio and of the same sign as those of `p`.
 * Sign questions (Sturm) work on these: big integers stay far smaller than fractions do.
 */
export function primitive(p: Polynomial): bigint[] {
  if (p.length === 0) return [];
  return withoutContent(overOne(p).terms);
}

export function withoutContent(p: bigint[]): bigint[] {
  let content = 0n;
  for (const c of p) content = greatestDivisor(content, c);
  return content > 1n ? p.map((c) => c / content) : p;
}

/** Greatest common divisor with leading coefficient 1, by the primitive remainder sequence. */
export function gcd(a: Polynomial, b: Polynomial): Polynomial {
  let x = primitive(a);
  let y = primitive(b);
  if (x.length < y.length) [x, y] = [y, x];
  while (y.length > 0) [x, y] = [y, withoutContent(pseudoRemainder(x, y).remainder)];
  const top = x[x.length - 1];
  return top === undefined ? [] : x.map((c) => ratio(c, top));
}

/**
 * Remainder of `lead^k * a` divided by `b`, all in whole numbers (Knuth, TAOCP 2, section 4.6.1).
 * @returns the remainder, and the sign of the factor it was multiplied by
 */
export function pseudoRemainder(a: bigint[], b: bigint[]): { remainder: bigint[]; sign: 1 | -1 } {
  const lead = b[b.length - 1]!;
  const rest = [...a];
  let sign: 1 | -1 = 1;
  while (rest.length >= b.length) {
    const top = rest.pop()!;
    const shift = rest.length - (b.length - 1);
    if (lead < 0n) sign = sign === 1 ? -1 : 1;
    for (let i = 0; i < rest.length; i++) rest[i] = rest[i]! * lead;
    for (let i = 0; i < b.length - 1; i++) rest[i + shift] = rest[i + shift]! - top * b[i]!;
  }
  while (rest.length > 0 && rest[rest.length - 1] === 0n) rest.pop();
  return { remainder: rest, sign };
}

/**
 * Square-free factors with their multiplicities: p = constant · Π factor^multiplicity (Yun 1976).
 * A root of a factor is a root of `p` of exactly that multiplicity.
 */
export function squareFree(p: Polynomial): { factor: Polynomial; multiplicity: number }[] {
  if (degree(p) < 1) return [];
  const slope = derivative(p);
  const shared = gcd(p, slope);
  if (degree(shared) === 0) return [{ factor: p, multiplicity: 1 }];
  const out: { factor: Polynomial; multiplicity: number }[] = [];
  let b = divide(p, shared).quotient;
  let c = divide(slope, shared).quotient;
  let d = subtract(c, derivative(b));
  for (let multiplicity = 1; degree(b) > 0; multiplicity++) {
    const factor = d.length === 0 ? b : gcd(b, d);
    if (degree(factor) > 0) out.push({ factor, multiplicity });
    b = divide(b, factor).quotient;
    c = d.length === 0 ? [] : divide(d, factor).quotient;
    d = subtract(c, derivative(b));
  }
  return out;
}

/** Sign of a whole-coefficient polynomial at the fraction n/d (d > 0), without making any fraction. */
export function signAt(p: readonly bigint[], n: bigint, d: bigint): -1 | 0 | 1 {
  spend(15 * p.length);
  let sum = 0n;
  let power = 1n;
  for (let i = p.length - 1; i >= 0; i--) {
    sum = sum * n + p[i]! * power;
    power *= d;
  }
  return sum > 0n ? 1 : sum < 0n ? -1 : 0;
}

/** All roots of `p` lie strictly within ±this (Cauchy's bound). A whole number. */
export function rootBound(p: Polynomial): bigint {
  const top = p[p.length - 1];
  if (!top) return 1n;
  let most = ZERO;
  for (const c of p.slice(0, -1)) {
    const size = c.div(top).abs();
    if (size.compare(most) > 0) most = size;
  }
  return numerator(most.add(ONE).ceil()) + 1n;
}

export const isConstantPolynomial = (p: Polynomial): boolean => p.length <= 1;
