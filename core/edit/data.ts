import type { CaseFile, DataTable, FunctionBy } from "../model";
import {
  keepTable,
  recounted,
  withModel,
  withPieces,
  type Counting,
  type Model,
  type Owner,
  type ReadTable,
  type RowRange,
  type Source,
} from "../data";
import { putForm, type Form } from "../forms";
import { changedRow, named, way, withField } from "./way";

type Row = (number | null)[];

const withTable = (source: CaseFile, name: string, to: (table: DataTable) => DataTable): CaseFile => ({
  ...source,
  data: changedRow(source.data, named(name), to),
});
const withFits = (source: CaseFile, data: string, to: (by: FunctionBy & { kind: "fit" }) => FunctionBy): CaseFile => ({
  ...source,
  ...(source.functions
    ? {
        functions: source.functions.map((f) =>
          f.by.kind === "fit" && f.by.data === data ? { ...f, by: to(f.by) } : f,
        ),
      }
    : {}),
});

/** Cells written from one place on, in as many rows as that takes; empty rows at the end go. */
function written({ rows, columns }: DataTable, row: number, column: number, cells: readonly Row[]): Row[] {
  const height = Math.max(rows.length, row + cells.length);
  const out = Array.from({ length: height }, (_, i): Row => {
    const own = cells[i - row];
    // A row that is not written to stays itself: it is not compared, sent or drawn anew.
    if (!own && rows[i]) return rows[i];
    return columns.map((_c, j) => {
      const cell = own?.[j - column];
      return cell === undefined ? (rows[i]?.[j] ?? null) : cell;
    });
  });
  while (out.length > 0 && out.at(-1)!.every((v) => v === null)) out.pop();
  return out;
}

export const dataEdits = {
  writeCell: way<{ table: string; row: number; column: number; value: number | null }>({
    says: (p) => `change a row of ${p.table}`,
    apply: (source, { table, row, column, value }) =>
      withTable(source, table, (t) => {
        if (row >= t.rows.length || value === null) return { ...t, rows: written(t, row, column, [[value]]) };
        const rows = [...t.rows];
        rows[row] = rows[row]!.map((v, j) => (j === column ? value : v));
        return { ...t, rows };
      }),
  }),
  pasteRows: way<{ table: string; row: number; column: number; cells: readonly Row[] }>({
    says: (p) => `paste ${p.cells.length} rows`,
    apply: (source, { table, row, column, cells }) =>
      withTable(source, table, (t) => ({ ...t, rows: written(t, row, column, cells) })),
  }),
  useRow: way<{ table: string; row: number }>({
    says: (p) => `use row ${p.row + 1} again`,
    apply: (source, { table, row }) =>
      withTable(source, table, (t) => {
        const left = (t.left ?? []).filter((l) => l.row !== row);
        return withField(t, "left", left.length > 0 ? left : undefined);
      }),
  }),
  leaveRow: way<{ table: string; row: number; reason: string }>({
    says: (p) => `leave out row ${p.row + 1}`,
    apply: (source, { table, row, reason }) =>
      withTable(source, table, (t) => ({
        ...t,
        left: [...(t.left ?? []), { row, ...(reason.trim() ? { reason: reason.trim() } : {}) }],
      })),
  }),
  beginTable: way<{ name: string; columns: readonly [string, string] }>({
    says: () => "begin a table",
    apply: (source, { name, columns }) => ({
      ...source,
      data: [...(source.data ?? []), { name, columns: columns.map((c) => ({ name: c })), rows: [] }],
    }),
  }),
  /** Data from elsewhere, read; `name` is what `keepTable` calls it. */
  addTable: way<{ read: ReadTable; title: string; name: string }>({
    says: (p) => `add the data ${p.name}`,
    apply: (source, { read, title }) => keepTable(read, title, source).source,
  }),
  renameTable: way<{ from: string; to: string }>({
    says: () => "rename the data",
    apply: (source, { from, to }) =>
      withFits(
        withTable(source, from, (t) => ({ ...t, name: to })),
        from,
        (by) => ({ ...by, data: to }),
      ),
  }),
  /** A column's name and unit; what is fitted to it follows. */
  setColumn: way<{ table: string; from: string; name: string; unit: string | undefined }>({
    says: () => "rename a column",
    apply(source, { table, from, name, unit }) {
      const after = withTable(source, table, (t) => ({
        ...t,
        columns: changedRow(t.columns, named(from), (c) => withField({ ...c, name }, "unit", unit)),
      }));
      const called = (column: string) => (column === from ? name : column);
      return withFits(after, table, (by) => ({ ...by, x: called(by.x), y: called(by.y) }));
    },
  }),
  /** Counts a column of dates in another unit, or from another day; its variable has room beyond the last. */
  recount: way<{ table: string; column: string; from: Counting; to: Counting }>({
    says: (p) => `count ${p.column} in ${p.to.unit}s since ${p.to.since}`,
    apply(source, { table, column, from, to }) {
      const j = source.data?.find(named(table))?.columns.findIndex(named(column)) ?? -1;
      const rows = source.data?.find(named(table))?.rows ?? [];
      const values = recounted(
        rows.map((r) => r[j] ?? null),
        from,
        to,
      );
      const known = values.filter((v) => v !== null);
      const lo = known.reduce((m, v) => Math.min(m, v), Infinity);
      const hi = known.reduce((m, v) => Math.max(m, v), -Infinity);
      const after = withTable(source, table, (t) => ({
        ...t,
        columns: changedRow(t.columns, named(column), (c) => ({ ...c, unit: to.unit })),
        rows: t.rows.map((r, i) => r.map((v, k) => (k === j ? values[i]! : v))),
      }));
      return {
        ...after,
        variables: changedRow(after.variables, named(column), (v) => ({
          ...v,
          unit: to.unit,
          since: to.since,
          from: Math.min(0, lo),
          to: Number((hi + (hi - lo) / 2).toPrecision(4)),
        })),
      };
    },
  }),
  /** A fitted model becomes a function of the case. */
  useModel: way<{ from: Source; model: Model; name: string; rows?: RowRange | undefined; side?: string | undefined }>({
    says: (p) => `use the ${p.side ? `${p.side} side` : `${p.model.family} model`} as ${p.name}`,
    apply: (source, { from, model, name, rows }) => withModel(source, from, model, name, rows).source,
  }),
  /** Several models, each on its stretch of the data, become one function in pieces. */
  usePieces: way<{
    from: Source;
    models: readonly Model[];
    breaks: readonly number[];
    owner: Owner;
    name: string;
  }>({
    says: (p) => `split ${p.from.table.name} at ${p.breaks.join(" and ")}`,
    apply: (source, { from, models, breaks, owner, name }) =>
      withPieces(source, from, models, breaks, owner, name).source,
  }),
  putForm: way<{ form: Form }>({
    says: (p) => `put the form “${p.form.title}” on the desk`,
    apply: (source, { form }) => putForm(source, form).document,
  }),
};
