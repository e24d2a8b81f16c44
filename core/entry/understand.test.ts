import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import type { CaseFile } from "../model";
import { interpret, readLines, understand, withEntry } from ".";

const CONTEXTS = JSON.parse(
  readFileSync(new URL("./fixtures/phrases-contexts.json", import.meta.url), "utf8"),
) as Readonly<Record<string, CaseFile>>;
const said = (text: string, context: string): string => {
  const read = understand(text, CONTEXTS[context]!);
  return read.kind === "refused" ? `✗ ${read.message}` : read.says;
};
const JARS = "for 0 … 400 jars?";

// What each line does, said as the entry line says it; read and judged one by one, in the words of a student.
describe("lines that make something", () => {
  it.each([
    ["f(x) = 3x + 2", "adds the function f(x) = 3x + 2, and its variable x, for now any number"],
    ["y=3x", "adds the function y(x) = 3x, and its variable x, for now any number"],
    ["f: x -> 2x+1", "adds the function f(x) = 2x+1, and its variable x, for now any number"],
    ["$f(x) = x^2$", "adds the function f(x) = x^2, and its variable x, for now any number"],
    ["f(x) = ln x", "adds the function f(x) = ln(x), and its variable x, for now any number"],
    ["S = 4πr²", "adds the function S(r) = 4 pi r², and its variable r, for now any number"],
    ["f(x) = 3x if x < 2, otherwise 6", /3x for x < 2; 6 for 2 <= x/],
    ["v(t) = 3t if t < 6, 18 - 2(t-6) otherwise", /3t for t < 6; 18 - 2\(t-6\) for 6 <= t/],
    [String.raw`g(x) = \begin{cases} x^2 & x < 1 \\ 2 - x & x \ge 1 \end{cases}`, /x\^2 for x < 1; 2 - x for 1 <= x/],
    [String.raw`f(x) = 2 x^{3} - \frac{1}{2}x`, /f\(x\) = 2 x\^\(3\) - \(\(1\)\/\(2\)\)x/],
    ["C(q) = 90 + 7q dollars", "adds the function C(q) = 90 + 7q, in $, and its variable q, for now any number"],
    ["N0 = 1.2 million", "adds the given N0 = 1,200,000"],
    ["r = 5% per year", "adds the given r = 5 %/year"],
    ["u = 4 … 9 %", "adds the variable u, 4 % … 9 %"],
    ["u between 3 and 12 %", "adds the variable u, 3 % … 12 %"],
    ["u from 2.5 to 7 % per month", "adds the variable u, 2.5 % … 7 %/month"],
    ["u ∈ [4; 9] %", "adds the variable u, 4 % … 9 %"],
    ["v = 4 – 9 %", "adds the given v = 3.91"],
    ["u >= 3 %", "adds the variable u, 3 % … ∞"],
    ["g(x) = 2^3", "adds the function g(x) = 2^3, and its variable x, for now any number"],
    ["F = 180-20", "adds the given F = 160"],
    ["F = 2024-05-01", /^✗ `2024-05-01` is neither a number/],
    ["r = 5 percent", "adds the given r = 5 %"],
    ["r = 5 per cent per year", "adds the given r = 5 %/year"],
    // no word that joins others is what a formula is of
    ["F = 5 or 6", /^✗ `5 or 6` is neither a number nor a formula/],
    ["F = 20% off 80", /^✗ `20% off 80` is neither a number nor a formula/],
    ["a = sqrt(2)", "adds the given a = 1.41421356237"],
    ["b=2;c=3", "adds the given b = 2; adds the given c = 3"],
    ["h = 0 … m", "adds the variable h, 0 … ∞ m"],
    ["f(x) = 3 sin²(2x)", "adds the function f(x) = 3 sin(2x)^2, and its variable x, for now any number"],
    ["f(x) = cos^2 x", "adds the function f(x) = cos(x)^2, and its variable x, for now any number"],
    ["f(x) = arctan(x)", "adds the function f(x) = atan(x), and its variable x, for now any number"],
    ["f(x) = 3∛x + ³√(x+1)", /^adds the function f\(x\) = 3cbrt\(x\) \+ cbrt\(x\+1\), and its variable x/],
    ["f(x) = ⌈x/3⌉", "adds the function f(x) = ceil(x/3), and its variable x, for now any number"],
    // a fraction behind a whole number is added to it
    ["a = 2½", "adds the given a = 2.5"],
    ["a = 12¾ h", "adds the given a = 12.75 h"],
    ["f(x) = 2⅓x", "adds the function f(x) = (2+1/3)x, and its variable x, for now any number"],
    ["p: 0.5 $ … 12 $", "adds the variable p, $0.50 … $12"],
    ["x ∈ ℝ", "adds the variable x"],
    ["t in years from 0 to 30", "adds the variable t, 0 … 30 years"],
    ["let x be the number of kites", "adds the variable x, in kites, whole"],
    ["let t be the time in hours", "adds the variable t, in h"],
    ["Let d be the distance, measured in km", "adds the variable d, in km"],
    ["let p be the price in dollars", "adds the variable p, in $"],
    ["let w be the width of the field", "adds the variable w"],
    ["C = 90+7x, x from 0 to 250", /function C\(x\) = 90\+7x.*; changes the variable x, 0 … 250/],
    ["x ∈ [0, 300)", "adds the variable x, 0 … 300"],
    ["F = 180 dollars", "adds the given F = $180"],
    // a remark behind the number says what it is; it is no factor
    ["F = 180 (permit)", "adds the given F = 180, permit"],
    ["F = 180 $ (permit and workbench)", "adds the given F = $180, permit and workbench"],
    ["3/4 of 80", "= 60"],
    ["12 * 7 =", "= 84"],
    ["what is 15% of 80", "= 12"],
    ["2400 (1 + 2.9%/4)^12", "= 2,617.33042987"],
  ])("%s", (text, says) =>
    expect(said(text, "empty")).toEqual(says instanceof RegExp ? expect.stringMatching(says) : says),
  );

  it.each([
    ["z = 2 q", "adds the function z(q) = 2 q"],
    ["c = 5 $/jar", "adds the given c = $5/jar"],
    ["F = 240 + 60", "changes the given F = $300"],
    ["q >= 50", "changes the variable q, 50 … 400 jars, whole"],
    ["q = 0 … 500", "changes the variable q, 0 … 500 jars, whole"],
    ["P(200) - P(100)", "= $300"],
    ["F/k", "= 80 jars"],
    // $240 and a tenth of 1; who means a tenth more is told how to say so
    ["F + 10%", "= $240.10 (10% is 0.1; for 10% more write `F * 110%`)"],
    ["F - k - 5 %", "= $236.95 (5% is 0.05; for 5% less write `(F - k) * 95%`)"],
    ["1 + 5%", "= 1.05"],
  ])("stall: %s", (text, says) => expect(said(text, "stall")).toBe(says));
  it("a share typed as a fraction is one where that is nearer to what it was", () => {
    expect(said("r = 0.06", "growth")).toBe("changes the given r = 6 %/year");
    expect(said("r = 6", "growth")).toBe("changes the given r = 6 %/year");
  });
});

describe("questions in words", () => {
  it.each([
    ["maximize profit", `asks: where is profit P greatest, ${JARS}`],
    ["MAX PROFIT", `asks: where is profit P greatest, ${JARS}`],
    ["How many jars maximise profit?", `asks: where is profit P greatest, ${JARS}`],
    ["profit > 500", `asks: where is profit P above $500, ${JARS}`],
    ["profit is 300", `asks: where is profit P equal to $300, ${JARS}`],
    ["P(q) = 0", `asks: where is profit P equal to $0, ${JARS}`],
    ["solve R = C", `asks: where do revenue R and cost C meet, ${JARS}`],
    ["Find the break-even point.", `asks: where do revenue R and cost C meet, ${JARS}`],
    ["where is profit negative", `asks: where is profit P below $0, ${JARS}`],
    ["which is bigger, R or C", `asks: which of revenue R, cost C is least, ${JARS}`],
    ["profit if we sell 120 jars", "asks: what is profit P at 120 jars?"],
    ["how many jars for a profit of 300", `asks: where is profit P equal to $300, ${JARS}`],
    ["max P for 0 <= q <= 100", "asks: where is profit P greatest, for 0 … 100 jars?"],
    [
      "P at 5, 6 and 7",
      "asks: what is profit P at 5 jars?; and asks: what is profit P at 6 jars?; and asks: what is profit P at 7 jars?",
    ],
    ["R and C at 1,200", "asks: what is revenue R at 1,200 jars?; and asks: what is cost C at 1,200 jars?"],
    // A comma between two digits alone is a decimal one; a list has a space after it.
    ["P at 1,5", "asks: what is profit P at 1.5 jars?"],
    ["P at 1,5 and 2", "asks: what is profit P at 1.5 jars?; and asks: what is profit P at 2 jars?"],
    ["which is less, R or C?", `asks: which of revenue R, cost C is least, ${JARS}`],
    ["dP/dq at 100", "asks: how fast does profit P change at 100 jars?"],
    ["marginal cost at 100", "asks: how fast does cost C change at 100 jars?"],
    [
      "average cost at 100",
      "adds the function AC(q) = C(q)/q, in $/jar; and asks: what is average cost AC at 100 jars?",
    ],
    ["maximum of R - C", `adds the function D(q) = R - C, in $; and asks: where is D greatest, ${JARS}`],
    [
      "P between 100 and 200 ?",
      `asks: where is profit P at least $100, ${JARS}; and asks: where is profit P at most $200, ${JARS}`,
    ],
    [
      "profit above 500 and below 700",
      `asks: where is profit P above $500, ${JARS}; and asks: where is profit P below $700, ${JARS}`,
    ],
  ])("stall: %s", (text, says) => expect(said(text, "stall")).toBe(says));

  it.each([
    ["growth", "how long until it doubles", "asks: when has members N become 2 times what it is at the start?"],
    [
      "growth",
      "when does N become 4 times as large",
      "asks: when has members N become 4 times what it is at the start?",
    ],
    [
      "growth",
      "when does the club have 3000 members",
      "asks: where is members N equal to 3,000 members, for 0 … 40 years?",
    ],
    ["growth", "members in the year 2035", "asks: what is members N at 11 years?"],
    ["motion", "area under v", "asks: what is the total of speed of the cart v over 0 … 15 s?"],
    ["motion", "distance in the first 10 seconds", "asks: what is the total of speed of the cart v over 0 … 10 s?"],
    ["motion", "how high does it go", "asks: where is height of the rocket h greatest, for t = 0 … 15 s?"],
    ["motion", "how long is it above 100 m", "asks: where is height of the rocket h above 100 m, for t = 0 … 15 s?"],
    ["motion", "velocity at t=7", "asks: what is speed of the cart v at 7 s?"],
    [
      "plans",
      "when is the club card cheaper",
      "asks: which of club card A, single tickets B is least, for 0 … 60 visits?",
    ],
    ["plans", "cost of A for 20 visits", "asks: what is club card A at 20 visits?"],
    ["tea", "when does it reach 50 degrees?", "asks: where is temperature T equal to 50 °C, for t = 0 … 90 min?"],
    ["tea", "how hot after 5 minutes", "asks: what is temperature T at 5 min?"],
    ["tea", "when is the tea below 50 °C", "asks: where is temperature T below 50 °C, for t = 0 … 90 min?"],
  ])("%s: %s", (context, text, says) => expect(said(text, context)).toBe(says));
});

describe("functions with the names of the trade and no words", () => {
  const { entries } = readLines(["C = 90 + 7x; R = 15x", "P(x) = R - C"], CONTEXTS.empty!, understand);
  const source = entries.reduce(withEntry, CONTEXTS.empty!);
  it.each([
    ["break even?", "asks: where do R and C meet, for x = −∞ … ∞?"],
    ["max profit", "asks: where is P greatest, for x = −∞ … ∞?"],
    ["where do we lose money", "asks: where is P below 0, for x = −∞ … ∞?"],
  ])("%s", (text, says) => {
    const read = understand(text, source);
    expect(read.kind === "refused" ? read.message : read.says).toBe(says);
  });
});

describe("what is refused says why, and proposes only what is taken", () => {
  it.each([
    ["empty", "ln = 4", /`ln` is the name of a built-in function/],
    ["empty", "3x + 2", /Give it a name: `f\(x\) = 3x \+ 2`/],
    ["empty", "hello?", /no function to ask about yet/],
    ["empty", "maximize 6x + 4y", /an objective of a plan: write it in the Plan view/],
    ["empty", "2x + 3y <= 240", /a constraint of a plan/],
    // What is a factorial is not read without its mark.
    ["empty", "5!", /no factorials here/],
    ["empty", "F = 3!", /no factorials here/],
    ["empty", "f(n) = n!", /no factorials here/],
    ["stall", "what is 4! ?", /no factorials here/],
    ["empty", "F = 5-10", /read in two ways/],
    ["empty", "f(x) = log(x)", /read in two ways: write `ln`/],
    ["empty", "f(x) = if(x > 3, 1, 2)", /written as pieces/],
    ["stall", "max?", /Which function is meant: p, R, C, P\?/],
    ["stall", "q = 5", /`q` is the variable/],
    ["stall", "P != 0", /asks where two things differ/],
    ["stall", "F = F + 1", /cannot be told by itself/],
    ["stall", "profit unless it rains", /not understood/],
    ["stall", "P not 0", /not understood/],
    ["growth", "max N by moonlight", /`moonlight` is not understood here/],
    ["stall", "T = 1h30", /^Hours and minutes are one number here: write `T = 90 min`\.$/],
    ["stall", "h(q) = line (240, 6), (1501e308, 9)", /larger than any that can be worked with/],
    ["stall", "greatst P ?", /Perhaps `greatest P \?` was meant/],
    // `root` is a function, not a slip of `roots`; a mended word is not mended again.
    ["stall", "((root(2, 3))^2) (root(-(12.5%), 2)) = C ?", /has no value/],
    ["stall", "greates rootz greates P", /not understood/],
  ])("%s: %s", (context, text, message) => {
    const read = understand(text, CONTEXTS[context]!);
    expect(read.kind === "refused" && read.message).toMatch(message);
    const proposals = [...(read.kind === "refused" ? read.message : "").matchAll(/`([^`]*[=?][^`]*)`/g)].map(
      (m) => m[1]!,
    );
    for (const line of proposals.filter((p) => p !== text && p !== "!="))
      expect([line, understand(line, CONTEXTS[context]!).kind]).toEqual([line, "entries"]);
  });
  it("no message shows a path of the file", () => {
    for (const context of Object.keys(CONTEXTS))
      for (const text of ["q = 5", "P = q t", "x = x", "C = C(C)", "t = 5", "N(t) = N(t) + 1", "A(x) = B(y)"])
        expect([context, text, said(text, context)]).not.toEqual([
          context,
          text,
          expect.stringMatching(/\w+\[\d+\]\./),
        ]);
  });
});

describe("two ways in which a line can be meant", () => {
  const both = (text: string) => {
    const read = understand(text, CONTEXTS.stall!);
    return read.kind === "entries" && [read.says, read.or?.says ?? null];
  };
  it.each([
    ["R = C", `asks: where do revenue R and cost C meet, ${JARS}`, "changes the function R(q) = C, in $"],
    ["P = 0", `asks: where is profit P equal to $0, ${JARS}`, null],
    ["R = C ?", `asks: where do revenue R and cost C meet, ${JARS}`, null],
    ["P(q) = 0", `asks: where is profit P equal to $0, ${JARS}`, null],
    ["R > C", `asks: which of revenue R, cost C is least, ${JARS}`, null],
    [
      "P = 200 for q > 50",
      "asks: where is profit P equal to $200, for 50 … 400 jars?",
      "changes the function P(q) = 200 for 50 < q, in $",
    ],
    ["P = 3q for q < 5", "changes the function P(q) = 3q for q < 5, in $", null],
  ])("%s", (text, says, or) => expect(both(text)).toEqual([says, or]));
});

describe("several lines", () => {
  it("are read one after another, up to the first that cannot be", () => {
    const { entries, ...left } = readLines(
      ["x from 0 to 250", "C = 90 + 7x", "R = 15x", "break even?", "asdf qwer", "F = 1"],
      CONTEXTS.empty!,
      understand,
    );
    expect(entries.map((e) => e.kind)).toEqual(["variable", "function", "function", "question"]);
    expect(left).toEqual({ stopped: "asdf qwer", rest: ["F = 1"] });
  });
  it("what the strict reader takes is understood the same", () => {
    for (const text of [
      "R = C ?",
      "greatest P ?",
      "P = 0, 100 or -50 ?",
      "P(100), P(200) ?",
      "q1 ?",
      "rate P on 100 … 150 ?",
      "total P over 0 … 100 ?",
      "compare R, C ?",
      "P(100) ?",
    ]) {
      const strict = interpret(text, CONTEXTS.stall!);
      const read = understand(text, CONTEXTS.stall!);
      expect(read.kind === "entries" && read.entries[0]).toEqual(strict.ok && strict.entry);
    }
  });
});
