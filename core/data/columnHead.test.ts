import { describe, expect, it } from "vitest";
import { countingOf, headShown, headTrouble, readHead, startTrouble } from ".";
import { headerParts } from "./tableHead";

describe("the head of a column, as it is typed", () => {
  it.each([
    ["people, person", { name: "people", unit: "person" }, null],
    ["  t ,  week ", { name: "t", unit: "week" }, null],
    ["level", { name: "level", unit: undefined }, null],
    ["2nd", null, /name and, after a comma/],
    ["", null, /name and, after a comma/],
    ["price, $//", { name: "price", unit: "$//" }, /“\$\/\/” is no unit/],
  ])("%s", (text, head, trouble) => {
    expect(readHead(text)).toEqual(head);
    if (trouble) expect(headTrouble(text)).toMatch(trouble);
    else expect(headTrouble(text)).toBeNull();
  });
});

describe("the head of a column, as it is read", () => {
  it.each([
    ["people", "person", "people"],
    ["People", "people", "People"],
    ["sold", "lantern", "sold, lantern"],
    ["height", "cm", "height, cm"],
    ["x", null, "x"],
    ["x", "", "x"],
  ])("%s in %s: %s", (name, unit, wanted) => expect(headShown(name, unit)).toBe(wanted));
});

describe("titles of pasted columns", () => {
  it.each([
    ["days", "t", "day"],
    ["Weeks", "t", "week"],
    ["week", "week", null],
    ["people", "people", "person"],
    ["visits", "visits", "visit"],
    ["people (persons)", "people", "persons"],
    ["time, s", "time", "s"],
    ["price [$/lantern]", "price", "$/lantern"],
    ["cost in $", "cost", "$"],
    ["sales", "sales", null],
    ["cost", "cost", null],
    ["class", "class", null],
    ["gas", "gas", null],
    ["year", "year", null],
    ["number of people", "number of people", null],
    ["x", "x", null],
    ["", "", null],
  ])("%s", (title, words, unit) => expect(headerParts(title)).toEqual({ words, unit }));
});

describe("counting from", () => {
  it("is told by the variable, in its unit", () => {
    expect(countingOf({ unit: "weeks", since: "2031-01-06" })).toEqual({ unit: "week", since: "2031-01-06" });
    expect(countingOf({ unit: "km", since: 2031 })).toEqual({ unit: "year", since: "2031" });
    expect(countingOf({ unit: "week" })).toBeNull();
  });
  it("keeps to dates, or to years", () => {
    const dates = { unit: "week", since: "2031-01-06" } as const;
    const years = { unit: "year", since: "2031" } as const;
    expect(startTrouble(" 2031-02-03 ", dates)).toBeNull();
    expect(startTrouble("2031-02-31", dates)).toMatch(/A date/);
    expect(startTrouble("2031", dates)).toMatch(/A date/);
    expect(startTrouble("2030", years)).toBeNull();
    expect(startTrouble("2031-01-06", years)).toMatch(/A year/);
    expect(startTrouble("soon", years)).toMatch(/A year/);
  });
});
