import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { listedInputs, steppedInputs, tableCells, valueOrWhy, valueTable, withOpened } from "#core/graph";
import { buildModel, type CaseFile } from "#core/model";
import { ratio, toDouble, type Rational } from "#core/numeric";

describe("the table of values", () => {
  const model = buildModel(JSON.parse(readFileSync("demo/lantern-stall.pasear.json", "utf8")) as CaseFile);
  const at = (text: string) => listedInputs(text, model);
  it("steps are exact: no 0.30000000000000004", () =>
    expect(steppedInputs(ratio(0), ratio(1), ratio(1, 10)).map((r) => toDouble(r))).toEqual([
      0, 0.1, 0.2, 0.3, 0.4, 0.5, 0.6, 0.7, 0.8, 0.9, 1,
    ]));
  it("inputs of one’s own: numbers, fractions, givens; the first wrong one is told", () => {
    expect(at("1; 7/3; M\n0.5 2 3/4").inputs.map((r) => r.toFraction())).toEqual([
      "1",
      "7/3",
      "320",
      "1/2",
      "2",
      "3/4",
    ]);
    expect(at("1; x2; 3")).toMatchObject({ wrong: "x2" });
  });
  it("the place between two rows is opened in tenths, and once more within them", () => {
    const whole = [0, 1, 2].map((n) => ratio(n));
    const text = (rows: readonly Rational[]) => rows.map((r) => r.toFraction());
    expect(text(withOpened(whole, [ratio(1)], false))).toEqual([
      "0",
      "1",
      "11/10",
      "6/5",
      "13/10",
      "7/5",
      "3/2",
      "8/5",
      "17/10",
      "9/5",
      "19/10",
      "2",
    ]);
    const finer = withOpened(whole, [ratio(1), ratio(3, 2)], false);
    expect(finer).toHaveLength(21);
    expect(text(finer.slice(7, 9))).toEqual(["151/100", "38/25"]);
    // What is counted has whole rows in between, and at neighbours none.
    expect(
      text(
        withOpened(
          [0, 16, 17].map((n) => ratio(n)),
          [ratio(0), ratio(16)],
          true,
        ),
      ),
    ).toEqual(["0", "2", "4", "6", "8", "10", "12", "14", "16", "17"]);
    // A row that is not there any more opens nothing; the last has no next.
    expect(withOpened(whole, [ratio(7), ratio(2)], false)).toHaveLength(3);
  });
  it("where no value can be written it is told why, and that there is none only where that is proven", () => {
    const text = { r: "1/x", h: "exp(800 x)", d: "sqrt(sin(x)^2 + cos(x)^2 - 1)" };
    const odd = buildModel({
      format: "pasear-case",
      version: 1,
      title: "Odd values",
      variables: [{ name: "x", from: 0, to: 9 }],
      functions: Object.entries(text).map(([name, t]) => ({ name, of: "x", by: { kind: "formula", text: t } })),
    });
    const rows = valueTable(odd, ["r", "h", "d"], [ratio(0), ratio(1)]);
    expect(rows.map((r) => r.missing)).toEqual([
      ["no value", null, null],
      [null, "too large", "not settled"],
    ]);
    expect(rows[0]!.values).toEqual([null, 1, 0]);
    // Beside e^800, or a value that could not be told, the others are not called the greatest.
    expect(rows.map((r) => r.greatest)).toEqual([
      [false, false, false],
      [true, false, false],
    ]);
    expect(rows[1]!.values).toEqual([1, null, null]);
    expect([valueOrWhy(odd, "r", ratio(0)), valueOrWhy(odd, "r", ratio(4))]).toEqual(["no value", 0.25]);
  });
  it("greatest rows and changes of sign are marked", () => {
    const rows = valueTable(
      model,
      ["P", "p"],
      [16, 17, 172, 173, 400].map((n) => ratio(n)),
    );
    expect(rows.map((r) => r.changes[0])).toEqual([true, false, false, true, false]);
    expect(rows.map((r) => r.greatest[0])).toEqual([false, false, true, true, false]);
    expect(tableCells(["q", "P ($)"], rows.slice(0, 1), [false, false])[0]).toEqual(["q", "P ($)"]);
    expect(tableCells(["r (%)", "A"], [{ ...rows[0]!, input: 0.07, values: [3, null] }], [true, false])[1]).toEqual([
      7,
      3,
      null,
    ]);
  });
});
