import { VARIABLE, exactNumber, wholeNumber } from "../../formula/numbers";
import { power } from "../../formula/build";
import { expressionText, latexBrackets, latexName, polynomialLatex, polynomialText } from "../../formula";
import { isZero, poly, ratio, type Polynomial, type Rational } from "../../numeric";
import { polynomialForm } from "../../solve";
import { NOUGHT, anyOf, equation, isZeroSide, polynomialEquation, solved, written } from "../statement";
import type { Equation, Setting } from "../statement";
import { primitiveFactor } from "./quadratic";
import type { Move } from "./way";

/** A polynomial of degree three or more, in standard form: x in front, or a rational root divided out. */
export function higher(eq: Equation, on: Setting): Move | null {
  const p = isZeroSide(eq.right) ? polynomialForm(eq.left) : null;
  if (!p || poly.degree(p) < 3) return null;
  if (p.slice(0, -1).every(isZero))
    return { rule: "factors", says: "A power is 0 where its base is 0.", to: solved(NOUGHT) };
  const low = p.findIndex((c) => !isZero(c));
  if (low > 0) return inFront(p, low, on);
  if (p.slice(1, -1).every(isZero)) return powerAlone(p);
  const root = poly.degree(p) <= MAX_DEGREE ? smallRationalRoot(p) : null;
  return root && dividedOut(p, root, on);
}

const MAX_DEGREE = 8;

function inFront(p: Polynomial, low: number, { x }: Setting): Move {
  const rest = p.slice(low);
  const factor = low === 1 ? x : `${x}^${low}`;
  const tex = low === 1 ? latexName(x) : `${latexName(x)}^{${low}}`;
  return {
    rule: "factors",
    says: "A product is 0 where one of its factors is 0.",
    to: anyOf([solved(NOUGHT), polynomialEquation(rest, x)]),
    notes: [
      written("factors", `${x} is in every term.`, {
        text: `${factor} (${polynomialText(rest, x)}) = 0`,
        latex: `${tex} ${latexBrackets(polynomialLatex(rest, x))} = 0`,
      }),
    ],
  };
}

/** a x^n + c = 0 */
function powerAlone(p: Polynomial): Move {
  const n = poly.degree(p);
  const level = p[0]!.neg().div(p[n]!);
  return {
    rule: "power alone",
    says: "The power alone.",
    to: equation(power(VARIABLE, wholeNumber(n)), exactNumber(level)),
  };
}

/** A root n/d, with n a divisor of the last coefficient and d of the first, small enough to be tried by hand. */
function smallRationalRoot(p: Polynomial): Rational | null {
  const whole = poly.primitive(p);
  const [last, first] = [divisorsOf(whole[0]!), divisorsOf(whole[whole.length - 1]!)];
  for (const d of first)
    for (const n of last)
      for (const sign of [1n, -1n]) {
        const r = ratio(sign * n, d);
        if (isZero(poly.valueAt(p, r))) return r;
      }
  return null;
}
const MAX_TRIED = 5000n;
function divisorsOf(n: bigint): bigint[] {
  const size = n < 0n ? -n : n;
  const out: bigint[] = [];
  for (let d = 1n; d * d <= size && d <= MAX_TRIED; d++) if (size % d === 0n) out.push(d, size / d);
  return [...new Set(out)].sort((a, b) => (a < b ? -1 : 1));
}

function dividedOut(p: Polynomial, root: Rational, { x }: Setting): Move {
  const factor = primitiveFactor(root);
  const { quotient } = poly.divide(p, factor);
  const [f, q] = [factor, quotient].map((g) => ({ text: polynomialText(g, x), latex: polynomialLatex(g, x) }));
  const at = expressionText(exactNumber(root), "");
  return {
    rule: "rational root",
    says: "A product is 0 where one of its factors is 0.",
    to: anyOf([solved(exactNumber(root)), polynomialEquation(quotient, x)]),
    notes: [
      written("rational root", `Tried by hand: at ${x} = ${at} it is 0, so ${f!.text} is a factor; divide by it.`, {
        text: `(${f!.text}) (${q!.text}) = 0`,
        latex: `${latexBrackets(f!.latex)} ${latexBrackets(q!.latex)} = 0`,
      }),
    ],
  };
}
