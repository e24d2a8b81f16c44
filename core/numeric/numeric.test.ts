import { describe, expect, it } from "vitest";
import fc from "fast-check";
import {
  integerRoot,
  isolateRealRoots,
  poly,
  ratio,
  rationalOfDecimal,
  rationalOfDouble,
  rationalOfTyped,
  rationalRoot,
  toDouble,
} from "./index";

describe("exact numbers", () => {
  it.each([
    ["2.50", "5/2"],
    ["-0.004", "-1/250"],
    ["1e-7", "1/10000000"],
    [".5", "1/2"],
    ["12.", "12"],
    ["3E2", "300"],
  ])("%s is %s", (text, wanted) => expect(rationalOfDecimal(text)!.toFraction()).toBe(wanted));
  it.each(["", ".", "1.2.3", "e5", "0x10", "1e9999"])("%s is none", (text) =>
    expect(rationalOfDecimal(text)).toBeNull(),
  );
  it("a typed double is the decimal a person sees", () => expect(rationalOfTyped(0.1)!.toFraction()).toBe("1/10"));
  it("a double is held exactly, and comes back", () => {
    fc.assert(
      fc.property(fc.double({ noNaN: true, noDefaultInfinity: true }), (x) => {
        expect(toDouble(rationalOfDouble(x)) === x).toBe(true);
      }),
    );
  });
  it("roots of whole numbers are floors", () => {
    fc.assert(
      fc.property(fc.bigInt({ min: 0n, max: 10n ** 40n }), fc.integer({ min: 2, max: 7 }), (n, k) => {
        const r = integerRoot(n, k);
        expect(r ** BigInt(k) <= n && (r + 1n) ** BigInt(k) > n).toBe(true);
      }),
    );
    expect(rationalRoot(ratio(8, 27), 3)!.toFraction()).toBe("2/3");
    expect(rationalRoot(ratio(2), 2)).toBeNull();
  });
});

describe("polynomials", () => {
  const of = (...c: number[]) => poly.trim(c.map((n) => ratio(n)));
  const small = fc.array(fc.integer({ min: -9, max: 9 }), { minLength: 1, maxLength: 6 }).map((c) => of(...c));
  it("quotient times divisor plus remainder gives back", () => {
    fc.assert(
      fc.property(small, small, (a, b) => {
        if (b.length === 0) return;
        const { quotient, remainder } = poly.divide(a, b);
        expect(poly.subtract(a, poly.add(poly.multiply(quotient, b), remainder))).toEqual([]);
        expect(remainder.length).toBeLessThan(Math.max(1, b.length));
      }),
    );
  });
  it("square-free factors multiply back, up to a constant", () => {
    fc.assert(
      fc.property(small, small, (a, b) => {
        const p = poly.multiply(poly.multiply(a, a), b);
        if (poly.degree(p) < 1) return;
        const product = poly.squareFree(p).reduce((q, f) => {
          for (let i = 0; i < f.multiplicity; i++) q = poly.multiply(q, f.factor);
          return q;
        }, of(1));
        expect(poly.degree(product)).toBe(poly.degree(p));
        expect(poly.divide(p, product).remainder).toEqual([]);
      }),
      { numRuns: 60 },
    );
  });
  it("every root made is found, with its multiplicity, in any range", () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: -60, max: 60 }), fc.integer({ min: 1, max: 9 })), {
          minLength: 1,
          maxLength: 6,
        }),
        (list) => {
          const roots = list.map(([n, d]) => ratio(n, d));
          const p = roots.reduce((q, r) => poly.multiply(q, [r.neg(), ratio(1)]), poly.multiply(of(1, 0, 1), of(3)));
          const found = isolateRealRoots(p, ratio(-5), ratio(20));
          const wanted = [
            ...new Set(roots.filter((r) => r.compare(-5) >= 0 && r.compare(20) <= 0).map((r) => r.toFraction())),
          ];
          expect(found.map((r) => r.exact?.toFraction()).sort()).toEqual(wanted.sort());
          for (const r of found) expect(r.multiplicity).toBe(roots.filter((s) => s.compare(r.exact!) === 0).length);
        },
      ),
      { numRuns: 100 },
    );
  });
  it("irrational roots lie in enclosures of neighbouring doubles", () => {
    for (const [p, at] of [
      [of(-2, 0, 1), Math.SQRT2],
      [of(-5, -2, 0, 1), 2.0945514815423265],
      [of(-1, -1, 0, 0, 0, 1), 1.1673039782614187],
    ] as const) {
      const r = isolateRealRoots(p, ratio(0), ratio(4))[0]!;
      expect(Math.abs(r.at - at)).toBeLessThan(1e-15);
      expect(r.hi - r.lo).toBeLessThan(2e-15);
      expect(r.lo < r.hi).toBe(true);
    }
  });
});
