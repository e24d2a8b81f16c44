import { saidOf as sentenceOf, analysed as analyse } from "./full.fixture";
import { describe, expect, it } from "vitest";
import type { CaseFile, FunctionRow } from "../model";

const followers: CaseFile = {
  format: "pasear-case",
  version: 1,
  title: "T",
  variables: [{ name: "t", unit: "week", from: 0, to: 20, since: "2031-01-06" }],
  data: [
    {
      name: "followers",
      columns: [
        { name: "t", unit: "week" },
        { name: "people", unit: "person" },
      ],
      rows: [
        [0, 71],
        [1, 117],
        [2, 233],
        [3, 387],
        [4, 710],
        [5, 1142],
        [6, 1844],
        [7, 2552],
        [8, 3399],
        [9, 4009],
        [10, null],
      ],
    },
  ],
};
const fitted = (by: object, extra: Partial<CaseFile> = {}, row: Partial<FunctionRow> = {}) =>
  analyse({
    ...followers,
    functions: [
      {
        name: "N",
        of: "t",
        by: { kind: "fit", data: "followers", x: "t", y: "people", ...by } as FunctionRow["by"],
        ...row,
      },
    ],
    ...extra,
  });

describe("a function fitted to data", () => {
  it("takes all digits, the unit of its column, and leaves out rows without a number", () => {
    const { model } = fitted({ model: "logistic" });
    expect(model.errors).toEqual([]);
    expect(model.fits.get("N")).toMatchObject({ skipped: 1, from: 0, to: 9 });
    const [L, k, m] = model.fits.get("N")!.fit.constants.map((c) => c.value);
    expect(model.functions.get("N")).toMatchObject({
      text: `${L}/(1 + exp(-${k} (t - ${m})))`,
      unit: { text: "person" },
      unitsAgree: true,
    });
    // The format page's own example.
    expect(L).toBeCloseTo(5174.07, 2);
    expect(k).toBeCloseTo(0.621309, 6);
    expect(m).toBeCloseTo(6.99453, 5);
    expect(model.table.number("N")(12)).toBeCloseTo(L! / (1 + Math.exp(-k! * (12 - m!))), 9);
  });
  it("rows of a part, rows set aside", () => {
    expect(
      fitted({ model: "exponential", method: "logs", rows: { from: 0, to: 5 } }).model.fits.get("N"),
    ).toMatchObject({ fit: { n: 6 }, skipped: 5, to: 5 });
    const left = fitted(
      { model: "linear" },
      { data: [{ ...followers.data![0]!, left: [{ row: 9, reason: "a storm" }] }] },
    );
    expect(left.model.fits.get("N")).toMatchObject({ fit: { n: 9 }, skipped: 2, to: 8 });
  });
  it("a formula of one’s own, in the variable or in the column’s name, beside givens of the same name", () => {
    for (const text of ["L/(1 + exp(-k (t - m)))", "L/(1 + exp(-k*(t-m)))"])
      expect(
        fitted({ model: "own", text })
          .model.fits.get("N")!
          .fit.constants.map((c) => c.name),
      ).toEqual(["L", "k", "m"]);
    const { model } = fitted({ model: "own", text: "a + b t", start: { a: 1 } }, { givens: [{ name: "a", value: 5 }] });
    expect(model.fits.get("N")!.fit.constants.map((c) => c.name)).toEqual(["a", "b"]);
    const fixed = fitted({ model: "own", text: "a + b t" }, { givens: [{ name: "a", value: 5 }] });
    expect(fixed.model.fits.get("N")!.fit.constants.map((c) => c.name)).toEqual(["b"]);
  });
  it.each([
    [
      { model: "linear", data: "folowers" },
      "functions[0].by.data",
      /There is no data named `folowers`\. Did you mean `followers`\?/,
    ],
    [{ model: "linear", y: "person" }, "functions[0].by.y", /`followers` has no column `person`/],
    [{ model: "linear", method: "logs" }, "functions[0].by.method", /for the models `power` and `exponential`/],
    [{ model: "own" }, "functions[0].by.text", /needs a formula/],
    [{ model: "own", text: "a +" }, "functions[0].by.text", /stops after the plus/],
    [{ model: "own", text: "3 t" }, "functions[0].by.text", /no free constant/],
  ])("%j is an error with its place", (by, path, message) => {
    expect(fitted(by).model.errors).toEqual([
      expect.objectContaining({ path, message: expect.stringMatching(message) as string }),
    ]);
  });
  it("what cannot be fitted is said, and stops nothing else", () => {
    const { model, findings } = fitted(
      { model: "logarithmic" },
      { questions: [{ id: "q", ask: "value", function: "N", at: 3 }] },
    );
    expect(model.errors).toEqual([]);
    expect(model.warnings[0]!.message).toMatch(/cannot be fitted: A logarithm needs inputs above 0/);
    expect(findings[0]!.status).toBe("error");
  });
  it("rows of the wrong length, twice the same column", () => {
    const bad = analyse({
      ...followers,
      data: [{ name: "d", columns: [{ name: "x" }, { name: "x" }], rows: [[1, 2], [3]] }],
    });
    expect(bad.model.errors.map((e) => e.path)).toEqual(["data[0].columns[1].name", "data[0].rows[1]"]);
  });
});

describe("estimates", () => {
  const say = (at: number) => {
    const { model, findings } = fitted(
      { model: "logistic" },
      { questions: [{ id: "q", ask: "value", function: "N", at }] },
    );
    return { says: sentenceOf(findings[0]!, model), estimate: findings[0]!.estimate! };
  };
  it("inside the data, beyond the last row, before the first, with the date", () => {
    expect(say(4.5).says).toBe("N(4.5), on 6 February 2031, is about 906 people, inside the data.");
    expect(say(12).says).toBe("N(12), on 31 March 2031, is about 4,953 people, 3 weeks beyond the last row.");
    expect(say(-1).estimate.beyond).toBe(-1);
  });
  it("of a revenue or of pieces made from fits too, without a band", () => {
    const rows: FunctionRow[] = [
      {
        name: "N",
        of: "t",
        by: { kind: "fit", data: "followers", x: "t", y: "people", model: "linear", rows: { to: 4 } },
      },
      {
        name: "M",
        of: "t",
        by: { kind: "fit", data: "followers", x: "t", y: "people", model: "linear", rows: { from: 5 } },
      },
      { name: "R", of: "t", by: { kind: "formula", text: "2 N" } },
      {
        name: "P",
        of: "t",
        by: {
          kind: "pieces",
          pieces: [
            { text: "N", from: 0, to: 4.5, ends: "[)" },
            { text: "M", from: 4.5, to: 20 },
          ],
        },
      },
    ];
    const at = (name: string, t: number) =>
      analyse({ ...followers, functions: rows, questions: [{ id: "q", ask: "value", function: name, at: t }] })
        .findings[0]!.estimate;
    expect(at("R", 6)).toEqual({ beyond: 2, low: null, high: null });
    expect(at("P", 6)).toEqual({ beyond: 0, low: null, high: null });
    expect(at("P", 11)).toMatchObject({ beyond: 2 });
  });
  it("carry a band that holds the estimate and widens outside", () => {
    const width = (at: number) => {
      const { estimate } = say(at);
      expect(estimate.low!).toBeLessThan(estimate.high!);
      return estimate.high! - estimate.low!;
    };
    expect(width(14)).toBeGreaterThan(width(5));
  });
  it("a line: the band of the textbook formula", () => {
    // x = 1 … 5, y = 2, 4, 5, 4, 5: y = 2.2 + 0.6 x, s² = 2.4/3, t(3) = 3.1824; at 6: ±3.1824·√(0.8·(1 + 1/5 +
    // 9/10)) = ±4.1249
    const { findings } = analyse({
      ...followers,
      variables: [{ name: "t" }],
      data: [
        {
          name: "followers",
          columns: [{ name: "t" }, { name: "people" }],
          rows: [
            [1, 2],
            [2, 4],
            [3, 5],
            [4, 4],
            [5, 5],
          ],
        },
      ],
      functions: [{ name: "N", of: "t", by: { kind: "fit", data: "followers", x: "t", y: "people", model: "linear" } }],
      questions: [{ id: "q", ask: "value", function: "N", at: 6 }],
    });
    expect(findings[0]!.value).toBeCloseTo(5.8, 12);
    expect(findings[0]!.estimate!.high! - 5.8).toBeCloseTo(4.1249, 3);
  });
  it("a formula of one's own that breaks between two rows says where", () => {
    const rows = [0, 1, 2, 3, 4, 5, 6].map((t) => [t, 5 / (t - 2.5) + 0.01 * t]);
    const { model } = analyse({
      ...followers,
      variables: [{ name: "t" }],
      data: [{ name: "followers", columns: [{ name: "t" }, { name: "people" }], rows }],
      functions: [
        {
          name: "N",
          of: "t",
          by: {
            kind: "fit",
            data: "followers",
            x: "t",
            y: "people",
            model: "own",
            text: "a/(t - b)",
            start: { a: 4, b: 2.4 },
          },
        },
      ],
      questions: [],
    });
    expect(model.warnings.map((w) => w.message).join()).toMatch(/N has no value at t = 2\.50\d+, inside the data/);
  });
});
