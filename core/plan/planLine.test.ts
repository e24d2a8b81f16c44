import { describe, expect, it } from "vitest";
import { buildModel } from "../model";
import { belowZero, readPlanLine } from ".";

const { names } = buildModel({
  format: "pasear-case",
  version: 1,
  title: "T",
  givens: [{ name: "M", value: 240 }],
});
const read = (text: string) => {
  const r = readPlanLine(text, { variables: [{ name: "x" }, { name: "y" }] }, names);
  return r.ok ? r.line : r.message;
};

describe("lines of a plan", () => {
  it.each([
    ["greatest 3.5x + 4y in $", "greatest", "3.5x + 4y"],
    ["maximize 6x + 4y", "greatest", "6x + 4y"],
    ["Maximise: 6x + 4y", "greatest", "6x + 4y"],
    ["max Z = 6x + 4y", "greatest", "6x + 4y"],
    ["min 2x + y", "least", "2x + y"],
    ["minimize cost = 2x + y", "least", "2x + y"],
    ["Z = 6x + 4y", "greatest", "6x + 4y"],
    ["profit = 6x + 4y", "greatest", "6x + 4y"],
  ])("%s", (text, sense, formula) => expect(read(text)).toMatchObject({ kind: "objective", sense, text: formula }));
  it.each([
    ["paper: 2x + 3y <= M", "2x + 3y <= M", "paper"],
    ["subject to 2x + 3y <= 240", "2x + 3y <= 240", undefined],
    ["s.t. x + y >= 3", "x + y >= 3", undefined],
    ["maximum: x <= 5", "x <= 5", "maximum"],
    ["x = 2y", "x = 2y", undefined],
    // relations in words
    ["2x + 3y at most 240", "2x + 3y <= 240", undefined],
    ["glue: 4x is no less than 2y", "4x >= 2y", "glue"],
    ["x is greater than or equal to 2", "x >= 2", undefined],
    ["x + y equals 12", "x + y = 12", undefined],
    ["y fewer than 5", "y < 5", undefined],
    // a number, and no name in it
    ["x <= 1e3", "x <= 1e3", undefined],
    ["M = 2x + y", "M = 2x + y", undefined],
  ])("%s", (text, constraint, label) =>
    expect(read(text)).toMatchObject({ kind: "constraint", text: constraint, label }),
  );
  it.each([
    ["2x + 3y <= 240 sheets", /^`sheets` is no variable.*`2x \+ 3y <= 240`; .*`240\*sheets`\.$/],
    ["12 dozen >= x", /^`dozen` is no variable.*`12 >= x`/],
    ["x + y <= 24 h", /^`h` is no variable/],
    ["y >= 0 integer", /ticked beside it/],
    ["x, y whole", /ticked beside it/],
    ["max profit", /as a sum/],
    ["x != 3", /holds up to a value/],
  ])("%s makes no variable, and says what would be right", (text, says) => expect(read(text)).toMatch(says));
  it.each([
    ["x <= 2 z", ["z"]],
    ["x <= 240*sheets", ["sheets"]],
    ["2 kites + 3 boats <= 240", ["kites", "boats"]],
    ["2 x1 + 3 x2 <= 10", ["x1", "x2"]],
    ["boats >= 3", ["boats"]],
  ])("%s makes its names variables", (text, fresh) => expect(read(text)).toMatchObject({ fresh }));
  it("what is no line says why", () => {
    expect(read("maximize x^2")).toMatch(/x/);
    expect(read("2x + 3y")).toMatch(/./);
  });
});

describe("what most plans mean", () => {
  it.each([
    [["x >= 0", "y >= 0"], []],
    [["0 <= x <= 9", "3 <= y"], []],
    [["2x >= 0", "-y <= 0"], []],
    [["x = 4", "y >= -1"], ["y"]],
    [
      ["-2x >= 6", "x <= 5"],
      ["x", "y"],
    ],
    [["x + y >= 0"], ["x", "y"]],
    [["x >= M", "M - 300 <= y"], ["y"]],
    [[], ["x", "y"]],
  ])("%j: %j may go below 0", (texts, wanted) => {
    const constraints = texts.map((text, i) => ({ id: `C${i}`, text }));
    const plan = { variables: [{ name: "x" }, { name: "y" }], constraints };
    expect(belowZero(plan, names)).toEqual(wanted);
    const off = constraints.map((c) => ({ ...c, off: true }));
    expect(belowZero({ ...plan, constraints: off }, names)).toEqual(["x", "y"]);
  });
});
