import type { NumberText } from "../model";
import { areHundredths } from "../question";
import { readAmountText, retypedAmount } from "../units";

/** An end as it was read, with the unit that stood beside it. */
export interface RangeEnd {
  readonly value: NumberText | undefined;
  readonly unit?: string | null | undefined;
}

const BETWEEN = /\s*(?:…|\.\.\.?|\bto\b)\s*/;

/**
 * The ends of a range as a case keeps them. Without their unit, 3 and 11 of a variable in percent are 3 % and 11 %;
 * 0.03 and 0.11 are the shares they say.
 * @param unit  of the variable
 */
export function keptEnds(ends: readonly RangeEnd[], unit?: string): (NumberText | undefined)[] {
  const numbers = ends.flatMap(({ value }) => (typeof value === "number" ? [value] : []));
  const isPercents = ends.some((end) => end.unit?.startsWith("%")) || areHundredths(numbers);
  const percent = unit?.startsWith("%") && isPercents ? unit : undefined;
  return ends.map(({ value, unit }) =>
    typeof value === "number" ? retypedAmount({ value, unit: unit ?? null, rest: "" }, percent).value : value,
  );
}

/** What is wrong with a typed range, in words; null when it can be kept. */
export const rangeTrouble = (text: string): string | null =>
  text.split(BETWEEN).length === 2 ? null : "A range has two ends, as in 0 … 320; ∞ leaves an end open.";

/**
 * The ends that a typed range tells: numbers, names of givens, or what is worked out from them.
 * @param unit  of the variable
 */
export function readRangeText(
  text: string,
  givens: readonly { readonly name: string }[],
  unit?: string,
): { readonly from?: NumberText | undefined; readonly to?: NumberText | undefined } {
  const end = (typed: string): RangeEnd => {
    const s = typed.trim();
    if (s === "" || s.includes("∞")) return { value: undefined };
    // `2 F` is twice the given F where there is one, and no unit.
    const words: readonly string[] = s.match(/\p{L}[\p{L}\p{Nd}_]*/gu) ?? [];
    if (givens.some((g) => words.includes(g.name))) return { value: s };
    const read = /^[\s−\-\d.$€£]/.test(s) ? readAmountText(s) : null;
    return read && read.rest.trim() === "" ? read : { value: s };
  };
  const [low = "", high = ""] = text.split(BETWEEN);
  const [from, to] = keptEnds([end(low), end(high)], unit);
  return { from, to };
}
