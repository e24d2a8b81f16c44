import { RESERVED } from "../formula";
import type { CaseFile, FunctionRow, NumberText, PieceRow } from "../model";
import type { Form } from "./catalogue";

/**
 * The case with a form put on the desk: its variable, givens and functions added, under names that are free. A variable
 * of the case with the same name and unit is used as it is.
 * @returns the new document, and the names of the form's functions in it
 */
export function putForm(source: CaseFile, form: Form): { document: CaseFile; functions: string[] } {
  const taken = new Set(
    [...(source.givens ?? []), ...(source.variables ?? []), ...(source.functions ?? [])].map((r) => r.name),
  );
  const names = new Map<string, string>();
  const shared = source.variables?.find(
    (v) => v.name === form.variable.name && (v.unit ?? "") === (form.variable.unit ?? ""),
  );
  const free = (name: string): string => {
    let candidate = name;
    for (let i = 2; taken.has(candidate) || RESERVED.has(candidate); i++) candidate = `${name}_${i}`;
    taken.add(candidate);
    return candidate;
  };
  names.set(form.variable.name, shared ? shared.name : free(form.variable.name));
  for (const r of [...form.givens, ...form.functions]) names.set(r.name, free(r.name));
  const renamed = (text: string) => text.replace(/\p{L}[\p{L}\p{Nd}_]*/gu, (word) => names.get(word) ?? word);
  const amount = <T extends NumberText | undefined>(n: T): T => (typeof n === "string" ? renamed(n) : n) as T;
  const row = (f: FunctionRow): FunctionRow => {
    const by = f.by;
    const next: FunctionRow["by"] =
      by.kind === "formula"
        ? { ...by, text: renamed(by.text) }
        : by.kind === "pieces"
          ? {
              ...by,
              pieces: by.pieces.map((p): PieceRow => ({
                ...p,
                text: renamed(p.text),
                from: amount(p.from),
                to: amount(p.to),
              })),
            }
          : by.kind === "total" || by.kind === "slope"
            ? { ...by, function: names.get(by.function) ?? by.function }
            : by;
    return { ...f, name: names.get(f.name)!, of: names.get(f.of)!, by: next };
  };
  const functions = form.functions.map(row);
  return {
    document: {
      ...source,
      givens: [...(source.givens ?? []), ...form.givens.map((g) => ({ ...g, name: names.get(g.name)! }))],
      variables: shared
        ? source.variables
        : [
            ...(source.variables ?? []),
            {
              ...form.variable,
              name: names.get(form.variable.name)!,
              ...(form.variable.from === undefined ? {} : { from: amount(form.variable.from) }),
              ...(form.variable.to === undefined ? {} : { to: amount(form.variable.to) }),
            },
          ],
      functions: [...(source.functions ?? []), ...functions],
    },
    functions: functions.map((f) => f.name),
  };
}
