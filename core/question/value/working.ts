import { putInStep, valueSaid, inputShown, type WorkingStep } from "../../working";
import type { Asking } from "../common/asking";
import { applied, preludeFor, writtenBody } from "../common/working";
import type { QuestionOf } from "../kind";

/** The names, then the numbers put in. */
export function working(asking: Asking<QuestionOf<"value">>): WorkingStep[] {
  const at = asking.amount(asking.q.at, "the input");
  const body = writtenBody(asking);
  const value = valueSaid(body, at, asking.table, asking.functions[0]!.unit);
  const step = value && putInStep(asking.name, body, at, value);
  if (!step) return [];
  const input = inputShown(at);
  const asked = applied(asking.name, input.text);
  return [...preludeFor(asking, "What is asked.", { text: asked.text, latex: asked.latex }), step];
}
