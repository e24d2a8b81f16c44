import { escaped } from "../../entry";
import { re } from "../pattern";
import type { Amount } from "../amount";
import { Draft } from "../draft";
import { subjectOf } from "../lexicon";
import { isTimeUnit, unitOfNoun, unitOfWord } from "../spokenUnits";
import { formatQuantity } from "../../explain";
import { parseUnit, plural } from "../../units";
import { hull, type Span } from "../text";
import { askOptions } from "./optionAsks";
import { clauseBefore, lastAt, type Told } from "../told";
import { inUnit } from "./measure";
import { perOf } from "./moneyRoles";

/** A way to pay, or something that changes by so much at a time: what it starts with, and its rate. */
interface Option extends Span {
  readonly once: readonly Amount[];
  readonly rate: Amount | null;
  /** −1 for what becomes less */
  readonly sign: 1 | -1;
  readonly label: string;
}

const LESS = re("i")`
    \b(?:los\w+|us(?:es|ed|ing)|leak\w*|drain\w*|burns?|burn\w*|empti\w*|fall\w*|drop\w*|sink\w*|
    shrink\w*|melt\w*|decreas\w*|pump\w* out|runs? out|flows? out|consum\w*|takes? out|pays? (?:back|off)|
    spends?|goes down|go down|declin\w*|fewer|less|down|cool\w*|lowers?|depreciat\w*)\b`;
const MORE = re("i")`
    \b(?:gain\w*|grow\w*|ris\w+|increas\w*|fill\w*|adds?|added|sav\w*|earn\w*|flows? in|climb\w*|
    put\w* in|puts? aside|deposit\w*|more|receiv\w*|collects?|up|warms?|heats?)\b`;
const PAYING = re("i")`
    \b(?:cheap\w*|cost\w*|pay\w*|pric\w*|charg\w*|fee|rent\w*|hir\w*|buy\w*|offers?|expensive|
    save\w*|tariff|plan|pass|ticket)\b`;

/** More ways than this are not compared with each other. */
const MOST_OPTIONS = 8;

/** Two or more ways that each have a start and a rate for one and the same thing; or one that rises or falls evenly. */
export function options(all: Told): Draft | null {
  // "For every $10 more" tells a step, no way to pay.
  const stated = all.stated.filter((a) => !/\b(?:every|each)\s*$/i.test(a.before));
  const copies = inOneUnit(stated);
  const draft = among({ ...all, stated: stated.map((a) => copies.get(a) ?? a) });
  for (const [own, copy] of copies) if (draft?.used.has(copy)) draft.use(own);
  return draft;
}

/** "2.4 m tall, grows 35 cm a year": what comes with the time is told in the unit of what is there. */
function inOneUnit(stated: readonly Amount[]): ReadonlyMap<Amount, Amount> {
  const unit = stated.find((a) => a.kind === "measure" && a.per === null)?.unit ?? null;
  const others = stated.filter((a) => a.kind === "measure" && a.per !== null && a.unit !== unit);
  return new Map(
    others.flatMap((a) => {
      const value = unit === null ? null : inUnit(a, unit);
      return value === null ? [] : [[a, { ...a, value, unit }] as const];
    }),
  );
}

/** The ways among what is stated. */
function among(told: Told): Draft | null {
  const rates = told.stated.filter(
    (a) => rateOf(a, told.story) !== null && a.kind !== "percent" && a.kind !== "date" && a.kind !== "times",
  );
  const per = mostCommon(
    rates.map((a) => rateOf(a, told.story)!),
    told,
  );
  if (per === null) return null;
  const own = rates.filter(
    (a) =>
      rateOf(a, told.story) === per &&
      isAlike(
        a,
        rates.find((r) => rateOf(r, told.story) === per)!,
      ),
  );
  // "$9 a visit. Others pay $14": what others pay is for one of the same.
  const others = own.length === 1 ? told.stated.find((a) => a.per === null && isOfOthers(a, own[0]!, told)) : undefined;
  if (others) own.push(others);
  own.sort((a, b) => a.start - b.start);
  const list = optionsOf(told, own, per).slice(0, MOST_OPTIONS);
  const isPaying = own[0]!.kind === "money" && PAYING.test(told.story);
  if (list.length === 0 || (list.length === 1 && (list[0]!.once.length === 0 || (isPaying && !isTimeUnit(per)))))
    return null;
  return draftOf(told, list, per, own[0]!);
}

const OTHERS = re("i")`
    \b(?:others?|without (?:a |the )?(?:card|pass|membership|ticket|subscription)|non-?members?|
    every(?:body|one) else|single (?:visit|ticket|ride|entry)s?|otherwise)\b[^.;]*$`;
/** A price of those who have no card, in a sentence of its own. */
const isOfOthers = (a: Amount, rate: Amount, { story }: Told): boolean =>
  a.kind === "money" && a.unit === rate.unit && a.sentence !== rate.sentence && OTHERS.test(clauseBefore(a, story));

/** One and the same thing, or a bare number that may be it. */
const isAlike = (a: Amount, b: Pick<Amount, "unit" | "kind">): boolean =>
  a.unit === b.unit || (a.kind === "bare" && b.kind === "count") || (a.kind === "count" && b.kind === "bare");

/** What an amount is for one of: a time, or a thing; null for an amount that is no rate. */
function rateOf(a: Amount, story: string): string | null {
  if (/^(?:m|km|ft|mi)\/(?:s|h)$/.test(a.unit ?? "") && a.per !== null) return null;
  if (a.per !== null && a.per !== "each" && a.per !== "season") return a.per;
  if (a.unit === "km/h") return "h";
  if (a.unit === "m/s") return "s";
  if (a.kind !== "money" || IS_PASS.test(clauseBefore(a, story))) return null;
  const per = perOf(a, story);
  return per === null || per === "each" ? null : unitOfNoun(per);
}
function mostCommon(words: readonly string[], told: Told): string | null {
  const votes = new Map<string, number>();
  for (const w of words) votes.set(w, (votes.get(w) ?? 0) + 1);
  // What is asked about decides between "a month" and "per minute".
  const asked = told.asks.map((a) => a.text).join(" ");
  for (const w of votes.keys())
    if (new RegExp(String.raw`\b(?:${wordsFor(w).join("|")})\b`, "i").test(asked)) votes.set(w, votes.get(w)! + 1);
  // Of two alike the thing is counted, not the time: cents per kWh beside so much a month.
  const rank = ([unit, count]: [string, number]) => count - (isTimeUnit(unit) ? 0.5 : 0);
  return [...votes].sort((a, b) => rank(b) - rank(a))[0]?.[0] ?? null;
}

const wordsFor = (unit: string): string[] => [
  unit,
  plural(unit),
  ...({ h: ["hours?"], min: ["minutes?"], s: ["seconds?"], km: ["kilomet(?:re|er)s?"] }[unit] ?? []),
];

/** Every rate with what stands beside it once; what has no rate of its own is a way to pay a flat sum. */
function optionsOf(told: Told, rates: readonly Amount[], per: string): Option[] {
  const unit = rates[0]!.unit === "km/h" ? "km" : rates[0]!.unit === "m/s" ? "m" : rates[0]!.unit;
  const onces = told.stated.filter(
    (a) =>
      !rates.includes(a) &&
      isAlike(a, { unit, kind: rates[0]!.kind }) &&
      !HOLDS.test(a.before) &&
      a.limit === null &&
      a.change === null &&
      isOnceBeside(a, per, told),
  );
  const sections = sectionsOf(told, rates);
  const inSection = (a: Amount, s: Span) => a.start >= s.start && a.end <= s.end;
  const made = rates.map((rate, i): Option => {
    const section = sections[i]!;
    const once = onces.filter((o) => inSection(o, section) && !isFlat(o, told, rate));
    return {
      once,
      rate,
      sign: signOf(rate, told),
      label: labelFor(once[0] ?? rate, told, i),
      ...hull([rate, ...once]),
    };
  });
  const left = onces.filter((o) => !made.some((m) => m.once.includes(o)) && isPassLike(o, told));
  const flat = left.map((o, i): Option => ({
    once: [o],
    rate: null,
    sign: 1,
    label: labelFor(o, told, made.length + i),
    start: o.start,
    end: o.end,
  }));
  const all = [...made, ...flat].sort((a, b) => a.start - b.start);
  const goal = new Set(told.asks.flatMap((q) => q.amounts));
  return all.filter((o) => o.once.every((a) => !goal.has(a)));
}
/** Owed once, or for a longer time than what is counted: $20 a month beside cents a minute. */
const isOnceBeside = (a: Amount, per: string, told: Told): boolean => {
  const own = rateOf(a, told.story);
  return own === null || (own !== per && (isTimeUnit(own) || a.per === null) && a.kind === "money");
};
/** What there is room for is a level to get to. */
const HOLDS = /\b(?:can hold|holds at most|holds up to|room for|capacity of|full at)\s*$/i;
const IS_PASS = /\b(?:pass|flat|season|unlimited|(?:day|weekly|monthly|yearly|annual) (?:ticket|card))\b/i;
const isPassLike = (a: Amount, told: Told): boolean =>
  a.kind === "money" &&
  (IS_PASS.test(clauseBefore(a, told.story)) ||
    re("i")`
      ^[^.;,]*\b(?:flat|unlimited|as (?:many|much|often) as|all you|whole (?:season|year|day)|
      season (?:pass|ticket))\b`.test(a.after));
/** A pass is a way of its own, unless its own clause has the rate as well. */
const isFlat = (o: Amount, told: Told, rate: Amount): boolean =>
  isPassLike(o, told) && (rate.start < o.start || PARTED.test(told.story.slice(o.end, rate.start)));
const PARTED = /[.;]\s|,?\s(?:while|whereas|(?:and )?the other|(?:and )?another)\b/i;

/** The stretch of the story that belongs to each rate: its clause, from the end of the one before it. */
function sectionsOf(told: Told, rates: readonly Amount[]): Span[] {
  const { story } = told;
  return rates.map((rate, i) => {
    const before = rates[i - 1];
    const after = rates[i + 1];
    const start = before === undefined ? 0 : cutBetween(story, before.end, rate.start);
    const end = after === undefined ? story.length : cutBetween(story, rate.end, after.start);
    return { start, end };
  });
}
/** Where one way ends and the next begins: the last end of a sentence between them, else "while", ";", ", another". */
function cutBetween(story: string, from: number, to: number): number {
  const text = story.slice(from, to);
  const stop = /[.;!?]\s/.exec(text);
  if (stop) return from + stop.index + 1;
  const joint = /,?\s+(?:while|whereas|but|and the other|and another|the other|another|and)\b|,/i.exec(text);
  return from + (joint?.index ?? 0);
}

function signOf(rate: Amount, told: Told): 1 | -1 {
  const around = `${told.story.slice(rate.sentence.start, rate.start)} ${rate.after.slice(0, 40)}`;
  if (
    rate.kind === "money" &&
    PAYING.test(around) &&
    !/\b(?:loan|debt|owes?|pays? back|pays? off|withdraw\w*|takes? out|spends?)\b/i.test(told.story)
  )
    return 1;
  return lastAt(LESS, around) > lastAt(MORE, around) ? -1 : 1;
}

/** What a way is called: the words before its first amount. */
function labelFor(a: Amount, told: Told, place: number): string {
  const named = re("u")`(?:^|\s)((?:\p{Ll}+\s)?\p{Lu}\p{L}*)\s+(?:for|at|is|asks?|takes?|costs?)?\s*$`.exec(
    a.before,
  )?.[1];
  return (
    subjectOf(a, told.story) ??
    named?.replace(/^(?:with|and|for|the|at)\s/, "") ??
    ["one way", "the other way", "the third way", "the fourth way"][place] ??
    "another way"
  );
}

function draftOf(told: Told, list: readonly Option[], per: string, first: Amount): Draft {
  const draft = new Draft();
  const isTime = isTimeUnit(per);
  const v = draft.name(isTime ? "t" : "n", "x");
  const limit =
    told.stated.find((a) => (a.limit === "<=" || /\b(?:lasts?|for)\s*$/i.test(a.before)) && a.unit === per) ?? null;
  draft.use(limit);
  const compares =
    list.length > 1 && told.asks.some((a) => a.intent === "cheaper" || a.intent === "least" || a.intent === "greatest");
  const top = limit ? limit.value : compares ? horizonOf(told, list, per) : null;
  if (!limit && top !== null)
    draft.notes.push(`Looked at up to ${formatQuantity(top, parseUnit(per).unit)}: the story names no end.`);
  const counted = list.flatMap((o) => o.once).find((a) => a.kind === "count")?.unit ?? null;
  const unit = first.unit === "km/h" ? "km" : first.unit === "m/s" ? "m" : (first.unit ?? counted);
  const rateUnit = first.unit === "km/h" || first.unit === "m/s" ? first.unit : unit ? `${unit}/${per}` : `1/${per}`;
  draft.variable(
    {
      name: v,
      unit: per,
      label: isTime ? "time" : unitOfWord(per) ? "how much" : plural(per),
      from: 0,
      ...(top === null ? {} : { to: top }),
      ...(isTime || unitOfWord(per) ? {} : { whole: true }),
    },
    limit,
  );
  const names = list.length === 1 ? ["A"] : ["A", "B", "D", "G", "H"];
  const made = list.map((o) => {
    const once = o.once.map((a) =>
      draft.given(a, ["u", "w", "S", "F"], unit, list.length === 1 ? "at the start" : `${o.label}, once`),
    );
    const rate = o.rate
      ? draft.given(
          o.rate,
          ["a", "b", "d", "g"],
          rateUnit,
          list.length === 1 ? `change for each ${per}` : `${o.label}, each ${per}`,
        )
      : null;
    const parts = [...once, ...(rate ? [`${rate} ${v}`] : [])];
    const text = o.sign < 0 && rate ? `${once.join(" + ") || "0"} - ${rate} ${v}` : parts.join(" + ");
    return draft.formula({ name: draft.name(...names), unit, label: o.label }, v, text, o);
  });
  for (const ask of told.asks) {
    const named = made.filter((_, i) => new RegExp(String.raw`\b${escaped(list[i]!.label)}\b`, "i").test(ask.text));
    askOptions(
      draft,
      ask,
      named.length === 1 && ask.intent !== "cheaper" && ask.intent !== "same" ? named : made,
      per,
      told,
    );
  }
  return draft;
}

/** How far ways to pay are compared: twice as far as where they meet, or as what is asked. */
function horizonOf(told: Told, list: readonly Option[], per: string): number {
  const line = (o: Option) => [o.once.reduce((s, a) => s + a.value, 0), o.sign * (o.rate?.value ?? 0)] as const;
  const lines = list.map(line);
  const meets = lines.flatMap(([a, m], i) => lines.slice(i + 1).map(([b, n]) => (b - a) / (m - n)));
  const asked = told.asks
    .flatMap((q) => q.amounts)
    .filter((a) => a.unit === per)
    .map((a) => a.value);
  const far = Math.max(1, ...meets.filter((m) => Number.isFinite(m)), ...asked);
  const step = 10 ** Math.floor(Math.log10(2 * far));
  return Math.ceil((2 * far) / step) * step;
}
