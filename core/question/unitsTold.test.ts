import { describe, expect, it } from "vitest";
import { buildModel, type CaseFile, type FunctionRow } from "../model";
import { base } from "./cases.fixture";

describe("units", () => {
  const agree = (functions: FunctionRow[], more: Partial<CaseFile> = {}) => {
    const m = buildModel({
      ...base,
      variables: [
        { name: "q", unit: "lantern" },
        { name: "t", unit: "minute" },
      ],
      givens: [
        { name: "k", value: 2.5, unit: "$/lantern" },
        { name: "F", value: 180, unit: "$" },
        { name: "h", value: 3, unit: "hour" },
        { name: "r", value: 0.04, unit: "%/year" },
      ],
      functions,
      ...more,
    });
    return [...m.functions.values()].map((f) => [
      f.unitsAgree,
      f.unit?.text ?? null,
      f.unitProblems[0]?.message ?? null,
    ]);
  };
  const of = (name: string, text: string, v = "q", unit?: string): FunctionRow => ({
    name,
    of: v,
    by: { kind: "formula", text },
    ...(unit ? { unit } : {}),
  });
  it("money adds to money, not to money per lantern, and the mend is offered", () => {
    expect(agree([of("C", "F + k q")])).toEqual([[true, "$", null]]);
    expect(agree([of("C", "F + k")])).toEqual([[false, "$", "This adds $/lantern to $; did you mean k·q?"]]);
  });
  it("a bare number takes the unit that makes it agree", () =>
    expect(agree([of("C", "180 + 2.5 q", "q", "$")])).toEqual([[true, "$", null]]));
  it("a wrong declared unit is told", () =>
    expect(agree([of("C", "F + k q", "q", "m")])[0]![2]).toMatch(/said to be in m, but its formula gives \$/));
  it("minutes and hours in one formula are caught", () =>
    expect(agree([of("T", "t + h", "t")])[0]![2]).toMatch(/another scale; multiply the hour side by 60/));
  it("nothing to judge is neither right nor wrong", () =>
    expect(
      agree([{ name: "y", of: "x", by: { kind: "formula", text: "x^2" } }], { variables: [{ name: "x" }] }),
    ).toEqual([[null, null, null]]));
});
