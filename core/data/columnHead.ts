import { isSince, readIso } from "../calendar";
import { parseUnit, singular } from "../units";
import type { CountUnit, Counting } from "./counting";

/** A name and, after a comma, a unit: `people, person`. */
const HEAD = /^\s*(\p{L}[\p{L}\p{Nd}_]*)\s*(?:,\s*(\S.*))?$/u;

/** What the head of a column says, as it is typed; null where it is no head. */
export function readHead(text: string): { readonly name: string; readonly unit: string | undefined } | null {
  const m = HEAD.exec(text);
  return m && { name: m[1]!, unit: m[2]?.trim() };
}

/** A head as it is read: `height, cm`; a column that is called by what it counts says so once. */
export function headShown(name: string, unit: string | null | undefined): string {
  const says = unit && singular(unit.toLowerCase()) !== singular(name.toLowerCase());
  return says ? `${name}, ${unit}` : name;
}

/** What is wrong with a typed head of a column, in words; null when it can be kept. */
export function headTrouble(text: string): string | null {
  const head = readHead(text);
  if (!head) return "A name and, after a comma, a unit should stand here: people, person.";
  if (head.unit && !parseUnit(head.unit).unit) return `“${head.unit}” is no unit. Examples: $, $/lantern, week.`;
  return null;
}

export const COUNT_UNITS: readonly CountUnit[] = ["day", "week", "month", "year"];

/** How a variable counts time, where it does: its unit, and since when. */
export function countingOf(variable: {
  readonly unit?: string | undefined;
  readonly since?: unknown;
}): Counting | null {
  if (variable.since === undefined) return null;
  const singular = variable.unit?.replace(/s$/, "");
  return { unit: COUNT_UNITS.find((u) => u === singular) ?? "year", since: String(variable.since) };
}

/** Whether it counts from a date; from a bare year otherwise. */
export const countsFromDate = (counting: Counting): boolean => counting.since.includes("-");

/** What is wrong with a typed start of counting, in words; null when it can be kept. */
export function startTrouble(text: string, counting: Counting): string | null {
  const isDate = readIso(text.trim()) !== null;
  if (countsFromDate(counting)) return isDate ? null : "A date should stand here, as in 2031-01-06.";
  return isSince(text.trim()) && !isDate ? null : "A year should stand here, as in 2031.";
}
