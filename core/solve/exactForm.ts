import { turnsOf } from "./constant";
import {
  denominator,
  greatestDivisor,
  isInteger,
  isZero,
  leastMultiple,
  numerator,
  ratio,
  rationalText,
  signOf,
  type Rational,
} from "../numeric";
import { canonical } from "./canonical";
import { PI, exactNumber } from "../formula/numbers";
import { add, apply, divide, multiply, negate, subtract } from "../formula/build";
import { expressionLatex, expressionText, type Expression } from "../formula";

/** An answer without rounding: as an expression without variable, as text and as LaTeX. */
export interface ExactForm {
  readonly expression: Expression;
  readonly text: string;
  readonly latex: string;
}

export function formOf(written: Expression): ExactForm {
  const expression = inTurns(written) ?? canonical(written);
  return { expression, text: expressionText(expression, ""), latex: expressionLatex(expression, "") };
}

/** A fraction of pi, or one beside a fraction, in its shortest form: 4 pi/3 for 2 (5 pi/6 - pi/6). */
function inTurns(e: Expression): Expression | null {
  const known = turnsOf(e);
  if (!known) return null;
  const { turns, rest } = known;
  const size = turns.abs();
  const top = numerator(size) === 1n ? PI : multiply(exactNumber(ratio(numerator(size))), PI);
  const angle = isInteger(size) ? top : divide(top, exactNumber(ratio(denominator(size))));
  if (isZero(rest)) return signOf(turns) < 0 ? negate(angle) : angle;
  return signOf(turns) < 0 ? subtract(exactNumber(rest), angle) : add(exactNumber(rest), angle);
}

export function rationalExact(r: Rational): ExactForm {
  const sign = signOf(r) < 0 ? "-" : "";
  const latex = isInteger(r) ? rationalText(r) : `${sign}\\frac{${numerator(r.abs())}}{${denominator(r)}}`;
  return { expression: exactNumber(r), text: rationalText(r), latex };
}

const LONGEST = 10n ** 30n;

/** Takes square factors out of n: n = outside² · inside. Small factors only; what is left stays inside. */
function squareParts(n: bigint): { outside: bigint; inside: bigint } {
  let outside = 1n;
  let inside = n;
  // Longer numbers come from doubles, not from a story; nobody reads their roots.
  if (n > LONGEST) return { outside, inside };
  if (n <= 2n ** 53n) {
    let [k, rest] = [1, Number(n)];
    for (let p = 2; p <= 2000 && p * p <= rest; p++)
      while (rest % (p * p) === 0) {
        rest /= p * p;
        k *= p;
      }
    return { outside: BigInt(k), inside: BigInt(rest) };
  }
  for (let p = 2n; p <= 2000n && p * p <= inside; p++)
    while (inside % (p * p) === 0n) {
      inside /= p * p;
      outside *= p;
    }
  return { outside, inside };
}
/**
 * (p ± k √d)/q for the roots of a x² + b x + c with a discriminant that is no square, in lowest terms: (345 - 15
 * sqrt(433))/2.
 */
export function quadraticExact(a: Rational, b: Rational, c: Rational, side: -1 | 1): ExactForm {
  // x = -b/(2a) ± √(b²/(4a²) − c/a): centre and radicand as fractions
  const centre = b.div(a).div(ratio(-2));
  const radicand = centre.mul(centre).sub(c.div(a));
  // √(n/d) = √(n d)/d
  const { outside, inside } = squareParts(numerator(radicand) * denominator(radicand));
  let q = denominator(radicand);
  let k = outside;
  let p = numerator(centre);
  const common = leastMultiple(q, denominator(centre));
  k *= common / q;
  p *= common / denominator(centre);
  q = common;
  const shared = greatestDivisor(greatestDivisor(k, p), q);
  k /= shared;
  p /= shared;
  q /= shared;
  const under = inside;
  const sign = side < 0 ? "-" : "+";
  const rootText = `${k === 1n ? "" : `${k} `}sqrt(${under})`;
  const rootLatex = `${k === 1n ? "" : `${k}`}\\sqrt{${under}}`;
  const top = p === 0n ? `${side < 0 ? "-" : ""}${rootText}` : `${p} ${sign} ${rootText}`;
  const topLatex = p === 0n ? `${side < 0 ? "-" : ""}${rootLatex}` : `${p} ${sign} ${rootLatex}`;
  const root = multiply(exactNumber(ratio(k)), apply("sqrt", exactNumber(ratio(under))));
  const whole = exactNumber(ratio(p));
  const expression = divide(
    p === 0n ? (side < 0 ? negate(root) : root) : side < 0 ? subtract(whole, root) : add(whole, root),
    exactNumber(ratio(q)),
  );
  return {
    expression,
    text: q === 1n ? top : p === 0n ? `${top}/${q}` : `(${top})/${q}`,
    latex: q === 1n ? topLatex : `\\frac{${topLatex}}{${q}}`,
  };
}

/** The k-th root of an expression, written the short way. */
export function rootExpression(c: Expression, k: number): Expression {
  return k === 1 ? c : k === 2 ? apply("sqrt", c) : k === 3 ? apply("cbrt", c) : { kind: "root", a: c, n: k };
}
