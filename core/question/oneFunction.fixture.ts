import type { CaseFile, Question, Variable } from "../model";

/** Questions as the distributive union they are, without what a test does not care about. */
export type Asked = Question extends infer Q ? (Q extends Question ? Omit<Q, "id"> : never) : never;

/** A case of one function f of x, with questions named q1, q2, … unless they have names of their own. */
export const oneFunction = (
  text: string,
  range: Omit<Variable, "name">,
  questions: readonly (Asked & { id?: string })[],
): CaseFile => ({
  format: "pasear-case",
  version: 1,
  title: "T",
  variables: [{ name: "x", ...range }],
  functions: [{ name: "f", of: "x", by: { kind: "formula", text } }],
  questions: questions.map((q, i) => ({ id: `q${i + 1}`, ...q }) as Question),
});
