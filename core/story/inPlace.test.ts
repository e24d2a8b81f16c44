import { questionText, changeSlot } from "../question";
import { describe, expect, it } from "vitest";
import fc from "fast-check";
import { buildModel, type CaseFile, type Question } from "../model";
import { shiftMarks, storyRuns, suggestions } from "./index";
import { stall } from "./stall.fixture";

describe("parts of a question changed in place", () => {
  const model = buildModel(stall);
  const q: Question = { id: "a", ask: "where", function: "P", relation: ">=", value: 500 };
  it.each([
    ["value", "600", { value: 600 }],
    ["value", "2 F", { value: "2 F" }],
    ["relation", "<", { relation: "<" }],
    ["range", "10 … 20", { from: 10, to: 20 }],
    ["function", "R", { function: "R" }],
    ["value", "whole answer of b", { value: { of: "b", pick: "whole" } }],
  ] as const)("%s becomes %s", (slot, text, wanted) =>
    expect(changeSlot(q, slot, text, model)).toMatchObject({ ok: true, question: wanted }),
  );
  it.each([
    ["value", "2 G"],
    ["function", "Z"],
    ["range", "10"],
    ["relation", "~"],
  ] as const)("%s cannot become %s", (slot, text) => expect(changeSlot(q, slot, text, model).ok).toBe(false));
  it("an emptied range is the whole range again", () =>
    expect(changeSlot({ ...q, from: 1, to: 2 }, "range", "", model)).toEqual({ ok: true, question: q }));
  it("reads as a sentence", () =>
    expect(questionText(q, model)).toBe("Where is P at least $500, for 0 … 320 lanterns?"));
});

describe("questions the model suggests", () => {
  const offers = (c: CaseFile) => suggestions(buildModel(c)).map((s) => s.says);
  it("revenue and cost meet, a profit is 0 and greatest", () =>
    expect(offers(stall)).toEqual([
      "Where do R and C meet, for 0 … 320 lanterns?",
      "Where is P equal to $0, for 0 … 320 lanterns?",
      "Where is P greatest, for 0 … 320 lanterns?",
      "Where is R greatest, for 0 … 320 lanterns?",
    ]));
  it("what was asked is not offered again", () =>
    expect(
      offers({
        ...stall,
        questions: [
          { id: "q1", ask: "meet", functions: ["C", "R"] },
          { id: "q2", ask: "greatest", function: "P" },
        ],
      }),
    ).toEqual(["Where is P equal to $0, for 0 … 320 lanterns?", "Where is R greatest, for 0 … 320 lanterns?"]));
  it("growth doubles, a speed makes a way", () => {
    const growth: CaseFile = {
      ...stall,
      functions: [
        { name: "N", of: "t", by: { kind: "formula", text: "50*1.1^t" } },
        { name: "v", of: "t", unit: "m/s", by: { kind: "formula", text: "3 t" } },
      ],
      variables: [{ name: "t", unit: "s", from: 0, to: 20 }],
    };
    expect(offers(growth)).toEqual([
      "What is the total of v over 0 … 20 s?",
      "When has N become 2 times what it is at the start?",
    ]);
  });
});

describe("marks move with the text", () => {
  const text = "Permit costs $180, paper $2.50.";
  const marks = [
    { start: 13, end: 17, role: "given" as const, of: "F" },
    { start: 25, end: 30, role: "given" as const, of: "k" },
  ];
  const after = (next: string) => shiftMarks(marks, text, next).map((m) => next.slice(m.start, m.end));
  it("an edit before, between, inside and over them", () => {
    expect(after(`The ${text}`)).toEqual(["$180", "$2.50"]);
    expect(after("Permit costs $180, and paper $2.50.")).toEqual(["$180", "$2.50"]);
    expect(after("Permit costs $1,980, paper $2.50.")).toEqual(["$1,980", "$2.50"]);
    expect(after("Permit is free, paper $2.50.")).toEqual(["$2.50"]);
  });
  it("no edit puts a mark outside the text, and untouched words stay marked", () => {
    fc.assert(
      fc.property(fc.nat(text.length), fc.nat(text.length), fc.string({ maxLength: 8 }), (a, b, put) => {
        const [from, to] = [Math.min(a, b), Math.max(a, b)];
        const next = text.slice(0, from) + put + text.slice(to);
        const moved = shiftMarks(marks, text, next);
        for (const m of moved) expect(m.start >= 0 && m.end <= next.length && m.start < m.end).toBe(true);
        if (from >= 30 || to <= 13)
          expect(
            moved.map((m) => next.slice(m.start, m.end)).filter((w) => ["$180", "$2.50"].includes(w)).length,
          ).toBeGreaterThanOrEqual(to <= 13 ? 2 : 2);
      }),
    );
  });
  it("the runs put together are the text", () =>
    expect(
      storyRuns(text, marks)
        .map((r) => r.text)
        .join(""),
    ).toBe(text));
});
