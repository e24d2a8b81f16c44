import type { CaseFile, FunctionRow, NumberText } from "../model";
import { renamed } from "./rename";

/** One change of a case that mends a slip. */
export type Change =
  | { readonly kind: "given"; readonly name: string; readonly value: number; readonly unit: string }
  | {
      readonly kind: "newGiven";
      readonly name: string;
      readonly value: number;
      readonly unit: string | null;
      readonly label: string;
      readonly start: number;
      readonly end: number;
    }
  | { readonly kind: "formula"; readonly name: string; readonly piece: number | null; readonly text: string }
  | { readonly kind: "dropReading"; readonly name: string; readonly index: number }
  | { readonly kind: "rename"; readonly from: string; readonly to: string }
  | { readonly kind: "range"; readonly variable: string; readonly from?: NumberText; readonly to?: NumberText }
  | { readonly kind: "questionRange"; readonly id: string }
  | { readonly kind: "questionAt"; readonly id: string; readonly at: number }
  | { readonly kind: "whole"; readonly variable: string };

/** The case with the change made; the one passed in stays as it is. */
export function changed(source: CaseFile, change: Change): CaseFile {
  const rows = <T>(list: readonly T[] | undefined, is: (row: T) => boolean, to: (row: T) => T): T[] =>
    (list ?? []).map((r) => (is(r) ? to(r) : r));
  const named = (name: string) => (r: { name: string }) => r.name === name;
  switch (change.kind) {
    case "given":
      return {
        ...source,
        givens: rows(source.givens, named(change.name), (g) => ({ ...g, value: change.value, unit: change.unit })),
      };
    case "newGiven": {
      const { name, value, unit, label, start, end } = change;
      const givens = [
        ...(source.givens ?? []),
        { name, value, ...(unit ? { unit } : {}), ...(label ? { label } : {}) },
      ];
      const story = source.story && {
        ...source.story,
        marks: [...(source.story.marks ?? []), { start, end, role: "given" as const, of: name }].sort(
          (a, b) => a.start - b.start,
        ),
      };
      return { ...source, givens, ...(story ? { story } : {}) };
    }
    case "formula":
      return {
        ...source,
        functions: rows(source.functions, named(change.name), (f) => ({
          ...f,
          by: withText(f.by, change.piece, change.text),
        })),
      };
    case "dropReading":
      return {
        ...source,
        functions: rows(source.functions, named(change.name), (f) =>
          f.by.kind === "line"
            ? { ...f, by: { ...f.by, through: f.by.through.filter((_, i) => i !== change.index) } }
            : f,
        ),
      };
    case "rename":
      return renamed(source, change.from, change.to);
    case "range":
      return {
        ...source,
        variables: rows(source.variables, named(change.variable), (v) => ({
          ...v,
          ...(change.from === undefined ? {} : { from: change.from }),
          ...(change.to === undefined ? {} : { to: change.to }),
        })),
      };
    case "questionRange":
      return {
        ...source,
        questions: rows(
          source.questions,
          (q) => q.id === change.id,
          (q) => {
            const { from: _from, to: _to, ...rest } = q;
            return rest as typeof q;
          },
        ),
      };
    case "questionAt":
      return {
        ...source,
        questions: rows(
          source.questions,
          (q) => q.id === change.id,
          (q) => ("at" in q ? { ...q, at: change.at } : q),
        ),
      };
    case "whole":
      return { ...source, variables: rows(source.variables, named(change.variable), (v) => ({ ...v, whole: true })) };
  }
}

function withText(by: FunctionRow["by"], piece: number | null, text: string): FunctionRow["by"] {
  if (by.kind === "formula") return { ...by, text };
  if (by.kind === "pieces" && piece !== null)
    return { ...by, pieces: by.pieces.map((p, i) => (i === piece ? { ...p, text } : p)) };
  return by;
}
