import type { Names } from "../formula";
import type { Plan } from "../model";
import { AT_LEAST, AT_MOST } from "../plan";
import { singular } from "../units";
import { KnownLimits } from "./knownLimits";

/** A limit that the words of a story tell, as a constraint of its plan. */
export interface LimitPhrase {
  /** where it stands in the story */
  readonly start: number;
  readonly end: number;
  readonly phrase: string;
  /** the constraint to be added; null when the story does not say what it limits */
  readonly constraint: string | null;
  /** the beginning of a constraint for the person to finish, when there is none */
  readonly begin: string | null;
  readonly label: string | null;
}

const NUMBER_WORDS: Readonly<Record<string, number>> = {
  one: 1,
  two: 2,
  three: 3,
  four: 4,
  five: 5,
  six: 6,
  seven: 7,
  eight: 8,
  nine: 9,
  ten: 10,
  eleven: 11,
  twelve: 12,
};
const NUMBER = `(?:[$€£]\\s?)?(?:\\d{1,3}(?:,\\d{3})+|\\d+)(?:\\.\\d+)?|${Object.keys(NUMBER_WORDS).join("|")}`;
const QUALIFIERS: readonly (readonly [RegExp, "<=" | ">=" | "="])[] = [
  [new RegExp(`\\b(?:${AT_LEAST})\\b`, "gi"), ">="],
  [new RegExp(`\\b(?:${AT_MOST}|maximum|only)\\b`, "gi"), "<="],
  [/\bexactly\b/gi, "="],
];
/** "at least twice as many sky lanterns as river lanterns" */
const AS_MANY = new RegExp(
  [
    String.raw`\b(at least |at most |no more than |exactly )?`,
    String.raw`(half|once|twice|thrice|(?:two|three|four|five) times) as (?:many|much) `,
    String.raw`([\p{L}’' -]+?) as ([\p{L}’' -]+?)(?=[.,;!?]|\s(?:are|is|must|can|should|have)\b|$)`,
  ].join(""),
  "giu",
);
const TIMES: Readonly<Record<string, number>> = {
  half: 0.5,
  once: 1,
  twice: 2,
  thrice: 3,
  "two times": 2,
  "three times": 3,
  "four times": 4,
  "five times": 5,
};
/** Words after a number that are not what is counted. */
const SMALL = new Set([
  "a",
  "an",
  "the",
  "of",
  "for",
  "in",
  "on",
  "are",
  "is",
  "and",
  "or",
  "to",
  "per",
  "each",
  "every",
  "with",
  "can",
  "must",
  "be",
  "have",
  "has",
  "as",
  "at",
  "more",
  "than",
  "from",
  "by",
  "which",
  "that",
]);

const stem = (word: string): string => singular(word.toLowerCase().replace(/[’']s$/, ""));
const words = (text: string): string[] => (text.match(/\p{L}[\p{L}’'-]*/gu) ?? []).map(stem);
const amount = (text: string): number => NUMBER_WORDS[text.toLowerCase()] ?? Number(text.replace(/[$€£,\s]/g, ""));
const plain = (v: number): string => String(Number(v.toPrecision(12)));

interface Counted {
  readonly value: number;
  readonly nouns: readonly string[];
  /** where each noun ends */ readonly ends: readonly number[];
  readonly start: number;
  readonly end: number;
}
/** A number with the words after it, as far as they could be what it counts. */
function countedAt(text: string, from: number): Counted | null {
  const m = new RegExp(`^\\s*(${NUMBER})\\b(?!\\s*%)`, "iu").exec(text.slice(from));
  if (!m) return null;
  const start = from + m[0].length - m[1]!.length;
  const after = /^(?:\s+\p{L}[\p{L}’'-]*){0,4}/u.exec(text.slice(from + m[0].length))![0];
  const nouns: string[] = [];
  const ends: number[] = [];
  let end = from + m[0].length;
  for (const w of after.matchAll(/\s+(\p{L}[\p{L}’'-]*)/gu)) {
    if (SMALL.has(w[1]!.toLowerCase())) {
      if (nouns.length > 0 || w[1]!.toLowerCase() !== "of") break;
      continue;
    }
    nouns.push(stem(w[1]!));
    end = from + m[0].length + w.index + w[0].length;
    ends.push(end);
  }
  return { value: amount(m[1]!), nouns, ends, start, end };
}

/** How a variable of the plan is called in words; its name where it has none. */
const calledOf = (plan: Plan) => plan.variables.map((v) => words(v.label ?? v.unit ?? v.name));
/**
 * The variables meant by some words: the one whose every word occurs; all of them when the words name what they have in
 * common.
 */
function meant(nouns: readonly string[], plan: Plan): number[] {
  const called = calledOf(plan);
  const own = called.flatMap((w, j) => (w.length > 0 && w.every((x) => nouns.includes(x)) ? [j] : []));
  if (own.length === 1) return own;
  if (own.length > 1) {
    const longest = Math.max(...own.map((j) => called[j]!.length));
    const best = own.filter((j) => called[j]!.length === longest);
    return best.length === 1 ? best : [];
  }
  const head = nouns[0];
  return head !== undefined && called.length > 1 && called.every((w) => w[w.length - 1] === head)
    ? called.map((_, j) => j)
    : [];
}
/**
 * What each unit of a variable takes of something: "a river lantern takes 2 sheets of paper". Lists such as "15, 3 and
 * 3 grams" are not guessed at.
 */
function takes(text: string, plan: Plan, noun: readonly string[]): (number | null)[] {
  const called = calledOf(plan);
  const tokens = [...text.matchAll(/\p{L}[\p{L}’'-]*/gu)].map((m) => ({
    word: stem(m[0]),
    start: m.index,
    end: m.index + m[0].length,
  }));
  const mentions = called
    .flatMap((w, j) =>
      tokens.flatMap((t, i) =>
        w.length > 0 && w.every((x, k) => tokens[i + k]?.word === x)
          ? [{ j, start: t.start, end: tokens[i + w.length - 1]!.end }]
          : [],
      ),
    )
    .sort((a, b) => a.start - b.start);
  const found: (number | null)[] = plan.variables.map(() => null);
  let unsure = false;
  mentions.forEach((m, k) => {
    const stop = /[.;!?](?=\s|$)/.exec(text.slice(m.end));
    const until = Math.min(mentions[k + 1]?.start ?? text.length, stop ? m.end + stop.index : text.length);
    const clause = text.slice(m.end, until);
    for (const n of clause.matchAll(new RegExp(`(?<![\\d.,])(?:${NUMBER})\\b`, "giu"))) {
      const c = countedAt(text, m.end + n.index);
      if (!c || c.nouns[0] === undefined || noun[0] !== c.nouns[0]) continue;
      if (/\d[\d.,]*\s*(?:,|and)\s*$/i.test(clause.slice(0, n.index))) unsure = true;
      found[m.j] ??= c.value;
    }
  });
  return unsure ? found.map(() => null) : found;
}
const sum = (terms: readonly (readonly [number, string])[]): string =>
  terms
    .map(
      ([v, name], i) =>
        `${i === 0 ? "" : " + "}${v === 1 ? "" : Number.isInteger(v) ? plain(v) : `${plain(v)} `}${name}`,
    )
    .join("");

/**
 * The limits a story tells: "at least", "at most", "no more than", "exactly", "between", "twice as many as". Those that
 * already stand in the plan are left out.
 */
export function limitPhrases(text: string, plan: Plan, names: Names): LimitPhrase[] {
  if (plan.variables.length === 0) return [];
  const found = [...qualified(text, plan), ...betweens(text, plan), ...multiples(text, plan)];
  const known = new KnownLimits(plan, names, words);
  const starts = new Set<number>();
  return found
    .sort((a, b) => a.start - b.start)
    .filter((f) => {
      if (starts.has(f.start)) return false;
      starts.add(f.start);
      return !known.has(f);
    });
}

const TIMES_AS_MANY = /^\s*(half|once|twice|thrice|(?:two|three|four|five) times) as (?:many|much)\b/i;
/** Between two numbers that share a word: "at most 240 sheets and 320 minutes". */
const JOINT = /^(?:\s+of\s+\p{L}+)?(?:,\s*|\s+)(?:and\s+)?(?=[\d$€£])/iu;

/** "at least 5 kites": a word that limits, and what is counted after it. */
function qualified(text: string, plan: Plan): LimitPhrase[] {
  const found: LimitPhrase[] = [];
  for (const [pattern, sign] of QUALIFIERS)
    for (const m of text.matchAll(pattern)) {
      let from = m.index + m[0].length;
      if (TIMES_AS_MANY.test(text.slice(from))) continue;
      for (let first = true; ; first = false) {
        const c = countedAt(text, from);
        if (!c) break;
        const write = (left: string) => `${left}${left ? " " : ""}${sign} ${plain(c.value)}`;
        found.push(phraseOf(text, plan, first ? m.index : c.start, c, write));
        // A second number has the same word before it; a new verb ends that.
        const joint = JOINT.exec(text.slice(c.end));
        if (!joint) break;
        from = c.end + joint[0].length;
      }
    }
  return found;
}

/** "between 5 and 9 kites" */
function betweens(text: string, plan: Plan): LimitPhrase[] {
  return [...text.matchAll(new RegExp(`\\bbetween\\s+(${NUMBER})\\s+and\\s+`, "giu"))].flatMap((m) => {
    const c = countedAt(text, m.index + m[0].length);
    const write = (left: string) => `${plain(amount(m[1]!))} <= ${left} <= ${plain(c!.value)}`;
    return c ? [phraseOf(text, plan, m.index, c, write)] : [];
  });
}

/** "at least twice as many kites as lanterns" */
function multiples(text: string, plan: Plan): LimitPhrase[] {
  return [...text.matchAll(AS_MANY)].flatMap((m): LimitPhrase[] => {
    const [a, b] = [meant(words(m[3]!), plan), meant(words(m[4]!), plan)];
    if (a.length !== 1 || b.length !== 1 || a[0] === b[0]) return [];
    const by = TIMES[m[2]!.toLowerCase()]!;
    const sign = /least/i.test(m[1] ?? "") ? ">=" : /most|more/i.test(m[1] ?? "") ? "<=" : "=";
    const constraint = `${plan.variables[a[0]!]!.name} ${sign} ${sum([[by, plan.variables[b[0]!]!.name]])}`;
    return [{ start: m.index, end: m.index + m[0].length, phrase: m[0], constraint, begin: null, label: null }];
  });
}

/** A phrase that limits what is counted: a constraint of the variables it names or takes from, else its beginning. */
function phraseOf(
  text: string,
  plan: Plan,
  start: number,
  { nouns, ends, end: last }: Counted,
  write: (left: string) => string,
): LimitPhrase {
  // The phrase goes as far as the words that name a variable, or to the first thing counted.
  const named = calledOf(plan).flat();
  const until = nouns.reduce((m, w, i) => (named.includes(w) && i === m + 1 ? i : m), -1);
  const end = nouns.length === 0 ? last : ends[Math.max(0, until)]!;
  const phrase = text.slice(start, end);
  const direct = meant(nouns, plan);
  if (direct.length > 0) {
    const constraint = write(sum(direct.map((j) => [1, plan.variables[j]!.name])));
    return { start, end, phrase, constraint, begin: null, label: null };
  }
  const label = nouns[0] ?? null;
  const said = phrase.match(/\p{L}[\p{L}’'-]*/gu)?.find((w) => stem(w) === label);
  const each = takes(text, plan, nouns);
  const terms = each.flatMap((v, j) => (v === null ? [] : [[v, plan.variables[j]!.name] as const]));
  if (terms.length > 0) return { start, end, phrase, constraint: write(sum(terms)), begin: null, label: said ?? label };
  // Of "90 grams of fat" the fat is what is limited.
  const whole = /^\s+of\s+(\p{L}[\p{L}’'-]*)/u.exec(text.slice(end))?.[1] ?? null;
  const about = whole ?? said;
  return {
    start,
    end,
    phrase: whole ? `${phrase} of ${whole}` : phrase,
    constraint: null,
    begin: `${about ? `${about}: ` : ""}${write("")}`,
    label: about ?? label,
  };
}
