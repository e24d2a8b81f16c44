import { lowered, rationalOfDecimal, rationalOfDouble, ratio, toDouble } from "../numeric";
import { parseUnit, sameUnit } from "./unit";

/** A number with its unit as people write it: `$2.50`, `180 $`, `4.2 % a year`, `320 lanterns`, `1,200`. */
export interface AmountRead {
  readonly value: number;
  readonly unit: string | null;
  readonly rest: string;
}

/**
 * A number that stands alone, with or without its unit: `500`, `$500`, `20 lanterns`. A text with the name of a given
 * or function in it (`2 F`), or with a word too short to be a noun, is a formula: null.
 */
export function plainAmount(text: string, isName: (word: string) => boolean): number | null {
  const t = text.trim();
  if (!/^[\s−\-$€£¥₹₽₩₺₴\d.,]/u.test(t) || /[*^+()]/.test(t)) return null;
  const read = readAmountText(t);
  if (!read || read.rest.trim() !== "") return null;
  const words = t.match(/\p{L}[\p{L}\p{Nd}_]*/gu) ?? [];
  return words.some((w) => isName(w) || (w.length < 3 && !SHORT_UNITS.has(w))) ? null : read.value;
}
/** `the whole answer of q2`: an earlier answer in place of a number. @returns null when the text says no such thing */
export function earlierAnswer(text: string): { of: string; pick?: "last" | "whole" } | null {
  const said = /^(?:the\s+)?(?:(whole|last|first)\s+)?answer of (\S+)$/i.exec(text.trim());
  if (!said) return null;
  const pick = said[1]?.toLowerCase();
  return { of: said[2]!, ...(pick === "whole" || pick === "last" ? { pick } : {}) };
}

const SHORT_UNITS = new Set("s h d m km cm mm kg g mg t lb oz K L l ml mL min a".split(" "));

/** Digits, in threes where commas or thin spaces set them apart. */
const WHOLE = String.raw`(?:\d{1,3}(?:[,\u2009\u202f\u00a0]\d{3})+(?!\d)|\d+)`;
/** A power of ten, close to its number or written out: 3e18, 3 × 10^18, 3 × 10¹⁸. */
const OUT = String.raw`\s?[×·*]\s?10(?:\^([−-]?\d{1,3})|(⁻?[⁰¹²³⁴⁵⁶⁷⁸⁹]{1,4}))`;
const POWER = String.raw`(?:[eE][+-]?\d{1,3}(?![\p{L}\d.])|${OUT})?`;
const WRITTEN_OUT = new RegExp(OUT, "u");
const NUMBER = new RegExp(String.raw`[−-]?\s?(?:${WHOLE}(?:\.\d+)?|\.\d+)${POWER}`, "u");
const SIGN = "[$€£¥₹₽₩₺₴]";

const UNIT_WORD = `(?:${SIGN}|°[CF]|\\p{L}[\\p{L}\\d]*)(?:[²³]|\\^-?\\d+)?`;
const UNIT_TAIL = new RegExp(`^\\s*((?:${UNIT_WORD})?(?:\\s*/\\s*${UNIT_WORD})*)`, "u");
/** Units of measure side by side are one unit, `kg m/s²`; other words side by side are just words. */
const MEASURE = "(?:kg|mg|g|km|cm|mm|m|min|s|h|lb|l|mL|t)(?:[²³]|\\^-?\\d+)?(?![\\p{L}\\d])";
const PRODUCT_TAIL = new RegExp(`^\\s*(${MEASURE}(?:(?:\\s+|\\s*·\\s*)${MEASURE})+(?:\\s*/\\s*${UNIT_WORD})*)`, "u");
/**
 * A currency sign before its number; a minus right before the sign belongs to the number, one after a letter or a digit
 * does not.
 */
const SIGN_BEFORE = new RegExp(`((?<![\\p{L}\\d])[−-])?(${SIGN})\\s?$`, "u");

/** The digits of a number that was found, with its power of ten close to it. */
const decimalOf = (found: string): string =>
  found
    .replace(WRITTEN_OUT, (_all, plain?: string, high?: string) => `e${plain ?? lowered(high!)}`)
    .replace(/[\s,\u2009\u202f\u00a0]/g, "")
    .replaceAll("−", "-");

/** Reads the first number of a text, with the unit beside it. @returns null when there is no number */
export function readAmountText(text: string): AmountRead | null {
  const match = NUMBER.exec(text);
  if (!match) return null;
  const exact = rationalOfDecimal(decimalOf(match[0]));
  if (!exact) return null;
  const before = text.slice(0, match.index);
  const after = text.slice(match.index + match[0].length);
  const [, minus, sign] = SIGN_BEFORE.exec(before) ?? [];
  const percent = /^\s?%/.exec(after);
  if (percent) {
    const per = /^\s*(?:\/\s*|an?\s+|per\s+|each\s+|every\s+)(\p{L}+)/u.exec(after.slice(percent[0].length));
    return {
      value: toDouble(exact.div(ratio(100))),
      unit: per ? `%/${per[1]}` : "%",
      rest: after.slice(percent[0].length + (per?.[0].length ?? 0)),
    };
  }
  const tail = (PRODUCT_TAIL.exec(after) ?? UNIT_TAIL.exec(after))?.[1]?.trim() ?? "";
  const written = sign ? `${sign}${tail.startsWith("/") ? tail : ""}` : tail;
  const unit = written && parseUnit(written).unit ? written.replace(/\s*\/\s*/g, "/") : null;
  const used = sign ? (tail.startsWith("/") ? tail : "") : unit ? tail : "";
  return {
    value: toDouble(minus ? exact.neg() : exact),
    unit,
    rest: used ? after.slice(after.indexOf(used) + used.length) : after,
  };
}

/**
 * A value typed in place of an earlier one. `6.5 %` keeps the unit `%/year`, `$3` keeps `$/lantern`; a bare `6.5` for a
 * percentage means 6.5 %. The same unit written in another way, `m²` for `m^2`, stays as it was written.
 *
 * @param before  unit of the earlier value, as it is written in the case
 */
export function retypedAmount(
  read: AmountRead,
  before: string | undefined,
): { value: number; unit: string | undefined } {
  if (!read.unit && before?.startsWith("%"))
    return { value: toDouble(rationalOfDouble(read.value).div(ratio(100))), unit: before };
  const [was, is] = [before, read.unit].map((u) => (u ? parseUnit(u).unit : null));
  return {
    value: read.value,
    unit: !read.unit || before?.startsWith(`${read.unit}/`) || (was && is && sameUnit(was, is)) ? before : read.unit,
  };
}
