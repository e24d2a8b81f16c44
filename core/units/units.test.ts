import { describe, expect, it } from "vitest";
import {
  isPlain,
  parseUnit,
  plural,
  raised,
  sameDimension,
  sameUnit,
  singular,
  times,
  unitTrouble,
  type Unit,
} from "./index";

const unit = (text: string): Unit => {
  const read = parseUnit(text);
  if (!read.unit) throw new Error(read.reason);
  return read.unit;
};

describe("units are read as they are written", () => {
  it("what is no unit is told with examples, and nothing at all may stand there", () => {
    expect([unitTrouble("$/lantern"), unitTrouble(""), unitTrouble("  ")]).toEqual([null, null, null]);
    expect(unitTrouble("$//")).toMatch(/Examples: \$, \$\/lantern/);
  });
  const cases: [string, Record<string, number>, number][] = [
    ["$", { "currency:USD": 1 }, 1],
    ["USD", { "currency:USD": 1 }, 1],
    ["€/lantern", { "currency:EUR": 1, lantern: -1 }, 1],
    ["$/lanterns", { "currency:USD": 1, lantern: -1 }, 1],
    ["m/s^2", { metre: 1, second: -2 }, 1],
    ["m/s²", { metre: 1, second: -2 }, 1],
    ["kg m/s^2", { kilogram: 1, metre: 1, second: -2 }, 1],
    ["kg/tree^2", { kilogram: 1, tree: -2 }, 1],
    ["%", {}, 1],
    ["%/year", { second: -1 }, 1 / (365.25 * 86400)],
    ["people", { person: 1 }, 1],
    ["hours", { second: 1 }, 3600],
    ["min", { second: 1 }, 60],
    ["km/h", { metre: 1, second: -1 }, 1000 / 3600],
    ["ha", { metre: 2 }, 10_000],
    ["L", { metre: 3 }, 0.001],
    ["1/week", { second: -1 }, 1 / 604800],
    ["passenger^2/$", { passenger: 2, "currency:USD": -1 }, 1],
    ["°C", { kelvin: 1 }, 1],
    ["", {}, 1],
    ["1", {}, 1],
    ["m^-1", { metre: -1 }, 1],
    ["m/m", {}, 1],
  ];
  for (const [text, powers, factor] of cases) {
    it(text || "(none)", () => {
      expect(unit(text).powers).toEqual(powers);
      expect(unit(text).factor).toBeCloseTo(factor, 12);
    });
  }
  it.each(["$/", "m/s/", "3 m", "a+b"])("%s is none, and says why", (text) => {
    const read = parseUnit(text);
    expect(read.unit).toBeNull();
    if (!read.unit) expect(read.reason.length).toBeGreaterThan(10);
  });
});

describe("nouns", () => {
  const pairs: [string, string][] = [
    ["lantern", "lanterns"],
    ["person", "people"],
    ["child", "children"],
    ["batch", "batches"],
    ["box", "boxes"],
    ["pastry", "pastries"],
    ["day", "days"],
    ["leaf", "leaves"],
    ["dish", "dishes"],
    ["glass", "glasses"],
    ["candle", "candles"],
    ["boat", "boats"],
    ["bus", "buses"],
  ];
  for (const [one, many] of pairs) {
    it(`${one}, ${many}`, () => {
      expect(plural(one)).toBe(many);
      expect(singular(many)).toBe(one);
      expect(singular(one)).toBe(one);
    });
  }
});

describe("products and comparisons", () => {
  it("a price times a count is money, written so", () => {
    const money = times(unit("$/lantern"), unit("lantern"));
    expect(sameUnit(money, unit("$"))).toBe(true);
    expect(money.text).toBe("$");
  });
  it("a speed over a time is an acceleration", () => {
    const a = times(unit("m/s"), unit("s"), -1);
    expect(sameUnit(a, unit("m/s^2"))).toBe(true);
    expect(a.text).toBe("m/s^2");
  });
  it("minutes and hours are one dimension at two scales", () => {
    expect(sameDimension(unit("min"), unit("h"))).toBe(true);
    expect(sameUnit(unit("min"), unit("h"))).toBe(false);
  });
  it("singular and plural are one unit, money of two countries is not", () => {
    expect(sameUnit(unit("lantern"), unit("lanterns"))).toBe(true);
    expect(sameUnit(unit("$"), unit("€"))).toBe(false);
  });
  it("a square root halves the powers", () => {
    expect(sameUnit(raised(unit("m^2"), 1 / 2), unit("m"))).toBe(true);
  });
  it("a percentage is a plain number", () => {
    expect(isPlain(unit("%"))).toBe(true);
    expect(isPlain(unit("%/year"))).toBe(false);
  });
});

describe("names that every object of the language has", () => {
  it.each(["toString", "constructor", "valueOf", "hasOwnProperty", "isPrototypeOf", "m/toStrings^2"])(
    "%s is a thing that is counted, like any other word",
    (text) => {
      const { unit } = parseUnit(text);
      expect(Object.values(unit?.powers ?? {}).every((p) => Number.isInteger(p))).toBe(true);
      expect(unit && times(unit, unit, -1).powers).toEqual({});
    },
  );
});
