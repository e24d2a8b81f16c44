import { ZERO, isZero, toDouble } from "../numeric";
import { dependsOnVariable, wholeExponent, type Expression } from "../formula";
import { apply, divide, mapParts, multiply, power } from "../formula/build";
import { exactNumber, wholeNumber } from "../formula/numbers";
import { polynomialExpression } from "./polynomialExpression";
import { polynomialForm } from "./rationalForm";

/** An exponent without its constant, so that e^(x − 3) and e^(x − 5) are seen to grow alike. */
export function partedExponent(exponent: Expression): { rest: Expression; constant: Expression } | null {
  const p = polynomialForm(exponent);
  if (!p || p.length < 2 || isZero(p[0]!) || Math.abs(toDouble(p[0]!)) > MOST_CONSTANT) return null;
  return { rest: polynomialExpression([ZERO, ...p.slice(1)]), constant: exactNumber(p[0]!) };
}
/** More than that in an exponent is beyond what doubles hold well. */
const MOST_CONSTANT = 300;

/** √u or k √u, as what it is the square root of. */
export function squareRootOf(e: Expression): { square: Expression } | null {
  if (e.kind === "negate") return squareRootOf(e.a);
  if (e.kind === "apply" && e.name === "sqrt") return { square: e.a };
  if (e.kind === "multiply" && !dependsOnVariable(e.a) && e.b.kind === "apply" && e.b.name === "sqrt")
    return { square: multiply(power(e.a, wholeNumber(2)), e.b.a) };
  return null;
}

/** The same with 1/cosh² in place of 1 − tanh², of which far out nothing is left but rounding. */
export function withSlopesOfTanh(e: Expression): Expression {
  const u = ofSlopeOfTanh(e);
  if (u) return divide(wholeNumber(1), power(apply("cosh", u), wholeNumber(2)));
  return mapParts(e, withSlopesOfTanh);
}

/** u of 1 − tanh(u)²; null for anything else. */
function ofSlopeOfTanh(e: Expression): Expression | null {
  if (e.kind !== "subtract" || e.a.kind !== "number" || e.a.value !== 1 || e.b.kind !== "power") return null;
  const { a: inner, b: exponent } = e.b;
  return inner.kind === "apply" && inner.name === "tanh" && wholeExponent(exponent) === 2 ? inner.a : null;
}
