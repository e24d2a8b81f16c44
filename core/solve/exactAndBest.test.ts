import { describe, expect, it } from "vitest";
import fc from "fast-check";
import { resolve, compileNumber } from "../formula";
import { ratio } from "../numeric";
import { formulaText } from "../formula/formulaText.fixture";
import { encloseConstant, findBest, isExactlyZero } from "./index";
import { between } from "./range.fixture";
import { names, read, table, num, roots } from "./solving.fixture";

describe("exact forms", () => {
  const exact = (text: string, from: string, to: string) =>
    roots(text, from, to).roots.map((r) => r.exact?.text ?? null);
  const cases: [string, string, string, string[]][] = [
    ["3x - 7", "0", "10", ["7/3"]],
    ["x^2/30 - 11.5 x + 180", "0", "320", ["(345 - 15 sqrt(433))/2"]],
    ["x^2 - 2", "0", "2", ["sqrt(2)"]],
    ["x^2 - 4x + 1", "0", "5", ["2 - sqrt(3)", "2 + sqrt(3)"]],
    ["x^3 - 2", "0", "2", ["cbrt(2)"]],
    ["x^4 - 4 x^2 + 4", "0", "2", ["sqrt(2)"]],
    ["1500*1.034^x - 3000", "0", "60", ["ln(2)/ln(1.034)"]],
    ["40 exp(0.08x) - 80", "0", "60", ["25 ln(2)/2"]],
    ["ln(x) - 2", "1", "20", ["exp(2)"]],
    ["2 sin(x) - 1", "0", "2", ["pi/6"]],
  ];
  for (const [text, from, to, wanted] of cases)
    it(`${text}: ${wanted.join(", ")}`, () => expect(exact(text, from, to)).toEqual(wanted));
  it("every exact form lies in its proven enclosure", () => {
    for (const [text, from, to] of cases)
      for (const r of roots(text, from, to).roots) {
        const v = encloseConstant(r.exact!.expression);
        expect(v.lo <= r.hi + 1e-12 && v.hi >= r.lo - 1e-12).toBe(true);
      }
  });
  it.each([
    ["ln(8) - 3 ln(2)"],
    ["sqrt(12) - 2 sqrt(3)"],
    ["e^ln(5) - 5"],
    ["cos(pi/3) - 1/2"],
    ["sqrt(2) sqrt(8) - 4"],
    ["2^(1/2) 2^(3/2) - 4"],
    ["exp(2) exp(-2) - 1"],
    ["log10(0.01) + 2"],
    ["sin(7 pi/6) + 0.5"],
  ])("%s is proven 0", (text) => expect(isExactlyZero(read(text))).toBe(true));
  it.each([["ln(8) - 2.0794415"], ["pi - 355/113"], ["sqrt(2) - 1.41421356237"], ["e - 2.718281828459045"]])(
    "%s is not",
    (text) => expect(isExactlyZero(read(text))).toBe(false),
  );
});

describe("greatest and least", () => {
  const best = (text: string, from: string | null, to: string | null, sense: 1 | -1) =>
    findBest(read(text), table, between(from === null ? null : num(from), to === null ? null : num(to)), sense);
  it("an unbounded or never reached best value is told as such", () => {
    expect(best("1/x", "0", "5", 1)).toMatchObject({ status: "unbounded", bound: { value: null, at: 0 } });
    expect(best("x^2", null, null, 1)).toMatchObject({ status: "unbounded" });
    expect(best("exp(-x)", "0", null, -1)).toMatchObject({
      status: "approached",
      bound: { value: 0, at: null, side: 1 },
    });
    expect(best("ln(x - 9)", "0", "5", 1)).toMatchObject({ status: "undefined" });
  });
  it("the square of a distance is least at its kink, wherever it lies", () => {
    fc.assert(
      fc.property(fc.integer({ min: -90, max: 90 }), (k) => {
        const found = findBest(read(`abs(x - ${k}/10) + (x - ${k}/10)^2`), table, between(ratio(-10), ratio(10)), -1);
        expect(found.status === "attained" && found.best.map((b) => b.at)).toEqual([k / 10]);
      }),
      { numRuns: 40, seed: 4 },
    );
  });
  it("no sample beats a best value, for 400 formulas", () => {
    let looked = 0;
    fc.assert(
      fc.property(formulaText, fc.integer({ min: -3, max: 2 }), (text, from) => {
        const r = resolve(text, names);
        if (!r.expression) return;
        const found = findBest(r.expression, table, between(ratio(from), ratio(from + 3)), 1);
        if (found.status !== "attained" || !found.complete) return;
        looked++;
        const f = compileNumber(r.expression, table.number);
        for (let i = 0; i <= 60; i++) {
          const y = f(from + i / 20);
          if (Number.isFinite(y) && y > found.high + 1e-9 * Math.max(1, Math.abs(y)))
            throw new Error(`${text}: ${y} at ${from + i / 20} beats ${found.value}`);
        }
      }),
      { numRuns: 400, seed: 21 },
    );
    expect(looked).toBeGreaterThan(120);
  }, 60_000);
});
