import type { Expression } from "../../formula";
import { equation, equationWorking, inputShown, stairLines, type WorkingStep } from "../../working";
import type { Spot } from "../../solve";
import type { Question } from "../../model";
import { numberOf, type Asking } from "../common/asking";
import { applied, joined, preludeFor, settingOf, writtenBody } from "../common/working";
import type { QuestionOf } from "../kind";

/** The function set equal to the value, and solved. */
export const working = (asking: Asking<QuestionOf<"reach">>): WorkingStep[] =>
  levelWorking(asking, asking.amount(asking.q.value, "the value to reach"));

/** A function of a question set equal to a number, and solved. */
export function levelWorking<Q extends Question>(
  asking: Asking<Q>,
  value: Spot,
  says = "What is asked, as an equation.",
): WorkingStep[] {
  const on = settingOf(asking);
  const level: Expression = numberOf(value);
  const shown = joined(applied(asking.name, on.x), "=", inputShown(value));
  const prelude = preludeFor(asking, says, shown);
  const asked = equation(writtenBody(asking), level);
  const stair = stairLines(asked, on);
  return stair.length > 0 ? [...prelude, ...stair] : equationWorking(prelude, asked, on);
}
