import { buildModel, type CaseFile, type FunctionBy, type Model } from "..";

/** A case in x on 0…10 with these functions of x, in their order. */
export const caseOf = (functions: Readonly<Record<string, FunctionBy>>, more: Partial<CaseFile> = {}): CaseFile => ({
  format: "pasear-case",
  version: 1,
  title: "Test",
  variables: [{ name: "x", from: 0, to: 10 }],
  functions: Object.entries(functions).map(([name, by]) => ({ name, of: "x", by })),
  ...more,
});
export const formula = (text: string): FunctionBy => ({ kind: "formula", text });

/** What is said of a model: each error and warning as its path and its sentence. */
export const saidOf = ({ errors, warnings }: Model) => ({
  errors: errors.map((p) => [p.path, p.message]),
  warnings: warnings.map((p) => [p.path, p.message]),
});

/** How the last of some functions is written, its values at some inputs, and all that is said. */
export function made(
  functions: Readonly<Record<string, FunctionBy>>,
  at: readonly number[] = [],
  more?: Partial<CaseFile>,
) {
  const model = buildModel(caseOf(functions, more));
  const last = [...model.functions.values()].at(-1)!;
  const values = last.trouble === null ? at.map(model.table.number(last.name)) : [];
  return { text: last.text, latex: last.latex, trouble: last.trouble, values, ...saidOf(model) };
}
