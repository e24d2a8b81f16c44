import { re } from "../pattern";
import { plural } from "../../units";
import type { FitModel } from "../../model";
import type { Amount } from "../amount";
import { Draft } from "../draft";
import { isTimeUnit, unitOfWord } from "../spokenUnits";
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
  draft.use(...table.xs.filter((a) => !table.ys.includes(a)), ...table.ys);
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
  const isDemand = x.kind === "money" && y.kind !== "money";
  const price = isDemand
    ? draft.formula({ name: draft.name("R"), unit: x.unit, label: "revenue" }, xName, `${xName} ${f}(${xName})`, table)
    : null;
  for (const ask of told.asks)
    askSeries(draft, ask, { f: price && EARNS.test(ask.text) ? price : f, x, since, isTime, table });
  return draft;
}

function tableOf(told: Told): Table | null {
  const runs = told.sentences
    .filter((s) => !s.asks)
    .map((s) => told.stated.filter((a) => a.sentence === s && a.kind !== "times" && a.kind !== "percent"));
  for (const run of runs) {
    const table = paired(run, told.story) ?? listed(run, told.story);
    if (table) return table;
  }
  return null;
}

const keyOf = (a: Amount): string =>
  a.kind === "bare" || a.kind === "count"
    ? "n"
    : a.kind === "money"
      ? "$"
      : a.kind === "date"
        ? "date"
        : (a.unit ?? "n");

/** Numbers that alternate between two kinds, three pairs or more; the two of a pair stand closest together. */
function paired(run: readonly Amount[], story: string): Table | null {
  const parts = run.map((_, from) => alternating(run, from)).filter((part) => part !== null);
  const gaps = (part: readonly Amount[]) =>
    part.reduce((sum, a, i) => (i % 2 === 0 ? sum + part[i + 1]!.start - a.end : sum), 0);
  const best = parts.sort((p, q) => q.length - p.length || gaps(p) - gaps(q))[0];
  if (!best) return null;
  const [firsts, seconds] = [0, 1].map((k) => best.filter((_, i) => i % 2 === k)) as [Amount[], Amount[]];
  const [a, b] = [keyOf(firsts[0]!), keyOf(seconds[0]!)];
  // The input is what is set: a time, a date, a price; a count follows it.
  const isSecondInput = b === "date" || isTimeUnit(b) || (b === "$" && a === "n" && !isCost(best, story));
  const [xs, ys] = isSecondInput ? [seconds, firsts] : [firsts, seconds];
  return { xs, ys, rows: xs.map((x, i) => [x.value, ys[i]!.value] as const), ...hull(best) };
}
/** The longest stretch of pairs of the same two kinds from a place on. */
function alternating(run: readonly Amount[], from: number): Amount[] | null {
  if (from + 6 > run.length) return null;
  const [a, b] = [keyOf(run[from]!), keyOf(run[from + 1]!)];
  let to = from;
  while (to + 1 < run.length && keyOf(run[to]!) === a && keyOf(run[to + 1]!) === b) to += 2;
  return a === b || to - from < 6 ? null : run.slice(from, to);
}
const isCost = (part: readonly Amount[], story: string): boolean =>
  /\b(?:cost|quoted|paid)\w*\b/i.test(story.slice(part[0]!.sentence.start, part[0]!.start));

const EVERY_TIME = /\b(?:each|every|per|a|from|year by|week by|day by)\s+(second|minute|hour|day|week|month|year)\b/i;
const NUMBERED = re("i")`
  \bin (?:the )?(second|minute|hour|day|week|month|year)s? (\d+)(?: to | through |–|-)(\d+)\b`;
/** "phones in weeks 1 to 4", after as many numbers: the unit. */
function numberedTimes(after: string, count: number): string | null {
  const m = NUMBERED.exec(after);
  return m && Number(m[2]) === 1 && Number(m[3]) === count ? m[1]!.toLowerCase() : null;
}
/** "each year a few more: 163, 190, 211 and 224": one number for each time, counted from 1. */
function listed(run: readonly Amount[], story: string): Table | null {
  const isNext = (a: Amount, b: Amount) =>
    keyOf(a) === keyOf(b) && /^[\s,;]*(?:and\s*)?$/.test(story.slice(a.end, b.start));
  let ys: Amount[] = [];
  run.forEach((a, i) => {
    const part = [a];
    for (let k = i; k + 1 < run.length && isNext(run[k]!, run[k + 1]!); k++) part.push(run[k + 1]!);
    if (part.length > ys.length) ys = part;
  });
  const first = run[run.indexOf(ys[0]!) - 1];
  const text = ys[0] ? story.slice(ys[0].sentence.start, ys[0].start) : "";
  if (first && /\bfirst\b[^,]*$/i.test(story.slice(first.sentence.start, first.start))) ys = [first, ...ys];
  const after = ys[0] ? story.slice(ys.at(-1)!.end, ys[0].sentence.end) : "";
  const unit = EVERY_TIME.exec(text)?.[1]?.toLowerCase() ?? numberedTimes(after, ys.length);
  if (ys.length < 4 || !unit) return null;
  const at = (i: number): Amount => ({ ...ys[0]!, kind: "time", unit: unitOfWord(unit), value: i + 1 });
  return { xs: ys.map((_, i) => at(i)), ys, rows: ys.map((y, i) => [i + 1, y.value] as const), ...hull(ys) };
}

/** The model its words call for; a line where they say nothing. */
function modelFor({ story }: Told, rows: readonly [number, number][]): FitModel {
  if (/\b(?:quadratic|parabola|rises and (?:then )?falls|falls and then rises)\b/i.test(story)) return "quadratic";
  if (/\b(?:exponential\w*|grows? by the same (?:share|percentage|factor)|compound)\b/i.test(story))
    return "exponential";
  if (/\bmore and more slowly|\bslower and slower/i.test(story)) return "logarithmic";
  if (/\b(?:levels? off|logistic|saturat\w*)\b/i.test(story) && rows.length > 4) return "logistic";
  if (/\bpower (?:law|function|model)\b/i.test(story)) return "power";
  return "linear";
}

const EARNS = /\b(?:earn|revenue|income|takings|brings? in|profit)\w*\b/i;

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
