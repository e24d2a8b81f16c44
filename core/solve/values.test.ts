import { describe, expect, it } from "vitest";
import { expressionText, wholeNumber } from "../formula";
import { ratio } from "../numeric";
import { encloseAt, exactValueAt } from "./encloseAt";
import { formOf, rationalExact } from "./exactForm";
import { doubtful, formulaOf, sixDigits, stretchOf } from "./reading.fixture";
import { spotOfConstant, spotOfRational, type Spot } from "./spot";
import { FunctionTable } from "./table";
import { rationalValue, valueOf, type ValueAt } from "./value";
import { areEqualValues, branchAt, constantValue, signOfValue, valueAt } from "./valueAt";
import { linearOrQuadratic, zeroAt } from "./zeroAt";
import { EVERYWHERE, NONE, merge, outward, sameZero, withMultiplicity, type Zero } from "./zeroSet";

const table = new FunctionTable();
/** A place known by an enclosure alone, a zero of x² − 2. */
const ROOT: Spot = {
  at: Math.SQRT2,
  lo: 1.4142135623730949,
  hi: 1.4142135623730954,
  rational: null,
  exact: null,
  zeroOf: [formulaOf("x^2 - 2")],
};
const spot = (place: string) => (place === "root" ? ROOT : spotOfConstant(formulaOf(place)));

/** `7/2` where it is exact, `~1.41421 = sqrt(2)` where it has a name, `~` alone where it is only enclosed. */
function told(v: ValueAt): string {
  if (v.kind !== "value") return v.kind;
  if (v.exact) return v.exact.toFraction();
  expect(v.lo <= v.hi).toBe(true);
  const about = `~${sixDigits((v.lo + v.hi) / 2)}`;
  return v.form ? `${about} = ${expressionText(v.form, "x")}` : about;
}

describe("what a smooth formula is worth at a place", () => {
  it.each([
    ["x^2", "1/2", "1/4"],
    ["x^2 + x", "-3", "6"],
    ["x^2", "sqrt(2)", "2"],
    ["x^3", "sqrt(2)", "~2.82843 = sqrt(2)^3"],
    ["x^2 - 2", "sqrt(2)", "0"],
    ["exp(x)", "0", "1"],
    ["exp(x)", "1", "~2.71828 = e"],
    ["ln(x)", "e", "1"],
    ["sin(x)", "pi", "0"],
    ["cos(x) + 1", "pi", "0"],
    ["x", "root", "~1.41421"],
    ["x^2 - 2", "root", "0"],
    ["x^4 - 4", "root", "0"],
    ["exp(x)", "root", "~4.11325"],
    ["D", "1", "~0 = sin(1)^2 + cos(1)^2 - 1"],
    ["x D", "3", "~0 = 3 (sin(1)^2 + cos(1)^2 - 1)"],
    ["x - x + D", "pi", "~0 = pi - pi + sin(1)^2 + cos(1)^2 - 1"],
  ])("%s at %s: %s", (text, place, wanted) =>
    expect(told(valueOf(doubtful(text), spot(place), table)).replace(/^~-?[\d.]+e-1\d/, "~0")).toBe(wanted),
  );
  it("of two enclosures of one value what both say is kept", () => {
    // (x − 1)(x + 1) at √2 is enclosed about 1 by the place, and is exactly 1
    const v = valueOf(doubtful("exp((x - 1) (x + 1)) - e"), spot("sqrt(2)"), table);
    expect(told(v)).toBe("0");
    const near = valueOf(doubtful("sin(x) - sin(sqrt(2)) + D"), spot("sqrt(2)"), table);
    expect(near.kind === "value" && near.lo <= 0 && near.hi >= 0 && near.hi - near.lo < 1e-14).toBe(true);
  });
  it("a fraction's value is enclosed and named", () => {
    const third = rationalValue(ratio(1, 3));
    expect([third.lo < third.hi, third.lo <= 1 / 3, third.hi >= 1 / 3]).toEqual([true, true, true]);
    expect([third.exact!.toFraction(), expressionText(third.form!, "x")]).toEqual(["1/3", "1/3"]);
  });
});

describe("what any formula is worth at a place", () => {
  it.each([
    ["abs(x)", "-2", "2"],
    ["floor(x)", "sqrt(2)", "1"],
    ["1/(x - 1)", "1", "none"],
    ["sqrt(D)", "1", "open"],
    ["max(x, 1)", "1/2", "1"],
    ["x^2", "7", "49"],
  ])("%s at %s: %s", (text, place, wanted) => expect(told(valueAt(doubtful(text), spot(place), table))).toBe(wanted));
  it("a number without variable", () => {
    expect(
      ["2 + 3", "abs(-2)", "sqrt(2)", "1/(sqrt(8) - 2 sqrt(2))", "ln(D)"].map((t) =>
        told(constantValue(doubtful(t), table)),
      ),
    ).toEqual(["5", "2", "~1.41421 = sqrt(2)", "none", "open"]);
  });
  it("the branch that holds, where any is to be chosen", () => {
    const smooth = doubtful("x^2 + exp(x)");
    expect(branchAt(smooth, spot("0"), table)).toBe(smooth);
    expect(branchAt(doubtful("1/x"), spot("0"), table)).toBe("none");
    expect(branchAt(doubtful("abs(D)"), spot("0"), table)).toBe("open");
  });
  it.each([
    ["2", 1],
    ["-2", -1],
    ["0", 0],
    ["sqrt(2) - 1", 1],
    ["1 - sqrt(2)", -1],
    ["sqrt(8) - 2 sqrt(2)", 0],
    ["D", null],
  ])("the sign of %s is %s", (text, wanted) => {
    const v = constantValue(doubtful(text), table);
    expect(v.kind === "value" && signOfValue(v)).toBe(wanted);
  });
  it("values are equal where that is proven, by fractions or by forms", () => {
    const value = (text: string) => {
      const v = constantValue(doubtful(text), table);
      return v.kind === "value" ? v : { exact: null, form: null };
    };
    const equal = (a: string, b: string) => areEqualValues(value(a), value(b));
    expect([equal("1/2", "2/4"), equal("1/2", "1/3"), equal("sqrt(8)", "2 sqrt(2)")]).toEqual([true, false, true]);
    expect([equal("sqrt(2)", "1"), equal("1", "1 + D"), equal("sqrt(2)", "sqrt(3)")]).toEqual([false, false, false]);
    expect(areEqualValues({ exact: null, form: null }, { exact: null, form: null })).toBe(false);
    expect(areEqualValues({ exact: null, form: wholeNumber(1) }, { exact: null, form: null })).toBe(false);
    expect(areEqualValues({ exact: null, form: null }, { exact: null, form: wholeNumber(1) })).toBe(false);
    expect(areEqualValues({ exact: ratio(1), form: null }, { exact: null, form: wholeNumber(1) })).toBe(false);
  });
  it("at a fraction: exactly where that can be, else in bounds", () => {
    expect(exactValueAt(doubtful("x^2"), ratio(1, 3))?.toFraction()).toBe("1/9");
    expect(exactValueAt(doubtful("exp(x - 1/3)"), ratio(1, 3))?.toFraction()).toBe("1");
    expect(exactValueAt(doubtful("exp(x)"), ratio(1, 3))).toBeNull();
    const third = encloseAt(doubtful("x"), table, ratio(1, 3));
    expect([third.lo < third.hi, third.hi - third.lo < 2e-16]).toEqual([true, true]);
    const e = encloseAt(doubtful("exp(3 x)"), table, ratio(1, 3));
    expect([e.lo <= Math.E, e.hi >= Math.E, e.hi - e.lo < 1e-14]).toEqual([true, true, true]);
  });
});

const zerosTold = (set: { zeros: readonly Zero[] } | null) =>
  set && set.zeros.map((z) => `${sixDigits(z.at)} = ${z.exact?.text} (${z.multiplicity})`).join("; ");

describe("a zero known in closed form", () => {
  it.each([
    ["1/3", "0", "1", "0.333333 = 1/3 (2)"],
    ["1/3", "0.4", "1", ""],
    ["1/3", "0", "0.3", ""],
    ["1/3", null, null, "0.333333 = 1/3 (2)"],
    ["1", "1", "2", "1 = 1 (2)"],
    ["1", "0", "1", "1 = 1 (2)"],
    ["sqrt(2)", "0", "1", ""],
    ["sqrt(2)", "1", "2", "1.41421 = sqrt(2) (2)"],
    ["sqrt(2)", "1.5", "2", ""],
    ["-sqrt(2)", null, "0", "-1.41421 = -sqrt(2) (2)"],
  ])("%s on %s … %s: %s", (text, from, to, wanted) => {
    const found = zeroAt(doubtful(text), stretchOf(`${from ?? ""} … ${to ?? ""}`), 2);
    expect(zerosTold(found)).toBe(wanted);
    for (const z of found.zeros) expect([z.lo <= z.at, z.at <= z.hi, found.algebraic]).toEqual([true, true, true]);
    if (wanted === "") expect(found).toBe(NONE);
  });
  it.each([
    ["2 x + 1", "sqrt(2)", "0.207107 = (sqrt(2) - 1)/2 (1)"],
    ["x/3 - 1", "pi", "12.4248 = 3 + 3 pi (1)"],
    ["2 x", "ln(2)/ln(3)", "0.315465 = ln(2)/(2 ln(3)) (1)"],
    ["x^2", "sqrt(2)", "-1.18921 = -sqrt(sqrt(2)) (1); 1.18921 = sqrt(sqrt(2)) (1)"],
    ["x^2 - 2 x", "pi", "-1.03509 = 1 - sqrt(1 + pi) (1); 3.03509 = 1 + sqrt(1 + pi) (1)"],
    ["-2 x^2", "sqrt(2)", ""],
    ["x^2 + 4 x", "sqrt(16) - 8", "-2 = -2 (2)"],
    ["x^2", "D", null],
    ["x^3", "pi", null],
    ["exp(x)", "pi", null],
    ["5 + 0 x", "pi", null],
  ])("%s = %s: %s", (left, right, wanted) =>
    expect(zerosTold(linearOrQuadratic(doubtful(left), doubtful(right), stretchOf("…")))).toBe(wanted),
  );
});

describe("sets of zeros", () => {
  const zero = (lo: number, hi: number, multiplicity: number | null = 1, exact: string | null = null): Zero => ({
    at: (lo + hi) / 2,
    lo,
    hi,
    multiplicity,
    exact: exact === null ? null : formOf(formulaOf(exact)),
  });
  const set = (...zeros: Zero[]) => ({ zeros, everywhere: false, open: [], algebraic: true });
  it("are put in order; those that overlap are one, the closer told, the orders added", () => {
    const found = merge([set(zero(3, 4)), set(zero(0, 1), zero(3.2, 3.3, 2)), set(zero(3.2, 3.6, 1, "10/3"))]);
    expect(found.zeros.map((z) => [z.lo, z.hi, z.multiplicity, z.exact?.text])).toEqual([
      [0, 1, 1, undefined],
      [3.2, 3.3, 4, "10/3"],
    ]);
    expect(merge([set(zero(0, 2)), set(zero(1, 1.5))]).zeros[0]).toMatchObject({ lo: 1, hi: 1.5, multiplicity: 2 });
    expect(merge([set(zero(1, 1.5)), set(zero(1, 2))]).zeros[0]).toMatchObject({ lo: 1, hi: 1.5 });
    expect(merge([set(zero(1, 1, null)), set(zero(1, 1))]).zeros[0]!.multiplicity).toBeNull();
    expect(merge([set(zero(1, 1)), set(zero(1, 1, null))]).zeros[0]!.multiplicity).toBeNull();
    expect(merge([set(zero(1, 2)), set(zero(2, 3))]).zeros).toHaveLength(1);
    expect(merge([set(zero(1, 2)), set(zero(2.1, 3))]).zeros).toHaveLength(2);
  });
  it("what is open, flat or found by enclosures is told of the whole", () => {
    const open = { ...set(), open: [{ lo: 0, hi: 1 }], algebraic: false };
    const flat = { ...set(), flat: [{ lo: 2, hi: 3 }] };
    expect(merge([open, flat])).toEqual({ ...set(), open: open.open, flat: flat.flat, algebraic: false });
    expect(merge([set(), EVERYWHERE])).toBe(EVERYWHERE);
    expect(merge([])).toMatchObject({ zeros: [], open: [], flat: [], algebraic: true, everywhere: false });
    expect(withMultiplicity(set(zero(1, 1, 3)), (m) => m && m * 2).zeros[0]!.multiplicity).toBe(6);
  });
  it("exact forms tell two zeros apart that doubles do not", () => {
    const near = (exact: string | null) => zero(1, 2, 1, exact);
    expect([sameZero(near("4/3"), near("8/6")), sameZero(near("4/3"), near("5/3"))]).toEqual([true, false]);
    expect([sameZero(near("sqrt(3)"), near("sqrt(12)/2")), sameZero(near("sqrt(2)"), near("sqrt(3)"))]).toEqual([
      true,
      false,
    ]);
    expect([sameZero(near("sqrt(2)"), near("7/5")), sameZero(near("7/5"), near("sqrt(2)"))]).toEqual([false, false]);
    expect([sameZero(near(null), near("7/5")), sameZero(near("7/5"), near(null))]).toEqual([true, true]);
    expect(rationalExact(ratio(-4, 3))).toMatchObject({ text: "-4/3", latex: "-\\frac{4}{3}" });
    expect(rationalExact(ratio(5))).toMatchObject({ text: "5", latex: "5" });
    expect([outward(ratio(1, 3), -1) < outward(ratio(1, 3), 1), outward(ratio(2), 1)]).toEqual([true, 2]);
    expect(spotOfRational(ratio(1, 3)).lo).toBe(outward(ratio(1, 3), -1));
  });
});
