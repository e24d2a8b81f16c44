import { describe, expect, it } from "vitest";
import { FunctionTable, spotOfConstant } from "./index";
import { integrate } from "./integrate";
import { formulaOf } from "./reading.fixture";

const table = new FunctionTable();
const total = (text: string, from: string, to: string) =>
  integrate(formulaOf(text), table, spotOfConstant(formulaOf(from)), spotOfConstant(formulaOf(to)));
const { LN2, PI, E, sqrt, log, exp, atan, tan } = Math;

describe("totals with a known antiderivative", () => {
  it.each([
    // fractions stay fractions
    ["x^2", "0", "3", "9"],
    ["x^2 - x", "1", "2", "5/6"],
    ["7", "2", "5", "21"],
    ["3 - x", "0", "6", "0"],
    ["x", "5", "2", "-21/2"],
    ["floor(x)", "0", "5/2", "2"],
    ["abs(x - 1)", "0", "3", "5/2"],
    ["min(x, 2)", "0", "5", "8"],
    ["x", "2", "2", "0"],
  ])("∫ %s from %s to %s is %s exactly", (text, from, to, wanted) => {
    const found = total(text, from, to);
    expect(
      found.ok && [found.exact?.toFraction().replace(/^(-?)(\d+) (\d+)\/(\d+)$/, "$1$2 $3/$4"), found.isImproper],
    ).toEqual([wanted, false]);
  });

  it.each([
    ["exp(x)", "0", "1", E - 1],
    ["exp(x)", "1", "0", 1 - E],
    ["1/x", "1", "2", LN2],
    ["sin(x)", "0", "pi", 2],
    ["cos(x)", "0", "pi", 0],
    ["1/(1 + x^2)", "0", "1", PI / 4],
    ["x exp(-x)", "0", "3", 1 - 4 * exp(-3)],
    ["sqrt(x)", "0", "4", 16 / 3],
    ["sqrt(1 - x^2)", "-1", "1", PI / 2],
    ["abs(sin(x))", "0", "2 pi", 4],
    ["floor(x) exp(x)", "0", "2", E ** 2 - E],
    ["atan(x)", "0", "1", PI / 4 - LN2 / 2],
    ["5 sqrt(2)", "0", "pi", 5 * sqrt(2) * PI],
    ["x^2", "0", "sqrt(2)", (2 * sqrt(2)) / 3],
    ["100*1.05^x", "0", "10", (100 * (1.05 ** 10 - 1)) / log(1.05)],
    // a spike between two of the inputs that are looked at first
    ["exp(-(1000 x - 330)^2)", "0", "1", sqrt(PI) / 1000],
  ])("∫ %s from %s to %s", (text, from, to, wanted) => {
    const found = total(text, from, to);
    if (!found.ok) throw new Error(found.reason);
    const slack = 1e-14 * (1 + Math.abs(wanted));
    expect([found.exact, found.low <= wanted + slack, found.high >= wanted - slack]).toEqual([null, true, true]);
    expect(found.value).toBeCloseTo(wanted, 9);
    expect(found.high - found.low).toBeLessThan(1e-8 * (1 + Math.abs(wanted)));
  });

  // Without bound at an end, or with a rate there that has none.
  it.each([
    ["1/sqrt(x)", "0", "4", 4],
    ["1/sqrt(4 - x)", "0", "4", 4],
    ["x^(-2/3)", "0", "8", 6],
    ["ln(x)", "0", "1", -1],
    ["ln(x)", "1", "0", 1],
    ["ln(x)/sqrt(x)", "0", "1", -4],
    ["x ln(x)", "0", "1", -0.25],
    ["1/sqrt(1 - x^2)", "0", "1", PI / 2],
    ["1/sqrt(abs(x - 1))", "0", "2", 4],
    ["ln(abs(x))", "-1", "1", -2],
    ["exp(-1/x)/x^2", "0", "1", 1 / E],
    // with y = 1/x these are ∫ y e^−y from 1 on and, but for 10^−54 of it, ∫ y⁸ e^−y from 0 on: 2/e and 8!
    ["x^(-3) exp(-1/x)", "0", "1", 2 / E],
    ["x^(-10) exp(-1/x)", "0", "1000000", 40_320],
    ["1/(sqrt(x) (1 + x))", "0", "1", 2 * atan(1)],
    // sums of powers, which cancel in part: each is 3/2 x^(2/3), 3 x^(1/3) … between the ends
    ["1/cbrt(x) - 1", "0", "4", 1.5 * 4 ** (2 / 3) - 4],
    ["x^(-2/3) - 5 x^(-1/3) + 2", "0", "8", -8],
    ["1/sqrt(x) - ln(x) + x^2", "0", "9", 258 - 9 * log(9)],
    ["1/sqrt(4 - x) - cbrt(4 - x)", "0", "4", 4 - 0.75 * 4 ** (4 / 3)],
    // each of these has no integral by itself: ln tan(1/2) − ln 1/2 with the sign turned
    ["1/x - 1/sin(x)", "0", "1", -log(2 * tan(0.5))],
  ])("∫ %s from %s to %s, over an end without bound", (text, from, to, wanted) => {
    const found = total(text, from, to);
    if (!found.ok) throw new Error(found.reason);
    expect(found.low).toBeLessThanOrEqual(wanted + 1e-9);
    expect(found.high).toBeGreaterThanOrEqual(wanted - 1e-9);
    expect(found.value).toBeCloseTo(wanted, 4);
    expect(found.high - found.low).toBeLessThan(1e-6 * Math.abs(wanted));
  });

  it.each([
    ["1/x", "0", "1", "unbounded", 0],
    ["1/x", "-1", "1", "unbounded", 0],
    ["1/(x - 1)^2", "0", "3", "unbounded", 1],
    ["1/x^1.5", "0", "1", "unbounded", 0],
    ["ln(x)/x", "0", "1", "unbounded", 0],
    ["exp(1/x)", "0", "1", "unbounded", 0],
    ["tan(x)", "0", "2", "unbounded", PI / 2],
    ["sqrt(x)", "-1", "1", "undefined", -1],
    ["ln(x)", "-1", "1", "undefined", -1],
    ["asin(x)", "0", "2", "undefined", 1],
  ])("∫ %s from %s to %s does not exist: %s near %s", (text, from, to, reason, near) =>
    expect(total(text, from, to)).toEqual({ ok: false, reason, near: expect.closeTo(near, 9) }),
  );
});
