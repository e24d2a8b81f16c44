import {
  apply,
  dependsOnVariable,
  expressionLatex,
  expressionText,
  latexName,
  parts,
  same,
  subtract,
  wholeNumber,
  type Expression,
} from "../../formula";
import { ONE, ZERO, integerPower, isInteger, poly, ratio, signOf, toDouble, type Polynomial } from "../../numeric";
import { exactRational, polynomialForm, rationalForm } from "../../solve";
import {
  NONE,
  anyOf,
  equation,
  newSetting,
  polynomialEquation,
  written,
  type Equation,
  type Setting,
  type Solved,
} from "../statement";
import type { Move } from "./way";

/** The whole real line: what a substituted letter may be. */
const EVERYWHERE = { from: null, to: null };

/**
 * One part that moves, such as 2^x or ln(x) or x², named u: the equation in u is solved by itself.
 * @param solve  solves an equation that stands by itself
 */
export function substitution(
  eq: Equation,
  on: Setting,
  solve: (eq: Equation, on: Setting) => Solved | null,
): Move | null {
  const e = subtract(eq.left, eq.right);
  const found = polynomialInPart(e) ?? polynomialInPower(e);
  if (!found) return null;
  const { kernel, p } = found;
  const u = on.x === "u" ? "z" : "u";
  const inner = solve(polynomialEquation(p, u), newSetting(u, EVERYWHERE, on.table));
  if (!inner) return null;
  const [text, latex] = [expressionText(kernel, on.x), expressionLatex(kernel, on.x)];
  const named = written("substitution", `Write ${u} for ${text}.`, {
    text: polynomialEquation(p, u).shown.text,
    latex: `${latexName(u)} = ${latex}:\\quad ${polynomialEquation(p, u).shown.latex}`,
  });
  return {
    rule: "substitution",
    says: inner.answers.length === 0 ? `No ${u} makes it true.` : `Put ${text} back for ${u}.`,
    to: inner.answers.length === 0 ? NONE : anyOf(inner.answers.map((value) => equation(kernel, value))),
    notes: [named, ...inner.steps],
  };
}

interface InPart {
  readonly kernel: Expression;
  readonly p: Polynomial;
}

/** A polynomial of degree two or more in one exponential, logarithm, root, sine or absolute value. */
function polynomialInPart(e: Expression): InPart | null {
  for (const kernel of kernelsOf(e)) {
    const form = rationalForm(e, (part) => powerOf(part, kernel));
    if (!form) continue;
    const isPolynomial = form.divisors.length === 0 && poly.degree(form.numerator) >= 1;
    const d = form.denominator[0];
    const isCounted = countOf(e, kernel) > 1 || moving(form.numerator) > 1;
    if (isPolynomial && d && form.denominator.length === 1 && isCounted)
      return { kernel, p: form.numerator.map((c) => c.div(d)) };
  }
  return null;
}
/** Terms of a polynomial that move: a power alone is undone, and needs no other letter. */
const moving = (p: Polynomial): number => p.slice(1).filter((c) => signOf(c) !== 0).length;
const countOf = (e: Expression, kernel: Expression): number =>
  same(e, kernel) ? 1 : parts(e).reduce((n, part) => n + countOf(part, kernel), 0);

/** Parts that move and are no sums or products, the slowest exponentials first. */
function kernelsOf(e: Expression): Expression[] {
  const out: Expression[] = [];
  const walk = (part: Expression): void => {
    if (!dependsOnVariable(part)) return;
    const isKernel = part.kind === "apply" || (part.kind === "power" && !dependsOnVariable(part.a));
    if (isKernel) {
      if (!out.some((k) => same(k, part))) out.push(part);
    } else parts(part).forEach(walk);
  };
  walk(e);
  return out.slice(0, MAX_KERNELS);
}
const MAX_KERNELS = 4;

/** Which power of the kernel a part is: exp(2x) is exp(x) squared. */
function powerOf(part: Expression, kernel: Expression): Polynomial | null {
  if (same(part, kernel)) return [ZERO, ONE];
  const [a, b] = [exponentOf(part), exponentOf(kernel)];
  const raised = a && b && powerOfBase(a.base, b.base);
  if (!raised) return null;
  const [p, q] = [polynomialForm(a.exponent), polynomialForm(b.exponent)];
  if (!p || !q || p.length !== 2 || q.length !== 2 || signOf(p[0]!) !== 0 || signOf(q[0]!) !== 0) return null;
  const n = p[1]!.mul(ratio(raised)).div(q[1]!);
  if (!isInteger(n) || signOf(n) <= 0 || toDouble(n) > 4) return null;
  return [...new Array<typeof ZERO>(toDouble(n)).fill(ZERO), ONE];
}
/** n where a = bⁿ, up to 4; null where there is none. */
function powerOfBase(a: Expression, b: Expression): number | null {
  if (same(a, b)) return 1;
  const [p, q] = [exactRational(a), exactRational(b)];
  if (!p || !q) return null;
  return [2, 3, 4].find((n) => integerPower(q, n)?.compare(p) === 0) ?? null;
}
function exponentOf(e: Expression): { base: Expression; exponent: Expression } | null {
  if (e.kind === "apply" && e.name === "exp") return { base: E, exponent: e.a };
  return e.kind === "power" && !dependsOnVariable(e.a) ? { base: e.a, exponent: e.b } : null;
}
const E: Expression = apply("exp", wholeNumber(1));

/** A polynomial in x², x³ and so on. */
function polynomialInPower(e: Expression): InPart | null {
  const p = polynomialForm(e);
  if (!p || poly.degree(p) < 4) return null;
  for (const n of [4, 3, 2]) {
    if (!p.every((c, i) => i % n === 0 || signOf(c) === 0)) continue;
    const inPower = p.filter((_, i) => i % n === 0);
    if (moving(inPower) < 2) continue;
    return { kernel: { kind: "power", a: { kind: "variable" }, b: wholeNumber(n) }, p: inPower };
  }
  return null;
}
