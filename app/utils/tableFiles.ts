import Papa from "papaparse";

/** A file that cannot be read as a table, in a plain sentence. */
export class TableFileError extends Error {}

/** Cells of a pasted text or of a CSV/TSV file; tabs, semicolons and commas are told apart. */
export function cellsOfText(text: string): string[][] {
  // A table copied from a page or a sheet comes with tabs; then commas belong to the numbers.
  const delimiter = /\t/.test(text) ? "\t" : semicolons(text) ? ";" : spaced(text) ? " " : ",";
  const source =
    delimiter === " "
      ? text
          .split(/\r?\n/)
          .map((l) => l.trim().replace(/\s+/g, " "))
          .join("\n")
      : text;
  return Papa.parse<string[]>(source, { delimiter, skipEmptyLines: "greedy" }).data;
}
const lines = (text: string) =>
  text
    .slice(0, 4000)
    .split(/\r?\n/)
    .filter((l) => l.trim());
const semicolons = (text: string) => {
  const l = lines(text);
  return l.length > 0 && l.every((s) => s.includes(";"));
};
/** Columns parted by spaces only: every line has them, and no commas but in numbers. */
const spaced = (text: string) => {
  const l = lines(text);
  return (
    l.length > 1 &&
    l.every((s) => /\S\s+\S/.test(s.trim()) && !/,\s/.test(s) && !/,/.test(s.replace(/\d,\d/g, ""))) &&
    !l.some((s) => /^\S+,\S+$/.test(s.trim()))
  );
};

/** Cells of a JSON file: a list of lists, a list of records, or a record of lists. */
export function cellsOfJson(text: string): string[][] {
  let data: unknown;
  try {
    data = JSON.parse(text);
  } catch (failure) {
    throw new TableFileError(
      `The file is no JSON: ${(failure as Error).message.replaceAll(/\s+/g, " ").replace(/\.$/, "")}.`,
    );
  }
  const cell = (v: unknown) =>
    v === null || v === undefined
      ? ""
      : typeof v === "object"
        ? JSON.stringify(v)
        : String(v as string | number | boolean);
  if (Array.isArray(data) && data.every(Array.isArray)) return (data as unknown[][]).map((row) => row.map(cell));
  if (Array.isArray(data) && data.every((r) => r && typeof r === "object")) {
    const keys = [...new Set((data as object[]).flatMap((r) => Object.keys(r)))];
    return [keys, ...(data as Record<string, unknown>[]).map((r) => keys.map((k) => cell(r[k])))];
  }
  if (data && typeof data === "object" && Object.values(data).every(Array.isArray)) {
    const columns = Object.entries(data as Record<string, unknown[]>);
    return [
      columns.map(([k]) => k),
      ...Array.from({ length: Math.max(0, ...columns.map(([, v]) => v.length)) }, (_, i) =>
        columns.map(([, v]) => cell(v[i])),
      ),
    ];
  }
  throw new TableFileError(
    "The JSON holds no table: a list of rows, a list of records, or a record of columns should stand there.",
  );
}

export async function cellsOfFile(file: File): Promise<string[][]> {
  const name = file.name.toLowerCase();
  if (name.endsWith(".xlsx")) {
    const { readSheet } = await import("read-excel-file/web-worker");
    const iso = (d: Date) => d.toISOString().slice(0, 10);
    try {
      return (await readSheet(file)).map((row) =>
        row.map((c) => (c === null || c === undefined ? "" : c instanceof Date ? iso(c) : String(c))),
      );
    } catch {
      throw new TableFileError(
        `“${file.name}” could not be read as a workbook; save it as .xlsx or .csv and try again.`,
      );
    }
  }
  if (name.endsWith(".xls") || name.endsWith(".ods"))
    throw new TableFileError(`“${file.name}” is of a kind that is not read; save it as .xlsx or .csv.`);
  const text = await file.text();
  const isBinary = text.includes("\u0000");
  if (isBinary) throw new TableFileError(`“${file.name}” is no text; CSV, TSV, XLSX and JSON are read.`);
  return name.endsWith(".json") ? cellsOfJson(text) : cellsOfText(text);
}
