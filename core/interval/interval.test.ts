import { describe, expect, it } from "vitest";
import fc from "fast-check";
import { BROKEN, EMPTY, Enclosure, PARTIAL, iv } from "./index";
import { addHi, addLo, divHi, divLo, down, mulHi, mulLo, up } from "./round";
import { rationalOfDouble } from "../numeric";

const number = fc.double({ noNaN: true, noDefaultInfinity: true, min: -1e100, max: 1e100 });
const exact = rationalOfDouble;

describe("directed rounding", () => {
  it("bounds the exact sum, product and quotient, and leaves exact ones alone", () => {
    fc.assert(
      fc.property(number, number, (a, b) => {
        expect(
          exact(addLo(a, b)).compare(exact(a).add(exact(b))) <= 0 &&
            exact(addHi(a, b)).compare(exact(a).add(exact(b))) >= 0,
        ).toBe(true);
        if (Math.abs(a) > 1e-100 && Math.abs(b) > 1e-100) {
          expect(
            exact(mulLo(a, b)).compare(exact(a).mul(exact(b))) <= 0 &&
              exact(mulHi(a, b)).compare(exact(a).mul(exact(b))) >= 0,
          ).toBe(true);
          expect(
            exact(divLo(a, b)).compare(exact(a).div(exact(b))) <= 0 &&
              exact(divHi(a, b)).compare(exact(a).div(exact(b))) >= 0,
          ).toBe(true);
        }
      }),
      { numRuns: 400 },
    );
    expect([addLo(0.5, 0.25), Math.abs(addHi(1, -1)), mulLo(3, 4), divLo(6, 3)]).toEqual([0.75, 0, 12, 2]);
  });
  it("moves by at most two units in the last place", () => {
    for (const x of [1, 1.5, 1e-300, -7e20]) {
      expect(up(x) > x && down(x) < x).toBe(true);
      expect((up(x) - x) / Math.abs(x)).toBeLessThanOrEqual(2 ** -51);
    }
    expect([down(Infinity), up(-Infinity)]).toEqual([Number.MAX_VALUE, -Number.MAX_VALUE]);
  });
});

describe("enclosures", () => {
  const box = (lo: number, hi: number) => new Enclosure(lo, hi);
  it("a divisor that holds 0 is a pole; one that touches it leaves half a line", () => {
    expect(iv.divide(box(1, 1), box(-1, 2))).toMatchObject({ lo: -Infinity, hi: Infinity, flags: PARTIAL | BROKEN });
    expect(iv.divide(box(1, 1), box(0, 2)).lo).toBeCloseTo(0.5, 12);
    expect(iv.divide(box(1, 1), box(0, 0)).flags & EMPTY).toBeTruthy();
  });
  it("what lies outside a domain is cut off and said", () => {
    expect(iv.sqrt(box(-1, 4))).toMatchObject({ lo: 0, hi: 2, flags: PARTIAL });
    expect(iv.ln(box(-2, -1)).flags & EMPTY).toBeTruthy();
    expect(iv.ln(box(0, 1))).toMatchObject({ lo: -Infinity, hi: 0 });
    expect(iv.asin(box(2, 3)).flags & EMPTY).toBeTruthy();
  });
  it("waves know their tops, and nothing far out", () => {
    expect([iv.sin(box(1, 2)).hi, iv.cos(box(3, 4)).lo, iv.cos(box(-0.1, 0.1)).hi]).toEqual([1, -1, 1]);
    expect(iv.sin(box(1e16, 1e16))).toMatchObject({ lo: -1, hi: 1 });
    expect(iv.tan(box(1, 2)).flags & BROKEN).toBeTruthy();
    expect(iv.sin(box(0, 0))).toMatchObject({ lo: 0, hi: 0 });
  });
  it("even powers, stairs and signs", () => {
    expect(iv.integerPower(box(-2, 1), 2)).toMatchObject({ lo: 0, hi: 4 });
    expect(iv.floor(box(0.2, 0.9))).toMatchObject({ lo: 0, hi: 0, flags: 0 });
    expect(iv.floor(box(0.2, 1.1)).flags & BROKEN).toBeTruthy();
    expect(iv.sign(box(0, 0)).flags & EMPTY).toBeTruthy();
  });
  it("u ln u and its least value −1/e", () => {
    expect(iv.timesLogarithm(box(0, 1)).lo).toBeCloseTo(-1 / Math.E, 12);
    fc.assert(
      fc.property(
        fc.double({ min: 1e-9, max: 5, noNaN: true }),
        fc.double({ min: 0, max: 3, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (lo, width, share) => {
          const x = lo + width * share;
          const e = iv.timesLogarithm(box(lo, lo + width));
          const y = x * Math.log(x);
          expect(y >= e.lo - 1e-14 && y <= e.hi + 1e-14).toBe(true);
        },
      ),
    );
  });
});

describe("a divisor that touches 0 leaves half a line, and no more", () => {
  const [INF, ALL] = [Infinity, [-Infinity, Infinity]];
  it.each<[number, number, number, number, readonly number[]]>([
    [1, 2, 0, 4, [0.25, INF]],
    [0, 2, 0, 4, [0, INF]],
    [-2, -1, 0, 4, [-INF, -0.25]],
    [-2, 0, 0, 4, [-INF, 0]],
    [1, 2, -4, 0, [-INF, -0.25]],
    [0, 2, -4, 0, [-INF, 0]],
    [-2, -1, -4, 0, [0.25, INF]],
    [-2, 0, -4, 0, [0, INF]],
    [-1, 2, 0, 4, ALL],
    [-1, 2, -4, 0, ALL],
    [1, 2, -4, 4, ALL],
  ])("[%d, %d] / [%d, %d]", (a, b, c, d, [lo, hi]) => {
    const q = iv.divide(new Enclosure(a, b), new Enclosure(c, d));
    for (const [found, wanted] of [
      [q.lo, lo!],
      [q.hi, hi!],
    ] as const)
      if (Number.isFinite(wanted)) expect(found).toBeCloseTo(wanted, 14);
      else expect(found).toBe(wanted);
    expect(q.lo <= lo! && q.hi >= hi!).toBe(true);
    expect(q.flags & (PARTIAL | BROKEN)).toBe(PARTIAL | BROKEN);
  });
  it("nothing divided by 0 alone", () => {
    expect(iv.divide(new Enclosure(1, 2), new Enclosure(0, 0)).flags & EMPTY).toBe(EMPTY);
    expect(iv.divide(new Enclosure(0, 0), new Enclosure(0, 0)).flags & EMPTY).toBe(EMPTY);
  });
});
