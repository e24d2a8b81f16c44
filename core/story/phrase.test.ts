import { readFileSync, readdirSync } from "node:fs";
import { describe, expect, it } from "vitest";
import type { CaseFile } from "../model";
import { keyOfMark, likelyRole, markHint, nameMark } from ".";
import { rangeInUnit, rangeTyped } from "../explain";
import { interpret, rangeTrouble, readRangeText, writtenFunction } from "../entry";

const DEMO = new URL("../../demo/", import.meta.url);
const CASES = readdirSync(DEMO)
  .filter((name) => name.endsWith(".json"))
  .map((name) => JSON.parse(readFileSync(new URL(name, DEMO), "utf8")) as CaseFile);
const STALL: CaseFile = {
  format: "pasear-case",
  version: 1,
  title: "Stall",
  givens: [{ name: "F", value: 180, unit: "$" }],
  variables: [{ name: "q", from: 0, to: 320 }],
  functions: [{ name: "C", of: "q", by: { kind: "formula", text: "F + 7 q" } }],
  questions: [{ id: "q1", ask: "value", function: "C", at: 10 }],
};

describe("a function written out", () => {
  it.each(CASES.map((c) => [c.title, c] as const))("%s: what is written is read as the same again", (_, source) => {
    const written = (source.functions ?? []).filter((f) => f.by.kind !== "fit");
    for (const f of written) {
      const read = interpret(writtenFunction(f), source);
      expect(read.ok && read.entry.kind === "function" && read.entry.row.by).toEqual(
        // Ends that are left out are closed; what is read says them.
        f.by.kind === "pieces"
          ? { ...f.by, pieces: f.by.pieces.map((p) => expect.objectContaining({ text: p.text })) }
          : f.by,
      );
    }
  });
  it("pieces tell which end is theirs", () => {
    const pieces = [
      { text: "9 x", to: 100, ends: "[)" as const },
      { text: "8 x", from: 100, to: 200, ends: "[]" as const },
      { text: "7 x", from: 200, ends: "(]" as const },
    ];
    expect(writtenFunction({ name: "C", of: "x", by: { kind: "pieces", pieces } })).toBe(
      "C(x) = 9 x for x < 100; 8 x for 100 <= x <= 200; 7 x for x > 200",
    );
  });
});

describe("a typed range", () => {
  it.each([
    ["0 … 320", { from: 0, to: 320 }],
    ["-5 .. 5", { from: -5, to: 5 }],
    ["−∞ … ∞", { from: undefined, to: undefined }],
    ["0 to F", { from: 0, to: "F" }],
    ["$10 … 2 F", { from: 10, to: "2 F" }],
    ["pi … ", { from: "pi", to: undefined }],
  ])("%s", (text, ends) => expect(readRangeText(text, STALL.givens!)).toEqual(ends));
  it.each([
    ["3 … 11", "%", { from: 0.03, to: 0.11 }],
    ["0.03 … 0.11", "%/year", { from: 0.03, to: 0.11 }],
    ["3 % … 11", "%", { from: 0.03, to: 0.11 }],
    ["2.5 % … 7 %", undefined, { from: 0.025, to: 0.07 }],
    ["3 … 11", "km", { from: 3, to: 11 }],
  ])("%s of a variable in %s", (text, unit, ends) => expect(readRangeText(text, [], unit)).toEqual(ends));
  it.each([
    [{ from: 0.025, to: 0.07, unit: "%" }, "2.5 % … 7 %", "2.5 % … 7 %"],
    [{ from: 0.03, unit: "%/year" }, "3 % … ∞", "3 %/year … ∞"],
    [{ from: "a", to: 0.11, unit: "%/year" }, "a … 11 %", "a … 11 %/year"],
    [{ from: -4, to: 6, unit: "km" }, "-4 … 6", "-4 … 6 km"],
    [{ from: 0.5, to: 1250, unit: "$" }, "$0.50 … $1,250", "$0.50 … $1,250"],
    [{ from: 2, to: 12.5, unit: "$/lantern" }, "$2 … $12.50", "$2 … $12.50/lantern"],
    // no digit of an end is lost
    [{ from: -0.125, to: 0.004567, unit: "€/kWh" }, "−€0.125 … €0.004567", "−€0.125 … €0.004567/kWh"],
    [{ from: 2, unit: "$/lantern" }, "$2 … ∞", "$2/lantern … ∞"],
  ])("%o is %s, with its unit %s", (range, text, whole) => {
    expect([rangeTyped(range), rangeInUnit(range)]).toEqual([text, whole]);
  });
  it("is written as it is read, and wants two ends", () => {
    for (const ends of [{ from: 0, to: 320 }, { from: "F" }, { to: -2 }, {}])
      expect(readRangeText(rangeTyped(ends), STALL.givens!)).toEqual({ from: undefined, to: undefined, ...ends });
    for (const [from, to] of [
      [-0.125, 0.004567],
      [0.5, 1250],
      [1234567.891, 2e7],
    ] as const)
      for (const unit of ["$", "€/kWh", "%"])
        expect(readRangeText(rangeTyped({ from, to, unit }), [], unit)).toEqual({ from, to });
    expect([rangeTrouble("0 … 3"), rangeTrouble("3"), rangeTrouble("0 … 3 … 5")]).toEqual([
      null,
      expect.stringMatching(/two ends/),
      expect.stringMatching(/two ends/),
    ]);
  });
});

describe("a phrase of the story", () => {
  it.each([
    ["at most 300 lanterns", "limit"],
    ["How many should be made?", "question"],
    ["240 at $6 and 150 at $9", "relation"],
    ["$1,800", "given"],
  ])("%s: %s", (phrase, role) => expect(likelyRole(phrase)).toBe(role));
  it("says what a name would do", () => {
    expect(markHint("$250", "given", "F", STALL)).toBe("Belongs to F.");
    expect(markHint("$250", "given", "G", STALL)).toBe("A new name becomes a given with the value 250 $.");
    expect(markHint("by the river", "given", "G", STALL)).toMatch(/it became/);
    expect(markHint("how many", "question", "", STALL)).toMatch(/such as q1/);
  });
  it("makes a given of a new name, nothing of a known one, and a fault of neither", () => {
    expect(nameMark("$250", "given", "F", STALL)).toEqual({});
    expect(nameMark("$250", "given", "", STALL)).toEqual({});
    expect(nameMark("4.2 % a year", "given", "r", STALL)).toMatchObject({ entry: { kind: "given" } });
    expect(nameMark("240 at $6", "relation", "p", STALL)).toEqual({
      fault: "p is not known in this case. Known: F, q, C.",
    });
    expect(nameMark("$250", "given", "2x", STALL)).toMatchObject({ fault: expect.any(String) });
  });
  it("belongs to what its name is", () => {
    const key = (of: string | undefined, role: "given" | "question" = "given") =>
      keyOfMark({ start: 0, end: 1, role, ...(of ? { of } : {}) }, STALL);
    expect([key("F"), key("q"), key("C"), key("q1", "question"), key(undefined)]).toEqual([
      "given:F",
      "variable:q",
      "function:C",
      "question:q1",
      null,
    ]);
  });
});
