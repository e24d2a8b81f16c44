import { expect, it } from "vitest";
import { analyse } from "../question";
import type { CaseFile } from "../model";
import { deskOf, findingRows } from "./index";

const source: CaseFile = {
  format: "pasear-case",
  version: 1,
  title: "T",
  variables: [{ name: "x", from: -5, to: 5 }],
  functions: [{ name: "f", of: "x", by: { kind: "formula", text: "x^2 - 2" } }],
  questions: [
    { id: "q1", ask: "reach", function: "f", value: 0 },
    { id: "q2", ask: "value", function: "f", at: 3 },
    { id: "q3", ask: "reach", function: "f", value: -7 },
  ],
};

it("each place is a row with all its digits, and what has none is one row", () => {
  const [head, ...rows] = findingRows(deskOf(analyse(source)).findings);
  expect(head).toEqual(["finding", "question", "answer", "status", "at", "value", "exact"]);
  expect(rows.map(([id, , , status, at, value]) => [id, status, at, value])).toEqual([
    ["q1", "found", String(-Math.SQRT2), "0"],
    ["q1", "found", String(Math.SQRT2), "0"],
    ["q2", "found", "", "7"],
    ["q3", "none", "", ""],
  ]);
  expect(rows[0]![6]).toContain("sqrt(2)");
  expect(rows[2]![1]).toBe("What is f at 3?");
});
