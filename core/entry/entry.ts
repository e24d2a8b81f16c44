import type { CaseFile, FunctionRow, Given, Question, Variable } from "../model";

/** A function, and the variable of a name nobody knew, with the range that table or story tell, else an open one. */
export interface FunctionEntry {
  readonly kind: "function";
  readonly row: FunctionRow;
  readonly replaces: boolean;
  readonly variable?: Variable;
  /** where the range of the variable comes from, in words */
  readonly because?: string;
}

/** What an entry adds to the case, or changes in it. */
export type Entry =
  | { readonly kind: "given"; readonly row: Given; readonly replaces: boolean }
  | { readonly kind: "variable"; readonly row: Variable; readonly replaces: boolean }
  | FunctionEntry
  | { readonly kind: "question"; readonly row: Question; readonly replaces: false };

/** Why a line cannot be read, and where in it. */
export class Misread extends Error {
  /** @param isVague  nothing in the line is at fault; it is not understood as a whole */
  constructor(
    message: string,
    readonly at = 0,
    readonly end = at,
    readonly isVague = false,
  ) {
    super(message);
  }
}

/** The case with the entry put in; the document passed in is not changed. */
export function withEntry(source: CaseFile, entry: Entry): CaseFile {
  const put = <T extends { name: string }>(list: readonly T[] | undefined, row: T): T[] => {
    const all = list ?? [];
    return all.some((r) => r.name === row.name) ? all.map((r) => (r.name === row.name ? row : r)) : [...all, row];
  };
  switch (entry.kind) {
    case "given":
      return { ...source, givens: put(source.givens, entry.row) };
    case "variable":
      return { ...source, variables: put(source.variables, entry.row) };
    case "function":
      return {
        ...source,
        ...(entry.variable ? { variables: put(source.variables, entry.variable) } : {}),
        functions: put(source.functions, entry.row),
      };
    case "question":
      return { ...source, questions: [...(source.questions ?? []), entry.row] };
  }
}

/** A number of a question that is free. */
export function freshId(source: CaseFile): string {
  const taken = new Set((source.questions ?? []).map((q) => q.id));
  for (let i = 1; ; i++) if (!taken.has(`q${i}`)) return `q${i}`;
}
