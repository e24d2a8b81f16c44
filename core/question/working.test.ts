import { describe, expect, it } from "vitest";
import { analyse, workingOf, type WorkingStep } from "./index";
import { oneQuestion, type Asked, type Range as Setting } from "./oneQuestion.fixture";

function steps(functions: Record<string, string>, q: Asked, setting: Setting = {}) {
  const c = oneQuestion(functions, q, { from: 0, to: 100, ...setting });
  const { model, findings } = analyse(c);
  return workingOf(c.questions[0], findings[0]!, model, () => null);
}
const NAMING = ["names", "definition", "givens", "check"];
const linesOf = (list: readonly WorkingStep[]): string[] =>
  list.filter((s) => !NAMING.includes(s.rule)).map((s) => s.text);
const lines = (...args: Parameters<typeof steps>) => linesOf(steps(...args));

// Each table is worked out by hand as a textbook does it.
describe("equations are worked by the way a textbook takes", () => {
  const reach = (value: number): Asked => ({ ask: "reach", function: "f", value });
  const meet: Asked = { ask: "meet", functions: ["f", "g"] };
  const both = { from: -10, to: 10 };
  it.each<[string, Record<string, string>, Asked, Setting, string[]]>([
    ["linear", { f: "3x - 7" }, reach(5), {}, ["3 x - 7 = 5", "3 x = 12", "x = 4"]],
    ["both sides", { f: "40 + 28x", g: "210 + 11x" }, meet, {}, ["40 + 28 x = 210 + 11 x", "17 x = 170", "x = 10"]],
    ["no solution", { f: "x + 3", g: "x + 5" }, meet, {}, ["x + 3 = x + 5", "no solution"]],
    [
      "factors where the roots are fractions",
      { f: "2x^2 - 5x + 3" },
      reach(1),
      both,
      ["2 x^2 - 5 x + 3 = 1", "2 x^2 - 5 x + 2 = 0", "(2 x - 1) (x - 2) = 0", "x = 0.5 or x = 2"],
    ],
    [
      "the formula, whole squares out of the root, one outside the range",
      { f: "x (14 - x/30)", g: "180 + 2.5x" },
      meet,
      { to: 320 },
      [
        "x (14 - x/30) = 180 + 2.5 x",
        "-x^2/30 + 11.5 x - 180 = 0",
        "x^2 - 345 x + 5400 = 0",
        "D = (-345)^2 - 4*1*5400 = 97425",
        "x = (345 ± sqrt(97425))/(2*1)",
        "x = (345 - 15 sqrt(433))/2 or x = (345 + 15 sqrt(433))/2",
        "x ≈ 328.56489",
        "x ≈ 16.43511",
      ],
    ],
    [
      "a negative discriminant",
      { f: "x^2 + x + 1" },
      reach(0),
      both,
      ["x^2 + x + 1 = 0", "D = 1^2 - 4*1*1 = -3", "no solution"],
    ],
    [
      "a rational root, and division",
      { f: "x^3 - 6x^2 + 11x - 6" },
      reach(0),
      both,
      [
        "x^3 - 6 x^2 + 11 x - 6 = 0",
        "(x - 1) (x^2 - 5 x + 6) = 0",
        "x = 1 or x^2 - 5 x + 6 = 0",
        "x^2 - 5 x + 6 = 0",
        "(x - 2) (x - 3) = 0",
        "x = 2 or x = 3",
      ],
    ],
    ["a power", { f: "2 x^3" }, reach(32), {}, ["2 x^3 = 32", "x^3 = 16", "x = 2 cbrt(2)", "x ≈ 2.5198421"]],
    [
      "a quotient: the domain first, then multiplied out",
      { f: "500/x + 2x" },
      reach(80),
      {},
      [
        "500/x + 2 x = 80",
        "x ≠ 0",
        "2 x^2 - 80 x + 500 = 0",
        "x^2 - 40 x + 250 = 0",
        "D = (-40)^2 - 4*1*250 = 600",
        "x = (40 ± sqrt(600))/(2*1)",
        "x = 20 - 5 sqrt(6) or x = 20 + 5 sqrt(6)",
        "x ≈ 7.7525513 or x ≈ 32.247449",
      ],
    ],
    [
      "an excluded input is set aside",
      { f: "(x^2 - 4)/(x - 2)" },
      reach(4),
      both,
      ["(x^2 - 4)/(x - 2) = 4", "x ≠ 2", "x - 2 = 0", "x = 2", "x = 2: left no value, right 4"],
    ],
    [
      "a root: squared, and what that brings in set aside",
      { f: "sqrt(x + 7)", g: "x - 5" },
      meet,
      {},
      [
        "sqrt(x + 7) = x - 5",
        "x + 7 = (x - 5)^2",
        "-x^2 + 11 x - 18 = 0",
        "x^2 - 11 x + 18 = 0",
        "(x - 2) (x - 9) = 0",
        "x = 2 or x = 9",
        "x = 2: left 3, right -3",
      ],
    ],
    [
      "two roots",
      { f: "sqrt(x + 5) + sqrt(x)" },
      reach(5),
      {},
      [
        "sqrt(x + 5) + sqrt(x) = 5",
        "sqrt(x + 5) = 5 - sqrt(x)",
        "x + 5 = x - 10 sqrt(x) + 25",
        "10 sqrt(x) = 20",
        "sqrt(x) = 2",
        "x = 4",
      ],
    ],
    [
      "one power",
      { f: "40 exp(0.08x) + 10" },
      reach(90),
      {},
      [
        "40 exp(0.08 x) + 10 = 90",
        "40 exp(0.08 x) = 80",
        "exp(0.08 x) = 2",
        "0.08 x = ln(2)",
        "x = 25 ln(2)/2",
        "x ≈ 8.6643398",
      ],
    ],
    [
      "powers of two bases",
      { f: "1000*1.05^x", g: "1500*1.02^x" },
      meet,
      {},
      [
        "1000*1.05^x = 1500*1.02^x",
        "(2/3)*1.05^x = 1.02^x",
        "ln(2/3) + x ln(1.05) = x ln(1.02)",
        "(ln(1.05) - ln(1.02)) x = ln(1.5)",
        "x = ln(1.5)/ln(35/34)",
        "x ≈ 13.987567",
      ],
    ],
    [
      "a square in one power",
      { f: "4^x - 5*2^x + 4" },
      reach(0),
      both,
      [
        "4^x - 5*2^x + 4 = 0",
        "u^2 - 5 u + 4 = 0",
        "(u - 1) (u - 4) = 0",
        "u = 1 or u = 4",
        "2^x = 1 or 2^x = 4",
        "2^x = 1",
        "x = 0",
        "2^x = 4",
        "x = 2",
      ],
    ],
    [
      "logarithms gathered, the domain first",
      { f: "ln(x) + ln(x + 2)", g: "ln(3) + ln(x + 4)" },
      meet,
      {},
      [
        "ln(x) + ln(x + 2) = ln(3) + ln(x + 4)",
        "x > 0, x + 2 > 0, x + 4 > 0",
        "x (x + 2) = 3 (x + 4)",
        "x^2 - x - 12 = 0",
        "(x + 3) (x - 4) = 0",
        "x = -3 or x = 4",
        "x = -3",
      ],
    ],
    [
      "logarithms with a number beside them",
      { f: "ln(x) + ln(x - 3)" },
      reach(1),
      {},
      [
        "ln(x) + ln(x - 3) = 1",
        "x > 0, x - 3 > 0",
        "ln(x (x - 3)) = 1",
        "x (x - 3) = e",
        "D = 9 + 4 e",
        "x = (3 - sqrt(9 + 4 e))/2 or x = (3 + sqrt(9 + 4 e))/2",
        "x ≈ -0.7289643",
        "x ≈ 3.7289643",
      ],
    ],
    [
      "an absolute value, either sign",
      { f: "abs(x - 3)", g: "2x" },
      meet,
      both,
      [
        "abs(x - 3) = 2 x",
        "x - 3 = 2 x or x - 3 = -2 x",
        "x - 3 = 2 x",
        "x = -3",
        "x - 3 = -2 x",
        "3 x = 3",
        "x = 1",
        "x = -3: left 6, right -6",
      ],
    ],
    [
      "case by case",
      { f: "max(20, 3x - 10)" },
      reach(35),
      {},
      ["max(20, 3 x - 10) = 35", "20 = 35", "no solution", "3 x - 10 = 35", "3 x = 45", "x = 15"],
    ],
    [
      "a sine, with its period",
      { f: "5 + 2 sin(pi x/6)" },
      reach(6),
      { to: 24 },
      [
        "5 + 2 sin(pi x/6) = 6",
        "2 sin(pi x/6) = 1",
        "sin(pi x/6) = 0.5",
        "pi x/6 = pi/6 + 2 pi n or pi x/6 = pi - pi/6 + 2 pi n",
        "x = 1 or x = 5 or x = 13 or x = 17",
      ],
    ],
    [
      "never: said at the step that cannot be",
      { f: "62 exp(-x)" },
      reach(0),
      {},
      ["62 exp(-x) = 0", "exp(-x) = 0", "no solution"],
    ],
    [
      "percents stay as they were given",
      { f: "4000 (1 + r/12)^(12x)" },
      reach(6500),
      { givens: [{ name: "r", value: 0.0415, unit: "%/year" }] },
      [
        "4000 (1 + 4.15%/12)^(12 x) = 6500",
        "(1 + 4.15%/12)^(12 x) = 1.625",
        "12 x = ln(1.625)/ln(1 + 4.15%/12)",
        "x = ln(1.625)/(12 ln(1 + 4.15%/12))",
        "x ≈ 11.719201",
      ],
    ],
  ])("%s", (_, functions, q, setting, wanted) => expect(lines(functions, q, setting)).toEqual(wanted));

  it("what no rule leads to is halved, and that is said", () => {
    const list = steps({ f: "x + sin(x)" }, reach(1));
    expect(list.map((s) => s.says).join(" ")).toMatch(/No rule of algebra leads to a closed form here/);
    expect(list.at(-1)!.text).toBe("x ≈ 0.51097343");
  });
});

describe("the other kinds of answer", () => {
  it.each<[string, Record<string, string>, Asked, Setting, string[]]>([
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
    for (const s of list) expect(s.latex).toMatch(/=|approx|≠|>/);
    expect(list.filter((s) => s.isKey).length).toBeLessThan(list.length);
  });
});
