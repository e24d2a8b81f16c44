import { parseUnit } from "../units";
import { formatInput, formatNumber, formatUnitElsewhere, isPercent } from "./quantity";

type End = number | string | undefined;
/** The ends of a range: numbers, or names of givens; an end that is missing is open. */
export interface RangeEnds {
  readonly from?: End;
  readonly to?: End;
  /** of both ends */
  readonly unit?: string | undefined;
}

/** Digits of an end, which may be typed again. */
const DIGITS = 12;
/** Money this near to whole cents is told in cents. */
const WHOLE_CENTS = 1e-6;
/** Signs that stand at their number, and are no word behind it. */
const SIGN = /^[%$€£¥₹₽₩₺₴]/;

/** An end as it is typed: with its sign, and all its digits. */
function shown(end: number, text: string | undefined): string {
  if (!text || !SIGN.test(text)) return String(end);
  const { unit } = parseUnit(text);
  if (isPercent(unit)) return formatInput(end, unit, DIGITS);
  if (Math.abs(end * 100 - Math.round(end * 100)) < WHOLE_CENTS) return formatUnitElsewhere(end, unit);
  return `${end < 0 ? "−" : ""}${text[0]!}${formatNumber(Math.abs(end), DIGITS)}`;
}

/** A range as it is typed: `0 … 320`, `−∞ … k`; with the sign of its unit, `4 % … 9 %`, `$0.50 … $12`. */
export function rangeTyped({ from, to, unit }: RangeEnds): string {
  const end = (e: End, open: string) => (typeof e === "number" ? shown(e, unit) : (e ?? open));
  return `${end(from, "−∞")} … ${end(to, "∞")}`;
}

/** A range with its unit: `0 … 320 lanterns`, `4 % … 9 %/year`, `$2 … $12.50/lantern`. */
export function rangeInUnit(range: RangeEnds): string {
  const [text, unit] = [rangeTyped(range), range.unit ?? ""];
  if (!SIGN.test(unit)) return `${text} ${unit}`.trim();
  const per = unit.slice(1);
  return range.to === undefined ? text.replace(" … ", `${per} … `) : `${text}${per}`;
}

/** Whether a unit has a sign that stands at its number. */
export const hasSign = (unit: string | undefined): boolean => unit !== undefined && SIGN.test(unit);
