import { expect } from "vitest";
import { resolve, type Expression } from "../formula";
import { rationalOfDecimal, type Rational } from "../numeric";
import { FunctionTable, findRoots } from "./index";
import { between } from "./range.fixture";

export const names = { variable: "x", givens: new Map(), functions: new Map(), variables: new Set<string>() };
export const read = (text: string): Expression => {
  const r = resolve(text, names);
  if (!r.expression) throw new Error(`${text}: ${r.problems[0]!.message}`);
  return r.expression;
};
export const table = new FunctionTable();
export const num = (t: string): Rational => rationalOfDecimal(t)!;
export const roots = (text: string, from: string | null, to: string | null) =>
  findRoots(read(text), table, between(from === null ? null : num(from), to === null ? null : num(to)));
export const places = (text: string, from: string | null, to: string | null) => {
  const r = roots(text, from, to);
  expect(r.open).toEqual([]);
  return r.roots.map((z) => [Number(z.at.toPrecision(10)), z.kind]);
};
