import fc from "fast-check";
import { describe, expect, it } from "vitest";
import {
  ONE,
  ZERO,
  ceiling,
  denominator,
  floorOf,
  integerPower,
  isInteger,
  numerator,
  ratio,
  rationalOfDecimal,
  rationalOfDouble,
  rationalText,
  signOf,
  simplestBetween,
  toDouble,
} from ".";

const fraction = fc
  .tuple(fc.integer({ min: -5000, max: 5000 }), fc.integer({ min: 1, max: 997 }))
  .map(([n, d]) => ratio(n, d));

describe("fractions", () => {
  it("the simplest between two has the least denominator of all that lie there", () => {
    fc.assert(
      fc.property(fraction, fc.integer({ min: 1, max: 400 }), (lo, w) => {
        const hi = lo.add(ratio(1, w));
        const s = simplestBetween(lo, hi);
        expect(s.compare(lo) >= 0 && s.compare(hi) <= 0).toBe(true);
        // An end that is itself whole may be taken; otherwise every smaller denominator must miss the gap.
        if (s.compare(lo) === 0 && isInteger(lo)) return;
        for (let d = 1n; d < denominator(s); d++) {
          const n = floorOf(lo.mul(ratio(d))).add(ONE);
          expect(
            n.div(ratio(d)).compare(hi) < 0,
            `${n.toFraction()}/${d} between ${lo.toFraction()} and ${hi.toFraction()}`,
          ).toBe(false);
        }
      }),
      { numRuns: 300 },
    );
  });
  it.each([
    ["0.3333333333", "0.3333333334", "1/3"],
    ["3.1415", "3.1416", "333/106"],
    ["25.4545454545", "25.4545454546", "280/11"],
    ["-0.5000001", "-0.4999999", "-1/2"],
    ["-0.1", "0.1", "0"],
  ])("between %s and %s: %s", (lo, hi, wanted) => {
    expect(rationalText(simplestBetween(rationalOfDecimal(lo)!, rationalOfDecimal(hi)!))).toBe(wanted);
  });
  it("a double of a fraction lies within one unit in the last place", () => {
    const wide = fc
      .tuple(fc.bigInt({ min: -(10n ** 60n), max: 10n ** 60n }), fc.bigInt({ min: 1n, max: 10n ** 60n }))
      .map(([n, d]) => ratio(n, d));
    fc.assert(
      fc.property(wide, (r) => {
        const x = toDouble(r);
        if (x === 0) {
          expect(signOf(r)).toBe(0);
          return;
        }
        const unit = 2 ** (Math.floor(Math.log2(Math.abs(x))) - 52);
        expect(Math.abs(toDouble(rationalOfDouble(x).sub(r)))).toBeLessThanOrEqual(unit * 1.0001);
      }),
      { numRuns: 400 },
    );
  });
  it("floor and ceiling are whole and enclose, below 0 too", () => {
    fc.assert(
      fc.property(fraction, (r) => {
        const [f, c] = [floorOf(r), ceiling(r)];
        expect(isInteger(f) && isInteger(c)).toBe(true);
        expect(f.compare(r) <= 0 && c.compare(r) >= 0 && c.sub(f).compare(ONE) <= 0).toBe(true);
        expect(c.sub(f).compare(isInteger(r) ? ZERO : ONE)).toBe(0);
      }),
    );
    expect([floorOf(ratio(-7, 2)), ceiling(ratio(-7, 2)), floorOf(ratio(7, 2))].map(rationalText)).toEqual([
      "-4",
      "-3",
      "3",
    ]);
  });
  it("powers multiply: r^(a + b) is r^a r^b", () => {
    fc.assert(
      fc.property(fraction, fc.integer({ min: -6, max: 6 }), fc.integer({ min: -6, max: 6 }), (r, a, b) => {
        if (signOf(r) === 0) return;
        expect(integerPower(r, a + b)!.compare(integerPower(r, a)!.mul(integerPower(r, b)!))).toBe(0);
      }),
    );
    expect(integerPower(ZERO, -1)).toBeNull();
    expect(integerPower(ZERO, 0)!.compare(ONE)).toBe(0);
    expect(integerPower(ratio(2), 0.5)).toBeNull();
  });
  it("a text reads back as the fraction it was written for", () => {
    fc.assert(
      fc.property(fraction, (r) => {
        const [n, d = "1"] = rationalText(r).split("/");
        expect(ratio(BigInt(n!), BigInt(d)).compare(r)).toBe(0);
        expect([numerator(r), denominator(r)]).toEqual([BigInt(n!), BigInt(d)]);
      }),
    );
  });
});
