import { analysed as analyse } from "./full.fixture";
import { describe, expect, it } from "vitest";
import type { FunctionRow, Question } from "../model";
import type { Asked } from "./oneFunction.fixture";
import { formula, caseOf, ask } from "./cases.fixture";

describe("every kind of question", () => {
  it("reach: no answer tells what the function does instead", () => {
    const f = ask([formula("N", "62.4 exp(-0.53 x)")], { id: "q", ask: "reach", function: "N", value: 0 });
    expect(f).toMatchObject({ status: "none", complete: true });
    expect(f.says).toBe("N is never 0 on 0 … 10: it falls from 62.4 and stays above 0.3114.");
  });
  it("reach on an unbounded range: it comes ever closer", () => {
    const f = ask(
      [formula("N", "62.4 exp(-0.53 x)")],
      { id: "q", ask: "reach", function: "N", value: 0 },
      { variables: [{ name: "x", from: 0 }] },
    );
    expect(f).toMatchObject({ status: "none", complete: true });
    expect(f.says).toMatch(/comes ever closer to 0 without reaching it/);
  });
  it("where: stretches with their first whole input", () => {
    const f = ask(
      [formula("P", "-(x-2)(x-7.5)", { unit: "$" })],
      { id: "q", ask: "where", function: "P", relation: ">=", value: 0 },
      { variables: [{ name: "x", from: 0, to: 10, whole: true, unit: "boat" }] },
    );
    expect(f.stretches).toEqual([{ from: 2, to: 7.5, ends: "[]", least: null, first: 2, last: 7 }]);
    expect(f.says).toBe("P is at least $0 from 2 to 7 boats.");
  });
  it("value: undefined and beyond the range are told", () => {
    expect(ask([formula("f", "1/(x - 3)")], { id: "q", ask: "value", function: "f", at: 3 })).toMatchObject({
      status: "none",
      value: null,
      message: "f has no value at x = 3.",
    });
    expect(ask([formula("f", "x^2")], { id: "q", ask: "value", function: "f", at: 12 }).message).toMatch(
      /12 lies above the range of x, 10/,
    );
  });
  it("rate: average, at a point, in percent, and none at a corner", () => {
    const f = [formula("f", "x^2 - 2x + 3")];
    expect(ask(f, { id: "q", ask: "rate", function: "f", between: [1, 4] }).value).toBe(3);
    expect(ask(f, { id: "q", ask: "rate", function: "f", at: 4 }).value).toBe(6);
    expect(
      ask([formula("N", "50 exp(0.08 x)")], { id: "q", ask: "rate", function: "N", at: 2, as: "percent" }).value,
    ).toBeCloseTo(0.08, 12);
    expect(ask([formula("f", "abs(x - 3)")], { id: "q", ask: "rate", function: "f", at: 3 }).status).toBe("none");
  });
  it("total and average of a velocity by pieces: 54 + (18·9 − 81) = 135", () => {
    const v: FunctionRow = {
      name: "v",
      of: "x",
      unit: "m/s",
      by: {
        kind: "pieces",
        pieces: [
          { text: "3 x", from: 0, to: 6, ends: "[)" },
          { text: "18 - 2 (x - 6)", from: 6, to: 15 },
        ],
      },
    };
    const vars = { variables: [{ name: "x", unit: "s", from: 0, to: 15 }] };
    expect(ask([v], { id: "q", ask: "total", function: "v", between: [0, 15] }, vars)).toMatchObject({
      value: 135,
      complete: true,
      says: "The total of v from x = 0 to 15 s is 135 m.",
    });
    expect(ask([v], { id: "q", ask: "average", function: "v", between: [0, 15] }, vars).value).toBe(9);
    const s: FunctionRow = { name: "s", of: "x", by: { kind: "total", function: "v", from: 0 } };
    expect(ask([v, s], { id: "q", ask: "value", function: "s", at: 15 }, vars).value).toBe(135);
    expect(ask([v, s], { id: "q", ask: "reach", function: "s", value: 54 }, vars).solutions.map((x) => x.at)).toEqual([
      6,
    ]);
    expect(
      ask(
        [v, { name: "a", of: "x", by: { kind: "slope", function: "v" } }],
        { id: "q", ask: "value", function: "a", at: 9 },
        vars,
      ).value,
    ).toBe(-2);
  });
  it("a running total without closed form is bounded, and can be solved for", () => {
    const f = [
      formula("g", "exp(-x^2)"),
      { name: "G", of: "x", by: { kind: "total", function: "g", from: 0 } } as FunctionRow,
    ];
    // ∫₀² e^(−x²) dx, 18 digits by two independent methods (calculus.json, i-gauss)
    expect(ask(f, { id: "q", ask: "value", function: "G", at: 2 }).value).toBeCloseTo(0.88208139076242, 9);
  });
  it("multiply: of 0 nothing is a multiple, and what comes back is told as that", () => {
    for (const text of ["x", "0 x", "min(-2 - x, 20) + 2 + x"]) {
      const found = ask([formula("N", text)], { id: "q", ask: "multiply", function: "N", factor: 2, start: 0 });
      expect([found.status, found.complete]).toEqual(["error", false]);
      expect(found.message).toMatch(/^N is 0 at \w = 0, where the counting starts, and every multiple of 0 is 0/);
    }
    const back = ask([formula("N", "5 + x")], { id: "q", ask: "multiply", function: "N", factor: 1, start: 0 });
    expect(back.says).toMatch(/^N never comes back to 5 /);
  });
  it("a value that could not be settled is neither none nor 0", () => {
    // 0 throughout, which nothing here proves
    const doubt = "sin(x)^2 + cos(x)^2 - 1";
    const asked = (text: string, q: Asked) => ask([formula("N", text)], { id: "q", ...q } as Question).message;
    expect(asked(`sqrt(${doubt})`, { ask: "multiply", function: "N", factor: 2, start: 1 })).toBe(
      "Not settled: whether N has a value at x = 1, where the counting starts.",
    );
    expect(asked("ln(x)", { ask: "multiply", function: "N", factor: 2, start: 0 })).toBe(
      "N has no value at x = 0, where the counting starts.",
    );
    expect(asked(doubt, { ask: "rate", function: "N", at: 1, as: "percent" })).toBe(
      "Not settled: whether N is 0 at x = 1, where it is the whole of a percent.",
    );
    expect(asked("x - 1", { ask: "rate", function: "N", at: 1, as: "percent" })).toBe(
      "N is 0 at x = 1; a rate in percent of 0 has no meaning.",
    );
  });
  it("a running total that was given up is not one that does not exist", () => {
    const at5 = (text: string) =>
      ask([formula("r", text), { name: "S", of: "x", by: { kind: "total", function: "r", from: 0 } }], {
        id: "q",
        ask: "value",
        function: "S",
        at: 5,
      });
    // Between 1/e and e, and sought out ever faster near π: no sum of ours ends there, though there is one.
    expect(at5("exp(sin(1/(x - pi)))")).toMatchObject({ complete: false, status: "unsettled" });
    expect(at5("exp(sin(1/(x - pi)))").says).toBe("Not settled: whether S has a value at x = 5.");
    expect(at5("1/(x - 3)^2")).toMatchObject({ complete: true, says: "S has no value at x = 5." });
  });
  it("a total over a function without bound does not say which way it goes", () => {
    const total = ask([formula("r", "-1/x^2")], { id: "q", ask: "total", function: "r", between: [0, 1] });
    expect(total.says).toBe("r has no bound near x = 0, and neither has what is summed; no total can be given.");
  });
  it("multiply: doubling, absolute input, and never", () => {
    const f = ask(
      [formula("N", "1500*1.034^x")],
      { id: "q", ask: "multiply", function: "N", factor: 2 },
      { variables: [{ name: "x", unit: "year", from: 0, to: 60 }] },
    );
    expect(f.solutions[0]!.at).toBeCloseTo(20.731324139, 8);
    expect(f.says).toMatch(/after 20\.7313 years/);
    expect(ask([formula("N", "5 - 4 exp(-x)")], { id: "q", ask: "multiply", function: "N", factor: 6 })).toMatchObject({
      status: "none",
      complete: true,
    });
  });
  it("compare: which plan is cheapest, and where that changes", () => {
    const f = ask(
      [formula("A", "40 + 28 x"), formula("B", "210 + 11 x"), formula("D", "260 + 6x")],
      { id: "q", ask: "compare", functions: ["A", "B", "D"] },
      { variables: [{ name: "x", unit: "night", from: 0, to: 30, whole: true }] },
    );
    expect(f.stretches.map((s) => [s.least, s.to])).toEqual([
      ["A", 10],
      ["D", 30],
    ]);
  });
  it("given: what must the price be so that 100 sold just pay", () => {
    const functions = [formula("C", "F + k x"), formula("P", "6 x - C")];
    const f = ask(
      functions,
      { id: "q", ask: "given", given: "k", range: [0, 10], function: "P", at: 100, value: 0 },
      {
        givens: [
          { name: "F", value: 180 },
          { name: "k", value: 2.5 },
        ],
        variables: [{ name: "x", from: 0, to: 320 }],
      },
    );
    // 600 − 180 − 100 k = 0
    expect(f.solutions.map((s) => [s.at, s.exact])).toEqual([[4.2, "21/5"]]);
  });
  it("an earlier answer, its last and its whole one, in place of a number", () => {
    const a = analyse(
      caseOf(
        [formula("f", "(x-2)(x-6.5)"), formula("g", "10 x")],
        [
          { id: "r", ask: "reach", function: "f", value: 0 },
          { id: "v", ask: "value", function: "g", at: { of: "r", pick: "last" } },
          { id: "w", ask: "value", function: "g", at: { of: "nobody" } },
          { id: "c", ask: "value", function: "g", at: { of: "c" } },
        ],
      ),
    );
    expect(a.findings.map((f) => [f.status, f.value])).toEqual([
      ["found", null],
      ["found", 65],
      ["error", null],
      ["error", null],
    ]);
  });
  it("a narrowed range sets aside what lies outside it", () => {
    const f = ask([formula("f", "(x-2)(x-6)")], { id: "q", ask: "reach", function: "f", value: 0, from: 3, to: 8 });
    expect(f.solutions.map((s) => s.at)).toEqual([6]);
    expect(f.setAside).toMatchObject([{ at: 2, reason: "below the range asked for, 3" }]);
  });
  it("rounding: up, down, nearest and none override the sensible side", () => {
    const whole = (round: "up" | "down" | "nearest" | "none" | undefined) =>
      ask(
        [formula("f", "x - 3.7")],
        { id: "q", ask: "reach", function: "f", value: 0, ...(round ? { round } : {}) },
        { variables: [{ name: "x", from: 0, to: 10, whole: true }] },
      ).solutions[0]!.whole?.at ?? null;
    expect([whole(undefined), whole("up"), whole("down"), whole("nearest"), whole("none")]).toEqual([4, 4, 3, 4, null]);
  });
  it("dates: what an input reads as", () => {
    const f = ask(
      [formula("N", "71*1.5^x")],
      { id: "q", ask: "reach", function: "N", value: 500 },
      { variables: [{ name: "x", unit: "week", since: "2031-01-06", from: 0, to: 20 }] },
    );
    // ln(500/71)/ln 1.5 = 4.8141 weeks = 33.69 days after 6 January
    expect(f.solutions[0]!.reads).toBe("8 February 2031");
  });
  it("a jump over the level is no answer and is said so", () => {
    const f = ask(
      [
        {
          name: "v",
          of: "x",
          by: {
            kind: "pieces",
            pieces: [
              { text: "x", from: 0, to: 4, ends: "[)" },
              { text: "x + 5", from: 4, to: 10 },
            ],
          },
        },
      ],
      { id: "q", ask: "reach", function: "v", value: 6 },
    );
    expect(f).toMatchObject({ status: "none", complete: true, jumps: [4] });
    expect(f.says).toContain("jumps over that value at x = 4");
  });
  it("what is not covered is an error with a plain message, and stops nothing else", () => {
    const a = analyse(
      caseOf(
        [
          { name: "N", of: "x", by: { kind: "fit", data: "d", x: "x", y: "y", model: "linear" } },
          formula("f", "x - 1"),
        ],
        [
          { id: "a", ask: "value", function: "N", at: 1 },
          { id: "b", ask: "reach", function: "f", value: 0 },
        ],
        { data: [{ name: "d", columns: [{ name: "x" }, { name: "y" }], rows: [[1, 2]] }] },
      ),
    );
    expect(a.findings.map((f) => f.status)).toEqual(["error", "found"]);
    expect(a.findings[0]!.message).toMatch(/cannot be fitted: All inputs are equal/);
  });
});
