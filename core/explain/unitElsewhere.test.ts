import { describe, expect, it } from "vitest";
import { parseUnit } from "../units";
import { formatUnitElsewhere } from ".";

describe("a value whose unit is said by a heading, or by the last end of a range", () => {
  it.each([
    [8.25, "$/lantern", "$8.25"],
    [0.0043, "$/kWh", "$0.0043"],
    [811.875, "$", "$811.88"],
    [20.4, "m/s", "20.4"],
    [17, "lanterns", "17"],
    [0.042, "%", "4.2 %"],
    [0.042, "%/year", "4.2 %"],
    [-1234.5, "", "−1,234.5"],
  ])("%s in %s is %s", (x, unit, text) => {
    expect(formatUnitElsewhere(x, parseUnit(unit).unit)).toBe(text);
  });
});
