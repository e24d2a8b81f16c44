import { describe, expect, it } from "vitest";
import { parseUnit } from "../units";
import { readingOf } from "./dates";
import type { ModelVariable } from "./model";

const reading = (at: number, since: string | number | null, unit?: string) =>
  readingOf(at, { since, unit: unit ? parseUnit(unit).unit! : null } as ModelVariable);

describe("what an input of a counting variable reads as", () => {
  it.each<[number, string | number | null, string | undefined, string | null]>([
    [3, null, "day", null],
    [NaN, 2031, undefined, null],
    [Infinity, "2031-01-06", "day", null],
    // Years from a year: the year it lies in; a hair below a whole one counts as that one.
    [0, 2031, undefined, "2031"],
    [2.9, "2031", undefined, "2033"],
    [2.9999999999999, 2031, undefined, "2034"],
    [-0.5, 2031, "year", "2030"],
    [18, 2031, "month", "2032"],
    [10_000, 2031, undefined, "12031"],
    [10_001, 2031, undefined, null],
    [-10_001, 2031, undefined, null],
    // A unit that is no time counts as it stands.
    [5, 2031, "lantern", "2036"],
    [5, 2031, "m/s", "2036"],
    // Days, weeks and hours from a date.
    [0, "2031-01-06", "day", "6 January 2031"],
    [26, "2031-01-06", undefined, "1 February 2031"],
    [1, "2031-01-06", "week", "13 January 2031"],
    [0.5, "2031-01-06", "week", "9 January 2031"],
    [47, "2031-01-06", "hour", "7 January 2031"],
    [48, "2031-01-06", "hour", "8 January 2031"],
    [-1, "2031-01-06", "day", "5 January 2031"],
    [25, "2031-02-04", "day", "1 March 2031"],
    // Months and years are those of the calendar, the rest of one in days.
    [1, "2031-01-06", "month", "6 February 2031"],
    [2, "2031-01-06", "months", "6 March 2031"],
    [13, "2031-01-06", "month", "6 February 2032"],
    [1.5, "2031-01-06", "month", "20 February 2031"],
    [1, "2031-01-06", "year", "6 January 2032"],
    [2, "2031-01-06", "years", "6 January 2033"],
    [0.5, "2031-01-06", "year", "6 July 2031"],
    [0.25, "2031-01-06", "yr", "6 April 2031"],
    [-1, "2031-01-06", "month", "6 December 2030"],
    // Beyond ten thousand years nobody reads a date.
    [20_000, "2031-01-06", "year", null],
    [9_000_000, "2031-01-06", "day", null],
    [9_000, "2031-01-06", "year", null],
    [7_000, "2031-01-06", "year", "6 January 9031"],
  ])("%d since %s in %s: %s", (at, since, unit, says) => expect(reading(at, since, unit)).toBe(says));
});
