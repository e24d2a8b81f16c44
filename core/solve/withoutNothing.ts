import { exactNumber, isZeroNumber, wholeNumber } from "../formula/numbers";
import { add, mapParts } from "../formula/build";
import { Noted, dependsOnVariable, same, type Expression } from "../formula";
import { ratio, type Rational } from "../numeric";
import { rationalForm } from "./rationalForm";
import { signed, termsOf, type SignedTerm } from "./terms";

const memo = new Noted<Expression>();

/** Longer sums are not searched for what falls out. */
const MOST_TERMS = 40;

/**
 * A formula without its parts that come to nothing: 0 · u is 0, f − (f + x) is −x, and a quotient of polynomials
 * that cancels is a number. Only for formulas that are known to have a value throughout: elsewhere the part that is
 * dropped may have none.
 */
export function withoutNothing(e: Expression): Expression {
  if (!dependsOnVariable(e)) return e;
  const known = memo.get(e);
  if (known) return known;
  const shorter = withoutOpposites(e);
  return memo.set(e, shorter ? withoutNothing(shorter) : reduced(mapParts(e, withoutNothing)));
}

/** A sum without the terms that stand there with both signs; null where none do. */
function withoutOpposites(e: Expression): Expression | null {
  if (e.kind !== "add" && e.kind !== "subtract") return null;
  const terms = termsOf(e);
  if (terms.length > MOST_TERMS) return null;
  const left: SignedTerm[] = [];
  for (const t of terms) {
    const opposite = left.findIndex((other) => other.sign !== t.sign && same(other.term, t.term));
    if (opposite < 0) left.push(t);
    else left.splice(opposite, 1);
  }
  return left.length < terms.length ? left.map(signed).reduce((a, b) => add(a, b), wholeNumber(0)) : null;
}

function reduced(e: Expression): Expression {
  if (e.kind === "multiply" && (isZeroNumber(e.a) || isZeroNumber(e.b))) return wholeNumber(0);
  if (e.kind === "divide" && isZeroNumber(e.a)) return wholeNumber(0);
  if (!dependsOnVariable(e)) return e;
  if (e.kind !== "add" && e.kind !== "subtract" && e.kind !== "multiply" && e.kind !== "divide") return e;
  const constant = constantQuotient(e);
  return constant ? exactNumber(constant) : e;
}

/** The number that a quotient of polynomials is, where all else cancels. */
function constantQuotient(e: Expression): Rational | null {
  const form = rationalForm(e);
  if (!form || form.denominator.length === 0) return null;
  const { numerator, denominator } = form;
  if (numerator.length === 0) return ratio(0);
  if (numerator.length !== denominator.length) return null;
  const share = numerator[numerator.length - 1]!.div(denominator[denominator.length - 1]!);
  return numerator.every((c, i) => c.compare(denominator[i]!.mul(share)) === 0) ? share : null;
}
