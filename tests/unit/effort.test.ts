import { sentenceOf, analyse, answer } from "#core/question";
import { describe, expect, it } from "vitest";
import { Exhausted, besides, spend, stepsLeft, within } from "#core/numeric";
import { buildModel, type CaseFile, type Question } from "#core/model";
import { manySteps } from "../shared/manySteps";

describe("work is counted", () => {
  it("what is used inside is taken from what is around it", () => {
    within(100, () => {
      within(50, () => spend(30));
      expect(stepsLeft()).toBe(70);
      expect(() => within(50, () => spend(51))).toThrow(Exhausted);
      expect(stepsLeft()).toBe(20);
      expect(() => spend(21)).toThrow(Exhausted);
    });
    expect(stepsLeft()).toBe(Infinity);
  });
  it("a courtesy gets a share, and its end is not the end of the question", () =>
    within(90, () => {
      expect(
        besides(() => {
          spend(31);
          return "more";
        }, "nothing"),
      ).toBe("nothing");
      expect(stepsLeft()).toBe(60);
    }));
});

const STAIRS = manySteps(1);
const CASE: CaseFile = {
  ...STAIRS,
  functions: [...STAIRS.functions!, { name: "f", of: "x", by: { kind: "formula", text: "exp(ceil((0.1 - x)^4))" } }],
  questions: [...STAIRS.questions!, { id: "q2", ask: "meet", functions: ["f", "g"] }],
};
const settled = (q: Question, effort: number) => answer(q, buildModel(CASE), () => null, effort);

describe("a question that takes more work than it is given", () => {
  const [value, , meet] = CASE.questions!;
  it("is cut, says so, claims nothing, and leaves the others alone", () => {
    const { findings, model } = analyse(CASE);
    expect(findings[1]).toMatchObject({ status: "cut", complete: false });
    expect(sentenceOf(findings[1]!, model)).toBe(
      "Not settled: cut short, since it takes more work than one question is given.",
    );
    expect(findings[0]).toMatchObject({ status: "found", complete: true, value: -4 });
  });
  it("is settled when it is given more", () => {
    expect(settled(meet!, 1e4)).toMatchObject({ status: "cut" });
    // exp(n) is above 0, and g falls from 8 to −12: they could meet only where g is 1 or more, at x ≤ −1.5.
    expect(settled(meet!, 1e8)).toMatchObject({ complete: true, status: "none" });
    expect(settled(value!, 1e5)).toMatchObject({ status: "found", value: -4 });
  });
  it("how far a case is, is told before each question; more work only for those that are named", () => {
    const told: string[] = [];
    const soFar: string[] = [];
    const { findings } = analyse(
      { ...CASE, questions: [value!, meet!] },
      {
        longer: ["q2"],
        before: ({ done, of, id }, part) => {
          told.push(`${done}/${of} ${id}`);
          soFar.push(
            part()
              .findings.map((f) => f.id)
              .join(),
          );
        },
      },
    );
    expect(soFar).toEqual(["", "q0"]);
    expect(told).toEqual(["0/2 q0", "1/2 q2"]);
    expect(findings.map((f) => f.status)).not.toContain("cut");
  });
});
