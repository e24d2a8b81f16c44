import { dependsOnVariable, exactNumber, multiply } from "../../formula";
import { ratio } from "../../numeric";
import { spotOfRational, valueAt } from "../../solve";
import { equation, equationWorking, inputShown, type WorkingStep } from "../../working";
import { numberOf, type Asking } from "../common/asking";
import { applied, joined, preludeFor, settingOf, writtenBody } from "../common/working";
import type { QuestionOf } from "../kind";

/** f(t) = m f(t0): what is there at the start stands on both sides, and cancels. */
export function working(asking: Asking<QuestionOf<"multiply">>): WorkingStep[] {
  const { q } = asking;
  const factor = asking.amount(q.factor, "the factor");
  const start =
    q.start === undefined ? (asking.range.from ?? spotOfRational(ratio(0))) : asking.amount(q.start, "the start");
  const body = writtenBody(asking);
  const first = valueAt(body, start, asking.table);
  if (first.kind !== "value") return [];
  const base = first.exact ? exactNumber(first.exact) : first.form;
  if (!base || dependsOnVariable(base)) return [];
  const on = settingOf(asking, { from: start, to: asking.range.to });
  const at = inputShown(start);
  const times = inputShown(factor);
  const there = applied(asking.name, at.text);
  const right = { text: `${times.text} ${there.text}`, latex: `${times.latex}\\, ${there.latex}` };
  const prelude = preludeFor(
    asking,
    "So many times as much as at the start.",
    joined(applied(asking.name, on.x), "=", right),
  );
  const wanted = multiply(numberOf(factor), base);
  return equationWorking(prelude, equation(body, wanted), on);
}
