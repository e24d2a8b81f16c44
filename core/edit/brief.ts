import { briefRows, partOf } from "../brief";
import type { Brief, BriefRow, CaseFile, WordsBlock } from "../model";
import { changedRow, typedText, way, withField } from "./way";

/** What stands over the brief and around it, in words for undo. */
const HEAD = {
  heading: "the heading of the brief",
  about: "what the brief is about",
  author: "the author",
  date: "the date of the brief",
} as const;
export type BriefField = keyof typeof HEAD;

const withBrief = (source: CaseFile, to: (brief: Brief) => Brief): CaseFile => ({
  ...source,
  brief: to(source.brief ?? {}),
});
const withRows = (source: CaseFile, to: (rows: BriefRow[]) => BriefRow[]): CaseFile =>
  withBrief(source, (brief) => ({ ...brief, rows: to(briefRows(source)) }));
const withRow = (source: CaseFile, id: string, to: (row: BriefRow) => BriefRow): CaseFile =>
  withRows(source, (rows) => changedRow(rows, (row) => row.id === id, to));
const nameOf = (id: string): string => {
  const part = partOf(id);
  return part ? `“${part.name}”` : "own words";
};

export const briefEdits = {
  /** Nothing typed: the field is what it writes by itself. */
  headBrief: way<{ field: BriefField; text: string }>({
    says: (p) => `change ${HEAD[p.field]}`,
    apply: (source, { field, text }) => withBrief(source, (brief) => withField(brief, field, typedText(text))),
  }),
  chooseSheet: way<{ sheet: "a4" | "letter" }>({
    says: (p) => `print on ${p.sheet === "a4" ? "A4" : "Letter"}`,
    apply: (source, { sheet }) => withBrief(source, (brief) => ({ ...brief, sheet })),
  }),
  switchPart: way<{ id: string; on: boolean }>({
    says: (p) => `${p.on ? "show" : "leave out"} ${nameOf(p.id)}`,
    apply: (source, { id, on }) => withRow(source, id, (row) => ({ ...row, off: !on })),
  }),
  /** Puts a part right before another one, or at the end. */
  movePart: way<{ id: string; before: string | null }>({
    says: (p) => `move ${nameOf(p.id)}`,
    apply: (source, { id, before }) =>
      withRows(source, (rows) => {
        const row = rows.find((r) => r.id === id);
        const rest = rows.filter((r) => r.id !== id);
        const at = rest.findIndex((r) => r.id === before);
        if (row) rest.splice(at < 0 ? rest.length : at, 0, row);
        return rest;
      }),
  }),
  /** @param key  of the picture; nothing typed: its caption writes itself again */
  captionPart: way<{ id: string; key: string; caption: string }>({
    says: () => "change a caption",
    apply: (source, { id, key, caption }) =>
      withRow(source, id, (row) => {
        const { [key]: _before, ...others } = row.captions ?? {};
        const typed = typedText(caption);
        return { ...row, captions: typed === undefined ? others : { ...others, [key]: typed } };
      }),
  }),
  graphEach: way<{ id: string; graphs: boolean }>({
    says: (p) => `${p.graphs ? "show" : "leave out"} the graph of each finding`,
    apply: (source, { id, graphs }) => withRow(source, id, (row) => ({ ...row, graphs })),
  }),
  /** Own words, right after a part; null: before all others. */
  addWords: way<{ id: string; after: string | null }>({
    says: () => "add own words",
    apply: (source, { id, after }) =>
      withRows(source, (rows) => {
        const at = rows.findIndex((r) => r.id === after) + 1;
        return rows.toSpliced(at, 0, { id, blocks: [{ kind: "paragraph", runs: [] }] });
      }),
  }),
  writeWords: way<{ id: string; blocks: WordsBlock[] }>({
    says: () => "change own words",
    apply: (source, { id, blocks }) => withRow(source, id, (row) => ({ ...row, blocks })),
    group: (p) => `words:${p.id}`,
  }),
  removeWords: way<{ id: string }>({
    says: () => "delete own words",
    apply: (source, { id }) => withRows(source, (rows) => rows.filter((r) => r.id !== id)),
  }),
};
