import { differentiate, type Expression } from "../../formula";
import { inlineByRule, type Spot } from "../../solve";
import { isZero, ratio, toDouble } from "../../numeric";
import {
  inputShown,
  putInStep,
  numberSaid,
  shortly,
  slopeStep,
  valueSaid,
  written,
  type NumberSaid,
  type Shown,
  type WorkingStep,
} from "../../working";
import type { Asking } from "../common/asking";
import { applied, joined, preludeFor, writtenBody } from "../common/working";
import type { QuestionOf } from "../kind";

/** At an input the slope by the rules; between two the quotient of differences. */
export function working(asking: Asking<QuestionOf<"rate">>): WorkingStep[] {
  const { q } = asking;
  const body = writtenBody(asking);
  return q.between ? average(asking, body, q.between) : atOne(asking, body);
}

function atOne(asking: Asking<QuestionOf<"rate">>, body: Expression): WorkingStep[] {
  const { name, variable } = asking;
  const at = asking.amount(asking.q.at ?? 0, "the input");
  const step = slopeStep(body, name, variable.name);
  const slope = shortly(inlineByRule(differentiate(body), asking.table));
  const value = step && valueSaid(slope, at, asking.table, null);
  const put = value && putInStep(`${name}'`, slope, at, value);
  if (!step || !put) return [];
  const asked = applied(`${name}'`, inputShown(at).text);
  return [...preludeFor(asking, "How fast it changes there is the slope.", asked), step, put];
}

function average(
  asking: Asking<QuestionOf<"rate">>,
  body: Expression,
  between: NonNullable<QuestionOf<"rate">["between"]>,
): WorkingStep[] {
  const { name, table } = asking;
  const ends = between.map((a) => asking.amount(a, "an end")) as [Spot, Spot];
  const [a, b] = ends.map(inputShown) as [Shown, Shown];
  const [fa, fb] = [a, b].map((end) => applied(name, end.text)) as [Shown, Shown];
  const values = ends.map((end) => valueSaid(body, end, table, null));
  const [low, high] = values;
  if (!low || !high) return [];
  const quotient = fraction(joined(fb, "-", fa), joined(b, "-", inBrackets(a)));
  const numbers = fraction(joined(high.shown, "-", inBrackets(low.shown)), joined(b, "-", inBrackets(a)));
  const result = rateOf([low, high], ends);
  const rows = ends.flatMap((end, i) => {
    const one = putInStep(name, body, end, values[i]!);
    return one
      ? [one]
      : [written("value", "The value there.", joined([fa, fb][i]!, values[i]!.sign, values[i]!.shown))];
  });
  return [
    ...preludeFor(asking, "The change of the function over that of its input.", quotient),
    ...rows,
    written("difference quotient", "The quotient of differences.", joined(numbers, result.sign, result.shown)),
    ...(asking.q.as === "percent" ? inPercent(result, low, fa) : []),
  ];
}

/** Of what the function is at the start. */
function inPercent(rate: NumberSaid, start: NumberSaid, at: Shown): WorkingStep[] {
  const exact = rate.exact && start.exact && !isZero(start.exact) ? rate.exact.div(start.exact) : null;
  const part = numberSaid((100 * rate.value) / start.value, exact && exact.mul(ratio(100)));
  const quotient = {
    text: `${rate.shown.text}/${start.shown.text}`,
    latex: `${rate.shown.latex}/${start.shown.latex}`,
  };
  const percent = { text: `${part.shown.text}%`, latex: `${part.shown.latex}\\%` };
  return [written("percent", `As a part of ${at.text}.`, joined(quotient, part.sign, percent))];
}

function rateOf([low, high]: readonly [NumberSaid, NumberSaid], [a, b]: readonly [Spot, Spot]): NumberSaid {
  const isExact = low.exact && high.exact && a.rational && b.rational;
  if (!isExact) return numberSaid((high.value - low.value) / (b.at - a.at), null);
  const exact = high.exact.sub(low.exact!).div(b.rational!.sub(a.rational!));
  return numberSaid(toDouble(exact), exact);
}

const inBrackets = (s: Shown): Shown => (/^[−-]/.test(s.text) ? { text: `(${s.text})`, latex: `(${s.latex})` } : s);
const fraction = (top: Shown, bottom: Shown): Shown => ({
  text: `(${top.text})/(${bottom.text})`,
  latex: `\\frac{${top.latex}}{${bottom.latex}}`,
});
