import { describe, expect, it } from "vitest";
import { oneQuestion } from "../question/oneQuestion.fixture";
import { analyse, workingOf } from "../question";

/** The lines below the definition, above the sentence. */
function lines(text: string, value: number, range = "0 … 20"): string[] {
  const [from, to] = range.split("…").map((t) => (t.trim() === "" ? undefined : Number(t)));
  const source = oneQuestion({ f: text }, { ask: "reach", function: "f", value }, { from, to });
  const { model, findings } = analyse(source);
  return workingOf(source.questions[0], findings[0]!, model, () => null)
    .filter((s) => !["names", "definition", "sentence"].includes(s.rule))
    .map((s) => s.text);
}

describe("an equation of a stair is read off it", () => {
  it.each([
    ["floor(x/3)", 2, "0 … 20", ["floor(x/3) = 2", "2 <= x/3 < 3", "6 <= x < 9"]],
    ["floor(x)", 2, "…", ["floor(x) = 2", "2 <= x < 3"]],
    ["ceil(x)", -1, "…", ["ceil(x) = -1", "-2 < x <= -1"]],
    // a half goes away from 0
    ["round(x)", 2, "…", ["round(x) = 2", "1.5 <= x < 2.5"]],
    ["round(x)", -2, "…", ["round(x) = -2", "-2.5 < x <= -1.5"]],
    ["round(x)", 0, "…", ["round(x) = 0", "-0.5 < x < 0.5"]],
    // what stands around it is taken away first; a falling line turns the ends round
    [
      "4.5 + 2.5 ceil(x/3 - 1)",
      12,
      "0 … 20",
      ["4.5 + 2.5 ceil(x/3 - 1) = 12", "ceil(x/3 - 1) = 3", "2 < x/3 - 1 <= 3", "9 < x <= 12"],
    ],
    [
      "7 - round(2 - x)",
      9,
      "-3 … 20",
      ["7 - round(2 - x) = 9", "round(2 - x) = -2", "-2.5 < 2 - x <= -1.5", "3.5 <= x < 4.5"],
    ],
    ["floor(x)/4", 1, "…", ["floor(x)/4 = 1", "floor(x) = 4", "4 <= x < 5"]],
    // no whole number, and what lies outside of the range
    ["4.5 + 2.5 ceil(x/3 - 1)", 13, "0 … 20", ["4.5 + 2.5 ceil(x/3 - 1) = 13", "ceil(x/3 - 1) = 3.4", "no solution"]],
    ["floor(x)", 30, "0 … 20", ["floor(x) = 30", "30 <= x < 31", "no solution"]],
    ["floor(x)", -3, "0 … 20", ["floor(x) = -3", "-3 <= x < -2", "no solution"]],
    ["floor(x)", 20, "0 … 20", ["floor(x) = 20", "20 <= x < 21", "x = 20"]],
    [
      "3 floor(x/7)",
      3,
      "3 … 11",
      ["3 floor(x/7) = 3", "floor(x/7) = 1", "1 <= x/7 < 2", "7 <= x < 14", "7 <= x <= 11"],
    ],
  ])("%s = %s on %s", (text, value, range, wanted) => expect(lines(text, value, range)).toEqual(wanted));

  it("what is no multiple of one stair of a line is worked in other ways, or not at all", () => {
    for (const text of ["floor(x^2)", "floor(x) + x", "floor(x) floor(x/2)", "exp(floor(x))"])
      expect(lines(text, 3).filter((t) => t.includes("<"))).toEqual([]);
  });
});
