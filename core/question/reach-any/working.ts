import { written, type WorkingStep } from "../../working";
import type { Asking } from "../common/asking";
import { levelWorking } from "../reach/working";
import type { QuestionOf } from "../kind";

/** Each value by itself. */
export function working(asking: Asking<QuestionOf<"reach-any">>): WorkingStep[] {
  const out: WorkingStep[] = [];
  const isTold = new Set<string>();
  for (const value of asking.q.values) {
    const steps = levelWorking(asking, asking.amount(value, "a value to reach"), "For each value an equation.");
    if (steps.length === 0) return [];
    // What the names stand for is said once.
    for (const step of steps) {
      const isNaming = step.rule === "definition" || step.rule === "givens";
      if (isNaming && isTold.has(step.text)) continue;
      isTold.add(step.text);
      out.push(written(step.rule, step.says, step, step.isKey));
    }
  }
  return out;
}
