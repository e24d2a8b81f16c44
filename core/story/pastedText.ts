import { readLines, understand, type Entry } from "../entry";
import { modelOf, type CaseFile } from "../model";
import { eachLine, readPlanLines, type PlanLine } from "../plan";

/** What a text that was pasted or dropped somewhere is, as far as it says so itself. */
export type Pasted =
  | { readonly kind: "case" }
  | { readonly kind: "table" }
  | { readonly kind: "lines"; readonly entries: readonly Entry[] }
  | { readonly kind: "constraints"; readonly lines: readonly PlanLine[] }
  /** `isProse`: it reads like sentences; otherwise it is nothing else */
  | { readonly kind: "story"; readonly isProse: boolean }
  /** one line that is not understood: it goes where lines are written, to be mended */
  | { readonly kind: "line" };

const NUMBER = /^[−-]?\s?[$€£]?\s?\d[\d.,\s]*\s?%?$/;
const DATE = /^\d{1,4}[./-]\d{1,2}[./-]\d{1,4}$/;
/** Share of the cells of a table that are numbers or dates: words, units and gaps may stand among them. */
const READABLE = 0.4;
/** More lines than these are no statements that somebody wrote. */
const MOST_LINES = 60;
/** A line longer than this is prose, in characters. */
const LONGEST_LINE = 160;

/**
 * Tells a case, a table, statements and questions, lines of a plan, and prose apart.
 * @param cells  the text as cells of a table would be read from it
 */
export function pastedText(text: string, cells: readonly (readonly string[])[], source: CaseFile): Pasted {
  if (/^\s*\{/.test(text) && text.includes('"pasear-case"')) return { kind: "case" };
  if (isTable(cells)) return { kind: "table" };
  const lines = text.split(/\r?\n/).flatMap((line) => line.trim() || []);
  const isProse = lines.length > MOST_LINES || lines.some(isSentence);
  if (isProse) return { kind: "story", isProse };
  const ofPlan = planLines(lines, source);
  if (ofPlan) return { kind: "constraints", lines: ofPlan };
  const { entries, stopped } = readLines(lines, source, understand);
  if (stopped === "" && entries.length > 0) return { kind: "lines", entries };
  return lines.length === 1 ? { kind: "line" } : { kind: "story", isProse: false };
}

/** Rows of one length, of two cells at least, many of them numbers. */
function isTable(cells: readonly (readonly string[])[]): boolean {
  const width = cells[0]?.length ?? 0;
  if (cells.length < 2 || width < 2 || cells.some((row) => row.length !== width)) return false;
  const body = cells.slice(1).flat();
  const isReadable = (cell: string) => NUMBER.test(cell.trim()) || DATE.test(cell.trim());
  return body.filter(isReadable).length >= READABLE * body.length;
}

/** Long, or two sentences, or several words with a full stop and nothing that is set equal or compared. */
const isSentence = (line: string): boolean =>
  line.length > LONGEST_LINE ||
  /\p{L}{2,}[.?!]\s+\p{Lu}/u.test(line) ||
  (/[.!]$/.test(line) && !/[=<>≤≥]/.test(line) && line.split(/\s+/).length > 6);

/** Constraints of several unknowns, with or without a goal; null where one line is none such. */
function planLines(lines: readonly string[], source: CaseFile): readonly PlanLine[] | null {
  const { names, functions } = modelOf(source);
  const texts = lines.flatMap(eachLine);
  const { lines: out, problem } = readPlanLines(texts, source.plan ?? null, names);
  if (problem !== null || out.some((l, i) => l.kind === "constraint" && !/[<>≤≥]/.test(texts[i]!))) return null;
  const isLimited = out.some((line) => line.kind === "constraint");
  const unknown = new Set([...(source.plan?.variables ?? []).map((v) => v.name), ...out.flatMap((l) => l.fresh)]);
  return isLimited && unknown.size > 1 && ![...unknown].some((name) => functions.has(name)) ? out : null;
}
