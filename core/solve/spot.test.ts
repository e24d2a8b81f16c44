import { describe, expect, it } from "vitest";
import { resolve, type Expression } from "../formula";
import { ratio, rationalOfDecimal } from "../numeric";
import { compareSpots, spotOfRational, type Spot } from "./spot";
import { FunctionTable } from "./table";

const table = new FunctionTable();
const names = { variable: "x", givens: new Map(), functions: new Map(), variables: new Set<string>() };
const expressionOf = (text: string): Expression => resolve(text, names).expression!;
/** A zero of a formula that is known by its enclosure alone. */
const zero = (formula: string, lo: number, hi: number): Spot => ({
  at: (lo + hi) / 2,
  lo,
  hi,
  rational: null,
  exact: null,
  zeroOf: [expressionOf(formula)],
});
const fraction = (text: string) => spotOfRational(rationalOfDecimal(text)!);

describe("the order of a fraction and a zero that doubles do not part", () => {
  // √2 = 1.41421356237309504880…; 1/3 of the last is a zero as well.
  const [lo, hi] = [1.4142135623730949, 1.4142135623730951];
  it.each([
    ["1.41421356237309504", -1],
    ["1.41421356237309505", 1],
    ["1.414213562373095048", -1],
    ["1.414213562373095049", 1],
  ] as const)("%s and √2", (text, wanted) => {
    for (const formula of ["x^2 - 2", "2 - x^2", "(x^2 - 2) (x^2 + 1)", "7 (2 - x^2) (x - 3)"]) {
      const root = zero(formula, lo, hi);
      expect(compareSpots(fraction(text), root, table), formula).toBe(wanted);
      expect(compareSpots(root, fraction(text), table), formula).toBe(-wanted);
    }
  });
  it("a fraction that is the zero itself is the same", () => {
    const third = zero("3 x - 1", 0.333333333333333, 0.333333333333334);
    expect(compareSpots(spotOfRational(ratio(1, 3)), third, table)).toBe(0);
    expect(compareSpots(third, spotOfRational(ratio(1, 3)), table)).toBe(0);
  });
  it("is not told where the sign tells nothing: no polynomial, or a zero that only touches", () => {
    for (const formula of ["exp(x) - 4.1132503787829275", "(x^2 - 2)^2"]) {
      const root = zero(formula, lo, hi);
      expect(compareSpots(fraction("1.41421356237309504"), root, table), formula).toBeNull();
      expect(compareSpots(root, fraction("1.41421356237309504"), table), formula).toBeNull();
    }
  });
  it("two zeros are the same where one polynomial part has both, and parted by their enclosures", () => {
    const a = zero("x^2 - 2", lo, hi);
    expect(compareSpots(a, zero("x^4 - 4", lo, hi), table)).toBe(0);
    expect(compareSpots(a, zero("x^2 - 3", 1.73, 1.74), table)).toBe(-1);
    expect(compareSpots(zero("x^2 - 3", 1.73, 1.74), a, table)).toBe(1);
    expect(compareSpots(a, zero("x^2 - 2.0000000000000001", lo, hi), table)).toBeNull();
  });
});
