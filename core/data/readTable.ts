import { RESERVED } from "../formula";
import { parseUnit } from "../units";
import { daysComeFirst, decimalSign, readCell, type Cell, type DecimalSign } from "./cells";

export type ColumnKind = "number" | "date" | "year" | "text";
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

/** Reads the cells of a table: which row is the header, how numbers and dates are written, what each column is. */
export function readTable(
  cells: readonly (readonly string[])[],
  progress?: (done: number, all: number) => void,
): TableResult {
  const lines = cells.filter((row) => row.some((c) => c.trim() !== ""));
  if (lines.length === 0)
    return {
      ok: false,
      message:
        "There is nothing in it. A table has a row for each reading, with its numbers parted " +
        "by tabs, commas or semicolons.",
    };
  const width = lines.reduce((m, row) => Math.max(m, trimmedLength(row)), 0);
  const sample = lines.slice(0, Math.ceil(SAMPLE / width)).flat();
  const { sign: decimal, sure } = decimalSign(sample);
  const dayFirst = daysComeFirst(sample);
  const read = (text: string) => readCell(text, decimal, dayFirst);
  const first = lines[0]!.slice(0, width).map(read);
  const second = lines[1]?.slice(0, width).map(read);
  const isValue = (c: Cell | undefined) => c?.kind === "number" || c?.kind === "date";
  // A header has words where the rows have numbers; years across the top are one too when words stand beside them.
  const header =
    first.some((c) => c.kind === "text") &&
    (!second || second.some((c, j) => isValue(c) && first[j]?.kind === "text") || !first.some(isValue));
  const body = header ? lines.slice(1) : lines;
  if (body.length === 0) return { ok: false, message: "There is a header but no row of numbers under it." };
  const kinds = Array.from({ length: width }, () => ({
    number: 0,
    date: 0,
    text: 0,
    empty: 0,
    percent: 0,
    signs: new Map<string, number>(),
  }));
  const rows: (number | null)[][] = [];
  const texts: { row: number; column: number; text: string }[] = [];
  body.forEach((line, i) => {
    if (progress && i % 5000 === 0) progress(i, body.length);
    const row: (number | null)[] = [];
    for (let j = 0; j < width; j++) {
      const c = read(line[j] ?? "");
      const k = kinds[j]!;
      k[c.kind]++;
      if (c.kind === "number") {
        if (c.percent) k.percent++;
        if (c.sign) k.signs.set(c.sign, (k.signs.get(c.sign) ?? 0) + 1);
      }
      if (c.kind === "text") texts.push({ row: i, column: j, text: line[j] ?? "" });
      row.push(c.kind === "number" ? c.value : c.kind === "date" ? c.days : null);
    }
    rows.push(row);
  });
  const taken = new Set<string>();
  const columns = kinds.map((k, j): ReadColumn => {
    const title = header ? (lines[0]![j] ?? "").trim() : "";
    const { words, unit: said } = headerParts(title);
    const kind: ColumnKind =
      k.date > k.number
        ? "date"
        : k.number === 0 || k.text > k.number
          ? "text"
          : looksLikeYears(rows, j, title)
            ? "year"
            : "number";
    const sign = [...k.signs].sort((a, b) => b[1] - a[1])[0]?.[0] ?? null;
    const unit =
      said ??
      (k.percent > k.number / 2
        ? "%"
        : sign && k.signs.get(sign)! > k.number / 2
          ? sign.length === 1
            ? sign
            : sign
          : null);
    return { name: columnName(words, j, kind, taken), label: title, unit: kind === "number" ? unit : null, kind };
  });
  // A date among numbers, or a number among dates, is as odd as a word.
  const odd: OddCell[] = texts.filter((t) => columns[t.column]!.kind !== "text").slice(0, MOST_ODD);
  for (const [j, c] of columns.entries())
    if (c.kind === "text")
      rows.forEach((row) => {
        row[j] = null;
      });
  const usable = columns.filter((c) => c.kind !== "text");
  if (usable.length === 0)
    return {
      ok: false,
      message: "No column of it has numbers. Words are not fitted; paste at least one column of numbers.",
    };
  const notes: string[] = [];
  if (decimal === ",") notes.push("Decimal commas: 1,5 is one and a half.");
  else if (!sure && sample.some((t) => /^\D*\d{1,3}(,\d{3})+\D*$/.test(t)))
    notes.push("A comma parts thousands: 1,234 is one thousand two hundred thirty-four.");
  if (columns.some((c) => c.kind === "date") && sample.some((t) => /^\d{1,2}[/-]\d{1,2}[/-]\d{4}/.test(t.trim())))
    notes.push(dayFirst ? "Dates are read with the day first." : "Dates are read with the month first.");
  return {
    ok: true,
    table: {
      columns,
      rows,
      header,
      decimal,
      odd,
      missing: kinds.reduce((s, k, j) => s + (columns[j]!.kind === "text" ? 0 : k.empty), 0),
      notes,
    },
  };
}
const trimmedLength = (row: readonly string[]): number => {
  let n = row.length;
  while (n > 0 && row[n - 1]!.trim() === "") n--;
  return n;
};

/** `price [$/lantern]`, `t, weeks`, `people (persons)`: words and unit. */
function headerParts(title: string): { words: string; unit: string | null } {
  const m =
    /^(.*?)\s*[([]([^()[\]]+)[)\]]\s*$/.exec(title) ??
    /^([^,]+),\s*(\S+)$/.exec(title) ??
    /^(.+?)\s+in\s+(\S+)$/i.exec(title);
  const unit = m && parseUnit(m[2]!.trim()).unit ? m[2]!.trim() : null;
  return { words: unit ? m![1]!.trim() : title, unit };
}

/** A name for formulas: the header's letters where they make one, else a letter by place. */
function columnName(words: string, index: number, kind: ColumnKind, taken: Set<string>): string {
  const letters = words
    .normalize("NFC")
    .replace(/[^\p{L}\p{Nd}]+/gu, "_")
    .replace(/^[_\p{Nd}]+|_+$/gu, "")
    .slice(0, 24);
  const base =
    kind === "date" || kind === "year"
      ? "t"
      : letters && !RESERVED.has(letters)
        ? letters
        : (["x", "y", "z", "u", "v", "w"][index] ?? `c_${index + 1}`);
  let name = base;
  for (let i = 2; taken.has(name); i++) name = `${base}_${i}`;
  taken.add(name);
  return name;
}

function looksLikeYears(rows: readonly (readonly (number | null)[])[], j: number, title: string): boolean {
  const values = rows.map((r) => r[j]).filter((v): v is number => v !== null);
  const inside = values.every((v) => Number.isInteger(v) && v >= 1500 && v <= 2200);
  return (
    inside &&
    values.length > 0 &&
    (/\b(year|date|season)s?\b/i.test(title) ||
      (j === 0 &&
        values.length > 2 &&
        values.every((v, i) => i === 0 || v > values[i - 1]!) &&
        values[values.length - 1]! - values[0]! < 400))
  );
}
