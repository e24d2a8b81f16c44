/** Days since 1970-01-01 and the civil dates they stand for (Gregorian calendar); the only place that knows of both. */
export interface CivilDate {
  readonly year: number;
  /** 1 to 12 */
  readonly month: number;
  readonly day: number;
}

export const MONTH_NAMES = [
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
/** Years whose dates are read from text. */
const READ = { from: 1000, to: 9999 };

/**
 * Days since 1970-01-01 of a civil date (Howard Hinnant, "chrono-Compatible Low-Level Date Algorithms", 2013).
 */
export function daysOf(year: number, month: number, day: number): number {
  const y = month <= 2 ? year - 1 : year;
  const era = Math.floor(y / 400);
  const yoe = y - era * 400;
  const doy = Math.floor((153 * (month + (month > 2 ? -3 : 9)) + 2) / 5) + day - 1;
  return era * 146097 + yoe * 365 + Math.floor(yoe / 4) - Math.floor(yoe / 100) + doy - 719468;
}
/** The civil date of a number of days since 1970-01-01; same source. */
export function dateOf(days: number): CivilDate {
  const z = days + 719468;
  const era = Math.floor(z / 146097);
  const doe = z - era * 146097;
  const yoe = Math.floor((doe - Math.floor(doe / 1460) + Math.floor(doe / 36524) - Math.floor(doe / 146096)) / 365);
  const doy = doe - (365 * yoe + Math.floor(yoe / 4) - Math.floor(yoe / 100));
  const mp = Math.floor((5 * doy + 2) / 153);
  const month = mp < 10 ? mp + 3 : mp - 9;
  return { year: yoe + era * 400 + (month <= 2 ? 1 : 0), month, day: doy - Math.floor((153 * mp + 2) / 5) + 1 };
}

export const lastDayOf = (year: number, month: number): number =>
  daysOf(month === 12 ? year + 1 : year, month === 12 ? 1 : month + 1, 1) - daysOf(year, month, 1);

/** Days since 1970-01-01, or null where the calendar has no such day: the 31st of February is none. */
export function dayOf(year: number, month: number, day: number): number | null {
  const isOne =
    year >= READ.from && year <= READ.to && month >= 1 && month <= 12 && day >= 1 && day <= lastDayOf(year, month);
  return isOne ? daysOf(year, month, day) : null;
}

/** A date so many whole months later (or earlier); a month that is shorter ends with its last day. */
export function monthsLater(from: CivilDate, months: number): number {
  const index = from.year * 12 + from.month - 1 + months;
  const [year, month] = [Math.floor(index / 12), (((index % 12) + 12) % 12) + 1];
  return daysOf(year, month, Math.min(from.day, lastDayOf(year, month)));
}

/** Days since 1970-01-01 of `2031-01-06`, or null. */
export function readIso(text: string): number | null {
  const m = /^(\d{4})-(\d{2})-(\d{2})$/.exec(text);
  return m ? dayOf(Number(m[1]), Number(m[2]), Number(m[3])) : null;
}
/** `2031-01-06` */
export function isoOf(days: number): string {
  const d = dateOf(days);
  return `${String(d.year).padStart(4, "0")}-${String(d.month).padStart(2, "0")}-${String(d.day).padStart(2, "0")}`;
}
/** `6 January 2031` */
export function dateWords(days: number): string {
  const d = dateOf(days);
  return `${d.day} ${MONTH_NAMES[d.month - 1]} ${d.year}`;
}

/** What a count may start from: a year of four digits, or an ISO date. */
export const isSince = (since: string | number): boolean =>
  typeof since === "number"
    ? Number.isInteger(since) && since >= READ.from && since <= READ.to
    : /^\d{4}$/.test(since) || readIso(since) !== null;
/** `2031`, `6 January 2031`. */
export function sinceWords(since: string | number): string {
  const days = readIso(String(since));
  return days === null ? String(since) : dateWords(days);
}
