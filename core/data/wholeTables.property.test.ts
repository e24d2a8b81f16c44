import { describe, expect, it } from "vitest";
import fc from "fast-check";
import { buildModel, rowsOf, type CaseFile } from "../model";
import { keepTable, readTable } from "./index";

// A whole table as a program of some office would write it, in either way of writing numbers, read and kept: nothing is
// lost, nothing is made up.
type Column = {
  name: string;
  unit: string | null;
  write: (v: number, comma: boolean) => string;
  value: (v: number) => number;
};
const point = (v: number, comma: boolean) => (comma ? String(v).replace(".", ",") : String(v));
const grouped = (v: number, comma: boolean) => {
  const [whole, rest] = String(Math.abs(v)).split(".");
  return (
    (v < 0 ? "-" : "") +
    whole!.replace(/\B(?=(\d{3})+$)/g, comma ? "." : ",") +
    (rest ? (comma ? "," : ".") + rest : "")
  );
};
const COLUMNS: readonly Column[] = [
  { name: "length", unit: "m", write: point, value: (v) => v },
  { name: "people", unit: "person", write: (v, c) => grouped(Math.round(v), c), value: Math.round },
  { name: "cost", unit: "$", write: (v, c) => `$${grouped(v, c)}`, value: (v) => v },
  { name: "share", unit: "%", write: (v, c) => `${point(v, c)} %`, value: (v) => v / 100 },
  { name: "level", unit: null, write: point, value: (v) => v },
];
const value = fc
  .integer({ min: 1, max: 9_999_999 })
  .map((n) => n / 100)
  .filter((v) => !Number.isInteger(v));
const written = fc
  .record({
    comma: fc.boolean(),
    columns: fc.shuffledSubarray([...COLUMNS], { minLength: 1, maxLength: 4 }),
    rows: fc.array(fc.array(fc.option(value, { freq: 6 }), { minLength: 4, maxLength: 4 }), {
      minLength: 2,
      maxLength: 12,
    }),
  })
  .map(({ comma, columns, rows }) => {
    // The first column has all its cells: it is what the others are read over.
    const all = [{ name: "q", unit: "kg", write: point, value: (v: number) => v } satisfies Column, ...columns];
    const numbers = rows.map((row, i) => all.map((_, j) => (j === 0 ? i + 0.25 : (row[j - 1] ?? null))));
    const head = all.map((c) => (c.unit ? `${c.name} [${c.unit}]` : c.name));
    return {
      comma,
      all,
      numbers,
      cells: [head, ...numbers.map((row) => row.map((v, j) => (v === null ? "" : all[j]!.write(v, comma))))],
    };
  });
const near = (a: number | null, b: number | null) =>
  a === null || b === null ? a === b : Math.abs(a - b) <= 1e-12 * Math.max(1, Math.abs(b));

describe("a whole table", () => {
  it("is read as it was written: names, units, every number, every gap", () =>
    fc.assert(
      fc.property(written, ({ comma, all, numbers, cells }) => {
        const r = readTable(cells);
        if (!r.ok) throw new Error(r.message);
        expect([r.table.header, r.table.decimal, r.table.odd]).toEqual([true, comma ? "," : ".", []]);
        r.table.rows.forEach((row, i) => {
          row.forEach((v, j) => {
            const wanted = numbers[i]![j];
            expect(near(v, wanted == null ? null : all[j]!.value(wanted)), `${cells[i + 1]![j]} read as ${v}`).toBe(
              true,
            );
          });
        });
        expect(r.table.rows).toHaveLength(numbers.length);
        r.table.columns.forEach((c, j) => {
          if (numbers.some((row) => row[j] !== null)) expect([c.kind, c.unit]).toEqual(["number", all[j]!.unit]);
        });
        // A column without a single number has no gaps: it is no column of numbers.
        const columns = all
          .map((_, j) => numbers.map((row) => row[j] ?? null))
          .filter((c) => c.some((v) => v !== null));
        expect(r.table.missing).toBe(columns.flat().filter((v) => v === null).length);
      }),
      { numRuns: 300 },
    ));
  it("is kept in the case with a variable over all its inputs, and the model it makes has no fault", () =>
    fc.assert(
      fc.property(written, ({ all, numbers, cells }) => {
        const r = readTable(cells);
        if (!r.ok) throw new Error(r.message);
        const empty: CaseFile = { format: "pasear-case", version: 1, title: "T" };
        const kept = keepTable(r.table, "Counts of May", empty);
        const table = kept.source.data![0]!;
        expect([table.name, table.rows.length, kept.counting]).toEqual(["Counts of May", numbers.length, null]);
        const v = kept.source.variables![0]!;
        expect(v).toMatchObject({ name: "q", unit: "kg" });
        for (const row of numbers) expect(row[0]! >= Number(v.from) && row[0]! <= Number(v.to)).toBe(true);
        expect(buildModel(kept.source).errors).toEqual([]);
        // Every pair of columns has the rows in which both have a number, and counts the others.
        for (const c of table.columns.slice(1)) {
          const j = all.findIndex((k) => k.name === c.name || c.label === k.name);
          if (j < 0) continue;
          const pairs = rowsOf({ x: "q", y: c.name }, table);
          expect([pairs.x.length, pairs.skipped]).toEqual([
            numbers.filter((row) => row[j] !== null).length,
            numbers.filter((row) => row[j] === null).length,
          ]);
        }
        // A second table of one name gets another, and the first is left alone.
        const again = keepTable(r.table, "Counts of May", kept.source);
        expect(again.source.data!.map((t) => t.name)).toEqual(["Counts of May", "Counts of May 2"]);
        expect(again.source.data![0]).toEqual(table);
        expect(again.source.variables).toEqual(kept.source.variables);
      }),
      { numRuns: 200 },
    ));
  it("in the other way of writing numbers is the same table", () =>
    fc.assert(
      fc.property(written, ({ comma, all, numbers, cells }) => {
        const other = [
          cells[0]!,
          ...numbers.map((row) => row.map((v, j) => (v === null ? "" : all[j]!.write(v, !comma)))),
        ];
        const [one, two] = [readTable(cells), readTable(other)];
        if (!one.ok || !two.ok) throw new Error("not read");
        expect(two.table.rows).toEqual(one.table.rows);
        expect(two.table.columns).toEqual(one.table.columns);
      }),
      { numRuns: 200 },
    ));
});
