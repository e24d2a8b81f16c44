import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { compileNumber, resolve } from "../formula";
import type { CaseFile } from "../model";
import { analyse, inFull, workingOf, type WorkingStep } from "./index";

// Working is proof to a student: every line must be true of the answers, and lead to them.
const scope = { variable: "x", givens: new Map(), functions: new Map(), variables: new Set<string>() };
const at = (text: string, x: number): number => {
  const { expression, problems } = resolve(text, scope) as unknown as {
    expression: Parameters<typeof compileNumber>[0] | null;
    problems?: unknown;
  };
  expect(expression, `${text} ${JSON.stringify(problems)}`).not.toBeNull();
  return compileNumber(expression!, () => () => NaN)(x);
};
const near = (a: number, b: number) => Math.abs(a - b) <= 2e-6 * Math.max(1, Math.abs(a), Math.abs(b));
const made = (text: string, value: number): CaseFile => ({
  format: "pasear-case",
  version: 1,
  title: "T",
  variables: [{ name: "x", from: -1000, to: 1000 }],
  functions: [{ name: "f", of: "x", by: { kind: "formula", text } }],
  questions: [{ id: "q", ask: "reach", function: "f", value }],
});
function answered(c: CaseFile): { steps: readonly WorkingStep[]; answers: number[] } {
  const { model, findings } = analyse(c);
  const steps = workingOf(c.questions![0]!, findings[0]!, model, () => null);
  return { steps, answers: inFull(findings[0]!).solutions.map((s) => s.at) };
}
/** What is no equation of the unknown: names, values put in, what is left out. */
const NO_EQUATION = /^(?:names|definition|givens|check|set aside|domain|discriminant|halving|angles|sentence)$/;
const APART = /^(?:case|substitution)$/;
const numberIn = (text: string): number => Number(text.replace(/^.*[=≈]\s*/, "").replaceAll(",", ""));

/** Each equation holds at each answer, until the ways part; the last lines tell just the answers. */
function checked({ steps, answers }: ReturnType<typeof answered>): void {
  let isParted = false;
  for (const { rule, text } of steps) {
    isParted ||= APART.test(rule) || / or /.test(text);
    if (text === "no solution" && !isParted) expect(answers).toEqual([]);
    if (rule === "decimal") {
      const told = text.split(" or ").map(numberIn);
      expect(told).toHaveLength(answers.length);
      for (const a of answers) expect([text, a, told.some((v) => near(v, a))]).toEqual([text, a, true]);
    }
    if (rule === "check") expect(text.replace(/^.*: /, "").split(" = ")[0]).toBe(text.split(" = ").at(-1));
    if (isParted || NO_EQUATION.test(rule) || !/^[^=]+ = [^=]+$/.test(text) || /[±≈]/.test(text)) continue;
    const [left, right] = text.split(" = ");
    for (const a of answers) expect([text, a, near(at(left!, a), at(right!, a))]).toEqual([text, a, true]);
  }
}
const coefficient = fc
  .integer({ min: -40, max: 40 })
  .filter((v) => v !== 0)
  .map((v) => v / 4);
const shift = fc.integer({ min: -80, max: 80 }).map((v) => v / 4);

describe("every line of working is true of the answers", () => {
  it("linear", () =>
    fc.assert(
      fc.property(coefficient, shift, shift, (a, b, c) => {
        const r = answered(made(`${a} x + (${b})`, c));
        expect(r.answers).toHaveLength(1);
        expect(r.steps.length).toBeGreaterThan(1);
        checked(r);
      }),
      { numRuns: 100 },
    ));
  it("quadratic, with none, one or two answers", () => {
    const seen = new Set<number>();
    fc.assert(
      fc.property(coefficient, shift, shift, (a, b, c) => {
        const r = answered(made(`${a} x^2 + (${b}) x + (${c})`, 0));
        seen.add(r.answers.length);
        // Factors where the discriminant is a square; else its sign tells how many answers there are.
        const d = r.steps.find((step) => step.text.startsWith("D = "));
        if (d) expect(Math.sign(numberIn(d.text))).toBe(r.answers.length === 0 ? -1 : 1);
        checked(r);
      }),
      { numRuns: 100 },
    );
    expect([...seen].sort()).toEqual(expect.arrayContaining([0, 2]));
  });
  it("exponential, with and without an answer", () => {
    let none = 0;
    fc.assert(
      fc.property(
        coefficient,
        fc.integer({ min: 1, max: 30 }).map((k) => k / 100),
        shift,
        shift,
        (a, k, b, level) => {
          const r = answered(made(`${a} exp(${k} x) + (${b})`, level));
          if (r.answers.length === 0) none++;
          checked(r);
        },
      ),
      { numRuns: 120 },
    );
    expect(none).toBeGreaterThan(5);
  });
  it("logarithm, root, reciprocal and powers, one inside the other", () => {
    const outer = fc.constantFrom(
      (u: string) => `ln(${u})`,
      (u: string) => `sqrt(${u})`,
      (u: string) => `log10(${u})`,
      (u: string) => `(${u})^3`,
      (u: string) => `2^(${u})`,
      (u: string) => `12/(${u})`,
    );
    let worked = 0;
    fc.assert(
      fc.property(
        outer,
        coefficient,
        shift,
        coefficient,
        fc.integer({ min: 1, max: 24 }).map((v) => v / 8),
        (g, a, b, c, level) => {
          const r = answered(made(`${c} ${g(`${a} x + (${b})`)} + 1`, level));
          if (r.steps.length > 0) worked++;
          checked(r);
        },
      ),
      { numRuns: 120 },
    );
    expect(worked).toBeGreaterThan(70);
  });
  it("growth to a multiple", () =>
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 400 }).map((p) => (1000 + p) / 1000),
        fc.integer({ min: 2, max: 12 }),
        (base, factor) => {
          const c: CaseFile = {
            ...made(`150*${base}^x`, 0),
            variables: [{ name: "x", from: 0, to: 3000 }],
            questions: [{ id: "q", ask: "multiply", function: "f", factor, start: 0 }],
          };
          const r = answered(c);
          // base^x = factor at x = ln(factor)/ln(base)
          expect(r.answers).toHaveLength(1);
          expect(near(r.answers[0]!, Math.log(factor) / Math.log(base))).toBe(true);
          checked(r);
          expect(r.steps.at(-2)!.text).toContain("≈");
        },
      ),
      { numRuns: 60 },
    ));
});
