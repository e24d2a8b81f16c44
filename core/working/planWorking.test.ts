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
});

describe("a plan of more variables: why nothing is better", () => {
  // V. Chvátal, Linear Programming, 1983, chapter 1: 13 at (2, 0, 1), worth 1, 0 and 1.
  const PLAN: Plan = {
    variables: [{ name: "x" }, { name: "y" }, { name: "z" }],
    constraints: limits("2x + 3y + z <= 5", "4x + y + 2z <= 11", "3x + 4y + 2z <= 8", "x >= 0", "y >= 0", "z >= 0"),
    objective: { text: "5x + 4y + 3z", sense: "greatest" },
  };
  it("the constraints times their worth add up to the objective, and the point takes their bound", () =>
    expect(lines(PLAN)).toEqual([
      "Z = 5x + 4y + 3z",
      "2 x + 3 y + z = 5 and 3 x + 4 y + 2 z = 8 and y = 0",
      "4 x + y + 2 z = 10 ≤ 11",
      "1*(2 x + 3 y + z) + 1*(3 x + 4 y + 2 z) - 3*(y) = 5 x + 4 y + 3 z",
      "Z ≤ 1*5 + 1*8 - 3*0 = 13",
      "Z(2, 0, 1) = 5*2 + 4*0 + 3*1 = 13",
    ]));
  it("least, with a constant: the bounds stand below", () => {
    // n + 2f ≥ 8 and n + k ≥ 3 with costs 1, 1, 3: f = 4, n = 0 leave k = 3 (13); n = 3, f = 2.5 cost 5.5 + 2.
    const least: Plan = {
      variables: [{ name: "n" }, { name: "f" }, { name: "k" }],
      constraints: limits("n + 2f >= 8", "n + k >= 3", "n >= 0", "f >= 0", "k >= 0"),
      objective: { text: "n + f + 3k + 2", sense: "least", unit: "$" },
    };
    expect(lines(least).slice(-3)).toEqual([
      "0.5*(n + 2 f) + 0.5*(n + k) + 2.5*(k) = n + f + 3 k",
      "Z ≥ 0.5*8 + 0.5*3 + 2.5*0 + 2 = $7.50",
      "Z(3, 2.5, 0) = 1*3 + 1*2.5 + 3*0 + 2 = $7.50",
    ]);
  });
  it("of a plan without a best point there is none", () => {
    expect(lines({ ...PLAN, constraints: limits("x >= 0", "y >= 0", "z >= 0") })).toEqual([]);
    expect(lines({ ...PLAN, constraints: limits("x >= 1", "x <= 0", "y >= 0", "z >= 0") })).toEqual([]);
  });
});
