import { describe, expect, it } from "vitest";
import { modelOf, type CaseFile, type Question } from "../model";
import { closeUpOf } from ".";

const source = (range: object): CaseFile => ({
  format: "pasear-case",
  version: 1,
  title: "T",
  variables: [{ name: "q", ...range }],
  functions: [{ name: "P", of: "q", by: { kind: "formula", text: "q^2 - 9" } }],
});
const asked: Question = { id: "q1", ask: "reach", function: "P", value: 0 };
const around = (places: readonly number[], range: object = { from: 0, to: 200 }) =>
  closeUpOf(modelOf(source(range)), asked, { solutions: places.map((at) => ({ at })) as never });

describe("a closer look at the answers", () => {
  it("several answers have a quarter of what they span on either side", () => {
    expect(around([10, 50, 30])).toEqual({ from: 0, to: 60 });
  });
  it("one answer has 6 % of the range on either side; without a range, of twice its size, or of one unit", () => {
    expect(around([100])).toEqual({ from: 88, to: 112 });
    expect(around([-50], {})).toEqual({ from: -56, to: -44 });
    expect(around([0], {})).toEqual({ from: -0.06, to: 0.06 });
  });
  it("no answer has none", () => {
    expect(around([])).toBeNull();
  });
});
