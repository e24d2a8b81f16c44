import type { CaseFile, FunctionBy, FunctionRow, Question } from "../model";
import { renamed } from "./rename";
import { changedRow, named, typedText, way, withField } from "./way";

const withFunction = (source: CaseFile, name: string, to: (row: FunctionRow) => FunctionRow): CaseFile => ({
  ...source,
  functions: changedRow(source.functions, named(name), to),
});
/** A row in the place of the one of its name, or after all others. */
const put = <T extends { name: string }>(list: readonly T[] | undefined, row: T): T[] =>
  (list ?? []).some(named(row.name)) ? changedRow(list, named(row.name), () => row) : [...(list ?? []), row];

function withText(by: FunctionBy, piece: number | null, text: string): FunctionBy {
  if (by.kind === "formula") return { ...by, text };
  if (by.kind !== "pieces") return by;
  return { ...by, pieces: by.pieces.map((p, i) => (i === piece ? { ...p, text } : p)) };
}

/** A function under another name is called so wherever it is used. */
function putRow(source: CaseFile, { row, before }: { row: FunctionRow; before: string | null }): CaseFile {
  const called = before === null || before === row.name ? source : renamed(source, before, row.name);
  return { ...called, functions: put(called.functions, row) };
}

export const functionEdits = {
  /**
   * What was typed where a function stood. Under a new name it is called so wherever it is used; under the name of
   * another function it takes that one's place.
   */
  retype: way<{ name: string; row: FunctionRow }>({
    says: (p) => `change ${p.name}`,
    apply(source, { name, row }) {
      if (row.name !== name && source.functions?.some(named(row.name)))
        return withFunction(source, row.name, () => row);
      const called = row.name === name ? source : renamed(source, name, row.name);
      return withFunction(called, row.name, (f) => ({ ...f, of: row.of, by: row.by }));
    },
  }),
  /** A function with everything in its row, new or in the place of the one that had its name. */
  putFunction: way<{ row: FunctionRow; before: string | null }>({
    says: ({ row, before }) => (before === null ? `add the function ${row.name}` : `change ${row.name}`),
    apply: putRow,
  }),
  /** A function, the same in another form beside it, and the question whether they are one. */
  putTwin: way<{ row: FunctionRow; before: string | null; twin: FunctionRow; question: Question }>({
    says: (p) => `write ${p.row.name} in another form`,
    apply(source, { twin, question, ...own }) {
      const after = putRow(source, own);
      return {
        ...after,
        functions: put(after.functions, twin),
        questions: [...(after.questions ?? []), question],
      };
    },
  }),
  setText: way<{ name: string; piece: number | null; text: string }>({
    says: (p) => `change ${p.name}`,
    apply: (source, { name, piece, text }) =>
      withFunction(source, name, (f) => ({ ...f, by: withText(f.by, piece, text) })),
  }),
  dropReading: way<{ name: string; index: number }>({
    says: (p) => `leave a reading of ${p.name} out`,
    apply: (source, { name, index }) =>
      withFunction(source, name, (f) =>
        f.by.kind === "line" ? { ...f, by: { ...f.by, through: f.by.through.filter((_, i) => i !== index) } } : f,
      ),
  }),
  setFunctionUnit: way<{ name: string; unit: string }>({
    says: (p) => `set the unit of ${p.name}`,
    apply: (source, { name, unit }) => withFunction(source, name, (f) => withField(f, "unit", typedText(unit))),
  }),
  describeFunction: way<{ name: string; label: string }>({
    says: (p) => `describe ${p.name}`,
    apply: (source, { name, label }) => withFunction(source, name, (f) => withField(f, "label", typedText(label))),
  }),
  /** To another place in the list; a curve keeps its colour when its row moves. */
  moveFunction: way<{ name: string; to: number; looks: readonly number[] }>({
    says: (p) => `move ${p.name}`,
    apply(source, { name, to, looks }) {
      const rows = (source.functions ?? []).map((row, i) => ({ ...row, look: looks[i]! }));
      const from = rows.findIndex(named(name));
      const [row] = rows.splice(from, 1);
      rows.splice(to, 0, row!);
      return { ...source, functions: rows };
    },
  }),
  colour: way<{ name: string; look: number; as: string }>({
    says: (p) => `colour ${p.name} ${p.as}`,
    apply: (source, { name, look }) => withFunction(source, name, (f) => ({ ...f, look })),
    group: (p) => `look:${p.name}`,
  }),
  showFunction: way<{ name: string; shown: boolean }>({
    says: (p) => `${p.shown ? "show" : "hide"} ${p.name}`,
    apply: (source, { name, shown }) =>
      withFunction(source, name, (f) => withField(f, "shown", shown ? undefined : false)),
  }),
  rename: way<{ from: string; to: string }>({
    says: (p) => `call ${p.from} ${p.to}`,
    apply: (source, { from, to }) => renamed(source, from, to),
  }),
};
