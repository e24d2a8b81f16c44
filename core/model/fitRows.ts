import type { DataTable, FunctionBy } from "./case";

export type FitBy = FunctionBy & { kind: "fit" };

/** Rows of two columns that a fit uses. */
export interface DataRows {
  readonly x: number[];
  readonly y: number[];
  /** places in the table */
  readonly at: number[];
  readonly skipped: number;
}

/** The rows of two columns, without those that lack a number, lie outside `rows`, or were left out. */
export function rowsOf(by: Pick<FitBy, "x" | "y" | "rows">, table: DataTable): DataRows {
  const [i, j] = [table.columns.findIndex((c) => c.name === by.x), table.columns.findIndex((c) => c.name === by.y)];
  const left = new Set((table.left ?? []).map((l) => l.row));
  const out: DataRows & { skipped: number } = { x: [], y: [], at: [], skipped: 0 };
  table.rows.forEach((row, r) => {
    const [x, y] = [row[i] ?? null, row[j] ?? null];
    if (
      x === null ||
      y === null ||
      left.has(r) ||
      (by.rows?.from !== undefined && x < by.rows.from) ||
      (by.rows?.to !== undefined && x > by.rows.to)
    ) {
      out.skipped++;
      return;
    }
    out.x.push(x);
    out.y.push(y);
    out.at.push(r);
  });
  return out;
}
