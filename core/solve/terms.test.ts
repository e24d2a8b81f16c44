import { describe, expect, it } from "vitest";
import { expressionText } from "../formula";
import { areMultiples, exactRational, isExactlyZero, isIdenticallyZero, turnsOf, vanishesAt } from "./constant";
import { formulaOf } from "./reading.fixture";
import { clearDenominators, collect, constantSign, exponentialTerm, signed, termsOf } from "./terms";

const text = (e: Parameters<typeof expressionText>[0]) => expressionText(e, "x");

describe("numbers without variable", () => {
  it.each([
    ["2 - sqrt(4)", 0],
    ["sqrt(8) - 2 sqrt(2)", 0],
    ["ln(8) - 3 ln(2)", 0],
    ["sqrt(2) - 1.5", -1],
    ["pi - 3", 1],
    // equal, which no rule here shows
    ["sin(1)^2 + cos(1)^2 - 1", null],
    ["sqrt(2) sqrt(3) - sqrt(6)", 0],
    ["exp(1) - exp(0.5)^2", 0],
  ])("the sign of %s is %s", (e, sign) => expect(constantSign(formulaOf(e))).toBe(sign));

  it.each([
    ["7/3", "7/3"],
    ["sqrt(4)", "2"],
    ["sqrt(2)^2", "2"],
    ["8^(1/3)", "2"],
    ["4^(-1/2)", "1/2"],
    ["cbrt(-8)", "-2"],
    ["cbrt(27)", "3"],
    ["log10(0.001)", "-3"],
    ["log10(1000)", "3"],
    ["log2(8)", "3"],
    ["ln(1)", "0"],
    ["ln(exp(3))", "3"],
    ["exp(ln(5))", "5"],
    ["exp(0)", "1"],
    ["sin(pi/6)", "1/2"],
    ["sin(7 pi/6)", "-1/2"],
    ["sin(-pi/2)", "-1"],
    ["cos(pi)", "-1"],
    ["cos(5 pi/3)", "1/2"],
    ["cos(2 pi)", "1"],
    ["sin(100 pi)", "0"],
    ["tan(pi/4)", "1"],
    ["tan(-pi/4)", "-1"],
    ["tan(pi)", "0"],
    ["abs(-3)", "3"],
    ["floor(-2.5)", "-3"],
    ["ceil(-2.5)", "-2"],
    ["round(-2.5)", "-3"],
    ["round(2.5)", "3"],
    ["round(2.4)", "2"],
    ["step(0)", "1"],
    ["step(-1)", "0"],
    ["min(2, 1/2)", "1/2"],
    ["max(2, 1/2)", "2"],
    ["min(3, 3)", "3"],
    ["sqrt(5) - sqrt(5)", "0"],
    ["sqrt(12)/sqrt(3)", "2"],
    ["atan(0)", "0"],
    ["sinh(0)", "0"],
    ["atan(2) + atan(-2)", "0"],
    ["cosh(3)/cosh(-3)", "1"],
    ["(1 + sqrt(2)) (1 - sqrt(2))", "-1"],
    ["(1 + sqrt(2))^2 - 2 sqrt(2)", "3"],
    ["0^3", "0"],
    ["(-2)^3", "-8"],
    ["(-2)^(-2)", "1/4"],
    // no fractions, or no values
    ["sqrt(2)", null],
    ["pi", null],
    ["exp(1)", null],
    ["log10(2)", null],
    ["log10(20)", null],
    ["log2(6)", null],
    ["tan(pi/2)", null],
    ["sin(1)", null],
    ["1/(sqrt(2) - sqrt(2))", null],
    ["(sqrt(2) - sqrt(2))^(-1)", null],
    ["0/(sqrt(2) - sqrt(2))", null],
    ["ln(sqrt(2) - sqrt(2))", null],
    ["ln(1 - sqrt(2))", null],
    ["sqrt(1 - sqrt(2))", null],
    ["(1 - sqrt(2))^(1/3)", null],
    ["0 ln(1 - sqrt(2))", null],
    ["x", null],
    ["x - x", null],
    ["abs(sqrt(2))", null],
    ["floor(pi)", null],
    ["min(pi, 3)", "3"],
  ])("%s as a fraction: %s", (e, wanted) => expect(exactRational(formulaOf(e))?.toFraction() ?? null).toBe(wanted));

  it.each([
    ["pi/6 + 1/2", ["1/6", "1/2"]],
    ["2 - 3 pi", ["-3", "2"]],
    ["pi", ["1", "0"]],
    ["1/2", null],
    ["pi^2", null],
    ["pi - pi", null],
    ["pi + sqrt(2)", null],
    ["pi exp(2)", null],
    ["x pi", null],
  ])("%s in turns of π and a rest: %j", (e, wanted) => {
    const found = turnsOf(formulaOf(e));
    expect(found && [found.turns.toFraction(), found.rest.toFraction()]).toEqual(wanted);
  });

  it.each([
    ["sqrt(2) - 2^0.5", true],
    ["1/(sqrt(2) - sqrt(2)) - 1/(sqrt(2) - sqrt(2))", false],
    ["x - x", false],
    ["sin(1) - sin(1)", true],
    ["sin(1) + sin(-1)", false],
  ])("%s is shown to be 0: %s", (e, wanted) => expect(isExactlyZero(formulaOf(e))).toBe(wanted));

  it.each([
    ["(x + 1)^2 - x^2 - 2x - 1", true],
    ["x/2 + x/2 - x", true],
    ["exp(2x) - exp(x)^2", true],
    ["x^2 - x", false],
    // √(x²) is |x|, and no multiple of x
    ["sqrt(x^2) - x", false],
    ["abs(x) - x", false],
    ["sqrt(x) - x^0.5", true],
    ["sqrt(x (x - 1)) - sqrt(x (x - 1))", false],
  ])("%s is shown to be 0 wherever it has a value: %s", (e, wanted) =>
    expect(isIdenticallyZero(formulaOf(e))).toBe(wanted),
  );

  it.each([
    // even roots of what moves may lose a sign: left alone; of the unknown itself, or of a number, they do not
    ["sqrt(x)^2 - x", true],
    ["sqrt(3 x)^2 - 3 x", true],
    ["sqrt(x (x + 1))^2 - x (x + 1)", false],
    ["sqrt(x/(x + 1))^2 - x/(x + 1)", false],
    ["sqrt(x^3)^2 - x^3", false],
    ["sqrt(x^2 + 1) - sqrt(x^2 + 1)", false],
    ["sqrt(x + 1) - sqrt(x + 1)", true],
    ["root(x, 4) - root(x, 4)", true],
    ["root(x + 1, 4) - root(x + 1, 4)", false],
    ["root(x + 1, 5) - root(x + 1, 5)", true],
    ["root(16, 4) x - 2 x", true],
    ["(x^3)^0.5 - (x^3)^0.5", false],
    ["(x + 2)^0.5 - (x + 2)^0.5", true],
    ["abs(x) - abs(x)", false],
    ["1 + abs(x) - abs(x) - 1", false],
    ["abs(-2) x - 2 x", true],
    ["exp(abs(x)) - exp(abs(x))", false],
    ["ln(x) - ln(x)", true],
    ["tan(x) - tan(x)", true],
    ["floor(x) - floor(x)", false],
    ["x", false],
  ])("that %s is 0 whatever x is: %s", (e, wanted) => expect(isIdenticallyZero(formulaOf(e))).toBe(wanted));

  it.each([
    ["2x + 4", "3x + 6", true],
    ["2x + 4", "-x - 2", true],
    ["2x + 4", "3x + 5", false],
    ["2x + 4", "3x", false],
    ["2x", "3x^2", false],
    ["x + 1", "x + exp(x)", false],
    ["abs(x)", "abs(x)", false],
    ["x", "abs(x)", false],
    ["x - x", "x - x", false],
    ["sqrt(2) x", "x", false],
    ["x + 1", "abs(x) + 1", false],
    ["x^2 + x", "x^2 - x", false],
    ["x^2 + x + 1", "2x^2 + 2x + 2", true],
    ["x^2 + x + 1", "2x^2 + 2x", false],
    ["exp(x) + x", "3 exp(x) + 3 x", true],
    ["min(x, 1)", "min(x, 1)", false],
    ["3", "7", true],
    ["x", "0 x", false],
    ["-x/2", "x/3", true],
  ])("%s and %s are multiples of one another: %s", (a, b, wanted) =>
    expect(areMultiples(formulaOf(a), formulaOf(b))).toBe(wanted),
  );

  it.each([
    ["x^2 - 2", "sqrt(2)", true],
    ["x^2 - 2", "1.4142", false],
    ["sin(x)", "pi", true],
    ["ln(x)", "1", true],
    ["1/(x - 1) - 1/(x - 1)", "1", false],
    ["x", "ln(1 - sqrt(2))", false],
    ["exp(x) - 2", "ln(2)", true],
  ])("%s is shown to be 0 at %s: %s", (e, at, wanted) => expect(vanishesAt(formulaOf(e), formulaOf(at))).toBe(wanted));
});

describe("terms", () => {
  it.each([
    ["x - 3", ["x", "-3"]],
    ["x - (3 - y)".replace("y", "x^2"), ["x", "-3", "x^2"]],
    ["-(x - 3)", ["-x", "3"]],
    ["2 (x - 3)", ["2 x", "-6"]],
    ["(x - 3)/2", ["x/2", "-1.5"]],
    ["x (x - 3)", ["x (x - 3)"]],
    ["(x - 3)/x", ["(x - 3)/x"]],
    ["5 - 2 (-x)", ["5", "2 x"]],
    ["2 x", ["2 x"]],
    ["x/2", ["x/2"]],
  ])("of %s: %j", (e, wanted) => {
    const plain = (t: string) => t.replaceAll(/[ *·()]/g, "").replaceAll("−", "-");
    expect(termsOf(formulaOf(e)).map((t) => plain(text(signed(t))))).toEqual(wanted.map(plain));
  });

  it.each([
    ["5", "5", "0"],
    ["exp(3x)", "1", "3x"],
    ["2^x", "1", "x ln(2)"],
    ["-2^x", "-1", "x ln(2)"],
    ["7*2^x", "7", "x ln(2)"],
    ["exp(x) exp(2x)", "1", "3x"],
    ["6 exp(x)/(2 exp(3x))", "3", "-2x"],
    ["x exp(x)", null, null],
    ["exp(x) x", null, null],
    ["x/exp(x)", null, null],
    ["exp(x)/x", null, null],
    ["(-2)^x", null, null],
    ["x^x", null, null],
    ["exp(x)/(sin(1)^2 + cos(1)^2 - 1)", null, null],
    ["sin(x)", null, null],
  ])("%s is %s exp(%s)", (e, factor, exponent) => {
    const found = exponentialTerm(formulaOf(e));
    if (factor === null || exponent === null) return expect(found).toBeNull();
    expect(constantSign(formulaOf(`(${text(found!.factor)}) - (${factor})`))).toBe(0);
    expect(isIdenticallyZero(formulaOf(`(${text(found!.exponent)}) - (${exponent})`))).toBe(true);
  });

  it.each([
    ["ln(2) x - ln(3) x + 4", "(ln(2) - ln(3)) x + 4"],
    ["5 - (x/3 + x ln(2))", "-(1/3 + ln(2)) x + 5"],
    ["2 (x + 3) - 7", "2 x - 1"],
    ["x^2 + x", "x^2 + x"],
  ])("%s collected is %s", (e, wanted) => {
    const found = collect(formulaOf(e));
    expect(isIdenticallyZero(formulaOf(`(${text(found)}) - (${wanted})`))).toBe(true);
    // The unknown stands alone in one product, where every term is one of it or a number.
    const isStraight = !e.includes("^");
    expect(found.kind === "add" && found.a.kind === "multiply" && found.a.b.kind === "variable").toBe(isStraight);
  });

  it.each([
    ["5", "5", "1"],
    ["1/x", "1", "x"],
    ["-1/x", "-1", "x"],
    ["1/x + 1/(x + 1)", "2x + 1", "x (x + 1)"],
    ["1/x - 1/(x + 1)", "1", "x (x + 1)"],
    ["3/x + 4/x", "7", "x"],
    ["(1/x) (2/(x + 1))", "2", "x (x + 1)"],
    ["(1/x)/(2/(x + 1))", "x + 1", "2x"],
    ["(3/x)^2", "9", "x^2"],
    ["(3/x)^(-2)", "x^2", "9"],
    ["(3/x)^0", "(3/x)^0", "1"],
    ["2^(1/x)", "2^(1/x)", "1"],
    ["tan(x)", "sin(x)", "cos(x)"],
    ["sin(1/x)", "sin(1/x)", "1"],
    ["x", "x", "1"],
  ])("%s is (%s)/(%s)", (e, top, bottom) => {
    const found = clearDenominators(formulaOf(e));
    const isSame = (a: string, b: string) => isIdenticallyZero(formulaOf(`(${a}) - (${b})`));
    expect([isSame(text(found.top), top), isSame(text(found.bottom), bottom)]).toEqual([true, true]);
  });
});
