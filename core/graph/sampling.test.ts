import { analyse } from "../question";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { compileEnclosure, compileNumber, resolve, type NumberFunction } from "../formula";
import { FunctionTable } from "../solve";
import { picture, sampleCurve, type Run } from ".";

const table = new FunctionTable();
function drawn(text: string, from: number, to: number, height: number): { f: NumberFunction; runs: Run[] } {
  const e = resolve(text, { variable: "x", givens: new Map(), functions: new Map(), variables: new Set() }).expression!;
  const f = compileNumber(e, table.number);
  return { f, runs: sampleCurve(f, compileEnclosure(e, table.enclosure), from, to, height) };
}
/** Where a run draws the curve at x; null where it does not. */
function onRun(runs: readonly Run[], x: number): number | null {
  for (const run of runs)
    for (let i = 0; i + 3 < run.length; i += 2)
      if (x >= run[i]! && x <= run[i + 2]!)
        return run[i + 2] === run[i]
          ? run[i + 1]!
          : run[i + 1]! + ((run[i + 3]! - run[i + 1]!) * (x - run[i]!)) / (run[i + 2]! - run[i]!);
  return null;
}
// [formula, from, to, visible height]
const CURVES: [string, number, number, number][] = [
  ["x^2", -5, 5, 25],
  ["x^3 - 4x", -3, 3, 30],
  ["40 sin(8 x)", 0, 10, 80],
  ["exp(x)", 0, 5, 150],
  ["100/(1 + 16 exp(-2 x))", 0, 6, 100],
  ["ln(x + 1)", 0, 20, 3],
  ["sqrt(x)", 0, 9, 3],
  ["abs(x - 2)", 0, 5, 3],
  ["x sin(3 x)", 0, 12, 24],
  ["1/(1 + x^2)", -6, 6, 1],
  ["cbrt(x)", -8, 8, 4],
  ["2^(-x)", 0, 8, 1],
  ["x (14 - x/30)", 0, 420, 1500],
  ["sin(x)/(x + 1)", 0, 20, 1],
  ["exp(-x^2)", -3, 3, 1],
];
describe("a curve as it is drawn", () => {
  it.each(CURVES)("%s lies within a hundredth of the height of the function everywhere", (text, from, to, height) => {
    const { f, runs } = drawn(text, from, to, height);
    fc.assert(
      fc.property(fc.double({ min: 0, max: 1, noNaN: true }), (share) => {
        const x = from + share * (to - from);
        const y = onRun(runs, x);
        expect(y, `${text} at ${x}`).not.toBeNull();
        expect(Math.abs(y! - f(x))).toBeLessThan(height / 100);
      }),
      { numRuns: 120 },
    );
  });
  it.each(CURVES)("%s starts and ends at its ends, in one piece, from left to right", (text, from, to, height) => {
    const { runs } = drawn(text, from, to, height);
    expect(runs).toHaveLength(1);
    const run = runs[0]!;
    expect([run[0], run[run.length - 2]]).toEqual([from, to]);
    for (let i = 2; i < run.length; i += 2) expect(run[i]!).toBeGreaterThanOrEqual(run[i - 2]!);
  });
  // [formula, places no line may cross]; as the desk draws it, which knows where a formula jumps
  it.each([
    ["1/(x - 3)", [3]],
    ["tan(x)", [Math.PI / 2, 1.5 * Math.PI]],
    ["1/((x - 1)(x - 4))", [1, 4]],
    ["floor(x)", [1, 2, 3, 4, 5]],
    ["step(x - 2)", [2]],
    ["ln(abs(x - 2.5))", [2.5]],
    ["x + 2 step(x - 1) - step(x - 4)", [1, 4]],
  ] as [string, number[]][])("%s is never joined across a gap", (text, gaps) => {
    const { curves } = picture(
      analyse({
        format: "pasear-case",
        version: 1,
        title: "T",
        variables: [{ name: "x", from: 0.25, to: 5.75 }],
        functions: [{ name: "f", of: "x", by: { kind: "formula", text } }],
      }),
    )!;
    const { runs } = curves[0]!;
    for (const gap of gaps)
      for (const run of runs)
        for (let i = 0; i + 3 < run.length; i += 2)
          expect(
            run[i]! < gap && run[i + 2]! > gap && Math.abs(run[i + 3]! - run[i + 1]!) > 0.9,
            `${run[i]} … ${run[i + 2]} over ${gap}`,
          ).toBe(false);
    expect(runs.length).toBeGreaterThanOrEqual(gaps.length);
  });
  it.each([
    ["sqrt(x - 2)", 2, 6],
    ["ln(x - 1)", 1, 6],
    ["asin(x - 2)", 1, 3],
    ["sqrt(4 - (x - 3)^2)", 1, 5],
  ] as [string, number, number][])("%s has points only where it has values", (text, from, to) => {
    const { f, runs } = drawn(text, 0, 6, 4);
    for (const run of runs)
      for (let i = 0; i < run.length; i += 2) {
        expect(Number.isFinite(f(run[i]!))).toBe(true);
        expect(run[i]!).toBeGreaterThanOrEqual(from);
        expect(run[i]!).toBeLessThanOrEqual(to);
      }
    // … and comes as close to the ends of its domain as a pixel.
    expect(runs[0]![0]! - from).toBeLessThan(6 / 400);
    expect(to - runs[runs.length - 1]!.at(-2)!).toBeLessThan(6 / 400);
  });
});
