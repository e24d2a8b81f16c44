import { describe, expect, it } from "vitest";
import { expressionText, type Expression } from "../formula";
import { ratio } from "../numeric";
import { FunctionTable, encloseConstant } from "./index";
import { formulaOf, sixDigits } from "./reading.fixture";
import { constantSign } from "./terms";
import { outerEquals, powerEquals } from "./undone";
import { NONE, merge, type ZeroSet } from "./zeroSet";

const around = {
  table: new FunctionTable(),
  from: ratio(-100),
  to: ratio(100),
  lo: -100,
  hi: 100,
  budget: { boxes: 0, rewrites: 0 },
  depth: 0,
};

/** What an equation is led back to: `x = 2 or x = -2`, `none`, or `?` where it is left to others. */
function ledBack(left: string, right: string): string {
  const u = formulaOf(left);
  const c = formulaOf(right);
  const to: string[] = [];
  const deeper = (v: Expression, d: Expression): ZeroSet => {
    const { lo, hi } = encloseConstant(d);
    to.push(`${expressionText(v, "x")} = ${sixDigits((lo + hi) / 2)}`);
    return merge([]);
  };
  const sign = constantSign(c);
  const made =
    u.kind === "apply"
      ? outerEquals(u, c, sign, around, deeper)
      : u.kind === "power"
        ? powerEquals(u, c, sign, deeper)
        : null;
  if (made === null) return "?";
  return made === NONE ? "none" : to.join(" or ");
}

describe("an equation of one function is led back to its inside", () => {
  it.each([
    // e^3 = 20.0855, 10^3, 2^3, 3², 3³
    ["exp(x)", "3", "x = 1.09861"],
    ["exp(x)", "0", "none"],
    ["exp(x)", "-3", "none"],
    ["ln(x)", "3", "x = 20.0855"],
    ["log10(x)", "3", "x = 1000"],
    ["log2(x)", "3", "x = 8"],
    ["sqrt(x)", "3", "x = 9"],
    ["sqrt(x)", "-3", "none"],
    ["cbrt(x)", "-3", "x = -27"],
    ["abs(x)", "3", "x = 3 or x = -3"],
    ["abs(x)", "0", "x = 0"],
    ["abs(x)", "-3", "none"],
    // cosh takes 1 at 0 and no less; at 1 itself nothing is said
    ["cosh(x)", "0.5", "none"],
    ["cosh(x)", "-2", "none"],
    ["cosh(x)", "1", "?"],
    ["cosh(x)", "2", "?"],
    ["sinh(x)", "0", "x = 0"],
    ["sinh(x)", "1", "?"],
    // ln 3/2 = 0.549306, since (1 + 0.5)/(1 − 0.5) = 3
    ["tanh(x)", "0", "x = 0"],
    ["tanh(x)", "0.5", "x = 0.549306"],
    ["tanh(x)", "-0.5", "x = -0.549306"],
    ["tanh(x)", "1", "none"],
    ["tanh(x)", "-1", "none"],
    ["tanh(x)", "3", "none"],
    // sin 1 = 0.841471, cos 1 = 0.540302, tan 1 = 1.55741; at the ends of their ranges nothing is said
    ["asin(x)", "1", "x = 0.841471"],
    ["acos(x)", "1", "x = 0.540302"],
    ["atan(x)", "1", "x = 1.55741"],
    ["asin(x)", "2", "none"],
    ["acos(x)", "-1", "none"],
    ["acos(x)", "4", "none"],
    ["atan(x)", "-2", "none"],
    ["asin(x)", "pi/2", "?"],
    ["acos(x)", "pi", "?"],
    // powers
    ["x^2", "9", "x = 3 or x = -3"],
    ["x^2", "-9", "none"],
    ["x^3", "8", "x = 2"],
    ["x^3", "-8", "x = -2"],
    ["x^(-2)", "4", "x = 0.5 or x = -0.5"],
    ["x^(-1)", "4", "x = 0.25"],
    ["x^0.5", "3", "x = 9"],
    ["x^1.5", "8", "x = 4"],
    ["x^1.5", "-8", "none"],
    ["2^x", "8", "x = 3"],
    ["2^x", "-8", "none"],
    ["0.5^x", "8", "x = -3"],
    ["x^x", "4", "?"],
    ["x^(-3)", "8", "x = 0.5"],
    ["x^(-3)", "-8", "x = -0.5"],
    ["x^(-2)", "-4", "none"],
    ["x^4", "16", "x = 2 or x = -2"],
    ["x^4", "2", "x = 1.18921 or x = -1.18921"],
    ["x^(1/3)", "2", "x = 8"],
    ["x^(2/3)", "4", "x = 8"],
    ["x^(-0.5)", "2", "x = 0.25"],
    ["x^(-0.5)", "-2", "none"],
    ["x^pi", "2", "x = 1.24687"],
    ["1^x", "1", "?"],
    ["1^x", "5", "?"],
    ["2^x", "1", "x = 0"],
    ["(-2)^x", "4", "?"],
    // what a level is, nothing here tells: sin²1 + cos²1 − 1 is 0
    ["exp(x)", "sin(1)^2 + cos(1)^2 - 1", "?"],
    ["sqrt(x)", "sin(1)^2 + cos(1)^2 - 1", "?"],
    ["abs(x)", "sin(1)^2 + cos(1)^2 - 1", "?"],
    ["x^2", "sin(1)^2 + cos(1)^2 - 1", "?"],
    ["cosh(x)", "sin(1)^2 + cos(1)^2 - 1", "?"],
    ["sinh(x)", "sin(1)^2 + cos(1)^2 - 1", "?"],
    // beside the ends of an arc function's range nothing is said, a little within it is undone
    ["asin(x)", "pi/2 - 1e-6", "x = 1"],
    ["asin(x)", "1e-6 - pi/2", "x = -1"],
    ["acos(x)", "1e-6", "x = 1"],
    ["acos(x)", "0", "?"],
    ["acos(x)", "-1e-6", "none"],
    ["asin(x)", "pi/2 + 1e-6", "none"],
    ["asin(x)", "-pi/2 - 1e-6", "none"],
    ["atan(x)", "pi/2", "?"],
    ["atan(x)", "-pi/2", "?"],
    ["tanh(x)", "0.999999", "x = 7.25433"],
  ])("%s = %s: %s", (left, right, wanted) => expect(ledBack(left, right)).toBe(wanted));
});
