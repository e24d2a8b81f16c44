import { NAME } from "../question";
import { anyCase } from "../formula";
import { latexToPlain } from "./latex";

const FRACTIONS: Readonly<Record<string, readonly [number, number]>> = {
  "½": [1, 2],
  "⅓": [1, 3],
  "⅔": [2, 3],
  "¼": [1, 4],
  "¾": [3, 4],
  "⅛": [1, 8],
};
/** `2½` is 2.5, what has no end of decimals stays a sum: 2⅓ is (2+1/3). */
function fraction(whole: string, sign: string): string {
  const [over, under] = FRACTIONS[sign]!;
  if (whole === "") return `(${over}/${under})`;
  return 1000 % under === 0 ? String(Number(whole) + over / under) : `(${whole}+${over}/${under})`;
}

/** A line as it is typed or pasted, in the characters that formulas and questions are written with. */
export function plainLine(text: string): string {
  let t = text.replace(/[\u200b\ufeff]/g, "").trim();
  if (/\\[a-zA-Z\\%$,;]/.test(t)) t = latexToPlain(t);
  if (/^\$[^$]*[=^\\][^$]*\$$/.test(t)) t = t.slice(1, -1);
  t = t
    .replace(/π/gu, " pi ")
    .replace(/:=/g, "=")
    .replace(/\*\*/g, "^")
    .replace(/((?<![\d.,])\d+)?([½⅓⅔¼¾⅛])/g, (_, whole: string | undefined, sign: string) =>
      fraction(whole ?? "", sign),
    )
    .replace(/⌊([^⌊⌋]*)⌋/g, "floor($1)")
    .replace(/⌈([^⌈⌉]*)⌉/g, "ceil($1)")
    .replace(
      /(?:∛|³√)\s*(?:\(([^()]*)\)|(\d+(?:\.\d+)?|\p{L}))/gu,
      (_, inside?: string, one?: string) => `cbrt(${inside ?? one})`,
    );
  t = t.replace(/=</g, "<=").replace(/=>/g, ">=").replace(/≦/g, "≤").replace(/≧/g, "≥");
  t = t.replace(/[“”]/g, '"').replace(/\s+/g, " ");
  t = withoutEnd(t);
  t = percents(largeNumbers(decimalPoints(groupedDigits(t))));
  t = withBrackets(arrow(t));
  return bars(t).trim();
}

/**
 * A full stop, a comma, a backslash left over at the end of a line; a digit keeps nothing of them either. `!` ends a
 * sentence; behind a number, a bracket, a letter alone or in an equation it is a factorial: it stays, and is refused.
 */
function withoutEnd(text: string): string {
  const asks = /\?\s*$/.test(text);
  const isSentence = !text.includes("=") && /\p{L}{2,}\s*!+[\s?]*$/u.test(text);
  const mark = isSentence ? /(?:[.,;!\s]|\\)+$/ : /(?:[.,;\s]|\\)+$/;
  const body = text.replace(/[\s?]*$/, "").replace(mark, "");
  return asks ? `${body} ?` : body;
}

/** `1 200 €`: thousands set apart by a blank, where nothing else could be meant. */
const groupedDigits = (text: string): string =>
  text.replace(/(?<![\p{L}\d.,])\d{1,3}(?: \d{3})+(?![\d.,]|\s*\d)/gu, (m) => m.replaceAll(" ", ""));

/**
 * `2,5 x`: a comma as the sign of decimals, where the digits behind it are no thousands. In a list of readings, as in
 * `(240,6)`, it parts two numbers.
 */
function decimalPoints(text: string): string {
  if (/\d\.\d/.test(text)) return text;
  return text.replace(/(?<![\d,(])(\d+),(\d{1,2}|\d{4,})(?![\d,])/g, (m, whole: string, part: string, at: number) => {
    const inList = /[({[][^)}\]]*$/.test(text.slice(0, at)) && !/\p{L}\s*\([^)]*$/u.test(text.slice(0, at));
    return inList ? m : `${whole}.${part}`;
  });
}

const LARGE: Readonly<Record<string, number>> = { thousand: 3, million: 6, billion: 9 };
/** `1.2 million` as 1200000. */
const largeNumbers = (text: string): string =>
  text.replace(
    anyCase(String.raw`(?<![\p{L}\d.,])(\d+(?:\.\d+)?)\s*(thousand|million|billion)s?\b`, "g"),
    (_, digits: string, word: string) => {
      const [whole = "", part = ""] = digits.split(".");
      const places = LARGE[word.toLowerCase()]!;
      return part.length > places
        ? `${digits}e${places}`
        : `${whole}${part.padEnd(places, "0")}`.replace(/^0+(?=\d)/, "");
    },
  );

/** `f: x → 2x + 1` as `f(x) = 2x + 1`. */
const arrow = (text: string): string =>
  text.replace(/^(\p{L}[\p{L}\d_]*)\s*:\s*(\p{L}[\p{L}\d_]*)\s*(?:->|→|↦|⟼|mapsto)\s*/u, "$1($2) = ");

/** A letter with an index or a power, perhaps with its number; or a number alone. */
const FACTOR = String.raw`\d*\.?\d*\s?[\p{L}](?:\d|[²³])?|\d+(?:\.\d+)?`;
const WITHOUT_BRACKETS = new RegExp(
  String.raw`(?<![\p{L}\d_])(sin|cos|tan|ln|exp|sqrt|log10|log2)\s+(${FACTOR})(?![\p{L}\d(^.])`,
  "gu",
);
const POWER_WITHOUT_BRACKETS = new RegExp(
  String.raw`(?<![\p{L}\d_])(sin|cos|tan)\s*\^\s*([23])\s+(${FACTOR})(?![\p{L}\d(^.])`,
  "gu",
);
/** `sin x`, `ln 2x`: the input of a function without its brackets, where it is one factor. */
const withBrackets = (text: string): string => powers(text).replace(WITHOUT_BRACKETS, "$1($2)");

/**
 * `arctan(x)` as `atan(x)`; `sin^2(x)` and `cos² x` with the power behind. The power −1 has two readings, and stays.
 */
const powers = (text: string): string =>
  text
    .replace(/(?<![\p{L}\d_])arc(sin|cos|tan)(?=\s*\()/gu, "a$1")
    .replace(
      /(?<![\p{L}\d_])(sin|cos|tan)\s*\^?([²³])\s*/gu,
      (_, wave: string, n: string) => `${wave}^${n === "²" ? 2 : 3} `,
    )
    .replace(/(?<![\p{L}\d_])(sin|cos|tan)\s*\^\s*([23])\s*\(([^()]*)\)/gu, "$1($3)^$2")
    .replace(POWER_WITHOUT_BRACKETS, "$1($3)^$2");

const DIGITS = String.raw`\d(?:[\d,]*\d)?(?:\.\d+)?`;
// A dash between numbers is a minus everywhere else, and so here.
const RANGE_SIGN = String.raw`\s*(?:…|\.\.\.?|\bto\b)\s*`;
const TWO_ENDS = new RegExp(
  String.raw`(?<![\p{L}\d.,])(${DIGITS})(?:(${RANGE_SIGN})|(?<=\b[bB]etween\s+${DIGITS})(\s+and\s+))` +
    String.raw`(?=[−-]?${DIGITS}\s?%)`,
  "gu",
);
/** `5 percent` as `5 %`; `4 … 9 %` as `4 % … 9 %`: what stands behind the second end is meant of both. */
const percents = (text: string): string =>
  text
    .replace(/(\d)\s*(?:percent|per\s+cent|pct)\b/gi, "$1 %")
    .replace(TWO_ENDS, (_, low: string, sign?: string, and?: string) => `${low} %${sign ?? and}`);

/** `|x - 3|` as `abs(x - 3)`; bars that do not pair are left for the reader to tell. */
function bars(text: string): string {
  const count = text.split("|").length - 1;
  if (count === 0 || count % 2 === 1) return text;
  return text.replace(/\|([^|]+)\|/g, "abs($1)");
}

/** `P' at 100`, `dP/dq at 100` as the slope of P there. */
export const slopes = (text: string): string =>
  text
    .replace(new RegExp(String.raw`^d\s?(${NAME})\s*/\s*d\s?${NAME}(?=\s+at\b)`, "u"), "slope of $1")
    .replace(new RegExp(String.raw`^(${NAME})['’′](?=\s+at\b)`, "u"), "slope of $1");
const NUMBER_WORDS = "zero one two three four five six seven eight nine ten eleven twelve".split(" ");
/** `after five years`: a small number in words, where an input stands. */
export const inDigits = (text: string): string =>
  text.replace(
    anyCase(String.raw`\b(at|after|for|in|first|by|until)\s+(\p{L}+)(?=\s)`, "g"),
    (all, lead: string, word: string) => {
      const n = NUMBER_WORDS.indexOf(word.toLowerCase());
      return n < 0 ? all : `${lead} ${n}`;
    },
  );
