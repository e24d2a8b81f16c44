import { describe, expect, it } from "vitest";
import { cellsOfText } from "../../app/utils/tableFiles";
import type { CaseFile } from "../model";
import { pastedText } from "./index";

const EMPTY: CaseFile = { format: "pasear-case", version: 1, title: "T" };
const STALL: CaseFile = {
  ...EMPTY,
  variables: [{ name: "q", from: 0, to: 320 }],
  functions: [
    { name: "R", of: "q", by: { kind: "formula", text: "12 q" } },
    { name: "C", of: "q", by: { kind: "formula", text: "90 + 7q" } },
  ],
};
const PLAN: CaseFile = {
  ...EMPTY,
  plan: { variables: [{ name: "r" }, { name: "s" }], constraints: [{ id: "A", text: "r + s <= 9" }] },
};
const kind = (text: string, source = EMPTY) => pastedText(text, cellsOfText(text), source).kind;

describe("what was pasted", () => {
  it.each([
    ["a table with tabs", "price\tsold\n6\t240\n9\t150", "table"],
    ["a table with commas", "t,N\n0,120\n1,131\n2,144", "table"],
    ["a table with semicolons and decimal commas", "t;N\n0,5;120\n1,5;131", "table"],
    ["numbers in two columns", "0 906\n1 818\n2 745", "table"],
    ["money in a table", "year\tcost\n2019\t$1,200\n2020\t$1,350", "table"],
    ["names in its first column", "town\tpeople\tvisits\nLow Mill\t906\t12\nHigh Mill\t818\t14", "table"],
    ["dates", "date\tpeople\n2031-01-06\t71\n13.01.2031\t117", "table"],
    ["one function", "C(q) = 90 + 7q", "lines"],
    ["several lines", "F = 180 $\nq = 0 … 320 lanterns, whole\nC(q) = F + 7q\nbreak even?", "lines"],
    ["givens with commas", "a = 3, b = 4\nc = 5, d = 6", "lines"],
    ["a range alone", "0 <= x <= 250", "lines"],
    ["a plan", "maximize 6x + 4y\n2x + 3y <= 240\n4x + y <= 200\nx >= 0\ny >= 0", "constraints"],
    ["constraints alone", "2x + 3y <= 240\n4x + y <= 200", "constraints"],
    ["a story", "A stall costs $180 a night. Each lantern takes $2.50. How many must be sold?", "story"],
    ["a sentence", "A stall at the walk costs $180 for the night.", "story"],
    ["a story on two lines", "Two ferries leave the quay at noon,\none at 12 km/h, one at 15 km/h.", "story"],
    ["a line that is nearly one", "C(q) = 90 + 7q)", "line"],
    ["a case", '{ "format": "pasear-case", "version": 1, "title": "T" }', "case"],
  ])("%s", (_what, text, wanted) => expect(kind(text)).toBe(wanted));
  it.each([
    ["questions about functions there are", "R > C\nR = C ?", "lines"],
    ["a question", "where do R and C meet?", "lines"],
  ])("%s", (_what, text, wanted) => expect(kind(text, STALL)).toBe(wanted));
  it("a limit on unknowns of the plan there is", () => expect(kind("r <= 4", PLAN)).toBe("constraints"));
});
