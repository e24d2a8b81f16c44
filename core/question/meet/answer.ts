import { besides } from "../../numeric";
import { apply, subtract, type Expression } from "../../formula";
import { findBest, newWork } from "../../solve";
import { Refusal, type Asking } from "../common/asking";
import { isClose } from "../common/digits";
import { level } from "../common/level";
import { isWholeRange } from "../common/stretches";
import type { MeetFinding } from "../finding";
import type { QuestionOf } from "../kind";

/** All inputs at which two functions have one value. */
export function meet(asking: Asking<QuestionOf<"meet">>): MeetFinding {
  const { functions } = asking.q;
  if (functions.length !== 2) throw new Refusal(`Two functions can meet; this question names ${functions.length}.`);
  const difference = subtract(asking.body(0), asking.body(1));
  const found = level(asking, difference, asking.body(0), null);
  // Two written forms of one thing are compared by their greatest difference; where they simply cross it says nothing.
  const isCompared = found.complete && (found.stretches.length > 0 || found.status === "none");
  const gap = isCompared ? besides(() => greatestDifference(asking, difference), null) : null;
  return { ask: "meet", ...found, gap };
}

/** Where two functions are furthest apart on the range, and by how much. */
function greatestDifference(asking: Asking, difference: Expression): MeetFinding["gap"] {
  const far = findBest(apply("abs", difference), asking.table, asking.range, 1, newWork(2000, 200));
  // "They differ most by" is a claim too: only of a search that left nothing open.
  if (far.status !== "attained" || !far.complete) return null;
  if (far.exactValue === null && !isClose({ lo: far.low, hi: far.high })) return null;
  const [flat] = far.flat;
  const isThroughout = flat !== undefined && isWholeRange(flat, asking.range);
  const somewhere = flat && (Number.isFinite(flat.lo) ? flat.lo : flat.hi);
  return { at: isThroughout ? null : (far.best[0]?.at ?? somewhere ?? 0), size: far.value };
}
