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

function commonPart(x: Expression): CommonPart | null {
  if (x.kind === "apply" && (x.name === "sin" || x.name === "cos")) {
    const angle = x.a;
    // cos(n v) = T_n(cos v); sin² v = 1 − cos² v
    const base = apply("cos", angle);
    if (x.name === "sin")
      return {
        expression: x,
        read: (y) =>
          same(y, x)
            ? monomial(1)
            : y.kind === "power" &&
                y.a.kind === "apply" &&
                y.a.name === "cos" &&
                same(y.a.a, angle) &&
                wholeExponent(y.b) === 2
              ? [ONE, ZERO, ONE.neg()]
              : y.kind === "apply" && y.name === "cos" && multipleOf(y.a, angle) === 2
                ? [ONE, ZERO, ratio(-2)]
                : null,
      };
    return {
      expression: base,
      read: (y) => {
        if (y.kind === "apply" && y.name === "cos") {
          const n = multipleOf(y.a, angle);
          return n !== null && n <= 12 ? chebyshev(n) : null;
        }
        if (
          y.kind === "power" &&
          y.a.kind === "apply" &&
          y.a.name === "sin" &&
          same(y.a.a, angle) &&
          wholeExponent(y.b) === 2
        )
          return [ONE, ZERO, ONE.neg()];
        return null;
      },
    };
  }
  if (x.kind === "apply" && x.name === "exp") {
    return {
      expression: x,
      read: (y) => (y.kind === "apply" && y.name === "exp" ? powerOfPart(multipleOf(y.a, x.a)) : null),
    };
  }
  if (x.kind === "power" && !dependsOnVariable(x.a)) {
    return {
      expression: x,
      read: (y) => (y.kind === "power" && same(y.a, x.a) ? powerOfPart(multipleOf(y.b, x.b)) : null),
    };
  }
  // fractional powers of one base: √u, u, u^1.5 are powers of u^(1/q)
  const fraction = fractionalPower(x);
  if (fraction) {
    const q = Number(denominator(fraction.exponent));
    if (q > 12) return null;
    const unknown = rootExpression(fraction.base, q);
    return {
      expression: unknown,
      read: (y) => {
        if (same(y, fraction.base)) return monomial(q);
        const other = fractionalPower(y);
        if (!other || !same(other.base, fraction.base)) return null;
        const n = other.exponent.mul(ratio(q));
        return isInteger(n) && signOf(n) > 0 && Number(numerator(n)) <= MAX_DEGREE
          ? monomial(Number(numerator(n)))
          : null;
      },
    };
  }
  if (x.kind === "apply" && (x.name === "ln" || x.name === "tan" || x.name === "abs" || x.name === "log10"))
    return { expression: x, read: (y) => (same(y, x) ? monomial(1) : null) };
  return null;
}

function fractionalPower(x: Expression): { base: Expression; exponent: Rational } | null {
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
