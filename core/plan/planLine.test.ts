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
    ["M = 2x + y", "M = 2x + y", undefined],
  ])("%s", (text, constraint, label) =>
    expect(read(text)).toMatchObject({ kind: "constraint", text: constraint, label }),
  );
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
