import { keyOf, size, type Expression } from "../formula";
import { billed, keep, pay, rationalText, type Bill, type Rational } from "../numeric";
import type { FunctionTable } from "./table";
import type { ZeroSet } from "./zeroSet";

/** The zeros of an expression on a stretch, and what finding them cost. */
export interface Found {
  readonly zeros: ZeroSet;
  /** interval boxes looked at */
  readonly boxes: number;
}

interface Kept extends Found {
  readonly bill: Bill;
}

/** Longest expression that is known again. */
const MAX_SIZE = 600;
/** Searches kept for one case; the oldest go first. */
const MOST = 2000;

const kept = new WeakMap<FunctionTable, Map<string, Kept>>();

/**
 * Looks for zeros, or takes what the same search found for an earlier question of the case: ten questions about one
 * function meet its breaks ten times. What is taken counts as much work as it was, so that no question is cut at
 * another point because of what was asked before it.
 * @param boxes  the work allowed, on which the result depends
 */
export function foundOnce(
  e: Expression,
  table: FunctionTable,
  from: Rational | null,
  to: Rational | null,
  boxes: number,
  find: () => Found,
): Found {
  if (size(e, MAX_SIZE + 1) > MAX_SIZE) return find();
  const known = kept.get(table) ?? new Map<string, Kept>();
  kept.set(table, known);
  const key = [boxes, from && rationalText(from), to && rationalText(to), keyOf(e)].join(" ");
  const before = known.get(key);
  if (before) {
    pay(before.bill);
    return before;
  }
  const { value, bill } = billed(find);
  return keep(known, MOST, key, { ...value, bill });
}
