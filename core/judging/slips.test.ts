import { describe, expect, it } from "vitest";
import { judgedLines } from "./own.fixture";
import { WRONG } from "./slips";

const slip = (left: string, right: string, line: string): string | null =>
  judgedLines({ R: left, C: right }, { ask: "meet", functions: ["R", "C"] }, [line], { from: -50, to: 1000 })[0]!.slip;
const slopeSlip = (body: string, told: string): string | null =>
  judgedLines({ P: body }, { ask: "greatest", function: "P" }, [`P'(x) = ${told}`], { from: 0.5, to: 20 })[0]!.slip;

// One row and more for each slip of the table: the line above, the slip, and what is said.
const ROWS: readonly (readonly [left: string, right: string, line: string, said: RegExp])[] = [
  ["ln(x + 3)", "2", "ln(x) + ln(3) = 2", /logarithm of a sum/],
  ["sqrt(x + 9)", "5", "sqrt(x) + 3 = 5", /root of a sum/],
  ["exp(x + 1)", "9", "exp(x) + exp(1) = 9", /e to a sum is the product/],
  ["(x + 3)^2", "25", "x^2 + 9 = 25", /middle term/],
  ["(x - 3)^2", "25", "x^2 + 9 = 25", /middle term/],
  ["14x - (180 + 2.5x)", "0", "14x - 180 + 2.5x = 0", /bracket is not closed over all/],
  ["3 (x + 4)", "21", "3x + 4 = 21", /factor before a bracket is for every term/],
  ["(x + 4) 3", "21", "x + 12 = 21", /factor before a bracket is for every term/],
  ["12/(x + 2)", "3", "12/x + 6 = 3", /never by its denominator/],
  ["(x + 8)/4", "3", "x/4 + 8 = 3", /denominator is for every term/],
  ["5*1.2^x", "30", "6^x = 30", /power comes before the product/],
  ["2^x^2", "16", "2^(x + 2) = 16", /.*/],
  ["x + 7", "3x", "7 = 4x", /A sign: look at/],
  ["2x + 3", "11", "2x = 14", /A sign: look at 3/],
  ["4x", "20", "x = 20", /Both sides are divided by 4/],
  ["x/4", "20", "x = 20", /Both sides are multiplied by 4/],
  ["x + 6", "20", "x = 20", /6 is added to both sides|A sign/],
];

describe("the slip is named", () => {
  it.each(ROWS.filter(([, , , said]) => said.source !== ".*"))("%s = %s, then %s", (left, right, line, said) =>
    expect(slip(left, right, line)).toMatch(said),
  );
  it("every slip of the table has a row", () => {
    const said = ROWS.map(([left, right, line]) => slip(left, right, line));
    const missing = WRONG.filter((w) => !said.includes(w.says)).map((w) => w.says);
    expect(missing).toEqual(["Powers of one base are multiplied by adding their exponents."]);
  });
  it("powers of one base", () =>
    expect(slip("(1.1^x)^2", "3", "1.1^(x + 2) = 3")).toBe(
      "Powers of one base are multiplied by adding their exponents.",
    ));
  it.each<[string, string, RegExp]>([
    ["3x^2 + 5x", "3x + 5", /exponent comes down as a factor/],
    ["3x^2 + 5x", "6x^2 + 5x", /exponent goes down by one/],
    ["3x^2 + 5x + 7", "6x + 12", /slope of a number alone is 0/],
    ["3x^2 + 5x", "-6x - 5", /A sign/],
    ["x exp(-x)", "-exp(-x)", /slope of a product/],
    ["ln(x)/x", "1/x", /slope of a quotient/],
    ["exp(0.1x)", "exp(0.1x)", /what is inside is still a factor/],
    ["(2x + 1)^1.5", "1.5 (2x + 1)^0.5", /what is inside is still a factor/],
  ])("the slope of %s is not %s", (body, told, said) => expect(slopeSlip(body, told)).toMatch(said));
  it("a root with one sign, and a division by what is 0, are told apart", () => {
    const lost = (f: string, value: number, line: string) =>
      judgedLines({ f }, { ask: "reach", function: "f", value }, [line])[0]!.slip;
    expect(lost("(x - 3)^2", 16, "x - 3 = 4")).toMatch(/square root has two signs/);
    expect(lost("x^2 - 5x", 0, "x = 5")).toMatch(/divided by something that is 0 at x = 0/);
    const divided = judgedLines({ R: "x^2", C: "5x" }, { ask: "meet", functions: ["R", "C"] }, ["x = 5"])[0]!.slip;
    expect(divided).toMatch(/divided by something that is 0 at x = 0/);
  });
  it("a line that is right has none", () => expect(slip("2x + 3", "11", "2x = 8")).toBeNull());
});
