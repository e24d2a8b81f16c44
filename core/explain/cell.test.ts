import { describe, expect, it } from "vitest";
import { blockRead, cellRead, cellShown, cellTyped } from ".";

describe("a cell of a table", () => {
  it.each([
    [1234.5, undefined, "1,234.5", "1234.5"],
    [0.0415, "%", "4.15 %", "4.15 %"],
    [0.29, "%/year", "29 %", "29 %"],
    [null, "%", "", ""],
    [undefined, undefined, "", ""],
  ])("%s in %s is shown and typed", (value, unit, shown, typed) => {
    expect([cellShown(value, unit), cellTyped(value, unit)]).toEqual([shown, typed]);
  });
  it.each([
    ["1,234.5", undefined, 1234.5],
    [" 7 ", undefined, 7],
    ["", undefined, null],
    ["n/a", undefined, null],
    ["4.15", "%", 0.0415],
    ["4.15 %", "%", 0.0415],
    ["29%", undefined, 0.29],
    ["$12.50", "$", 12.5],
  ])("%j in %s is read", (text, unit, value) => {
    expect(cellRead(text, unit)).toEqual({ ok: true, value });
  });
  it("what is typed comes back as it was, to the last digit kept", () => {
    for (const value of [0.1, 1 / 3, -2e-7, 123456.789])
      for (const unit of ["%", undefined])
        expect(cellRead(cellTyped(value, unit), unit)).toMatchObject({ ok: true, value: expect.closeTo(value, 12) });
  });
  it("what is no number is told as it was written", () => {
    expect(cellRead(" six ", undefined)).toMatchObject({ ok: false, message: expect.stringContaining("“six”") });
    expect(cellRead("3 May 2021", undefined)).toMatchObject({ ok: false });
  });
});

describe("a block that is pasted", () => {
  it("is read by lines and tabs, with empty cells", () => {
    expect(blockRead("1\t2\r\n\t4.5\n\n")).toEqual({
      cells: [
        [1, 2],
        [null, 4.5],
      ],
    });
  });
  it("one cell is no block, and words are refused as a whole", () => {
    expect(blockRead("12")).toBeNull();
    expect(blockRead("")).toBeNull();
    expect(blockRead("day\tcount\n1\t2")).toMatchObject({ message: expect.stringContaining("no numbers") });
  });
});
