import { dependsOnVariable, exactNumber, multiply, type Expression } from "../../formula";
import { ratio } from "../../numeric";
import { spotOfRational, valueAt, type Spot } from "../../solve";
import { equation, equationWorking, inputShown, type WorkingStep } from "../../working";
import { numberOf, type Asking } from "../common/asking";
import { applied, joined, preludeFor, settingOf, writtenBody } from "../common/working";
import type { QuestionOf } from "../kind";

/** What f(t) is to be, m f(t0), and from where on; null where the start has no value, or none in closed form. */
export function wantedOf(
  asking: Asking<QuestionOf<"multiply">>,
  body: Expression,
): { readonly wanted: Expression; readonly factor: Spot; readonly start: Spot } | null {
  const { q, range, table } = asking;
  const factor = asking.amount(q.factor, "the factor");
  const start = q.start === undefined ? (range.from ?? spotOfRational(ratio(0))) : asking.amount(q.start, "the start");
  const first = valueAt(body, start, table);
  const base = first.kind === "value" ? (first.exact ? exactNumber(first.exact) : first.form) : null;
  if (!base || dependsOnVariable(base)) return null;
  return { wanted: multiply(numberOf(factor), base), factor, start };
}

/** f(t) = m f(t0): what is there at the start stands on both sides, and cancels. */
export function working(asking: Asking<QuestionOf<"multiply">>): WorkingStep[] {
  const body = writtenBody(asking);
  const found = wantedOf(asking, body);
  if (!found) return [];
  const { wanted, factor, start } = found;
  const on = settingOf(asking, { from: start, to: asking.range.to });
  const [times, there] = [inputShown(factor), applied(asking.name, inputShown(start).text)];
  const right = { text: `${times.text} ${there.text}`, latex: `${times.latex}\\, ${there.latex}` };
  const asked = joined(applied(asking.name, on.x), "=", right);
  return equationWorking(
    preludeFor(asking, "So many times as much as at the start.", asked),
    equation(body, wanted),
    on,
  );
}
