import { describe, expect, it } from "vitest";
import { buildModel, type CaseFile, type Question } from "../model";
import {
  KINDS,
  analyse,
  changeSlot,
  earlierOf,
  questionPartsWithRounding,
  questionText,
  roomOf,
  sentenceOf,
  slotOf,
  usesOf,
} from "./index";

const SOURCE: CaseFile = {
  format: "pasear-case",
  version: 1,
  title: "Every kind of question",
  givens: [
    { name: "a", value: 2 },
    { name: "k", value: 3 },
  ],
  variables: [{ name: "x", from: 0, to: 10, whole: true }],
  functions: [
    { name: "f", of: "x", by: { kind: "formula", text: "k x + 1" } },
    { name: "g", of: "x", by: { kind: "formula", text: "13 - x" } },
  ],
};
const EARLIER = { of: "q0" };
const RANGE = { from: 1, to: "3 a" };

/** Each kind with everything it can be made with, the names in it and its amounts; what it says of f = 3x + 1. */
const ALL: readonly [Question, string[], number, string][] = [
  [{ id: "q", ask: "meet", functions: ["f", "g"], ...RANGE }, ["f", "g"], 2, "f and g meet at exactly x = 3."],
  [{ id: "q", ask: "reach", function: "f", value: "5 a", ...RANGE }, ["f"], 3, "f is 10 at exactly x = 3."],
  [
    { id: "q", ask: "reach-any", function: "f", values: ["5 a", 13, 100], ...RANGE },
    ["f"],
    5,
    "f is 10 at x = 3; 13 at x = 4; never 100.",
  ],
  [
    { id: "q", ask: "where", function: "f", relation: ">=", value: "5 a", ...RANGE },
    ["f"],
    3,
    "f is at least 10 from 3 to 6.",
  ],
  [{ id: "q", ask: "greatest", function: "f", ...RANGE }, ["f"], 2, "f is greatest at x = 6: 19."],
  [{ id: "q", ask: "least", function: "f", ...RANGE }, ["f"], 2, "f is least at x = 1: 4."],
  [{ id: "q", ask: "value", function: "f", at: EARLIER }, ["f"], 1, "f(2) is 7."],
  [
    { id: "q", ask: "rate", function: "f", between: [EARLIER, "k"] },
    ["f"],
    2,
    "f changes by 3 per x on average from x = 2 to 3.",
  ],
  [{ id: "q", ask: "rate", function: "f", at: "a" }, ["f"], 1, "At x = 2 f changes by 3 per x."],
  // ∫ 3x + 1 over 2 … 3 = 7.5 + 1
  [{ id: "q", ask: "total", function: "f", between: ["a", 3] }, ["f"], 2, "The total of f from x = 2 to 3 is 8.5."],
  [{ id: "q", ask: "average", function: "f", between: ["a", 3] }, ["f"], 2, "f is 8.5 on average from x = 2 to 3."],
  [{ id: "q", ask: "multiply", function: "f", factor: 4, start: "a - 2" }, ["f"], 2, "f comes to 4 after 1."],
  [
    { id: "q", ask: "compare", functions: ["f", "g"], ...RANGE },
    ["f", "g"],
    2,
    "Least: f up to x = 3; g from x = 3 on.",
  ],
  [
    { id: "q", ask: "given", given: "k", range: [0, 10], function: "f", at: "a", value: 9 },
    ["k", "f"],
    4,
    "k has to be 4 so that f(2) is 9.",
  ],
];
const document = (q: Question): CaseFile => ({
  ...SOURCE,
  questions: [{ id: "q0", ask: "reach", function: "f", value: 7 }, q],
});

describe("every kind of question", () => {
  it("has a room, and stands in the table above", () => {
    const asked = new Set(ALL.map(([q]) => roomOf(q)));
    expect(KINDS.filter((kind) => !asked.has(kind))).toEqual([]);
  });
  it.each(ALL)("%j is answered in a sentence", (q, _names, _amounts, says) => {
    const { model, findings } = analyse(document(q));
    expect(sentenceOf(findings[1]!, model)).toBe(says);
    expect(findings[1]!.complete).toBe(true);
  });
  it.each(ALL)("%j tells all it is made with", (q, names, amounts) => {
    const uses = usesOf(q);
    expect(uses.names).toEqual(names);
    expect(uses.amounts).toHaveLength(amounts);
    expect(earlierOf(q)).toEqual(JSON.stringify(q).includes('"q0"') ? ["q0"] : []);
  });
  it.each(ALL)("every part of %j that is underlined can be opened, and put back as it stands", (q) => {
    const model = buildModel(document(q));
    const parts = questionPartsWithRounding(q, model).filter((p) => p.slot);
    expect(parts.length).toBeGreaterThan(0);
    for (const { slot, text } of parts) {
      const shown = slotOf(q, slot!)!.shown(q, text);
      if (shown === "") continue;
      expect(changeSlot(q, slot!, shown, model)).toEqual({ ok: true, question: q });
    }
  });
  it.each(ALL)("%j is left as it was when a part is typed wrong", (q) => {
    const model = buildModel(document(q));
    for (const { slot } of questionPartsWithRounding(q, model))
      if (slot) expect(changeSlot(q, slot, "no such thing", model)).toMatchObject({ ok: false });
  });
  it.each(ALL)("%j asks", (q) => {
    expect(questionText(q, buildModel(document(q)))).toMatch(/^[A-Z].*\?$/);
  });
});
