import { NEARLY_WHOLE } from "../numeric";
import type { CaseFile, DataTable } from "../model";
import { countFrom, suggestCounting, type Counting } from "./counting";
import type { ReadTable } from "./readTable";

/** What becomes of a table that was read: the case with it. */
export interface Kept {
  readonly source: CaseFile;
  readonly name: string;
  readonly counting: Counting | null;
}

/**
 * Puts a read table into a case: dates and years are counted from their first, words are left out, and the counting
 * column becomes a variable.
 * @param title  what the person calls the data
 */
export function keepTable(table: ReadTable, title: string, source: CaseFile): Kept {
  const used = table.columns.map((c, j) => ({ c, j })).filter(({ c }) => c.kind !== "text");
  const dated = used.find(({ c }) => c.kind === "date" || c.kind === "year");
  const kind = dated?.c.kind as "date" | "year" | undefined;
  const values = dated ? table.rows.map((r) => r[dated.j]!) : [];
  const counting = dated
    ? suggestCounting(
        values.filter((v) => v !== null),
        kind!,
      )
    : null;
  const counted = dated ? countFrom(values, kind!, counting!) : [];
  const rows = table.rows.map((row, i) => used.map(({ c, j }) => (dated && c === dated.c ? counted[i]! : row[j]!)));
  const name = freeName(title, source);
  const data: DataTable = {
    name,
    columns: used.map(({ c }) => ({
      name: c.name,
      ...(dated && c === dated.c ? { unit: counting!.unit } : c.unit ? { unit: c.unit } : {}),
      ...(c.label && c.label !== c.name ? { label: c.label } : {}),
    })),
    rows,
  };
  const first = data.columns[0]!;
  const known =
    (source.variables ?? []).some((v) => v.name === first.name) ||
    (source.givens ?? []).some((g) => g.name === first.name) ||
    (source.functions ?? []).some((f) => f.name === first.name);
  const [from, to] = range(rows.map((r) => r[0]!));
  const variable = {
    name: first.name,
    ...(first.unit ? { unit: first.unit } : {}),
    ...(counting && used[0] === dated ? { since: counting.since } : {}),
    from,
    to,
    ...(first.label ? { label: first.label } : {}),
  };
  return {
    source: {
      ...source,
      data: [...(source.data ?? []), data],
      ...(known
        ? counting && used[0] === dated
          ? {
              variables: (source.variables ?? []).map((v) =>
                v.name === first.name ? { ...v, since: counting.since, unit: counting.unit } : v,
              ),
            }
          : {}
        : { variables: [...(source.variables ?? []), variable] }),
    },
    name,
    counting,
  };
}
export function freeName(title: string, source: CaseFile): string {
  const base =
    title
      .normalize("NFC")
      .replace(/[^\p{L}\p{Nd}]+/gu, " ")
      .trim() || "data";
  const taken = new Set((source.data ?? []).map((t) => t.name));
  for (let i = 1; ; i++) {
    const name = i === 1 ? base : `${base} ${i}`;
    if (!taken.has(name)) return name;
  }
}
/**
 * From the first row (or 0, where counting begins) to half a width beyond the last: what is asked about often lies a
 * little beyond.
 */
function range(values: readonly (number | null)[]): [number, number] {
  let [lo, hi] = [Infinity, -Infinity];
  for (const v of values)
    if (v !== null) {
      if (v < lo) lo = v;
      if (v > hi) hi = v;
    }
  if (!(hi > lo)) return Number.isFinite(lo) ? [lo, lo + 1] : [0, 10];
  const width = hi - lo;
  const step = 10 ** Math.floor(Math.log10(width / 5));
  const end = Math.ceil((hi + width / 2) / step - NEARLY_WHOLE) * step;
  const start = lo >= 0 && lo < width ? 0 : Math.floor(lo / step + NEARLY_WHOLE) * step;
  return [Number(start.toPrecision(12)), Number(end.toPrecision(12))];
}
