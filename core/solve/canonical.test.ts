import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { expressionText, resolve, type Expression } from "../formula";
import { canonical, encloseConstant, tidied } from ".";

const scope = { variable: "x", givens: new Map(), functions: new Map(), variables: new Set<string>() };
const read = (text: string): Expression => resolve(text, scope).expression!;
const shape = (text: string): string => expressionText(canonical(read(text)), "x");

describe("exact forms have one shape", () => {
  it.each([
    ["(100/3) ln(2 (2000 exp(0))/2000)", "100 ln(2)/3"],
    ["(15 - sqrt(75))/3", "(15 - 5 sqrt(3))/3"],
    ["5 - 5 sqrt(3)/3", "(15 - 5 sqrt(3))/3"],
    ["sqrt(97425)", "15 sqrt(433)"],
    ["1/sqrt(2)", "sqrt(2)/2"],
    ["sqrt(2) sqrt(6)", "2 sqrt(3)"],
    ["cbrt(16)", "2 cbrt(2)"],
    ["ln(8) - ln(2)", "2 ln(2)"],
    ["ln(4)/ln(3)", "2 ln(2)/ln(3)"],
    ["ln(0.5)", "-ln(2)"],
    ["ln(1.625)/ln(1.042)", "ln(1.625)/ln(1.042)"],
    ["ln(9)/(2 ln(2))", "ln(3)/ln(2)"],
    ["-ln(0.15)/0.5 + 7", "7 + 2 ln(20/3)"],
    ["2 pi/3 - pi", "-pi/3"],
    ["exp(2)*3/3", "exp(2)"],
    ["1*7 - -3", "10"],
    ["sqrt(12) + ln(6)/ln(6)", "2 sqrt(3) + 1"],
    // several logarithms are one, as long as that is short: 3²/2² · 5 is 11.25, 2⁴⁵ · 3 has fifteen digits
    ["2 ln(3) - 2 ln(2) + ln(5)", "ln(11.25)"],
    ["ln(2) - ln(3)", "-ln(1.5)"],
    ["ln(3)/2 + ln(5)/3", "ln(675)/6"],
    ["45 ln(2) + ln(3)", "ln(105553116266496)"],
  ])("%s is %s", (text, wanted) => expect(shape(text)).toBe(wanted));

  it.each([
    ["40 ln(3) + ln(2)"],
    ["ln(2) - 40 ln(3)"],
    ["61 ln(2) + ln(3)"],
    ["ln(3) - 61 ln(2)"],
    ["ln(2)/1000000007 + ln(3)/998244353"],
  ])("%s stays two logarithms", (text) => {
    const made = shape(text);
    expect(made.match(/ln/g)).toHaveLength(2);
    expect(made).not.toMatch(/\d{16}/);
  });

  it("of the same value, and of one shape when shaped again", () => {
    const part = fc.constantFrom("sqrt(2)", "sqrt(12)", "ln(3)", "ln(6)", "pi", "1/3", "7", "cbrt(5)", "ln(0.2)");
    const sign = fc.constantFrom("+", "-", "*", "/");
    fc.assert(
      fc.property(part, sign, part, sign, part, (a, s, b, t, c) => {
        const text = `(${a}) ${s} (${b}) ${t} (${c})`;
        const made = canonical(read(text));
        const [was, now] = [encloseConstant(read(text)), encloseConstant(made)];
        expect([text, was.lo <= now.hi && now.lo <= was.hi]).toEqual([text, true]);
        expect(expressionText(canonical(made), "x")).toBe(expressionText(made, "x"));
      }),
      { numRuns: 300 },
    );
  });
});

describe("an expression is tidied as a person would write it", () => {
  it.each([
    ["-0.7/x^2 - (-ln(2) (1/(1 + x))/ln(1 + x)^2)", "ln(2)/((1 + x) ln(1 + x)^2) - 0.7/x^2"],
    ["2 (3 (x exp(x)))", "6 x exp(x)"],
    ["exp(x) + exp(x)", "2 exp(x)"],
    ["exp(x) - exp(x)", "0"],
    ["1/x - 1/x", "0/x"],
    ["(x - 2)*8*exp(x)", "(8 x - 16) exp(x)"],
    ["-sqrt(x) + 5", "5 - sqrt(x)"],
    ["x*(1/x) + ln(x)", "1 + ln(x)"],
    ["x*x^(-2.5)", "x^(-1.5)"],
  ])("%s is %s", (text, wanted) => expect(expressionText(tidied(read(text)), "x")).toBe(wanted));
});
