import {
  ONE,
  ZERO,
  MINUS_ONE,
  denominator,
  integerPower,
  isInteger,
  isZero,
  rationalOfDouble,
  rationalRoot,
  toDouble,
  type Rational,
  spend,
} from "../numeric";
import { Enclosure, down, up } from "../interval";
import { Noted } from "./noted";

export type Unary =
  | "ln"
  | "log10"
  | "log2"
  | "exp"
  | "sqrt"
  | "cbrt"
  | "abs"
  | "sin"
  | "cos"
  | "tan"
  | "asin"
  | "acos"
  | "atan"
  | "sinh"
  | "cosh"
  | "tanh"
  | "floor"
  | "ceil"
  | "round"
  | "step"
  | "sign";

/** A number as it was written, and how closely its parts hold together: as a sum, a product, or a number alone. */
export interface Written {
  readonly text: string;
  readonly latex: string;
  readonly binds: "sum" | "product" | "number";
}

/**
 * A checked expression in one variable: names are resolved, givens are numbers, functions of the case are called by
 * name.
 * `sign` is the slope of abs; `choose` (with p < q take a, with p > q take b) that of min and max; `flat` the slope of
 * the stairs:
 * 0 where its argument's stair does not jump. These three come only from differentiation.
 */
export type Expression =
  | {
      readonly kind: "number";
      readonly value: number;
      readonly exact: Rational | null;
      readonly within: Enclosure;
      /** how a person wrote it, where that says more than its digits: 1 + 4.15%/12 */
      readonly written?: Written;
    }
  | { readonly kind: "variable" }
  | { readonly kind: "add" | "subtract" | "multiply" | "divide"; readonly a: Expression; readonly b: Expression }
  | { readonly kind: "power"; readonly a: Expression; readonly b: Expression }
  | { readonly kind: "negate"; readonly a: Expression }
  | { readonly kind: "apply"; readonly name: Unary; readonly a: Expression }
  | { readonly kind: "root"; readonly a: Expression; readonly n: number }
  | { readonly kind: "min" | "max"; readonly a: Expression; readonly b: Expression }
  | {
      readonly kind: "choose";
      readonly p: Expression;
      readonly q: Expression;
      readonly a: Expression;
      readonly b: Expression;
    }
  | { readonly kind: "flat"; readonly name: Unary; readonly a: Expression }
  /** the `order`-th derivative of the function `name` of the case, at `a` */
  | { readonly kind: "call"; readonly name: string; readonly order: number; readonly a: Expression };

const TWO = ONE.add(ONE);
const HALF = ONE.div(TWO);
export const VARIABLE: Expression = { kind: "variable" };

/** The tightest enclosure of an exact number by doubles. */
export function encloseRational(r: Rational): Enclosure {
  const near = toDouble(r);
  const d = denominator(r);
  // Only fractions over a power of two can be doubles; most decimals are not, and need no further look.
  const isDouble =
    (d & (d - 1n)) === 0n &&
    ((d === 1n && Number.isSafeInteger(near)) || (Number.isFinite(near) && rationalOfDouble(near).compare(r) === 0));
  return isDouble ? new Enclosure(near, near) : new Enclosure(down(near), up(near));
}

export const exactNumber = (r: Rational): Expression => ({
  kind: "number",
  value: toDouble(r),
  exact: r,
  within: encloseRational(r),
});
export const wholeNumber = (n: number): Expression => exactNumber(ONE.mul(BigInt(n)));
export const enclosedNumber = (value: number, within: Enclosure): Expression => ({
  kind: "number",
  value,
  exact: null,
  within,
});

/** π and e, each between neighbouring doubles. */
export const PI = enclosedNumber(Math.PI, new Enclosure(Math.PI, Math.PI + 2 ** -51));
export const EULER = enclosedNumber(Math.E, new Enclosure(Math.E, Math.E + 2 ** -51));

const isExact = (e: Expression, r: Rational): boolean =>
  e.kind === "number" && e.exact !== null && e.exact.compare(r) === 0;
export const isZeroNumber = (e: Expression): boolean => isExact(e, ZERO);
export const isOneNumber = (e: Expression): boolean => isExact(e, ONE);
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

/** The whole exponent of a power, when it is one. */
export function wholeExponent(b: Expression): number | null {
  if (b.kind !== "number" || !b.exact || !isInteger(b.exact)) return null;
  const n = toDouble(b.exact);
  return Math.abs(n) <= 1e6 ? n : null;
}

export const parts = (e: Expression): readonly Expression[] => {
  switch (e.kind) {
    case "number":
    case "variable":
      return [];
    case "add":
    case "subtract":
    case "multiply":
    case "divide":
    case "power":
    case "min":
    case "max":
      return [e.a, e.b];
    case "choose":
      return [e.p, e.q, e.a, e.b];
    default:
      return [e.a];
  }
};

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

const variableMemo = new Noted<boolean>();
export function dependsOnVariable(e: Expression): boolean {
  if (e.kind === "variable") return true;
  if (e.kind === "number") return false;
  const known = variableMemo.get(e);
  if (known !== undefined) return known;
  const depends = parts(e).some(dependsOnVariable);
  variableMemo.set(e, depends);
  return depends;
}

/** Number of nodes, counted up to `most` and then given up. */
export function size(e: Expression, most = 1e6): number {
  let count = 1;
  for (const part of parts(e)) {
    if (count > most) break;
    count += size(part, most - count);
  }
  return count;
}

/** Structural equality: the same tree with the same numbers. */
export function same(a: Expression, b: Expression): boolean {
  if (a === b) return true;
  if (a.kind !== b.kind) return false;
  if (a.kind === "number" && b.kind === "number")
    return a.exact && b.exact ? a.exact.compare(b.exact) === 0 : !a.exact && !b.exact && a.value === b.value;
  if ("name" in a && "name" in b && a.name !== b.name) return false;
  if (a.kind === "call" && b.kind === "call" && a.order !== b.order) return false;
  if (a.kind === "root" && b.kind === "root" && a.n !== b.n) return false;
  const x = parts(a);
  const y = parts(b);
  return x.every((part, i) => same(part, y[i]!));
}
