import { describe, expect, it } from "vitest";
import type { CaseFile, Question } from "../model";
import { buildModel } from "../model";
import { changeSlot, questionParts, slotOf, slotText, type Slot } from ".";
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

describe("what is typed in place of a part, in percent", () => {
  const model = buildModel(source({ ask: "greatest", function: "A" }));
  const { variables: _none, ...bare } = source({ ask: "greatest", function: "A" });
  const inMetres = buildModel({ ...bare, variables: [{ name: "r", unit: "m" }] });
  const change = (q: object, slot: Slot, typed: string, on = model) => {
    const result = changeSlot({ id: "q", ...q } as Question, slot, typed, on);
    return result.ok ? result.question : result.message;
  };
  it.each([
    [{ ask: "value", function: "A", at: 0.1 }, "at", "6", { at: 0.06 }],
    [{ ask: "value", function: "A", at: 0.1 }, "at", "0.06", { at: 0.06 }],
    [{ ask: "value", function: "A", at: 0.1 }, "at", "300 %", { at: 3 }],
    [{ ask: "total", function: "A", between: [0, 0.1] }, "between", "0.5 … 7", { between: [0.005, 0.07] }],
    [{ ask: "total", function: "A", between: [0, 0.1] }, "between", "3 % … 9", { between: [0.03, 0.09] }],
    [{ ask: "greatest", function: "A" }, "range", "3 … 9", { from: 0.03, to: 0.09 }],
    // A itself is no percentage
    [{ ask: "reach", function: "A", value: 1200 }, "value", "1500", { value: 1500 }],
  ] as [object, Slot, string, object][])("%o, %s: %s", (q, slot, typed, wanted) =>
    expect(change(q, slot, typed)).toMatchObject(wanted),
  );
  it("a number in metres is left alone", () => {
    expect(change({ ask: "value", function: "A", at: 1 }, "at", "6", inMetres)).toMatchObject({ at: 6 });
  });
  it.each([
    [{ ask: "value", function: "A", at: 0.07 }, "at", "7 %"],
    [{ ask: "total", function: "A", between: [0.03, 0.085] }, "between", "3 % … 8.5 %"],
    [{ ask: "greatest", function: "A", from: 0.03, to: 0.09 }, "range", "3 % … 9 %"],
    [{ ask: "greatest", function: "A" }, "range", "2 % … 14 %"],
    [{ ask: "reach", function: "A", value: 1200 }, "value", "1200"],
  ] as [object, Slot, string][])("the field of %o, %s, opens with %s", (q, slot, wanted) => {
    const question = { id: "q", ...q } as Question;
    const said = questionParts(question, model).find((p) => p.slot === slot)!.text;
    expect(slotText(slotOf(question, slot)!, question, said)).toBe(wanted);
    // and says the same when it is kept as it is
    expect(changeSlot(question, slot, wanted, model)).toMatchObject({ ok: true });
  });
});
