import { describe, expect, it } from "vitest";
import type { Plan } from "../model";
import { solvePlan } from "../plan";
import { planWorking } from ".";

const NAMES = { variable: null, givens: new Map(), functions: new Map(), variables: new Set<string>() };
const lines = (plan: Plan): string[] => planWorking(plan, solvePlan(plan, NAMES).result!, NAMES).map((s) => s.text);
const limits = (...texts: string[]): Plan["constraints"] =>
  texts.map((text, i) => ({ id: String.fromCharCode(65 + i), text }));

describe("a plan of two variables by hand", () => {
  // 2x + 3y = 240 and x + y = 90 meet at (30, 60): 6·30 + 4·60 = 420; at (90, 0) it is 540.
  const PLAN: Plan = {
    variables: [{ name: "x" }, { name: "y" }],
    constraints: limits("2x + 3y <= 240", "x + y <= 90", "x >= 0", "y >= 0"),
    objective: { text: "4x + 5y", sense: "greatest" },
  };
  it("every corner by elimination, the objective at each, and what one more is worth", () =>
    expect(lines(PLAN)).toEqual([
      "Z = 4x + 5y",
      "x = 0 and y = 0",
      "x = 0",
      "x = 0, y = 0",
      "x + y = 90 and y = 0",
      "y = 0",
      "x = 90, y = 0",
      "2 x + 3 y = 240 and x + y = 90",
      "y = 60",
      "x = 30, y = 60",
      "2 x + 3 y = 240 and x = 0",
      "x = 0",
      "x = 0, y = 80",
      "Z(0, 0) = 4*0 + 5*0 = 0",
      "Z(90, 0) = 4*90 + 5*0 = 360",
      "Z(30, 60) = 4*30 + 5*60 = 420",
      "Z(0, 80) = 4*0 + 5*80 = 400",
      "Z = 420",
      "change of Z = 1",
      "change of Z = 2",
    ]));
  it("the reasons name the lines", () => {
    const says = planWorking(PLAN, solvePlan(PLAN, NAMES).result!, NAMES).map((s) => s.says);
    expect(says).toContain("2x + 3y ≤ 240 meets x + y ≤ 90.");
    expect(says).toContain("The first times 1 less the second times 2: x falls out.");
    expect(says).toContain("One more of 2x + 3y ≤ 240: the corner moves to (29, 61).");
  });
  it("a plan of three variables has none", () => {
    const three: Plan = { ...PLAN, variables: [...PLAN.variables, { name: "z" }] };
    expect(lines(three)).toEqual([]);
  });
});
