import { describe, expect, it } from "vitest";
import { differentiate, type Expression } from "../formula";
import { FunctionTable } from ".";
import { formulaOf } from "./reading.fixture";
import { spotOfConstant } from "./spot";
import { valueAt } from "./valueAt";

const table = new FunctionTable();
/** The value at a place: a number, that there is none, or that it is open. */
function worth(e: Expression, place: string): number | string {
  const value = valueAt(e, spotOfConstant(formulaOf(place)), table);
  if (value.kind !== "value") return value.kind;
  expect(value.hi - value.lo).toBeLessThan(1e-9);
  return Number(((value.lo + value.hi) / 2).toPrecision(10)) + 0;
}

describe("what holds at a place is chosen by proven signs", () => {
  it.each([
    ["abs(x - 2)", "2", 0],
    ["abs(x - 2)", "sqrt(2)", 0.5857864376],
    ["max(x, 2)", "sqrt(5)", 2.236067977],
    ["max(x, 2)", "2", 2],
    ["min(x, 1/x)", "2", 0.5],
    ["min(x, 1/x)", "1", 1],
    ["1/x", "0", "none"],
    ["1/(x^2 - 2)", "sqrt(2)", "none"],
    ["x^-1", "0", "none"],
    ["x^0", "0", 1],
    ["x^0.5", "0", 0],
    ["x^0.5", "-1", "none"],
    ["x^x", "0", "none"],
    ["x^x", "2", 4],
    ["(-2)^x", "1/2", "none"],
    ["root(x, 3)", "-8", -2],
    ["root(x, 4)", "-1", "none"],
    ["root(x, 4)", "0", 0],
    ["sqrt(x - 1)", "1", 0],
    ["sqrt(x - 1)", "0.999", "none"],
    ["ln(x)", "0", "none"],
    ["ln(x)", "1", 0],
    ["log10(x)", "100", 2],
    ["log2(x)", "-1", "none"],
    ["tan(x)", "pi/2", "none"],
    ["tan(x)", "pi/4", 1],
    ["asin(x)", "1", 1.570796327],
    ["asin(x)", "-1", -1.570796327],
    ["acos(x)", "1", 0],
    ["acos(x)", "2", "none"],
    ["asin(x)", "-1.5", "none"],
    ["step(x)", "0", 1],
    ["step(x)", "-1e-9", 0],
  ] as const)("%s at %s is %s", (text, place, wanted) => {
    expect(worth(formulaOf(text), place)).toBe(wanted);
  });

  it.each([
    ["floor(x)", "2", 2],
    ["floor(x)", "-0.5", -1],
    ["floor(x)", "sqrt(2)", 1],
    ["ceil(x)", "2", 2],
    ["ceil(x)", "2.1", 3],
    ["ceil(x)", "-2.1", -2],
    // half away from 0, as schools round
    ["round(x)", "2.5", 3],
    ["round(x)", "-2.5", -3],
    ["round(x)", "2.499", 2],
    // an irrational place with a whole argument
    ["floor(x^2)", "sqrt(2)", 2],
    ["ceil(x^2)", "sqrt(2)", 2],
    ["round(x^2)", "sqrt(2.5)", 3],
    ["floor(x^2)", "pi", 9],
  ] as const)("the stair %s at %s stands on %s", (text, place, wanted) => {
    expect(worth(formulaOf(text), place)).toBe(wanted);
  });

  it.each([
    ["floor(x)", "1/2", 0],
    ["floor(x)", "2", "none"],
    ["floor(x)", "sqrt(2)", 0],
    ["ceil(x)", "3", "none"],
    ["ceil(x)", "3.0001", 0],
    ["round(x)", "1/2", "none"],
    ["round(x)", "1", 0],
    ["round(x)", "-1.5", "none"],
    ["round(x)", "pi", 0],
    ["step(x)", "0", "none"],
    ["step(x)", "1", 0],
    ["step(x)", "-1", 0],
    ["floor(x^2)", "sqrt(2)", "none"],
    ["floor(x^2)", "pi", 0],
    ["floor(ln(x))", "-1", "none"],
    ["round(1/x)", "0", "none"],
    // where the argument is beyond every number, no step is chosen
    ["ceil(exp(exp(x)))", "700", "open"],
  ] as const)("the slope of %s at %s is %s", (text, place, wanted) => {
    expect(worth(differentiate(formulaOf(text)), place)).toBe(wanted);
  });
});
