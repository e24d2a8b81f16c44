import { describe, expect, it } from "vitest";
import { Enclosure } from "../../interval";
import { ratio } from "../../numeric";
import { FunctionTable } from "../../solve";
import { VARIABLE, call, resolve } from "../../formula";
import type { FunctionBy } from "..";
import { caseOf, formula, made } from "./making.fixture";
import { runningTotal } from "./runningTotal";
import { buildModel } from "..";

const totalOf = (f: FunctionBy, at: readonly number[], from?: number | string) =>
  made({ f, s: { kind: "total", function: "f", ...(from === undefined ? {} : { from }) } }, at);
const three: FunctionBy = {
  kind: "pieces",
  pieces: [
    { text: "2", from: 0, to: 2, ends: "[)" },
    { text: "x", from: 2, to: 4, ends: "[)" },
    { text: "-3", from: 4, to: 6 },
  ],
};

describe("a running total of polynomials, written out", () => {
  it.each<[string, FunctionBy, number | string | undefined, string, readonly (readonly [number, number])[]]>([
    [
      "from 0",
      formula("2x"),
      undefined,
      "x^2",
      [
        [0, 0],
        [3, 9],
        [-2, 4],
      ],
    ],
    // x² + x from 1 on: 12 − 2 at 3
    [
      "from 1",
      formula("2x + 1"),
      1,
      "x^2 + x - 2",
      [
        [1, 0],
        [3, 10],
      ],
    ],
    [
      "from a formula text",
      formula("3"),
      "1/2",
      "3 x - 1.5",
      [
        [0.5, 0],
        [2.5, 6],
      ],
    ],
    // 2·2 = 4 up to 2; then x²/2 − 2 more: 6 up to 4, 10 in all; then 3 less for each
    [
      "of pieces, from their start",
      three,
      0,
      "2x; 0.5x^2 + 2; 22 - 3x",
      [
        [0, 0],
        [1, 2],
        [2, 4],
        [3, 6.5],
        [4, 10],
        [6, 4],
      ],
    ],
    [
      "of pieces, from within",
      three,
      3,
      "",
      [
        [0, -6.5],
        [2, -2.5],
        [3, 0],
        [4, 3.5],
        [6, -2.5],
      ],
    ],
    [
      "of pieces, from their end",
      three,
      6,
      "",
      [
        [6, 0],
        [4, 6],
        [0, -4],
      ],
    ],
    // |x − 1| is 1 − x up to 1: ½ there; then as much again up to 2
    [
      "of a kink",
      formula("abs(x - 1)"),
      0,
      "",
      [
        [0, 0],
        [1, 0.5],
        [2, 1],
        [-1, -1.5],
      ],
    ],
    [
      "of stairs that are few",
      formula("step(x - 2)"),
      0,
      "",
      [
        [0, 0],
        [2, 0],
        [5, 3],
        [-1, 0],
      ],
    ],
  ])("%s", (_, f, from, text, values) => {
    const total = totalOf(
      f,
      values.map(([x]) => x),
      from,
    );
    expect(total).toMatchObject({ trouble: null, errors: [], values: values.map(([, y]) => y) });
    if (text !== "" && !text.includes(";")) expect(total.text).toBe(text);
    expect(total.latex).not.toBe("");
  });
  it("has no value where what is added up has none", () => {
    expect(totalOf(three, [-1, 7]).values).toEqual([NaN, NaN]);
    const gap: FunctionBy = {
      kind: "pieces",
      pieces: [
        { text: "1", from: 0, to: 1 },
        { text: "1", from: 3, to: 5 },
      ],
    };
    expect(totalOf(gap, [0, 1, 2, 4]).values).toEqual([0, 1, NaN, NaN]);
    expect(totalOf(gap, [0, 1, 2, 4], 3).values).toEqual([NaN, NaN, NaN, 1]);
    expect(totalOf(gap, [0, 1, 4], 2).values).toEqual([NaN, NaN, NaN]);
  });
});

describe("a running total that has no formula", () => {
  const near = (total: { values: number[] }, values: readonly number[]) =>
    total.values.forEach((v, i) => expect(v).toBeCloseTo(values[i]!, 9));
  it("is summed up to each place, both ways from its start", () => {
    near(totalOf(formula("exp(x)"), [0, 1, 2, 0.5]), [0, Math.E - 1, Math.E ** 2 - 1, Math.sqrt(Math.E) - 1]);
    near(totalOf(formula("1/x"), [1, 2, 4, 0.5], 1), [0, Math.LN2, 2 * Math.LN2, -Math.LN2]);
    near(totalOf(formula("sin(x)"), [0, 3, 10], 3), [Math.cos(3) - 1, 0, Math.cos(3) - Math.cos(10)]);
  });
  it("stands on kinks that are no fractions, and is summed over them", () =>
    // 2x − x³/3 is 5/3 at 1 and 4√2/3 at √2; from there x³/3 − 2x gains 4√2/3 − 4/3 up to 2.
    near(totalOf(formula("abs(x^2 - 2)"), [0, 1, 2, -1]), [0, 5 / 3, (8 * Math.SQRT2 - 4) / 3, -5 / 3]));
  it("says from where, and what it adds up", () => {
    const total = totalOf(formula("exp(x)"), [], -2);
    expect(total).toMatchObject({ text: "total of f from −2", latex: "\\int_{-2}^{x} f", trouble: null });
  });
  it("has no value beyond a place over which nothing can be summed", () => {
    const total = totalOf(formula("1/(x - 3)"), [0, 2, 4, 9]);
    expect(total.values.map(Number.isNaN)).toEqual([false, false, true, true]);
    expect(total.values[1]).toBeCloseTo(-Math.log(3), 9);
  });
  it("encloses its values, and stays open where an end is missing", () => {
    const model = buildModel(caseOf({ f: formula("exp(x)"), s: { kind: "total", function: "f" } }));
    const enclosure = model.table.enclosure("s", 0);
    const of = (lo: number, hi: number) => enclosure({ lo, hi, flags: 0 } as never);
    const at2 = of(2, 2);
    expect(at2.lo).toBeLessThanOrEqual(Math.E ** 2 - 1);
    expect(at2.hi).toBeGreaterThanOrEqual(Math.E ** 2 - 1);
    expect(at2.hi - at2.lo).toBeLessThan(1e-6);
    const wide = of(1, 3);
    expect(wide.lo).toBeLessThanOrEqual(Math.E - 1);
    expect(wide.hi).toBeGreaterThanOrEqual(Math.E ** 3 - 1);
    expect(wide.hi).toBeLessThan(60);
    expect([of(1, Infinity).lo, of(1, Infinity).hi]).toEqual([-Infinity, Infinity]);
    expect([of(-Infinity, 1).lo, of(-Infinity, 1).hi]).toEqual([-Infinity, Infinity]);
  });
  it("is given up far beyond the table it is read from, and where no function is called", () => {
    const table = new FunctionTable();
    const e = resolve("exp(0 - x)", { variable: "x", givens: new Map(), functions: new Map() } as never).expression!;
    table.define("f", { kind: "expression", expression: e });
    // Without a range a stretch is 16/32 = 1/2 wide, and 2,000 of them are 1,000.
    const sums = runningTotal(call("f", 0, VARIABLE), table, ratio(0), undefined);
    expect(sums.number(3)).toBeCloseTo(1 - Math.exp(-3), 9);
    expect(sums.number(2000)).toBeNaN();
    expect(sums.number(Infinity)).toBeNaN();
    // Given up is not the same as having none.
    expect(sums.enclosure(new Enclosure(2000, 2000))).toMatchObject({ lo: -Infinity, hi: Infinity });
  });
});

describe("what a running total cannot be made of", () => {
  it.each<[string, Record<string, FunctionBy>, string]>([
    ["no function", { s: { kind: "total", function: "g" } }, "`g` is no function of this case."],
    [
      "one written nearly so",
      { cost: formula("x"), s: { kind: "total", function: "cots" } },
      "`cots` is no function of this case. Did you mean `cost`?",
    ],
  ])("%s", (_, functions, message) => expect(made(functions)).toMatchObject({ trouble: message }));
  it("a start that is no number", () => {
    const total = totalOf(formula("x"), [], "k");
    expect(total.trouble).toBe("The start of s is not a number.");
    expect(total.errors.map(([path]) => path)).toEqual(["functions[1].by.from"]);
  });
});
