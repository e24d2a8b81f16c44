import { isolateRealRoots, poly, rationalOfDouble, signOf, toDouble, type Polynomial, type Rational } from "../numeric";
import { EMPTY, Enclosure, PARTIAL, BROKEN, containsZero } from "../interval";
import { enclosedNumber, encloseRational, exactNumber } from "../formula/numbers";
import { substitute, subtract } from "../formula/build";
import { compileEnclosure, dependsOnVariable, differentiate, same, size, type Expression } from "../formula";
import { exactRational, isExactlyZero, vanishesAt } from "./constant";
import { encloseConstant } from "./encloseConstant";
import { formOf, rationalExact } from "./exactForm";
import { polynomialForm, rationalForm } from "./rationalForm";
import type { FunctionTable } from "./table";
import type { Spot } from "./spotType";
import type { Zero } from "./zeroSet";

export type { Spot } from "./spotType";

export function spotOfRational(r: Rational): Spot {
  const { lo, hi } = encloseRational(r);
  return { at: toDouble(r), lo, hi, rational: r, exact: rationalExact(r), zeroOf: [] };
}

/** The spot a number without variable stands for: 2π, √2, 7/3. */
export function spotOfConstant(e: Expression): Spot {
  const r = exactRational(e);
  if (r) return spotOfRational(r);
  const { lo, hi } = encloseConstant(e);
  return { at: lo + (hi - lo) / 2, lo, hi, rational: null, exact: formOf(e), zeroOf: [] };
}

/** The spot of a zero of `u`; where another closed form names a fraction, it is one. */
export function spotOfZero(z: Zero, u: Expression): Spot {
  const rational = z.exact && exactRational(z.exact.expression);
  if (rational) return { ...spotOfRational(rational), zeroOf: [u] };
  return { at: z.at, lo: z.lo, hi: z.hi, rational: null, exact: z.exact, zeroOf: [u] };
}

/** An end of a range as a fraction that lies at or outside of the spot. */
export const outerEnd = (s: Spot, side: -1 | 1): Rational => s.rational ?? rationalOfDouble(side < 0 ? s.lo : s.hi);

/** The order of two spots: −1, 0 (proven the same), 1; null where it could not be told. */
export function compareSpots(a: Spot, b: Spot, table: FunctionTable): -1 | 0 | 1 | null {
  if (a === b) return 0;
  if (a.rational && b.rational) return Math.sign(a.rational.compare(b.rational)) as -1 | 0 | 1;
  if (a.hi < b.lo) return -1;
  if (b.hi < a.lo) return 1;
  if (areSame(a, b, table)) return 0;
  if (a.rational) return sideOf(a.rational, b);
  if (b.rational) {
    const side = sideOf(b.rational, a);
    return side === null || side === 0 ? side : side === 1 ? -1 : 1;
  }
  return null;
}

function areSame(a: Spot, b: Spot, table: FunctionTable): boolean {
  if (a.exact && b.exact) return isExactlyZero(subtract(a.exact.expression, b.exact.expression));
  if (a.exact && b.zeroOf.some((u) => vanishesAt(u, a.exact!.expression))) return true;
  if (b.exact && a.zeroOf.some((u) => vanishesAt(u, b.exact!.expression))) return true;
  const hull = new Enclosure(Math.min(a.lo, b.lo), Math.max(a.hi, b.hi));
  return a.zeroOf.some((u) => b.zeroOf.some((v) => shareTheirZero(u, v, hull, table)));
}

/** Whether two expressions, each with a zero in the box, have the same one. */
function shareTheirZero(u: Expression, v: Expression, box: Enclosure, table: FunctionTable): boolean {
  const [p, q] = [numeratorOf(u), numeratorOf(v)];
  if (p && q) {
    const shared = poly.gcd(p, q);
    return [p, q, shared].every((g) => poly.degree(g) > 0 && rootsWithin(g, box) === 1);
  }
  if (!same(u, v)) return false;
  const slope = compileEnclosure(differentiate(u), table.enclosure)(box);
  return !(slope.flags & (EMPTY | PARTIAL | BROKEN)) && !containsZero(slope);
}

const numeratorOf = (e: Expression): Polynomial | null => rationalForm(e)?.numerator ?? null;

const rootsWithin = (p: Polynomial, box: Enclosure): number =>
  isolateRealRoots(p, rationalOfDouble(box.lo), rationalOfDouble(box.hi)).length;

/** On which side of a zero of a polynomial a fraction lies, by the exact sign there; null where that tells nothing. */
function sideOf(r: Rational, s: Spot): -1 | 0 | 1 | null {
  for (const u of s.zeroOf) {
    const p = polynomialForm(u);
    if (!p) continue;
    const [left, here, right] = [rationalOfDouble(s.lo), r, rationalOfDouble(s.hi)].map((x) =>
      signOf(poly.valueAt(p, x)),
    ) as [number, number, number];
    if (here === 0) return 0;
    if (left * right < 0) return here === left ? -1 : 1;
  }
  return null;
}

/** Longest expression whose zero is looked for by its closed form. */
const MAX_EXACT_SIZE = 600;

/** Sign of a smooth expression, defined at the spot, there: 0 only when proven; null when not told. */
export function signAtSpot(e: Expression, s: Spot, table: FunctionTable): -1 | 0 | 1 | null {
  if (!dependsOnVariable(e)) return signOfEnclosure(encloseConstant(e)) ?? (isExactlyZero(e) ? 0 : null);
  if (s.rational) {
    const p = polynomialForm(e);
    if (p) return signOf(poly.valueAt(p, s.rational));
  }
  if (s.zeroOf.some((u) => same(u, e))) return 0;
  const near = signOfEnclosure(compileEnclosure(e, table.enclosure)(new Enclosure(s.lo, s.hi)));
  if (near !== null) return near;
  if (s.exact && size(e, MAX_EXACT_SIZE + 1) <= MAX_EXACT_SIZE) {
    if (vanishesAt(e, s.exact.expression)) return 0;
    const there = signOfEnclosure(compileEnclosure(substitute(e, s.exact.expression), table.enclosure)(ORIGIN));
    if (there !== null) return there;
  }
  return isZeroWith(e, s) ? 0 : null;
}

const ORIGIN = new Enclosure(0, 0);

/**
 * Whether `e` shares the zero that makes the spot: both are polynomials with a common factor that is 0 in the
 * enclosure.
 */
function isZeroWith(e: Expression, s: Spot): boolean {
  const q = numeratorOf(e);
  const box = new Enclosure(s.lo, s.hi);
  return s.zeroOf.some((u) => {
    const p = q && numeratorOf(u);
    if (!p || poly.degree(p) < 1 || rootsWithin(p, box) !== 1) return false;
    const shared = poly.gcd(p, q);
    return poly.degree(shared) > 0 && rootsWithin(shared, box) === 1;
  });
}

export const signOfEnclosure = (v: Enclosure): -1 | 0 | 1 | null =>
  v.flags & EMPTY ? null : v.lo > 0 ? 1 : v.hi < 0 ? -1 : v.lo === 0 && v.hi === 0 && !(v.flags & PARTIAL) ? 0 : null;

/** A smooth expression with the spot put in: a number without variable; null where the spot has no closed form. */
export const putIn = (e: Expression, s: Spot): Expression | null =>
  s.rational ? substitute(e, exactNumber(s.rational)) : s.exact ? substitute(e, s.exact.expression) : null;

/** The number a spot stands for, without variable: exact where it is known, else enclosed. */
export const numberOfSpot = (s: Spot): Expression =>
  s.rational ? exactNumber(s.rational) : (s.exact?.expression ?? enclosedNumber(s.at, new Enclosure(s.lo, s.hi)));

/** A spot from a number that may be no fraction: the end of a range. */
export function spotOfEnd(exact: Rational | null, irrational: Expression | null): Spot | null {
  if (irrational) return spotOfConstant(irrational);
  return exact && spotOfRational(exact);
}
