import { VARIABLE, exactNumber, wholeNumber } from "../../formula/numbers";
import { add, apply, divide, multiply, negate, power, subtract } from "../../formula/build";
import {
  dependsOnVariable,
  expressionLatex,
  expressionText,
  latexBrackets,
  latexName,
  polynomialLatex,
  polynomialText,
  type Expression,
} from "../../formula";
import { ONE, ZERO, isZero, poly, ratio, rationalRoot, signOf, type Polynomial, type Rational } from "../../numeric";
import { constantSign, exactRational, polynomialForm, quadraticExact, tidied } from "../../solve";
import { NONE, NOUGHT, anyOf, equation, isZeroSide, polynomialEquation, solved, written } from "../statement";
import type { Equation, Setting, Statement, WorkingStep } from "../statement";
import type { Move } from "./way";

/** Whole coefficients past this are no easier to read than the decimals they come from. */
const LONGEST = 10n ** 9n;

/** A polynomial equation of degree two or more is first brought to one side, and its coefficients made whole. */
export function standardForm(eq: Equation, on: Setting): Move | null {
  const p = polynomialForm(subtract(eq.left, eq.right));
  if (!p || poly.degree(p) < 2) return null;
  const isOneSided = isZeroSide(eq.right) && eq.shown?.text === polynomialEquation(p, on.x).shown.text;
  if (!isOneSided)
    return { rule: "one side", says: "All on one side, brackets cleared.", to: polynomialEquation(p, on.x) };
  const whole = wholeForm(p);
  if (!whole) return null;
  const factor = whole[whole.length - 1]!.div(p[p.length - 1]!);
  const isShorter = factor.abs().compare(ONE) < 0;
  const by = expressionText(exactNumber(isShorter ? ONE.div(factor) : factor), on.x);
  const says = `${isShorter ? "Divide" : "Multiply"} both sides by ${by}.`;
  return { rule: "whole coefficients", says, to: polynomialEquation(whole, on.x) };
}

/** The same with whole coefficients without common factor, the first one positive; null where it is so already. */
function wholeForm(p: Polynomial): Polynomial | null {
  const whole = poly.primitive(p);
  if (whole.some((c) => c > LONGEST || c < -LONGEST)) return null;
  const sign = whole[whole.length - 1]! < 0n ? -1n : 1n;
  const out = whole.map((c) => ratio(c * sign));
  return out.every((c, i) => c.compare(p[i]!) === 0) ? null : out;
}

/** a x² + b x + c = 0 in standard form. */
export function quadratic(eq: Equation, on: Setting): Move | null {
  const p = isZeroSide(eq.right) ? polynomialForm(eq.left) : null;
  if (!p || poly.degree(p) !== 2) return null;
  const [c, b, a] = [p[0]!, p[1]!, p[2]!];
  if (isZero(b)) return pureSquare(a, c);
  const d = b.mul(b).sub(ratio(4).mul(a).mul(c));
  if (signOf(d) < 0)
    return {
      rule: "discriminant",
      says: "It is negative, and no square is: there is no solution.",
      to: NONE,
      notes: [discriminant(a, b, c, d)],
    };
  const root = rationalRoot(d, 2);
  if (root) return factored(p, root, on);
  const roots = [-1, 1].map((side) => quadraticExact(a, b, c, side as -1 | 1));
  return {
    rule: "quadratic formula",
    says: "The root simplified.",
    to: anyOf(roots.map((r) => equation(VARIABLE, r.expression, exactly(r, on)))),
    notes: [discriminant(a, b, c, d), formula(a, b, d, on)],
  };
}

const exactly = (r: { text: string; latex: string }, { x }: Setting) => ({
  text: `${x} = ${r.text}`,
  latex: `${latexName(x)} = ${r.latex}`,
});

/** a x² + c = 0: the square alone. */
function pureSquare(a: Rational, c: Rational): Move {
  const square = power(VARIABLE, wholeNumber(2));
  const level = exactNumber(c.neg().div(a));
  return { rule: "square alone", says: "The square alone.", to: equation(square, level) };
}

const t = (r: Rational): string => expressionText(exactNumber(r), "");
const l = (r: Rational): string => expressionLatex(exactNumber(r), "");
const bracketed = (r: Rational, text: string): string => (signOf(r) < 0 || /\//.test(text) ? `(${text})` : text);

function discriminant(a: Rational, b: Rational, c: Rational, d: Rational): WorkingStep {
  return written("discriminant", "The discriminant b² − 4ac.", {
    text: `D = ${bracketed(b, t(b))}^2 - 4*${bracketed(a, t(a))}*${bracketed(c, t(c))} = ${t(d)}`,
    latex: `D = ${bracketed(b, l(b))}^{2} - 4 \\cdot ${bracketed(a, l(a))} \\cdot ${bracketed(c, l(c))} = ${l(d)}`,
  });
}
function formula(a: Rational, b: Rational, d: Rational, { x }: Setting): WorkingStep {
  return written("quadratic formula", "The solutions (−b ± √D)/(2a).", {
    text: `${x} = (${t(b.neg())} ± sqrt(${t(d)}))/(2*${bracketed(a, t(a))})`,
    latex: `${latexName(x)} = \\frac{${l(b.neg())} \\pm \\sqrt{${l(d)}}}{2 \\cdot ${bracketed(a, l(a))}}`,
  });
}

/** Two factors, where the discriminant is a square. */
function factored(p: Polynomial, root: Rational, on: Setting): Move {
  const [b, a] = [p[1]!, p[2]!];
  const twice = a.mul(ratio(2));
  const ends = [b.neg().sub(root).div(twice), b.neg().add(root).div(twice)].sort((u, v) => u.compare(v));
  const [first, second] = ends as [Rational, Rational];
  const isDouble = first.compare(second) === 0;
  return {
    rule: "factors",
    says: isDouble ? "A square is 0 where its base is 0." : "A product is 0 where one of its factors is 0.",
    to: anyOf((isDouble ? [first] : [first, second]).map((r) => solved(exactNumber(r)))),
    notes: [written("factors", "In factors.", factorsShown(p, isDouble ? [first, first] : [first, second], on))],
  };
}

/** `3 (x - 2) (x + 1/3) = 0`, as whole factors where that can be. */
function factorsShown(p: Polynomial, roots: readonly Rational[], { x }: Setting): { text: string; latex: string } {
  const factors = roots.map((r) => primitiveFactor(r));
  const product = factors.reduce<Polynomial>((all, f) => poly.multiply(all, f), [ONE]);
  const rest = p[p.length - 1]!.div(product[product.length - 1]!);
  const lead = rest.compare(ONE) === 0 ? "" : rest.compare(ONE.neg()) === 0 ? "-" : `${t(rest)} `;
  const texts = factors.map((f) => lineShown(f, x));
  const isSquare = roots.length === 2 && roots[0] === roots[1];
  const written = (list: readonly string[], square: string) => (isSquare ? `${list[0]}${square}` : list.join(" "));
  const text = written(
    texts.map(([f]) => (f === x ? f : `(${f})`)),
    "^2",
  );
  const latex = written(
    texts.map(([, f]) => (f === latexName(x) ? f : latexBrackets(f))),
    "^{2}",
  );
  return { text: `${lead}${text} = 0`, latex: `${lead}${latex} = 0` };
}
/** A factor with its x first: 2 x + 13. */
function lineShown([b, a]: Polynomial, x: string): readonly [string, string] {
  const [head, headTex] = [polynomialText([ZERO, a!], x), polynomialLatex([ZERO, a!], x)];
  if (isZero(b!)) return [head, headTex];
  const [sign, size] = [signOf(b!) < 0 ? "-" : "+", b!.abs()];
  return [`${head} ${sign} ${t(size)}`, `${headTex} ${sign} ${l(size)}`];
}
/** d x − n for the root n/d */
export const primitiveFactor = (r: Rational): Polynomial => poly.primitive([r.neg(), ONE]).map((c) => ratio(c));

/** a x² + b x = c with a number c that is no fraction, such as e. */
export function quadraticInConstant(eq: Equation, on: Setting): Move | null {
  const p = dependsOnVariable(eq.right) ? null : polynomialForm(eq.left);
  if (!p || poly.degree(p) !== 2 || exactRational(eq.right)) return null;
  const [b, a] = [exactNumber(p[1]!), exactNumber(p[2]!)];
  const c = subtract(exactNumber(p[0]!), eq.right);
  const d = tidied(subtract(exactNumber(p[1]!.mul(p[1]!)), multiply(exactNumber(p[2]!.mul(ratio(4))), c)));
  const sign = constantSign(d);
  if (sign === null || sign === 0) return null;
  const named = written("discriminant", "The discriminant b² − 4ac.", {
    text: `D = ${expressionText(d, on.x)}`,
    latex: `D = ${expressionLatex(d, on.x)}`,
  });
  if (sign < 0)
    return { rule: "discriminant", says: "It is negative: there is no solution.", to: NONE, notes: [named] };
  const root = apply("sqrt", d);
  const twice = multiply(exactNumber(ratio(2)), a);
  const ends = [subtract(negate(b), root), add(negate(b), root)];
  if (signOf(p[2]!) < 0) ends.reverse();
  return {
    rule: "quadratic formula",
    says: "The solutions (−b ± √D)/(2a).",
    to: anyOf(ends.map((top) => solved(divide(top, twice)))),
    notes: [named],
  };
}

/** A product that is 0: each factor by itself. */
export function product(eq: Equation, _on: Setting): Move | null {
  if (!isZeroSide(eq.right)) return null;
  const factors = factorsOf(eq.left);
  if (factors.length < 2) return null;
  return {
    rule: "factors",
    says: "A product is 0 where one of its factors is 0.",
    to: anyOf(factors.map((f): Statement => equation(f, NOUGHT))),
  };
}
function factorsOf(e: Expression): Expression[] {
  if (e.kind === "multiply") return [...factorsOf(e.a), ...factorsOf(e.b)];
  if (e.kind === "negate") return factorsOf(e.a);
  if (e.kind === "divide" && e.b.kind === "number") return factorsOf(e.a);
  return e.kind === "number" ? [] : [e];
}
