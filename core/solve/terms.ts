import { wholeNumber } from "../formula/numbers";
import { add, apply, divide, multiply, negate, power, subtract } from "../formula/build";
import { dependsOnVariable, differentiate, same, wholeExponent, type Expression } from "../formula";
import { isExactlyZero } from "./constant";
import { encloseConstant } from "./encloseConstant";

/** sign of a number without variable: 0 only when proven, null when not known */
export function constantSign(c: Expression): -1 | 0 | 1 | null {
  const v = encloseConstant(c);
  if (v.lo > 0) return 1;
  if (v.hi < 0) return -1;
  return isExactlyZero(c) ? 0 : null;
}

/** A term of a sum with its sign. */
export interface SignedTerm {
  readonly term: Expression;
  readonly sign: 1 | -1;
}

export function termsOf(e: Expression, sign: 1 | -1 = 1, out: SignedTerm[] = []): SignedTerm[] {
  if (e.kind === "add") {
    termsOf(e.a, sign, out);
    termsOf(e.b, sign, out);
  } else if (e.kind === "subtract") {
    termsOf(e.a, sign, out);
    termsOf(e.b, sign === 1 ? -1 : 1, out);
  } else if (e.kind === "negate") termsOf(e.a, sign === 1 ? -1 : 1, out);
  else if (
    (e.kind === "multiply" || e.kind === "divide") &&
    (e.kind === "divide" || !dependsOnVariable(e.a)) &&
    !(e.kind === "divide" && dependsOnVariable(e.b))
  ) {
    // a constant times a sum is a sum of its own
    const [inner, factor] =
      e.kind === "divide" ? [e.a, (t: Expression) => divide(t, e.b)] : [e.b, (t: Expression) => multiply(e.a, t)];
    if (inner.kind === "add" || inner.kind === "subtract" || inner.kind === "negate")
      for (const t of termsOf(inner)) out.push({ term: factor(t.term), sign: (t.sign * sign) as 1 | -1 });
    else out.push({ term: e, sign });
  } else out.push({ term: e, sign });
  return out;
}

export const signed = (t: SignedTerm): Expression => (t.sign < 0 ? negate(t.term) : t.term);

/** factor · exp(exponent), for terms made of powers with fixed positive base. */
export function exponentialTerm(e: Expression): { factor: Expression; exponent: Expression } | null {
  if (!dependsOnVariable(e)) return { factor: e, exponent: wholeNumber(0) };
  if (e.kind === "apply" && e.name === "exp") return { factor: wholeNumber(1), exponent: e.a };
  if (e.kind === "power" && !dependsOnVariable(e.a) && constantSign(e.a) === 1)
    return { factor: wholeNumber(1), exponent: multiply(e.b, apply("ln", e.a)) };
  if (e.kind === "negate") {
    const t = exponentialTerm(e.a);
    return t && { ...t, factor: negate(t.factor) };
  }
  if (e.kind === "multiply") {
    const x = exponentialTerm(e.a);
    const y = x && exponentialTerm(e.b);
    return x && y && { factor: multiply(x.factor, y.factor), exponent: add(x.exponent, y.exponent) };
  }
  if (e.kind === "divide") {
    const x = exponentialTerm(e.a);
    const y = x && exponentialTerm(e.b);
    return x && y && constantSign(y.factor)
      ? { factor: divide(x.factor, y.factor), exponent: subtract(x.exponent, y.exponent) }
      : null;
  }
  return null;
}

/** k x − m x with irrational k and m: one product, so that the unknown stands alone. */
export function collect(e: Expression): Expression {
  const factors = termsOf(e).map((t) => ({ ...t, slope: differentiate(t.term) }));
  if (!factors.every((t) => !dependsOnVariable(t.slope))) return e;
  const slope = factors.map((t) => signed({ term: t.slope, sign: t.sign })).reduce((a, b) => add(a, b));
  const origin = factors.map((t) => signed({ term: atZero(t.term), sign: t.sign })).reduce((a, b) => add(a, b));
  return add(multiply(slope, VARIABLE_EXPRESSION), origin);
}

const VARIABLE_EXPRESSION: Expression = { kind: "variable" };

const atZero = (e: Expression): Expression => substituteValue(e, wholeNumber(0));

function substituteValue(e: Expression, v: Expression): Expression {
  if (e.kind === "variable") return v;
  if (e.kind === "multiply") {
    const a = substituteValue(e.a, v);
    const b = substituteValue(e.b, v);
    return isExactlyZero(a) || isExactlyZero(b) ? wholeNumber(0) : multiply(a, b);
  }
  if (e.kind === "add") return add(substituteValue(e.a, v), substituteValue(e.b, v));
  if (e.kind === "subtract") return subtract(substituteValue(e.a, v), substituteValue(e.b, v));
  if (e.kind === "negate") return negate(substituteValue(e.a, v));
  if (e.kind === "divide") return divide(substituteValue(e.a, v), substituteValue(e.b, v));
  return e;
}

export function clearDenominators(e: Expression): { top: Expression; bottom: Expression } {
  const one = wholeNumber(1);
  if (!dependsOnVariable(e)) return { top: e, bottom: one };
  switch (e.kind) {
    case "negate": {
      const f = clearDenominators(e.a);
      return { ...f, top: negate(f.top) };
    }
    case "add":
    case "subtract": {
      const f = clearDenominators(e.a);
      const g = clearDenominators(e.b);
      const join = e.kind === "add" ? add : subtract;
      return same(f.bottom, g.bottom)
        ? { top: join(f.top, g.top), bottom: f.bottom }
        : { top: join(multiply(f.top, g.bottom), multiply(g.top, f.bottom)), bottom: multiply(f.bottom, g.bottom) };
    }
    case "multiply": {
      const f = clearDenominators(e.a);
      const g = clearDenominators(e.b);
      return { top: multiply(f.top, g.top), bottom: multiply(f.bottom, g.bottom) };
    }
    case "divide": {
      const f = clearDenominators(e.a);
      const g = clearDenominators(e.b);
      return { top: multiply(f.top, g.bottom), bottom: multiply(f.bottom, g.top) };
    }
    case "power": {
      const n = wholeExponent(e.b);
      if (n === null || n === 0) return { top: e, bottom: one };
      const f = clearDenominators(e.a);
      const raise = (x: Expression) => power(x, wholeNumber(Math.abs(n)));
      return n > 0 ? { top: raise(f.top), bottom: raise(f.bottom) } : { top: raise(f.bottom), bottom: raise(f.top) };
    }
    case "apply":
      return e.name === "tan" ? { top: apply("sin", e.a), bottom: apply("cos", e.a) } : { top: e, bottom: one };
    default:
      return { top: e, bottom: one };
  }
}
