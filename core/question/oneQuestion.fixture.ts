import type { CaseFile, Question } from "../model";

export type Asked = Omit<Question, "id"> & Record<string, unknown>;
export interface Range {
  readonly from?: number | null;
  readonly to?: number | null;
  readonly givens?: CaseFile["givens"];
}

/** A case of functions of x with one question, q; an end that is null is open. */
export function oneQuestion(
  functions: Readonly<Record<string, string>>,
  q: Asked,
  { from, to, givens }: Range,
): CaseFile & { readonly questions: readonly [Question] } {
  return {
    format: "pasear-case",
    version: 1,
    title: "T",
    variables: [{ name: "x", ...(from == null ? {} : { from }), ...(to == null ? {} : { to }) }],
    ...(givens ? { givens } : {}),
    functions: Object.entries(functions).map(([name, text]) => ({ name, of: "x", by: { kind: "formula", text } })),
    questions: [{ id: "q", ...q } as Question],
  };
}
