import { equation, equationWorking, inputShown, newSetting, preludeOf, type WorkingStep } from "../../working";
import { numberOf, type Asking } from "../common/asking";
import { applied, joined } from "../common/working";
import type { QuestionOf } from "../kind";
import { inGiven, rangeOf } from "./answer";

/** The input put in, and the equation solved for the given. */
export function working(asking: Asking<QuestionOf<"given">>): WorkingStep[] {
  const { q, model, name } = asking;
  const at = asking.amount(q.at, "the input");
  const level = asking.amount(q.value, "the wanted value");
  const { body, table } = inGiven(asking, at);
  const on = newSetting(q.given, rangeOf(asking), table);
  const shown = joined(applied(name, inputShown(at).text), "=", inputShown(level));
  const says = `The input is put in; ${q.given} is what is not known.`;
  const prelude = preludeOf([name], { says, shown }, model, q.given);
  return equationWorking(prelude, equation(body, numberOf(level)), on);
}
