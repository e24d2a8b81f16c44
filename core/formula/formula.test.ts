import { describe, expect, it } from "vitest";
import fc from "fast-check";
import {
  compileEnclosure,
  compileNumber,
  compileSlopes,
  box,
  differentiate,
  latexOf,
  parse,
  resolve,
  type Expression,
  type Names,
} from "./index";
import { EMPTY, Enclosure } from "../interval";
import { rationalOfTyped } from "../numeric";
import { encloseRational } from "./numbers";
import { FunctionTable } from "../solve";
import { formulaText } from "./formulaText.fixture";

const given = (value: number) => ({
  value,
  exact: rationalOfTyped(value),
  within: encloseRational(rationalOfTyped(value)!),
});
const names: Names = {
  variable: "x",
  givens: new Map([
    ["c", given(2.5)],
    ["q", given(4)],
    ["F", given(180)],
    ["rate", given(0.042)],
  ]),
  functions: new Map([
    ["f", { of: "x" }],
    ["g", { of: "t" }],
  ]),
  variables: new Set(["x", "t"]),
};
const table = new FunctionTable();
table.define("f", { kind: "expression", expression: read("x^2 + 1").expression! });
function read(text: string) {
  return resolve(text, names);
}
const value = (text: string, x = 0): number => {
  const r = read(text);
  if (!r.expression) throw new Error(r.problems[0]!.message);
  return compileNumber(r.expression, table.number)(x);
};

describe("school mathematics is read as written", () => {
  // Expected values by hand.
  const cases: [string, number, number][] = [
    ["4x", 3, 12],
    ["2 x^2", 3, 18],
    ["x(x+1)", 3, 12],
    ["1/2 x", 3, 1.5],
    ["q/2 x^2", 3, 18],
    ["-x^2", 3, -9],
    ["2^-x", 2, 0.25],
    ["2^3^2", 0, 512],
    ["-2^2", 0, -4],
    ["(-2)^2", 0, 4],
    ["2·3", 0, 6],
    ["7 − 2", 0, 5],
    ["6÷2×3", 0, 9],
    ["x²", 5, 25],
    ["x¹²", 2, 4096],
    ["2.5 × 10⁻³ x", 4, 0.01],
    ["3 × 10¹⁸", 0, 3e18],
    ["x³ + 1", 2, 9],
    ["√9", 0, 3],
    ["√(x + 1)", 8, 3],
    ["4.2%", 0, 0.042],
    ["1,200 + 1", 0, 1201],
    ["1\u2009200", 0, 1200],
    [".5x", 4, 2],
    ["2 pi", 0, 2 * Math.PI],
    ["e^x", 1, Math.E],
    ["2e", 0, 2 * Math.E],
    ["root(x, 3)", -8, -2],
    ["cbrt(x)", -27, -3],
    ["abs(x - 5)", 3, 2],
    ["min(x, 3, 2)", 5, 2],
    ["max(x, 1,200)", 5, 200],
    ["step(x)", 0, 1],
    ["step(x)", -0.001, 0],
    ["floor(x)", -1.5, -2],
    ["round(x)", 2.5, 3],
    ["round(x)", -2.5, -3],
    ["ln(e^x)", 3, 3],
    ["log10(1000)", 0, 3],
    ["log2(8)", 0, 3],
    ["f(2)", 0, 5],
    ["f", 3, 10],
    ["f'(x)", 3, 6],
    ["f''(x)", 3, 2],
    ["c x", 2, 5],
    ["c (x + 1)", 2, 7.5],
    ["F + c x", 2, 185],
    ["x/2/2", 8, 2],
    ["2 - 3 - 4", 0, -5],
    ["2/x^2", 2, 0.5],
    ["exp(-x) x", 0, 0],
    ["x^0.5", 9, 3],
  ];
  for (const [text, x, wanted] of cases)
    it(`${text} at ${x} is ${wanted}`, () => expect(value(text, x)).toBeCloseTo(wanted, 12));

  it.each([
    ["x^0.5", -1],
    ["1/x", 0],
    ["ln(x)", 0],
    ["ln(x)", -2],
    ["sqrt(x)", -1],
    ["x^x", -1],
    ["x^-1", 0],
    ["asin(x)", 2],
  ])("%s has no value at %d", (text, x) => expect(value(text, x)).toBeNaN());
});

describe("what is wrong is said with its place", () => {
  const cases: [string, string, number, RegExp][] = [
    ["12x +", "unfinished", 4, /stops after the plus: a number or a name should follow/],
    ["f(x", "unclosed", 1, /not closed/],
    ["x)", "unopened", 1, /closes nothing/],
    ["1/0", "division-by-zero", 2, /divides by 0 at place 3/],
    ["x x x(", "unfinished", 5, /stops after the bracket/],
    ["cq", "unknown-name", 0, /Did you mean `c q`/],
    ["xe^-x", "unknown-name", 0, /Did you mean `x e`/],
    ["X + 1", "unknown-name", 0, /Did you mean `x`/],
    ["rat x", "unknown-name", 0, /Did you mean `rate`/],
    ["sine(x)", "unknown-function", 0, /Did you mean `sin`/],
    ["g + 1", "needs-argument", 0, /function of t/],
    ["t + 1", "other-variable", 0, /another variable/],
    ["ln x", "needs-argument", 0, /input in brackets/],
    ["2 3", "missing-operator", 0, /an operation is missing/],
    ["3 * / 2", "unexpected", 4, /comes the division sign/],
    ["()", "unfinished", 0, /are empty/],
    ["x = 2", "strange-character", 2, /compares two sides/],
    ["$5", "strange-character", 0, /Units stay outside/],
    ["|x|", "strange-character", 0, /abs/],
    ["1,2", "unexpected", 1, /Decimals take a point/],
    ["ln(-1)", "domain", 3, /not above 0/],
    ["sqrt(-4)", "domain", 5, /negative/],
    ["(-8)^(1/3)", "domain", 0, /root\(x, n\)/],
    ["root(x, 0.5)", "not-whole", 8, /whole number from 2/],
    ["sin(x, 2)", "arguments", 0, /takes one input, not 2/],
    ["", "empty", 0, /no formula yet/],
    ["f(", "unfinished", 1, /stops after the bracket/],
  ];
  for (const [text, code, at, message] of cases) {
    it(`${text || "(nothing)"}: ${code} at ${at}`, () => {
      const p = read(text).problems[0]!;
      expect([p.code, p.start]).toEqual([code, at]);
      expect(p.message).toMatch(message);
    });
  }
  it("all unknown names are told at once", () =>
    expect(read("u + v x + w").problems.map((p) => p.start)).toEqual([0, 4, 10]));
  it("a formula longer or deeper than the limits is refused, not read for ever", () => {
    expect(read("x+".repeat(1200) + "x").problems[0]!.code).toBe("too-long");
    expect(read("(".repeat(101) + "x" + ")".repeat(101)).problems[0]!.code).toBe("too-deep");
    expect(read("(".repeat(98) + "x" + ")".repeat(98)).problems).toEqual([]);
    expect(read("-".repeat(1500) + "x").problems[0]!.code).toBe("too-deep");
  });
  it("a quotient followed by a product is read left to right, with a warning and a mend", () => {
    expect(read("1/2x").warnings[0]).toMatchObject({ code: "reads-otherwise", mend: "1/(2 x)" });
    expect(read("x/2").warnings).toEqual([]);
    expect(read("(1/2) x").warnings).toEqual([]);
  });
  it.each([
    ["e^2x", "e^(2x)"],
    ["100e^-0.05x", "e^(-0.05x)"],
    ["2*1.05^2x/3", "1.05^(2x)"],
    ["-2^3x^2", "2^(3x^2)"],
    ["x^1/2", "x^(1/2)"],
    ["3 - (x+1)^-1/3", "(x+1)^(-1/3)"],
  ])("%s: what may belong to the exponent is told, with a mend", (text, mend) =>
    expect(read(text).warnings).toMatchObject([{ code: "reads-otherwise", mend }]),
  );
  it.each(["e^2 x", "x^2/3", "e^(2)x", "2^3(x+1)", "e²x", "x^2x", "2^x/3", "x^1 / 2", "10^6*x"])(
    "%s is read as most would read it",
    (text) => expect(read(text).warnings).toEqual([]),
  );
});

describe("typesetting", () => {
  it.each([
    ["x/2", "\\frac{x}{2}"],
    ["-x^2", "-x^{2}"],
    ["(x+1)(x-1)", "(x + 1)\\, (x - 1)"],
    ["2*3", "2 \\cdot 3"],
    ["(x/2)^2", "\\left(\\frac{x}{2}\\right)^{2}"],
    ["sqrt(x)", "\\sqrt{x}"],
    ["exp(-x)", "e^{-x}"],
    ["a_1", "a_{1}"],
  ])("%s", (text, latex) => {
    const parsed = parse(text, (n) => ["sqrt", "exp"].includes(n));
    expect(parsed.ok && latexOf(parsed.syntax)).toBe(latex);
  });
});

describe("properties of any formula", () => {
  const number = (e: Expression) => compileNumber(e, table.number);
  // 100,000 formulas in all: read, compiled three ways and evaluated; none may throw, hang, or escape its enclosure.
  it("values lie in their enclosures, for 100,000 formulas", () => {
    let looked = 0;
    fc.assert(
      fc.property(
        formulaText,
        fc.double({ min: -6, max: 6, noNaN: true }),
        fc.double({ min: 0, max: 2, noNaN: true }),
        (text, lo, width) => {
          const r = read(text);
          if (!r.expression) return;
          const f = number(r.expression);
          const e = compileEnclosure(r.expression, table.enclosure)(box(lo, lo + width));
          for (const share of [0, 0.31, 0.77, 1]) {
            const y = f(lo + width * share);
            if (Number.isNaN(y)) continue;
            looked++;
            if (e.flags & EMPTY) throw new Error(`${text}: a value ${y} where there should be none`);
            const slack = Number.isFinite(y) ? Math.abs(y) * 1e-9 + 1e-12 : Infinity;
            if (!(y >= e.lo - slack && y <= e.hi + slack))
              throw new Error(`${text} at ${lo + width * share}: ${y} outside ${e.lo} … ${e.hi}`);
          }
        },
      ),
      { numRuns: 100_000, seed: 20261125 },
    );
    expect(looked).toBeGreaterThan(100_000);
  }, 120_000);

  it("difference quotients lie in the slope enclosure", () => {
    fc.assert(
      fc.property(
        formulaText,
        fc.double({ min: -4, max: 4, noNaN: true }),
        fc.double({ min: 1e-3, max: 1, noNaN: true }),
        (text, lo, width) => {
          const r = read(text);
          if (!r.expression) return;
          const f = number(r.expression);
          const { value: v, slope } = compileSlopes(
            r.expression,
            table.slopes,
          )({ value: box(lo, lo + width), slope: new Enclosure(1, 1) });
          if (v.flags) return;
          const [a, b] = [f(lo), f(lo + width)];
          const quotient = (b - a) / width;
          if (!Number.isFinite(quotient)) return;
          const slack = ((Math.abs(a) + Math.abs(b)) * 1e-12) / width + 1e-9;
          if (!(quotient >= slope.lo - slack && quotient <= slope.hi + slack))
            throw new Error(`${text}: ${quotient} outside ${slope.lo} … ${slope.hi}`);
        },
      ),
      { numRuns: 5000, seed: 7 },
    );
  });

  it("the symbolic derivative agrees with a difference quotient where both are tame", () => {
    let compared = 0;
    fc.assert(
      fc.property(formulaText, fc.double({ min: -3, max: 3, noNaN: true }), (text, x) => {
        const r = read(text);
        if (!r.expression) return;
        const f = number(r.expression);
        const h = 1e-5;
        const slope = number(differentiate(r.expression));
        const [d, near, far] = [slope(x), slope(x - h), slope(x + h)];
        const q = (f(x + h) - f(x - h)) / (2 * h);
        const around = compileSlopes(
          r.expression,
          table.slopes,
        )({ value: box(x - h, x + h), slope: new Enclosure(1, 1) });
        if (around.value.flags || !Number.isFinite(around.slope.lo + around.slope.hi)) return;
        if (
          ![d, near, far, q].every(Number.isFinite) ||
          Math.abs(f(x)) > 1e4 ||
          Math.abs(d) > 1e4 ||
          Math.max(Math.abs(near - d), Math.abs(far - d)) > 1e-2 * (1 + Math.abs(d))
        )
          return;
        compared++;
        expect(Math.abs(d - q)).toBeLessThanOrEqual(1e-2 * (1 + Math.abs(d)));
      }),
      { numRuns: 3000, seed: 11 },
    );
    expect(compared).toBeGreaterThan(800);
  });
});
