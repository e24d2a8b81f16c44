import { describe, expect, it } from "vitest";
import { call, compileNumber, differentiate, type Expression } from "../formula";
import { Enclosure } from "../interval";
import { denominator, numerator, ratio } from "../numeric";
import { openStairs } from "./openStairs";
import { newWork, partition, refine } from "./partition";
import type { Part, Range } from "./parts";
import { piecesOf } from "./pieces.fixture";
import { doubtful, formulaOf, rangeOf, sixDigits } from "./reading.fixture";
import { signedParts } from "./signedParts";
import { bordersOf, stepAt } from "./stairSteps";
import { FunctionTable } from "./table";
import { innerPoints } from "./zerosIn";

const table = new FunctionTable();
table.define("v", { kind: "pieces", pieces: piecesOf("0 [ x^2 ) 2", "2 [ 6 - x ] 5") });
table.define("f", { kind: "expression", expression: formulaOf("abs(x - 1)") });
table.define("s", { kind: "expression", expression: formulaOf("x^2 + 1") });
/** Running totals: of x³ everywhere, of 1/x from 1 on to both sides, of |x| with its bend at 0. */
const total = (text: string, number: (x: number) => number, start: number, from = -Infinity) =>
  ({
    kind: "closures",
    number,
    enclosure: (x: Enclosure) =>
      x.lo <= from
        ? new Enclosure(-Infinity, Infinity, 2)
        : new Enclosure(Math.min(number(x.lo), number(x.hi)), Math.max(number(x.lo), number(x.hi))),
    slope: formulaOf(text) as Expression,
    from: ratio(start),
  }) as const;
table.define(
  "F",
  total("x^3", (x) => x ** 4 / 4, 0),
);
table.define("L", total("1/x", Math.log, 1, 0));
table.define(
  "A",
  total("abs(x - 1)", (x) => ((x - 1) * Math.abs(x - 1)) / 2, 1),
);

/** Places by their input, cells by what each formula is worth in the middle, `–` where it has no value. */
const told = (parts: readonly Part[]): string =>
  parts
    .map((p) => {
      if (p.kind === "place") return sixDigits(p.spot.at);
      if (p.kind === "open") return `open ${sixDigits(p.lo)} to ${sixDigits(p.hi)}`;
      if (p.kind !== "cell") return p.kind;
      const middle = innerPoints(p)[0]!;
      return `(${p.formulas.map((f) => (f ? sixDigits(compileNumber(f, table.number)(middle)) : "–")).join(", ")})`;
    })
    .join(" ");
const taken = (e: Expression, range: Range) => told(partition([e], table, range));
const called = (name: string, input: string, order = 0) => call(name, order, formulaOf(input));

describe("functions of a case are taken apart by what they are made of", () => {
  it.each([
    ["v", "x", "-1 … 6", "-1 (–) 0 (1) 2 (2.5) 5 (–) 6"],
    ["v", "2 x", "0 … 2", "0 (1) 1 (3) 2"],
    ["v", "7 - x", "0 … 9", "0 (–) 2 (2.5) 5 (1) 7 (–) 9"],
    ["v", "x^2", "-3 … 3", "-3 (–) -2.23607 (2.66886) -1.41421 (0.25) 0 (0.25) 1.41421 (2.66886) 2.23607 (–) 3"],
    ["f", "x", "0 … 2", "0 (0.5) 1 (0.5) 2"],
    ["f", "x + 3", "-4 … 0", "-4 (1) -2 (1) 0"],
    ["s", "x", "0 … 2", "0 (2) 2"],
    ["s", "1/x", "-1 … 1", "-1 (5) 0 (5) 1"],
    ["F", "x", "0 … 2", "0 (0.25) 2"],
    ["L", "x", "1 … 3", "1 (0.693147) 3"],
    ["A", "x", "0 … 2", "0 (-0.125) 1 (0.125) 2"],
    ["A", "x - 2", "2 … 4", "2 (-0.125) 3 (0.125) 4"],
    // where what is summed has no value, nothing is told of the total
    ["L", "x", "-1 … 3", "-1 (–) 0 (0.405465) 3"],
    ["u", "x", "0 … 1", "0 (–) 1"],
  ])("%s(%s) on %s: %s", (name, input, range, wanted) =>
    expect(taken(called(name, input), rangeOf(range))).toBe(wanted),
  );
  it("their slopes too", () => {
    expect(taken(called("v", "x", 1), rangeOf("0 … 5"))).toBe("0 (2) 2 (-1) 5");
    expect(taken(called("f", "x", 1), rangeOf("0 … 2"))).toBe("0 (-1) 1 (1) 2");
    expect(taken(called("F", "x", 1), rangeOf("0 … 2"))).toBe("0 (1) 2");
    expect(taken(called("s", "x", 2), rangeOf("0 … 2"))).toBe("0 (2) 2");
  });
});

describe("numbers without variable inside of a formula", () => {
  it.each([
    ["x + 1/(sqrt(8) - 2 sqrt(2))", "0 … 1", "0 (–) 1"],
    ["x abs(sqrt(2))", "0 … 2", "0 (1.41421) 2"],
    ["x floor(sqrt(2))", "0 … 2", "0 (1) 2"],
    ["x max(sqrt(2), 1)", "0 … 2", "0 (1.41421) 2"],
    ["x ln(3)", "0 … 2", "0 (1.09861) 2"],
    ["x/ln(3)", "0 … 2", "0 (0.910239) 2"],
    ["x + sqrt(D)", "0 … 1", "open 0 to 1"],
    ["x + ln(D)", "0 … 1", "open 0 to 1"],
    ["max(D, 0) + x", "0 … 1", "open 0 to 1"],
  ])("%s on %s: %s", (text, range, wanted) => expect(taken(doubtful(text), rangeOf(range))).toBe(wanted));
  it("a power of a number, and what is level by its form", () => {
    expect(taken(doubtful("(-2)^x"), rangeOf("0 … 1"))).toBe("0 (–) 1");
    expect(taken(doubtful("2^x"), rangeOf("0 … 2"))).toBe("0 (2) 2");
    expect(taken(doubtful("floor(x - x)"), rangeOf("0 … 1"))).toBe("0 (0) 1");
    expect(taken(doubtful("floor(x - x + 5/2)"), rangeOf("0 … 1"))).toBe("0 (2) 1");
    expect(taken(doubtful("abs(0 (x - 1))"), rangeOf("0 … 3"))).toBe("0 (0) 3");
  });
  it("slopes of stairs are 0 between their steps", () => {
    expect(taken(differentiate(doubtful("floor(x)")), rangeOf("0 … 2"))).toBe("0 (0) 1 (0) 2");
    expect(taken(differentiate(doubtful("x round(x)")), rangeOf("0 … 2"))).toBe("0 (0) 0.5 (1) 1.5 (2) 2");
  });
});

describe("stairs with too many steps", () => {
  const stairs = (text: string, range: string) => partition([doubtful(text)], table, rangeOf(range));
  it("are kept as stairs, and left open beside a formula without a value", () => {
    expect(told(stairs("floor(1000 x)", "0 … 1"))).toBe("0 stairs 1");
    expect(told(partition([doubtful("floor(1000 x)"), doubtful("sqrt(x - 3)")], table, rangeOf("0 … 1")))).toBe(
      "0 stairs 1",
    );
    expect(told(partition([doubtful("sqrt(x - 3)"), doubtful("floor(1000 x)")], table, rangeOf("0 … 1")))).toBe(
      "open 0 to 1",
    );
  });
  it("are taken apart where that matters, and told by their bounds elsewhere", () => {
    const near = (text: string, range: string, level: number) =>
      openStairs(stairs(text, range), table, newWork(), (v) => v.lo <= level && v.hi >= level);
    const kinds = (list: readonly Part[]) => {
      const count = (kind: Part["kind"]) => list.filter((p) => p.kind === kind).length;
      return { quiet: count("quiet") > 0, cells: count("cell"), stairs: count("stairs"), open: count("open") };
    };
    // parted until a stretch has at most 12 steps; only those of the stretch with the 500th are told one by one
    const some = near("floor(1000 x)", "0 … 1", 500);
    expect(kinds(some).stairs + kinds(some).open).toBe(0);
    expect(kinds(some).quiet).toBe(true);
    expect(kinds(some).cells).toBeGreaterThan(1);
    expect(kinds(some).cells).toBeLessThanOrEqual(13);
    const at = some.findIndex((p) => p.kind === "place" && p.spot.at === 0.5);
    expect([some[at - 1]!.kind, some[at + 1]!.kind]).toEqual(["cell", "cell"]);
    expect(kinds(near("floor(1000 x)", "0 … 1", 2000))).toEqual({ quiet: true, cells: 0, stairs: 0, open: 0 });
    // without an end: beyond some input a stair keeps its sign
    expect(kinds(near("floor(x) + 3", "0 …", 0)).open).toBe(0);
    expect(kinds(near("floor(x) - 3", "0 …", 0))).toMatchObject({ quiet: true, open: 0 });
    expect(kinds(near("floor(x) - 3", "… 9", 0))).toMatchObject({ quiet: true, open: 0 });
    expect(kinds(near("floor(x)", "0 …", 5000)).open).toBeGreaterThan(0);
  });
  it("work that is used up leaves the rest open", () => {
    const whole = stairs("floor(1000 x)", "0 … 1");
    const none = openStairs(whole, table, { boxes: 1000, cells: 0 }, () => true);
    expect(told(none)).toBe("0 open 0 to 1 1");
    const other = partition([doubtful("x")], table, rangeOf("0 … 1"));
    expect(openStairs(other, table, newWork(), () => true)).toEqual(other);
  });
  it.each([
    ["floor", "x", 2.5, "2"],
    ["ceil", "x", 2.5, "3"],
    ["round", "x", 2.4, "2"],
    // on a step's edge no step is told, though the exact argument is
    ["floor", "x", 2, null],
    ["ceil", "x", 2, null],
    ["round", "x", 2.5, null],
    ["round", "x", 2, "2"],
    ["floor", "exp(x)", 1, "2"],
    ["floor", "exp(x) - exp(x)", 1, null],
    ["floor", "3 + 0 x", 1, "3"],
    ["floor", "ln(x)", -1, null],
    ["floor", "exp(exp(x))", 800, null],
  ] as const)("%s(%s) at %s is on step %s", (name, text, x, wanted) =>
    expect(stepAt(name, doubtful(text), x, table)?.toFraction() ?? null).toBe(wanted),
  );
  it.each([
    ["floor", 0.5, 2.5, "0 1 2 3"],
    ["ceil", 1, 2, "1 2"],
    ["round", 0.2, 1.6, "-1/2 1/2 3/2 5/2"],
    ["round", 0.5, 0.5, "1/2"],
    ["floor", -1.5, -0.5, "-2 -1 0"],
    // from 2^52 on no double lies between two whole numbers, from 2^53 on not even each of them is one
    ["round", 2 ** 52 + 1, 2 ** 52 + 2, "9007199254740993/2 9007199254740995/2 9007199254740997/2"],
    ["floor", 2 ** 53, 2 ** 53 + 2, "9007199254740992 9007199254740993 9007199254740994"],
  ] as const)("%s steps between arguments %d and %d at %s", (name, lo, hi, wanted) => {
    const all = bordersOf(name, { lo, hi }).map((r) => `${numerator(r)}/${denominator(r)}`.replace(/\/1$/, ""));
    expect(all.join(" ")).toBe(wanted);
  });
});

describe("signs part by part", () => {
  const signs = (text: string, range: string) =>
    signedParts(text.startsWith("v") ? called("v", "x") : doubtful(text), table, rangeOf(range))
      .map(({ part, sign }) => (part.kind === "place" ? `${sixDigits(part.spot.at)}:${sign}` : `(${sign})`))
      .join(" ");
  it.each([
    ["x - 1", "0 … 2", "0:-1 (-1) 1:0 (1) 2:1"],
    ["abs(x) - 1", "-1 … 1", "-1:0 (-1) 0:-1 (-1) 1:0"],
    ["1/x", "-1 … 1", "-1:-1 (-1) 0:none (1) 1:1"],
    ["sqrt(x)", "-1 … 1", "-1:none (none) 0:0 (1) 1:1"],
    ["max(x, 0)", "-1 … 1", "-1:0 (0) 0:0 (1) 1:1"],
    ["x - x", "0 … 1", "0:0 (0) 1:0"],
    ["v", "0 … 5", "0:0 (1) 2:1 (1) 5:1"],
    ["D", "0 … 1", "(open)"],
    ["D x + D", "0 … 1", "(open)"],
    ["abs(D) + x", "0 … 1", "(open)"],
    ["-exp(x)", "0 …", "0:-1 (-1)"],
  ])("%s on %s: %s", (text, range, wanted) => expect(signs(text, range)).toBe(wanted));
  it("bounds of many steps tell a sign where 0 is not among them", () => {
    const kinds = new Set(
      signedParts(doubtful("floor(1000 x) - 700"), table, rangeOf("0 … 1")).map(
        ({ part, sign }) => `${part.kind} ${sign}`,
      ),
    );
    for (const kind of ["quiet 1", "quiet -1", "cell 1", "cell -1", "cell 0"]) expect(kinds).toContain(kind);
    expect([...kinds].filter((k) => k.includes("open"))).toEqual([]);
  });
  it("the formula that holds stands with each cell, and with a zero inside of it", () => {
    const [, cell, zero, after, end] = signedParts(doubtful("x - 1"), table, rangeOf("0 … 2"));
    expect([cell!.formula, after!.formula].map((f) => f && compileNumber(f, table.number)(5))).toEqual([4, 4]);
    expect(compileNumber(zero!.formula!, table.number)(5)).toBe(4);
    expect(end!.formula).toBeNull();
  });
  it("zeros of several questions part a cell one after the other", () => {
    const cells = refine(partition([doubtful("x")], table, rangeOf("0 … 4")), table, newWork(), () => [
      doubtful("x - 1"),
      doubtful("x - 3"),
      doubtful("D x + D"),
    ]);
    expect(told(cells)).toBe("open 0 to 4");
    const two = refine(partition([doubtful("x")], table, rangeOf("0 … 4")), table, newWork(), () => [
      doubtful("x - 3"),
      doubtful("x - 1"),
    ]);
    expect(told(two)).toBe("0 (0.5) 1 (2) 3 (3.5) 4");
  });
});
