import { describe, expect, it } from "vitest";
import type { FunctionRow, Question } from "../model";
import { caseOf, formula } from "./cases.fixture";
import { analysed as analyse, saidOf } from "./full.fixture";

/** 0 throughout, which nothing here proves. */
const DOUBT = "sin(x)^2 + cos(x)^2 - 1";
const piece = (text: string, from: number, to: number, ends: "[)" | "[]") => ({ text, from, to, ends });
const FUNCTIONS: FunctionRow[] = [
  { name: "f", of: "x", by: { kind: "pieces", pieces: [piece(DOUBT, 0, 1, "[)"), piece("x - 5", 1, 9, "[]")] } },
  formula("h", DOUBT),
  formula("g", "3 x + 1"),
];
const told = (...questions: readonly Question[]) => {
  const { findings, model } = analyse(
    caseOf(FUNCTIONS, [...questions], { variables: [{ name: "x", from: 0, to: 9 }] }),
  );
  const last = findings[findings.length - 1]!;
  return [last.status, last.complete, saidOf(last, model)];
};

describe("an answer that rests on an earlier one", () => {
  // f is 0 at 5, and perhaps before 1.
  const first: Question = { id: "first", ask: "reach", function: "f", value: 0 };
  const RESTS = "This rests on the answer of `first`, which is not settled.";
  it("is not proven where the earlier one is not", () => {
    expect(told(first, { id: "q", ask: "value", function: "g", at: { of: "first" } })).toEqual([
      "found",
      false,
      `g(5) is 16. ${RESTS}`,
    ]);
    const where: Question = { id: "q", ask: "where", function: "g", relation: ">=", value: { of: "first" } };
    expect(told(first, where).slice(0, 2)).toEqual(["found", false]);
  });
  it("is proven where it is", () => {
    const sure: Question = { ...first, from: 1 };
    expect(told(sure, { id: "q", ask: "value", function: "g", at: { of: "first" } })).toEqual([
      "found",
      true,
      "g(5) is 16.",
    ]);
  });
  it.each([
    // nothing known, and none proven not to be
    [{ id: "first", ask: "reach", function: "h", value: 0 }, "that is not settled"],
    [{ id: "first", ask: "reach", function: "g", value: 100 }, "it has none"],
    [{ id: "first", ask: "reach", function: "k", value: 0 }, "it could not be answered"],
  ] as const)("says why there is none: %o", (earlier, why) => {
    const [status, complete, says] = told(earlier, { id: "q", ask: "value", function: "g", at: { of: "first" } });
    expect([status, complete]).toEqual(["error", false]);
    expect(says).toBe(`For the input the answer of \`first\` is wanted, but ${why}.`);
  });
});

describe("the first and the last whole number of a range that ends between fractions", () => {
  it.each([
    ["sqrt(10)", "sqrt(80)", 4, 8, true],
    ["sqrt(9)", "sqrt(64)", 3, 8, true],
    // a hair above 3, and below 8: no double tells which side of them the ends are on
    ["sqrt(9.00000000000000001)", 8, 3, 8, false],
    [3, "sqrt(63.9999999999999999)", 3, 8, false],
  ])("from %s to %s", (from, to, low, high, isProven) => {
    const asked: Question[] = [
      { id: "least", ask: "least", function: "g" },
      { id: "greatest", ask: "greatest", function: "g" },
    ];
    const { findings } = analyse(caseOf(FUNCTIONS, asked, { variables: [{ name: "x", from, to, whole: true }] }));
    expect(findings.map((f) => f.solutions[0]!.whole!.at)).toEqual([low, high]);
    expect(findings.every((f) => f.complete)).toBe(isProven);
  });
});
