import type { Brief, BriefRow, CaseFile } from "../model";
import { same } from "./same";

/** A row of a list of a case: what tells it from the others is its name or its id. */
export type Row = Readonly<Record<string, unknown>>;
export interface RowList {
  /** what one row is called */
  readonly word: string;
  readonly rows: (document: CaseFile) => readonly Row[];
  readonly with: (document: CaseFile, rows: readonly Row[]) => CaseFile;
}

type ListName = "givens" | "variables" | "data" | "functions" | "questions";
const listOf = (word: string, name: ListName): RowList => ({
  word,
  rows: (document) => (document[name] ?? []) as unknown as readonly Row[],
  with: (document, rows) => ({ ...document, [name]: rows }),
});
const planListOf = (word: string, name: "variables" | "constraints"): RowList => ({
  word,
  rows: (document) => (document.plan?.[name] ?? []) as unknown as readonly Row[],
  with: (document, rows) => ({
    ...document,
    plan: { ...(document.plan ?? { variables: [], constraints: [] }), [name]: rows } as NonNullable<CaseFile["plan"]>,
  }),
});
const briefParts: RowList = {
  word: "part of the brief",
  rows: (document) => (document.brief?.rows ?? []) as unknown as readonly Row[],
  with: (document, rows) => ({ ...document, brief: { ...document.brief, rows: rows as unknown as BriefRow[] } }),
};
export const LISTS: readonly RowList[] = [
  listOf("given", "givens"),
  listOf("variable", "variables"),
  listOf("table", "data"),
  listOf("function", "functions"),
  listOf("question", "questions"),
  planListOf("variable of the plan", "variables"),
  planListOf("constraint", "constraints"),
  briefParts,
];

/** What a case has once. */
export interface Single {
  readonly word: string;
  readonly get: (document: CaseFile) => unknown;
  readonly with: (document: CaseFile, value: unknown) => CaseFile;
}
const partOf = (word: string, name: "title" | "story" | "notes"): Single => ({
  word,
  get: (document) => document[name],
  with: (document, value) => ({ ...document, [name]: value }) as CaseFile,
});
const briefHead = (word: string, name: "heading" | "about" | "author" | "date" | "sheet"): Single => ({
  word,
  get: (document) => document.brief?.[name],
  with: (document, value) =>
    value === undefined && !document.brief
      ? document
      : ({ ...document, brief: withField(document.brief ?? {}, name, value) } as CaseFile),
});
function withField(brief: Brief, name: keyof Brief, value: unknown): Brief {
  const { [name]: _before, ...rest } = brief;
  return value === undefined ? rest : { ...rest, [name]: value };
}
export const SINGLES: readonly Single[] = [
  partOf("the title", "title"),
  partOf("the story", "story"),
  partOf("the notes", "notes"),
  briefHead("the heading of the brief", "heading"),
  briefHead("what the brief is about", "about"),
  briefHead("the author", "author"),
  briefHead("the date of the brief", "date"),
  briefHead("the paper of the brief", "sheet"),
  {
    word: "the objective",
    get: (document) => document.plan?.objective,
    with: (document, value) =>
      document.plan ? ({ ...document, plan: { ...document.plan, objective: value } } as CaseFile) : document,
  },
];

export const keyOf = (row: Row): string => String(row.id ?? row.name);

/** What differs between two versions of a case, part by part, in a few words: `the title`, `given F, k`. */
export function differingParts(one: CaseFile, other: CaseFile): string[] {
  const singles = SINGLES.filter((s) => !same(s.get(one), s.get(other))).map((s) => s.word);
  const lists = LISTS.flatMap(({ word, rows }) => {
    const [a, b] = [byKey(rows(one)), byKey(rows(other))];
    const keys = [...new Set([...a.keys(), ...b.keys()])].filter((key) => !same(a.get(key), b.get(key)));
    if (keys.length > 0) return [`${word} ${keys.join(", ")}`];
    return same(rows(one).map(keyOf), rows(other).map(keyOf)) ? [] : [`the order of every ${word}`];
  });
  return [...singles, ...lists];
}
export const byKey = (rows: readonly Row[]): Map<string, Row> => new Map(rows.map((row) => [keyOf(row), row]));
