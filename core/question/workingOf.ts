import { within } from "../numeric";
import type { Model, Question } from "../model";
import { inWords, type WorkingStep } from "../working";
import { Asking, type Answers } from "./common/asking";
import { isStopped, type Finding } from "./finding";
import { sentenceOf } from "./say";
import { workingFor } from "./workings";

/** Work that one working is given, in steps: well under a tenth of a second. */
const WORKING_EFFORT = 200_000;

/**
 * The steps a student would write for a question, each proven; none where there are no such, or where they would take
 * too much work.
 */
export function workingOf(q: Question, finding: Finding, model: Model, answers: Answers): readonly WorkingStep[] {
  if (finding.status === "error") return [];
  // Of an answer that is not complete nothing can be worked to the end.
  if (!isStopped(finding) && !finding.complete) return [];
  try {
    const f = isStopped(finding) ? null : finding;
    const steps = within(WORKING_EFFORT, () => workingFor(q.ask)(new Asking(q, model, answers), f));
    return steps.length > 0 && f ? [...steps, inWords(sentenceOf(f, model))] : steps;
  } catch {
    // A working that cannot be made, for whatever reason, takes nothing from its answer.
    return [];
  }
}
