import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { judgedLines } from "./own.fixture";
import { rightSteps, sideText, wrongSteps, type Made } from "./steps.fixture";

/** A step, as a line under the equation it starts from. */
function verdictOf({ from, to }: { from: Made; to: Made }, isCleared: boolean) {
  const [left, right] = [from.left, from.right].map((e) => sideText(e, false)) as [string, string];
  const line = `${sideText(to.left, isCleared)} = ${sideText(to.right, isCleared)}`;
  const asked = { ask: "meet" as const, functions: ["f", "g"] };
  const [judged] = judgedLines({ f: left, g: right }, asked, [line], { from: 0.25, to: 40 });
  return { line, ...judged! };
}

describe("random steps", () => {
  it("that are right are never called wrong, nor said to lose anything", () =>
    fc.assert(
      fc.property(rightSteps, fc.boolean(), (step, isCleared) => {
        const judged = verdictOf(step, isCleared);
        expect([judged.line, judged.verdict]).not.toEqual([judged.line, expect.stringMatching(/wrong|loses|unread/)]);
      }),
      { numRuns: 250 },
    ));
  it("that are wrong are never said to follow, and nearly all are caught", () => {
    let [caught, all] = [0, 0];
    fc.assert(
      fc.property(wrongSteps, fc.boolean(), (step, isCleared) => {
        const { line, verdict } = verdictOf(step, isCleared);
        all++;
        if (verdict === "wrong" || verdict === "loses") caught++;
        expect([line, verdict]).not.toEqual([line, "follows"]);
      }),
      { numRuns: 250 },
    );
    expect(caught / all).toBeGreaterThanOrEqual(0.99);
  });
});
