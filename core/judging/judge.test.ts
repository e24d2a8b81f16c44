import { describe, expect, it } from "vitest";
import { judgedLines, verdicts } from "./own.fixture";

const reach = (value: number) => ({ ask: "reach" as const, function: "f", value });
const MEET = { ask: "meet" as const, functions: ["R", "C"] };
const SALE = { R: "14x", C: "180 + 2.5x" };
const BEST = { ask: "greatest" as const, function: "P" };
const PROFIT = { P: "-x^2/30 + 11.5x - 180" };

describe("each line is judged against the one above", () => {
  it.each<[string, Record<string, string>, Parameters<typeof verdicts>[1], (readonly [string, string])[]]>([
    [
      "a way to the end, rounded at last",
      SALE,
      MEET,
      [
        ["14x = 180 + 2.5x", "follows"],
        ["11.5x = 180", "follows"],
        ["x = 180/11.5", "follows"],
        ["x ≈ 15.65", "follows"],
        ["x ≈ 15.66", "wrong"],
      ],
    ],
    [
      "a sign, and what follows from it",
      SALE,
      MEET,
      [
        ["16.5x = 180", "wrong"],
        ["x = 180/16.5", "follows"],
      ],
    ],
    [
      "an answer lost in dividing",
      { f: "x^2 - 5x" },
      reach(0),
      [
        ["x^2 = 5x", "follows"],
        ["x = 5", "loses"],
      ],
    ],
    [
      "both signs of a root, in a list",
      { f: "(x - 3)^2" },
      reach(16),
      [
        ["x - 3 = ±4", "follows"],
        ["x = 7, x = -1", "follows"],
        ["x = 7 or x = -1", "follows"],
        ["x_1 = -1; x_2 = 7", "follows"],
        ["x = 7", "loses"],
      ],
    ],
    [
      "squared: an answer comes in, and is rightly left out",
      { R: "sqrt(x + 7)", C: "x - 5" },
      MEET,
      [
        ["x + 7 = (x - 5)^2", "brings"],
        ["0 = x^2 - 11x + 18", "follows"],
        ["x = 2 or x = 9", "follows"],
        ["x = 9", "follows"],
      ],
    ],
    [
      "LaTeX, and words before",
      { f: "1000*1.05^x" },
      reach(2000),
      [
        ["1.05^x = 2", "follows"],
        ["so x\\ln(1.05) = \\ln 2", "follows"],
        ["\\Rightarrow x = \\frac{\\ln(2)}{\\ln(1.05)}", "follows"],
        ["x \\approx 14.2", "follows"],
      ],
    ],
    [
      "logarithms gathered",
      { f: "ln(x) + ln(x + 3)" },
      reach(2),
      [
        ["ln(x(x + 3)) = 2", "brings"],
        ["x(x + 3) = e^2", "follows"],
      ],
    ],
    [
      "the slope, and a value",
      PROFIT,
      BEST,
      [
        ["P'(x) = -x/15 + 11.5", "follows"],
        ["-x/15 + 11.5 = 0", "follows"],
        ["x = 172.5", "follows"],
        ["P(172.5) ≈ 811.88", "follows"],
        ["P(172.5) = 812.5", "wrong"],
      ],
    ],
    [
      "no solution",
      { f: "x^2 + 1" },
      reach(0),
      [
        ["x^2 = -1", "follows"],
        ["no solution", "follows"],
      ],
    ],
    [
      "nothing on the range still has to follow",
      { f: "x + 200" },
      reach(0),
      [
        ["x = -200", "follows"],
        ["x = 200", "wrong"],
      ],
    ],
    [
      "numbers and expressions",
      { P: "3x^2" },
      { ask: "value", function: "P", at: 5 },
      [
        ["P(5) = 3*5^2", "follows"],
        ["= 3*25", "follows"],
        ["= 75", "follows"],
        ["P(5) = 3*25 = 76", "wrong"],
        ["(x + 1)^2", "follows"],
        ["= x^2 + 2x + 1", "follows"],
        ["= x^2 + 1", "wrong"],
      ],
    ],
    [
      "what cannot be judged is not called wrong",
      { f: "2x + 3" },
      reach(0),
      [
        ["foo = 3", "open"],
        ["foo + bar = 3", "unread"],
        ["x > 2", "unread"],
        ["x ≠ 2", "unread"],
        ["2x = ", "unread"],
        ["", "blank"],
        ["2x = -3", "follows"],
      ],
    ],
  ])("%s", (_, functions, q, lines) =>
    expect(
      judgedLines(
        functions,
        q,
        lines.map(([line]) => line),
        { to: 300 },
      ).map((l) => [l.text, l.verdict]),
    ).toEqual(lines),
  );

  it.each<[string, string, (readonly [string, string])[]]>([
    [
      "x^2 - 5x + 6",
      ">",
      [
        ["(x - 2)(x - 3) > 0", "follows"],
        ["x^2 - 5x + 6 = 0", "follows"],
        ["x = 2 or x = 3", "follows"],
        ["x < 2 or x > 3", "follows"],
        ["2 < x < 3", "wrong"],
      ],
    ],
    [
      "14 - 2x",
      ">=",
      [
        ["-2x ≥ -14", "follows"],
        ["x ≥ 7", "wrong"],
        ["7 ≤ x", "follows"],
      ],
    ],
    [
      "x^2 - 5x + 6",
      "<=",
      [
        ["x >= 2 and x <= 3", "follows"],
        ["2 ≤ x ≤ 3", "follows"],
        ["2 < x < 3", "wrong"],
      ],
    ],
  ])("inequalities: %s %s 0", (f, relation, lines) => {
    const q = { ask: "where" as const, function: "f", relation: relation as ">", value: 0 };
    const told = judgedLines(
      { f },
      q,
      lines.map(([line]) => line),
    ).map((l) => [l.text, l.verdict]);
    expect(told).toEqual(lines);
  });
  it("an input shows where an inequality goes wrong, and a sign that was not turned is named", () => {
    const q = { ask: "where" as const, function: "f", relation: ">=" as const, value: 0 };
    const [line] = judgedLines({ f: "14 - 2x" }, q, ["x ≥ 7"], { from: 0, to: 100 });
    expect(line).toMatchObject({
      says: "x = 0 belongs to the line above, and not to this one.",
      slip: "Multiplying or dividing by a negative number turns the sign round.",
    });
  });
  it("a name of one's own stands for its number, and says nothing of the unknown", () => {
    const [name, used, wrong] = judgedLines({ f: "x^2 - 5x + 6" }, reach(0), [
      "D = 25 - 24 = 1",
      "x_{1,2} = \\frac{5 \\pm\\sqrt{D}}{2}",
      "D = 25 - 24 = 2",
    ]);
    expect(name).toMatchObject({ verdict: "follows", says: expect.stringMatching(/D is taken as a name of your own/) });
    expect(used!.verdict).toBe("follows");
    expect(wrong).toMatchObject({ verdict: "wrong", says: "The left is 1, the right 2." });
  });
  it.each([
    "x = 2, 3",
    "x = 2 and x = 3",
    "x = 5/2 ± 1/2",
    "L = {2; 3}",
    "x ∈ {2, 3}",
    "x1 = 2; x2 = 3",
    "x_{1} = 2, x_{2} = 3",
  ])("answers may be written %s", (line) =>
    expect(verdicts({ f: "x^2 - 5x + 6" }, reach(0), [line])).toEqual(["follows"]),
  );
  it("a wrong line shows an input, and both sides there", () => {
    const [line] = judgedLines(SALE, MEET, ["16.5 x = 180"]);
    expect(line).toMatchObject({
      says: "x ≈ 15.652174 holds above, and not here. There the left side of this line is 258.26087, the right 180.",
      slip: "A sign: look at 2.5 x. What goes to the other side changes its sign.",
    });
    const [named] = judgedLines(PROFIT, BEST, ["P'(x) = -x/30 + 11.5"], { from: 0, to: 320 });
    expect(named!.says).toBe("At x = 1 the left side is 11.433333, the right 11.466667.");
  });
  // x/x has no value at 0, so it is not 1 there
  it.each([
    ["2x = x + x", "True for every x."],
    ["x/x = 1", "True wherever both sides have a value."],
  ])("an identity says where it holds: %s", (line, wanted) => {
    const [said] = judgedLines({ f: "x^2 - 5x" }, reach(0), [line]);
    expect([said!.verdict, said!.says]).toEqual(["follows", wanted]);
  });
  // sin(1)^2 + cos(1)^2 = 1 is true, and no enclosure of doubles can tell it from 1 + 10^-30
  it.each([
    ["x = 2.4/0.3 = 8", ["follows"]],
    ["x = 2.4/0.3 = 9", ["wrong"]],
    ["x = 8 (sin(1)^2 + cos(1)^2) = 8", ["follows", "open"]],
  ])("each sign of a chain is judged, and one that is not settled is not called wrong: %s", (line, allowed) => {
    const [said] = judgedLines({ f: "3x" }, reach(24), [line]);
    expect(allowed).toContain(said!.verdict);
  });
  it("what is lost and what comes in is named", () => {
    expect(judgedLines({ f: "x^2 - 5x" }, reach(0), ["x = 5"])[0]!.says).toBe("Loses x = 0.");
    const squared = judgedLines({ R: "sqrt(x + 7)", C: "x - 5" }, MEET, [
      "x + 7 = (x - 5)^2",
      "x = 2 or x = 9",
      "x = 9",
    ]);
    expect(squared[0]!.says).toBe("Brings in x = 2, which the line above does not have.");
    expect(squared[2]!.says).toBe("Follows: x = 2 is left out, and does not answer the question.");
  });
  it("a decimal that was rounded is said to be", () => {
    const says = (line: string) => judgedLines({ f: "3x" }, reach(10), [line])[0]!.says;
    expect(says("x = 3.33")).toBe("Follows, rounded: then ≈ is the sign.");
    expect(says("x ≈ 3.33")).toBe("Follows, rounded.");
    expect(says("x = 3.34")).toMatch(/^x ≈ 3.3333333 holds above, and not here/);
  });
  it("names of the case stand for what they are, and one that is looked for is the unknown", () => {
    const givens = [{ name: "F", value: 50 }];
    const q = {
      ask: "given" as const,
      given: "F",
      range: [0, 500] as [number, number],
      function: "f",
      at: 10,
      value: 100,
    };
    expect(verdicts({ f: "F + 4x" }, q, ["F + 40 = 100", "F = 60"], { givens })).toEqual(["follows", "follows"]);
    expect(verdicts({ f: "F + 4x" }, reach(70), ["F + 4x = 70", "4x = 20", "x = 5"], { givens })).toEqual(
      new Array(3).fill("follows"),
    );
  });
  it("a question that is at fault says so, and no line is called wrong", () => {
    const lines = judgedLines({ f: "2x" }, { ask: "reach", function: "g", value: 1 }, ["x = 1"]);
    expect(lines[0]).toMatchObject({ verdict: "open", says: expect.stringMatching(/no function of this case/) });
  });
});
