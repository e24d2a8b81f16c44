import type { FunctionRow, Given, Variable } from "../model";

/** A trade formula: what it is for, what its letters mean, and where it is from. */
export interface Form {
  readonly id: string;
  readonly title: string;
  readonly group: "interest" | "growth" | "demand and cost" | "motion" | "science";
  readonly meaning: string;
  readonly source: string;
  readonly variable: Variable;
  readonly givens: readonly Given[];
  /** in an order in which each only needs earlier ones; the last is the one the form is for */
  readonly functions: readonly FunctionRow[];
}

export const given = (name: string, value: number, unit: string, label: string): Given => ({
  name,
  value,
  ...(unit ? { unit } : {}),
  label,
});
export const formula = (name: string, of: string, unit: string, label: string, text: string): FunctionRow => ({
  name,
  of,
  ...(unit ? { unit } : {}),
  label,
  by: { kind: "formula", text },
});
