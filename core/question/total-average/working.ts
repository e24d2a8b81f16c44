import { add, dependsOnVariable, divide, substitute, subtract, type Expression } from "../../formula";
import { formatNumber } from "../../explain";
import { compareSpots, constantValue, partition, type FunctionTable, type Spot } from "../../solve";
import {
  antiderivative,
  holdsCalls,
  inputShown,
  numberLatex,
  numberSaid,
  shortly,
  sideShown,
  written,
  type NumberSaid,
  type Shown,
  type WorkingStep,
} from "../../working";
import { numberOf, type Asking } from "../common/asking";
import { joined, preludeFor, writtenBody } from "../common/working";
import type { TotalFinding } from "../finding";
import type { QuestionOf } from "../kind";

/** Stretches that are summed one by one; more would be no working. */
const MOST_STRETCHES = 6;

interface Stretch {
  readonly from: Spot;
  readonly to: Spot;
  readonly formula: Expression;
}
interface Summed extends Stretch {
  readonly primitive: Expression;
  readonly sum: Expression;
  readonly told: NumberSaid;
}

/** The antiderivative, stretch by stretch, put in at the ends; else that a numerical rule was used. */
export function working(asking: Asking<QuestionOf<"total" | "average">>, f: TotalFinding | null): WorkingStep[] {
  const ends = asking.q.between.map((a) => asking.amount(a, "an end")) as [Spot, Spot];
  const [from, to] = ends;
  if (compareSpots(from, to, asking.table) !== -1) return [];
  const { ask } = asking.q;
  const says =
    ask === "total"
      ? "The total over a stretch is the area under the function."
      : "The average is the total over the stretch, divided by its length.";
  const start = preludeFor(asking, says, asked(asking, from, to));
  const list = stretchesOf(writtenBody(asking), from, to, asking)?.map((s) => summed(s, asking));
  const sums = list?.every((s) => s !== null) ? (list as Summed[]) : null;
  const steps = sums ? byParts(sums, asking) : numerically(f);
  if (!steps) return [];
  return [...start, ...steps, ...(sums ? ending(sums, from, to, asking) : [])];
}

function asked({ q, name, variable }: Asking<QuestionOf<"total" | "average">>, from: Spot, to: Spot): Shown {
  const [a, b] = [from, to].map(inputShown) as [Shown, Shown];
  const isAverage = q.ask === "average";
  const length = { text: `(${b.text} - ${bracketed(a.text)})`, latex: `${b.latex} - ${bracketed(a.latex)}` };
  const text = `${q.ask === "total" ? "total" : "area"} of ${name} from ${a.text} to ${b.text}`;
  const latex = `\\int_{${a.latex}}^{${b.latex}} ${name}(${variable.name})\\,\\mathrm{d}${variable.name}`;
  return isAverage
    ? { text: `(${text})/${length.text}`, latex: `\\frac{1}{${length.latex}} ${latex}` }
    : { text, latex };
}
const bracketed = (text: string): string => (/^[−-]/.test(text) ? `(${text})` : text);

function stretchesOf(body: Expression, from: Spot, to: Spot, { table }: Asking): Stretch[] | null {
  const out: Stretch[] = [];
  for (const part of partition([body], table, { from, to })) {
    if (part.kind === "place") continue;
    const formula = part.kind === "cell" ? part.formulas[0] : null;
    if (part.kind !== "cell" || !formula || !part.from || !part.to) return null;
    out.push({ from: part.from, to: part.to, formula });
  }
  return out.length <= MOST_STRETCHES ? out : null;
}

function summed(s: Stretch, { table }: Asking): Summed | null {
  const primitive = holdsCalls(s.formula) ? null : antiderivative(s.formula);
  if (!primitive) return null;
  const at = (spot: Spot) => (dependsOnVariable(primitive) ? substitute(primitive, numberOf(spot)) : primitive);
  const sum = subtract(at(s.to), at(s.from));
  const told = numberTold(sum, table);
  return told && { ...s, primitive, sum, told };
}

function byParts(sums: readonly Summed[], { name, variable }: Asking): WorkingStep[] {
  const x = variable.name;
  return sums.flatMap((s) => {
    const [a, b] = [s.from, s.to].map(inputShown) as [Shown, Shown];
    const [f, primitive] = [sideShown(s.formula, x), sideShown(shortly(s.primitive), x)];
    const where = sums.length > 1 ? `From ${a.text} to ${b.text}: a` : "A";
    const whose = sums.length > 1 ? f.text : `${name}(${x})`;
    const difference = {
      text: `A(${b.text}) - A(${a.text})`,
      latex: `A(${b.latex}) - A(${a.latex})`,
    };
    return [
      {
        ...written("antiderivative", `${where} function whose slope is ${whose}.`, {
          text: `A(${x}) = ${primitive.text}`,
          latex: `A(${x}) = ${primitive.latex}`,
        }),
        // Its slope was proven to be just that before it was written.
        follows: { before: f.text, how: "sum" as const, on: `${a.text} ≤ ${x} ≤ ${b.text}` },
      },
      written("ends", "Put in at both ends, and subtracted.", joined(difference, s.told.sign, s.told.shown)),
    ];
  });
}

function ending(
  sums: readonly Summed[],
  from: Spot,
  to: Spot,
  { q, table }: Asking<QuestionOf<"total" | "average">>,
): WorkingStep[] {
  const all = sums.map((s) => s.sum).reduce((a, b) => add(a, b));
  const length = subtract(numberOf(to), numberOf(from));
  const [total, long, mean] = [all, length, divide(all, length)].map((e) => numberTold(e, table));
  if (!total || !long || !mean) return [];
  const terms = (of: "text" | "latex") => sums.map((s) => bracketed(s.told.shown[of])).join(" + ");
  const parts = written(
    "sum",
    "The parts together.",
    joined({ text: terms("text"), latex: terms("latex") }, total.sign, total.shown),
  );
  const quotient = {
    text: `${total.shown.text}/${long.shown.text}`,
    latex: `${total.shown.latex}/${long.shown.latex}`,
  };
  return [
    ...(sums.length > 1 ? [parts] : []),
    ...(q.ask === "average"
      ? [written("average", "Divided by the length.", joined(quotient, mean.sign, mean.shown))]
      : []),
  ];
}

/** A number without variable, as it is told; null where it has no value. */
function numberTold(e: Expression, table: FunctionTable): NumberSaid | null {
  const v = constantValue(e, table);
  return v.kind === "value" ? numberSaid((v.lo + v.hi) / 2, v.exact) : null;
}

/** No antiderivative by these rules: the rule that was used, and how closely two agree. */
function numerically(f: TotalFinding | null): WorkingStep[] | null {
  if (!f || f.value === null || !f.secondWay) return null;
  const { method, second, difference } = f.secondWay;
  const [one, other, apart] = [formatNumber(f.value, 10), formatNumber(second, 10), formatNumber(difference, 2)];
  return [
    written(
      "numerical rule",
      `No antiderivative in closed form by these rules: enclosed by series on small steps, and again by ${method}.`,
      { text: `${one} and ${other}`, latex: `${numberLatex(one)} \\text{ and } ${numberLatex(other)}` },
    ),
    ...(apart === "0" ? [] : [written("numerical rule", "They differ by", { text: apart, latex: numberLatex(apart) })]),
  ];
}
