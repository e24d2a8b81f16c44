import { bare } from "../numeric";
import type { Span } from "./text";

/** A number in digits or words. */
export interface FoundNumber extends Span {
  readonly value: number;
  /** "times": it multiplies something ("twice", "three times") */
  readonly how: "digits" | "words" | "times";
}

const numbered = (words: string, first: number, step: number): [string, number][] =>
  words.split(/\s+/).map((word, i) => [word, first + i * step]);
const SMALL = bare<number>(
  Object.fromEntries([
    ...numbered("zero one two three four five six seven eight nine ten", 0, 1),
    ...numbered("eleven twelve thirteen fourteen fifteen sixteen seventeen eighteen nineteen", 11, 1),
    ...numbered("twenty thirty forty fifty sixty seventy eighty ninety", 20, 10),
  ]),
);
const LARGE = bare({ hundred: 100, thousand: 1000, million: 1e6, billion: 1e9, dozen: 12, dozens: 12, score: 20 });
const PARTS = bare({
  half: 2,
  halves: 2,
  third: 3,
  thirds: 3,
  quarter: 4,
  quarters: 4,
  fourths: 4,
  fifth: 5,
  fifths: 5,
  sixths: 6,
  eighths: 8,
  tenth: 10,
  tenths: 10,
});
const TIMES = bare({ twice: 2, thrice: 3, double: 2, triple: 3, treble: 3 });
const SIGNS = bare({ "½": 0.5, "¼": 0.25, "¾": 0.75, "⅓": 1 / 3, "⅔": 2 / 3, "⅛": 0.125 });

const SPACE = "[,\\u2009\\u202f\\u00a0]";
const DIGITS = new RegExp(
  String.raw`(?<![\p{L}\d_.])(?:\d{1,3}(?:${SPACE}\d{3})+(?:\.\d+)?|\d+(?:\.\d+)?|\.\d+|(?=[½¼¾⅓⅔⅛]))` +
    String.raw`(?:\s?([½¼¾⅓⅔⅛])|\s*\/\s*(\d+)(?![\d.]))?` +
    String.raw`(?:\s(hundred|thousand|million|billion|dozen)\b|(k|M)\b(?!\w))?(?:\sand a (half|quarter)\b)?`,
  "giu",
);
const WORD = /\p{L}+/gu;

/** A ratio as a double that prints as it is written: 0.042, never 0.042000000000000003. */
export const tidy = (value: number): number => Number(value.toPrecision(15));

/** All numbers of a text in order; those in words may go over several of them ("two hundred and forty"). */
export function numbersIn(text: string): FoundNumber[] {
  const digits = [...text.matchAll(DIGITS)].flatMap((m) => {
    const read = ofDigits(m);
    return read === null ? [] : [{ ...read, start: m.index, end: m.index + m[0].length }];
  });
  const inWords = wordNumbers(text).filter((w) => !digits.some((d) => d.start < w.end && w.start < d.end));
  return [...digits.map((d) => asTimes(d, text)), ...inWords.map((w) => asTimes(w, text))].sort(
    (a, b) => a.start - b.start,
  );
}

function ofDigits(m: RegExpExecArray): Pick<FoundNumber, "value" | "how"> | null {
  const [all, sign, below, large, short, part] = m;
  const head = /^[\d.,\u2009\u202f\u00a0]*/u.exec(all)![0].replaceAll(new RegExp(SPACE, "gu"), "");
  let value = head === "" ? 0 : Number(head);
  if (sign) value += SIGNS[sign]!;
  if (below) value = Number(below) === 0 ? Number.NaN : value / Number(below);
  if (large) value *= LARGE[large.toLowerCase()]!;
  if (short) value *= short === "k" ? 1000 : 1e6;
  if (part) value += part.toLowerCase() === "half" ? 0.5 : 0.25;
  return Number.isFinite(value) ? { value: tidy(value), how: "digits" } : null;
}

/** "3 times as many", "five times": what multiplies; "3 times a week" counts. */
function asTimes(found: FoundNumber, text: string): FoundNumber {
  const times = /^\s+times\b(?!\s+(?:a|per|each|every)\b)/i.exec(text.slice(found.end));
  return times ? { ...found, how: "times", end: found.end + times[0].length } : found;
}

interface Word extends Span {
  readonly low: string;
}

function wordNumbers(text: string): FoundNumber[] {
  const words: Word[] = [...text.matchAll(WORD)].map((m) => ({
    low: m[0].toLowerCase(),
    start: m.index,
    end: m.index + m[0].length,
  }));
  const out: FoundNumber[] = [];
  for (let i = 0; i < words.length;) {
    const times = TIMES[words[i]!.low];
    const read = times === undefined ? numberAt(words, i, text) : null;
    if (times !== undefined) out.push({ value: times, how: "times", start: words[i]!.start, end: words[i]!.end });
    if (read) out.push({ value: read.value, how: "words", start: words[i]!.start, end: words[read.next - 1]!.end });
    i = read ? read.next : i + 1;
  }
  return out;
}

/** The number that begins at a word, and the word after it; null where none does. */
function numberAt(words: readonly Word[], at: number, text: string): { value: number; next: number } | null {
  const touches = (i: number) => i < words.length && /^[\s-]*$/.test(text.slice(words[i - 1]!.end, words[i]!.start));
  const low = (i: number) => words[i]?.low ?? "";
  const first = low(at);
  const isArticle = first === "a" || first === "an";
  if (first === "half") return halfAt(words, at, touches);
  if (isArticle) {
    if (!touches(at + 1)) return null;
    const large = LARGE[low(at + 1)];
    if (large !== undefined && low(at + 1) !== "score") return { value: large, next: at + 2 };
    const part = PARTS[low(at + 1)];
    // "a quarter of the money" is a share; "a quarter" alone is three months.
    const isShare = part !== undefined && (low(at + 2) === "of" || (low(at + 1) === "half" && low(at + 2) !== "life"));
    return isShare ? { value: 1 / part, next: at + 2 } : null;
  }
  if (SMALL[first] === undefined) return null;
  return smallAt(words, at, touches);
}

/** "half a dozen", "half an hour", "half of": a half. */
function halfAt(
  words: readonly Word[],
  at: number,
  touches: (i: number) => boolean,
): { value: number; next: number } | null {
  const next = words[at + 1]?.low;
  if (!touches(at + 1) || (next !== "a" && next !== "an" && next !== "of" && next !== "the")) return null;
  const large = next === "a" && touches(at + 2) ? LARGE[words[at + 2]!.low] : undefined;
  return large === undefined
    ? { value: 0.5, next: at + (next === "of" || next === "the" ? 1 : 2) }
    : { value: large / 2, next: at + 3 };
}

/** "two hundred and forty", "three quarters", "one and a half". */
function smallAt(
  words: readonly Word[],
  at: number,
  touches: (i: number) => boolean,
): { value: number; next: number } | null {
  let total = 0;
  let group = 0;
  let i = at;
  while (i < words.length && (i === at || touches(i))) {
    const { low } = words[i]!;
    if (SMALL[low] !== undefined) group += SMALL[low];
    else if (low === "hundred") group *= 100;
    else if (LARGE[low] !== undefined && low !== "score") {
      total += group * LARGE[low];
      group = 0;
    } else if (
      low === "and" &&
      touches(i + 1) &&
      SMALL[words[i + 1]!.low] !== undefined &&
      isLarge(words[i - 1]!.low)
    ) {
      i++;
      continue;
    } else break;
    i++;
  }
  const value = total + group;
  const part = i < words.length && touches(i) ? PARTS[words[i]!.low] : undefined;
  if (part !== undefined && words[i]!.low !== "half" && (value > 1 || words[i + 1]?.low === "of"))
    return { value: tidy(value / part), next: i + 1 };
  const isAndHalf = words[i]?.low === "and" && words[i + 1]?.low === "a" && words[i + 2]?.low === "half";
  if (isAndHalf) return { value: value + 0.5, next: i + 3 };
  // "one" alone is mostly no number: "one evening", "which one".
  return { value, next: i };
}
const isLarge = (word: string): boolean => LARGE[word] !== undefined;
