import { AS_PIECES, IN_RADIANS, NO_FACTORIAL } from "./elsewhere";
import { lowered, remembered } from "../numeric";
import { problem, quoted, type Problem, type Span } from "./problem";

export type Token =
  | (Span & { readonly kind: "number"; readonly digits: string; readonly percent: boolean })
  | (Span & { readonly kind: "name"; readonly name: string; readonly primes: number })
  | (Span & { readonly kind: "operator"; readonly op: "+" | "-" | "*" | "/" | "^" })
  | (Span & { readonly kind: "superscript"; readonly power: number })
  | (Span & { readonly kind: "open" | "close" | "comma" | "radical" | "end" });

const OPERATORS: Readonly<Record<string, "+" | "-" | "*" | "/" | "^">> = {
  "+": "+",
  "-": "-",
  "−": "-",
  "–": "-",
  "*": "*",
  "·": "*",
  "×": "*",
  "⋅": "*",
  "∙": "*",
  "/": "/",
  "÷": "/",
  "^": "^",
};
/** A raised whole number: x², 10⁻⁷. */
const RAISED = /^⁻?[⁰¹²³⁴⁵⁶⁷⁸⁹]{1,4}/;
/** Grouping of thousands: a comma or a thin or no-break space with exactly three digits after it, again and again. */
const NUMBER = /^(?:\d{1,3}(?:[,\u2009\u202f\u00a0]\d{3})+(?!\d)|\d+)(?:\.\d*)?|^\.\d+/;
const NUMBER_IN_LIST = /^(?:\d{1,3}(?:[\u2009\u202f\u00a0]\d{3})+(?!\d)|\d+)(?:\.\d*)?|^\.\d+/;
const NAME = /^\p{L}[\p{L}\p{Nd}_]*/u;
const PRIMES = /^['’′]+/;
/** A power of ten written close to its number: 1.5e-3 is 0.0015, as calculators and tables write it. */
const EXPONENT_NOTATION = /^[eE][+-]?\d{1,3}(?![\p{L}\p{Nd}_.])/u;

/** Functions whose brackets hold a list: inside them a comma parts the arguments. */
const LISTS = new Set(["min", "max", "root"]);

export interface Tokens {
  readonly tokens: readonly Token[];
  readonly problem: Problem | null;
}

/** While a given is dragged the same texts are read again for every frame. */
const tokensOf = remembered(500, cut);

/** Cuts a formula text into tokens; the last is always `end`. Stops at the first strange character. */
export const tokenize = (text: string): Tokens => tokensOf(text);

function cut(text: string): Tokens {
  const tokens: Token[] = [];
  const inList: boolean[] = [];
  let at = 0;
  const fail = (p: Problem) => ({ tokens, problem: p });
  while (at < text.length) {
    const ch = text[at]!;
    if (/\s/.test(ch)) {
      at++;
      continue;
    }
    const rest = text.slice(at);
    const span = (length: number): Span => ({ start: at, end: at + length });
    const number = (inList[inList.length - 1] ? NUMBER_IN_LIST : NUMBER).exec(rest)?.[0];
    if (number !== undefined) {
      const after = rest.slice(number.length);
      const notation = EXPONENT_NOTATION.exec(after)?.[0] ?? "";
      const percent = /^\s?%/.exec(after.slice(notation.length))?.[0];
      const length = number.length + notation.length + (percent?.length ?? 0);
      tokens.push({
        ...span(length),
        kind: "number",
        digits: number.replace(/[,\u2009\u202f\u00a0]/g, "") + notation.toLowerCase(),
        percent: percent !== undefined,
      });
      at += length;
      continue;
    }
    const name = NAME.exec(rest)?.[0];
    if (name !== undefined) {
      const primes = PRIMES.exec(rest.slice(name.length))?.[0].length ?? 0;
      tokens.push({ ...span(name.length + primes), kind: "name", name, primes });
      at += name.length + primes;
      continue;
    }
    const raised = RAISED.exec(rest)?.[0];
    if (raised !== undefined) {
      tokens.push({ ...span(raised.length), kind: "superscript", power: lowered(raised) });
      at += raised.length;
      continue;
    }
    const op = OPERATORS[ch];
    if (op) tokens.push({ ...span(1), kind: "operator", op });
    else if (ch === "√") tokens.push({ ...span(1), kind: "radical" });
    else if (ch === "(" || ch === "[") {
      const before = tokens[tokens.length - 1];
      inList.push(before?.kind === "name" && LISTS.has(before.name) && before.end === at);
      tokens.push({ ...span(1), kind: "open" });
    } else if (ch === ")" || ch === "]") {
      inList.pop();
      tokens.push({ ...span(1), kind: "close" });
    } else if (ch === "," || ch === ";") tokens.push({ ...span(1), kind: "comma" });
    else return fail(problem("strange-character", span(ch.length), strange(ch, at, text) + casesWanted(ch, text)));
    at++;
  }
  tokens.push({ kind: "end", start: text.length, end: text.length });
  return { tokens, problem: null };
}

/** What is meant by `if(x > 3, 1, 2)` has another form here. */
const casesWanted = (ch: string, text: string): string =>
  /[<>=≤≥≠]/.test(ch) && /\bif\b/i.test(text) ? ` ${AS_PIECES}` : "";

function strange(ch: string, at: number, text: string): string {
  const sign = quoted(ch);
  if (/[<>=≤≥≠]/.test(ch)) return `${sign} at place ${at + 1} compares two sides; a formula is one side only.`;
  if (ch === "|")
    return `${quoted("|")} at place ${at + 1} cannot stand in a formula; write the absolute value as \`abs(…)\`.`;
  if (text.startsWith("!=", at)) return "`!=` says that two sides differ; a formula is one side only.";
  if (ch === "!") return NO_FACTORIAL;
  if (ch === "°") return IN_RADIANS;
  if (ch === "%") return "`%` belongs right after a number, as in `4.2%`.";
  if (/[$€£¥]/.test(ch)) return `Units stay outside the formula: leave out ${sign} and set the unit beside it.`;
  return `${sign} at place ${at + 1} is not part of a formula.`;
}
