import { describe, expect, it } from "vitest";
import { formulaOf } from "./reading.fixture";
import { formOf } from "./exactForm";
import { checked, withoutHoles } from "./holes";
import { FunctionTable } from "./table";
import type { Stretch, Zero, ZeroSet } from "./zeroSet";

const table = new FunctionTable();
const stretch: Stretch = {
  table,
  from: null,
  to: null,
  lo: -9,
  hi: 9,
  budget: { boxes: 100, rewrites: 100 },
  depth: 0,
};

/** A candidate known in closed form: `sqrt(2)` is enclosed by doubles around it, a decimal by itself. */
function known(text: string): Zero {
  const exact = formOf(formulaOf(text));
  const at = text === "sqrt(2)" ? Math.SQRT2 : text === "pi/2" ? Math.PI / 2 : text === "-sqrt(2)" ? -Math.SQRT2 : NaN;
  if (Number.isNaN(at)) return { at: Number(text), lo: Number(text), hi: Number(text), multiplicity: 1, exact };
  const width = 1e-15;
  return { at, lo: at - width, hi: at + width, multiplicity: 1, exact };
}
/** A candidate of which only an enclosure is known. */
const enclosed = (lo: number, hi: number): Zero => ({ at: (lo + hi) / 2, lo, hi, multiplicity: 1, exact: null });
const setOf = (zeros: Zero[]): ZeroSet => ({ zeros, everywhere: false, open: [], algebraic: true });
const keeps = (formula: string, z: Zero) => checked(formulaOf(formula), setOf([z]), stretch).zeros.length === 1;

describe("a candidate at which the whole has no value is none", () => {
  it.each([
    ["x - 2", "2", true],
    ["x - 2", "3", false],
    ["x^2 - 2", "sqrt(2)", true],
    ["x^2 - 2", "-sqrt(2)", true],
    ["x^2 - 3", "sqrt(2)", false],
    // 0/0, and 0 times what is not there
    ["(x^2 - 2)/(x^2 - 2)", "sqrt(2)", false],
    ["(x^2 - 2)^2/(x^2 - 2)", "sqrt(2)", false],
    ["(x^2 - 2) (x^2 - 2)^-1", "sqrt(2)", false],
    ["(x^2 - 2) (x^2 - 2)^1", "sqrt(2)", true],
    ["(x^2 - 2)^3 (x - sqrt(2))^-1", "sqrt(2)", false],
    ["(x^2 - 2) ln(x^2 - 2)", "sqrt(2)", false],
    ["(x^2 - 2) log10(x^2 - 2)", "sqrt(2)", false],
    ["(x^2 - 2) log2(x^2 - 2)", "sqrt(2)", false],
    ["(x^2 - 2) ln(x^2 - 1)", "sqrt(2)", true],
    ["(x^2 - 2) exp(x)", "sqrt(2)", true],
    ["cos(x) tan(x)", "pi/2", false],
    ["cos(x) sin(x)", "pi/2", true],
    ["cos(x)/(x - 2)", "pi/2", true],
    // inside of a function, and beside a divisor that is no 0 there
    ["(x^2 - 2) + exp(1/(x^2 - 2)) - exp(1/(x^2 - 2))", "sqrt(2)", false],
    ["(x^2 - 2)/(x - 1)", "sqrt(2)", true],
    ["(x^2 - 2)/3", "sqrt(2)", true],
    // a root of what is 0 there has one
    ["sqrt(x^2 - 2)", "sqrt(2)", true],
    ["(x - 2)/(x - 2)", "2", false],
    ["sqrt(x - 3) (x - 2)", "2", false],
  ])("%s at %s: %s", (formula, at, wanted) => expect(keeps(formula, known(at))).toBe(wanted));

  it("of one that is only enclosed, the values near it decide", () => {
    expect(keeps("x^2 - 2", enclosed(1.4, 1.5))).toBe(true);
    expect(keeps("x^2 - 2", enclosed(1.5, 1.6))).toBe(false);
    expect(keeps("sqrt(x - 3) (x - 2)", enclosed(1.9, 2.1))).toBe(false);
    expect(keeps("ln(x)", enclosed(0.9, 1.1))).toBe(true);
    // partly without a value, and no closed form to be asked
    expect(keeps("sqrt(x)", enclosed(-0.1, 0.1))).toBe(true);
  });
  it("what else is known of the set is kept", () => {
    const set: ZeroSet = { zeros: [known("2")], everywhere: false, open: [{ lo: 5, hi: 6 }], algebraic: false };
    expect(checked(formulaOf("x - 3"), set, stretch)).toEqual({ ...set, zeros: [] });
    const none = setOf([]);
    expect(checked(formulaOf("x"), none, stretch)).toBe(none);
  });
});

describe("a zero of the top of a quotient at a zero of its bottom is a hole", () => {
  const kept = (bottom: string, z: Zero) => withoutHoles(setOf([z]), formulaOf(bottom), stretch).zeros.length === 1;
  it.each([
    ["x - 2", "2", false],
    ["x - 3", "2", true],
    ["x^2 - 2", "sqrt(2)", false],
    ["x^2 - 3", "sqrt(2)", true],
    ["cos(x)", "pi/2", false],
    // 0 within rounding, and not 0
    ["x^2 - 2 + 1e-16", "sqrt(2)", true],
  ])("over %s at %s: kept %s", (bottom, at, wanted) => expect(kept(bottom, known(at))).toBe(wanted));
  it("one that is only enclosed stays: its place says nothing", () => {
    expect(kept("x - 2", enclosed(1.9, 2.1))).toBe(true);
  });
});
