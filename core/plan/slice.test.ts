import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { buildModel, type CaseFile, type Plan } from "../model";
import { sliceOf, solvePlan } from ".";

const demo = JSON.parse(readFileSync("demo/five-lanterns.pasear.json", "utf8")) as CaseFile;
const { names } = buildModel(demo);
const best = solvePlan(demo.plan!, names).result!.best[0]!;

describe("a slice of many variables", () => {
  const pairs = [0, 1, 2, 3].flatMap((a) => [1, 2, 3, 4].filter((b) => b > a).map((b) => [a, b] as [number, number]));
  it.each(pairs)("variables %i and %i: the best point is a corner of it, once, worth what the plan is", (a, b) => {
    const s = sliceOf(demo.plan!, names, best.at, [a, b])!;
    const here = s.result.corners.filter(
      (c) => Math.abs(c.at[0]! - best.at[a]!) < 1e-6 && Math.abs(c.at[1]! - best.at[b]!) < 1e-6,
    );
    expect(here).toHaveLength(1);
    expect(here[0]!.value).toBeCloseTo(best.value!, 8);
    expect(s.result.best[0]!.value).toBeCloseTo(best.value!, 8);
    // Every corner, with the others held, keeps the whole plan.
    for (const c of s.result.corners) {
      const at = best.at.map((v, j) => (j === a ? c.at[0]! : j === b ? c.at[1]! : v));
      const [A, B, C] = [
        2 * at[0]! + 3 * at[1]! + at[2]! + 4 * at[3]! + 5 * at[4]!,
        at[0]! + 2 * at[1]! + 2 * at[2]! + 3 * at[3]! + at[4]!,
        4 * at[0]! + 2 * at[1]! + 3 * at[2]! + 6 * at[3]! + 8 * at[4]!,
      ];
      expect([A <= 600 + 1e-6, B <= 420 + 1e-6, C <= 960 + 1e-6, at.every((v) => v >= -1e-6)]).toEqual([
        true,
        true,
        true,
        true,
      ]);
    }
  });
  it("by hand: x + y + z ≤ 10 at z = 4 leaves x + y ≤ 6", () => {
    const plan: Plan = {
      variables: ["x", "y", "z"].map((name) => ({ name })),
      constraints: [
        { id: "A", text: "x + y + z <= 10" },
        { id: "B", text: "x >= 0" },
        { id: "C", text: "y >= 0" },
        { id: "D", text: "0 <= z <= 4" },
      ],
      objective: { text: "x + 2y + z + 1", sense: "greatest" },
    };
    const s = sliceOf(plan, names, [0, 6, 4], [0, 1])!;
    expect(s.result.corners.map((c) => [...c.at, c.value])).toEqual([
      [0, 0, 5],
      [6, 0, 11],
      [0, 6, 17],
    ]);
  });
  it("a plan that cannot be read has none", () =>
    expect(
      sliceOf({ ...demo.plan!, constraints: [{ id: "A", text: "a b <= 3" }] }, names, best.at, [0, 1]),
    ).toBeNull());
});
