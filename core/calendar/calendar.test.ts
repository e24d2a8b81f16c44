import { describe, expect, it } from "vitest";
import { dateOf, dateWords, dayOf, isSince, isoOf, monthsLater, readIso, sinceWords } from ".";

describe("the calendar", () => {
  it.each([
    // Leap years: every fourth, of the hundreds every fourth.
    ["2031-02-28", 22338],
    ["2032-02-29", 22704],
    ["2000-02-29", 11016],
    ["1970-01-01", 0],
    ["1969-12-31", -1],
  ])("%s is day %d", (text, days) => {
    expect(readIso(text)).toBe(days);
    expect(isoOf(days)).toBe(text);
  });

  it.each([
    "2031-02-29",
    "2031-02-31",
    "1900-02-29",
    "2031-04-31",
    "2031-13-01",
    "2031-00-10",
    "2031-01-00",
    "0999-12-31",
  ])("%s is no date", (text) => {
    expect(readIso(text)).toBeNull();
    expect(isSince(text)).toBe(false);
  });

  it("every day is its own, and the one after the last of a month the first of the next", () => {
    let before = dateOf(-200_000);
    for (let days = -199_999; days < 400_000; days++) {
      const d = dateOf(days);
      const goesOn = d.year === before.year && d.month === before.month ? d.day === before.day + 1 : d.day === 1;
      if (!goesOn || (d.year >= 1000 && d.year <= 9999 && dayOf(d.year, d.month, d.day) !== days))
        expect.fail(`day ${days} is ${isoOf(days)} after ${before.year}-${before.month}-${before.day}`);
      before = d;
    }
  });

  it.each([
    ["2031-01-31", 1, "2031-02-28"],
    ["2032-01-31", 1, "2032-02-29"],
    ["2031-03-15", -3, "2030-12-15"],
    ["2031-01-31", -11, "2030-02-28"],
    ["2031-08-31", 25, "2033-09-30"],
  ])("%s and %d months is %s", (from, months, to) => {
    expect(isoOf(monthsLater(dateOf(readIso(from)!), months))).toBe(to);
  });

  it("is told in words", () => {
    expect(dateWords(readIso("2031-01-06")!)).toBe("6 January 2031");
    expect([sinceWords(2031), sinceWords("2031"), sinceWords("2031-12-24")]).toEqual([
      "2031",
      "2031",
      "24 December 2031",
    ]);
  });
});
