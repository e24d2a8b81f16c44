import { readPlanLine } from "../plan";
import { buildModel, type CaseFile, type FunctionRow, type Question } from "../model";
import { interpret, type Entry } from "../entry";
import { FORMS } from "../forms";
import type { Edit } from "./index";

export const FORM = FORMS[0]!;

/** A case with a little of everything, that nothing may change in place. */
export const SOURCE: CaseFile = frozen({
  format: "pasear-case",
  version: 1,
  title: "Lantern stall",
  story: { text: "A stall costs $180.", marks: [{ start: 14, end: 18, role: "given", of: "F" }] },
  givens: [
    { name: "F", value: 180, unit: "$", vary: { from: 100, to: 200 } },
    { name: "c", value: 2 },
  ],
  variables: [{ name: "q", from: 0, to: "F" }],
  data: [
    {
      name: "sales",
      columns: [{ name: "q" }, { name: "y", unit: "$" }],
      rows: [
        [0, 1],
        [1, 3],
        [2, 5],
      ],
      left: [{ row: 2 }],
    },
  ],
  functions: [
    { name: "C", of: "q", by: { kind: "formula", text: "F + c q" } },
    { name: "D", of: "q", by: { kind: "formula", text: "2 C + 1" }, shown: false },
    {
      name: "L",
      of: "q",
      by: {
        kind: "line",
        through: [
          [0, 1],
          [1, 2],
          [2, 9],
        ],
      },
    },
    { name: "S", of: "q", by: { kind: "fit", data: "sales", x: "q", y: "y", model: "linear" } },
    {
      name: "P",
      of: "q",
      by: {
        kind: "pieces",
        pieces: [
          { text: "q", to: 1 },
          { text: "2 c", from: 1, ends: "(]" },
        ],
      },
    },
  ],
  questions: [
    { id: "q1", ask: "reach", function: "C", value: 300, from: 0, to: 90 },
    { id: "q2", ask: "value", function: "D", at: { of: "q1" } },
  ],
  plan: {
    variables: [{ name: "q" }, { name: "b", whole: true, label: "boxes" }],
    constraints: [
      { id: "A", text: "q + 2 b <= F" },
      { id: "B", text: "0 <= b <= 1" },
    ],
    objective: { text: "3 q + F b", sense: "greatest", unit: "$" },
  },
});
export function frozen<T>(value: T): T {
  if (typeof value === "object" && value !== null) Object.values(Object.freeze(value)).forEach(frozen);
  return value;
}
export const entryOf = (line: string): Entry => {
  const read = interpret(line, SOURCE);
  if (!read.ok) throw new Error(read.message);
  return read.entry;
};
export const planLine = (text: string) => {
  const read = readPlanLine(text, SOURCE.plan!, buildModel(SOURCE).names);
  if (!read.ok) throw new Error(read.message);
  return read.line;
};
export const G: FunctionRow = { name: "G", of: "q", by: { kind: "formula", text: "q^2" } };
export const Q3: Question = { id: "q3", ask: "greatest", function: "C" };
export const at = (list: readonly { name?: string; id?: string }[] | undefined, key: string) =>
  list?.find((r) => (r.name ?? r.id) === key);
/** An edit, what undo calls it, what of the case is looked at, and what should stand there. */
export type EditCase = [Edit, string, (c: CaseFile) => unknown, unknown];
