import { NEARLY_WHOLE } from "../numeric";
import { dateOf, dateWords, daysOf, monthsLater } from "../calendar";
import type { ModelVariable } from "./model";

const DAY = 86400;
/** Years beyond which nobody reads a date. */
const FAR = 10_000;
/**
 * What an input of a counting variable reads as: "7 April 2031", or the year where it counts whole years from one. Null
 * without `since`.
 */
export function readingOf(at: number, variable: ModelVariable): string | null {
  const since = variable.since;
  if (since === null || !Number.isFinite(at)) return null;
  const text = String(since);
  const second =
    variable.unit?.powers.second === 1 && Object.keys(variable.unit.powers).length === 1 ? variable.unit.factor : null;
  if (/^\d{4}$/.test(text)) {
    const years = second ? (at * second) / (365.25 * DAY) : at;
    return Math.abs(years) > FAR ? null : String(Math.floor(Number(text) + years + NEARLY_WHOLE));
  }
  const [year, month, day] = text.split("-").map(Number) as [number, number, number];
  if (Math.abs(second ? (at * second) / (365.25 * DAY) : at) > FAR * 366) return null;
  const unitText = variable.unit?.text ?? "day";
  // Calendar months and years are counted on the calendar; the part beyond whole ones in days.
  const perYear = /^y(ea)?rs?$/.test(unitText) ? 12 : /^months?$/.test(unitText) ? 1 : 0;
  let days: number;
  if (perYear) {
    const months = Math.floor(at * perYear + NEARLY_WHOLE);
    const first = monthsLater({ year, month, day }, months);
    const next = monthsLater({ year, month, day }, months + 1);
    days = first + Math.floor((at * perYear - months) * (next - first) + NEARLY_WHOLE);
  } else days = daysOf(year, month, day) + Math.floor((at * (second ?? DAY)) / DAY + NEARLY_WHOLE);
  return Math.abs(dateOf(days).year) <= FAR ? dateWords(days) : null;
}
