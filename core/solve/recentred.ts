import { Noted, dependsOnVariable, mapParts, parts, type Expression } from "../formula";
import { add } from "../formula/build";
import {
  ONE,
  billed,
  denominator,
  isZero,
  numerator,
  pay,
  poly,
  type Bill,
  type Polynomial,
  type Rational,
} from "../numeric";
import { polynomialExpression } from "./polynomialExpression";
import { polynomialForm } from "./rationalForm";
import { signed, termsOf } from "./terms";

/** Degree past which a polynomial moved to another place is longer than it is worth. */
const MAX_DEGREE = 8;
/** A place of more digits makes longer numbers than doubles hold. */
const MAX_TERM = 1n << 40n;

/**
 * An expression as it looks from a place: `√(x − 3) + x²` from 3 is √t + (t² + 6t + 9), where t is x − 3.
 * Beside 0 doubles are close enough to see what cancels; beside 3 they are not.
 * @returns null where it cannot be moved: it calls other functions, or the place is a long number
 */
export function recentred(e: Expression, place: Rational): Expression | null {
  if (isZero(place) || !isShort(place) || !isMovable(e)) return null;
  const known = memo.get(e);
  if (known?.place.compare(place) === 0) {
    pay(known.bill);
    return known.moved;
  }
  const { value: moved, bill } = billed(() => seenFrom(e, place));
  memo.set(e, { place, moved, bill });
  return moved;
}

const memo = new Noted<{ readonly place: Rational; readonly moved: Expression; readonly bill: Bill }>();

const isShort = (r: Rational): boolean => numerator(r.abs()) < MAX_TERM && denominator(r) < MAX_TERM;

const isMovable = (e: Expression): boolean =>
  e.kind !== "call" && e.kind !== "choose" && e.kind !== "flat" && parts(e).every(isMovable);

function seenFrom(e: Expression, place: Rational): Expression {
  if (!dependsOnVariable(e)) return e;
  const p = polynomialForm(e);
  if (p && poly.degree(p) <= MAX_DEGREE) return polynomialExpression(movedBy(p, place));
  return together(e, place) ?? mapParts(e, (part) => seenFrom(part, place));
}

/** A sum with its polynomial terms taken together, so that what cancels seen from the place is gone; else null. */
function together(e: Expression, place: Rational): Expression | null {
  if (e.kind !== "add" && e.kind !== "subtract") return null;
  const terms = termsOf(e).map(signed);
  const algebraic = terms.filter((t) => polynomialForm(t) !== null);
  const sum = algebraic.length > 1 ? polynomialForm(algebraic.reduce(add)) : null;
  if (!sum || poly.degree(sum) > MAX_DEGREE) return null;
  const others = terms.filter((t) => !algebraic.includes(t)).map((t) => seenFrom(t, place));
  return [...others, polynomialExpression(movedBy(sum, place))].reduce(add);
}

/** p(t + place), by Horner's rule. */
function movedBy(p: Polynomial, place: Rational): Polynomial {
  const step: Polynomial = [place, ONE];
  return p.reduceRight<Polynomial>((sum, c) => poly.add(poly.multiply(sum, step), poly.constant(c)), []);
}
