import { describe, expect, it } from "vitest";
import { Enclosure, EMPTY, PARTIAL } from "../interval";
import { expressionText } from "../formula";
import { rationalOfDecimal, ratio, toDouble } from "../numeric";
import { formulaOf } from "./reading.fixture";
import {
  compareSpots,
  numberOfSpot,
  outerEnd,
  putIn,
  signAtSpot,
  signOfEnclosure,
  spotOfConstant,
  spotOfEnd,
  spotOfRational,
  spotOfZero,
  type Spot,
} from "./spot";
import { FunctionTable } from "./table";
import { headFreeOfZeros, tailFreeOfZeros, REACH } from "./tails";

const table = new FunctionTable();
const [LOW, HIGH] = [1.4142135623730949, 1.4142135623730954];
/** A zero near √2 of which nothing is known but its bounds, and what it is a zero of. */
const root = (...of: string[]): Spot => ({
  at: Math.SQRT2,
  lo: LOW,
  hi: HIGH,
  rational: null,
  exact: null,
  zeroOf: of.map(formulaOf),
});
const named = (text: string) => spotOfConstant(formulaOf(text));
const order = (a: Spot, b: Spot) => [compareSpots(a, b, table), compareSpots(b, a, table)];

describe("one input, however it is known", () => {
  it("a fraction, a closed form, a zero", () => {
    const third = spotOfRational(ratio(1, 3));
    expect([third.lo < third.hi, third.at, third.rational!.toFraction(), third.exact!.text]).toEqual([
      true,
      1 / 3,
      "1/3",
      "1/3",
    ]);
    const two = named("sqrt(2)");
    expect([two.rational, two.exact!.text, two.at]).toEqual([null, "sqrt(2)", expect.closeTo(Math.SQRT2, 14)]);
    expect(two.lo <= two.at && two.at <= two.hi).toBe(true);
    expect([two.zeroOf, third.zeroOf, named("sqrt(4)").rational!.toFraction()]).toEqual([[], [], "2"]);
    const u = formulaOf("x^2 - 2");
    const zero = { at: 1, lo: 0, hi: 2, multiplicity: 1, exact: null };
    expect(spotOfZero(zero, u)).toEqual({ at: 1, lo: 0, hi: 2, rational: null, exact: null, zeroOf: [u] });
    const exact = spotOfZero({ ...zero, exact: spotOfRational(ratio(3, 2)).exact }, u);
    expect([exact.at, exact.lo, exact.hi, exact.zeroOf]).toEqual([1.5, 1.5, 1.5, [u]]);
    expect([spotOfEnd(ratio(2), null)!.at, spotOfEnd(null, null)]).toEqual([2, null]);
    expect(spotOfEnd(ratio(2), formulaOf("pi"))!.at).toBeCloseTo(Math.PI, 12);
  });
  it("its outer ends, and the number it stands for", () => {
    expect([outerEnd(root(), -1), outerEnd(root(), 1)].map(toDouble)).toEqual([LOW, HIGH]);
    expect([outerEnd(named("1/3"), -1), outerEnd(named("1/3"), 1)].map((r) => r.toFraction())).toEqual(["1/3", "1/3"]);
    const e = formulaOf("x^2 + 1");
    const put = (s: Spot) => {
      const there = putIn(e, s);
      return there && expressionText(there, "x");
    };
    expect([put(named("3")), put(named("pi")), put(root())]).toEqual(["10", "pi^2 + 1", null]);
    expect(expressionText(numberOfSpot(named("3/2")), "x")).toBe("1.5");
    expect(expressionText(numberOfSpot(named("sqrt(2)")), "x")).toBe("sqrt(2)");
    expect(numberOfSpot(root())).toMatchObject({ kind: "number", value: Math.SQRT2, exact: null });
  });
});

describe("the order of two inputs", () => {
  it("by fractions, by bounds, by what they are zeros of", () => {
    const a = root("x^2 - 2");
    expect(compareSpots(a, a, table)).toBe(0);
    expect(order(named("1/3"), named("2/3"))).toEqual([-1, 1]);
    expect(order(named("2/6"), named("1/3"))).toEqual([0, 0]);
    expect(order(named("pi"), named("3"))).toEqual([1, -1]);
    expect(order(named("sqrt(8)"), named("2 sqrt(2)"))).toEqual([0, 0]);
    // a closed form that is a zero of what makes the other
    expect(order(named("sqrt(2)"), root("x^2 - 2"))).toEqual([0, 0]);
    expect(order(named("sqrt(2)"), root("x^2 - 3"))).toEqual([null, null]);
    expect(order(named("sqrt(2)"), root("x^2 - 3", "x^2 - 2"))).toEqual([0, 0]);
    // polynomials with a common part, and others
    expect(order(root("x^2 - 2"), root("(x^2 - 2) (x - 5)"))).toEqual([0, 0]);
    expect(order(root("x^2 - 2"), root("x^3 - 2 x"))).toEqual([0, 0]);
    expect(order(root("x^2 - 2"), root("x^2 - 2.0000000000000001"))).toEqual([null, null]);
    expect(order(root("x^2 - 2"), root("x - 1"))).toEqual([null, null]);
    // any formula with itself, where its slope is not 0
    const other = "exp(x) - 4.1132503787829275";
    expect(order(root(other), root(other))).toEqual([0, 0]);
    expect(order(root(other), root("exp(x) - 4.1132503787829276"))).toEqual([null, null]);
    expect(order(root(other), root("x^2 - 2"))).toEqual([null, null]);
    const flat = "(exp(x) - 4.1132503787829275)^2";
    expect(order(root(flat), root(flat))).toEqual([null, null]);
    expect(order(root(), root())).toEqual([null, null]);
  });
  it("enclosures that only touch do not tell", () => {
    const at = (lo: number, hi: number): Spot => ({ ...root(), at: (lo + hi) / 2, lo, hi });
    expect(order(at(1, 2), at(2, 3))).toEqual([null, null]);
    expect(order(at(1, 2), at(2.1, 3))).toEqual([-1, 1]);
  });
});

describe("the sign of a formula at an input", () => {
  const D = "(sin(1)^2 + cos(1)^2 - 1)";
  it.each([
    ["x - 1", "2", 1],
    ["1 - x", "2", -1],
    ["x^2 - 4", "2", 0],
    ["x - 1/3", "1/3", 0],
    ["exp(x) - 1", "0", 0],
    ["x^2 - 2", "sqrt(2)", 0],
    ["sin(x)", "pi", 0],
    ["x - 3", "pi", 1],
    ["5", "pi", 1],
    ["ln(8) - 3 ln(2)", "pi", 0],
    [D, "pi", null],
    [`x ${D}`, "1", null],
    ["ln(x - 3)", "2", null],
  ] as const)("of %s at %s: %s", (text, at, wanted) =>
    expect(signAtSpot(formulaOf(text), named(at), table)).toBe(wanted),
  );
  it("where only bounds are known, by them and by what the place is a zero of", () => {
    const sign = (text: string, ...of: string[]) => signAtSpot(formulaOf(text), root(...of), table);
    expect([sign("x - 1", "x^2 - 2"), sign("1 - x", "x^2 - 2")]).toEqual([1, -1]);
    expect(sign("x^2 - 2", "x^2 - 2")).toBe(0);
    expect(sign("exp(x) - exp(sqrt(2))", "exp(x) - exp(sqrt(2))")).toBe(0);
    expect(sign("x^4 - 4", "x^2 - 2")).toBe(0);
    expect(sign("(x^2 - 2)/(x + 7)", "x^2 - 2")).toBe(0);
    expect(sign("x^2 - 2.0000000000000001", "x^2 - 2")).toBeNull();
    expect(sign("exp(x) - exp(sqrt(2))", "x^2 - 2")).toBeNull();
    expect(sign("x^2 - 2")).toBeNull();
    expect(sign("x^2 - 2", "5 + 0 x")).toBeNull();
  });
  it("of bounds", () => {
    const signs = [
      [1, 2, 0, 1],
      [-2, -1, 0, -1],
      [0, 0, 0, 0],
      [0, 1, 0, null],
      [-1, 0, 0, null],
      [-1, 1, 0, null],
      [0, 0, PARTIAL, null],
      [1, 2, EMPTY, null],
    ] as const;
    for (const [lo, hi, flags, wanted] of signs) expect(signOfEnclosure(new Enclosure(lo, hi, flags))).toBe(wanted);
  });
});

describe("stretches that are proven free of zeros", () => {
  const tail = (text: string, side: 1 | -1, start: number) => {
    const { edge, proven, sign } = tailFreeOfZeros(formulaOf(text), side, start, table);
    return [edge, proven, sign];
  };
  it("far out, from the first power of two on at which the leading term tells", () => {
    expect(tail("x - 5", 1, 0)).toEqual([16, true, 1]);
    expect(tail("x - 5", -1, 0)).toEqual([-16, true, -1]);
    expect(tail("5 - x^3", 1, 0)).toEqual([16, true, -1]);
    expect(tail("5 - x^3", -1, 0)).toEqual([-16, true, 1]);
    expect(tail("x - 100", 1, 0)).toEqual([128, true, 1]);
    // beyond where it is asked from
    expect(tail("x - 5", 1, 16)).toEqual([32, true, 1]);
    expect(tail("x - 5", 1, 100)).toEqual([128, true, 1]);
    expect(tail("x - 5", -1, -100)).toEqual([-128, true, -1]);
    // no end of its zeros
    expect(tail("sin(x)", 1, 7)).toEqual([7 + REACH, false, 0]);
    expect(tail("sin(x)", -1, -7)).toEqual([-7 - REACH, false, 0]);
  });
  it("beside a place, as far as the leading term tells", () => {
    const head = (text: string, at: string, side: 1 | -1, room: number) =>
      headFreeOfZeros(formulaOf(text), named(at), side, room, table);
    expect(head("x - 1", "1", 1, 10)).toBe(1 + 1 / 16);
    expect(head("x - 1", "1", -1, 10)).toBe(1 - 1 / 16);
    expect(head("x - 1", "1", 1, 1 / 32)).toBe(1 + 1 / 64);
    // e^x − 1 − x at 0: by its second derivative
    expect(head("exp(x) - 1 - x", "0", 1, 1)).toBe(1 / 16);
    // nothing is told without room, or of what is 0 throughout
    expect(head("x - 1", "1", 1, 0)).toBe(1);
    expect(head("x - x", "1", 1, 1)).toBe(1);
    expect(head(D0, "1", -1, 1)).toBe(1);
  });
  const D0 = "(sin(1)^2 + cos(1)^2 - 1) x";
  it("a fraction that doubles do not hold begins at its outer side", () => {
    const third = spotOfRational(rationalOfDecimal("0.1")!);
    const edge = headFreeOfZeros(formulaOf("x - 0.1"), third, 1, 1, table);
    expect([edge > third.lo, edge - third.lo <= 1 / 16]).toEqual([true, true]);
  });
});
