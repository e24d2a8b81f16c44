import { differentiate, divide, subtract, type Expression } from "../../formula";
import { inline, tidied, valueAt, type Spot } from "../../solve";
import { formatNumber } from "../../explain";
import {
  inputShown,
  putInStep,
  numberLatex,
  slopeStep,
  valueSaid,
  written,
  type Shown,
  type WorkingStep,
} from "../../working";
import { numberOf, type Asking } from "../common/asking";
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
  const slope = tidied(inline(differentiate(body), asking.table));
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
  const exact = ends.map((end) => valueAt(body, end, table));
  const result = rateOf(exact, ends, asking);
  if (result === null) return [];
  const rows = ends.flatMap((end, i) => {
    const one = putInStep(name, body, end, values[i]!);
    return one ? [one] : [written("value", "The value there.", joined([fa, fb][i]!, "=", values[i]!.shown))];
  });
  const said = formatNumber(result, 8);
  return [
    ...preludeFor(asking, "The change of the function over that of its input.", quotient),
    ...rows,
    written("difference quotient", "The quotient of differences.", {
      text: `${numbers.text} = ${said}`,
      latex: `${numbers.latex} = ${numberLatex(said)}`,
    }),
    ...(asking.q.as === "percent" ? inPercent(result, low.value, fa) : []),
  ];
}

/** Of what the function is at the start. */
function inPercent(rate: number, start: number, at: Shown): WorkingStep[] {
  const [top, bottom, said] = [rate, start, (100 * rate) / start].map((n) => formatNumber(n, 8)) as [
    string,
    string,
    string,
  ];
  const shown = { text: `${top}/${bottom} = ${said}%`, latex: numberLatex(`${top}/${bottom} = ${said}%`) };
  return [written("percent", `As a part of ${at.text}.`, shown)];
}

function rateOf(
  values: readonly ReturnType<typeof valueAt>[],
  [a, b]: readonly [Spot, Spot],
  { table }: Asking,
): number | null {
  const [low, high] = values.map((v) => (v.kind === "value" ? v.form : null));
  if (!low || !high) {
    const [p, q] = values.map((v) => (v.kind === "value" ? (v.lo + v.hi) / 2 : NaN)) as [number, number];
    return Number.isNaN(p + q) ? null : (q - p) / (b.at - a.at);
  }
  const quotient = divide(subtract(high, low), subtract(numberOf(b), numberOf(a)));
  const v = valueAt(quotient, a, table);
  return v.kind === "value" ? (v.lo + v.hi) / 2 : null;
}

const inBrackets = (s: Shown): Shown => (/^[−-]/.test(s.text) ? { text: `(${s.text})`, latex: `(${s.latex})` } : s);
const fraction = (top: Shown, bottom: Shown): Shown => ({
  text: `(${top.text})/(${bottom.text})`,
  latex: `\\frac{${top.latex}}{${bottom.latex}}`,
});
