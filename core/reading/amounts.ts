import { AT_LEAST, AT_MOST } from "../plan";
import type { Amount, AmountKind, Body } from "./amount";
import { COUNTED_TIME, isDay, isName, isYear } from "./names";
import { nounAt } from "./nouns";
import { numbersIn, tidy, type FoundNumber } from "./numbers";
import { re } from "./pattern";
import { withPer } from "./per";
import { isNounEnd } from "./smallWords";
import { isTimeUnit, saidUnit, unitOfNoun, unitOfWord } from "./spokenUnits";
import { sentenceAt, sentencesOf, type Sentence } from "./text";

const MONEY = "[$€£¥₹]";
const LIMITS: readonly (readonly [RegExp, NonNullable<Amount["limit"]>])[] = [
  [new RegExp(String.raw`\b(?:${AT_LEAST}|minimum of)\s*$`, "i"), ">="],
  [
    new RegExp(String.raw`\b(?:${AT_MOST}|a maximum of|maximum of|maximum|room for|capacity of|limited to)\s*$`, "i"),
    "<=",
  ],
  [/\b(?:more than|over|above|exceeds?|exceeding|better than|greater than|higher than)\s*$/i, ">"],
  [/\b(?:fewer than|less than|under|below|lower than)\s*$/i, "<"],
  [/\b(?:exactly)\s*$/i, "="],
];
/** The name or sign of a money after its number. */
const COIN_AFTER = re("i")`
    ^[\s-]?(?:(¢|cents?\b)|(dollars?|bucks?|USD)\b|(€|euros?\b|EUR\b)|
    (£|pounds?\b(?!\s+of\b))|(francs?|CHF)\b)`;

/** All amounts of a story, in order. */
export function amountsOf(story: string, sentences: readonly Sentence[] = sentencesOf(story)): Amount[] {
  const found = numbersIn(story).filter((n) => !isName(n, story));
  const bodies = found.map((n) => bodyOf(n, story));
  return found.map((n, i) => {
    const sentence = sentenceAt(sentences, n.start);
    const body = bodies[i]!;
    const from = Math.max(sentence.start, bodies[i - 1]?.end ?? 0);
    const to = Math.min(sentence.end, bodies[i + 1]?.start ?? story.length);
    const before = story.slice(Math.min(from, body.start), body.start);
    const [limit, length] = limitOf(before, body.kind);
    return {
      ...body,
      limit,
      limitStart: body.start - length,
      sentence,
      before,
      after: story.slice(body.end, Math.max(body.end, to)),
    };
  });
}

/** "Over five evenings" is a time, no limit. */
function limitOf(before: string, kind: AmountKind): [limit: Amount["limit"], length: number] {
  const [words, found] = LIMITS.find(([pattern]) => pattern.test(before)) ?? [null, null];
  const isTime = found === ">" && (/^\s*over\s*$/i.test(before) || kind === "time");
  if (!words || kind === "date" || isTime) return [null, 0];
  return [found, words.exec(before)![0].length];
}

/** A number with its sign, unit, noun and what it is for one of. */
function bodyOf(n: FoundNumber, story: string): Body {
  const none = { of: null, change: null, words: "", per: null, unit: null };
  if (n.how === "times") return { ...none, start: n.start, end: n.end, value: n.value, kind: "times" };
  const rest = story.slice(n.end);
  const sign = new RegExp(`(${MONEY}|\\b(?:USD|EUR|GBP|CHF))\\s?$`, "u").exec(
    story.slice(Math.max(0, n.start - 5), n.start),
  );
  if (sign) return moneyBody(n, story, n.start - sign[0].length, n.end, sign[1]!, 1);
  const percent = /^\s?(?:%|per\s?cent\b|percent\b)/i.exec(rest);
  if (percent) {
    const end = n.end + percent[0].length;
    return withPer({ ...none, start: n.start, end, value: tidy(n.value / 100), kind: "percent", unit: "%" }, story);
  }
  // "loses a fifth of its value": a share is a percentage in words.
  if (
    n.value < 1 &&
    n.how === "words" &&
    /^\s*of (?:its|their|his|her|the|what|it)\b/i.test(rest) &&
    !/\bhalf$/i.test(story.slice(n.start, n.end))
  )
    return withPer({ ...none, start: n.start, end: n.end, value: n.value, kind: "percent", unit: "%" }, story);
  const counted = COUNTED_TIME.exec(story.slice(Math.max(0, n.start - 15), n.start));
  if (counted && !saidUnit(rest)) {
    const start = n.start - counted[1]!.length - counted[2]!.length;
    return { ...none, start, end: n.end, value: n.value, kind: "time", unit: unitOfWord(counted[1]!) };
  }
  if (isYear(n, story) || isDay(n, story)) return { ...none, start: n.start, end: n.end, value: n.value, kind: "date" };
  const code = COIN_AFTER.exec(rest);
  if (code) {
    const written = code[3] ? "€" : code[4] ? "£" : code[5] ? "CHF" : "$";
    const isEuro = /€|\beuros?\b/i.test(story) && !story.includes("$");
    const coin = isEuro && code[1] ? "€" : written;
    return moneyBody(n, story, n.start, n.end + code[0].length, coin, code[1] ? 0.01 : 1);
  }
  return measuredOrCounted(n, story);
}

function moneyBody(n: FoundNumber, story: string, start: number, end: number, sign: string, scale: number): Body {
  const large = /^\s(million|billion|thousand)\b/i.exec(story.slice(end));
  const together = /\b(?:at|for|are|costs?|sells?|is)\s+(\d+|two|three|four|five|six|ten|a dozen)\s+for\s*$/i.exec(
    story.slice(Math.max(0, start - 24), start),
  );
  if (together) {
    const count = numbersIn(together[1]!)[0]?.value ?? 1;
    return {
      start: start - together[0].length + together[0].indexOf(together[1]!),
      end,
      value: tidy((n.value * scale) / count),
      kind: "money",
      unit: sign,
      per: "each",
      words: "",
      of: null,
      change: null,
    };
  }
  const change = /^\s+(more|higher|extra|less|lower|cheaper|dearer)\b/i.exec(story.slice(end))?.[1]?.toLowerCase();
  const body: Body = {
    start,
    end: end + (large ? large[0].length : 0),
    value: tidy(n.value * scale),
    kind: "money",
    unit: sign,
    per: null,
    words: "",
    of: null,
    change: change === undefined ? null : /more|higher|extra|dearer/.test(change) ? "more" : "fewer",
  };
  return withPer(body, story);
}

function measuredOrCounted(n: FoundNumber, story: string): Body {
  const rest = story.slice(n.end);
  const base = { start: n.start, value: n.value, per: null, of: null, change: null, words: "" };
  const said = saidUnit(rest);
  if (said) {
    const end = n.end + said.length;
    const of = /^\s+of\s+(?:the\s+)?(\p{L}+)/u.exec(story.slice(end))?.[1]?.toLowerCase() ?? null;
    const kind = isTimeUnit(said.unit) ? "time" : "measure";
    return withPer({ ...base, end, kind, unit: said.unit, of: of && isNounEnd(of) ? null : of }, story);
  }
  const change = /^\s+(more|additional|extra|fewer|less)\b/i.exec(rest);
  const from = n.end + (change?.[0].length ?? 0);
  const noun = nounAt(story, from);
  const end = noun?.end ?? n.end;
  const made: Body = {
    ...base,
    end,
    kind: noun ? "count" : "bare",
    unit: noun ? unitOfNoun(noun.head) : null,
    words: noun?.words ?? "",
    change: change ? (/more|additional|extra/i.test(change[1]!) ? "more" : "fewer") : changeAfter(story.slice(end)),
  };
  const of = noun ? (/^\s+of\s+(?:the\s+)?(\p{L}+)/u.exec(story.slice(end))?.[1]?.toLowerCase() ?? null) : null;
  return withPer({ ...made, of: of && isNounEnd(of) ? null : of }, story);
}
const changeAfter = (rest: string): Amount["change"] => {
  const m = /^\s+(more|fewer|less)\b(?!\s+than)/i.exec(rest)?.[1]?.toLowerCase();
  return m === undefined ? null : m === "more" ? "more" : "fewer";
};
