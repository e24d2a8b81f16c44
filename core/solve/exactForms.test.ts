import { describe, expect, it } from "vitest";
import { ratio, rationalOfDecimal } from "../numeric";
import { expressionText } from "../formula";
import { encloseConstant } from "./encloseConstant";
import { formOf, quadraticExact, rationalExact, rootExpression } from "./exactForm";
import { formulaOf } from "./reading.fixture";

const num = (t: string) => rationalOfDecimal(t)!;

describe("roots of a parabola in closed form", () => {
  it.each([
    // a, b, c; lesser and greater root
    ["1", "0", "-2", "-sqrt(2)", "sqrt(2)"],
    ["1", "0", "-12", "-2 sqrt(3)", "2 sqrt(3)"],
    ["1", "-2", "-1", "1 - sqrt(2)", "1 + sqrt(2)"],
    ["1", "-345", "5400", "(345 - 15 sqrt(433))/2", "(345 + 15 sqrt(433))/2"],
    ["2", "0", "-1", "-sqrt(2)/2", "sqrt(2)/2"],
    ["3", "0", "-4", "-2 sqrt(3)/3", "2 sqrt(3)/3"],
    ["2", "2", "-1", "(-1 - sqrt(3))/2", "(-1 + sqrt(3))/2"],
    ["1", "1", "-1", "(-1 - sqrt(5))/2", "(-1 + sqrt(5))/2"],
    ["-1", "0", "2", "-sqrt(2)", "sqrt(2)"],
    ["0.5", "-1", "-0.5", "1 - sqrt(2)", "1 + sqrt(2)"],
    ["1", "4", "-4", "-2 - 2 sqrt(2)", "-2 + 2 sqrt(2)"],
    ["1", "0", "-4001999", "-sqrt(4001999)", "sqrt(4001999)"],
  ])("%s x² + %s x + %s: %s and %s", (a, b, c, low, high) => {
    const told = ([-1, 1] as const).map((side) => quadraticExact(num(a), num(b), num(c), side));
    expect(told.map((f) => f.text)).toEqual([low, high]);
    for (const [i, f] of told.entries()) {
      const { lo, hi } = encloseConstant(f.expression);
      const x = (lo + hi) / 2;
      expect(Number(a) * x * x + Number(b) * x + Number(c)).toBeCloseTo(0, 6);
      expect(i === 0 ? x : -x).toBeLessThan(i === 0 ? -Number(b) / (2 * Number(a)) : Number(b) / (2 * Number(a)));
    }
  });
  it("as they are typeset", () => {
    const latex = (a: string, b: string, c: string, side: 1 | -1) => quadraticExact(num(a), num(b), num(c), side).latex;
    expect(latex("1", "0", "-2", -1)).toBe("-\\sqrt{2}");
    expect(latex("1", "0", "-12", 1)).toBe("2\\sqrt{3}");
    expect(latex("1", "-2", "-1", 1)).toBe("1 + \\sqrt{2}");
    expect(latex("1", "-2", "-1", -1)).toBe("1 - \\sqrt{2}");
    expect(latex("2", "0", "-1", -1)).toBe("\\frac{-\\sqrt{2}}{2}");
    expect(latex("1", "-345", "5400", -1)).toBe("\\frac{345 - 15\\sqrt{433}}{2}");
  });
  it("whole squares come out of roots of long numbers too, as far as small primes go", () => {
    const side = (c: bigint) => quadraticExact(ratio(1), ratio(0), ratio(-c), 1).text;
    expect(side(2n ** 60n * 3n)).toBe(`${2n ** 30n} sqrt(3)`);
    expect(side(7n ** 2n * (2n ** 61n - 1n))).toBe(`7 sqrt(${2n ** 61n - 1n})`);
    expect(side(2n ** 53n * 5n)).toBe(`${2n ** 26n} sqrt(10)`);
    // a prime beyond those looked for, and a number nobody reads
    expect(side(2003n ** 2n * 2n)).toBe(`sqrt(${2003n ** 2n * 2n})`);
    expect(side(10n ** 31n * 4n)).toBe(`sqrt(${4n * 10n ** 31n})`);
    expect(side(4n)).toMatch(/^2 sqrt\(1\)$/);
  });
});

describe("numbers in closed form", () => {
  it.each([
    ["2 (5 pi/6 - pi/6)", "4 pi/3"],
    ["-pi/2", "-pi/2"],
    ["pi - 2 pi", "-pi"],
    ["pi + pi", "2 pi"],
    ["pi/3 + 2", "2 + pi/3"],
    ["2 - pi/3", "2 - pi/3"],
    ["1/2 - 5 pi/4", "0.5 - 5 pi/4"],
    ["-1 - pi", "-1 - pi"],
    ["sqrt(2) pi", "sqrt(2) pi"],
    ["sqrt(12)", "2 sqrt(3)"],
    ["ln(8)/ln(2)", "3"],
  ])("%s is told as %s", (text, wanted) => {
    const form = formOf(formulaOf(text));
    expect(form.text).toBe(wanted);
    expect(expressionText(form.expression, "")).toBe(wanted);
    const [a, b] = [form.expression, formulaOf(text)].map(encloseConstant);
    expect(a!.lo <= b!.hi && b!.lo <= a!.hi).toBe(true);
  });
  it("fractions", () => {
    const told = ["7", "-7", "0"].map((t) => [rationalExact(num(t)).text, rationalExact(num(t)).latex]);
    expect(told).toEqual([
      ["7", "7"],
      ["-7", "-7"],
      ["0", "0"],
    ]);
    expect([rationalExact(ratio(-7, 2)), rationalExact(ratio(7, 2))].map((f) => [f.text, f.latex])).toEqual([
      ["-7/2", "-\\frac{7}{2}"],
      ["7/2", "\\frac{7}{2}"],
    ]);
    expect([1, 2, 3, 4].map((k) => expressionText(rootExpression(formulaOf("x"), k), "x"))).toEqual([
      "x",
      "sqrt(x)",
      "cbrt(x)",
      "root(x, 4)",
    ]);
  });
});
