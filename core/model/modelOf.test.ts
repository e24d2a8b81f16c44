import { describe, expect, it } from "vitest";
import { buildModel, modelOf, type CaseFile } from ".";

describe("the model of a case, shared", () => {
  const source: CaseFile = {
    format: "pasear-case",
    version: 1,
    title: "T",
    givens: [{ name: "a", value: 2 }],
    variables: [{ name: "x" }],
    functions: [{ name: "f", of: "x", by: { kind: "formula", text: "a x" } }],
  };
  it("is one for one case, and what it would be if it were made anew", () => {
    expect(modelOf(source)).toBe(modelOf(source));
    expect([...modelOf(source).givens]).toEqual([...buildModel(source).givens]);
  });
  it("is another for a changed case", () => {
    const changed = { ...source, givens: [{ name: "a", value: 3 }] };
    expect(modelOf(changed).table.number("f")(5)).toBe(15);
    expect(modelOf(source).table.number("f")(5)).toBe(10);
  });
});
