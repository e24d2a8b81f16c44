import { describe, expect, it } from "vitest";
import { Enclosure } from "../interval";
import { ZERO } from "../numeric";
import { variableSeries } from "../formula";
import { piecesOf } from "./pieces.fixture";
import { formulaOf } from "./reading.fixture";
import { FunctionTable, holds } from "./table";

const table = new FunctionTable();
table.define("v", { kind: "pieces", pieces: piecesOf("0 [ x^2 ) 2", "2 [ 6 - x ] 5", "7 ( 1 ) ") });
table.define("f", { kind: "expression", expression: formulaOf("x^3") });
table.define("F", {
  kind: "closures",
  number: (x) => x ** 4 / 4,
  enclosure: (x) => new Enclosure(Math.max(x.lo, 0) ** 4 / 4, x.hi ** 4 / 4),
  slope: formulaOf("x^3"),
  from: ZERO,
});
const values = (v: Enclosure) => [v.lo, v.hi];
const over = (name: string, lo: number, hi: number, order = 0) => table.enclosure(name, order)(new Enclosure(lo, hi));
/** has values everywhere, in some places, may jump */
const kind = (v: Enclosure) => (v.lo > v.hi ? "none" : v.flags === 0 ? "sound" : "doubtful");

describe("functions of a case by name", () => {
  it("a row owns its ends or not, and is open where none is given", () => {
    const rows = piecesOf("0 [ x ) 2", "2 ( x ] 5", " ( x ] 1", "3 [ x )");
    expect([-1, 0, 1, 2, 3, 5, 6].map((x) => rows.map((p) => (holds(p, x) ? 1 : 0)).join(""))).toEqual([
      "0010",
      "1010",
      "1010",
      "0000",
      "0101",
      "0101",
      "0001",
    ]);
  });
  it.each([
    [-1, NaN],
    [0, 0],
    [1.5, 2.25],
    [2, 4],
    [5, 1],
    [6, NaN],
    [7, NaN],
    [8, 1],
  ])("v(%s) is %s, and so is its enclosure", (x, wanted) => {
    expect(table.number("v")(x)).toBe(wanted);
    const v = over("v", x, x);
    if (Number.isNaN(wanted)) expect(v.lo > v.hi || v.flags !== 0).toBe(true);
    else expect(v.lo <= wanted && wanted <= v.hi).toBe(true);
  });
  it.each([
    [0.5, 1, [0.25, 1], "sound"],
    [1, 3, [1, 4], "doubtful"],
    [2, 3, [3, 4], "sound"],
    [3, 4, [2, 3], "sound"],
    [4, 6, [1, 2], "doubtful"],
    [-3, -1, null, "none"],
    [5.5, 7, null, "none"],
    [6, 9, [1, 1], "doubtful"],
    [8, 9, [1, 1], "sound"],
  ] as const)("v over %s … %s lies in %j: %s", (lo, hi, wanted, how) => {
    const v = over("v", lo, hi);
    if (wanted === null) expect(v.lo > v.hi || Number.isNaN(v.lo)).toBe(true);
    else expect(values(v)).toEqual(wanted.map((x) => expect.closeTo(x, 12)));
    if (how !== "none") expect(kind(v)).toBe(how);
  });
  it("slopes are open at the joints, where both sides need not agree", () => {
    expect(table.number("v", 1)(1)).toBe(2);
    expect(table.number("v", 1)(2)).toBeNaN();
    expect(table.number("v", 1)(0)).toBeNaN();
    expect(table.number("v", 1)(3)).toBe(-1);
    expect(table.number("v", 2)(1)).toBe(2);
    expect(table.number("f", 2)(2)).toBe(12);
    expect(table.number("F", 1)(2)).toBe(8);
    expect(table.number("F", 2)(2)).toBe(12);
  });
  it("inside one row the slope is that row's, across a joint anything", () => {
    const slope = (name: string, lo: number, hi: number) =>
      table.slopes(name)({ value: new Enclosure(lo, hi), slope: new Enclosure(1, 1) });
    expect(values(slope("v", 0.5, 1).slope)).toEqual([1, 2].map((x) => expect.closeTo(x, 12)));
    expect(values(slope("v", 0.5, 1).value)).toEqual([0.25, 1].map((x) => expect.closeTo(x, 12)));
    expect(values(slope("v", 1, 3).slope)).toEqual([-Infinity, Infinity]);
    expect(values(slope("v", 1, 3).value)).toEqual([1, 4]);
    expect(values(slope("v", 2, 3).slope)).toEqual([-Infinity, Infinity]);
    expect(values(slope("f", 1, 2).slope)).toEqual([3, 12].map((x) => expect.closeTo(x, 12)));
    expect(values(slope("F", 1, 2).slope)).toEqual([1, 8].map((x) => expect.closeTo(x, 12)));
    const twice = table.slopes("F")({ value: new Enclosure(1, 2), slope: new Enclosure(2, 2) });
    expect(values(twice.slope)).toEqual([2, 16].map((x) => expect.closeTo(x, 12)));
  });
  it("series are those of the row, where the whole box is inside one", () => {
    const coefficients = (name: string, lo: number, hi: number) =>
      table
        .series(name)(variableSeries(new Enclosure(lo, hi), 3))
        ?.map((c) => [c.lo, c.hi]) ?? null;
    const [first, second, third] = coefficients("v", 1, 1)!;
    expect([first, second, third].map((c) => c!.map((x) => Math.round(x * 1e9) / 1e9))).toEqual([
      [1, 1],
      [2, 2],
      [1, 1],
    ]);
    expect(coefficients("v", 1, 3)).toBeNull();
    expect(coefficients("v", 2, 3)).toBeNull();
    expect(coefficients("v", 5.5, 6)).toBeNull();
    // x⁴/4 at 2: 4, 8, 6, 2
    expect(coefficients("F", 2, 2)!.map(([lo]) => Math.round(lo! * 1e9) / 1e9)).toEqual([4, 8, 6, 2]);
  });
  it("a name without definition has no value, of any kind", () => {
    expect([table.has("v"), table.has("g"), table.definition("g"), table.definition("g", 2)]).toEqual([
      true,
      false,
      null,
      null,
    ]);
    expect(table.number("g")(1)).toBeNaN();
    expect(over("g", 0, 1).lo > over("g", 0, 1).hi || over("g", 0, 1).flags !== 0).toBe(true);
    expect(table.series("g")(variableSeries(new Enclosure(0, 1), 2))).toBeNull();
    expect(values(table.slopes("g")({ value: new Enclosure(0, 1), slope: new Enclosure(1, 1) }).slope)).toEqual([
      -Infinity,
      Infinity,
    ]);
  });
  it("what is asked again is the same function, and the same answer", () => {
    expect(table.enclosure("v")).toBe(table.enclosure("v"));
    const box = new Enclosure(0, 1);
    expect(table.enclosure("v")(box)).toBe(table.enclosure("v")(box));
    expect(table.number("v")(1)).toBe(1);
    expect(table.number("v")(3)).toBe(3);
    expect(table.number("v")(1)).toBe(1);
  });
});
