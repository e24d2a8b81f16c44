import { daysComeFirst, decimalSign, readCell, type Cell, type DecimalSign } from "./cells";
import { columnName, headerParts, looksLikeYears, type ColumnKind } from "./tableHead";

export interface ReadColumn {
  readonly name: string;
  readonly label: string;
  readonly unit: string | null;
  readonly kind: ColumnKind;
}
/** A cell that was meant to be a number and is none. */
export interface OddCell {
  readonly row: number;
  readonly column: number;
  readonly text: string;
}
/** What was understood of a pasted table, before it is kept. */
export interface ReadTable {
  readonly columns: readonly ReadColumn[];
  /** numbers as they are used (4.2 % is 0.042); dates as days since 1970-01-01; null where there is none */
  readonly rows: readonly (readonly (number | null)[])[];
  readonly header: boolean;
  readonly decimal: DecimalSign;
  readonly odd: readonly OddCell[];
  readonly missing: number;
  readonly notes: readonly string[];
}
export type TableResult =
  { readonly ok: true; readonly table: ReadTable } | { readonly ok: false; readonly message: string };

/** Cells looked at to find out how numbers are written. */
const SAMPLE = 4000;
/** Odd cells told one by one. */
const MOST_ODD = 50;

type Lines = readonly (readonly string[])[];
type Row = (number | null)[];
/** How many cells of a column are what. */
interface Tally extends Record<Cell["kind"], number> {
  percent: number;
  readonly signs: Map<string, number>;
}
interface TextAt {
  readonly row: number;
  readonly column: number;
  readonly text: string;
}

const failure = (message: string): TableResult => ({ ok: false, message });

/** Reads the cells of a table: which row is the header, how numbers and dates are written, what each column is. */
export function readTable(cells: Lines, progress?: (done: number, all: number) => void): TableResult {
  const lines = cells.filter((row) => row.some((c) => c.trim() !== ""));
  if (lines.length === 0)
    return failure(
      "There is nothing in it. A table has a row for each reading, with its numbers parted " +
        "by tabs, commas or semicolons.",
    );
  const width = lines.reduce((m, row) => Math.max(m, trimmedLength(row)), 0);
  const sample = lines.slice(0, Math.ceil(SAMPLE / width)).flat();
  const { sign: decimal, sure } = decimalSign(sample);
  const dayFirst = daysComeFirst(sample);
  const read = (text: string) => readCell(text, decimal, dayFirst);
  const header = hasHeader(lines, width, read);
  const body = header ? lines.slice(1) : lines;
  if (body.length === 0) return failure("There is a header but no row of numbers under it.");
  const { rows, tallies, texts } = readRows(body, width, read, progress);
  const taken = new Set<string>();
  const columns = tallies.map((k, j) => columnOf(k, header ? (lines[0]![j] ?? "").trim() : "", j, rows, taken));
  // A date among numbers, or a number among dates, is as odd as a word.
  const odd = texts.filter((t) => columns[t.column]!.kind !== "text").slice(0, MOST_ODD);
  emptyTexts(columns, rows);
  const usable = columns.filter((c) => c.kind !== "text");
  if (usable.length === 0)
    return failure("No column of it has numbers. Words are not fitted; paste at least one column of numbers.");
  const missing = tallies.reduce((s, k, j) => s + (columns[j]!.kind === "text" ? 0 : k.empty), 0);
  const hasDates = columns.some((c) => c.kind === "date");
  const notes = [...decimalNotes(decimal, sure, sample), ...(hasDates ? dateNotes(dayFirst, sample) : [])];
  return { ok: true, table: { columns, rows, header, decimal, odd, missing, notes } };
}

/** A header has words where the rows have numbers; years across the top are one too when words stand beside them. */
function hasHeader(lines: Lines, width: number, read: (text: string) => Cell): boolean {
  const first = lines[0]!.slice(0, width).map(read);
  const second = lines[1]?.slice(0, width).map(read);
  const isValue = (c: Cell | undefined) => c?.kind === "number" || c?.kind === "date";
  return (
    first.some((c) => c.kind === "text") &&
    (!second || second.some((c, j) => isValue(c) && first[j]?.kind === "text") || !first.some(isValue))
  );
}

function readRows(
  body: Lines,
  width: number,
  read: (text: string) => Cell,
  progress: ((done: number, all: number) => void) | undefined,
): { rows: Row[]; tallies: Tally[]; texts: TextAt[] } {
  const empty = () => ({ number: 0, date: 0, text: 0, empty: 0, percent: 0, signs: new Map<string, number>() });
  const tallies: Tally[] = Array.from({ length: width }, empty);
  const texts: TextAt[] = [];
  const rows = body.map((line, i) => {
    if (i % 5000 === 0) progress?.(i, body.length);
    return tallies.map((k, j) => {
      const c = read(line[j] ?? "");
      k[c.kind]++;
      if (c.kind === "number" && c.percent) k.percent++;
      if (c.kind === "number" && c.sign) k.signs.set(c.sign, (k.signs.get(c.sign) ?? 0) + 1);
      if (c.kind === "text") texts.push({ row: i, column: j, text: line[j] ?? "" });
      return c.kind === "number" ? c.value : c.kind === "date" ? c.days : null;
    });
  });
  return { rows, tallies, texts };
}

function columnOf(k: Tally, title: string, j: number, rows: readonly Row[], taken: Set<string>): ReadColumn {
  const { words, unit: said } = headerParts(title);
  const isText = k.number === 0 || k.text > k.number;
  const isYears = () => looksLikeYears(rows, j, title);
  const kind: ColumnKind = k.date > k.number ? "date" : isText ? "text" : isYears() ? "year" : "number";
  const sign = [...k.signs].sort((a, b) => b[1] - a[1])[0]?.[0] ?? null;
  const shown = k.percent > k.number / 2 ? "%" : sign && k.signs.get(sign)! > k.number / 2 ? sign : null;
  const unit = kind === "number" ? (said ?? shown) : null;
  return { name: columnName(words, j, kind, taken), label: title, unit, kind };
}

/** A column of words holds no numbers, whatever stands among them. */
function emptyTexts(columns: readonly ReadColumn[], rows: readonly Row[]): void {
  for (const [j, c] of columns.entries()) if (c.kind === "text") for (const row of rows) row[j] = null;
}

function decimalNotes(decimal: DecimalSign, sure: boolean, sample: readonly string[]): string[] {
  if (decimal === ",") return ["Decimal commas: 1,5 is one and a half."];
  const hasGroups = !sure && sample.some((t) => /^\D*\d{1,3}(,\d{3})+\D*$/.test(t));
  if (hasGroups) return ["A comma parts thousands: 1,234 is one thousand two hundred thirty-four."];
  // Three digits behind every point may be thousands, as many write them.
  const pointed = sample.filter((t) => /\d\.\d/.test(t));
  const maybeGroups = pointed.length > 1 && pointed.every((t) => /^\D*[1-9]\d{0,2}\.\d{3}\D*$/.test(t));
  return maybeGroups ? ["A point is the sign of decimals: 1.234 is a little more than one."] : [];
}

function dateNotes(dayFirst: boolean, sample: readonly string[]): string[] {
  if (!sample.some((t) => /^\d{1,2}[/-]\d{1,2}[/-]\d{4}/.test(t.trim()))) return [];
  return [dayFirst ? "Dates are read with the day first." : "Dates are read with the month first."];
}

const trimmedLength = (row: readonly string[]): number => {
  let n = row.length;
  while (n > 0 && row[n - 1]!.trim() === "") n--;
  return n;
};
