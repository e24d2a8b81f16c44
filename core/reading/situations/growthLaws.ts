import type { Amount } from "../amount";
import { re } from "../pattern";
import { isTimeUnit, unitOfWord } from "../spokenUnits";
import { hull, type Span } from "../text";
import { lastAt, type Told } from "../told";

/** How something grows: a rate for a time, how often it is added, or how long it takes to be multiplied. */
export interface Law extends Span {
  readonly rate: Amount | null;
  /** −1 for what shrinks */
  readonly sign: 1 | -1;
  readonly time: string;
  /** times a year that the rate is added; 1, 4, 12, 52, 365; "always" for continuously */
  readonly added: number | "always";
  /** multiplied by a factor in so many units of time */
  readonly factor: number | null;
  readonly every: Amount | null;
}

const FALLS = re("i")`
    \b(?:los\w+|fall\w*|fell|decay\w*|depreciat\w*|shrink\w*|shrank|drop\w*|declin\w*|decreas\w*|
    evaporat\w*|leak\w*|wither\w*|fewer|less|down|die\w*|disappear\w*|fad\w+|wears? off|goes down|
    removes?|removed|breaks? (?:it )?down|sinks?|sank|cool\w*)\b`;
const RISES = re("i")`
    \b(?:grow\w*|grew|gain\w*|increas\w*|ris\w+|rose|interest|pays?|paid|earn\w*|offers?|offering|
    yield\w*|climb\w*|up|more|add\w*|return\w*|compound\w*|appreciat\w*|spread\w*|charg\w*|
    inflation|rate of)\b`;
const OFTEN: readonly (readonly [RegExp, number | "always"])[] = [
  [/\bcontinuous\w*\b/i, "always"],
  [/\b(?:daily|every day|each day)\b/i, 365],
  [/\b(?:weekly|every week|each week)\b/i, 52],
  [/\b(?:monthly|every month|each month|twelve times|12 times)\b/i, 12],
  [/\b(?:quarterly|every quarter|each quarter|four times|4 times|every three months)\b/i, 4],
  [/\b(?:half-yearly|semi-?annually|twice a year|every six months|every half year|every half-year)\b/i, 2],
];
const ADDED = /\b(?:compound\w*|added|credited|paid|pays|capitali[sz]ed|interest|calculated|reckoned)\b/i;

/** More courses than this are not compared with each other. */
const MOST_COURSES = 8;

/** Every rate of growth of a story, and every time of doubling or halving. */
export function lawsOf(told: Told): Law[] {
  const rates = told.amounts.filter((a) => a.kind === "percent" && isRate(a, told.story));
  const byRate = rates.map((rate): Law => {
    const text = told.story.slice(rate.sentence.start, rate.sentence.end);
    const before = told.story.slice(Math.max(rate.sentence.start, rate.start - 80), rate.start);
    const around = `${before} ${rate.after.slice(0, 30)}`;
    const [falls, rises] = [lastAt(FALLS, around), lastAt(RISES, around)];
    const sign = falls > rises ? -1 : 1;
    return {
      rate,
      sign,
      time: rate.per && isTimeUnit(rate.per) ? rate.per : timeOf(text, told),
      added: addedOf(rate, told),
      factor: null,
      every: null,
      ...hull([rate]),
    };
  });
  return [...byRate, ...doublings(told)].slice(0, MOST_COURSES);
}
/** A percentage that a rate is: it has a time, or stands beside words of growth. */
function isRate(a: Amount, story: string): boolean {
  // "rates from 1 % to 20 %" are looked at, none of them grows.
  if (/%?\s*to\s*$/i.test(a.before) && a.before.trim().length <= 3) return false;
  if (a.per !== null && isTimeUnit(a.per)) return true;
  const text = story.slice(a.sentence.start, a.sentence.end);
  return (
    (RISES.test(text) || FALLS.test(text)) &&
    !re("i")`
      ^\s*(?:of (?!what|its|the (?:rest|amount|remain\w*|value)|it\b|their|his|her)|off|discount|
      tax|left|remain)`.test(a.after) &&
    re("i")`
      \b(?:year|month|week|day|hour|minute|annual\w*|interest|compound\w*|daily|weekly|monthly|
      yearly|continuous\w*)`.test(text)
  );
}
function timeOf(text: string, told: Told): string {
  const said = /\b(?:a|per|each|every|an|the) (year|month|week|day|hour|minute|second)\b/i.exec(text)?.[1];
  // "compounded monthly" says how often a yearly rate is added, not for which time it is.
  const often = ADDED.test(text) ? null : /\b(annual|year|month|week|dai|hour)ly?\b/i.exec(text)?.[1];
  const word = (said ?? often ?? "").toLowerCase();
  const unit = { annual: "year", dai: "day", hour: "h", minute: "min", second: "s" }[word] ?? word;
  const other = told.amounts.find((a) => a.per !== null && isTimeUnit(a.per))?.per;
  return unit || other || "year";
}

/** How often a rate is added: told right after it, in its sentence, or for all of them at once. */
function addedOf(rate: Amount, told: Told): number | "always" {
  const own = rate.after;
  const text = told.story.slice(rate.start, rate.sentence.end);
  const yearly = rate.per === null || rate.per === "year";
  if (!yearly) return 1;
  const after = OFTEN.find(([pattern]) => pattern.test(own));
  if (after) return after[1];
  if (/\b(?:once a year|yearly|annually|every year|each year)\b/i.test(own)) return 1;
  const before = OFTEN.find(([pattern]) => pattern.test(rate.before) && ADDED.test(rate.before));
  if (before) return before[1];
  const isAlone = told.amounts.filter((a) => a.kind === "percent").length === 1;
  const anywhere = isAlone
    ? told.sentences.find((s) => /\bcompound\w*|\b(?:interest|it) is (?:added|paid|credited)/i.test(s.text))
    : undefined;
  const found = OFTEN.find(([pattern]) => pattern.test(anywhere?.text ?? text) && ADDED.test(anywhere?.text ?? text));
  return found ? found[1] : 1;
}

const MULTIPLIES =
  /\b(doubl\w*|tripl\w*|trebl\w*|quadrupl\w*|halv\w*|half-?life|(?:drops?|falls?) (?:to|by) half|is halved)\b/i;
/** "doubles every 3 hours", "has a half-life of 5.3 years". */
function doublings(told: Told): Law[] {
  return [
    ...everyOne(told),
    ...told.stated.flatMap((a): Law[] => {
      const text = told.story.slice(a.sentence.start, a.sentence.end);
      const m = MULTIPLIES.exec(text);
      if (
        a.kind !== "time" ||
        !m ||
        !/\b(?:every|in|of|is|after|each|within)\s*(?:about\s+|the\s+first\s+|roughly\s+)?$/i.test(
          told.story.slice(a.sentence.start, a.start),
        )
      )
        return [];
      const factor = factorOfWord(m[1]!.toLowerCase().replace(/^(?:half|(?:drop|fall).*half|is halv).*/, "half"));
      return [
        {
          rate: null,
          sign: factor > 1 ? 1 : -1,
          time: a.unit!,
          added: 1,
          factor,
          every: a,
          start: Math.min(a.start, a.sentence.start + m.index),
          end: a.end,
        },
      ];
    }),
  ];
}
const factorOfWord = (word: string): number =>
  word.startsWith("doubl") ? 2 : word.startsWith("tr") ? 3 : word.startsWith("quad") ? 4 : 0.5;
/** "doubles every day": the factor for one unit of time. */
function everyOne({ story }: Told): Law[] {
  const m = re("i")`
      \b(doubles|triples|trebles|quadruples|halves|is halved)\b[^.;\d]{0,24}?\b(?:every|each|a|
      per)\s+(second|minute|hour|day|week|month|year)\b`.exec(story);
  const time = m ? unitOfWord(m[2]!) : null;
  return m && time
    ? [
        {
          rate: null,
          sign: 1,
          time,
          added: 1,
          factor: factorOfWord(m[1]!.toLowerCase()),
          every: null,
          start: m.index,
          end: m.index + m[0].length,
        },
      ]
    : [];
}
