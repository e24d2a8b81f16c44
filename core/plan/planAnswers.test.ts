import { describe, expect, it } from "vitest";
import { number, problems, planOf, solved } from "./plans.fixture";

describe.each(problems.filter((p) => p.optimum).map((p) => [p.id, p] as const))("%s, several variables", (_, p) => {
  const sense = p.sense === "min" ? ("least" as const) : ("greatest" as const);
  it("best value and what one more is worth", () => {
    const r = solved(planOf(p, sense, false));
    if (p.optimum!.status !== "optimal") {
      expect(r.status).toBe(p.optimum!.status);
      return;
    }
    expect(r.best[0]!.value).toBeCloseTo(number(p.optimum!.value!), 9);
    expect(r.status).toBe(p.optimum!.unique ? "optimal" : "tied");
    for (const s of p.shadow_prices ?? []) {
      const got = r.multipliers[`c${s.constraint}`];
      if (s.increase !== null && s.increase === s.decrease) expect(got).toBeCloseTo(number(s.increase), 9);
      else expect(got).toBeNull();
      if (s.rhs_range && got)
        s.rhs_range.forEach((end, k) => {
          const mine = r.ranges[`c${s.constraint}`]![k]!;
          if (end === null) expect(mine).toBeNull();
          else expect(mine).toBeCloseTo(number(end), 5);
        });
    }
  });
  it("whole", () => {
    if (p.integer?.status === "optimal")
      expect(solved(planOf(p, sense, true)).whole!.value).toBeCloseTo(number(p.integer.value!), 9);
  });
});
