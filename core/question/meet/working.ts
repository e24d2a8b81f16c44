import { equation, equationWorking, type WorkingStep } from "../../working";
import type { Asking } from "../common/asking";
import { applied, joined, preludeFor, settingOf, writtenBody } from "../common/working";
import type { QuestionOf } from "../kind";

/** Both functions set equal, and solved. */
export function working(asking: Asking<QuestionOf<"meet">>): WorkingStep[] {
  if (asking.functions.length !== 2) return [];
  const on = settingOf(asking);
  const [left, right] = asking.functions.map((f) => applied(f.name, on.x));
  const prelude = preludeFor(asking, "They meet where both have the same value.", joined(left!, "=", right!));
  return equationWorking(prelude, equation(writtenBody(asking, 0), writtenBody(asking, 1)), on);
}
