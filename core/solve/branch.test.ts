import { describe, expect, it } from "vitest";
import { compileEnclosure, compileSlopes } from "../formula";
import { branch, type BranchTarget } from "./branch";
import { FunctionTable } from "./table";
import { formulaOf } from "./reading.fixture";

const table = new FunctionTable();
const target = (text: string, settle: BranchTarget["settle"] = () => false): BranchTarget => ({
  value: compileEnclosure(formulaOf(text), table.enclosure),
  slopes: compileSlopes(formulaOf(text), table.slopes),
  settle,
});
const zeros = (text: string, from: number, to: number, least = 1e-9) => branch(target(text), from, to, least);

describe("a stretch is cleared or settled part by part", () => {
  it.each([
    ["x^2 - 2", -3, 3, [-Math.SQRT2, Math.SQRT2]],
    ["exp(x) - 3", -9, 9, [Math.log(3)]],
    ["sin(x)", 1, 10, [Math.PI, 2 * Math.PI, 3 * Math.PI]],
    ["x^2 + 1", -3, 3, []],
    ["-(exp(x) - 3)", -9, 9, [Math.log(3)]],
    ["x^3 - x", -2, 2, [-1, 0, 1]],
    // no value on a part of it, and none near the zero
    ["ln(x) - 1", -5, 9, [Math.E]],
    ["sqrt(x) - 2", -5, 9, [4]],
    // wide stretches are split by magnitude, and without end outwards
    ["ln(x) - 20", 1, 1e12, [Math.exp(20)]],
    ["ln(-x) - 20", -1e12, -1, [-Math.exp(20)]],
    ["ln(x) + 10", 0, 1, [Math.exp(-10)]],
    ["x - 1000", -Infinity, Infinity, [1000]],
    ["x + 5000", -Infinity, 0, [-5000]],
    ["x - 5000", 7, Infinity, [5000]],
  ])("%s from %s to %s: %j", (text, from, to, wanted) => {
    const found = zeros(text, from, to);
    expect([found.open, found.flat, found.finished]).toEqual([[], [], true]);
    expect(found.zeros).toHaveLength(wanted.length);
    for (const [i, z] of found.zeros.entries()) {
      const slack = 1e-15 * Math.abs(wanted[i]!);
      expect([z.lo <= wanted[i]! + slack, z.hi >= wanted[i]! - slack]).toEqual([true, true]);
      expect(z.hi - z.lo).toBeLessThanOrEqual(1e-13 * (1 + Math.abs(z.lo)));
    }
  });

  // Work is counted in boxes: what makes the search look at more of them is seen here, whatever the machine.
  it.each([
    // monotone, and a few turns
    ["exp(x) - 3", -9, 9, 1, 1],
    ["exp(-x) - x/10", 0, 20, 1, 1],
    ["1/x - 3", 0.01, 9, 1, 1],
    ["atan(x) - 1", -50, 50, 1, 1],
    ["exp(x) - 1e8", -100, 100, 1, 1],
    ["x exp(x) - 1", -9, 9, 1, 3],
    ["cos(x) - x", -9, 9, 1, 9],
    ["x^2 - 2", -3, 3, 2, 11],
    ["sin(x)", 1, 10, 3, 11],
    ["x^3 - x", -2, 2, 3, 15],
    ["x^5 - x - 1", -4, 4, 1, 15],
    ["sin(x)/x - 0.1", 1, 30, 3, 19],
    // none at all, and close pairs
    ["x^2 + 1", -3, 3, 0, 1],
    ["(x - 1)^2 + 1e-6", 0, 3, 0, 1],
    ["exp(x) - x - 1.001", -5, 5, 2, 31],
    ["x^2 - 1e-8", -1, 1, 2, 51],
    // no value on a part
    ["ln(x) - 1", -5, 9, 1, 3],
    ["sqrt(x) - 2", -5, 9, 1, 3],
    // wide, and without end
    ["ln(x) - 20", 1, 1e12, 1, 1],
    ["ln(-x) - 20", -1e12, -1, 1, 1],
    ["ln(x) + 10", 0, 1, 1, 21],
    ["ln(-x) + 10", -1, 0, 1, 31],
    ["x - 1000", -Infinity, Infinity, 1, 23],
    ["x + 5000", -Infinity, 0, 1, 27],
    ["x - 5000", 7, Infinity, 1, 21],
  ])("%s from %s to %s: %s zeros in at most %s boxes", (text, from, to, count, boxes) => {
    const found = zeros(text, from, to);
    expect([found.zeros.length, found.open]).toEqual([count, []]);
    expect(found.boxes).toBeLessThanOrEqual(boxes);
  });

  it("where the function is 0 throughout, that is told, touching boxes as one", () => {
    expect(zeros("min(0, x)", 0.5, 2).flat).toEqual([{ lo: 0.5, hi: 2 }]);
    const found = zeros("min(0, x - 1)", 0, 3);
    expect(found.flat.map((f) => f.hi)).toEqual([3]);
    expect(found.flat[0]!.lo).toBeCloseTo(1, 6);
  });

  it("a touching zero stays open, no wider than was asked, unless it is settled otherwise", () => {
    const [box, ...more] = zeros("(x - 1)^2 (x + 4)", -3, 3, 1e-6).open;
    expect(more).toEqual([]);
    expect(box!.lo).toBeLessThanOrEqual(1);
    expect(box!.hi).toBeGreaterThanOrEqual(1);
    expect(box!.hi - box!.lo).toBeLessThan(1e-4);
    // asked after some splits, and again after some more, until the box is small enough to be told apart
    const asked: number[] = [];
    const settled = branch(
      target("(x - 1)^2 (x + 4)", (lo, hi) => {
        asked.push(hi - lo);
        return lo <= 1 && hi >= 1 && hi - lo < 1e-3;
      }),
      -3,
      3,
      1e-6,
    );
    expect(settled.open).toEqual([]);
    expect(asked.length).toBeGreaterThan(0);
    expect(Math.max(...asked)).toBeLessThan(6 * 2 ** -8);
  });

  it("when the work runs out all that was not looked at is open", () => {
    const found = branch(target("sin(x) + sin(3 x)/2 - 0.1"), 0, 40, 1e-9, 3);
    expect([found.finished, found.boxes]).toEqual([false, 4]);
    const length = [...found.open, ...found.zeros].reduce((sum, b) => sum + b.hi - b.lo, 0);
    expect(length).toBeGreaterThan(20);
    expect(found.open.at(-1)!.hi).toBe(40);
  });
});
