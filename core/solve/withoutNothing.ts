import { exactNumber, isZeroNumber, wholeNumber } from "../formula/numbers";
import { mapParts } from "../formula/build";
import { Noted, dependsOnVariable, type Expression } from "../formula";
import { ratio, type Rational } from "../numeric";
import { rationalForm } from "./rationalForm";

const memo = new Noted<Expression>();

/**
 * A formula without its parts that come to nothing: 0 · u is 0, and a quotient of polynomials that cancels is a
 * number. Only for formulas that are known to have a value throughout: elsewhere the part that is dropped may have
 * none.
 */
export function withoutNothing(e: Expression): Expression {
  if (!dependsOnVariable(e)) return e;
  const known = memo.get(e);
  if (known) return known;
  return memo.set(e, reduced(mapParts(e, withoutNothing)));
}

function reduced(e: Expression): Expression {
  if (!dependsOnVariable(e)) return e;
  if (e.kind === "multiply" && (isZeroNumber(e.a) || isZeroNumber(e.b))) return wholeNumber(0);
  if (e.kind === "divide" && isZeroNumber(e.a)) return wholeNumber(0);
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
