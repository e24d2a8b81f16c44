import { describe, expect, it } from "vitest";
import fc from "fast-check";
import { thinned } from "./sample";

describe("thinned", () => {
  const laid = (f: (x: number) => number, n = 400) =>
    Array.from({ length: n + 1 }, (_, i) => [(i / n) * 10, f((i / n) * 10)]).flat();
  it("a line keeps its two ends", () => {
    expect(
      thinned(
        laid((x) => 3 - 2 * x),
        1e-9,
      ),
    ).toEqual([0, 3, 10, -17]);
  });
  it("a kink keeps its corner", () => {
    expect(
      thinned(
        laid((x) => Math.abs(x - 5)),
        1e-9,
      ),
    ).toEqual([0, 5, 5, 0, 10, 5]);
  });
  it("every point left out lies within the tolerance of the line that is drawn", () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: -5, max: 5, noNaN: true }), { minLength: 2, maxLength: 60 }),
        fc.double({ min: 0.001, max: 3, noNaN: true }),
        (ys, tolerance) => {
          const run = ys.flatMap((y, i) => [i, y]);
          const kept = thinned(run, tolerance);
          for (let i = 0; i < run.length; i += 2) {
            const k = [...Array(kept.length / 2).keys()].findIndex((j) => kept[2 * j]! >= run[i]!);
            const [x1, y1] = [kept[2 * k]!, kept[2 * k + 1]!];
            const [x0, y0] = k === 0 ? [x1, y1] : [kept[2 * k - 2]!, kept[2 * k - 1]!];
            const y = x1 === x0 ? y1 : y0 + ((y1 - y0) * (run[i]! - x0)) / (x1 - x0);
            expect(Math.abs(y - run[i + 1]!)).toBeLessThanOrEqual(tolerance + 1e-9);
          }
        },
      ),
    );
  });
});
