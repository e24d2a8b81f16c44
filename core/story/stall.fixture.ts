import type { CaseFile } from "../model";
import { interpret } from "../entry";

export const stall: CaseFile = {
  format: "pasear-case",
  version: 1,
  title: "Stall",
  givens: [
    { name: "F", value: 180, unit: "$" },
    { name: "k", value: 2.5, unit: "$/lantern" },
  ],
  variables: [{ name: "q", unit: "lantern", from: 0, to: 320, whole: true }],
  functions: [
    { name: "R", of: "q", unit: "$", by: { kind: "formula", text: "q (14 - q/30)" } },
    { name: "C", of: "q", unit: "$", by: { kind: "formula", text: "F + k q" } },
    { name: "P", of: "q", by: { kind: "formula", text: "R - C" } },
  ],
};
export const row = (text: string) => {
  const r = interpret(text, stall);
  if (!r.ok) throw new Error(r.message);
  return r.entry.row;
};
