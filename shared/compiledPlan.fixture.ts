import fc from "fast-check";
import loadHighs, { type Highs } from "highs";
import { expect } from "vitest";
import { buildModel, type Plan } from "#core/model";
import { compiledResult, programOf, solvePlan } from "#core/plan";
import { solveCompiled } from "./compiledPlan";

export const highs: Highs = await loadHighs();
export const { names } = buildModel({ format: "pasear-case", version: 1, title: "T" });
export const program = (plan: Plan) => {
  const { program: p, errors } = programOf(plan, names);
  expect(errors).toEqual([]);
  return p!;
};
export const compiled = (plan: Plan) => {
  const p = program(plan);
  return compiledResult(plan, p, solveCompiled(highs, p));
};
export const exact = (plan: Plan) => solvePlan(plan, names).result!;
export const close = (a: number, b: number) => Math.abs(a - b) <= 1e-7 * Math.max(1, Math.abs(a), Math.abs(b));
// Small whole numbers make degenerate corners, parallel and redundant constraints and equalities common.
export const coefficient = fc.integer({ min: -6, max: 6 });
export const relation = fc
  .record({
    a: coefficient,
    b: coefficient,
    s: fc.constantFrom("<=", "<=", ">=", ">=", "=", "<", ">"),
    c: fc.integer({ min: -20, max: 20 }),
  })
  .filter((r) => r.a !== 0 || r.b !== 0);
export const text = (r: { a: number; b: number; s: string; c: number }) => `${r.a} x + ${r.b} y ${r.s} ${r.c}`;
export const twoVariables = (whole: boolean) =>
  fc
    .record({
      rs: fc.array(relation, { minLength: 1, maxLength: 8 }),
      p: coefficient,
      q: coefficient,
      sense: fc.constantFrom("greatest" as const, "least" as const),
      box: fc.boolean(),
    })
    .map(({ rs, p, q, sense, box }): Plan => ({
      variables: [
        { name: "x", whole },
        { name: "y", whole },
      ],
      constraints: [
        ...rs.map((r, i) => ({ id: `c${i}`, text: text(r) })),
        ...(box || whole
          ? [
              { id: "X", text: "0 <= x <= 9" },
              { id: "Y", text: "0 <= y <= 9" },
            ]
          : []),
      ],
      objective: { text: `${p} x + ${q} y`, sense },
    }));
