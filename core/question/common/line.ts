import { anyCase } from "../../formula";
import type { Amount, Given } from "../../model";

export const NAME = String.raw`\p{L}[\p{L}\p{Nd}_]*`;
/** Between the two ends of a stretch. */
export const TO = String.raw`\s*(?:…|\.\.\.?|\bto\b)\s*`;

/** A line that asks something, as the rooms of the questions read it. */
export interface Line {
  /** what is asked: without the question mark, and without a range at its end */
  readonly text: string;
  /** the id the question gets */
  readonly id: string;
  /** the range at the end of the line */
  readonly narrowed: { readonly from?: Amount; readonly to?: Amount };

  /** `P` or `P(q)`: a function of the case; null where it is none */
  functionIn(text: string): string | null;
  /** A function of the case by its name. @throws what is wrong with it, and where in the line */
  functionName(text: string): string;
  given(name: string): Given;
  /** A number, with its unit left aside, a formula text in givens, or an earlier answer. @throws likewise */
  amount(text: string): Amount;
  /** The variable of a function. */
  variableOf(functionName: string): string;
  fail(message: string): never;
}

/** Two sides of a line with a relation between them, and the functions that stand there by name. */
export interface Sides {
  readonly left: string;
  readonly sign: "=" | "<" | "<=" | ">" | ">=";
  readonly right: string;
  readonly leftFunction: string | null;
  readonly rightFunction: string | null;
}

/** `P = 0`, `R >= C`. @returns null where there is no relation */
export function sidesOf(line: Line): Sides | null {
  const m = /^(.*?)(<=|>=|≤|≥|<|>|=)(.*)$/.exec(line.text);
  if (!m) return null;
  const [left, right] = [m[1]!.trim(), m[3]!.trim()];
  const sign = ({ "≤": "<=", "≥": ">=" }[m[2]!] ?? m[2]!) as Sides["sign"];
  return { left, sign, right, leftFunction: line.functionIn(left), rightFunction: line.functionIn(right) };
}

/** `total of v over 0 … 10`, `rate P on 2 … 5`: a function and a stretch after one of some words. */
export function overStretch(
  line: Line,
  words: string,
): { word: string; function: string; between: [Amount, Amount] } | null {
  const head = String.raw`^(${words})\s+(?:of\s+)?(${NAME})(?:\s*\([^)]*\))?`;
  const own = anyCase(String.raw`${head}\s+(?:over\s+)?(\S+?)${TO}(\S+)$`).exec(line.text);
  if (own)
    return {
      word: own[1]!.toLowerCase(),
      function: line.functionName(own[2]!),
      between: [line.amount(own[3]!), line.amount(own[4]!)],
    };
  const { from, to } = line.narrowed;
  const plain = anyCase(String.raw`^(${words})\s+(?:of\s+)?(${NAME})$`).exec(line.text);
  if (!plain || from === undefined || to === undefined) return null;
  return { word: plain[1]!.toLowerCase(), function: line.functionName(plain[2]!), between: [from, to] };
}
