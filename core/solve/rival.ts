import { EMPTY, Enclosure } from "../interval";
import { compileEnclosure, type Expression } from "../formula";
import { boundsBeyond } from "./limits";
import type { Doubt } from "./parts";
import type { FunctionTable } from "./table";
import { middleOf } from "./taken";

const MAX_DEPTH = 12;

/**
 * Whether a stretch not examined may hold a value that is good enough: a few splits, and what leads far out, are enough
 * to see that it stays below. One that is as good as the best would be a further answer.
 * @param reaches  whether values in these bounds may be good enough
 */
export function mayReach(
  box: Doubt,
  whole: Expression,
  table: FunctionTable,
  reaches: (values: Enclosure) => boolean,
): boolean {
  if (box.values && !reaches(box.values)) return false;
  const beyond = boundsFarOut(box, whole, table);
  if (beyond && !reaches(beyond)) return false;
  const value = compileEnclosure(whole, table.enclosure);
  const stack = [{ ...box, depth: 0 }];
  while (stack.length > 0) {
    const b = stack.pop()!;
    const v = value(new Enclosure(b.lo, b.hi));
    if (v.flags & EMPTY || !reaches(v)) continue;
    if (b.depth >= MAX_DEPTH) return true;
    const middle = middleOf(b.lo, b.hi);
    stack.push({ lo: b.lo, hi: middle, depth: b.depth + 1 }, { lo: middle, hi: b.hi, depth: b.depth + 1 });
  }
  return false;
}

/** Bounds of all values on a stretch without an end, by what leads there. */
function boundsFarOut({ lo, hi }: Doubt, whole: Expression, table: FunctionTable): Enclosure | null {
  if (hi === Infinity) return Number.isFinite(lo) ? boundsBeyond(whole, lo, 1, table) : null;
  return lo === -Infinity ? boundsBeyond(whole, hi, -1, table) : null;
}
