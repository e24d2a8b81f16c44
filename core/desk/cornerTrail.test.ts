import { describe, expect, it } from "vitest";
import type { CaseFile } from "../model";
import { cornerTrail } from "./cornerTrail";

const text = "There are M minutes, at most 240 sheets of paper, and 20 sky lanterns are ordered.";
const mark = (phrase: string, of: string) => {
  const start = text.indexOf(phrase);
  return { start, end: start + phrase.length, role: "limit" as const, of };
};
const source: CaseFile = {
  format: "pasear-case",
  version: 1,
  title: "T",
  story: { text, marks: [mark("M minutes", "M"), mark("at most 240 sheets", "A"), mark("20 sky lanterns", "C")] },
  givens: [
    { name: "M", value: 320 },
    { name: "N", value: 1 },
  ],
  plan: {
    variables: [{ name: "x" }, { name: "y" }],
    constraints: [
      { id: "A", text: "2 x + 3 y <= 240" },
      { id: "B", text: "4 x + 2 y <= M" },
      { id: "C", text: "y >= 20" },
    ],
  },
};

describe("what a corner of a plan rests on", () => {
  it("the constraints that meet there, their givens, and the words of both", () => {
    expect(cornerTrail(["B", "A"], source)).toEqual({
      constraints: ["A", "B"],
      givens: ["M"],
      phrases: ["M minutes", "at most 240 sheets"],
    });
  });
  it("a given that only another constraint uses is not part of it", () => {
    expect(cornerTrail(["C"], source)).toEqual({ constraints: ["C"], givens: [], phrases: ["20 sky lanterns"] });
  });
  it("an axis is no constraint, and a case without a story has no words", () => {
    const { story: _, ...silent } = source;
    expect(cornerTrail(["x", "A"], silent)).toEqual({ constraints: ["A"], givens: [], phrases: [] });
  });
});
