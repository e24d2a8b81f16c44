import { describe, expect, it } from "vitest";
import { problems, worked } from "../../bench/worked";

// Each made from answers that were chosen first: the roots, the crossing, the top.
describe("two hundred problems of our own are worked", () => {
  const all = problems();
  it("there are so many, and no two are alike", () => {
    expect(all.length).toBeGreaterThanOrEqual(200);
    expect(new Set(all.map((p) => JSON.stringify([p.functions, p.question]))).size).toBeGreaterThanOrEqual(200);
  });
  it.each(all.map((p) => [p.title, p] as const))("%s", (_, p) => expect(worked(p).says).toBe(""));
});
