import { isZero, poly, ratio, signOf, toDouble, type Polynomial, type Rational } from "../numeric";
import {
  VARIABLE,
  apply,
  dependsOnVariable,
  differentiate,
  exactNumber,
  expressionLatex,
  expressionText,
  latexName,
  polynomialLatex,
  polynomialText,
  power,
  subtract,
  wholeNumber,
  type Expression,
} from "../formula";
import { encloseConstant, exactRational, polynomialForm } from "../solve";
import { formatNumber } from "./quantity";
import { undone, type Equation } from "./undone";

/** One line of working: what is done, and the equation it leads to, as text and as LaTeX. */
export interface WorkingStep {
  readonly says: string;
  readonly text: string;
  readonly latex: string;
}

/** Steps past which working is no longer what a student would write. */
const MAX_STEPS = 14;

/** The slope set to 0, and solved, where it is linear or quadratic; an empty list where it is not. */
export function workingOfSlope(body: Expression, name: string, x: string): WorkingStep[] {
  const p = polynomialForm(differentiate(body));
  if (!p || poly.degree(p) < 1 || poly.degree(p) > 2) return [];
  const head = {
    says: "A best value inside the range has slope 0.",
    text: `${name}'(${x}) = ${polynomialText(p, x)} = 0`,
    latex: `${latexName(name)}'(${latexName(x)}) = ${polynomialLatex(p, x)} = 0`,
  };
  return [head, ...polynomialSteps(p, x).slice(1)];
}

/**
 * The steps a student would write for an equation that is linear, quadratic, a pure power, exponential or logarithmic.
 * @param asked  the equation as it was asked, in names
 * @returns an empty list where no such working exists
 */
export function workingOfEquation(left: Expression, right: Expression, x: string, asked: string): WorkingStep[] {
  const p = polynomialForm(subtract(left, right));
  const head = line("The equation.", left, right, x);
  const start: WorkingStep =
    head.text === asked ? head : { says: `The equation, for ${asked}.`, text: head.text, latex: head.latex };
  if (p) {
    if (poly.degree(p) < 1 || (poly.degree(p) > 2 && !isPurePower(p))) return [];
    return [start, ...polynomialSteps(p, x)];
  }
  if (dependsOnVariable(right)) return [];
  const steps = undoing(left, right, x);
  return steps ? [start, ...steps] : [];
}

function line(says: string, left: Expression, right: Expression, x: string): WorkingStep {
  return {
    says,
    text: `${expressionText(left, x)} = ${expressionText(right, x)}`,
    latex: `${expressionLatex(left, x)} = ${expressionLatex(right, x)}`,
  };
}

const isPurePower = (p: Polynomial): boolean => p.slice(1, -1).every((c) => isZero(c));
const show = (r: Rational): Expression => exactNumber(r);

const NO_SOLUTION = { text: "no solution", latex: "\\text{no solution}" };

function polynomialSteps(p: Polynomial, x: string): WorkingStep[] {
  const start: WorkingStep = {
    says: "All on one side, brackets cleared.",
    text: `${polynomialText(p, x)} = 0`,
    latex: `${polynomialLatex(p, x)} = 0`,
  };
  if (poly.degree(p) === 1) {
    const says = `Divide by ${expressionText(show(p[1]!), x)}.`;
    return [start, line(says, VARIABLE, show(p[0]!.neg().div(p[1]!)), x)];
  }
  return [start, ...(isPurePower(p) ? purePowerSteps(p, x) : quadraticSteps(p, x))];
}

/** a x^n = c */
function purePowerSteps(p: Polynomial, x: string): WorkingStep[] {
  const n = poly.degree(p);
  const isEven = n % 2 === 0;
  const level = p[0]!.neg().div(p[n]!);
  const alone = line("The power alone.", power(VARIABLE, wholeNumber(n)), show(level), x);
  if (signOf(level) < 0 && isEven)
    return [alone, { says: "An even power is never negative: there is no solution.", ...NO_SOLUTION }];
  const root = rooted(level, n);
  return [
    alone,
    {
      says: isEven ? "The root, with both signs." : "The root.",
      text: `${x} = ${isEven ? "±" : ""}${expressionText(root, x)}`,
      latex: `${latexName(x)} = ${isEven ? "\\pm " : ""}${expressionLatex(root, x)}`,
    },
  ];
}

/** a x² + b x + c = 0, by the formula. */
function quadraticSteps(p: Polynomial, x: string): WorkingStep[] {
  const [c, b, a] = [p[0]!, p[1]!, p[2]!];
  const d = b.mul(b).sub(ratio(4).mul(a).mul(c));
  const t = (r: Rational) => expressionText(show(r), x);
  const l = (r: Rational) => expressionLatex(show(r), x);
  const bracketed = (r: Rational, text: string) => (signOf(r) < 0 ? `(${text})` : text);
  const discriminant: WorkingStep = {
    says: "The discriminant b² − 4ac.",
    text: `D = ${bracketed(b, t(b))}^2 - 4*${bracketed(a, t(a))}*${bracketed(c, t(c))} = ${t(d)}`,
    latex: `D = ${bracketed(b, l(b))}^{2} - 4 \\cdot ${bracketed(a, l(a))} \\cdot ${bracketed(c, l(c))} = ${l(d)}`,
  };
  if (signOf(d) < 0) return [discriminant, { says: "It is negative: there is no real solution.", ...NO_SOLUTION }];
  const solutions: WorkingStep = {
    says: "The solutions (−b ± √D)/(2a).",
    text: `${x} = (${t(b.neg())} ± sqrt(${t(d)}))/(2*${bracketed(a, t(a))})`,
    latex: `${latexName(x)} = \\frac{${l(b.neg())} \\pm \\sqrt{${l(d)}}}{2 \\cdot ${bracketed(a, l(a))}}`,
  };
  const values = [-1, 1]
    .map((side) => (-toDouble(b) + side * Math.sqrt(toDouble(d))) / (2 * toDouble(a)))
    .sort((u, v) => u - v);
  const shown = (isZero(d) ? [values[0]!] : values).map((v) => formatNumber(v, 8));
  const tex = (text: string) => `${latexName(x)} \\approx ${text.replace(/,/g, "{,}").replace("−", "-")}`;
  return [
    discriminant,
    solutions,
    {
      says: shown.length === 1 ? "Both are one." : "In numbers.",
      text: shown.map((v) => `${x} ≈ ${v}`).join(" or "),
      latex: shown.map(tex).join(" \\quad "),
    },
  ];
}

function rooted(level: Rational, n: number): Expression {
  const e = exactNumber(level);
  return n === 2 ? apply("sqrt", e) : n === 3 ? apply("cbrt", e) : { kind: "root", a: e, n };
}

/** Undoes one operation after the other until the unknown stands alone; null where that is not the way. */
function undoing(left: Expression, right: Expression, x: string): WorkingStep[] | null {
  const steps: WorkingStep[] = [];
  let now: Equation = { left, right };
  for (let i = 0; i < MAX_STEPS; i++) {
    if (now.left.kind === "variable") return [...steps, ...inNumbers(now.right, x)];
    const next = undone(now, x);
    if (!next) return null;
    if (next.kind === "impossible")
      return [...steps, { says: next.says, text: "no solution", latex: "\\text{no solution}" }];
    steps.push(line(next.says, next.left, next.right, x));
    now = next;
  }
  return null;
}

/** What an answer that is no fraction comes to. */
function inNumbers(value: Expression, x: string): WorkingStep[] {
  if (exactRational(value)) return [];
  const { lo, hi } = encloseConstant(value);
  const shown = formatNumber((lo + hi) / 2, 8);
  const latex = shown.replace(/,/g, "{,}").replace("−", "-");
  return [{ says: "In numbers.", text: `${x} ≈ ${shown}`, latex: `${latexName(x)} \\approx ${latex}` }];
}
