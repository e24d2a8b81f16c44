import { describe, expect, it } from "vitest";
import { call, differentiate, expressionText, type Expression } from "../formula";
import { Chooser, stairStep } from "./chooser";
import { piecesOf } from "./pieces.fixture";
import { doubtful, formulaOf } from "./reading.fixture";
import { spotOfConstant } from "./spot";
import { FunctionTable } from "./table";
import { ratio } from "../numeric";

const table = new FunctionTable();
table.define("v", { kind: "pieces", pieces: piecesOf("0 [ abs(x - 1) ) 2", "2 [ 6 - x ] 5", "7 ( 1/(x - 8) )") });
table.define("w", { kind: "pieces", pieces: piecesOf(" ( x^2 ) 0", "0 ( x ] 3") });
table.define("f", { kind: "expression", expression: formulaOf("abs(x^3)/x") });
table.define("g", { kind: "expression", expression: doubtful("ln(x + D)") });

/** What is left of an expression at a place once its branches are chosen. */
function chosen(e: Expression, place: string): string {
  const b = new Chooser(spotOfConstant(formulaOf(place)), table).branch(e);
  return typeof b === "string" ? b : expressionText(b, "x");
}
const at = (formula: string, place: string) => chosen(doubtful(formula), place);
const slopeAt = (formula: string, place: string) => chosen(differentiate(doubtful(formula)), place);

describe("what is left of an expression at a place", () => {
  it.each([
    ["x^2 + 3", "1", "x^2 + 3"],
    ["1/x", "2", "1/x"],
    ["abs(x)", "-2", "-x"],
    ["abs(x)", "2", "x"],
    ["abs(x)", "0", "0"],
    ["min(x, 3)", "2", "x"],
    ["min(x, 3)", "4", "3"],
    ["max(x, 3)", "2", "3"],
    ["max(x, 3)", "4", "x"],
    ["root(x, 5)", "-2", "root(x, 5)"],
    ["root(x, 5)", "0", "0"],
    ["root(x, 4)", "2", "root(x, 4)"],
    ["root(x, 4)", "-2", "none"],
    ["sqrt(x)", "0", "0"],
    ["sqrt(x)", "2", "sqrt(x)"],
    ["x^2.5", "0", "0"],
    ["x^-2.5", "0", "none"],
    ["x^2.5", "2", "x^2.5"],
    ["x^3", "0", "x^3"],
    ["x^-3", "0", "none"],
    ["x^-3", "1", "x^(-3)"],
    ["(-2)^(x/2)", "4", "none"],
    ["ln(x)", "3", "ln(x)"],
    ["step(x)", "3", "1"],
    ["step(x)", "-3", "0"],
    ["asin(x)", "1", "asin(1)"],
    ["asin(x)", "-1", "asin(-1)"],
    ["asin(x)", "0.5", "asin(x)"],
    ["acos(1)", "0.5", "acos(1)"],
    ["floor(x)", "2.5", "2"],
    ["ceil(x)", "2.5", "3"],
    ["round(x)", "2.5", "3"],
    ["tan(x)", "0", "tan(x)"],
    ["exp(abs(x))", "-1", "exp(-x)"],
    ["sqrt(x) + 1/x", "-1", "none"],
  ])("%s at %s: %s", (formula, place, wanted) => expect(at(formula, place)).toBe(wanted));

  it.each([
    "1/D",
    "sqrt(D)",
    "root(D, 4)",
    "min(x, x + D)",
    "max(D, 0)",
    "D^-1",
    "D^0.5",
    "abs(D)",
    "step(D)",
    "ln(D)",
    "log10(D)",
    "log2(D)",
    "tan(pi/2 + D)",
    "asin(1 + D)",
    "acos(-1 + D)",
    "floor(D)",
    "ceil(1 + D)",
    "round(0.5 + D)",
    "exp(abs(D))",
    "(x - 1)^(2.5 D)",
    "(-1 - x)^(1 + D x)",
  ])("%s at 1 is open: nothing tells that D is 0", (formula) => expect(at(formula, "1")).toBe("open"));

  it("a part without a value leaves the whole without one, whatever is open beside it", () => {
    expect(at("abs(D) + 1/(x - 1)", "1")).toBe("none");
    expect(at("1/(x - 1) + abs(D)", "1")).toBe("none");
    expect(at("1/x + abs(D)", "1")).toBe("open");
  });

  it.each([
    // a step that an enclosure tells, and one on whose edge an exact or proven argument stands
    ["floor(x)", "pi", "3"],
    ["ceil(x)", "pi", "4"],
    ["round(x)", "pi", "3"],
    ["round(x)", "e", "3"],
    ["round(-x)", "e", "-3"],
    ["floor(x^2 + 1)", "sqrt(3)", "4"],
    ["ceil(x^2 + 1)", "sqrt(3)", "4"],
    ["round(x^2)", "sqrt(3.5)", "4"],
    ["round(-x^2)", "sqrt(3.5)", "-4"],
    ["floor(exp(exp(x)))", "700", "open"],
    ["floor(1/x)", "0", "none"],
    ["floor(x)", "3", "3"],
    ["floor(10 x)", "0.3", "3"],
    ["ceil(10 x)", "0.3", "3"],
  ])("the stair %s at %s: %s", (formula, place, wanted) => expect(at(formula, place)).toBe(wanted));

  it.each([
    [5, 2, "floor", "2"],
    [5, 2, "ceil", "3"],
    [5, 2, "round", "3"],
    [-5, 2, "floor", "-3"],
    [-5, 2, "ceil", "-2"],
    [-5, 2, "round", "-3"],
    [-7, 3, "round", "-2"],
    [7, 3, "round", "2"],
    [0, 1, "round", "0"],
    [4, 1, "ceil", "4"],
  ] as const)("%s/%s by %s: %s", (top, bottom, name, wanted) =>
    expect(stairStep(name, ratio(top, bottom)).toFraction()).toBe(wanted),
  );
});

describe("slopes at a place", () => {
  it.each([
    ["abs(x)", "3", "1"],
    ["abs(x)", "-3", "-1"],
    ["abs(x)", "0", "none"],
    ["max(x^2, 3 x)", "1", "3"],
    ["max(x^2, 3 x)", "4", "2 x"],
    ["max(x^2, 3 x)", "3", "none"],
    ["min(x^2, 3 x)", "1", "2 x"],
    ["min(x^2, 3 x)", "4", "3"],
    // the branch that is not taken is not asked for a value
    ["max(ln(x), x)", "1", "1"],
    ["abs(x + D)", "0", "open"],
    ["max(D x, 0)", "1", "open"],
    ["floor(x)", "2.5", "0"],
    ["floor(x)", "2", "none"],
    ["ceil(x)", "2", "none"],
    ["round(x)", "2", "0"],
    ["round(x)", "2.5", "none"],
    ["round(x)", "-2.5", "none"],
    ["floor(x)", "pi", "0"],
    ["round(x)", "e", "0"],
    ["floor(x + D)", "2", "open"],
    ["step(x)", "0", "none"],
    ["step(x)", "1", "0"],
    ["step(x + D)", "0", "open"],
    ["floor(exp(exp(x)))", "700", "open"],
  ])("of %s at %s: %s", (formula, place, wanted) => {
    // 1 · 0 and its like are put together by what reads the branch
    const told = slopeAt(formula, place);
    expect(told.replace(/^0 .*|^.* 0$/, "0").replace(/^([-\d]+) \* 1$/, "$1")).toBe(wanted);
  });
});

describe("a function of a case at a place", () => {
  const called = (name: string, order: number, input: string, place: string) =>
    chosen(call(name, order, doubtful(input)), place);
  it.each([
    ["v", "x", "0", "-(x - 1)"],
    ["v", "x", "1.5", "x - 1"],
    ["v", "x", "1", "0"],
    ["v", "x", "2", "6 - x"],
    ["v", "x", "5", "6 - x"],
    ["v", "x", "6", "none"],
    ["v", "x", "7", "none"],
    ["v", "x", "-1", "none"],
    ["v", "x", "8", "none"],
    ["v", "x", "9", "1/(x - 8)"],
    ["w", "x", "-2", "x^2"],
    ["w", "x", "0", "none"],
    ["w", "x", "3", "x"],
    ["w", "x", "4", "none"],
    // shifted: the value there, as a number
    ["v", "x + 1", "1.5", "3.5"],
    ["v", "2 x", "4", "none"],
    ["v", "2 x", "4.5", "1"],
    ["v", "x + D", "0", "open"],
    ["v", "x + D", "2", "open"],
    ["v", "x + D", "5", "open"],
    ["v", "x + D", "3", "6 - (2 + sin(1)^2 + cos(1)^2)"],
    ["v", "1/x", "0", "none"],
    ["u", "x", "1", "none"],
    ["g", "x", "0", "open"],
    ["g", "x", "2", "ln(2 + sin(1)^2 + cos(1)^2 - 1)"],
    ["f", "x", "0", "none"],
    ["f", "x", "-2", "-4"],
    ["f", "x + 1", "1", "4"],
  ])("%s(%s) at %s: %s", (name, input, place, wanted) => expect(called(name, 0, input, place)).toBe(wanted));
});
