import { re } from "../pattern";
import { plural } from "../../units";
import type { Amount } from "../amount";
import { Draft } from "../draft";
import { isNounEnd } from "../smallWords";
import { isTimeUnit, unitOfNoun } from "../spokenUnits";
import { hull } from "../text";
import type { Told } from "../told";
import { inUnit } from "./measure";
import { lawsOf, type Law } from "./growthLaws";
import { askGrowth, type Course } from "./growthAsks";

/** Growth and decay by a rate or a factor, one course or several of them. */
export function growth(told: Told): Draft | null {
  const laws = lawsOf(told);
  if (laws.length === 0) return null;
  const draft = new Draft();
  const time = laws[0]!.time;
  const starts = startsOf(told, laws);
  const needsNoStart = told.asks.some((a) => a.intent === "multiply" || a.amounts.some((x) => x.kind === "percent"));
  if (starts.length === 0 && !needsNoStart) return null;
  const t = draft.name("t");
  const since = told.stated.find(
    (a) => a.kind === "date" && time === "year" && a.start < (starts[0]?.end ?? laws[0]!.end) + 30,
  );
  if (since) draft.use(since);
  const horizon = horizonOf(told, laws.length, time);
  draft.variable(
    {
      name: t,
      unit: time,
      label: "time",
      from: 0,
      ...(horizon ? { to: horizon } : {}),
      ...(since ? { since: since.value } : {}),
    },
    since ?? null,
  );
  if (horizon) draft.notes.push(`Compared on ${horizon} ${plural(time)}: the story does not say how long.`);
  const names = NAMES[told.amounts.some((a) => a.kind === "money") ? "money" : "things"];
  const made = new Map<Amount, string>();
  const courses = laws.map((law, i) =>
    courseOf(draft, told, { law, start: startFor(law, starts, laws, told), t, names, made, place: i, of: laws.length }),
  );
  askGrowth(draft, told, courses, time, since?.value ?? null);
  return draft;
}
/** Comparing needs an end; a story that asks which is better and names no time gets one. */
function horizonOf(told: Told, courses: number, time: string): number | null {
  if (courses < 2 || !told.asks.some((a) => a.intent === "cheaper" || a.intent === "least" || a.intent === "greatest"))
    return null;
  const asked = told.asks
    .flatMap((a) => a.amounts)
    .filter((a) => a.kind === "time")
    .map((a) => inUnit(a, time) ?? 0);
  return Math.max(30, ...asked.map((a) => 2 * a));
}
const NAMES = {
  money: { start: ["K", "S"], course: ["A", "B", "D"] },
  things: { start: ["N0", "S"], course: ["N", "M", "L"] },
};

const START = re("i")`
    \b(?:invest\w*|deposit\w*|puts?|start\w*|begin\w*|began|begun|has|have|had|populat\w*|worth|
    bought|borrow\w*|lends?|lent|counted|now|today|initial\w*|with|of|is|was|were|are|contain\w*|
    hold\w*|lives?|inherit\w*|receiv\w*|sav\w*|cost|loan|fund|open\w*|followers|at first)\b`;

/** A number without a unit is a start only right after a word that says so. */
const BEGINS = re("i")`
    \b(?:starts?|started|begins?|began|first|initially|were|was|are|is|has|have|had|of|with|to|
    by)\s*(?:with\s*|at\s*|about\s*|only\s*)?$`;

/** Amounts that something starts from. */
function startsOf(told: Told, laws: readonly Law[]): Amount[] {
  const inLaw = new Set(laws.flatMap((l) => [l.rate, l.every]));
  const fits = (a: Amount) =>
    !inLaw.has(a) &&
    (a.kind === "money" || a.kind === "count" || a.kind === "measure" || a.kind === "bare") &&
    a.limit === null &&
    a.change === null &&
    !isTimeUnit(a.unit) &&
    (a.per === null || a.kind === "bare");
  const target = re("i")`
      \b(?:needs?|wants?|will cost|costs|goal|target|room for|reach\w*|at least|until|capacity|
      price of|enough for|dear)\b`;
  const told1 = told.stated.filter((a) => fits(a) && (a.kind !== "bare" || BEGINS.test(a.before)));
  const sure = told1.filter(
    (a) =>
      !target.test(told.story.slice(a.sentence.start, a.start).split(/[,;]/).pop()!) ||
      (START.test(a.before.split(/\b(?:and|but)\b/).pop()!) && !target.test(a.before)),
  );
  const list = sure.length > 0 ? sure : told1.slice(0, 1);
  if (list.length > 0) return list;
  // "When will $2,000 at 5 % a year have grown to $3,000?"
  return told.amounts.filter((a) => fits(a) && a.kind !== "bare").slice(0, 1);
}

/** The start that belongs to a law: the nearest before it when there are as many, else the first. */
function startFor(law: Law, starts: readonly Amount[], laws: readonly Law[], told: Told): Amount | null {
  if (starts.length === 0) return null;
  if (laws.length === 1 || starts.length === 1) return starts[0]!;
  const same = starts.filter((s) => s.sentence.start <= law.start && s.sentence.end >= law.end);
  const nearest = same.filter((s) => s.end <= law.start).pop();
  if (same.length > 0) return nearest ?? same[same.length - 1]!;
  const before = starts.filter((s) => s.end <= law.start);
  return starts.length >= laws.length
    ? (starts[laws.indexOf(law)] ?? null)
    : (before[before.length - 1] ?? told.stated[0] ?? null);
}

interface CourseParts {
  readonly law: Law;
  readonly start: Amount | null;
  readonly t: string;
  readonly names: { readonly start: readonly string[]; readonly course: readonly string[] };
  /** starts that have their given already */
  readonly made: Map<Amount, string>;
  readonly place: number;
  readonly of: number;
}

/** "the number of visitors was 15,000": visitors. */
function unitBefore(a: Amount, { story }: Told): string | null {
  const counted = /\bnumber of (\p{L}+)/u.exec(story.slice(a.sentence.start, a.start))?.[1];
  if (counted) return unitOfNoun(counted);
  return a.kind === "bare" && PEOPLE.test(story) ? "person" : null;
}
const PEOPLE = /\b(?:population|inhabitants|people live)\b/i;
/** A course of growth as a function of time. */
function courseOf(draft: Draft, told: Told, { law, start, t, names, made, place, of }: CourseParts): Course {
  const unit = start ? (start.unit ?? unitBefore(start, told)) : null;
  const label = start && start.kind === "count" ? plural(start.unit!) : start?.kind === "money" ? "amount" : "amount";
  const s = start === null ? "1" : (made.get(start) ?? draft.given(start, names.start, unit, "at the start"));
  if (start) made.set(start, s);
  const text = lawText(draft, told, law, s, t);
  const option = of > 1 ? optionLabel(law, told) : null;
  const name = draft.formula(
    { name: draft.name(...names.course.slice(place), ...names.course), unit, label: option ?? label },
    t,
    text,
    start ? hull([start, law]) : law,
  );
  return { name, start, law, label: option };
}
function lawText(draft: Draft, told: Told, law: Law, s: string, t: string): string {
  if (law.every) {
    const T = draft.given(law.every, ["T", "H"], law.time, law.factor! < 1 ? "half-life" : "time to be multiplied");
    return `${s} ${law.factor === 0.5 ? "(1/2)" : law.factor}^(${t}/${T})`;
  }
  if (!law.rate) return `${s} ${law.factor === 0.5 ? "(1/2)" : law.factor}^${t}`;
  const { rate } = law;
  const perTime = `%/${law.time}`;
  const i = draft.given(rate, ["i", "r", "j", "k"], perTime, law.sign < 0 ? "rate of loss" : labelRate(rate, told));
  const sign = law.sign < 0 ? "-" : "+";
  if (law.added === "always") return `${s} exp(${law.sign < 0 ? "-" : ""}${i} ${t})`;
  return law.added === 1 ? `${s} (1 ${sign} ${i})^${t}` : `${s} (1 ${sign} ${i}/${law.added})^(${law.added} ${t})`;
}
const labelRate = (rate: Amount, told: Told): string =>
  /\binterest|bank|account|invest/i.test(told.story) && rate.kind === "percent" ? "interest rate" : "growth rate";

/** "the first bank", "Northville": who this course is of. */
function optionLabel(law: Law, told: Told): string | null {
  const rate = law.rate ?? law.every;
  if (!rate) return null;
  const clause = told.story
    .slice(rate.sentence.start, rate.start)
    .split(/[;,]\s/)
    .pop()!;
  const m = re("u")`\b(?:[Tt]he |[Aa]n? )?(\p{Lu}\p{L}+|first|second|third|other|another|one)(\s\p{L}+)?`.exec(clause);
  if (!m) return null;
  const next = m[2]?.trim() ?? "";
  return next === "" || (isNounEnd(next.toLowerCase()) && next.length > 1) ? m[1]! : `${m[1]!} ${next}`;
}
