import { describe, expect, it } from "vitest";
import { compileNumber, expressionText } from "../formula";
import { sharedIn } from "./commonFactor";
import { formulaOf } from "./reading.fixture";
import { FunctionTable } from "./table";

const value = (e: Parameters<typeof compileNumber>[0]) => compileNumber(e, new FunctionTable().number);

describe("what the terms of a sum have in common", () => {
  it.each([
    ["x^1.5 - 3 x^0.5", "sqrt(x)", "x - 3"],
    ["sqrt(x) - (x + 2) x/sqrt(x)", "sqrt(x)", "1 - (x + 2)"],
    // the slope of (x + 2)/√(x² + 24), of which x² + 24 − x² − 2x is left
    [
      "(sqrt(x^2 + 24) - (x + 2) x/sqrt(x^2 + 24))/(x^2 + 24)",
      "1/sqrt(x^2 + 24)",
      "(x^2 + 24 - (x + 2) x) (1/(x^2 + 24))",
    ],
    ["73 (exp(-0.7x) - exp(-9.6x))", "exp(-0.7 x)", "73 (1 - exp(-8.9 x))"],
    ["2 exp(-(x - 3)^2/29) - exp(-(x - 26)^2/29)", "exp(-x^2/29 + 6 x/29 - (9/29))", "2 - exp(46 x/29 - 23)"],
  ])("%s: %s times %s", (text, outer, inner) => {
    const found = sharedIn(formulaOf(text))!;
    expect([expressionText(found.outer, "x"), expressionText(found.inner, "x")]).toEqual([outer, inner]);
  });

  it.each([
    ["nothing to take out", "exp(x) + 1"],
    ["no sum", "x sqrt(x) exp(-x)"],
    ["one exponential alone", "2x exp(-x) - x^2 exp(-x)"],
    ["roots that stay", "x/(3 sqrt(x^2 + 9)) - 1/5"],
    // ∛ has values on both sides of its zero, so that it may be 0 inside
    ["odd roots", "cbrt(x) - x cbrt(x)"],
    ["whole powers", "x^3 - x^2"],
  ])("is left where it stands: %s", (_, text) => expect(sharedIn(formulaOf(text))).toBeNull());

  it.each([
    "x^2.5 (x - 1) - 4 x^0.5 sqrt(x + 1)",
    "-sqrt(x) + 3/sqrt(x) - x^(-1.5)",
    "(x - 2) (sqrt(x) - 1/sqrt(x))^2/(x + 1)",
    "-x exp(-x) + (x^2 - exp(-2x) exp(x/2)) 3",
    "exp(-x)/sqrt(x) - 2 sqrt(x) exp(-3x)",
    "(x^2)^0.5 - (x^2)^1.5",
  ])("times what is left is the whole: %s", (text) => {
    const e = formulaOf(text);
    const found = sharedIn(e);
    for (const x of [0.3, 0.9, 1.7, 4.2]) {
      const product = found ? value(found.outer)(x) * value(found.inner)(x) : value(e)(x);
      expect(product).toBeCloseTo(value(e)(x), 10);
      if (found) expect(value(found.outer)(x)).toBeGreaterThan(0);
    }
  });
});
