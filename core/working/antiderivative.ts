import { VARIABLE, exactNumber, wholeNumber } from "../formula/numbers";
import { add, apply, divide, multiply, negate, power, subtract } from "../formula/build";
import { dependsOnVariable, differentiate, type Expression } from "../formula";
import { ONE, isZero, poly } from "../numeric";
import { exactRational, isIdenticallyZero, polynomialExpression, polynomialForm, signed, termsOf } from "../solve";

/**
 * A function whose slope is `e`, term by term: powers, exponentials, sines and reciprocals of lines.
 * @returns null where the rules do not lead there, or the slope of what they give is not proven to be `e`
 */
export function antiderivative(e: Expression): Expression | null {
  const p = polynomialForm(e);
  if (p) return polynomialExpression(poly.antiderivative(p));
  let out: Expression | null = null;
  for (const t of termsOf(e)) {
    const one = ofTerm(signed(t));
    if (!one) return null;
    out = out ? add(out, one) : one;
  }
  return out && isIdenticallyZero(subtract(differentiate(out), e)) ? out : null;
}

function ofTerm(e: Expression): Expression | null {
  const p = polynomialForm(e);
  if (p) return polynomialExpression(poly.antiderivative(p));
  if (!dependsOnVariable(e)) return multiply(e, VARIABLE);
  switch (e.kind) {
    case "negate": {
      const inner = ofTerm(e.a);
      return inner && negate(inner);
    }
    case "multiply": {
      if (dependsOnVariable(e.a) && dependsOnVariable(e.b)) return null;
      const [still, moving] = dependsOnVariable(e.a) ? [e.b, e.a] : [e.a, e.b];
      const inner = ofTerm(moving);
      return inner && multiply(still, inner);
    }
    case "divide":
      return ofQuotient(e.a, e.b);
    case "power":
      return ofPower(e.a, e.b, e);
    case "apply":
      return ofFunction(e);
    default:
      return null;
  }
}

function ofQuotient(top: Expression, bottom: Expression): Expression | null {
  if (!dependsOnVariable(bottom)) {
    const inner = ofTerm(top);
    return inner && divide(inner, bottom);
  }
  if (dependsOnVariable(top)) return null;
  const k = slopeOfLine(bottom);
  return k && multiply(divide(top, k), apply("ln", bottom));
}

function ofPower(base: Expression, exponent: Expression, whole: Expression): Expression | null {
  if (!dependsOnVariable(base)) {
    const k = slopeOfLine(exponent);
    return k && divide(whole, multiply(k, apply("ln", base)));
  }
  const n = exactRational(exponent);
  const k = slopeOfLine(base);
  if (!n || !k || isZero(n.add(ONE))) return null;
  const more = exactNumber(n.add(ONE));
  return divide(power(base, more), multiply(k, more));
}

function ofFunction(e: Expression & { readonly kind: "apply" }): Expression | null {
  const k = slopeOfLine(e.a);
  if (!k) return null;
  switch (e.name) {
    case "exp":
      return divide(e, k);
    case "sin":
      return divide(negate(apply("cos", e.a)), k);
    case "cos":
      return divide(apply("sin", e.a), k);
    case "sqrt":
      return divide(multiply(wholeNumber(2), multiply(e.a, e)), multiply(wholeNumber(3), k));
    case "ln":
      return e.a.kind === "variable" ? subtract(multiply(VARIABLE, e), VARIABLE) : null;
    default:
      return null;
  }
}

/** The slope of a line; null where the expression is none. */
function slopeOfLine(u: Expression): Expression | null {
  const slope = differentiate(u);
  if (dependsOnVariable(slope)) return null;
  const r = exactRational(slope);
  return r && isZero(r) ? null : r ? exactNumber(r) : slope;
}
