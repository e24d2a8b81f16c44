import { readFileSync } from "node:fs";
import { expect } from "vitest";
import { buildModel, type Plan } from "../model";
import { rationalOfDecimal, toDouble } from "../numeric";
import { solvePlan } from ".";

export const names = (givens: Record<string, number> = {}) =>
  buildModel({
    format: "pasear-case",
    version: 1,
    title: "T",
    givens: Object.entries(givens).map(([name, value]) => ({ name, value })),
  }).names;
export const number = (text: string): number => {
  const [a, b = "1"] = text.split("/");
  return toDouble(rationalOfDecimal(a!)!.div(rationalOfDecimal(b)!));
};
// Exact answers: fixtures/plans.json.
export interface Answer {
  status: string;
  value: string | null;
  vertices?: string[][];
  ties?: string | null;
  points?: number[][];
  count?: number;
  point?: number[];
}
export interface Problem {
  id: string;
  variables: string[];
  constraints: { text: string }[];
  objective: { text: string };
  region?: { status: string; vertices: string[][] };
  max?: Answer;
  min?: Answer;
  integer_max?: Answer;
  integer_min?: Answer;
  sense?: "max" | "min";
  nonnegative?: boolean;
  optimum?: Answer & { unique: boolean };
  shadow_prices?: {
    constraint: number;
    increase: string;
    decrease: string;
    unique: boolean;
    rhs_range: [string | null, string | null] | null;
  }[];
  integer?: Answer;
}
export const { problems } = JSON.parse(readFileSync(new URL("./fixtures/plans.json", import.meta.url), "utf8")) as {
  problems: Problem[];
};
export const planOf = (p: Problem, sense: "greatest" | "least", whole: boolean): Plan => ({
  variables: p.variables.map((name) => ({ name, whole })),
  constraints: [
    ...p.constraints.map((c, i) => ({ id: `c${i}`, text: c.text })),
    ...(p.nonnegative ? p.variables.map((v) => ({ id: `n${v}`, text: `${v} >= 0` })) : []),
  ],
  objective: { text: p.objective.text, sense },
});
export const solved = (plan: Plan) => {
  const r = solvePlan(plan, names());
  expect(r.errors).toEqual([]);
  return r.result!;
};
export const sorted = (list: readonly (readonly number[])[]) =>
  [...list].map((p) => p.map((v) => Number(v.toPrecision(12)))).sort((a, b) => a[0]! - b[0]! || a[1]! - b[1]!);
