import { describe, expect, it } from "vitest";
import { buildModel, type CaseFile, type Question } from "../model";
import { workingOf } from "./index";

const steps = (functions: Record<string, string>, q: Omit<Question, "id"> & Record<string, unknown>) => {
  const c: CaseFile = {
    format: "pasear-case",
    version: 1,
    title: "T",
    variables: [{ name: "x", from: 0, to: 100 }],
    functions: Object.entries(functions).map(([name, text]) => ({ name, of: "x", by: { kind: "formula", text } })),
  };
  return workingOf({ id: "q", ...q } as Question, buildModel(c));
};
const texts = (...args: Parameters<typeof steps>) => steps(...args).map((s) => s.text);

describe("the steps a student would write", () => {
  it("linear", () =>
    expect(texts({ f: "3x - 7" }, { ask: "reach", function: "f", value: 5 })).toEqual([
      "3*x - 7 = 5".replace("*", " "),
      "-12 + 3 x = 0",
      "x = 4",
    ]));
  it("quadratic, with discriminant", () =>
    expect(texts({ R: "x (14 - x/30)", C: "180 + 2.5x" }, { ask: "meet", functions: ["R", "C"] }).slice(1)).toEqual([
      "-x^2/30 + 11.5 x - 180 = 0",
      "D = 11.5^2 - 4*(-1/30)*(-180) = 108.25",
      "x = (-11.5 ± sqrt(108.25))/(2*(-1/30))",
      "x ≈ 16.43511 or x ≈ 328.56489",
    ]));
  it("a negative discriminant ends it", () =>
    expect(texts({ f: "x^2 + x + 1" }, { ask: "reach", function: "f", value: 0 }).at(-1)).toBe("no solution"));
  it("a pure power", () =>
    expect(texts({ f: "2 x^3" }, { ask: "reach", function: "f", value: 32 }).slice(2)).toEqual([
      "x^3 = 16",
      "x = cbrt(16)",
    ]));
  it("exponential: divide, take logarithms, divide", () =>
    expect(texts({ N: "1500*1.034^x" }, { ask: "multiply", function: "N", factor: 2, start: 0 }).slice(1)).toEqual([
      "1.034^x = 2",
      "x = ln(2)/ln(1.034)",
      "x ≈ 20.731324",
    ]));
  it("exponent of e", () =>
    expect(texts({ N: "40 exp(0.08x) + 10" }, { ask: "reach", function: "N", value: 90 }).slice(1)).toEqual([
      "40 exp(0.08 x) = 80",
      "exp(0.08 x) = 2",
      "0.08 x = ln(2)",
      "x = ln(2)/0.08",
      "x ≈ 8.6643398",
    ]));
  it("logarithm", () =>
    expect(texts({ f: "3 ln(x) - 2" }, { ask: "reach", function: "f", value: 4 }).slice(1)).toEqual([
      "3 ln(x) = 6",
      "ln(x) = 2",
      "x = exp(2)",
      "x ≈ 7.3890561",
    ]));
  it("never: said at the step that cannot be", () =>
    expect(steps({ f: "62 exp(-x)" }, { ask: "reach", function: "f", value: 0 }).at(-1)).toMatchObject({
      text: "no solution",
      says: expect.stringMatching(/always positive/),
    }));
  it("a best value: the slope set to 0", () =>
    expect(texts({ P: "-x^2/30 + 11.5x - 180" }, { ask: "greatest", function: "P" })).toEqual([
      "P'(x) = 11.5 - x/15 = 0",
      "x = 172.5",
    ]));
  it("what has no such working has none", () =>
    expect(steps({ f: "x + sin(x)" }, { ask: "reach", function: "f", value: 1 })).toEqual([]));
  it("every step has its LaTeX", () => {
    for (const s of steps({ N: "1500*1.034^x" }, { ask: "reach", function: "N", value: 3000 }))
      expect(s.latex).toMatch(/=|approx/);
  });
});
