import { describe, expect, it } from "vitest";
import { NO_FACTORIAL, compileNumber, resolve, type Names } from ".";
import { knownElsewhere } from "./elsewhere";

const NAMES: Names = {
  variable: "x",
  givens: new Map(),
  functions: new Map([["sec", { of: "x" }]]),
  variables: new Set(),
};
const refused = (text: string) => resolve(text, NAMES).problems.map((p) => [p.message, p.mend ?? null]);

describe("names that functions have elsewhere", () => {
  it.each([
    ["arctg(x)", "`arctg` is written `atan` here.", "atan"],
    ["lg(x)", "`lg` is written `log10` here.", "log10"],
    ["Ceiling(x)", "`Ceiling` is written `ceil` here.", "ceil"],
    ["cot(x)", "`cot(x)` is written `1/tan(x)` here.", null],
    ["sgn(x)", "`sgn(x)` is written `x/abs(x)` here.", null],
    ["pow(x, 2)", "`pow(x, n)` is written `x^n` here.", null],
    ["mod(x, 2)", "`mod(x, n)` is written `x - n floor(x/n)` here.", null],
    [
      "log(x)",
      "`log` is read in two ways: write `ln` for the natural logarithm, or `log10` for the one to base 10.",
      null,
    ],
    ["factorial(x)", NO_FACTORIAL, null],
    ["sin(30 deg)", "Angles are in radians: 30 degrees are `30 pi/180`.", null],
    ["sin(30°)", "Angles are in radians: 30 degrees are `30 pi/180`.", null],
  ])("%s is told as it is written here", (text, says, mend) => expect(refused(text)).toEqual([[says, mend]]));
  it.each(["3!", "x!", "(x + 1)!/2"])("%s is no formula", (text) =>
    expect(refused(text)).toEqual([[NO_FACTORIAL, null]]),
  );
  it("a function of the case by such a name is that function", () => expect(refused("2 sec(x)")).toEqual([]));
  // Each is held against what it stands for, by plain values at 0.7 (1.7 where it needs more than 1).
  it.each<[string, (x: number) => number, number]>([
    ["cot", (x) => Math.cos(x) / Math.sin(x), 0.7],
    ["sec", (x) => 1 / Math.cos(x), 0.7],
    ["csc", (x) => 1 / Math.sin(x), 0.7],
    ["coth", (x) => Math.cosh(x) / Math.sinh(x), 0.7],
    ["asinh", Math.asinh, -0.7],
    ["acosh", Math.acosh, 1.7],
    ["atanh", Math.atanh, 0.7],
    ["sign", Math.sign, -0.7],
    ["sqr", (x) => x * x, 0.7],
  ])("what is written for %s has its values", (name, value, x) => {
    const text = /written `(.*)` here/.exec(knownElsewhere(name)!.says)![1]!;
    const { expression, problems } = resolve(text, NAMES);
    expect(problems).toEqual([]);
    expect(compileNumber(expression!, () => () => NaN)(x)).toBeCloseTo(value(x), 12);
  });
});
