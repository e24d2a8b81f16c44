import { describe, expect, it } from "vitest";
import type { CaseFile } from "../model";
import { comparedCases } from "./index";

const before: CaseFile = {
  format: "pasear-case",
  version: 1,
  title: "Stall",
  givens: [
    { name: "F", value: 180, unit: "$", label: "permit" },
    { name: "k", value: 2.5, unit: "$/lantern" },
  ],
  variables: [{ name: "q", from: 0, to: 320, unit: "lantern" }],
  functions: [
    { name: "C", of: "q", by: { kind: "formula", text: "F + k q" } },
    { name: "R", of: "q", by: { kind: "formula", text: "6 q" } },
  ],
  questions: [
    { id: "q1", ask: "meet", functions: ["R", "C"] },
    { id: "q2", ask: "value", function: "C", at: 10 },
  ],
};

describe("two states of a case", () => {
  it("that say the same have nothing otherwise", () => {
    expect(comparedCases(before, structuredClone(before))).toEqual({
      givens: [],
      functions: [],
      findings: [],
      others: [],
    });
  });
  it("a given that was changed, with what it does to the findings: 180/3.5 = 51.43, 90/3.5 = 25.71", () => {
    const after = { ...before, givens: [{ ...before.givens![0]!, value: 90 }, before.givens![1]!] };
    const found = comparedCases(before, after);
    expect(found.givens).toEqual([{ name: "F", what: "permit", before: "$180", after: "$90" }]);
    expect(found.functions).toEqual([]);
    expect(found.findings.map((f) => f.name)).toEqual(["q1", "q2"]);
    expect(found.findings[0]!.before).toContain("51.4286");
    expect(found.findings[0]!.after).toContain("25.7143");
    expect(found.findings[1]!).toMatchObject({
      before: expect.stringContaining("205"),
      after: expect.stringContaining("115"),
    });
  });
  it("a function that was changed, one that is new, one that is gone; and parts that are not listed", () => {
    const after: CaseFile = {
      ...before,
      title: "Stall by the bridge",
      functions: [
        { name: "C", of: "q", by: { kind: "formula", text: "F + 2 k q" } },
        { name: "P", of: "q", by: { kind: "formula", text: "6 q - C" } },
      ],
      questions: [{ id: "q2", ask: "value", function: "C", at: 10 }],
      story: { text: "Dearer paper." },
    };
    const found = comparedCases(before, after);
    expect(found.functions.map((f) => [f.name, f.before === null, f.after === null])).toEqual([
      ["C", false, false],
      ["P", true, false],
      ["R", false, true],
    ]);
    expect(found.findings.map((f) => [f.name, f.after === null])).toEqual([
      ["q2", false],
      ["q1", true],
    ]);
    expect(found.others).toEqual(["the title", "the story"]);
  });
});
