import { describe, expect, it } from "vitest";
import type { Plan } from "../model";
import { readConstraint, solvePlan } from ".";
import { names } from "./plans.fixture";

describe("a constraint as it is written", () => {
  const read = (text: string, givens = {}) => {
    const r = readConstraint(text, ["x", "y"], names(givens));
    return r.ok
      ? r.relations.map(
          (k) => `${k.coefficients.map((c) => c.toFraction()).join(" ")} ${k.sense} ${k.bound.toFraction()}`,
        )
      : r.problem.message;
  };
  it.each([
    ["2x + 3y <= 240", ["2 3 <= 240"]],
    ["y >= 2x", ["-2 1 >= 0"]],
    ["x + y = 100", ["1 1 = 100"]],
    ["10 <= x <= 50", ["1 0 >= 10", "1 0 <= 50"]],
    ["240 >= 2x + 3y", ["2 3 <= 240"]],
    ["3 (x - 2) < y/4 + 1.5", ["3 -1/4 <= 15/2"]],
    ["2.5x ≥ 7", ["5/2 0 >= 7"]],
  ] as const)("%s", (text, wanted) => {
    expect(read(text)).toEqual(wanted);
  });
  it("givens have their values", () => {
    expect(read("a x + y <= 2 M", { a: 3, M: 40 })).toEqual(["3 1 <= 80"]);
  });
  it.each([
    ["x y <= 3", /multiplies variables/],
    ["x^2 <= 3", /power of a variable/],
    ["1/x <= 3", /divides by a variable/],
    ["2x + 3y", /has no relation/],
    ["3 <= 4", /says nothing of x or y/],
    ["x + z <= 3", /`z` is no variable of the plan/],
    ["1 <= x >= 3", /point the same way/],
    ["x + <= 3", /stops after the plus/],
  ] as const)("%s is refused with the reason", (text, message) => {
    expect(read(text)).toMatch(message);
  });
  it("problems have their place, strict signs a note", () => {
    const plan: Plan = {
      variables: [{ name: "x" }, { name: "y" }],
      constraints: [
        { id: "A", text: "x < 4" },
        { id: "B", text: "x + 3 z <= 2" },
      ],
    };
    const r = solvePlan(plan, names());
    expect(r.errors).toEqual([expect.objectContaining({ path: "plan.constraints[1].text", at: 6, end: 7 })]);
    expect(r.warnings[0]!.message).toMatch(/read with its border/);
  });
  it("two variables of one name are told, and nothing is worked out", () => {
    const plan: Plan = {
      variables: [{ name: "x" }, { name: "y" }, { name: "x" }],
      constraints: [{ id: "A", text: "x + y <= 4" }],
      objective: { text: "x", sense: "greatest" },
    };
    expect(solvePlan(plan, names())).toMatchObject({
      result: null,
      errors: [
        {
          path: "plan.variables[2].name",
          message: "The name `x` is used twice; every variable of the plan has its own.",
        },
      ],
    });
  });
});
