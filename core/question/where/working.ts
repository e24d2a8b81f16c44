import { subtract } from "../../formula";
import { equation, equationWorking, inputShown, signTable, type WorkingStep } from "../../working";
import { numberOf, type Asking } from "../common/asking";
import { applied, joined, preludeFor, settingOf, writtenBody } from "../common/working";
import type { QuestionOf } from "../kind";

/** The places where both sides are equal, then a table of signs between them. */
export function working(asking: Asking<QuestionOf<"where">>): WorkingStep[] {
  const { q } = asking;
  const limit = asking.amount(q.value, "the value to compare with");
  const on = settingOf(asking);
  const [left, right] = [applied(asking.name, on.x), inputShown(limit)];
  const prelude = preludeFor(asking, "What is asked, as an inequality.", joined(left, q.relation, right));
  const body = writtenBody(asking);
  const level = numberOf(limit);
  const isZero = right.text === "0";
  const what = isZero ? left : joined(left, "-", right);
  const holds = q.relation.startsWith(">") ? 1 : -1;
  const table = signTable(subtract(body, level), what, on, (sign) =>
    sign === "none"
      ? "Nothing is defined here."
      : sign === holds || (sign === 0 && q.relation.endsWith("="))
        ? "Here it holds."
        : "Here it does not.",
  );
  if (table.length === 0) return [];
  const equal = equationWorking(prelude, equation(body, level), on);
  return [...(equal.length > 0 ? equal : prelude), ...table];
}
