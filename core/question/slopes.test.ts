import { describe, expect, it } from "vitest";
import { answer } from "./index";
import { buildModel, type CaseFile, type Question } from "../model";

type By = NonNullable<CaseFile["functions"]>[number]["by"];
const PIECES: By = {
  kind: "pieces",
  pieces: [
    { text: "x^2", from: -2, to: 1, ends: "[)" },
    { text: "2x - 1", from: 1, to: 2, ends: "[)" },
    { text: "5 - x", from: 2, to: 3, ends: "[]" },
  ],
};
/** A case of functions of x on a range. */
const caseOf = (functions: Record<string, string | By>, from: number, to: number): CaseFile => ({
  format: "pasear-case",
  version: 1,
  title: "Slopes",
  givens: [{ name: "k", value: 2 }],
  variables: [{ name: "x", from, to }],
  functions: Object.entries(functions).map(([name, by]) => ({
    name,
    of: "x",
    by: typeof by === "string" ? { kind: "formula", text: by } : by,
  })),
});
function asked(f: string | By, q: Record<string, unknown>) {
  const document = caseOf({ f, s: { kind: "slope", function: "f" }, m: "f'(1 - x)" }, -2, 3);
  return answer({ id: "q", ...q } as Question, buildModel(document), () => null);
}

/** The slope where it is asked for, or none; by hand, with the limit of the difference quotient. */
const SLOPES: readonly (readonly [f: string, at: number, slope: number | null])[] = [
  // Both sides come to one slope, though the rules have none.
  ["x abs(x)", 0, 0],
  ["abs(x)^2", 0, 0],
  ["abs(x^3)", 0, 0],
  ["sqrt(x^4)", 0, 0],
  ["max(x, 0)^2", 0, 0],
  ["max(x, 0)^1.5", 0, 0],
  ["min(x^2, x^3)", 0, 0],
  ["min(x^2, x^3)", 1, null],
  ["floor(x^2)", 0, 0],
  ["floor(x^2)", 1, null],
  // Level where a root is 0.
  ["sqrt(max(x - 1, 0))", 0, 0],
  ["sqrt(max(x - 1, 0))", 1, null],
  ["sqrt(max(x - 1, 0))", 2, 0.5],
  ["cbrt(max(x, 0))", -1, 0],
  ["abs(max(x, 0))", -1, 0],
  ["acos(max(1, x - 2))", 0, 0],
  ["sqrt(floor(x / 2))", 1, 0],
  // Corners, and roots that rise without bound.
  ["abs(x)", 0, null],
  ["sqrt(x^2)", 0, null],
  ["cbrt(x)", 0, null],
  ["sqrt(x)", 0, null],
  ["x^2 + step(x)", 0, null],
  // No slope where there is no value.
  ["ln(x)", -1, null],
  ["ln(x)", 2, 0.5],
  ["x + 0 ln(x)", -1, null],
  ["x + 0 / x", 0, null],
  ["(x - x)^(-2) - 2x", 0, null],
  ["x log10(x) / log10(x)", 1, null],
  // At an end of what it is defined for, one side is all there is.
  ["x^1.5", 0, 0],
  ["x^1.5", -1, null],
];

describe("the slope of a function at one input", () => {
  it.each(SLOPES)("%s at %d: %s", (f, at, slope) => {
    for (const q of [
      { ask: "value", function: "s", at },
      { ask: "value", function: "m", at: 1 - at },
      { ask: "rate", function: "f", at },
    ]) {
      const found = asked(f, q);
      expect([q.ask, found.status, found.complete]).toEqual([q.ask, slope === null ? "none" : "found", true]);
      if (slope !== null) expect((found as { value: number }).value).toBeCloseTo(slope, 12);
    }
  });

  it.each([
    [-2, -4],
    [0, 0],
    [1, 2],
    [2, null],
    [2.5, -1],
    [3, -1],
  ] as const)("of a function by pieces at %d: %s", (at, slope) => {
    for (const q of [
      { ask: "value", function: "s", at },
      { ask: "rate", function: "f", at },
    ]) {
      const found = asked(PIECES, q);
      expect([found.status, found.complete]).toEqual([slope === null ? "none" : "found", true]);
      if (slope !== null) expect((found as { value: number }).value).toBeCloseTo(slope, 12);
    }
  });
});

describe("questions about a slope", () => {
  it("its least value is taken where both sides agree", () => {
    // (x|x|)' = 2|x|
    expect(asked("x abs(x)", { ask: "least", function: "s" })).toMatchObject({
      status: "found",
      complete: true,
      solutions: [{ at: 0, value: 0 }],
    });
  });
  it("it is 0 throughout a level stretch", () => {
    expect(asked("sqrt(max(x - 1, 0))", { ask: "where", function: "s", relation: "<", value: 0.4 })).toMatchObject({
      status: "found",
      complete: true,
      // 1/(2 sqrt(x − 1)) < 0.4 from x = 1 + 1/0.64 = 2.5625
      stretches: [
        { from: -2, to: 1, ends: "[)" },
        { from: 2.5625, to: 3, ends: "(]" },
      ],
    });
  });
  it("it is sought nowhere that the function has no value", () => {
    expect(asked("ln(x)", { ask: "where", function: "s", relation: "<", value: 0 })).toMatchObject({
      status: "none",
      complete: true,
    });
    expect(asked("ln(x)", { ask: "reach", function: "s", value: -1 })).toMatchObject({
      status: "none",
      complete: true,
    });
  });
  it("it is found through a moved input", () => {
    // f'(1 − x) with f = x|x| is 2|1 − x|, 3 at −0.5 and 2.5
    expect(asked("x abs(x)", { ask: "reach", function: "m", value: 3 })).toMatchObject({
      status: "found",
      complete: true,
      solutions: [{ at: -0.5 }, { at: 2.5 }],
    });
  });
  it("a slope of a slope stands on the slope, not on the rule", () => {
    const document = caseOf({ f: "x^2 abs(x)", c: "f''(x)" }, -2, 3);
    // (x²|x|)'' = 6|x|
    const model = buildModel(document);
    const found = answer({ id: "q", ask: "least", function: "c" }, model, () => null);
    expect(found).toMatchObject({ status: "found", complete: true, solutions: [{ at: 0, value: 0 }] });
  });
});

describe("a given for a wanted slope", () => {
  // By hand: k/x, 2kx + 1/x, −1/(k − x) where k > x, k/(2√x), k or 0 on either side of the corner k = 20.
  it.each([
    ["k ln(x)", 5, 1, [5], true],
    ["k x^2 + ln(x)", 5, 3, [0.28], true],
    ["ln(k - x)", 5, -1, [6], true],
    ["ln(k - x)", 5, 1, [], true],
    ["k sqrt(x)", 4, 3, [12], true],
    ["max(k x, 100)", 5, 30, [30], false],
    ["sqrt(max(k - x, 0))", 5, 1, [], false],
    // What does not depend on the input is no corner of it: √k/x, and 1/x − 2/(k² x³).
    ["sqrt(k) ln(x)", 5, 1, [25], true],
    ["ln(x) + (k x)^(-2)", 1, 0.5, [2], true],
  ] as const)("%s at %d: %d", (text, at, value, solutions, complete) => {
    const document = caseOf({ f: text, s: { kind: "slope", function: "f" } }, 1, 20);
    const q: Question = { id: "q", ask: "given", given: "k", range: [0, 50], function: "s", at, value };
    const found = answer(q, buildModel(document), () => null);
    const status = solutions.length > 0 ? "found" : complete ? "none" : "unsettled";
    expect(found).toMatchObject({ status, complete, solutions: solutions.map((k) => ({ at: k })) });
    if (!complete) expect(found.message).toMatch(/^Not settled: what slope there is where a corner or a root lies/);
  });
});

describe("the slope of a running total", () => {
  // What is summed, but where that jumps; sin in exp leaves no antiderivative in closed form.
  it.each([
    ["floor(x)", 2, null],
    ["floor(x)", 2.5, 2],
    ["floor(x) exp(sin(x))", 2, null],
    ["floor(x) exp(sin(x))", 1.5, Math.exp(Math.sin(1.5))],
    ["abs(x - 2) exp(sin(x))", 2, 0],
    ["exp(sin(x)) / sqrt(abs(x - 2))", 2, null],
    ["step(x - 2)", 2, null],
  ] as const)("over %s at %d: %s", (text, at, slope) => {
    const document = caseOf(
      {
        f: text,
        t: { kind: "total", function: "f", from: 0 },
        s: { kind: "slope", function: "t" },
      },
      0,
      5,
    );
    const model = buildModel(document);
    for (const q of [
      { ask: "value", function: "s", at },
      { ask: "rate", function: "t", at },
    ]) {
      const found = answer({ id: "q", ...q } as Question, model, () => null);
      expect([q.ask, found.status, found.complete]).toEqual([q.ask, slope === null ? "none" : "found", true]);
      if (slope !== null) expect((found as { value: number }).value).toBeCloseTo(slope, 9);
    }
  });
});
