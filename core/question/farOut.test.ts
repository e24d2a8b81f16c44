import { describe, expect, it } from "vitest";
import { askAlone, atLeast, greatest, least, reach } from "./askedAlone.fixture";
import { analysed } from "./full.fixture";
import { oneFunction } from "./oneFunction.fixture";

describe("what happens far out, or close to an end, as far as doubles go", () => {
  // x − 4 · 10⁻¹⁶ x² = x (1 − 4 · 10⁻¹⁶ x) turns at 1/(8 · 10⁻¹⁶) and falls from there on.
  it("a peak at 10¹⁵ is the only one", () =>
    expect(askAlone("x - 4e-16 x^2", { from: 0 }, greatest)).toMatchObject({
      complete: true,
      value: 625e12,
      solutions: [{ at: 1.25e15 }],
    }));
  it("and beyond it there is no least value", () =>
    expect(askAlone("x - 4e-16 x^2", { from: 0 }, least)).toMatchObject({ status: "none", complete: true }));
  it("ln(x) is at least 300 from e³⁰⁰ on", () => {
    const found = askAlone("ln(x)", {}, atLeast(300));
    expect(found).toMatchObject({ complete: true, stretches: [{ to: null }] });
    expect(found.stretches[0]!.from! / Math.exp(300)).toBeCloseTo(1, 9);
  });
  // 1 − tanh² is nothing but rounding from 20 on, while the slope of ln(x) is still 1/20.
  it.each(["ln(x) - tanh(x/7)", "log10(27 + x^2) - 3 tanh(x/7)", "sqrt(x) + 40/cosh(x)"])(
    "%s grows without bound",
    (text) =>
      expect(askAlone(text, { from: 1 }, greatest)).toMatchObject({
        status: "none",
        complete: true,
        told: "f has no greatest value: it grows without bound as x grows.",
      }),
  );
});

describe("what comes to a bound far out", () => {
  // The slope of (x + 2)/√(x² + 24) is (24 − 2x)/√(x² + 24)³: from −1 up to 12, then down to 1.
  it("on the right is passed before", () =>
    expect(askAlone("(x + 2)/sqrt(x^2 + 24)", {}, greatest)).toMatchObject({
      complete: true,
      solutions: [{ at: 12 }],
    }));
  it("on the left is never reached", () =>
    expect(askAlone("(x + 2)/sqrt(x^2 + 24)", {}, least)).toMatchObject({
      status: "none",
      complete: true,
      bound: { value: -1, at: null },
    }));
  // Two seasons: beyond them both vanish far below all doubles, and each outlives the other on its own side.
  it("two humps are greatest on one of them, and never 0", () => {
    const text = "48 exp(-(x - 3)^2/29) + 35 exp(-(x - 26)^2/29)";
    const top = askAlone(text, {}, greatest);
    expect(top).toMatchObject({ complete: true, status: "found" });
    expect(top.solutions.map((s) => s.at)).toEqual([expect.closeTo(3, 3)]);
    expect(askAlone(text, {}, least)).toMatchObject({ status: "none", complete: true, bound: { value: 0 } });
  });
  // 1/(1 + e^−u) − 1/(1 + e^−v) with u and v 7 apart: by symmetry greatest halfway, at 15.
  it("what comes and goes at one speed is greatest halfway", () => {
    const found = askAlone("1/(1 + exp(-(x - 8)/2)) - 1/(1 + exp(-(x - 22)/2))", {}, greatest);
    expect(found).toMatchObject({ complete: true, solutions: [{ at: expect.closeTo(15, 9) }] });
  });
  it("a slope beside a wave that cannot hold it back grows without bound", () => {
    expect(askAlone("x + 2 sin(x)", { from: 0 }, greatest)).toMatchObject({ complete: true, bound: { value: null } });
    expect(askAlone("sin(x)^2 + cos(x)^2 + x/3", {}, least)).toMatchObject({ complete: true, bound: { value: null } });
  });
  // 54 − 2 ln(x + 1) is 4 at e²⁵ − 1 = 7.2 · 10¹⁰: on that range 6 is next to nothing.
  it("a place at 6 is found beside one at 10¹⁰", () => {
    const found = askAlone("x (54 - 2 ln(x + 1)) - 4x", { from: 0 }, reach(315));
    expect(found.complete).toBe(true);
    expect(found.solutions).toHaveLength(2);
    const [near, far] = found.solutions.map((s) => s.at) as [number, number];
    expect(near * (50 - 2 * Math.log(near + 1))).toBeCloseTo(315, 9);
    expect(far / (Math.exp(25) - 1)).toBeCloseTo(1, 6);
  });
  // ln(1 + x/6) is 10⁻¹⁶ off for the smallest x; that is no better value than 0.
  it("rounding beside a best value of 0 is no disagreement", () =>
    expect(askAlone("25 ln(1 + x/6) - 4.7x", { from: 0 }, greatest)).toMatchObject({ complete: true, value: 0 }));
});

// Of exponents that do not cancel as they are written something may be taken out again and again.
it("slopes of long exponentials end", () => {
  const given = oneFunction("h'(1 - x) + 0.25", { from: 0, to: 10, whole: true }, [greatest]);
  const long = { name: "h", of: "x", by: { kind: "formula" as const, text: "((exp(x + 1/x))^3)^1.5" } };
  const [found] = analysed({ ...given, functions: [long, ...given.functions!] }).findings;
  expect(["error", "cut"]).not.toContain(found!.status);
});

describe("ties of waves", () => {
  // sin(πx/2) and cos(πx/11) are both the same on either side of 11.
  it("two tides are highest twice in their common period", () => {
    const found = askAlone("71 + 76 sin(pi x/2) + 7 cos(pi x/11)", { from: 0 }, greatest);
    expect(found).toMatchObject({ complete: true, repeats: { every: 44 } });
    expect(found.solutions.map((s) => s.at)).toEqual([expect.closeTo(0.997005, 6), expect.closeTo(21.002995, 6)]);
  });
  // With s = sin(x/2) the value is 3s + 1 − 2s², which is greatest, 17/8, where s is 3/4.
  it("waves whose middle is π are highest on both sides of it", () => {
    const found = askAlone("3 sin(x/2) + cos(x)", { from: 0, to: 6 }, greatest);
    expect(found).toMatchObject({ complete: true, value: 2.125 });
    const first = 2 * Math.asin(0.75);
    expect(found.solutions.map((s) => s.at)).toEqual([
      expect.closeTo(first, 9),
      expect.closeTo(2 * Math.PI - first, 9),
    ]);
  });
});
