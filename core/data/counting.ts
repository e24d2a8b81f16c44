import { NEARLY_WHOLE } from "../numeric";
import { dateOf, daysOf, isoOf, monthsLater } from "../calendar";

export type CountUnit = "day" | "week" | "month" | "year";
/** From when a column counts, and in what. `since` is as the case file has it: a year, or an ISO date. */
export interface Counting {
  readonly unit: CountUnit;
  readonly since: string;
}

/**
 * What a column of dates (days since 1970-01-01) or years best counts in: the widest unit that keeps all steps whole.
 */
export function suggestCounting(values: readonly number[], kind: "date" | "year"): Counting {
  const start = values.reduce((m, v) => Math.min(m, v), Infinity);
  if (kind === "year") return { unit: "year", since: String(start) };
  const since = isoOf(start);
  const first = dateOf(start);
  const dates = values.map(dateOf);
  if (dates.every((d) => d.month === first.month && d.day === first.day) && values.length > 1)
    return { unit: "year", since };
  if (dates.every((d) => d.day === first.day) && values.length > 1) return { unit: "month", since };
  return { unit: values.every((v) => (v - start) % 7 === 0) ? "week" : "day", since };
}

/** Dates or years as counts; months and years of dates by the calendar, parts of them by days. */
export function countFrom(
  values: readonly (number | null)[],
  kind: "date" | "year",
  counting: Counting,
): (number | null)[] {
  if (kind === "year") return values.map((v) => (v === null ? null : v - Number(counting.since.slice(0, 4))));
  const start = startOf(counting.since);
  const s = dateOf(start);
  return values.map((v) => {
    if (v === null) return null;
    if (counting.unit === "day") return v - start;
    if (counting.unit === "week") return Number(((v - start) / 7).toPrecision(12));
    const d = dateOf(v);
    const whole = (d.year - s.year) * 12 + (d.month - s.month) - (d.day < s.day ? 1 : 0);
    const at = monthsLater(s, whole);
    const months = whole + (v - at) / (monthsLater(s, whole + 1) - at);
    return Number((counting.unit === "month" ? months : months / 12).toPrecision(10));
  });
}
const startOf = (since: string): number => {
  const [y, m, d] = since.split("-").map(Number);
  return daysOf(y!, m ?? 1, d ?? 1);
};
/**
 * The same instants counted otherwise: another start, another unit. Counts of days and weeks move exactly, others by
 * the calendar.
 */
export function recounted(values: readonly (number | null)[], from: Counting, to: Counting): (number | null)[] {
  const years = /^-?\d+$/.test(from.since) && /^-?\d+$/.test(to.since) && from.unit === "year" && to.unit === "year";
  if (years) return values.map((v) => (v === null ? null : v + Number(from.since) - Number(to.since)));
  const start = startOf(from.since);
  const s = dateOf(start);
  const days = values.map((v) => {
    if (v === null) return null;
    if (from.unit === "day" || from.unit === "week") return Math.round(start + v * (from.unit === "week" ? 7 : 1));
    const months = v * (from.unit === "year" ? 12 : 1);
    const whole = Math.floor(months + NEARLY_WHOLE);
    const at = monthsLater(s, whole);
    return Math.round(at + (months - whole) * (monthsLater(s, whole + 1) - at));
  });
  return countFrom(days, "date", to);
}
