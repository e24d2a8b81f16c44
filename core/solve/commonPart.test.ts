import { describe, expect, it } from "vitest";
import { expressionText } from "../formula";
import { toDouble } from "../numeric";
import { commonParts } from "./commonPart";
import { formulaOf } from "./reading.fixture";

/** `exp(x): 0 0 1`: of each part that others may be polynomials in, what the other formula is in it, lowest first. */
const read = (e: string, other: string) =>
  commonParts(formulaOf(e)).map((part) => {
    const p = part.read(formulaOf(other));
    return `${expressionText(part.expression, "x")}: ${p ? p.map(toDouble).join(" ") : "–"}`;
  });
const parts = (e: string) => commonParts(formulaOf(e)).map((p) => expressionText(p.expression, "x"));

describe("what stands for x in formulas that are polynomials in it", () => {
  it.each([
    ["x^2 + 3", []],
    ["sin(x) + sin(2 x)", ["sin(x)", "sin(2 x)"]],
    ["sin(x) + 5 sin(x)", ["sin(x)"]],
    ["cos(x)^2 - cos(x)", ["cos(x)"]],
    ["exp(2 x) - exp(x)", ["exp(2 x)", "exp(x)"]],
    ["4^x - 2^x", ["4^x", "2^x"]],
    ["x - sqrt(x)", ["sqrt(x)"]],
    ["x - root(x, 5)", []],
    ["x^1.5 + x^2", ["sqrt(x)"]],
    ["x^(1/3) + x", ["cbrt(x)"]],
    ["x^(-0.5) + x", []],
    ["x^(1/13) + x", []],
    ["x^(1/12) + x", ["root(x, 12)"]],
    ["ln(x)^2 - ln(x)", ["ln(x)"]],
    ["log10(x) + tan(x) + abs(x)", ["log10(x)", "tan(x)", "abs(x)"]],
    ["atan(x) + asin(x)", []],
    ["x^x + x^pi", []],
    ["sin(ln(x))", ["sin(ln(x))"]],
    ["sin(1) + x", []],
  ])("in %s: %j", (e, wanted) => expect(parts(e)).toEqual(wanted));

  it.each([
    // the part itself, what is a power of it, what is none
    ["sin(x)", "sin(x)", "0 1"],
    ["sin(x)", "cos(x)^2", "1 0 -1"],
    ["sin(x)", "cos(2 x)", "1 0 -2"],
    ["sin(x)", "cos(3 x)", "–"],
    ["sin(x)", "sin(2 x)", "–"],
    ["sin(x)", "cos(x)^3", "–"],
    ["sin(x)", "cos(2 x)^2", "–"],
    ["sin(x)", "sin(x)^2", "–"],
    ["sin(x)", "cosh(2 x)", "–"],
    ["cos(x)", "cos(x)", "0 1"],
    ["cos(x)", "sin(x)^2", "1 0 -1"],
    ["cos(x)", "cos(2 x)", "-1 0 2"],
    ["cos(x)", "cos(3 x)", "0 -3 0 4"],
    ["cos(x)", "cos(12 x)", "1 0 -72 0 840 0 -3584 0 6912 0 -6144 0 2048"],
    ["cos(x)", "cos(13 x)", "–"],
    ["cos(x)", "sin(2 x)", "–"],
    ["cos(x)", "cos(x/2)", "–"],
    ["cos(x)", "cos(-x)", "–"],
    ["cos(x + 1)", "cos(2 x + 2)", "-1 0 2"],
    ["cos(x + 1)", "cos(2 x + 1)", "–"],
    ["exp(x)", "exp(x)", "0 1"],
    ["exp(x)", "exp(3 x)", "0 0 0 1"],
    ["exp(x)", "exp(-x)", "–"],
    ["exp(x)", "exp(x/2)", "–"],
    ["exp(x)", "exp(x + 1)", "–"],
    ["exp(x)", "exp(0 x)", "–"],
    ["exp(x)", "ln(3 x)", "–"],
    ["exp(sin(x))", "exp(2 sin(x))", "–"],
    ["2^x", "2^(2 x)", "0 0 1"],
    ["2^x", "3^(2 x)", "–"],
    ["2^x", "exp(x)", "–"],
    ["sqrt(x)", "x", "0 0 1"],
    ["sqrt(x)", "sqrt(x)", "0 1"],
    ["sqrt(x)", "x^1.5", "0 0 0 1"],
    ["sqrt(x)", "x^(1/3)", "–"],
    ["sqrt(x)", "x^(-0.5)", "–"],
    ["sqrt(x)", "sqrt(x + 1)", "–"],
    ["x^(2/3)", "x^(1/3)", "0 1"],
    ["x^(2/3)", "x", "0 0 0 1"],
    ["x^(2/3)", "x^(4/3)", "0 0 0 0 1"],
    ["ln(x)", "ln(x)", "0 1"],
    ["ln(x)", "ln(2 x)", "–"],
    ["abs(x)", "abs(x)", "0 1"],
  ])("of %s, %s is %s", (e, other, wanted) => expect(read(e, other)[0]!.split(": ")[1]).toBe(wanted));

  it("no power beyond the highest degree is told, and not endlessly many parts are looked for", () => {
    expect(read("exp(x)", "exp(5000 x)")).toEqual(["exp(x): –"]);
    expect(read("sqrt(x)", "x^2000.5")).toEqual(["sqrt(x): –"]);
    const many = Array.from({ length: 60 }, (_, i) => `ln(x + ${i})`).join(" + ");
    expect(parts(many).length).toBeLessThan(60);
    expect(parts(many).length).toBeGreaterThan(30);
  });
});
