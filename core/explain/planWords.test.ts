import { describe, expect, it } from "vitest";
import { buildModel, type Plan } from "../model";
import { planPicture, solvePlan } from "../plan";
import { coefficientRows, planWords, worthSentences } from ".";

const names = buildModel({ format: "pasear-case", version: 1, title: "T" }).names;
const lanterns: Plan = {
  variables: [
    { name: "x", label: "river lanterns", whole: true },
    { name: "y", label: "sky lanterns", whole: true },
  ],
  objective: { text: "3.5x + 4y", sense: "greatest", unit: "$" },
  constraints: [
    { id: "A", text: "2x + 3y <= 240", label: "paper" },
    { id: "B", text: "4x + 2y <= 320", label: "hands" },
    { id: "C", text: "y >= 20", label: "orders" },
    { id: "D", text: "x >= 0" },
  ],
};
const say = (plan: Plan) => planWords(plan, solvePlan(plan, names).result!);

describe("a plan in words", () => {
  it("one best corner", () => {
    expect(say(lanterns)).toMatchObject({
      says: "Make 60 river lanterns and 40 sky lanterns: $370.",
      more: ["Nothing is left of paper and hands.", "orders: 20 to spare."],
      chips: [{ text: "one best corner" }, { text: "whole already" }, { text: "two methods agree" }],
    });
  });
  it("rounding the corner is not the best", () => {
    // 21 l + 16 s with 8 l + 5 s ≥ 34 and 3 l + 2 s ≤ 13: the corner (4.25, 0) rounds to (5, 0), which lamps
    // forbid; by hand (3, 2) costs 95.
    const boats: Plan = {
      variables: [
        { name: "l", whole: true },
        { name: "s", whole: true },
      ],
      objective: { text: "21l + 16s", sense: "least", unit: "$" },
      constraints: [
        { id: "A", text: "8l + 5s >= 34" },
        { id: "B", text: "3l + 2s <= 13" },
        { id: "C", text: "l >= 0" },
        { id: "D", text: "s >= 0" },
      ],
    };
    expect(say(boats).says).toBe("Make l = 3 and s = 2: $95.");
    // Three long boats and two short ones seat 34 and need 13 lamps: just what there is.
    expect(say(boats).more[1]).toBe("Nothing is left of A and B.");
    expect(say(boats).more[0]).toBe(
      "Not in whole numbers, l = 4.25 and s = 0 would give $89.25; rounding that is not the best.",
    );
  });
  it("a tied edge, an unbounded objective, a conflict, no objective", () => {
    expect(
      say({
        ...lanterns,
        objective: { text: "4x + 6y", sense: "greatest" },
        variables: lanterns.variables.map(({ whole: _, ...v }) => v),
      }).says,
    ).toMatch(/or any mix of the two on the edge between: 480\./);
    expect(say({ ...lanterns, constraints: lanterns.constraints.slice(2) }).says).toBe(
      "There is no greatest value: it goes on without end.",
    );
    expect(say({ ...lanterns, constraints: lanterns.constraints.slice(2) }).more).toEqual([
      expect.stringMatching(/^It grows for ever along \((?:1, 0|0, 1)\), and every constraint holds all the way/),
    ]);
    expect(
      say({ ...lanterns, constraints: [...lanterns.constraints, { id: "E", text: "y <= 10", label: "candles" }] })
        .more[0],
    ).toBe("orders and candles cannot hold together; without any one of them the others can.");
    const { objective: _, ...bare } = lanterns;
    expect(say(bare).says).toBe("The region has 4 corners.");
  });
});

describe("the region for drawing", () => {
  const drawn = (plan: Plan) => planPicture(plan, names, solvePlan(plan, names).result!)!;
  it("is the polygon of the corners when it is bounded", () => {
    const p = drawn(lanterns);
    const corners = solvePlan(lanterns, names).result!.corners.map((c) => c.at);
    for (const c of corners) expect(p.region.some((q) => Math.hypot(q[0] - c[0]!, q[1] - c[1]!) < 1e-6)).toBe(true);
    for (const q of p.region)
      for (const [a, b, c] of [
        [2, 3, 240],
        [4, 2, 320],
        [0, -1, -20],
        [-1, 0, 0],
      ])
        expect(a! * q[0] + b! * q[1]).toBeLessThanOrEqual(c! + 1e-6);
    for (const c of corners)
      expect(c[0]! >= p.frame.x0 && c[0]! <= p.frame.x1 && c[1]! >= p.frame.y0 && c[1]! <= p.frame.y1).toBe(true);
  });
  it("reaches the frame where it goes on without end, and is empty where nothing is allowed", () => {
    const open = drawn({
      ...lanterns,
      constraints: [
        { id: "A", text: "x + y >= 10" },
        { id: "B", text: "x >= 0" },
        { id: "C", text: "y >= 0" },
      ],
    });
    expect(open.region.some((q) => q[0] === open.frame.x1 && q[1] === open.frame.y1)).toBe(true);
    expect(
      drawn({
        ...lanterns,
        constraints: [
          { id: "A", text: "x >= 3" },
          { id: "B", text: "x <= 2" },
          { id: "C", text: "y >= 0" },
        ],
      }).region,
    ).toEqual([]);
  });
});

describe("what one more is worth, and how firm the plan is, in sentences", () => {
  const worth = (plan: Plan) => worthSentences(plan, solvePlan(plan, names).result!);
  const firm = (plan: Plan) => coefficientRows(plan, solvePlan(plan, names).result!, names).map((r) => r.says);
  it("binding sides with their value and range, idle ones together", () => {
    // 3.5 = 2a + 4b, 4 = 3a + 2b; paper from 200 to 480, hands from 160 to 400 until y = 20 or x = 0 stops it.
    expect(worth(lanterns)).toEqual([
      "One more of paper brings $1.13, for a right-hand side from 200 to 480.",
      "One more of hands brings $0.3125, for a right-hand side from 160 to 400.",
      "One more of orders changes nothing, for a right-hand side up to 40.",
      "These worths are those of the plan without regard to whole values.",
    ]);
  });
  it("what has to be reached changes nothing as far as there is room", () => {
    // x = 3 is best; x ≥ 2.5 leaves 0.5, so that with one more, x ≥ 3.5, nothing is left.
    const plan: Plan = {
      variables: [{ name: "x" }, { name: "y" }],
      objective: { text: "x - y", sense: "greatest" },
      constraints: [
        { id: "A", text: "x <= 3" },
        { id: "B", text: "x >= 2.5", label: "orders" },
        { id: "C", text: "y <= 9", label: "posts" },
        { id: "D", text: "y >= 0" },
      ],
    };
    expect(worth(plan)).toEqual([
      "One more of x ≤ 3 brings 1, for a right-hand side from 2.5 on.",
      "One more of posts changes nothing.",
      "One more of orders changes nothing, for a right-hand side up to 3.",
    ]);
  });
  it("coefficients for which the corner stays: the slopes of its two lines", () => {
    // c/4 between 2/3 and 4/2, and 3.5/c between the same
    expect(firm(lanterns)).toEqual([
      "The same plan stays best as long as river lanterns bring between $2.67 and $8 each (now $3.50).",
      "The same plan stays best as long as sky lanterns bring between $1.75 and $5.25 each (now $4).",
    ]);
  });
  it("a variable that is not made: its reduced cost and from when on it pays", () => {
    // With paper alone 4/3 a sheet is earned; a house lantern of 5 sheets would have to bring 20/3.
    const plan: Plan = {
      variables: [
        { name: "y", label: "sky lanterns" },
        { name: "g", label: "house lanterns" },
      ],
      objective: { text: "4y + 6g", sense: "greatest", unit: "$" },
      constraints: [
        { id: "A", text: "3y + 5g <= 90", label: "paper" },
        { id: "B", text: "y >= 0" },
        { id: "C", text: "g >= 0" },
      ],
    };
    expect(firm(plan)[1]).toBe("None of house lanterns: each would cost $0.6667; it pays above $6.67 each.");
    expect(say(plan).says).toBe("Make 30 sky lanterns and no house lanterns: $120.");
  });
  it("a least value adds and saves", () => {
    const mix: Plan = {
      variables: [{ name: "n" }, { name: "f" }],
      objective: { text: "1.1n + 0.8f", sense: "least", unit: "$" },
      constraints: [
        { id: "A", text: "15n + 2f >= 90", label: "fat" },
        { id: "B", text: "3n + 12f >= 60", label: "sugar" },
        { id: "D", text: "n >= 0" },
        { id: "E", text: "f >= 0" },
      ],
    };
    // 1.1 = 15a + 3b, 0.8 = 2a + 12b: b = (0.8 − 2a)/12, 1.1 = 14.5 a + 0.2: a = 0.0620690, b = 0.0563218
    expect(worth(mix)).toEqual([
      "One more of fat adds $0.06207, for a right-hand side from 10 to 300.",
      "One more of sugar adds $0.05632, for a right-hand side from 18 to 540.",
    ]);
  });
  it("one of a kind is said in the singular", () => {
    const one = (label: string): Plan => ({
      variables: [
        { name: "x", label },
        { name: "y", label: "bridges" },
      ],
      objective: { text: "x + y", sense: "greatest" },
      constraints: [
        { id: "A", text: "x = 1" },
        { id: "B", text: "y = 2" },
      ],
    });
    expect([say(one("rafts")).says, say(one("river lanterns")).says, say(one("portions of nuts")).says]).toEqual([
      "Make 1 raft and 2 bridges: 3.",
      "Make 1 river lantern and 2 bridges: 3.",
      "Make 1 portion of nuts and 2 bridges: 3.",
    ]);
  });
  it("many variables: those that are not 0 come first, the rest are counted", () => {
    const variables = Array.from({ length: 12 }, (_, i) => ({ name: `x${i}` }));
    const many: Plan = {
      variables,
      objective: { text: variables.map((v, i) => `${i + 1} ${v.name}`).join(" + "), sense: "greatest" },
      constraints: variables.map((v, i) => ({ id: `c${i}`, text: `0 <= ${v.name} <= ${i < 3 ? 0 : i}` })),
    };
    expect(say(many).says).toMatch(/^Make x3 = 3, .*x10 = 10 and 1 more that are not 0: /);
  });
});
