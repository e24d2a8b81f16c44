import { plural } from "../../units";
import type { FitModel } from "../../model";
import type { Amount } from "../amount";
import { Draft } from "../draft";
import { isTimeUnit } from "../spokenUnits";
import { hull, type Span } from "../text";
import type { Told } from "../told";
import { inUnit } from "./measure";

/** A small table that is told in a sentence: inputs with what belongs to each. */
interface Table extends Span {
  readonly xs: readonly Amount[];
  readonly ys: readonly Amount[];
  readonly rows: readonly (readonly [number, number])[];
}

/** Three or more pairs of numbers in one sentence become data, and a function fitted to them. */
export function series(told: Told): Draft | null {
  const table = tableOf(told);
  if (!table) return null;
  const draft = new Draft();
  const [x, y] = [table.xs[0]!, table.ys[0]!];
  const isTime = isTimeUnit(x.unit) || x.kind === "date";
  const xUnit = x.kind === "date" ? "year" : x.unit && x.kind === "money" ? `${x.unit}/${y.unit ?? "piece"}` : x.unit;
  const xName = draft.name(isTime ? "t" : x.kind === "money" ? "p" : "x");
  const yName = draft.name(y.kind === "money" ? "C" : y.unit === "m" || y.unit === "cm" ? "h" : "N");
  const since = x.kind === "date" ? x.value : null;
  const rows = table.rows.map(([a, b]) => [since === null ? a : a - since, b]);
  draft.use(...table.xs, ...table.ys);
  const yUnit = y.unit ?? table.ys.find((a) => a.unit)?.unit ?? null;
  const label = yUnit && y.kind === "count" ? plural(yUnit) : y.kind === "money" ? "amount" : "number";
  draft.data(
    {
      name: "told",
      columns: [
        { name: xName, ...(xUnit ? { unit: xUnit } : {}) },
        { name: "value", ...(yUnit ? { unit: yUnit } : {}) },
      ],
      rows,
    },
    table,
  );
  draft.variable(
    {
      name: xName,
      ...(xUnit ? { unit: xUnit } : {}),
      label: isTime ? "time" : x.kind === "money" ? "price" : "input",
      from: Math.min(...rows.map((r) => r[0]!)),
      ...(since === null ? {} : { since }),
    },
    table,
  );
  const model = modelFor(told, rows as [number, number][]);
  const f = draft.by(
    { name: yName, unit: yUnit, label },
    xName,
    { kind: "fit", data: "told", x: xName, y: "value", model },
    table,
  );
  draft.notes.push(`A ${model} model is offered for the ${rows.length} readings; the Data view ranks others.`);
  for (const ask of told.asks) askSeries(draft, ask, { f, x, since, isTime, table });
  return draft;
}

function tableOf(told: Told): Table | null {
  const runs = told.sentences
    .filter((s) => !s.asks)
    .map((s) => told.stated.filter((a) => a.sentence === s && a.kind !== "times" && a.kind !== "percent"));
  for (const run of runs) {
    const table = paired(run);
    if (table) return table;
  }
  return null;
}
/** Numbers that alternate between two kinds, three pairs or more. */
function paired(run: readonly Amount[]): Table | null {
  const key = (a: Amount) =>
    a.kind === "bare" || a.kind === "count"
      ? "n"
      : a.kind === "money"
        ? "$"
        : a.kind === "date"
          ? "date"
          : (a.unit ?? "n");
  for (let from = 0; from + 6 <= run.length; from++) {
    const [a, b] = [key(run[from]!), key(run[from + 1]!)];
    let to = from;
    while (to + 1 < run.length && key(run[to]!) === a && key(run[to + 1]!) === b) to += 2;
    const count = (to - from) / 2;
    if (count < 3 || (a === b && a !== "n")) continue;
    if (a === b) continue;
    const part = run.slice(from, to);
    const firsts = part.filter((_, i) => i % 2 === 0);
    const seconds = part.filter((_, i) => i % 2 === 1);
    // The input is what is set: a time, a date, a price; a count follows it.
    const isSecondInput = b === "date" || isTimeUnit(b) || (b === "$" && a === "n");
    const [xs, ys] = isSecondInput ? [seconds, firsts] : [firsts, seconds];
    return { xs, ys, rows: xs.map((x, i) => [x.value, ys[i]!.value] as const), ...hull(part) };
  }
  return null;
}

/** The model its words call for; a line where they say nothing. */
function modelFor({ story }: Told, rows: readonly [number, number][]): FitModel {
  if (/\b(?:quadratic|parabola|rises and (?:then )?falls|falls and then rises)\b/i.test(story)) return "quadratic";
  if (/\b(?:exponential\w*|grows? by the same (?:share|percentage|factor)|compound)\b/i.test(story))
    return "exponential";
  if (/\b(?:levels? off|logistic|saturat\w*)\b/i.test(story) && rows.length > 4) return "logistic";
  if (/\bpower (?:law|function|model)\b/i.test(story)) return "power";
  return "linear";
}

interface Asking {
  readonly f: string;
  readonly x: Amount;
  readonly since: number | null;
  readonly isTime: boolean;
  readonly table: Table;
}
function askSeries(draft: Draft, ask: Told["asks"][number], { f, x, since, isTime, table }: Asking): void {
  const isInput = (a: Amount) =>
    since === null ? a.kind === x.kind || (isTime && a.kind === "time") : a.kind === "date";
  const input = ask.amounts.find(isInput);
  const level = ask.amounts.find((a) => a !== input && a.kind !== "times");
  draft.use(...ask.amounts);
  if (ask.intent === "greatest" || ask.intent === "least") draft.ask({ ask: ask.intent, function: f }, ask);
  else if (input && ask.intent !== "reach")
    draft.ask(
      {
        ask: "value",
        function: f,
        at:
          since === null
            ? isTime && input.kind === "time"
              ? (inUnit(input, x.unit ?? "s") ?? input.value)
              : input.value
            : input.value - since,
      },
      ask,
    );
  else if (level ?? input) draft.ask({ ask: "reach", function: f, value: (level ?? input)!.value }, ask);
  else if (ask.intent === "multiply" && ask.factor)
    draft.ask({ ask: "multiply", function: f, factor: ask.factor, start: table.rows[0]![0] - (since ?? 0) }, ask);
}
