import type { NumberText } from "../model";
import { readAmountText } from "../units";

/** The ends of a range as a case keeps them; an end that is missing is open. */
export interface RangeEnds {
  readonly from?: NumberText | undefined;
  readonly to?: NumberText | undefined;
}

const BETWEEN = /\s*(?:…|\.\.\.?|\bto\b)\s*/;

/** A range as it is typed: `0 … 320`, `−∞ … k`. */
export const rangeText = ({ from, to }: RangeEnds): string => `${from ?? "−∞"} … ${to ?? "∞"}`;

/** What is wrong with a typed range, in words; null when it can be kept. */
export const rangeTrouble = (text: string): string | null =>
  text.split(BETWEEN).length === 2 ? null : "A range has two ends, as in 0 … 320; ∞ leaves an end open.";

/** The ends that a typed range tells: numbers, names of givens, or what is worked out from them. */
export function readRangeText(text: string, givens: readonly { readonly name: string }[]): RangeEnds {
  const [from, to] = text.split(BETWEEN);
  const end = (typed: string): NumberText | undefined => {
    const s = typed.trim();
    if (s === "" || s.includes("∞")) return undefined;
    // `2 F` is twice the given F where there is one, and no unit.
    const words: readonly string[] = s.match(/\p{L}[\p{L}\p{Nd}_]*/gu) ?? [];
    if (givens.some((g) => words.includes(g.name))) return s;
    const read = /^[\s−\-\d.$€£]/.test(s) ? readAmountText(s) : null;
    return read && read.rest.trim() === "" ? read.value : s;
  };
  return { from: end(from ?? ""), to: end(to ?? "") };
}
