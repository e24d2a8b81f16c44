import { parts, type Expression } from "../formula";

/** Most steps that one value of a function may take. */
export const MAX_STEPS = 20_000;

/**
 * Steps that one value of an expression takes. Calls of calls multiply: too many are refused before they are made.
 * @param costs  steps that one value of a function takes, by name
 */
export const stepsOf = (e: Expression, costs: ReadonlyMap<string, number>): number => count(e, costs, new Set());

/** @param atVariable  calls that were counted already: a value at the variable itself is worked out once */
function count(e: Expression, costs: ReadonlyMap<string, number>, atVariable: Set<string>): number {
  if (e.kind !== "call") return 1 + parts(e).reduce((sum, p) => sum + count(p, costs, atVariable), 0);
  const key = `${e.name}#${e.order}`;
  const isKnown = e.a.kind === "variable" && atVariable.has(key);
  if (e.a.kind === "variable") atVariable.add(key);
  const own = isKnown ? 0 : (costs.get(e.name) ?? 1) * PER_DERIVATIVE ** e.order;
  return 1 + own + count(e.a, costs, atVariable);
}
/** A derivative takes about so many times the steps of its function. */
const PER_DERIVATIVE = 4;
