import fc from "fast-check";
import { describe, expect, it } from "vitest";
import {
  box,
  compileEnclosure,
  compileNumber,
  differentiate,
  expressionLatex,
  expressionText,
  polynomialText,
  resolve,
  type Expression,
} from "./index";
import { EMPTY, PARTIAL, type Enclosure } from "../interval";
import { poly, ratio, rationalOfDecimal } from "../numeric";

const names = { variable: "x", givens: new Map(), functions: new Map(), variables: new Set<string>() };
const read = (text: string): Expression => {
  const r = resolve(text, names);
  if (!r.expression) throw new Error(r.problems[0]!.message);
  return r.expression;
};
const none = () => () => NaN;
const noEnclosure = () => {
  throw new Error("there are no functions here");
};

describe("derivatives by the table", () => {
  // Any table of derivatives; values at x worked out by the right-hand side.
  const cases: [string, number, number][] = [
    ["7", 2, 0],
    ["x", 2, 1],
    ["3x^4", 2, 96],
    ["x^-2", 2, -0.25],
    ["x^0.5", 4, 0.25],
    ["sqrt(x)", 9, 1 / 6],
    ["cbrt(x)", 8, 1 / 12],
    ["root(x, 4)", 16, 1 / 32],
    ["exp(2x)", 0, 2],
    ["2^x", 3, 8 * Math.LN2],
    ["x^x", 2, 4 * (1 + Math.LN2)],
    ["ln(x)", 5, 0.2],
    ["log10(x)", 1, 1 / Math.LN10],
    ["log2(x)", 1, 1 / Math.LN2],
    ["sin(3x)", 0, 3],
    ["cos(x)", Math.PI / 2, -1],
    ["tan(x)", 0, 1],
    ["asin(x)", 0.6, 1.25],
    ["acos(x)", 0.6, -1.25],
    ["atan(x)", 1, 0.5],
    ["sinh(x)", 0, 1],
    ["cosh(x)", 0, 0],
    ["abs(x)", -3, -1],
    ["abs(x)", 3, 1],
    ["floor(x)", 1.5, 0],
    ["step(x - 1)", 2, 0],
    ["min(x, 4)", 3, 1],
    ["min(x, 4)", 5, 0],
    ["max(x^2, 4)", 3, 6],
    ["x sin(x)", Math.PI, -Math.PI],
    ["1/x", 2, -0.25],
    ["(x + 1)/(x - 1)", 3, -0.5],
    ["850/(1 + 16 exp(-0.55 x))", Math.log(16) / 0.55, 116.875],
  ];
  for (const [text, x, wanted] of cases) {
    it(`(${text})' at ${x.toPrecision(3)}`, () => {
      expect(compileNumber(differentiate(read(text)), none)(x)).toBeCloseTo(wanted, 10);
    });
  }
  it.each([
    ["abs(x)", 0],
    ["floor(x)", 2],
    ["step(x)", 0],
    ["min(x, 4)", 4],
    ["sqrt(x)", 0],
  ])("(%s)' has no value at %d", (text, x) => {
    expect(compileNumber(differentiate(read(text)), none)(x)).toBeNaN();
  });
});

describe("expressions written out", () => {
  const cases: [string, string][] = [
    ["2x + 3", "2 x + 3"],
    ["x - (3 - x)", "x - (3 - x)"],
    ["(x + 1)(x - 1)", "(x + 1) (x - 1)"],
    ["-(x + 1)", "-(x + 1)"],
    ["2^-x", "2^(-x)"],
    ["x/(2 + x)", "x/(2 + x)"],
    ["ln(x)/ln(1.034)", "ln(x)/ln(1.034)"],
    ["pi x", "pi x"],
    ["1/3", "1/3"],
    ["1500*1.034^x", "1500*1.034^x"],
    ["x*2^x", "x*2^x"],
    ["3 (x*2)^2", "3 (x*2)^2"],
  ];
  for (const [text, wanted] of cases) it(text, () => expect(expressionText(read(text), "x")).toBe(wanted));
  it("reads back to the same values", () => {
    for (const [text] of cases) {
      const again = compileNumber(read(expressionText(read(text), "x")), none);
      const first = compileNumber(read(text), none);
      for (const x of [0.3, 1.7, 4]) expect(again(x)).toBeCloseTo(first(x), 12);
    }
  });
});

describe("any expression written out", () => {
  const { expression: text } = fc.letrec<{ expression: string; atom: string }>((tie) => ({
    atom: fc.oneof(
      fc.constant("x"),
      fc.integer({ min: 0, max: 12 }).map(String),
      fc.integer({ min: 1, max: 999 }).map((n) => String(n / 100)),
      fc.constantFrom("pi", "e", "1/3"),
    ),
    expression: fc.oneof(
      { depthSize: "medium", withCrossShrink: true },
      tie("atom"),
      fc
        .tuple(tie("expression"), fc.constantFrom("+", "-", "*", "/"), tie("expression"))
        .map(([a, op, b]) => `(${a}) ${op} (${b})`),
      fc.tuple(tie("expression"), fc.integer({ min: 2, max: 4 })).map(([a, n]) => `(${a})^${n}`),
      fc.tuple(fc.integer({ min: 2, max: 9 }), tie("expression")).map(([b, n]) => `${b}^(${n})`),
      fc
        .tuple(fc.constantFrom("sqrt", "ln", "exp", "sin", "abs", "cbrt"), tie("expression"))
        .map(([f, a]) => `${f}(${a})`),
      tie("expression").map((a) => `-(${a})`),
    ),
  }));
  /** Constants without a value, as in sqrt(-2), are refused when they are read; such texts are left out. */
  const accepted = text.filter((t) => resolve(t, names).expression !== null);
  /**
   * Two ways of writing one expression: what is proven of each value has something in common, and neither has a value
   * where the other has provably none.
   */
  function agree(a: Expression, b: Expression, x: number, told: string): void {
    const [u, v] = [a, b].map((e) => compileEnclosure(e, noEnclosure)(box(x, x))) as [Enclosure, Enclosure];
    if (u.flags & EMPTY || v.flags & EMPTY) {
      expect(u.flags & (EMPTY | PARTIAL) && v.flags & (EMPTY | PARTIAL), told).toBeTruthy();
      return;
    }
    expect(u.lo <= v.hi && v.lo <= u.hi, `${told}: ${u.lo} … ${u.hi} and ${v.lo} … ${v.hi}`).toBe(true);
  }
  it("reads back as what it was, at every input", () =>
    fc.assert(
      fc.property(accepted, (t) => {
        const written = expressionText(read(t), "x");
        // Formulas longer than this are not read.
        fc.pre(written.length <= 2000);
        for (const x of [0.4, 1.3, 2.7, -1.6]) agree(read(t), read(written), x, `${t} written ${written} at ${x}`);
      }),
      { numRuns: 600 },
    ));
  it("its slope written out reads back as the slope", () =>
    fc.assert(
      fc.property(accepted, (t) => {
        const slope = differentiate(read(t));
        const written = expressionText(slope, "x");
        fc.pre(written.length <= 2000);
        for (const x of [0.4, 1.3, 2.7]) agree(slope, read(written), x, `slope of ${t} written ${written} at ${x}`);
      }),
      { numRuns: 300 },
    ));
  it("brackets of its LaTeX close", () =>
    fc.assert(
      fc.property(accepted, (t) => {
        const tex = expressionLatex(read(t), "x");
        let depth = 0;
        for (const c of tex.replaceAll(/\\[{}]/g, "")) {
          if (c === "{") depth++;
          else if (c === "}") depth--;
          expect(depth).toBeGreaterThanOrEqual(0);
        }
        expect(depth).toBe(0);
      }),
      { numRuns: 200 },
    ));
});

describe("polynomials written out", () => {
  const p = (...c: string[]) =>
    poly.trim(
      c.map((t) =>
        t.includes("/") ? ratio(BigInt(t.split("/")[0]!), BigInt(t.split("/")[1]!)) : rationalOfDecimal(t)!,
      ),
    );
  it.each([
    [["14", "-1/30"], "14 - q/30"],
    [["0", "1"], "q"],
    [["-180", "11.5", "-1/30"], "-q^2/30 + 11.5 q - 180"],
    [["0", "2/3"], "2 q/3"],
    [["5"], "5"],
    [[], "0"],
    [["1", "0", "0", "-1"], "-q^3 + 1"],
  ])("%j is %s", (c, text) => {
    expect(polynomialText(p(...c), "q")).toBe(text);
  });
});
