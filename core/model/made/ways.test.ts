import { describe, expect, it } from "vitest";
import { buildModel, rewritten, type CaseFile, type FunctionBy } from "..";
import { caseOf, formula, made, saidOf } from "./making.fixture";

const metres: Partial<CaseFile> = {
  variables: [{ name: "x", unit: "s", from: 0, to: 10 }],
  givens: [
    { name: "c", value: 3, unit: "m/s" },
    { name: "d", value: 5, unit: "m" },
  ],
};
/** Units and agreement of the last function. */
function unitsOf(functions: Record<string, FunctionBy>, declared?: string, more: Partial<CaseFile> = metres) {
  const source = caseOf(functions, more);
  if (declared) source.functions!.at(-1)!.unit = declared;
  const model = buildModel(source);
  const last = [...model.functions.values()].at(-1)!;
  return {
    unit: last.unit?.text ?? null,
    agree: last.unitsAgree,
    problems: last.unitProblems.map((p) => p.message),
    ...saidOf(model),
  };
}
const way = { s: formula("c x + d") };

describe("the unit of a function", () => {
  it.each<[string, Record<string, FunctionBy>, string | undefined, string | null, boolean | null]>([
    ["of a formula", way, undefined, "m", true],
    ["of a formula, as it is declared", way, "m", "m", true],
    ["of its slope", { ...way, v: { kind: "slope", function: "s" } }, undefined, "m/s", true],
    ["of its total", { ...way, a: { kind: "total", function: "s" } }, "m s", "m s", true],
    ["of a slope, as it is declared", { ...way, v: { kind: "slope", function: "s" } }, "m/s", "m/s", true],
    [
      "of readings, as it is declared",
      {
        f: {
          kind: "line",
          through: [
            [0, 1],
            [1, 2],
          ],
        },
      },
      "m",
      "m",
      true,
    ],
    [
      "of readings, where nothing is declared",
      {
        f: {
          kind: "line",
          through: [
            [0, 1],
            [1, 2],
          ],
        },
      },
      undefined,
      null,
      null,
    ],
    [
      "of pieces: that of the first that has one",
      {
        f: {
          kind: "pieces",
          pieces: [
            { text: "3", from: 0, to: 1 },
            { text: "c x", from: 1, to: 4, ends: "(]" },
          ],
        },
      },
      undefined,
      "m",
      true,
    ],
    ["of a slope of what has none", { f: formula("3"), v: { kind: "slope", function: "f" } }, undefined, null, null],
    ["of a total of what has none", { f: formula("3"), v: { kind: "total", function: "f" } }, undefined, null, null],
  ])("%s", (_, functions, declared, unit, agree) => {
    const told = unitsOf(functions, declared);
    expect([told.unit?.replace("·", " ") ?? null, told.agree, told.problems, told.warnings]).toEqual([
      unit,
      agree,
      [],
      [],
    ]);
  });
  it("that is declared otherwise than it follows is told, and stands", () => {
    const message =
      "s is said to be in km, but its formula gives m: " +
      "m and km measure the same at another scale; divide the m side by 1000.";
    expect(unitsOf(way, "km")).toEqual({
      unit: "km",
      agree: false,
      problems: [message],
      errors: [],
      warnings: [["functions[0].unit", message]],
    });
  });
  it("that its parts disagree about is told at their place", () => {
    const message = "This adds m to m/s; did you mean c·x?";
    expect(unitsOf({ s: formula("c + d") })).toMatchObject({
      agree: false,
      problems: [message],
      warnings: [["functions[0].by.text", message]],
    });
    const pieces: FunctionBy = {
      kind: "pieces",
      pieces: [
        { text: "d", from: 0, to: 1 },
        { text: "c + d", from: 1, to: 4, ends: "(]" },
      ],
    };
    expect(unitsOf({ s: pieces }).warnings.map(([path]) => path)).toContain("functions[0].by.pieces[1].text");
  });
});

describe("the slope of another function", () => {
  it("is written with a stroke", () =>
    expect(made({ s: formula("x^2"), v: { kind: "slope", function: "s" } }, [3])).toMatchObject({
      text: "s'(x)",
      latex: "s'(x)",
      values: [6],
      trouble: null,
    }));
  it("needs one of the same variable", () => {
    const source = caseOf({ v: { kind: "slope", function: "g" } });
    source.variables!.push({ name: "y" });
    source.functions!.push({ name: "g", of: "y", by: formula("y") });
    const message = "`g` is a function of y, but `v` is of x.";
    const model = buildModel(source);
    expect(saidOf(model).errors).toEqual([["functions[0].by.function", message]]);
    expect(model.functions.get("v")!.trouble).toBe(message);
  });
  it("of a function that has its own trouble says that", () => {
    const { trouble, errors } = made({ s: formula("2 +"), v: { kind: "slope", function: "s" } });
    expect(trouble).toMatch(/^v needs s\. .*stops after the plus/);
    expect(errors).toHaveLength(1);
  });
});

describe("functions in a circle, and functions of nothing", () => {
  it("get that for their trouble, and leave the others alone", () => {
    const model = buildModel(
      caseOf({ f: formula("g(x) + 1"), g: formula("h(x)"), h: formula("2 f(x)"), k: formula("x") }),
    );
    const message =
      "f needs g, and g needs h, and h needs f: a circle of functions has no values. Take one of these names out.";
    expect([...model.functions.values()].map((f) => f.trouble)).toEqual([message, message, message, null]);
    expect(model.errors).toMatchObject([{ path: "functions[2].by.text", message, at: 2 }]);
  });
  it("one made of itself", () => {
    const message = "`f` is made of itself; a function needs to be made of others.";
    expect(made({ f: formula("f(x) + 1") })).toMatchObject({
      trouble: message,
      errors: [["functions[0].by.text", message]],
    });
    expect(made({ f: { kind: "total", function: "f" } })).toMatchObject({
      trouble: message,
      errors: [["functions[0].by", message]],
    });
  });
  it("one of a variable that is not there", () => {
    const source = caseOf({ f: formula("3") });
    source.functions![0]!.of = "xx";
    expect(saidOf(buildModel(source)).errors).toEqual([
      ["functions[0].of", "`f` is of `xx`, which is no variable of this case. Write the variable first."],
    ]);
    source.variables![0]!.name = "hours";
    source.functions![0]!.of = "houres";
    expect(saidOf(buildModel(source)).errors).toEqual([
      ["functions[0].of", "`f` is of `houres`, which is no variable of this case. Did you mean `hours`?"],
    ]);
    source.functions![0]!.of = "time";
    const model = buildModel(source);
    expect(saidOf(model).errors).toEqual([
      ["functions[0].of", "`f` is of `time`, which is no variable of this case. Write the variable first."],
    ]);
    expect(model.functions.get("f")!.trouble).toBe("f is of time, which is no variable of this case.");
  });
  it("are made after what they are made of, whatever their order", () => {
    const model = buildModel(caseOf({ p: formula("r(x) - c(x)"), r: formula("5x"), c: formula("2x + 3") }));
    expect([...model.functions.keys()]).toEqual(["p", "r", "c"]);
    expect(model.functions.get("p")).toMatchObject({ uses: ["r", "c"], trouble: null });
    expect(model.table.number("p")(4)).toBe(9);
  });
  it("that call each other again and again are refused before they hang", () => {
    const chain: Record<string, FunctionBy> = { f0: formula("x + 1") };
    for (let i = 1; i <= 20; i++) chain[`f${i}`] = formula(`f${i - 1}(x + 1) f${i - 1}(x - 1)`);
    const { errors, trouble } = made(chain);
    expect(trouble).toContain("takes more than 20,000 steps");
    expect(errors).toHaveLength(1);
    expect(errors[0]![0]).toMatch(/^functions\[\d+\]\.by$/);
  });
  it("the same call again costs nothing", () => {
    const chain: Record<string, FunctionBy> = { f0: formula("x + 1") };
    for (let i = 1; i <= 20; i++) chain[`f${i}`] = formula(`f${i - 1}(x) + f${i - 1}(x)`);
    expect(made(chain, [0])).toMatchObject({ trouble: null, errors: [], values: [2 ** 20] });
  });
});

describe("a function with its names, numbers and formulas replaced", () => {
  const to = {
    name: (name: string) => `${name}2`,
    number: (value: number | string) => `(${value})`,
    text: (text: string) => `[${text}]`,
  };
  it.each<[FunctionBy, FunctionBy]>([
    [formula("a x"), formula("[a x]")],
    [
      {
        kind: "line",
        through: [
          [0, "a"],
          [1, 2],
        ],
      },
      {
        kind: "line",
        through: [
          ["(0)", "(a)"],
          ["(1)", "(2)"],
        ],
      },
    ],
    [
      { kind: "pieces", pieces: [{ text: "x", from: 0, ends: "[)" }, { text: "1", to: 2 }, { text: "2" }] },
      {
        kind: "pieces",
        pieces: [{ text: "[x]", from: "(0)", ends: "[)" }, { text: "[1]", to: "(2)" }, { text: "[2]" }],
      },
    ],
    [
      { kind: "total", function: "f", from: 3 },
      { kind: "total", function: "f2", from: "(3)" },
    ],
    [
      { kind: "total", function: "f" },
      { kind: "total", function: "f2" },
    ],
    [
      { kind: "slope", function: "f" },
      { kind: "slope", function: "f2" },
    ],
    [
      { kind: "fit", data: "d", x: "t", y: "y", model: "own", text: "a t" },
      { kind: "fit", data: "d", x: "t", y: "y", model: "own", text: "[a t]" },
    ],
    [
      { kind: "fit", data: "d", x: "t", y: "y", model: "linear" },
      { kind: "fit", data: "d", x: "t", y: "y", model: "linear" },
    ],
  ])("%o", (by, wanted) => expect(rewritten(by, to)).toEqual(wanted));
});
