import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { resolve, type Expression } from "../formula";
import { ratio } from "../numeric";
import { spotOfRational, type Spot } from "./spot";
import { areMirrored, parityOf } from "./symmetry";
import { FunctionTable } from "./table";

const table = new FunctionTable();
const names = { variable: "x", givens: new Map(), functions: new Map(), variables: new Set<string>() };
const read = (text: string): Expression => resolve(text, names).expression!;

describe("even and odd, as far as the written form shows", () => {
  it.each([
    ["7", "even"],
    ["x", "odd"],
    ["-x", "odd"],
    ["x + 1", null],
    ["x + x^3", "odd"],
    ["x^2 - 4", "even"],
    ["x^2 - x", null],
    ["x * x^3", "even"],
    ["x * x^2", "odd"],
    ["x^2/x", "odd"],
    ["x (x + 1)", null],
    ["(x + 1)/x", null],
    // powers: of what is odd by the exponent, of what is even where the exponent is even too
    ["x^4", "even"],
    ["x^5", "odd"],
    ["x^(-1)", "odd"],
    ["x^0.5", null],
    ["x^x", null],
    ["(x + 1)^2", null],
    ["(x^2 + 1)^0.5", "even"],
    ["(x^2 + 1)^3", "even"],
    ["(x^2 + 1)^(x^2)", "even"],
    ["(x^2 + 1)^x", null],
    ["2^x", null],
    ["2^(x^2)", "even"],
    // functions take the sign out, lose it, or do neither
    ["sin(x)", "odd"],
    ["cbrt(x)", "odd"],
    ["cos(x)", "even"],
    ["abs(x)", "even"],
    ["exp(x)", null],
    ["exp(x^2)", "even"],
    ["sin(x + 1)", null],
    // quarter turns make a cosine of a sine
    ["sin(x + pi/2)", "even"],
    ["sin(3x - pi)", "odd"],
    ["cos(pi (x + 11)/2)", "odd"],
    ["cos(x/3 + 4 pi)", "even"],
    ["sin(x + pi/3)", null],
    ["cos(x^2 + x + pi)", null],
    ["max(x^2, cos(x))", "even"],
    ["max(x, 1)", null],
  ])("%s: %s", (text, wanted) => expect(parityOf(read(text))).toBe(wanted));

  it("is true of the values", () => {
    const leaf = fc.constantFrom("x", "x^2", "3", "cos(x)", "sin(x)", "x^3", "abs(x)", "exp(x)", "sin(2x - pi/2)");
    const { whole } = fc.letrec<{ whole: string }>((tie) => ({
      whole: fc.oneof(
        { depthSize: "small" },
        leaf,
        fc.tuple(tie("whole"), fc.constantFrom("+", "-", "*"), tie("whole")).map(([a, s, b]) => `(${a}) ${s} (${b})`),
        fc.tuple(tie("whole"), fc.constantFrom(2, 3)).map(([a, n]) => `(${a})^${n}`),
      ),
    }));
    const at = (text: string, x: number): number => {
      // The values of the text by the machine's own arithmetic, not by the core's.
      const value = (e: Expression): number => {
        switch (e.kind) {
          case "number":
            return e.value;
          case "variable":
            return x;
          case "negate":
            return -value(e.a);
          case "add":
            return value(e.a) + value(e.b);
          case "subtract":
            return value(e.a) - value(e.b);
          case "multiply":
            return value(e.a) * value(e.b);
          case "divide":
            return value(e.a) / value(e.b);
          case "power":
            return value(e.a) ** value(e.b);
          case "apply":
            return Math[e.name as "cos"](value(e.a));
          default:
            throw new Error(`${e.kind} is not asked for here`);
        }
      };
      return value(read(text));
    };
    fc.assert(
      fc.property(whole, fc.constantFrom(0.3, 0.7, 1.1), (text, x) => {
        const parity = parityOf(read(text));
        const [right, left] = [at(text, x), at(text, -x)];
        if (parity === "even") expect(left).toBeCloseTo(right, 6);
        if (parity === "odd") expect(left).toBeCloseTo(-right, 6);
      }),
      { numRuns: 300 },
    );
  });
});

describe("two places of one value by symmetry", () => {
  const fraction = (a: number, b = 1) => spotOfRational(ratio(a, b));
  /** A zero of the slope that is known by its enclosure alone. */
  const turn = (slope: string, lo: number, hi: number): Spot => ({
    ...{ at: (lo + hi) / 2, lo, hi, rational: null, exact: null },
    zeroOf: [read(slope)],
  });
  const quartic = (lo: number, hi: number) => turn("4 x^3 - 8 x", lo, hi);
  const shifted = (lo: number, hi: number) => turn("4 (x - 2)^3 - 8 (x - 2)", lo, hi);
  it.each<[string, string, Spot, Spot, boolean]>([
    ["even, at 3 and −3", "x^4 - 9 x^2", fraction(-3), fraction(3), true],
    ["even, at 3 and −2", "x^4 - 9 x^2", fraction(-2), fraction(3), false],
    ["odd, at 3 and −3", "x^3 - 9 x", fraction(-3), fraction(3), false],
    ["even, at −2 and 2, thirds", "cos(x)", fraction(-7, 3), fraction(7, 3), true],
    // x⁴ − 4x² turns at ±√2 = ±1.41421356…
    ["even, at ±√2", "x^4 - 4 x^2", quartic(-1.4143, -1.4142), quartic(1.4142, 1.4143), true],
    ["even, at −√2 and 0", "x^4 - 4 x^2", quartic(-1.4143, -1.4142), quartic(-0.1, 0.1), false],
    // about another middle
    ["even about 3, at −1 and 7", "exp(-(x - 3)^2/2)", fraction(-1), fraction(7), true],
    ["even about 1/3, at −1 and 5/3", "abs(x - 1/3) + x^2 - 2/3 x", fraction(-1), fraction(5, 3), true],
    ["even about 3, at −1 and 6", "exp(-(x - 3)^2/2)", fraction(-1), fraction(6), false],
    ["not even about 3, at 1 and 5", "x (x - 3)^2", fraction(1), fraction(5), false],
    ["even about 2, at 2 ± √2", "(x - 2)^4 - 4 (x - 2)^2", shifted(0.5857, 0.5858), shifted(3.4142, 3.4143), true],
    ["even about 2, at 2 − √2 and 2", "(x - 2)^4 - 4 (x - 2)^2", shifted(0.5857, 0.5858), shifted(1.9, 2.1), false],
    // an end of the range near the turn is no turn; places that do not meet are two
    ["even, a turn and an end", "x^4 - 4 x^2", quartic(-1.4143, -1.4142), fraction(141425, 100_000), false],
    ["even, beyond the other", "x^4 - 4 x^2", quartic(-1.5, -1.45), quartic(1.41, 1.42), false],
    ["even, short of the other", "x^4 - 4 x^2", quartic(-1.4, -1.38), quartic(1.41, 1.42), false],
    // the slope may have two zeros where it turns itself: 12x² − 8 is 0 at 0.8165, −cos x at 4.7124
    ["too wide below", "x^4 - 4 x^2", quartic(-1.5, -0.7), quartic(1.2, 1.45), false],
    ["too wide above", "cos(x)", turn("sin(x)", -4.8, -3), turn("sin(x)", 3, 3.3), false],
    // 3 + sin x turns at π/2 and again 2π further; at 3π/2 it takes its least value
    ["one period on", "3 + sin(x)", turn("cos(x)", 1.57, 1.571), turn("cos(x)", 7.853, 7.854), true],
    ["half a period on", "3 + sin(x)", turn("cos(x)", 1.57, 1.571), turn("cos(x)", 4.712, 4.713), false],
    // two tides: sin is the same on both sides of 11, where it has turned 5½ times by halves, and so is cos(πx/11)
    [
      "waves about 11",
      "7 sin(pi x/2) + cos(pi x/11)",
      turn("7 pi/2 cos(pi x/2) - pi/11 sin(pi x/11)", 0.99, 1),
      turn("7 pi/2 cos(pi x/2) - pi/11 sin(pi x/11)", 21, 21.01),
      true,
    ],
    // 3 cos(x/2)/2 − sin x is 0 where sin(x/2) is 3/4: at 1.696 and, as far beyond π, at 4.587
    [
      "waves about π",
      "3 sin(x/2) + cos(x)",
      turn("3/2 cos(x/2) - sin(x)", 1.6961241579, 1.69612415799),
      turn("3/2 cos(x/2) - sin(x)", 4.5870611492, 4.58706114925),
      true,
    ],
    [
      "waves that are not the same about π",
      "3 sin(x/2 + 1) + cos(x)",
      turn("3/2 cos(x/2 + 1) - sin(x)", 1.6961241579, 1.69612415799),
      turn("3/2 cos(x/2 + 1) - sin(x)", 4.5870611492, 4.58706114925),
      false,
    ],
    ["no period", "x + sin(x)", turn("1 + cos(x)", 3.14, 3.142), turn("1 + cos(x)", 9.42, 9.43), false],
  ])("%s", (_, text, a, b, wanted) => expect(areMirrored(read(text), a, b, table)).toBe(wanted));
});
