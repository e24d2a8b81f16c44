import type { BriefPart, BriefRow, CaseFile } from "../model";

/** The parts that write themselves, in the order in which they stand unless moved. */
export const PARTS: readonly { readonly id: BriefPart; readonly name: string; readonly off?: true }[] = [
  { id: "answer", name: "The answer" },
  { id: "known", name: "What we know" },
  { id: "model", name: "How it is modelled" },
  { id: "graph", name: "Graph" },
  { id: "plan", name: "The plan" },
  { id: "data", name: "Data" },
  { id: "findings", name: "What was found" },
  { id: "checks", name: "How it was checked" },
  { id: "changes", name: "If things change", off: true },
  { id: "working", name: "Working, step by step", off: true },
];

export const partOf = (id: string): (typeof PARTS)[number] | undefined => PARTS.find((p) => p.id === id);
export const isWords = (row: BriefRow): boolean => row.blocks !== undefined;

/** Whether a case has anything that a part could tell. */
function isFilled(id: BriefPart, source: CaseFile): boolean {
  if (id === "plan") return source.plan !== undefined;
  if (id === "data") return (source.data ?? []).length > 0;
  const asks = (source.questions ?? []).length > 0;
  if (id === "answer") return asks || source.plan !== undefined;
  if (id === "working") return asks || source.plan?.variables.length === 2;
  if (id === "findings" || id === "checks" || id === "changes") return asks;
  if (id === "known") return Boolean(source.story?.text) || (source.givens ?? []).length > 0;
  return (source.functions ?? []).length > 0;
}

/** What stands twice in a file stands once on the page. */
const isFirst = (row: BriefRow, i: number, all: readonly BriefRow[]): boolean =>
  all.findIndex((other) => other.id === row.id) === i;

/**
 * The parts of a brief in order: as the person put them, and after each the parts that came into the case since and
 * that nobody has placed yet. Parts of which the case has nothing are left out; what was put of them is kept.
 */
export function briefRows(source: CaseFile): BriefRow[] {
  const all = source.brief?.rows ?? [];
  const placed = all.filter((row, i) => (isWords(row) || partOf(row.id)) && isFirst(row, i, all));
  const rows = [...placed];
  PARTS.forEach((part, i) => {
    if (rows.some((row) => row.id === part.id)) return;
    const before = PARTS.slice(0, i).findLast((p) => rows.some((row) => row.id === p.id));
    const at = before ? rows.findIndex((row) => row.id === before.id) + 1 : 0;
    rows.splice(at, 0, { id: part.id, ...(part.off ? { off: true } : {}) });
  });
  return rows;
}

/** Those of the rows that can stand on the page of this case. */
export const filledRows = (source: CaseFile): BriefRow[] =>
  briefRows(source).filter((row) => isWords(row) || isFilled(row.id as BriefPart, source));

/** An id for own words that no row has. */
export function freeWordsId(source: CaseFile): string {
  const taken = new Set(briefRows(source).map((row) => row.id));
  for (let n = 1; ; n++) if (!taken.has(`words${n}`)) return `words${n}`;
}
