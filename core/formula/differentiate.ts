import { exactNumber, isOneNumber, isZeroNumber, wholeNumber } from "./numbers";
import { add, apply, call, divide, multiply, negate, power, subtract } from "./build";
import type { Expression } from "./expression";
import { Noted } from "./noted";
import { size, wholeExponent, dependsOnVariable } from "./read";
import { ratio } from "../numeric";

const ZERO_NUMBER = wholeNumber(0);
const ONE_NUMBER = wholeNumber(1);

// A derivative is only looked at where the function itself is defined, so 0·u may be dropped here.
const times = (a: Expression, b: Expression): Expression =>
  isZeroNumber(a) || isZeroNumber(b) ? ZERO_NUMBER : isOneNumber(b) ? a : multiply(a, b);

/**
 * Symbolic derivative with respect to the variable, with the usual rules; kinks and jumps become places without a
 * value.
 */
export const differentiate = (e: Expression): Expression => known.get(e) ?? known.set(e, byRules(e));
/** A slope has the same parts many times over, and is itself asked for again and again. */
const known = new Noted<Expression>();

function byRules(e: Expression): Expression {
  if (!dependsOnVariable(e)) return ZERO_NUMBER;
  switch (e.kind) {
    case "variable":
      return ONE_NUMBER;
    case "number":
      return ZERO_NUMBER;
    case "add":
      return add(differentiate(e.a), differentiate(e.b));
    case "subtract":
      return subtract(differentiate(e.a), differentiate(e.b));
    case "negate":
      return negate(differentiate(e.a));
    case "multiply":
      return add(times(differentiate(e.a), e.b), times(e.a, differentiate(e.b)));
    case "divide":
      if (!dependsOnVariable(e.b)) return divide(differentiate(e.a), e.b);
      if (!dependsOnVariable(e.a)) return negate(divide(times(e.a, differentiate(e.b)), power(e.b, wholeNumber(2))));
      return divide(
        subtract(times(differentiate(e.a), e.b), times(e.a, differentiate(e.b))),
        power(e.b, wholeNumber(2)),
      );
    case "power":
      return ofPower(e.a, e.b, e);
    case "apply":
      return times(outerSlope(e), differentiate(e.a));
    case "root":
      return times(divide(e, times(wholeNumber(e.n), e.a)), differentiate(e.a));
    case "min":
      return { kind: "choose", p: e.a, q: e.b, a: differentiate(e.a), b: differentiate(e.b) };
    case "max":
      return { kind: "choose", p: e.b, q: e.a, a: differentiate(e.a), b: differentiate(e.b) };
    case "choose":
      return { ...e, a: differentiate(e.a), b: differentiate(e.b) };
    case "flat":
      return e;
    case "call":
      return times(call(e.name, e.order + 1, e.a), differentiate(e.a));
  }
}

/** Longest expression that is differentiated when several derivatives are wanted: each multiplies the length. */
const MAX_DERIVED_SIZE = 1500;

/** The `times`-th derivative, or null where it would grow too long. */
export function derivativeWithin(e: Expression, times: number): Expression | null {
  let out = e;
  for (let i = 0; i < times; i++) {
    if (size(out, MAX_DERIVED_SIZE + 1) > MAX_DERIVED_SIZE) return null;
    out = differentiate(out);
  }
  return out;
}

function ofPower(base: Expression, exponent: Expression, whole: Expression): Expression {
  if (!dependsOnVariable(exponent)) {
    const n = wholeExponent(exponent);
    const less =
      n !== null ? (n === 2 ? base : power(base, wholeNumber(n - 1))) : power(base, subtract(exponent, ONE_NUMBER));
    return times(times(exponent, less), differentiate(base));
  }
  const slope = times(differentiate(exponent), apply("ln", base));
  return dependsOnVariable(base)
    ? times(whole, add(slope, divide(times(exponent, differentiate(base)), base)))
    : times(whole, slope);
}

/** f'(u) for a built-in f. Source: any table of derivatives. */
function outerSlope(e: Expression & { kind: "apply" }): Expression {
  const u = e.a;
  const half = exactNumber(ratio(1, 2));
  switch (e.name) {
    case "exp":
      return e;
    case "ln":
      return divide(ONE_NUMBER, u);
    case "log10":
      return divide(ONE_NUMBER, times(u, apply("ln", wholeNumber(10))));
    case "log2":
      return divide(ONE_NUMBER, times(u, apply("ln", wholeNumber(2))));
    case "sqrt":
      return divide(half, e);
    case "cbrt":
      return divide(ONE_NUMBER, times(wholeNumber(3), power(e, wholeNumber(2))));
    case "sin":
      return apply("cos", u);
    case "cos":
      return negate(apply("sin", u));
    case "tan":
      return add(ONE_NUMBER, power(e, wholeNumber(2)));
    case "asin":
      return divide(ONE_NUMBER, apply("sqrt", subtract(ONE_NUMBER, power(u, wholeNumber(2)))));
    case "acos":
      return negate(divide(ONE_NUMBER, apply("sqrt", subtract(ONE_NUMBER, power(u, wholeNumber(2))))));
    case "atan":
      return divide(ONE_NUMBER, add(ONE_NUMBER, power(u, wholeNumber(2))));
    case "sinh":
      return apply("cosh", u);
    case "cosh":
      return apply("sinh", u);
    case "tanh":
      return subtract(ONE_NUMBER, power(e, wholeNumber(2)));
    case "abs":
      return apply("sign", u);
    default:
      return { kind: "flat", name: e.name, a: u };
  }
}
