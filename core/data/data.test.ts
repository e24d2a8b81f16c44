import { describe, expect, it } from "vitest";
import fc from "fast-check";
import { daysOf, sinceWords } from "../calendar";
import { buildModel, readingOf, type CaseFile } from "../model";
import { countFrom, keepTable, readCell, readDate, readTable, recounted, suggestCounting } from ".";

const table = (text: string) => {
  const r = readTable(text.split("\n").map((l) => l.split("|").map((c) => c.trim())));
  if (!r.ok) throw new Error(r.message);
  return r.table;
};
const value = (text: string, decimal: "." | "," = ".") => {
  const c = readCell(text, decimal, false);
  return c.kind === "number" ? c.value : c.kind;
};

describe("a cell", () => {
  it.each([
    ["1,234", 1234],
    ["1,234,567.5", 1234567.5],
    ["$6", 6],
    ["6 $", 6],
    ["€ 2.50", 2.5],
    ["USD 1,200", 1200],
    ["4.2 %", 0.042],
    ["4.2%", 0.042],
    ["(1,200)", -1200],
    ["−3", -3],
    ["-0.5", -0.5],
    ["1e-3", 0.001],
    ["12 345", 12345],
    ["12'345", 12345],
    [".5", 0.5],
    ["", "empty"],
    ["n/a", "empty"],
    ["–", "empty"],
    ["seven", "text"],
    ["1.2.3", "text"],
    ["12,5,1", "text"],
    ["2031-01-06", "date"],
    ["6.1.2031", "date"],
    ["6 Jan 2031", "date"],
  ] as const)("%s", (text, wanted) => {
    expect(value(text)).toBe(wanted);
  });
  it.each([
    ["1,5", 1.5],
    ["1.234,56", 1234.56],
    ["12 345,6", 12345.6],
    ["0,042", 0.042],
    ["1.234", 1234],
  ])("%s with decimal commas", (text, wanted) => {
    expect(value(text, ",")).toBe(wanted);
  });
  it("every number is read back as it was written, either way", () => {
    fc.assert(
      fc.property(
        fc.double({ min: -1e9, max: 1e9, noNaN: true }).map((v) => Number(v.toFixed(4))),
        (v) => {
          expect(value(v.toLocaleString("en-US", { maximumFractionDigits: 4 }))).toBe(v === 0 ? 0 : v);
          expect(value(v.toLocaleString("de-DE", { maximumFractionDigits: 4 }), ",")).toBe(v === 0 ? 0 : v);
        },
      ),
    );
  });
  it("dates by the calendar", () => {
    expect(readDate("2031-02-28", false)).toBe(daysOf(2031, 2, 28));
    expect(readDate("3/4/2031", true)).toBe(daysOf(2031, 4, 3));
    expect(readDate("3/4/2031", false)).toBe(daysOf(2031, 3, 4));
    expect(readDate("January 6, 2031", false)).toBe(daysOf(2031, 1, 6));
    expect(readDate("6 Sept 2031", false)).toBe(daysOf(2031, 9, 6));
    // Days that no calendar has are no dates, and never the ones after them.
    for (const none of ["2031-02-31", "31.2.2031", "29 February 2031", "2/30/2032", "31 Apr 2031", "6 Marsh 2031"])
      expect(readDate(none, false), none).toBeNull();
    expect(readDate("13/13/2031", true)).toBeNull();
  });
});

describe("a messy table", () => {
  const t = table(
    "price [$/lantern] | sold | share\n$6,00 | 240 | 4,2 %\n$9,00 | 150 | 5,1 %\n$10,50 " +
      "| | 6,0 %\n$12,00 | many | 7,5 %",
  );
  it("header, units, decimal commas, money, percent, a missing cell and a word", () => {
    expect(t.header).toBe(true);
    expect(t.decimal).toBe(",");
    expect(t.columns).toMatchObject([
      { name: "price", unit: "$/lantern", kind: "number" },
      { name: "sold", unit: null },
      { name: "share", unit: "%" },
    ]);
    expect(t.rows).toEqual([
      [6, 240, 0.042],
      [9, 150, 0.051],
      [10.5, null, 0.06],
      [12, null, 0.075],
    ]);
    expect(t.odd).toEqual([{ row: 3, column: 1, text: "many" }]);
    expect(t.missing).toBe(1);
    expect(t.notes[0]).toMatch(/Decimal commas/);
  });
  it.each([
    ["1.234 | 1\n12.345 | 2", ["A point is the sign of decimals: 1.234 is a little more than one."]],
    ["1.234 | 1\n12.3 | 2", []],
    ["0.234 | 1\n0.345 | 2", []],
    ["1,234 | 1\n12,345 | 2", ["A comma parts thousands: 1,234 is one thousand two hundred thirty-four."]],
  ])("%j: where a sign may part thousands, it is told how it is read", (text, notes) =>
    expect(table(text).notes).toEqual(notes),
  );
  it("without a header; words in a column are no numbers", () => {
    const plain = table("1 | 2\n3 | 4");
    expect(plain).toMatchObject({ header: false, columns: [{ name: "x" }, { name: "y" }] });
    expect(table("town | people\nUp | 3\nDown | 5").columns.map((c) => c.kind)).toEqual(["text", "number"]);
  });
  it.each([
    ["", /nothing in it/],
    ["a|b", /no row of numbers/],
    ["a|b\nc|d", /No column of it has numbers/],
  ])("%j is refused with a reason", (text, message) => {
    const r = readTable(text.split("\n").map((l) => l.split("|")));
    expect(r.ok ? "" : r.message).toMatch(message);
  });
  it("money without a header gives the unit", () => {
    expect(table("t | cost\n0 | $12\n1 | $15").columns[1]).toMatchObject({ unit: "$" });
  });
});

describe("counting from", () => {
  it("years", () => {
    const t = table("year | visitors\n2024 | 5\n2025 | 7\n2027 | 9");
    expect(t.columns[0]!.kind).toBe("year");
    const kept = keepTable(t, "Visitors of the bridge", { format: "pasear-case", version: 1, title: "T" });
    // The gap stays a gap.
    expect(kept.source.data![0]).toMatchObject({
      name: "Visitors of the bridge",
      columns: [{ name: "t", unit: "year" }, { name: "visitors" }],
      rows: [
        [0, 5],
        [1, 7],
        [3, 9],
      ],
    });
    expect(kept.source.variables).toMatchObject([{ name: "t", unit: "year", since: "2024", from: 0 }]);
    expect(buildModel(kept.source).errors).toEqual([]);
  });
  it.each([
    [["2031-01-06", "2031-01-13", "2031-01-27"], "week", [0, 1, 3]],
    [["2031-01-31", "2031-02-28", "2031-03-31"], "day", [0, 28, 59]],
    [["2031-01-05", "2031-02-05", "2031-04-05"], "month", [0, 1, 3]],
    [["2030-06-01", "2031-06-01", "2033-06-01"], "year", [0, 1, 3]],
    [["2031-01-06", "2031-01-08"], "day", [0, 2]],
  ] as const)("%j in %ss", (dates, unit, counts) => {
    const days = dates.map((d) => readDate(d, false)!);
    const counting = suggestCounting(days, "date");
    expect(counting).toEqual({ unit, since: dates[0] });
    expect(countFrom(days, "date", counting)).toEqual(counts);
  });
  it("a count reads back as its date, and can be counted otherwise", () => {
    const weeks = { unit: "week", since: "2031-01-06" } as const;
    const days = recounted([0, 1, 5], weeks, { unit: "day", since: "2031-01-01" });
    expect(days).toEqual([5, 12, 40]);
    expect(recounted(days, { unit: "day", since: "2031-01-01" }, weeks)).toEqual([0, 1, 5]);
    expect(recounted([0, 3], { unit: "year", since: "2024" }, { unit: "year", since: "2020" })).toEqual([4, 7]);
    const model = buildModel({
      format: "pasear-case",
      version: 1,
      title: "T",
      variables: [{ name: "t", unit: "week", since: "2031-01-06" }],
    } as CaseFile);
    expect(readingOf(5, model.variables.get("t")!)).toBe("10 February 2031");
    expect(sinceWords("2031-01-06")).toBe("6 January 2031");
  });
  it("months by the calendar, both ways", () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 2000 }), (d) => {
        const start = daysOf(2031, 1, 15);
        const c = { unit: "month", since: "2031-01-15" } as const;
        const [t] = countFrom([start + d], "date", c);
        expect(recounted([t!], c, { unit: "day", since: "2031-01-15" })).toEqual([d]);
      }),
    );
  });
});
