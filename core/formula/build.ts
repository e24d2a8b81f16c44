import {
  MINUS_ONE,
  ONE,
  ZERO,
  integerPower,
  isInteger,
  isZero,
  rationalRoot,
  spend,
  toDouble,
  type Rational,
} from "../numeric";
import type { Expression, Unary } from "./expression";
import { exactNumber, isExact, isOneNumber, isZeroNumber } from "./numbers";
import { parts, same, wholeExponent } from "./read";

const TWO = ONE.add(ONE);
const HALF = ONE.div(TWO);
const both = (a: Expression, b: Expression): [Rational, Rational] | null =>
  a.kind === "number" && b.kind === "number" && a.exact && b.exact ? [a.exact, b.exact] : null;

// Builders. They fold exact numbers and drop neutral parts, but never a part whose domain the result would lose.
export function add(a: Expression, b: Expression): Expression {
  const exact = both(a, b);
  if (exact) return exactNumber(exact[0].add(exact[1]));
  return isZeroNumber(a) ? b : isZeroNumber(b) ? a : { kind: "add", a, b };
}
export function subtract(a: Expression, b: Expression): Expression {
  const exact = both(a, b);
  if (exact) return exactNumber(exact[0].sub(exact[1]));
  return isZeroNumber(b) ? a : isZeroNumber(a) ? negate(b) : { kind: "subtract", a, b };
}
export function negate(a: Expression): Expression {
  if (a.kind === "number" && a.exact) return exactNumber(a.exact.neg());
  return a.kind === "negate" ? a.a : { kind: "negate", a };
}
export function multiply(a: Expression, b: Expression): Expression {
  const exact = both(a, b);
  if (exact) return exactNumber(exact[0].mul(exact[1]));
  if (isExact(a, MINUS_ONE)) return negate(b);
  if (a.kind !== "number" && a.kind === b.kind && same(a, b)) return power(a, exactNumber(TWO));
  return isOneNumber(a) ? b : isOneNumber(b) ? a : { kind: "multiply", a, b };
}
export function divide(a: Expression, b: Expression): Expression {
  const exact = both(a, b);
  if (exact && !isZero(exact[1])) return exactNumber(exact[0].div(exact[1]));
  return isOneNumber(b) ? a : { kind: "divide", a, b };
}
export function power(a: Expression, b: Expression): Expression {
  const exact = both(a, b);
  // 0^0 comes only from putting 0 into u^v with a varying exponent, where it has no value.
  if (exact && isZero(exact[0]) && isZero(exact[1])) return { kind: "apply", name: "ln", a };
  if (exact && isInteger(exact[1])) {
    const folded = integerPower(exact[0], toDouble(exact[1]));
    if (folded) return exactNumber(folded);
  }
  // (u^2)^2 is u^4: whole powers of whole powers multiply (an inner negative one keeps its own domain).
  const [inner, outer] = [a.kind === "power" ? wholeExponent(a.b) : null, wholeExponent(b)];
  if (a.kind === "power" && inner !== null && outer !== null && inner > 0 && outer > 0 && inner * outer <= 1e6)
    return power(a.a, exactNumber(ONE.mul(BigInt(inner * outer))));
  if (isExact(b, HALF)) return apply("sqrt", a);
  return isOneNumber(b) ? a : { kind: "power", a, b };
}
export function apply(name: Unary, a: Expression): Expression {
  if (a.kind === "number" && a.exact) {
    if (name === "exp" && isZero(a.exact)) return exactNumber(ONE);
    if (name === "ln" && a.exact.compare(ONE) === 0) return exactNumber(ZERO);
    const root = name === "sqrt" || name === "cbrt" ? rationalRoot(a.exact, name === "sqrt" ? 2 : 3) : null;
    if (root) return exactNumber(root);
  }
  // √(u²) is |u|: the same values, and its kink can be found.
  if (name === "sqrt" && a.kind === "power" && wholeExponent(a.b) === 2) return { kind: "apply", name: "abs", a: a.a };
  return { kind: "apply", name, a };
}

/** min or max of two parts; equal parts and numbers that are certainly apart need no comparison later. */
export function extreme(kind: "min" | "max", a: Expression, b: Expression): Expression {
  if (same(a, b)) return a;
  if (a.kind === "number" && b.kind === "number") {
    if (a.within.hi < b.within.lo) return kind === "min" ? a : b;
    if (b.within.hi < a.within.lo) return kind === "min" ? b : a;
  }
  return { kind, a, b };
}
export const call = (name: string, order: number, a: Expression): Expression => ({ kind: "call", name, order, a });
export const nthRoot = (a: Expression, n: number): Expression =>
  n === 2 ? apply("sqrt", a) : n === 3 ? apply("cbrt", a) : { kind: "root", a, n };

/** The same expression with its parts replaced. */
export function rebuild(e: Expression, f: (part: Expression) => Expression): Expression {
  spend(4);
  switch (e.kind) {
    case "number":
    case "variable":
      return e;
    case "add":
      return add(f(e.a), f(e.b));
    case "subtract":
      return subtract(f(e.a), f(e.b));
    case "multiply":
      return multiply(f(e.a), f(e.b));
    case "divide":
      return divide(f(e.a), f(e.b));
    case "power":
      return power(f(e.a), f(e.b));
    case "negate":
      return negate(f(e.a));
    case "min":
    case "max":
      return extreme(e.kind, f(e.a), f(e.b));
    case "choose":
      return { kind: "choose", p: f(e.p), q: f(e.q), a: f(e.a), b: f(e.b) };
    default:
      return { ...e, a: f(e.a) };
  }
}

/**
 * The same expression with its parts replaced; the very same object where no part changed, so that what is noted on it
 * stays.
 */
export function mapParts(e: Expression, f: (part: Expression) => Expression): Expression {
  const before = parts(e);
  const after = before.map(f);
  if (after.every((part, i) => part === before[i])) return e;
  let next = 0;
  return rebuild(e, () => after[next++]!);
}

/** Puts `input` for the variable. */
export const substitute = (e: Expression, input: Expression): Expression =>
  e.kind === "variable" ? input : rebuild(e, (part) => substitute(part, input));
