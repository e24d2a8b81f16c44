import { describe, expect, it } from "vitest";
import { call, differentiate, expressionText, type Expression } from "../formula";
import { bordersOf, isStair, mayBreak, nextBreaking, replacePart, resolveBreaking, splittersOf } from "./breaking";
import { formulaOf } from "./reading.fixture";
import { piecesOf } from "./pieces.fixture";
import { FunctionTable } from "./table";

const table = new FunctionTable();
table.define("v", { kind: "pieces", pieces: piecesOf("0 [ x^2 ) 2", "2 [ 6 - x ] 5", "7 ( 1 ) ") });
table.define("f", { kind: "expression", expression: formulaOf("x^3") });

const text = (e: Expression) => expressionText(e, "x");
/** The slope of a kink or a stair, which is a part that may break too. */
const slopeOf = (formula: string) => differentiate(formulaOf(formula));
const splitters = (e: Expression) => splittersOf(e, table).map(text).join("; ");
/** What becomes of a part where its splitters have these signs. */
function resolved(e: Expression, signs: readonly (-1 | 0 | 1)[]): string {
  const r = resolveBreaking(e, signs, table);
  return r.kind === "replaced" ? text(r.by) : r.kind;
}

describe("a part that may break, by the signs of what splits it", () => {
  it.each([
    // formula, what splits it, and what it is where that is below 0, 0 and above 0
    ["5/(x - 1)", "x - 1", "smooth", "undefined", "smooth"],
    ["x^-2", "x", "smooth", "undefined", "smooth"],
    ["x^0.5", "x", "undefined", "0", "smooth"],
    ["x^-0.5", "x", "undefined", "undefined", "smooth"],
    ["x^pi", "x", "undefined", "open", "smooth"],
    ["x^x", "x", "undefined", "open", "smooth"],
    ["root(x, 4)", "x", "undefined", "0", "smooth"],
    ["root(x, 5)", "x", "smooth", "0", "smooth"],
    ["sqrt(x)", "x", "undefined", "0", "smooth"],
    ["cbrt(x)", "x", "smooth", "0", "smooth"],
    ["ln(x)", "x", "undefined", "undefined", "smooth"],
    ["log10(x)", "x", "undefined", "undefined", "smooth"],
    ["log2(x)", "x", "undefined", "undefined", "smooth"],
    ["tan(x)", "cos(x)", "smooth", "undefined", "smooth"],
    ["abs(x)", "x", "-x", "0", "x"],
    ["step(x)", "x", "0", "1", "1"],
    ["max(x, 3)", "x - 3", "3", "3", "x"],
    ["min(x, 3)", "x - 3", "x", "x", "3"],
  ])("%s, split by %s: below %s, at 0 %s, above %s", (formula, by, below, at, above) => {
    const e = formulaOf(formula);
    expect(splitters(e)).toBe(by);
    expect(([-1, 0, 1] as const).map((s) => resolved(e, [s]))).toEqual([below, at, above]);
  });

  it("the slopes of kinks and stairs", () => {
    const sign = slopeOf("abs(x)");
    expect([-1, 0, 1].map((s) => resolved(sign, [s as -1 | 0 | 1]))).toEqual(["-1", "undefined", "1"]);
    // x² below x, 3 above: the slopes are told apart by what told the values apart
    const choose = slopeOf("max(x^2, 3 x)");
    expect(splitters(choose)).toBe("3 x - x^2");
    expect([-1, 0, 1].map((s) => resolved(choose, [s as -1 | 0 | 1]))).toEqual(["2 x", "2 x", "3"]);
    const stair = slopeOf("floor(x)");
    expect(splitters(stair)).toBe("x");
    expect([-1, 0, 1].map((s) => resolved(stair, [s as -1 | 0 | 1]))).toEqual(["0", "undefined", "0"]);
  });

  it.each([
    // the signs of x − 1 and x + 1
    ["asin(x)", [-1, 1], "smooth"],
    ["asin(x)", [0, 1], "asin(1)"],
    ["asin(x)", [-1, 0], "asin(-1)"],
    ["asin(x)", [1, 1], "undefined"],
    ["asin(x)", [-1, -1], "undefined"],
    ["acos(x)", [-1, 1], "smooth"],
    ["acos(x)", [0, 1], "acos(1)"],
    ["acos(x)", [-1, 0], "acos(-1)"],
    ["acos(x)", [1, 1], "undefined"],
    ["acos(x)", [-1, -1], "undefined"],
  ] as const)("%s where x − 1 and x + 1 have the signs %j is %s", (formula, signs, wanted) => {
    expect(splitters(formulaOf(formula))).toBe("x - 1; x + 1");
    expect(resolved(formulaOf(formula), signs)).toBe(wanted);
  });

  it.each([
    // a power of a number: its base and its exponent decide
    ["2^x", [1, 1], "smooth"],
    ["(-2)^x", [-1, 1], "undefined"],
    ["(ln(8) - 3 ln(2))^x", [0, 1], "0"],
    ["(ln(8) - 3 ln(2))^x", [0, 0], "undefined"],
    ["(ln(8) - 3 ln(2))^x", [0, -1], "undefined"],
  ] as const)("%s where base and exponent have the signs %j is %s", (formula, signs, wanted) =>
    expect(resolved(formulaOf(formula), signs)).toBe(wanted),
  );
});

describe("a function by pieces is the row the signs at its borders tell", () => {
  const at = (...signs: (-1 | 0 | 1)[]) => resolved(call("v", 0, formulaOf("x")), signs);
  it("its borders are told once each, in order", () => {
    expect(bordersOf(piecesOf("3 [ 1 ] 7", "0 [ 2 ) 3", " [ 5 ] -1/2")).map((b) => b.toFraction())).toEqual([
      "-1/2",
      "0",
      "3",
      "7",
    ]);
    expect(splitters(call("v", 0, formulaOf("2 x")))).toBe("2 x; 2 x - 2; 2 x - 5; 2 x - 7");
    expect(splitters(call("f", 0, formulaOf("x")))).toBe("");
  });
  it.each([
    // the signs of x, x − 2, x − 5, x − 7
    [[-1, -1, -1, -1], "undefined"],
    [[0, -1, -1, -1], "x^2"],
    [[1, -1, -1, -1], "x^2"],
    [[1, 0, -1, -1], "6 - x"],
    [[1, 1, -1, -1], "6 - x"],
    [[1, 1, 0, -1], "6 - x"],
    [[1, 1, 1, -1], "undefined"],
    [[1, 1, 1, 0], "undefined"],
    [[1, 1, 1, 1], "1"],
  ] as const)("signs %j: %s", (signs, wanted) => expect(at(...signs)).toBe(wanted));
  it("what is called is put in, and an unknown name has no value", () => {
    expect(resolved(call("v", 0, formulaOf("x + 1")), [1, -1, -1, -1])).toBe("(x + 1)^2");
    expect(resolved(call("g", 0, formulaOf("x")), [])).toBe("undefined");
    expect(resolved(call("f", 0, formulaOf("x")), [])).toBe("open");
  });
});

describe("which part may break", () => {
  it.each([
    ["x^2 + 3 x", false],
    ["x^0", false],
    ["exp(sin(x))", false],
    ["sinh(x) - atan(x)", false],
    ["2/x", true],
    ["x^-1", true],
    ["x^2.5", true],
    ["1 + exp(root(x, 4))", true],
    ["min(x, 1)", true],
    ["sin(abs(x))", true],
    ["cbrt(x)", true],
    ["sqrt(x)", true],
    ["acos(x)", true],
    ["round(x)", true],
    ["ceil(x)", true],
    ["log2(x)", true],
  ])("%s: %s", (formula, wanted) => expect(mayBreak(formulaOf(formula))).toBe(wanted));

  it("the innermost one is next, those known to be smooth aside; a number is one part", () => {
    const e = formulaOf("1/ln(x) + abs(x)");
    const first = nextBreaking(e, new Set())!;
    expect(text(first)).toBe("ln(x)");
    const second = nextBreaking(e, new Set([first]))!;
    expect(text(second)).toBe("1/ln(x)");
    expect(text(nextBreaking(e, new Set([first, second]))!)).toBe("abs(x)");
    expect(nextBreaking(formulaOf("x^2 + 1"), new Set())).toBeNull();
    expect(text(nextBreaking(formulaOf("x + 1/ln(7)"), new Set())!)).toBe("1/ln(7)");
    // of a choice only what decides it is looked into
    const choice = slopeOf("max(ln(x), x)");
    expect(text(nextBreaking(choice, new Set())!)).toBe("ln(x)");
    const part = nextBreaking(choice, new Set())!;
    expect(nextBreaking(choice, new Set([part]))).toBe(choice);
  });

  it("stairs are floor, ceil, round and their slopes; a step from 0 to 1 is none", () => {
    const told = ["floor(x)", "ceil(x)", "round(x)", "step(x)", "abs(x)"].map((f) => isStair(formulaOf(f)));
    expect(told).toEqual([true, true, true, false, false]);
    expect(["floor(x)", "step(x)"].map((f) => isStair(slopeOf(f)))).toEqual([true, false]);
  });

  it("a part is replaced where it stands, others that read the same are left", () => {
    const part = formulaOf("x^2");
    const e: Expression = { kind: "add", a: part, b: formulaOf("x^2") };
    expect(text(replacePart(e, part, formulaOf("7")))).toBe("7 + x^2");
    expect(replacePart(e, formulaOf("x^2"), formulaOf("7"))).toBe(e);
  });
});
