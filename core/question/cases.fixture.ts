import { analysed as analyse, saidOf as sentenceOf } from "./full.fixture";
import { readFileSync } from "node:fs";
import type { CaseFile, FunctionRow, Question } from "../model";

export const base: CaseFile = { format: "pasear-case", version: 1, title: "Test" };
export const demo = (name: string): CaseFile =>
  JSON.parse(readFileSync(new URL(`../../demo/${name}.pasear.json`, import.meta.url), "utf8"));
export const formula = (name: string, text: string, more: Partial<FunctionRow> = {}): FunctionRow => ({
  name,
  of: "x",
  by: { kind: "formula", text },
  ...more,
});
/** A case in x on 0…10 with some functions and questions. */
export const caseOf = (
  functions: FunctionRow[],
  questions: Question[] = [],
  more: Partial<CaseFile> = {},
): CaseFile => ({
  ...base,
  variables: [{ name: "x", from: 0, to: 10 }],
  functions,
  questions,
  ...more,
});
export const ask = (functions: FunctionRow[], question: Question, more: Partial<CaseFile> = {}) => {
  const a = analyse(caseOf(functions, [question], more));
  return { ...a.findings[0]!, says: sentenceOf(a.findings[0]!, a.model) };
};
