import { re } from "../pattern";
import { plural, singular } from "../../units";
import type { FitModel } from "../../model";
import type { Amount } from "../amount";
import { Draft } from "../draft";
import { isPlural } from "../nouns";
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
  const tables = tablesOf(told);
  const table = tables.find((t) => t.xs[0]!.kind === "money") ?? tables[0];
  if (!table) return null;
  const draft = new Draft();
  const main = fitted(draft, told, table);
  const isDemand = table.xs[0]!.kind === "money" && table.ys[0]!.kind !== "money";
  const costs = isDemand ? tables.find((t) => t !== table && isOfCosts(t, main.yUnit)) : null;
  const earned = isDemand ? earnedOf(draft, told, main, costs ?? null) : null;
  const since = main.since;
  for (const ask of told.asks) {
    const f = earned && EARNS.test(ask.text) ? earned : main.f;
    askSeries(draft, ask, { f, x: table.xs[0]!, since, isTime: main.isTime, table });
  }
  return draft;
}

interface Fitted {
  readonly f: string;
  readonly xName: string;
  readonly yUnit: string | null;
  readonly isTime: boolean;
  /** dates are counted from this year */
  readonly since: number | null;
  readonly table: Table;
}

/** One table as data, its input, and a function fitted to it. */
function fitted(draft: Draft, told: Told, table: Table): Fitted {
  const [x, y] = [table.xs[0]!, table.ys[0]!];
  const isTime = isTimeUnit(x.unit) || x.kind === "date";
  const yUnit = y.unit ?? table.ys.find((a) => a.unit)?.unit ?? countedUnit(told, table);
  const thing = table.xs.find((a) => a.unit)?.unit ?? null;
  const perPiece = x.unit && x.kind === "money" ? `${x.unit}/${yUnit ?? "piece"}` : (x.unit ?? thing);
  const xUnit = x.kind === "date" ? "year" : perPiece;
  const isCount = isCounted(x) && y.kind === "money";
  const xName = draft.name(isTime ? "t" : x.kind === "money" ? "p" : isCount ? "q" : "x");
  const yName = draft.name(y.kind === "money" ? "C" : y.unit === "m" || y.unit === "cm" ? "h" : "N");
  const since = x.kind === "date" ? x.value : null;
  const rows = table.rows.map(([a, b]) => [since === null ? a : a - since, b]);
  draft.use(...table.xs.filter((a) => !table.ys.includes(a)), ...table.ys);
  const label =
    yUnit && y.kind !== "money" ? plural(yUnit) : isCount ? "cost" : y.kind === "money" ? "amount" : "number";
  const input = isTime ? "time" : x.kind === "money" ? "price" : isCount && xUnit ? plural(xUnit) : "input";
  const data = draft.data(
    {
      name: draft.dataName("told", isCount ? "costs" : "told"),
      columns: [
        { name: xName, ...(xUnit ? { unit: xUnit } : {}) },
        { name: "value", ...(yUnit ? { unit: yUnit } : {}) },
      ],
      rows,
    },
    table,
  );
  const from = Math.min(...rows.map((r) => r[0]!));
  const row = { name: xName, ...(xUnit ? { unit: xUnit } : {}), label: input, from };
  draft.variable({ ...row, ...(since === null ? {} : { since }) }, table);
  const model = modelFor(told, rows as [number, number][]);
  const by = { kind: "fit", data, x: xName, y: "value", model } as const;
  const f = draft.by({ name: yName, unit: yUnit, label }, xName, by, table);
  draft.notes.push(`${f}: a ${model} model is offered for the ${rows.length} readings; the Data view ranks others.`);
  return { f, xName, yUnit, isTime, since, table };
}

/** What a demand brings in at each price; less what so many cost, where a table tells that. @returns the function */
function earnedOf(draft: Draft, told: Told, { f, xName, table }: Fitted, costs: Table | null): string {
  const { unit } = table.xs[0]!;
  const revenue = { name: draft.name("R"), unit, label: "revenue" };
  const R = draft.formula(revenue, xName, `${xName} ${f}(${xName})`, table);
  if (!costs) return R;
  const C = fitted(draft, told, costs).f;
  const profit = { name: draft.name("P"), unit, label: "profit" };
  return draft.formula(profit, xName, `${R}(${xName}) - ${C}(${f}(${xName}))`, costs);
}

/** A table of what so many of the things that are sold cost. */
const isOfCosts = ({ xs, ys }: Table, thing: string | null): boolean =>
  ys[0]!.kind === "money" && isCounted(xs[0]!) && (xs.find((a) => a.unit)?.unit ?? thing) === thing;

const isCounted = (a: Amount): boolean => a.kind === "count" || a.kind === "bare";

/** "how many lanterns went": what plain numbers of a table count. */
function countedUnit({ story }: Told, { ys }: Table): string | null {
  if (ys[0]!.kind !== "bare") return null;
  const { start } = ys[0]!.sentence;
  const noun = /\bhow many (\p{L}+)\b[^.?!]*$/iu.exec(story.slice(start, ys[0]!.start))?.[1]?.toLowerCase();
  return noun && isPlural(noun) ? singular(noun) : null;
}

/** The tables of a story, one a sentence at most, in its order. */
function tablesOf(told: Told): Table[] {
  return told.sentences
    .filter((s) => !s.asks)
    .map((s) => told.stated.filter((a) => a.sentence === s && a.kind !== "times" && a.kind !== "percent"))
    .map((run) => paired(run, told.story) ?? listed(run, told.story))
    .filter((table) => table !== null);
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
  const isSecondInput =
    b === "date" ||
    isTimeUnit(b) ||
    (b === "$" && a === "n" && !isCost(best, story)) ||
    (a === "$" && b === "n" && isCost(best, story));
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
