import type { FullFinding as Finding } from "./index";
import { analysed as analyse } from "./full.fixture";
import type { CaseFile, FunctionRow, Question } from "../model";
import { expect } from "vitest";
import fc from "fast-check";

/**
 * One story told in two ways must have the same answers. Nothing here says what an answer is; only that it does not
 * depend on how the case was written: where the inputs begin to count, in which unit, under which names, whether a
 * number has a name, whether a function is written out.
 */
export type Asked = Question extends infer Q ? (Q extends Question ? Omit<Q, "id"> : never) : never;
export const formulas = (functions: Record<string, string>): FunctionRow[] =>
  Object.entries(functions).map(([name, text]) => ({ name, of: "x", by: { kind: "formula", text } }));
export const told = (
  functions: Record<string, string>,
  questions: readonly Asked[],
  from: number,
  to: number,
  more: Partial<CaseFile> = {},
): Finding[] =>
  analyse({
    format: "pasear-case",
    version: 1,
    title: "Told",
    variables: [{ name: "x", from, to }],
    functions: formulas(functions),
    questions: questions.map((q, i) => ({ ...q, id: `q${i + 1}` }) as Question),
    ...more,
  }).findings;
export const small = fc.integer({ min: -9, max: 9 });
export const positive = fc.integer({ min: 1, max: 9 });
/**
 * What a story of the trade is made of, in one input; every number is whole, so that both tellings hold the very same
 * one.
 */
export const body = fc.oneof(
  fc.tuple(small, small).map(([a, b]) => `${a}*x + ${b}`),
  fc.tuple(small, small, small).map(([a, b, c]) => `${a}*x^2 + ${b}*x + ${c}`),
  fc.tuple(small, small, small).map(([a, b, c]) => `x^3/10 + ${a}*x^2 + ${b}*x + ${c}`),
  fc.tuple(positive, small, small).map(([a, b, c]) => `${a}*exp(${b}*x/10) + ${c}`),
  fc.tuple(positive, positive).map(([a, b]) => `${a}*10/(1 + ${b}*exp(-x))`),
  fc.tuple(positive, small).map(([a, b]) => `${a}*sin(x) + ${b}*x/4`),
  fc.tuple(positive, small).map(([a, b]) => `${a}*abs(x - ${b})`),
  fc.tuple(positive, small).map(([a, b]) => `${a}*sqrt(x + 12) + ${b}`),
  fc.tuple(positive, small).map(([a, b]) => `${a}*ln(x + 12) + ${b}`),
  fc.tuple(small, small).map(([a, b]) => `(${a}*x + ${b})*exp(-x/3)`),
  fc.tuple(positive, small).map(([a, b]) => `${a}*x/(x + 12) + ${b}/10`),
);
export const ranges = fc
  .tuple(fc.integer({ min: -6, max: 3 }), fc.integer({ min: 1, max: 8 }))
  .map(([from, width]) => [from, from + width] as const);
/** With x - h in the place of x. */
export const moved = (text: string, h: number) => text.replace(/\bx\b(?!\()/g, `(x - (${h}))`);
export const places = (f: Finding) => f.solutions.map((s) => s.at);
export function sameNumbers(a: readonly number[], b: readonly number[], what: string): void {
  expect(b.length, what).toBe(a.length);
  a.forEach((v, i) => {
    expect(Math.abs(v - b[i]!), `${what}: ${v} and ${b[i]}`).toBeLessThanOrEqual(1e-8 * Math.max(1, Math.abs(v)));
  });
}
export function sameFinding(a: Finding, b: Finding, what: string, shift = 0): void {
  expect([b.status, b.complete], what).toEqual([a.status, a.complete]);
  sameNumbers(
    places(a).map((x) => x + shift),
    places(b),
    what,
  );
  if (a.value === null) expect(b.value, what).toBeNull();
  else sameNumbers([a.value], [b.value!], what);
}
export const settings = { numRuns: 150 };
export const questions = (level: number): Asked[] => [
  { ask: "reach", function: "f", value: level },
  { ask: "greatest", function: "f" },
  { ask: "least", function: "f" },
  { ask: "where", function: "f", relation: ">=", value: level },
  { ask: "value", function: "f", at: 1 },
];
