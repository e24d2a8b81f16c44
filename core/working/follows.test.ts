import { describe, expect, it } from "vitest";
import { problems } from "../../bench/worked";
import { oneQuestion } from "../question/oneQuestion.fixture";
import { analyse, workingOf } from "../question";

/** The lines of a problem of our own. */
const lines = ({ range: [from, to], functions, question }: ReturnType<typeof problems>[number]) => {
  const source = oneQuestion(functions, question, { from, to });
  const { model, findings } = analyse(source);
  return workingOf(source.questions[0], findings[0]!, model, () => null);
};

describe("each line of algebra tells what it rests on", () => {
  const all = problems().map((p) => ({ title: p.title, steps: lines(p) }));
  it("the statement before it stands in a line above, alone or as one of several", () => {
    for (const { title, steps } of all)
      for (const [i, { follows }] of steps.entries()) {
        if (!follows) continue;
        const above = steps.slice(0, i).map((s) => s.text);
        // A part that was named, u for e^x, is worked by itself; its first line is told in words.
        const isTold = above.some((text) => text === follows.before || text.split(" or ").includes(follows.before));
        expect([title, follows.before, isTold || above.some((text) => text.includes(follows.before))]).toEqual([
          title,
          follows.before,
          true,
        ]);
      }
  });
  it("a slope names what it is the slope of, and a total's function what it has for its slope", () => {
    const steps = all.flatMap((p) => p.steps);
    for (const [rule, how] of [
      ["slope", "slope"],
      ["antiderivative", "sum"],
    ]) {
      const own = steps.filter((s) => s.rule === rule);
      expect([rule, own.length > 3]).toEqual([rule, true]);
      expect(own.filter((s) => s.follows?.how !== how)).toEqual([]);
    }
    const line = lines({
      range: [0, 4],
      functions: { R: "3 x^2 - x" },
      question: { ask: "total", function: "R", between: [1, 3] },
    } as unknown as ReturnType<typeof problems>[number]).find((s) => s.rule === "antiderivative");
    expect(line?.follows).toEqual({ before: "3 x^2 - x", how: "sum", on: "1 ≤ x ≤ 3" });
  });
  it("what is squared may bring answers in, and says so", () => {
    const how = new Map<string, Set<string>>();
    for (const { rule, follows } of all.flatMap((p) => p.steps))
      if (follows) how.set(rule, (how.get(rule) ?? new Set()).add(follows.how));
    expect([...how.keys()].length).toBeGreaterThan(15);
    expect([...how.get("square both sides")!]).toEqual(["brings"]);
    for (const rule of ["collect", "divide", "quadratic formula", "discriminant", "substitution"])
      expect([rule, ...how.get(rule)!]).toEqual([rule, "same"]);
  });
});
