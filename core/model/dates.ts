import type { ModelVariable } from "./build";

const DAY = 86400;
/** Years beyond which nobody reads a date. */
const FAR = 10_000;
const MONTHS = [
  "January",
  "February",
  "March",
  "April",
  "May",
  "June",
  "July",
  "August",
  "September",
  "October",
  "November",
  "December",
];

/**
 * Days since 1970-01-01 of a civil date, and back (Howard Hinnant, "chrono-Compatible Low-Level Date Algorithms",
 * 2013).
 */
export function daysOf(year: number, month: number, day: number): number {
  const y = month <= 2 ? year - 1 : year;
  const era = Math.floor(y / 400);
  const yoe = y - era * 400;
  const doy = Math.floor((153 * (month + (month > 2 ? -3 : 9)) + 2) / 5) + day - 1;
  return era * 146097 + yoe * 365 + Math.floor(yoe / 4) - Math.floor(yoe / 100) + doy - 719468;
}
export function dateOf(days: number): { year: number; month: number; day: number } {
  const z = days + 719468;
  const era = Math.floor(z / 146097);
  const doe = z - era * 146097;
  const yoe = Math.floor((doe - Math.floor(doe / 1460) + Math.floor(doe / 36524) - Math.floor(doe / 146096)) / 365);
  const doy = doe - (365 * yoe + Math.floor(yoe / 4) - Math.floor(yoe / 100));
  const mp = Math.floor((5 * doy + 2) / 153);
  const month = mp < 10 ? mp + 3 : mp - 9;
  return { year: yoe + era * 400 + (month <= 2 ? 1 : 0), month, day: doy - Math.floor((153 * mp + 2) / 5) + 1 };
}

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
    return Math.abs(years) > FAR ? null : String(Math.floor(Number(text) + years + 1e-9));
  }
  const [year, month, day] = text.split("-").map(Number) as [number, number, number];
  if (Math.abs(second ? (at * second) / (365.25 * DAY) : at) > FAR * 366) return null;
  const unitText = variable.unit?.text ?? "day";
  // Calendar months and years are counted on the calendar; the part beyond whole ones in days.
  const perYear = /^y(ea)?rs?$/.test(unitText) ? 12 : /^months?$/.test(unitText) ? 1 : 0;
  let days: number;
  if (perYear) {
    const months = Math.floor(at * perYear + 1e-9);
    const first = shifted(year, month, day, months);
    const next = shifted(year, month, day, months + 1);
    days = first + Math.floor((at * perYear - months) * (next - first) + 1e-9);
  } else days = daysOf(year, month, day) + Math.floor((at * (second ?? DAY)) / DAY + 1e-9);
  const d = dateOf(days);
  if (!(Math.abs(d.year) <= FAR)) return null;
  return `${d.day} ${MONTHS[d.month - 1]} ${d.year}`;
}
function shifted(year: number, month: number, day: number, months: number): number {
  const index = year * 12 + month - 1 + months;
  const y = Math.floor(index / 12);
  const m = (index % 12) + 1;
  const last = daysOf(m === 12 ? y + 1 : y, m === 12 ? 1 : m + 1, 1) - daysOf(y, m, 1);
  return daysOf(y, m, Math.min(day, last));
}
