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
