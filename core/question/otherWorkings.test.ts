import { describe, expect, it } from "vitest";
import type { Asked, Range } from "./oneQuestion.fixture";
import { lines, steps } from "./workingLines.fixture";

// Each table is worked out by hand as a textbook does it.
describe("the other kinds of answer", () => {
  it.each<[string, Record<string, string>, Asked, Range, string[]]>([
    [
      "a value: the input put in",
      { f: "200 + 1.5x + 0.02x^2" },
      { ask: "value", function: "f", at: 30 },
      {},
      ["f(30) = 200 + 1.5*30 + 0.02*30^2 = 263"],
    ],
    [
      "a best value: slope, its zeros, all candidates",
      { P: "-x^2/30 + 11.5x - 180" },
      { ask: "greatest", function: "P" },
      { to: 320 },
      [
        "P'(x) = 11.5 - x/15",
        "11.5 - x/15 = 0",
        "x/15 = 11.5",
        "x = 172.5",
        "P(0) = -180",
        "P(172.5) = 811.875",
        "P(320) ≈ 86.666667",
        "P(172.5) = 811.875",
      ],
    ],
    [
      "a product with e",
      { f: "x exp(-x)" },
      { ask: "greatest", function: "f" },
      { to: 10 },
      [
        "f'(x) = exp(-x) - x exp(-x)",
        "exp(-x) - x exp(-x) = 0",
        "exp(-x) (1 - x) = 0",
        "exp(-x) = 0 or 1 - x = 0",
        "exp(-x) = 0",
        "no solution",
        "1 - x = 0",
        "x = 1",
        "f(0) = 0",
        "f(1) ≈ 0.36787944",
        "f(10) ≈ 0.0004539993",
        "f(1) ≈ 0.367879",
      ],
    ],
    [
      "a table of signs",
      { f: "x^2 - 5x + 6" },
      { ask: "where", function: "f", relation: ">", value: 0 },
      { to: 10 },
      [
        "x^2 - 5 x + 6 = 0",
        "(x - 2) (x - 3) = 0",
        "x = 2 or x = 3",
        "0 < x < 2: f(x) > 0",
        "2 < x < 3: f(x) < 0",
        "3 < x < 10: f(x) > 0",
      ],
    ],
    [
      "the quotient of differences",
      { f: "x^2" },
      { ask: "rate", function: "f", between: [1, 3] },
      {},
      ["f(1) = 1^2 = 1", "f(3) = 3^2 = 9", "(9 - 1)/(3 - 1) = 4"],
    ],
    [
      "the slope at an input",
      { f: "x^3" },
      { ask: "rate", function: "f", at: 2 },
      {},
      ["f'(x) = 3 x^2", "f'(2) = 3*2^2 = 12"],
    ],
    [
      "a total, piece by piece",
      { f: "abs(x - 2)" },
      { ask: "total", function: "f", between: [0, 5] },
      {},
      ["A(x) = -0.5 x^2 + 2 x", "A(2) - A(0) = 2", "A(x) = 0.5 x^2 - 2 x", "A(5) - A(2) = 4.5", "2 + 4.5 = 6.5"],
    ],
    [
      "an average",
      { f: "6 x" },
      { ask: "average", function: "f", between: [0, 4] },
      {},
      ["A(x) = 3 x^2", "A(4) - A(0) = 48", "48/4 = 12"],
    ],
    [
      "a multiple: what cancels",
      { f: "300*0.5^(x/8)" },
      { ask: "multiply", function: "f", factor: 0.25 },
      {},
      ["300*0.5^(x/8) = 75", "0.5^(x/8) = 0.25", "x/8 = 2", "x = 16"],
    ],
    [
      "which is least: the meets, and a table",
      { f: "10 + 3x", g: "20 + x" },
      { ask: "compare", functions: ["f", "g"] },
      { to: 10 },
      ["10 + 3 x = 20 + x", "2 x = 10", "x = 5", "0 ≤ x ≤ 5: f", "5 ≤ x ≤ 10: g"],
    ],
    [
      "a given: put in and solved for it",
      { f: "F + 4x" },
      { ask: "given", given: "F", range: [0, 500], function: "f", at: 10, value: 100 },
      { givens: [{ name: "F", value: 50 }] },
      ["F + 40 = 100", "F = 60"],
    ],
  ])("%s", (_, functions, q, setting, wanted) => expect(lines(functions, q, setting)).toEqual(wanted));

  // (x² - 1)/(x - 1) has no value at x = 1
  it("sides that are alike are so only where both have a value", () => {
    const meet: Asked = { ask: "meet", functions: ["f", "g"] };
    expect(lines({ f: "(x^2 - 1)/(x - 1)", g: "x + 1" }, meet, { to: 10 }).join("; ")).not.toMatch(/of the range/);
    expect(lines({ f: "(x + 1)^2 - x^2", g: "2x + 1" }, meet, { to: 10 }).at(-1)).toBe("true for every x of the range");
  });
  it("names come before numbers, with their units", () => {
    const list = steps(
      { C: "F + k x" },
      { ask: "reach", function: "C", value: 480 },
      {
        givens: [
          { name: "F", value: 180, unit: "$" },
          { name: "k", value: 2.5, unit: "$/lantern" },
        ],
      },
    );
    expect(list.slice(0, 4).map((s) => s.text)).toEqual([
      "C(x) = 480",
      "C(x) = F + k x",
      "F = $180, k = $2.50/lantern",
      "180 + 2.5 x = 480",
    ]);
  });
  it("every step has its LaTeX, and the short form leaves some out", () => {
    const list = steps({ N: "1500*1.034^x" }, { ask: "reach", function: "N", value: 3000 });
    for (const s of list.slice(0, -1)) expect(s.latex).toMatch(/=|approx|≠|>/);
    expect(list.filter((s) => s.isKey).length).toBeLessThan(list.length);
    // Twice 1500 after ln 2/ln 1.034 = 20.7313…; at its end stands the sentence.
    expect(list.at(-1)).toMatchObject({ says: "In words:", text: "N is 3,000 at x = 20.7313." });
  });
});
