import { degree, primitive, type Polynomial } from "./polynomial";
import {
  equal,
  integerRoot,
  isZero,
  ratio,
  rationalRoot,
  signOf,
  toDouble,
  type Rational,
  rationalOfDouble,
} from "./rational";

/** Bits kept beyond those of the coefficients, so that cancellation leaves an enclosure of neighbouring doubles. */
const GUARD_BITS = 80;

/**
 * Both roots of a quadratic from its discriminant: exact where that is a square, else between fractions a hair apart.
 */
export function quadraticRoots(p: Polynomial): RealRoot[] {
  const [c, b, a] = primitive(p) as [bigint, bigint, bigint];
  const d = b * b - 4n * a * c;
  if (d < 0n) return [];
  if (d === 0n) return [{ ...exactRoot(ratio(-b, 2n * a)), multiplicity: 2 }];
  const s = integerRoot(d, 2);
  const isSquare = s * s === d;
  const shift = BigInt(d.toString(16).length * 4 + GUARD_BITS);
  const low = isSquare ? s : integerRoot(d << (2n * shift), 2);
  const roots = [-1n, 1n].map((side): RealRoot => {
    if (isSquare) return { ...exactRoot(ratio(-b + side * s, 2n * a)), multiplicity: 1 };
    const ends = [low, low + 1n]
      .map((r) => ratio((-b << shift) + side * r, (2n * a) << shift))
      .sort((u, v) => u.compare(v)) as [Rational, Rational];
    return { at: toDouble(ends[0]), lo: outside(ends[0], -1), hi: outside(ends[1], 1), exact: null, multiplicity: 1 };
  });
  return roots.sort((u, v) => u.at - v.at);
}

/** a x^n + c with n above 2 and c not 0. */
export const isPurePower = (p: Polynomial): boolean =>
  degree(p) > 2 && !isZero(p[0]!) && p.slice(1, -1).every((c) => isZero(c));

/** The real roots of a x^n + c: one for an odd n; two or none for an even one. */
export function powerRoots(p: Polynomial): RealRoot[] {
  const n = degree(p);
  const level = p[0]!.neg().div(p[n]!);
  const isNegative = signOf(level) < 0;
  if (isNegative && n % 2 === 0) return [];
  const size = level.abs();
  const exact = rationalRoot(size, n);
  const shift = BigInt(GUARD_BITS) + BigInt((size.d as bigint).toString(16).length * 4);
  const low = integerRoot(((size.n as bigint) << (BigInt(n) * shift)) / (size.d as bigint), n);
  const [a, b] = [ratio(low, 1n << shift), ratio(low + 1n, 1n << shift)];
  const positive: RealRoot = exact
    ? { ...exactRoot(exact), multiplicity: 1 }
    : { at: toDouble(a), lo: outside(a, -1), hi: outside(b, 1), exact: null, multiplicity: 1 };
  const negative: RealRoot = {
    at: -positive.at,
    lo: -positive.hi,
    hi: -positive.lo,
    exact: positive.exact && positive.exact.neg(),
    multiplicity: 1,
  };
  return n % 2 === 0 ? [negative, positive] : [isNegative ? negative : positive];
}

/** A real root: either an exact fraction, or the only root of `factor` strictly between two fractions. */
export interface RealRoot {
  /** in x-unit, nearest double to the root, within a unit in the last place */
  readonly at: number;
  /** proven enclosure, in x-unit: lo <= root <= hi */
  readonly lo: number;
  readonly hi: number;
  readonly multiplicity: number;
  readonly exact: Rational | null;
}

/** The double at or just beyond an exact bound, so that the enclosure stays proven. */
export function outside(bound: Rational, side: -1 | 1): number {
  const near = toDouble(bound);
  const exact = Number.isFinite(near) && equal(rationalOfDouble(near), bound);
  return exact ? near : near + side * (Math.abs(near) * 2 ** -52 + Number.MIN_VALUE);
}

export function exactRoot(r: Rational): Omit<RealRoot, "multiplicity"> {
  return { at: toDouble(r), lo: outside(r, -1), hi: outside(r, 1), exact: r };
}
