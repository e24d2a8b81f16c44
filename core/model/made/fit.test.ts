import { describe, expect, it } from "vitest";
import { buildModel, dataOf, rowsOf, type CaseFile, type DataTable, type FunctionBy } from "..";
import { caseOf, saidOf } from "./making.fixture";

type FitKind = Extract<FunctionBy, { kind: "fit" }>;
const table = (rows: (number | null)[][], more: Partial<DataTable> = {}): DataTable => ({
  name: "d",
  columns: [{ name: "t" }, { name: "y" }],
  rows,
  ...more,
});
/** y = 3 t + 1, and 12 at 4 where the line has 13 */
const LINE = table([
  [0, 1],
  [1, 4],
  [2, 7],
  [3, 10],
]);
function fitted(by: Partial<FitKind>, data: DataTable = LINE, more: Partial<CaseFile> = {}) {
  const whole: FitKind = { kind: "fit", data: "d", x: "t", y: "y", model: "linear", ...by };
  const model = buildModel(caseOf({ f: whole }, { data: [data], ...more }));
  const f = model.functions.get("f")!;
  return {
    text: f.text,
    trouble: f.trouble,
    unit: f.unit?.text ?? null,
    fit: model.fits.get("f"),
    model,
    ...saidOf(model),
  };
}

describe("where a fit refers to what is not there", () => {
  it.each<[string, Partial<FitKind>, string, string]>([
    ["no such data", { data: "walks" }, "data", "There is no data named `walks`. There is `d`."],
    ["data by nearly its name", { data: "D" }, "data", "There is no data named `D`. Did you mean `d`?"],
    ["no such input", { x: "weeks" }, "x", "`d` has no column `weeks`. There are `t`, `y`."],
    ["an input by nearly its name", { x: "T" }, "x", "`d` has no column `T`. Did you mean `t`?"],
    ["no such output", { y: "people" }, "y", "`d` has no column `people`. There are `t`, `y`."],
    ["two columns written as one", { y: "ty" }, "y", "`d` has no column `ty`. There are `t`, `y`."],
  ])("%s", (_, by, key, message) =>
    expect(fitted(by)).toMatchObject({ trouble: message, errors: [[`functions[0].by.${key}`, message]] }),
  );
  it("no data at all", () =>
    expect(dataOf({ data: "d", x: "t", y: "y" }, [])).toEqual({
      key: "data",
      message: "There is no data named `d`. There are none.",
    }));
});

describe("what a fit cannot be", () => {
  it.each<[string, Partial<FitKind>, string, string]>([
    [
      "by logarithms, of a line",
      { method: "logs" },
      "method",
      "The method `logs` is for the models `power` and `exponential`; leave it out here.",
    ],
    [
      "of one's own, without a formula",
      { model: "own", text: " " },
      "text",
      "A model of one's own needs a formula in `text`, with free constants, as in `a (1 - exp(-b x))`.",
    ],
  ])("%s", (_, by, key, message) =>
    expect(fitted(by)).toMatchObject({ trouble: message, errors: [[`functions[0].by.${key}`, message]] }),
  );
  it.each<FitKind["model"]>(["power", "exponential"])("by logarithms, of a %s", (model) => {
    const rows = table([
      [1, 3],
      [2, 6],
      [4, 12],
    ]);
    expect(fitted({ model, method: "logs" }, rows)).toMatchObject({ trouble: null, errors: [] });
  });
  it("to rows that no such function passes is only told", () => {
    const few = fitted({ model: "cubic" }, table([[0, 1]]));
    expect(few.trouble).toMatch(/^`f` cannot be fitted: /);
    expect(few.errors).toEqual([]);
    expect(few.warnings).toEqual([["functions[0].by", few.trouble]]);
  });
  it("with a fault in the formula is told at its place", () => {
    const spoilt = fitted({ model: "own", text: "a + " });
    expect(spoilt.errors.map(([path]) => path)).toEqual(["functions[0].by.text"]);
    expect(spoilt.warnings).toEqual([]);
  });
});

describe("a formula of one's own", () => {
  const own = (text: string, more: Partial<FitKind> = {}, rest: Partial<CaseFile> = {}) =>
    fitted({ model: "own", text, start: { a: 1 }, ...more }, LINE, rest);
  const constantsOf = (f: ReturnType<typeof fitted>) =>
    f.fit!.fit.constants.map((c) => [c.name, Math.round(c.value * 1e6) / 1e6]);
  it("is written in the variable, or in the name of the column", () => {
    for (const text of ["a x + b", "a t + b"]) {
      const f = own(text, { start: { a: 1, b: 0 } });
      expect([f.trouble, constantsOf(f)]).toEqual([
        null,
        [
          ["a", 3],
          ["b", 1],
        ],
      ]);
      expect(f.model.table.number("f")(5)).toBeCloseTo(16, 6);
    }
  });
  it("with both names in it has the column's for a constant", () =>
    expect(constantsOf(own("x + t", { start: { t: 0 } })).map(([name]) => name)).toEqual(["t"]));
  it("in a name that is a given takes the given", () => {
    // 2 a: the best constant is the middle of 1, 4, 7 and 10, which is 5.5
    const f = own("a t", {}, { givens: [{ name: "t", value: 2 }] });
    expect(constantsOf(f)).toEqual([["a", 2.75]]);
  });
  it("takes a free constant for one, though a given is called so", () => {
    const f = own("a x + 1", {}, { givens: [{ name: "a", value: 7 }] });
    expect(constantsOf(f)).toEqual([["a", 3]]);
    const held = own("a x + b", { start: { b: 0 } }, { givens: [{ name: "a", value: 3 }] });
    expect(constantsOf(held)).toEqual([["b", 1]]);
  });
  it("that has no value between two rows says where", () => {
    const rows = table([1, 2, 3, 7, 8, 9].map((t) => [t, 2 / (t - 5)]));
    const broken = fitted({ model: "own", text: "a/(t - 5)", start: { a: 1 } }, rows);
    expect(broken.warnings).toEqual([
      [
        "functions[0].by",
        "f has no value at x = 5, inside the data: the fitted formula breaks there, whatever it misses on the rows.",
      ],
    ]);
    const half = table([
      [-4, 0],
      [-2, 0],
      [1, 1],
      [4, 2],
      [9, 3],
    ]);
    const cut = fitted({ model: "own", text: "a sqrt(t)", start: { a: 1 }, rows: { from: 1 } }, half);
    expect(cut.warnings).toEqual([]);
  });
});

describe("what is known of a fit", () => {
  it("the rows it uses, and their range", () => {
    const rows = table(
      [
        [0, 1],
        [1, null],
        [null, 3],
        [2, 7],
        [3, 10],
        [9, 28],
      ],
      { left: [{ row: 3 }] },
    );
    expect(fitted({ rows: { from: 0, to: 3 } }, rows).fit).toMatchObject({ skipped: 4, from: 0, to: 3 });
    expect(rowsOf({ x: "t", y: "y", rows: { from: 2, to: 3 } }, rows)).toEqual({
      x: [3],
      y: [10],
      at: [4],
      skipped: 5,
    });
    expect(rowsOf({ x: "y", y: "t" }, rows)).toMatchObject({ x: [1, 10, 28], y: [0, 3, 9], at: [0, 4, 5] });
  });
  it("the same rows are fitted once, others anew", () => {
    const [first, again] = [fitted({}).fit!.fit, fitted({}).fit!.fit];
    expect(again).toBe(first);
    expect(fitted({ model: "quadratic" }).fit!.fit).not.toBe(first);
    expect(
      fitted(
        {},
        table([
          [0, 1],
          [1, 5],
        ]),
      ).fit!.fit,
    ).not.toBe(first);
  });
  it("what else the fit depends on makes it another", () => {
    const rough = table([
      [1, 3],
      [2, 7],
      [4, 10],
      [8, 30],
    ]);
    const of = (by: Partial<FitKind>, more: Partial<CaseFile> = {}) =>
      fitted(by, rough, more).fit!.fit.constants.map((c) => c.value);
    expect(of({ model: "power", method: "logs" })).not.toEqual(of({ model: "power" }));
    expect(of({ model: "power", method: "direct" })).toEqual(of({ model: "power" }));
    const own: Partial<FitKind> = { model: "own", text: "a x^k", start: { a: 1 } };
    const held = (value: number) => of(own, { givens: [{ name: "k", value }] });
    expect(held(1)).not.toEqual(held(2));
    expect(of({ ...own, text: "a x" })).toEqual(held(1));
    // From 1 the sine finds its way to one answer, from 7 to another.
    const wave = (b: number) => of({ model: "own", text: "a sin(b x)", start: { a: 20, b } });
    expect(wave(1)).not.toEqual(wave(7));
  });
  it("its unit is that of its column, and its input agrees with its variable", () => {
    const metres = {
      columns: [
        { name: "t", unit: "hour" },
        { name: "y", unit: "m" },
      ],
    };
    const hours: Partial<CaseFile> = { variables: [{ name: "x", unit: "hour" }] };
    expect(fitted({}, table(LINE.rows, metres), hours)).toMatchObject({ unit: "m", warnings: [] });
    expect(fitted({}, table(LINE.rows, metres))).toMatchObject({ unit: "m", warnings: [] });
    expect(fitted({}, LINE, hours)).toMatchObject({ unit: null, warnings: [] });
    const minutes: Partial<CaseFile> = { variables: [{ name: "x", unit: "minute" }] };
    const message =
      "The column t is in hour, but x is in minute: hour and minute measure the same at another scale; " +
      "multiply the hour side by 60.";
    const wrong = fitted({}, table(LINE.rows, metres), minutes);
    expect(wrong).toMatchObject({ unit: "m", warnings: [["functions[0].by.x", message]] });
    expect(wrong.model.functions.get("f")!.unitsAgree).toBe(false);
  });
  it("all digits in its text, and negative ones in brackets", () => {
    const f = fitted(
      { model: "own", text: "a x + b x^2", start: { a: 1, b: 1 } },
      table([
        [1, -1],
        [2, -4],
        [3, -9],
        [4, -16],
      ]),
    );
    expect(f.text).toMatch(/^\(?-?[\d.e-]+\)? x \+ \(-[\d.]+\) x\^2$/);
    expect(f.model.table.number("f")(5)).toBeCloseTo(-25, 6);
  });
});
