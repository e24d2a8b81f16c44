import { describe, expect, it } from "vitest";
import type { CaseFile, Question } from "../model";
import { analysed, saidOf } from "./full.fixture";

// Inputs of a variable in percent are told in percent, in refusals and reasons as in answers.
// A = 1000 (1 + r)^7; B = 1/(r − 5 %), with its pole at 5 %.
const source = (question: object): CaseFile => ({
  format: "pasear-case",
  version: 1,
  title: "Rates",
  variables: [{ name: "r", unit: "%", from: 0.02, to: 0.14 }],
  functions: [
    { name: "A", of: "r", by: { kind: "formula", text: "1000 (1 + r)^7" } },
    { name: "B", of: "r", by: { kind: "formula", text: "1/(r - 0.05)" } },
  ],
  questions: [{ id: "q", ...question } as Question],
});

describe("inputs in percent", () => {
  it.each([
    // 1.2^7 = 3.5831808
    [{ ask: "value", function: "A", at: 0.2 }, "A(20 %) is 3,583.18. 20 % lies above the range of r, 14 %."],
    [{ ask: "value", function: "B", at: 0.05 }, "B has no value at r = 5 %."],
    // 1/0.008 = 125
    [{ ask: "reach", function: "B", value: 125 }, "B is 125 at r = 5.8 %."],
    [{ ask: "rate", function: "B", at: 0.05 }, "B has no slope at r = 5 %: it has a corner, a jump or no value there."],
    [
      { ask: "total", function: "B", between: [0.03, 0.08] },
      "B has no bound near r = 5 %, and neither has what is summed; no total can be given.",
    ],
    [{ ask: "greatest", function: "A", from: 0.09, to: 0.04 }, "The range asked for starts at 9 %, after its end 4 %."],
    [
      { ask: "rate", function: "A", between: [0.04, 0.04] },
      "An average rate needs two different inputs; both are r = 4 %.",
    ],
  ])("%o", (question, says) => {
    const { findings, model } = analysed(source(question));
    const [f] = findings;
    expect(f!.status === "error" ? f!.message : saidOf(f!, model)).toBe(says);
  });

  it("what lies beyond the range is set aside for a reason in percent", () => {
    // (1 + r)^7 = 1 at r = 0, below 2 %
    const [f] = analysed(source({ ask: "reach", function: "A", value: 1000 })).findings;
    expect(f).toMatchObject({ setAside: [{ at: 0, reason: "below the range of r, 2 %" }] });
  });

  it("a range the wrong way round", () => {
    const turned = {
      ...source({ ask: "greatest", function: "A" }),
      variables: [{ name: "r", unit: "%", from: 0.09, to: 0.04 }],
    };
    expect(analysed(turned).model.errors[0]!.message).toBe(
      "The range of `r` starts at 9 %, after its end 4 %; exchange the two.",
    );
  });
});
