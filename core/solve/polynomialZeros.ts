import { Noted, encloseRational, negate, type Expression } from "../formula";
import { ONE, isZero, isolateRealRoots, poly, type Polynomial, type Rational, type RealRoot } from "../numeric";
import { encloseConstant } from "./encloseConstant";
import { formOf, quadraticExact, rationalExact, rootExpression, type ExactForm } from "./exactForm";
import { rationalForm } from "./rationalForm";
import { EVERYWHERE, NONE, type Stretch, type ZeroSet } from "./zeroSet";

/** A numerator without the zeros of its denominators, and what is known of its zeros so far. */
interface Solvable {
  readonly numerator: Polynomial;
  readonly tooLong: boolean;
  readonly exactOf: (lo: number, hi: number) => ExactForm | null;
  /** all real zeros of a line or parabola, once they were wanted */
  all: readonly RealRoot[] | null;
}

/** One equation is solved on the range, beside it and on parts of it; what does not depend on the range is kept. */
const memo = new Noted<Solvable | null>();

/** Exact quotient of polynomials: zeros of the numerator that are not zeros of anything divided by. */
export function rationalZeros(e: Expression, s: Stretch): ZeroSet | null {
  let known = memo.get(e);
  if (known === undefined) {
    known = solvable(e);
    memo.set(e, known);
  }
  if (!known) return null;
  if (known.numerator.length === 0) return EVERYWHERE;
  return known.tooLong ? null : polynomialZeros(known, s);
}

function solvable(e: Expression): Solvable | null {
  const form = rationalForm(e);
  if (!form) return null;
  let numerator = form.numerator;
  if (numerator.length > 0) {
    for (const divisor of form.divisors) {
      for (let shared = poly.gcd(numerator, divisor); poly.degree(shared) > 0; shared = poly.gcd(numerator, shared))
        numerator = poly.divide(numerator, shared).quotient;
    }
  }
  return {
    numerator,
    tooLong: isolationWork(numerator) > MAX_ISOLATION_WORK,
    exactOf: exactForms(numerator),
    all: null,
  };
}

/**
 * A Sturm chain costs about degree² steps on coefficients of a length that grows with the degree: beyond this,
 * intervals are faster.
 */
const MAX_ISOLATION_WORK = 60_000;

function isolationWork(p: Polynomial): number {
  const digits = poly.primitive(p).reduce((most, c) => Math.max(most, c.toString(16).length), 0);
  return poly.degree(p) ** 2 * digits * 4;
}

function polynomialZeros(known: Solvable, s: Stretch): ZeroSet {
  if (poly.degree(known.numerator) < 1) return NONE;
  return {
    zeros: rootsOn(known, s).map((r) => ({
      at: r.at,
      lo: r.lo,
      hi: r.hi,
      multiplicity: r.multiplicity,
      exact: r.exact ? rationalExact(r.exact) : known.exactOf(r.lo, r.hi),
    })),
    everywhere: false,
    open: [],
    algebraic: true,
  };
}

/**
 * Lines and parabolas are solved once and their zeros sorted by the range; where an end of it cannot be told from a
 * zero, the range is solved by itself.
 */
function rootsOn(known: Solvable, s: Stretch): readonly RealRoot[] {
  if (poly.degree(known.numerator) > 2) return isolateRealRoots(known.numerator, s.from, s.to);
  known.all ??= isolateRealRoots(known.numerator, null, null);
  const outside = (r: RealRoot) => [s.from && isBeyond(r, s.from, -1), s.to && isBeyond(r, s.to, 1)];
  if (known.all.some((r) => outside(r).includes("unclear"))) return isolateRealRoots(known.numerator, s.from, s.to);
  return known.all.filter((r) => !outside(r).includes(true));
}

/** Whether a root lies below (side −1) or above (side 1) an end; unclear when its bounds hold the end. */
function isBeyond(r: RealRoot, end: Rational, side: -1 | 1): boolean | "unclear" {
  if (r.exact) return r.exact.compare(end) * side > 0;
  const { lo, hi } = encloseRational(end);
  return r.hi < lo ? side < 0 : r.lo > hi ? side > 0 : "unclear";
}

/**
 * Closed forms for the irrational roots, where school algebra has them: quadratics left after rational roots, and pure
 * powers.
 */
export function exactForms(p: Polynomial): (lo: number, hi: number) => ExactForm | null {
  let forms: ExactForm[] | null = null;
  const make = (): ExactForm[] => {
    if (poly.degree(p) === 2) return [-1, 1].map((side) => quadraticExact(p[2]!, p[1]!, p[0]!, side as -1 | 1));
    const out: ExactForm[] = [];
    for (const { factor } of poly.squareFree(p)) {
      let rest = factor;
      if (poly.degree(rest) > 2) {
        for (const r of isolateRealRoots(rest, null, null)) {
          if (r.exact) rest = poly.divide(rest, [r.exact.neg(), ONE]).quotient;
        }
      }
      if (poly.degree(rest) === 2) {
        for (const side of [-1, 1] as const) out.push(quadraticExact(rest[2]!, rest[1]!, rest[0]!, side));
      } else if (poly.degree(rest) > 2) out.push(...powerForms(rest));
    }
    return out;
  };
  return (lo, hi) => {
    forms ??= make();
    return (
      forms.find((f) => {
        const v = encloseConstant(f.expression);
        return v.lo <= hi && v.hi >= lo;
      }) ?? null
    );
  };
}

/** Roots of a polynomial in x^k, k the common divisor of its powers: ±(t)^(1/k) for each closed t. */
function powerForms(p: Polynomial): ExactForm[] {
  let k = 0;
  p.forEach((c, i) => {
    if (!isZero(c)) {
      let a = k;
      let b = i;
      while (b) [a, b] = [b, a % b];
      k = a;
    }
  });
  if (k < 2) return [];
  const inner = poly.trim(p.filter((_, i) => i % k === 0) as Rational[]);
  const out: ExactForm[] = [];
  for (const t of isolateRealRoots(inner, null, null)) {
    const form = t.exact ? rationalExact(t.exact) : exactForms(inner)(t.lo, t.hi);
    if (!form) continue;
    if (k % 2 === 1 && t.at < 0) {
      out.push(formOf(negate(rootExpression(negate(form.expression), k))));
      continue;
    }
    if (t.at < 0) continue;
    const root = rootExpression(form.expression, k);
    out.push(formOf(root));
    if (k % 2 === 0) out.push(formOf(negate(root)));
  }
  return out;
}
