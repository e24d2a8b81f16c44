import { describe, expect, it } from "vitest";
import type { Question } from "../model";
import { analyse } from "../question";
import { picture } from ".";

const captionOf = (f: string, range: { from?: number; to?: number }, question: Question) =>
  picture(
    analyse({
      format: "pasear-case",
      version: 1,
      title: "t",
      variables: [{ name: "x", ...range }],
      functions: [
        { name: "f", of: "x", by: { kind: "formula", text: f } },
        { name: "g", of: "x", by: { kind: "formula", text: "0.5" } },
      ],
      questions: [question],
    }),
  )!.caption;
const MEET: Question = { id: "q1", ask: "meet", functions: ["f", "g"] };
const GREATEST: Question = { id: "q2", ask: "greatest", function: "f" };

// What a caption calls all there is must be all there is.
describe("what a graph is framed to show", () => {
  it.each([
    ["x^2", { from: -3, to: 3 }, MEET, "framed to show both meeting points"],
    ["x", { from: -3, to: 3 }, MEET, "framed to show the meeting point"],
    ["x (x - 1) (x + 1) + 0.5", { from: -3, to: 3 }, MEET, "framed to show all 3 meeting points"],
    // 30° and 150° are two of very many
    ["sin(x)", {}, MEET, "framed to show 2 meeting points"],
    // one is beyond the range, where not all are looked for
    ["x^2", { from: 0, to: 3 }, MEET, "framed to show 2 meeting points and the limit"],
    ["1 - x^2", { from: -3, to: 3 }, GREATEST, "framed to show the peak"],
    ["x", { from: 5, to: 9 }, MEET, "framed to the range of x"],
  ] as const)("%s, %j, %j", (f, range, question, says) => {
    expect(captionOf(f, range, question)).toBe(says);
  });
  it("what is not settled is one of those there may be", () => {
    // Beside 1,024 the waves under the root were not looked at.
    const waves = "sqrt(sin(x + x^2 / 10^9)) + 0.3 floor(x)";
    expect(captionOf(waves, { from: 0 }, MEET)).toMatch(/^framed to show (a meeting point|\d+ meeting points)$/);
  });
});
