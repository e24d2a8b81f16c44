import { describe, expect, it } from "vitest";
import { ratio, toDouble } from "../numeric";
import { compileNumber } from "../formula";
import { Leading } from "./leading";
import { FunctionTable } from "./table";
import { spotOfRational } from "./spot";
import type { Term } from "./growth";
import { formulaOf } from "./reading.fixture";

// What stands here is worked out by hand: near a place x = p ± t, far out x = ±1/t, each for 0 < t ≤ δ = 1/256.
const DELTA = 2 ** -8;
const AT: Record<string, { spot: number | null; side: 1 | -1 }> = {
  "0+": { spot: 0, side: 1 },
  "0-": { spot: 0, side: -1 },
  "2+": { spot: 2, side: 1 },
  "2-": { spot: 2, side: -1 },
  "+∞": { spot: null, side: 1 },
  "-∞": { spot: null, side: -1 },
};
const table = new FunctionTable();
const approachOf = (at: string) => {
  const { spot, side } = AT[at]!;
  return { spot: spot === null ? null : spotOfRational(ratio(spot)), side, delta: DELTA };
};
const leading = (text: string, at: string) => new Leading(approachOf(at), table).of(formulaOf(text));
const inputAt = (at: string, t: number) => {
  const { spot, side } = AT[at]!;
  return spot === null ? side / t : spot + side * t;
};

/** value / (t^r L^s e^w), which the factor is to hold. */
function quotientAt(text: string, at: string, t: number, term: Term): number {
  const x = inputAt(at, t);
  const w = term.w ? compileNumber(term.w.source, table.number)(x) : 0;
  return (
    compileNumber(formulaOf(text), table.number)(x) /
    (t ** toDouble(term.r) * Math.log(1 / t) ** toDouble(term.s)) /
    Math.exp(w)
  );
}

describe("a leading term", () => {
  // formula, place, order r of t, order s of ln(1/t), its exponent, lowest and highest factor on the whole side
  it.each([
    // by Taylor's theorem: the first derivative that is not 0, over the side
    ["sin(x)", "0+", 1, 0, null, Math.cos(DELTA), 1],
    ["sin(x)", "0-", 1, 0, null, -1, -Math.cos(DELTA)],
    ["x^2 - 4", "2+", 1, 0, null, 4, 4 + 2 * DELTA],
    ["x^2 - 4", "2-", 1, 0, null, -4, -4 + 2 * DELTA],
    ["(x - 2)^3", "2-", 3, 0, null, -1, -1],
    // terms of x are taken together: x − 2 is t, and √t outgrows it
    ["sqrt(x - 2) - (x - 2)", "2+", 0.5, 0, null, 1 - DELTA ** 0.5, 1],
    ["(x - 2)^2 - cbrt(x - 2)", "2-", 1 / 3, 0, null, 1, 1 + DELTA ** (5 / 3)],
    // quotients of polynomials far out
    ["x", "-∞", -1, 0, null, -1, -1],
    ["2x^2 + 3x", "+∞", -2, 0, null, 2, 2 + 3 * DELTA],
    ["2x^2 + 3x", "-∞", -2, 0, null, 2 - 3 * DELTA, 2],
    ["(4x + 1)/(2x^3)", "+∞", 2, 0, null, 2, 2 + DELTA / 2],
    ["(4x + 1)/(2x^3)", "-∞", 2, 0, null, 2 - DELTA / 2, 2],
    // bounded functions of what vanishes: by how they start
    ["sin(1/x)", "+∞", 1, 0, null, 1 - DELTA ** 2 / 6, 1],
    ["sin(1/x)", "-∞", 1, 0, null, -1, -1 + DELTA ** 2 / 6],
    ["atan(1/x)", "+∞", 1, 0, null, 1 / (1 + DELTA ** 2), 1],
    ["asin(1/x)", "+∞", 1, 0, null, 1, 1 + DELTA ** 2],
    ["asin(200/x)", "+∞", 1, 0, null, 200, 200 * 1.5708],
    // … and by their range
    ["cos(1/x)", "+∞", 0, 0, null, Math.cos(DELTA), 1],
    ["acos(1/x)", "+∞", 0, 0, null, Math.acos(DELTA), Math.PI / 2],
    ["sin(512/x)", "+∞", 1, 0, null, null, null],
    ["sin(2 + 1/x)", "+∞", 0, 0, null, Math.sin(2 + DELTA), Math.sin(2)],
    // arguments that go far
    ["sin(x)", "+∞", 0, 0, null, -1, 1],
    ["cos(x^2)", "-∞", 0, 0, null, -1, 1],
    ["atan(x)", "+∞", 0, 0, null, Math.atan(256), Math.PI / 2],
    ["atan(x)", "-∞", 0, 0, null, -Math.PI / 2, -Math.atan(256)],
    ["atan(x^2/2)", "-∞", 0, 0, null, Math.atan(32768), Math.PI / 2],
    ["atan(-3x)", "+∞", 0, 0, null, -Math.PI / 2, -Math.atan(768)],
    ["atan(x ln(x))", "+∞", 0, 0, null, Math.atan(256), Math.PI / 2],
    ["atan(x/ln(x))", "+∞", 0, 0, null, 0, Math.PI / 2],
    ["atan(ln(x))", "+∞", 0, 0, null, 0, Math.PI / 2],
    ["atan(ln(x))", "0+", 0, 0, null, -Math.PI / 2, 0],
    ["atan(exp(x))", "+∞", 0, 0, null, 0, Math.PI / 2],
    // exponentials: by the range of the exponent where it has one, else kept as growth
    ["exp(1/x)", "+∞", 0, 0, null, 1, Math.exp(DELTA)],
    ["exp(3 - 1/x)", "+∞", 0, 0, null, Math.exp(3 - DELTA), Math.exp(3)],
    ["exp(-2x)", "+∞", 0, 0, "-2x", 1, 1],
    ["7 exp(x^2)", "-∞", 0, 0, "x^2", 7, 7],
    ["exp(1/x)", "0-", 0, 0, "1/x", 1, 1],
    ["x^3 exp(-x)", "+∞", -3, 0, "-x", 1, 1],
    ["exp(x)/exp(3x)", "+∞", 0, 0, "x - 3x", 1, 1],
    ["exp(x)/exp(x)", "+∞", 0, 0, null, 1, 1],
    ["(exp(x) + 1) exp(-x)", "+∞", 0, 0, null, 1, 1 + Math.exp(-256) * 1.01],
    ["3^x", "+∞", 0, 0, "x ln(3)", 1, 1],
    ["x^x", "+∞", 0, 0, "x ln(x)", 1, 1],
    ["sqrt(exp(x))", "+∞", 0, 0, "0.5 x", 1, 1],
    // logarithms
    ["ln(x)", "+∞", 0, 1, null, 1, 1],
    ["ln(x)", "0+", 0, 1, null, -1, -1],
    ["ln(5x^2)", "+∞", 0, 1, null, 2, 2 + Math.log(5) / Math.log(256)],
    ["ln(exp(x) + x)", "+∞", 0, 0, null, null, null],
    ["log10(x)", "+∞", 0, 1, null, 1 / Math.LN10, 1 / Math.LN10],
    ["log2(x)", "0+", 0, 1, null, -1 / Math.LN2, -1 / Math.LN2],
    ["ln(7 + 1/x)", "+∞", 0, 0, null, Math.log(7), Math.log(7 + DELTA)],
    ["ln(1 + 1/x)", "+∞", 1, 0, null, 1 / (1 + DELTA), 1],
    ["ln(1 - 1/x)", "+∞", 1, 0, null, -1 / (1 - DELTA), -1],
    ["x ln(x)", "0+", 1, 1, null, -1, -1],
    ["1/ln(x)", "0+", 0, -1, null, -1, -1],
    ["ln(x)^3", "+∞", 0, 3, null, 1, 1],
    ["ln(x ln(x))", "+∞", 0, 1, null, 1, 1 + Math.log(Math.log(256)) / Math.log(256)],
    ["ln(x/ln(x))", "+∞", 0, 1, null, 1 - Math.log(Math.log(256)) / Math.log(256), 1],
    // roots and powers
    ["sqrt(x)", "0+", 0.5, 0, null, 1, 1],
    ["cbrt(x)", "0-", 1 / 3, 0, null, -1, -1],
    ["cbrt(8x)", "-∞", -1 / 3, 0, null, -2, -2],
    ["x^(-3/2)", "0+", -1.5, 0, null, 1, 1],
    ["sqrt(4x^2 + 1)", "+∞", -1, 0, null, 2, Math.sqrt(4 + DELTA ** 2)],
    ["sqrt(x^2 + 1) - x", "+∞", 1, 0, null, 1 / (1 + Math.sqrt(1 + DELTA ** 2)), 0.5],
    ["2 sqrt(x^2 + 1) - 2x", "+∞", 1, 0, null, 2 / (1 + Math.sqrt(1 + DELTA ** 2)), 1],
    ["x - sqrt(x^2 + 1)", "+∞", 1, 0, null, -0.5, -1 / (1 + Math.sqrt(1 + DELTA ** 2))],
    // sums: what is outgrown adds no more than its greatest share
    ["x + ln(x)", "+∞", -1, 0, null, 1, 1 + DELTA * Math.log(256)],
    ["x - 3 sqrt(x)", "+∞", -1, 0, null, 1 - 3 * Math.sqrt(DELTA), 1],
    ["1/x + ln(x)", "0+", -1, 0, null, 1 - DELTA * Math.log(256), 1],
    ["sqrt(x) + x", "0+", 0.5, 0, null, 1, 1 + Math.sqrt(DELTA)],
    // hyperbolic functions are sums of exponentials
    ["sinh(x)", "+∞", 0, 0, "x", 0.5 - 1e-9, 0.5],
    ["cosh(x)", "-∞", 0, 0, "-x", 0.5, 0.5 + 1e-9],
    ["tanh(x)", "+∞", 0, 0, null, 1 - 1e-9, 1],
    ["tanh(x)", "-∞", 0, 0, null, -1, -1 + 1e-9],
    ["tan(1/x)", "+∞", 1, 0, null, 1 - DELTA ** 2 / 6, 1 / Math.cos(DELTA)],
    // stairs are within 1 of an argument that goes far
    ["floor(x)", "+∞", -1, 0, null, 1 - DELTA, 1 + DELTA],
    ["round(-2x)", "+∞", -1, 0, null, -2 - DELTA, -2 + DELTA],
    ["1/(1 + exp(-x)) - 1", "+∞", 0, 0, "-x", -1, -1 + 1e-9],
    ["7", "+∞", 0, 0, null, 7, 7],
  ] as const)("%s at %s: t^%s L^%s exp(%s), factor %s … %s", (text, at, r, s, w, lo, hi) => {
    const term = leading(text, at)!;
    for (const share of [1, 0.5, 0.1, 0.01]) {
      const quotient = quotientAt(text, at, DELTA * share, term);
      // What is beyond doubles, or lost in rounding beside 1, is not seen here.
      if (!Number.isFinite(quotient) || quotient === 0) continue;
      const slack = 1e-7 * Math.max(1, Math.abs(quotient));
      expect(quotient).toBeGreaterThanOrEqual(term.c.lo - slack);
      expect(quotient).toBeLessThanOrEqual(term.c.hi + slack);
    }
    if (lo === null) return;
    expect([toDouble(term.r), toDouble(term.s)]).toEqual([expect.closeTo(r, 12), s]);
    const exponent = term.w && compileNumber(term.w.source, table.number)(inputAt(at, 1 / 300));
    const wanted = w === null ? null : compileNumber(formulaOf(w), table.number)(inputAt(at, 1 / 300));
    expect(exponent).toEqual(wanted === null ? null : expect.closeTo(wanted, 6));
    expect([term.c.lo, term.c.hi]).toEqual([expect.closeTo(lo, 6), expect.closeTo(hi, 6)]);
  });

  it.each([
    // two logarithms that cancel: what is left is not seen
    ["ln(x + 1) - ln(x)", "+∞"],
    // a function without values on that side
    ["sqrt(x)", "0-"],
    ["ln(x)", "-∞"],
    // the logarithm of a logarithm's power is of no order here
    ["ln(ln(x))", "+∞"],
    ["floor(1/x)", "+∞"],
    // an exponent of no certain growth
    ["exp(x sin(x))", "+∞"],
    ["exp(ln(x)^2)", "+∞"],
    // a stretch in which the divisor may be 0
    ["1/sin(x)", "+∞"],
    ["tan(x)", "+∞"],
    ["acos(x)", "+∞"],
    ["sin(x) - cos(x)", "+∞"],
    ["sqrt(sin(x) - 2)", "+∞"],
  ])("%s at %s: nothing is claimed of its sign", (text, at) => {
    const term = leading(text, at);
    if (term) expect([term.c.lo <= 0, term.c.hi >= 0]).toEqual([true, true]);
  });

  it("what is nothing on the whole side is nothing", () => {
    for (const [text, at] of [
      ["0 x", "0+"],
      ["x - x", "+∞"],
      ["0 exp(x)", "+∞"],
    ] as const) {
      const term = leading(text, at)!;
      expect([term.c.lo, term.c.hi]).toEqual([0, 0]);
    }
  });
});
