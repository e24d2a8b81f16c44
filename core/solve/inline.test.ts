import { describe, expect, it } from "vitest";
import { call, expressionText } from "../formula";
import { poly, ratio } from "../numeric";
import { inline } from "./inline";
import { piecesOf } from "./pieces.fixture";
import { polynomialExpression } from "./polynomialExpression";
import { formulaOf, fractionOf } from "./reading.fixture";
import { FunctionTable } from "./table";
import { Enclosure } from "../interval";

const table = new FunctionTable();
table.define("f", { kind: "expression", expression: formulaOf("x^2 + 1") });
table.define("g", { kind: "expression", expression: { kind: "negate", a: call("f", 0, formulaOf("2 x")) } });
table.define("v", { kind: "pieces", pieces: piecesOf("0 [ x ) 2") });
table.define("F", {
  kind: "closures",
  number: (x) => x,
  enclosure: (x) => new Enclosure(x.lo, x.hi),
  slope: formulaOf("1"),
  from: ratio(0),
});
table.define("long", { kind: "expression", expression: formulaOf(Array(200).fill("sin(x)").join(" + ")) });
const written = (e: Parameters<typeof inline>[0]) => expressionText(inline(e, table), "x");

describe("calls of other functions written out", () => {
  const x = formulaOf("x");
  it("with what is put in, and what these call in turn", () => {
    expect(written(call("f", 0, x))).toBe("x^2 + 1");
    expect(written(call("f", 0, formulaOf("3 x")))).toBe("(3 x)^2 + 1");
    expect(written(call("f", 1, x))).toBe("2 x");
    expect(written(call("f", 2, x))).toBe("2");
    expect(written(call("g", 0, x))).toBe("-((2 x)^2 + 1)");
    expect(written(call("g", 0, call("f", 0, x)))).toBe("-((2 (x^2 + 1))^2 + 1)");
    expect(written({ kind: "add", a: call("f", 0, x), b: x })).toBe("x^2 + 1 + x");
  });
  it("but for pieces, totals and unknown names, whose insides alone are", () => {
    const inside = (name: string) => inline(call(name, 0, call("f", 0, x)), table);
    for (const name of ["v", "F", "u"]) {
      const e = inside(name);
      expect(e.kind === "call" && [e.name, expressionText(e.a, "x")]).toEqual([name, "x^2 + 1"]);
    }
    const smooth = formulaOf("x + sin(x)");
    expect(inline(smooth, table)).toBe(smooth);
  });
  it("up to a length; what would grow beyond it stays a call", () => {
    const calls = (n: number) =>
      inline(
        Array.from({ length: n }, () => call("long", 0, x)).reduce((a, b) => ({ kind: "add", a, b })),
        table,
      );
    const left = (e: ReturnType<typeof calls>): number =>
      e.kind === "call" ? 1 : e.kind === "add" ? left(e.a) + left(e.b) : 0;
    // each is 200 sines and 199 sums: 599 parts
    expect([1, 2, 3, 4].map((n) => left(calls(n)))).toEqual([0, 0, 1, 2]);
  });
});

describe("polynomials written as sums of powers", () => {
  it.each([
    [["0"], "0"],
    [["7"], "7"],
    [["-7"], "-7"],
    [["0", "1"], "x"],
    [["0", "-1"], "-x"],
    [["6", "-5", "1"], "x^2 - 5 x + 6"],
    [["14", "-1/30"], "14 - x/30"],
    [["-10", "2"], "2 x - 10"],
    [["0", "2/3"], "2 x/3"],
    [["0", "1/3"], "x/3"],
    [["0", "-2/3"], "-2 x/3"],
    [["0", "1/4"], "0.25 x"],
    [["0", "0", "1/7"], "x^2/7"],
    [["1", "0", "0", "-1"], "-x^3 + 1"],
    [["1/2", "1"], "0.5 + x"],
  ])("%j: %s", (coefficients, wanted) => {
    expect(expressionText(polynomialExpression(poly.trim(coefficients.map(fractionOf))), "x")).toBe(wanted);
  });
});
