import { exactNumber, wholeNumber } from "../formula/numbers";
import { add, apply, divide, multiply, negate, power, subtract } from "../formula/build";
import { dependsOnVariable, wholeExponent, type Expression } from "../formula";
import { ONE, denominator, numerator, rationalRoot } from "../numeric";
import { exactRational } from "./constant";
import { encloseConstant } from "./encloseConstant";
import { rootExpression } from "./exactForm";
import { constantSign } from "./terms";
import { NONE, merge, withMultiplicity, type Equation, type Stretch, type ZeroSet } from "./zeroSet";
import { periodic } from "./periodic";

/** a^b = c, with c ≠ 0, where a or b is without variable: back to a or b alone; null where that cannot be done. */
export function powerEquals(
  u: Expression & { kind: "power" },
  c: Expression,
  sign: -1 | 0 | 1 | null,
  deeper: Equation,
): ZeroSet | null {
  if (sign === null) return null;
  const n = wholeExponent(u.b);
  if (n !== null) {
    const k = Math.abs(n);
    const level = n < 0 ? divide(wholeNumber(1), c) : c;
    if (k % 2 === 1) return deeper(u.a, sign > 0 ? closedRoot(level, k) : negate(closedRoot(negate(level), k)));
    if (sign < 0) return NONE;
    const root = closedRoot(level, k);
    return merge([deeper(u.a, root), deeper(u.a, negate(root))]);
  }
  if (!dependsOnVariable(u.b)) {
    if (sign < 0) return NONE;
    const q = exactRational(u.b);
    // a^(p/q) = c with a >= 0 has the one solution a = c^(q/p)
    return deeper(
      u.a,
      q && Number(numerator(q)) === 1
        ? power(c, wholeNumber(Number(denominator(q))))
        : power(c, divide(wholeNumber(1), u.b)),
    );
  }
  if (!dependsOnVariable(u.a) && constantSign(u.a) === 1) {
    if (sign <= 0) return NONE;
    const base = exactRational(u.a);
    if (base && base.compare(ONE) === 0) return null;
    return deeper(u.b, divide(apply("ln", c), apply("ln", u.a)));
  }
  return null;
}

function closedRoot(c: Expression, k: number): Expression {
  if (k === 1) return c;
  const r = exactRational(c);
  const whole = r && rationalRoot(r, k);
  return whole ? exactNumber(whole) : rootExpression(c, k);
}

/** h(v) = c for a built-in h: back to v = every inverse value. */
export function outerEquals(
  u: Expression & { kind: "apply" },
  c: Expression,
  sign: -1 | 0 | 1 | null,
  s: Stretch,
  deeper: Equation,
): ZeroSet | null {
  const v = u.a;
  switch (u.name) {
    case "exp":
      return sign === null ? null : sign > 0 ? deeper(v, apply("ln", c)) : NONE;
    case "ln":
      return deeper(v, apply("exp", c));
    case "log10":
      return deeper(v, power(wholeNumber(10), c));
    case "log2":
      return deeper(v, power(wholeNumber(2), c));
    case "sqrt": {
      if (sign === null) return null;
      if (sign < 0) return NONE;
      const found = deeper(v, multiply(c, c));
      return sign === 0 ? withMultiplicity(found, () => null) : found;
    }
    case "cbrt": {
      const found = deeper(v, multiply(c, multiply(c, c)));
      return sign === 0 ? withMultiplicity(found, (m) => (m && m % 2 === 1 ? 1 : null)) : found;
    }
    case "abs":
      if (sign === null) return null;
      if (sign < 0) return NONE;
      return sign === 0 ? withMultiplicity(deeper(v, c), () => null) : merge([deeper(v, c), deeper(v, negate(c))]);
    case "sin":
    case "cos":
    case "tan":
      return periodic(u.name, v, c, s, deeper);
    case "asin":
    case "acos":
    case "atan":
      return arcEquals(u.name, v, c, deeper);
    case "sign": {
      if (sign === null) return null;
      // ±1 on whole stretches is for the caller who splits at kinks; 0 is never taken.
      return sign === 0 ? NONE : null;
    }
    case "cosh":
      return sign !== null && encloseConstant(c).hi < 1 ? NONE : null;
    case "sinh":
      return sign === 0 ? deeper(v, c) : null;
    case "tanh":
      return tanhEquals(v, c, sign, deeper);
    default:
      return null;
  }
}

/** An arc function has the values of its range only; beside the ends of it nothing is said. */
const BESIDE_END = 1e-9;
function arcEquals(name: "asin" | "acos" | "atan", v: Expression, c: Expression, deeper: Equation): ZeroSet | null {
  const level = encloseConstant(c);
  const [least, most] = name === "acos" ? [0, Math.PI] : [-Math.PI / 2, Math.PI / 2];
  if (level.lo > most + BESIDE_END || level.hi < least - BESIDE_END) return NONE;
  if (level.lo < least + BESIDE_END || level.hi > most - BESIDE_END) return null;
  return deeper(v, apply(name === "asin" ? "sin" : name === "acos" ? "cos" : "tan", c));
}
/** tanh v = c where v is half the logarithm of (1 + c)/(1 − c). */
function tanhEquals(v: Expression, c: Expression, sign: -1 | 0 | 1 | null, deeper: Equation): ZeroSet | null {
  const level = encloseConstant(c);
  if (level.lo >= 1 || level.hi <= -1) return NONE;
  if (sign === 0) return deeper(v, c);
  if (level.hi >= 1 || level.lo <= -1) return null;
  const one = wholeNumber(1);
  return deeper(v, divide(apply("ln", divide(add(one, c), subtract(one, c))), wholeNumber(2)));
}
