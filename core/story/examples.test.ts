import { describe, expect, it } from "vitest";
import { understand } from "../entry";
import type { CaseFile } from "../model";
import { lineExamples, namedCalculation } from ".";

const EMPTY: CaseFile = { format: "pasear-case", version: 1, title: "T" };
const withFunctions: CaseFile = {
  ...EMPTY,
  variables: [{ name: "q", from: 0, to: 90 }],
  functions: [
    { name: "C", of: "q", unit: "$", by: { kind: "formula", text: "4 q + 20" } },
    { name: "p", of: "q", unit: "$/cup", by: { kind: "formula", text: "12 - q/10" } },
    { name: "R", of: "q", unit: "$", by: { kind: "formula", text: "q p(q)" } },
  ],
};

describe("examples of lines", () => {
  it("an empty case is shown a function that makes its variable, and no question", () => {
    expect(lineExamples(EMPTY)).toEqual({ given: "F = 180 $", function: "f(x) = 3x + 2", question: null });
  });
  it("functions in one unit are set against each other, others not", () => {
    expect(lineExamples(withFunctions)).toMatchObject({ function: "D(q) = C − R", question: "C = R ?" });
    const apart = { ...withFunctions, functions: withFunctions.functions!.slice(0, 2) };
    expect(lineExamples(apart)).toMatchObject({ function: "f(q) = 3q + 2", question: "C = 0 ?" });
  });
  it("a name that is taken is not offered again", () => {
    expect(lineExamples({ ...EMPTY, givens: [{ name: "F", value: 1 }] }).given).toBe("a = 180 $");
  });
  it.each([EMPTY, withFunctions])("every example is understood in its case", (source) => {
    const { given, function: made, question } = lineExamples(source);
    for (const line of [given, made, question])
      if (line !== null) expect([line, understand(line, source).kind]).toEqual([line, "entries"]);
  });
  it("a calculation is kept under a name, without its question mark", () => {
    expect(namedCalculation("48 - 35 = ?", EMPTY)).toBe("a = 48 - 35");
    expect(namedCalculation("2 + 3", { ...EMPTY, givens: [{ name: "a", value: 1 }] })).toBe("b = 2 + 3");
  });
});
