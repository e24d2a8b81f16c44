import { describe, expect, it } from "vitest";
import { buildModel, type CaseFile, type Plan } from "../model";
import { solvePlan } from "../plan";
import { leftAt, spareWords, worthAt } from "./index";

const PLAN: Plan = {
  variables: [{ name: "x" }, { name: "y" }],
  constraints: [
    { id: "A", text: "2x + 3y <= 240", label: "paper" },
    { id: "B", text: "4x + 2y <= 320" },
    { id: "C", text: "y >= 20" },
    { id: "D", text: "x >= 1000", off: true },
    { id: "E", text: "x >= 0" },
  ],
  objective: { text: "3.5x + 4y + 10", sense: "greatest", unit: "$" },
};
const source: CaseFile = { format: "pasear-case", version: 1, title: "T", plan: PLAN };
const { names } = buildModel(source);

describe("a point of a plan", () => {
  it.each([
    // 2·50 + 3·30 = 190, 4·50 + 2·30 = 260
    [
      [50, 30],
      ["paper: 50 left", "B: 60 left", "C: 10 left", "E: 50 left"],
    ],
    // 2·60 + 3·40 = 240 and 4·60 + 2·40 = 320: nothing is left of either
    [
      [60, 40],
      ["paper: 0 left", "B: 0 left", "C: 20 left", "E: 60 left"],
    ],
    // 2·90 + 3·30 = 270, 4·90 + 2·30 = 420
    [
      [90, 30],
      ["paper: broken by 30", "B: broken by 100", "C: 10 left", "E: 90 left"],
    ],
  ])("%j leaves %j", (at, wanted) => {
    const left = leftAt(PLAN, at, names);
    expect(left.map((l) => `${l.id}: ${l.text}`)).toEqual(wanted);
    expect(left.map((l) => l.broken)).toEqual(wanted.map((w) => w.includes("broken")));
  });
  it("an equation is broken on both sides", () => {
    const plan = { ...PLAN, constraints: [{ id: "A", text: "x + y = 10" }] };
    expect([9, 10, 11].map((x) => leftAt(plan, [x, 0], names)[0]!.text)).toEqual([
      "broken by 1",
      "0 left",
      "broken by 1",
    ]);
  });
  it("is worth what the objective says there, in its unit", () => {
    // 3.5·60 + 4·40 + 10
    expect(worthAt(PLAN, [60, 40], names)).toBe("$380");
    expect(worthAt({ ...PLAN, objective: undefined }, [60, 40], names)).toBe("");
  });
});

describe("what the best point leaves", () => {
  const { result } = solvePlan(PLAN, names);
  it.each([
    ["A", "nothing left"],
    ["B", "nothing left"],
    ["C", "20 to spare"],
    ["E", "60 to spare"],
  ])("of %s: %s", (id, wanted) => expect(spareWords(result!, id)).toBe(wanted));
  it("in whole values where these are asked for, also 0 of what is used up", () => {
    // 2x ≤ 7, whole: x = 3, and 1 is left; y ≤ 4 is used up.
    const whole: Plan = {
      variables: [
        { name: "x", whole: true },
        { name: "y", whole: true },
      ],
      constraints: [
        { id: "A", text: "2x <= 7" },
        { id: "B", text: "y <= 4" },
      ],
      objective: { text: "x + y", sense: "greatest" },
    };
    const best = solvePlan(whole, names).result!;
    expect(["A", "B"].map((id) => spareWords(best, id))).toEqual(["1 to spare", "nothing left"]);
  });
  it("says nothing where there is no best point", () => {
    const none = solvePlan(
      {
        ...PLAN,
        constraints: [
          { id: "A", text: "x + y <= -1" },
          { id: "B", text: "x + y >= 0" },
        ],
      },
      names,
    );
    expect(spareWords(none.result!, "A")).toBe("");
  });
});
