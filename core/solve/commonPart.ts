import { apply, dependsOnVariable, parts, same, wholeExponent, type Expression } from "../formula";
import {
  ONE,
  ZERO,
  denominator,
  isInteger,
  numerator,
  poly,
  ratio,
  signOf,
  type Polynomial,
  type Rational,
} from "../numeric";
import { rootExpression } from "./exactForm";
import { MAX_DEGREE, polynomialForm } from "./rationalForm";

/** Multiples of an angle and roots beyond this are not looked for. */
const MOST_TIMES = 12;

interface CommonPart {
  readonly expression: Expression;
  read(e: Expression): Polynomial | null;
}

export function commonParts(e: Expression): CommonPart[] {
  const out: CommonPart[] = [];
  const seen: Expression[] = [];
  const visit = (x: Expression): void => {
    if (!dependsOnVariable(x) || seen.length > 40) return;
    if (
      (x.kind === "apply" || x.kind === "root" || (x.kind === "power" && wholeExponent(x.b) === null)) &&
      !seen.some((y) => same(x, y))
    ) {
      seen.push(x);
      const part = commonPart(x);
      if (part) out.push(part);
      return;
    }
    parts(x).forEach(visit);
  };
  visit(e);
  return out;
}

const monomial = (n: number): Polynomial => poly.trim([...new Array<Rational>(n).fill(ZERO), ONE]);

/** What stands for x in formulas that are polynomials in it; null where nothing does. */
function commonPart(x: Expression): CommonPart | null {
  if (x.kind === "apply" && x.name === "sin") return sinePart(x, x.a);
  if (x.kind === "apply" && x.name === "cos") return cosinePart(x.a);
  if (x.kind === "apply" && x.name === "exp")
    return {
      expression: x,
      read: (y) => (y.kind === "apply" && y.name === "exp" ? powerOfPart(multipleOf(y.a, x.a)) : null),
    };
  if (x.kind === "power" && !dependsOnVariable(x.a))
    return {
      expression: x,
      read: (y) => (y.kind === "power" && same(y.a, x.a) ? powerOfPart(multipleOf(y.b, x.b)) : null),
    };
  const fraction = fractionalPower(x);
  if (fraction) return fractionPart(fraction);
  if (x.kind === "apply" && (x.name === "ln" || x.name === "tan" || x.name === "abs" || x.name === "log10"))
    return { expression: x, read: (y) => (same(y, x) ? monomial(1) : null) };
  return null;
}

/** y = f(angle)², f sine or cosine. */
const isSquareOf = (y: Expression, f: "sin" | "cos", angle: Expression): boolean =>
  y.kind === "power" && y.a.kind === "apply" && y.a.name === f && same(y.a.a, angle) && wholeExponent(y.b) === 2;
/** Powers of sin v: itself, cos² v = 1 − sin² v, cos(2 v) = 1 − 2 sin² v. */
const sinePart = (x: Expression, angle: Expression): CommonPart => ({
  expression: x,
  read(y) {
    if (same(y, x)) return monomial(1);
    if (isSquareOf(y, "cos", angle)) return [ONE, ZERO, ONE.neg()];
    return y.kind === "apply" && y.name === "cos" && multipleOf(y.a, angle) === 2 ? [ONE, ZERO, ratio(-2)] : null;
  },
});
/** Powers of cos v: cos(n v) = T_n(cos v), sin² v = 1 − cos² v. */
const cosinePart = (angle: Expression): CommonPart => ({
  expression: apply("cos", angle),
  read(y) {
    if (isSquareOf(y, "sin", angle)) return [ONE, ZERO, ONE.neg()];
    const n = y.kind === "apply" && y.name === "cos" ? multipleOf(y.a, angle) : null;
    return n !== null && n <= MOST_TIMES ? chebyshev(n) : null;
  },
});
/** Fractional powers of one base: √u, u, u^1.5 are powers of u^(1/q). */
function fractionPart({ base, exponent }: FractionalPower): CommonPart | null {
  const q = Number(denominator(exponent));
  if (q > MOST_TIMES) return null;
  return {
    expression: rootExpression(base, q),
    read(y) {
      if (same(y, base)) return monomial(q);
      const other = fractionalPower(y);
      if (!other || !same(other.base, base)) return null;
      const n = other.exponent.mul(ratio(q));
      if (!isInteger(n) || signOf(n) <= 0 || Number(numerator(n)) > MAX_DEGREE) return null;
      return monomial(Number(numerator(n)));
    },
  };
}

interface FractionalPower {
  readonly base: Expression;
  readonly exponent: Rational;
}
function fractionalPower(x: Expression): FractionalPower | null {
  if (x.kind === "apply" && x.name === "sqrt") return { base: x.a, exponent: ratio(1, 2) };
  if (x.kind === "power" && x.b.kind === "number" && x.b.exact && !isInteger(x.b.exact) && signOf(x.b.exact) > 0)
    return { base: x.a, exponent: x.b.exact };
  return null;
}

const powerOfPart = (n: number | null): Polynomial | null => (n !== null && n <= MAX_DEGREE ? monomial(n) : null);

/** n when a = n·b for a whole n >= 1. */
function multipleOf(a: Expression, b: Expression): number | null {
  if (same(a, b)) return 1;
  const p = polynomialForm(a);
  const q = polynomialForm(b);
  if (!p || !q || p.length !== q.length || q.length === 0) return null;
  const factor = p[p.length - 1]!.div(q[q.length - 1]!);
  if (!isInteger(factor) || signOf(factor) < 0) return null;
  return p.every((c, i) => c.compare(q[i]!.mul(factor)) === 0) ? Number(numerator(factor)) : null;
}

function chebyshev(n: number): Polynomial {
  let a: Polynomial = [ONE];
  let b: Polynomial = monomial(1);
  for (let i = 0; i < n; i++) [a, b] = [b, poly.subtract(poly.multiply([ZERO, ratio(2)], b), a)];
  return a;
}
