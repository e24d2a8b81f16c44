import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { verdictOfStep } from "./step.fixture";
import { rightSteps, wrongSteps } from "./steps.fixture";

describe("random steps", () => {
  it("that are right are never called wrong, nor said to lose anything", () =>
    fc.assert(
      fc.property(rightSteps, fc.boolean(), (step, isCleared) => {
        const judged = verdictOfStep(step, isCleared);
        expect([judged.line, judged.verdict]).not.toEqual([judged.line, expect.stringMatching(/wrong|loses|unread/)]);
      }),
      { numRuns: 250 },
    ));
  it("that are wrong are never said to follow, and nearly all are caught", () => {
    let [caught, all] = [0, 0];
    fc.assert(
      fc.property(wrongSteps, fc.boolean(), (step, isCleared) => {
        const { line, verdict } = verdictOfStep(step, isCleared);
        all++;
        if (verdict === "wrong" || verdict === "loses") caught++;
        expect([line, verdict]).not.toEqual([line, "follows"]);
      }),
      { numRuns: 250 },
    );
    expect(caught / all).toBeGreaterThanOrEqual(0.99);
  });
});
