import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { PLAIN, isPlain, parseUnit, raised, sameDimension, sameUnit, times, type Unit } from ".";

const TEXTS = [
  "$",
  "lantern",
  "$/lantern",
  "m",
  "m/s",
  "m/s^2",
  "s",
  "min",
  "h",
  "kg",
  "km",
  "km/h",
  "L",
  "m^2",
  "m^3",
  "person",
  "person/week",
  "%",
  "%/year",
  "year",
  "day",
  "lantern/h",
  "$/h",
  "kg m/s^2",
  "m^3/s",
  "sheet",
  "boat^2",
];
const read = (text: string): Unit => {
  const r = parseUnit(text);
  if (!r.unit) throw new Error(`${text}: ${r.reason}`);
  return r.unit;
};
const unit = fc.constantFrom(...TEXTS).map(read);
const over = (a: Unit, b: Unit) => times(a, b, -1);

describe("units multiply as numbers do", () => {
  const same = (a: Unit, b: Unit) => expect(sameUnit(a, b), `${a.text} and ${b.text}`).toBe(true);
  it("in any order, in any grouping, and a plain number changes nothing", () =>
    fc.assert(
      fc.property(unit, unit, unit, (a, b, c) => {
        same(times(a, b), times(b, a));
        same(times(times(a, b), c), times(a, times(b, c)));
        same(times(a, PLAIN), a);
      }),
    ));
  it("what is divided out is gone", () =>
    fc.assert(
      fc.property(unit, unit, (a, b) => {
        expect(isPlain(over(a, a))).toBe(true);
        same(times(over(a, b), b), a);
        same(over(times(a, b), a), b);
      }),
    ));
  it("a power is its product, and a root undoes it", () =>
    fc.assert(
      fc.property(unit, fc.integer({ min: 1, max: 4 }), (a, n) => {
        same(
          raised(a, n),
          Array.from({ length: n - 1 }).reduce<Unit>((p) => times(p, a), a),
        );
        same(raised(raised(a, n), 1 / n), a);
        same(raised(a, -1), over(PLAIN, a));
      }),
    ));
  it("a product is written so that it reads back as itself", () =>
    fc.assert(
      fc.property(unit, unit, fc.constantFrom<1 | -1>(1, -1), (a, b, sign) => {
        const p = times(a, b, sign);
        // A unit that is written as one has the factor of its own reading; the dimension is what must hold.
        const again = parseUnit(p.text);
        expect(again.unit, p.text).not.toBeNull();
        expect(sameDimension(again.unit!, p), p.text).toBe(true);
      }),
    ));
  it("one dimension, two scales: the factor tells how many", () => {
    for (const [small, large, factor] of [
      ["min", "h", 60],
      ["s", "min", 60],
      ["m", "km", 1000],
      ["m/s", "km/h", 1 / 3.6],
    ] as const) {
      expect(sameDimension(read(small), read(large))).toBe(true);
      expect(read(large).factor / read(small).factor).toBeCloseTo(factor, 10);
    }
  });
});
