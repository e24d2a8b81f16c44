import { equal, isInteger, toDouble } from "../numeric";
import type { Expression } from "./expression";
import { Noted } from "./noted";

/** The whole exponent of a power, when it is one. */
export function wholeExponent(b: Expression): number | null {
  if (b.kind !== "number" || !b.exact || !isInteger(b.exact)) return null;
  const n = toDouble(b.exact);
  return Math.abs(n) <= 1e6 ? n : null;
}

export const parts = (e: Expression): readonly Expression[] => {
  switch (e.kind) {
    case "number":
    case "variable":
      return [];
    case "add":
    case "subtract":
    case "multiply":
    case "divide":
    case "power":
    case "min":
    case "max":
      return [e.a, e.b];
    case "choose":
      return [e.p, e.q, e.a, e.b];
    default:
      return [e.a];
  }
};

const variableMemo = new Noted<boolean>();
export function dependsOnVariable(e: Expression): boolean {
  if (e.kind === "variable") return true;
  if (e.kind === "number") return false;
  const known = variableMemo.get(e);
  if (known !== undefined) return known;
  const depends = parts(e).some(dependsOnVariable);
  variableMemo.set(e, depends);
  return depends;
}

/** Number of nodes, counted up to `most` and then given up. */
export function size(e: Expression, most = 1e6): number {
  let count = 1;
  for (const part of parts(e)) {
    if (count > most) break;
    count += size(part, most - count);
  }
  return count;
}

/** Structural equality: the same tree with the same numbers. */
export function same(a: Expression, b: Expression): boolean {
  if (a === b) return true;
  if (a.kind !== b.kind) return false;
  if (a.kind === "number" && b.kind === "number")
    return a.exact && b.exact ? equal(a.exact, b.exact) : !a.exact && !b.exact && a.value === b.value;
  if ("name" in a && "name" in b && a.name !== b.name) return false;
  if (a.kind === "call" && b.kind === "call" && a.order !== b.order) return false;
  if (a.kind === "root" && b.kind === "root" && a.n !== b.n) return false;
  const x = parts(a);
  const y = parts(b);
  return x.every((part, i) => same(part, y[i]!));
}
