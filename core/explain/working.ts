import { isZero, poly, ratio, signOf, toDouble, type Polynomial, type Rational } from "../numeric";
import {
  VARIABLE,
  add,
  apply,
  dependsOnVariable,
  differentiate,
  divide,
  exactNumber,
  expressionLatex,
  expressionText,
  latexName,
  multiply,
  negate,
  polynomialLatex,
  polynomialText,
  power,
  subtract,
  wholeExponent,
  wholeNumber,
  type Expression,
} from "../formula";
import { encloseConstant, exactRational, polynomialForm } from "../solve";
import { formatNumber } from "./quantity";

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

function polynomialSteps(p: Polynomial, x: string): WorkingStep[] {
  const out: WorkingStep[] = [
    {
      says: "All on one side, brackets cleared.",
      text: `${polynomialText(p, x)} = 0`,
      latex: `${polynomialLatex(p, x)} = 0`,
    },
  ];
  const n = poly.degree(p);
  if (n === 1) {
    out.push(line(`Divide by ${expressionText(show(p[1]!), x)}.`, VARIABLE, show(p[0]!.neg().div(p[1]!)), x));
    return out;
  }
  if (isPurePower(p)) {
    const level = p[0]!.neg().div(p[n]!);
    out.push(line("The power alone.", power(VARIABLE, wholeNumber(n)), show(level), x));
    if (signOf(level) < 0 && n % 2 === 0)
      out.push({
        says: "An even power is never negative: there is no solution.",
        text: "no solution",
        latex: "\\text{no solution}",
      });
    else
      out.push({
        says: n % 2 === 0 ? "The root, with both signs." : "The root.",
        text: `${x} = ${n % 2 === 0 ? "±" : ""}${expressionText(rooted(level, n), x)}`,
        latex: `${latexName(x)} = ${n % 2 === 0 ? "\\pm " : ""}${expressionLatex(rooted(level, n), x)}`,
      });
    return out;
  }
  const [c, b, a] = [p[0]!, p[1]!, p[2]!];
  const d = b.mul(b).sub(ratio(4).mul(a).mul(c));
  const t = (r: Rational) => expressionText(show(r), x);
  const l = (r: Rational) => expressionLatex(show(r), x);
  const bracketed = (r: Rational, text: string) => (signOf(r) < 0 ? `(${text})` : text);
  out.push({
    says: "The discriminant b² − 4ac.",
    text: `D = ${bracketed(b, t(b))}^2 - 4*${bracketed(a, t(a))}*${bracketed(c, t(c))} = ${t(d)}`,
    latex: `D = ${bracketed(b, l(b))}^{2} - 4 \\cdot ${bracketed(a, l(a))} \\cdot ${bracketed(c, l(c))} = ${l(d)}`,
  });
  if (signOf(d) < 0) {
    out.push({ says: "It is negative: there is no real solution.", text: "no solution", latex: "\\text{no solution}" });
    return out;
  }
  out.push({
    says: "The solutions (−b ± √D)/(2a).",
    text: `${x} = (${t(b.neg())} ± sqrt(${t(d)}))/(2*${bracketed(a, t(a))})`,
    latex: `${latexName(x)} = \\frac{${l(b.neg())} \\pm \\sqrt{${l(d)}}}{2 \\cdot ${bracketed(a, l(a))}}`,
  });
  const values = [-1, 1]
    .map((side) => (-toDouble(b) + side * Math.sqrt(toDouble(d))) / (2 * toDouble(a)))
    .sort((u, v) => u - v);
  const distinct = isZero(d) ? [values[0]!] : values;
  out.push({
    says: distinct.length === 1 ? "Both are one." : "In numbers.",
    text: distinct.map((v) => `${x} ≈ ${formatNumber(v, 8)}`).join(" or "),
    latex: distinct
      .map((v) => `${latexName(x)} \\approx ${formatNumber(v, 8).replace(/,/g, "{,}").replace("−", "-")}`)
      .join(" \\quad "),
  });
  return out;
}

function rooted(level: Rational, n: number): Expression {
  const e = exactNumber(level);
  return n === 2 ? apply("sqrt", e) : n === 3 ? apply("cbrt", e) : { kind: "root", a: e, n };
}

/**
 * Undoes the outermost operation of the left side, again and again, until the unknown stands alone; null where that is
 * not the way.
 */
function undoing(left: Expression, right: Expression, x: string): WorkingStep[] | null {
  const steps: WorkingStep[] = [];
  let u = left;
  let c = right;
  const next = (says: string, v: Expression, d: Expression) => {
    u = v;
    c = d;
    steps.push(line(says, u, c, x));
  };
  for (let i = 0; i < MAX_STEPS; i++) {
    if (u.kind === "variable") {
      const v = encloseConstant(c);
      if (!exactRational(c))
        steps.push({
          says: "In numbers.",
          text: `${x} ≈ ${formatNumber((v.lo + v.hi) / 2, 8)}`,
          latex: `${latexName(x)} \\approx ${formatNumber((v.lo + v.hi) / 2, 8)
            .replace(/,/g, "{,}")
            .replace("−", "-")}`,
        });
      return steps;
    }
    const level = encloseConstant(c);
    const t = (e: Expression) => expressionText(e, x);
    const [still, moving] =
      "b" in u && "a" in u
        ? !dependsOnVariable(u.a)
          ? [u.a, u.b]
          : !dependsOnVariable(u.b)
            ? [u.b, u.a]
            : [null, null]
        : [null, null];
    const impossible = (says: string): WorkingStep[] => [
      ...steps,
      { says, text: "no solution", latex: "\\text{no solution}" },
    ];
    switch (u.kind) {
      case "negate":
        next("Change the sign of both sides.", u.a, negate(c));
        continue;
      case "add":
        if (!still || !moving) return null;
        next(`Subtract ${t(still)} on both sides.`, moving, subtract(c, still));
        continue;
      case "subtract":
        if (!still || !moving) return null;
        if (moving === u.a) next(`Add ${t(still)} on both sides.`, moving, add(c, still));
        else next(`Take ${t(u.a)} to the other side.`, moving, subtract(still, c));
        continue;
      case "multiply":
        if (!still || !moving || (exactRational(still) && isZero(exactRational(still)!))) return null;
        next(`Divide by ${t(still)}.`, moving, divide(c, still));
        continue;
      case "divide":
        if (!still || !moving) return null;
        if (moving === u.a) next(`Multiply by ${t(still)}.`, moving, multiply(c, still));
        else if (level.lo > 0 || level.hi < 0) next("Exchange denominator and value.", moving, divide(still, c));
        else return impossible("A fraction with a fixed numerator is never 0.");
        continue;
      case "power": {
        const n = wholeExponent(u.b);
        if (!dependsOnVariable(u.a)) {
          if (level.hi <= 0) return impossible(`A power of ${t(u.a)} is always positive: there is no solution.`);
          const log = apply("ln", c);
          next("Take the logarithm of both sides, and divide by that of the base.", u.b, divide(log, apply("ln", u.a)));
          continue;
        }
        if (n === null || n < 2) return null;
        if (n % 2 === 0) return null;
        next(`Take the root of order ${n}.`, u.a, n === 3 ? apply("cbrt", c) : { kind: "root", a: c, n });
        continue;
      }
      case "apply":
        if (u.name === "exp") {
          if (level.hi <= 0) return impossible("A power of e is always positive: there is no solution.");
          next("Take the logarithm of both sides.", u.a, apply("ln", c));
          continue;
        }
        if (u.name === "ln") {
          next("Raise e to both sides.", u.a, apply("exp", c));
          continue;
        }
        if (u.name === "log10") {
          next("Raise 10 to both sides.", u.a, power(wholeNumber(10), c));
          continue;
        }
        if (u.name === "log2") {
          next("Raise 2 to both sides.", u.a, power(wholeNumber(2), c));
          continue;
        }
        if (u.name === "sqrt") {
          if (level.hi < 0) return impossible("A square root is never negative: there is no solution.");
          next("Square both sides.", u.a, power(c, wholeNumber(2)));
          continue;
        }
        return null;
      default:
        return null;
    }
  }
  return null;
}
