import { describe, expect, it } from "vitest";
import { BROKEN, EMPTY, Enclosure, PARTIAL, iv } from "./index";

const [INF, E, PI] = [Infinity, Math.E, Math.PI];
const ALL = PARTIAL | BROKEN;
const box = (lo: number, hi: number, flags = 0) => new Enclosure(lo, hi, flags);
type Operation = (a: Enclosure) => Enclosure;
type Row = readonly [name: string, of: Operation, from: number, to: number, lo: number, hi: number, flags: number];
type None = readonly [name: string, of: Operation, from: number, to: number];

/** Bounds that are exact are met exactly; those that are rounded enclose theirs, closely. */
function holds(found: Enclosure, lo: number, hi: number): void {
  for (const [bound, wanted, side] of [
    [found.lo, lo, 1],
    [found.hi, hi, -1],
  ] as const) {
    if (!Number.isFinite(wanted)) expect(bound).toBe(wanted);
    else if (Number.isInteger(wanted)) expect(bound + 0).toBe(wanted);
    else {
      expect(side * (wanted - bound)).toBeGreaterThanOrEqual(-1e-15 * Math.abs(wanted));
      expect(Math.abs(wanted - bound)).toBeLessThan(1e-11 * Math.abs(wanted));
    }
  }
}

const to =
  (n: number): Operation =>
  (a) =>
    iv.integerPower(a, n);
const real =
  (y: number, yHi = y): Operation =>
  (a) =>
    iv.realPower(a, box(y, yHi));
const root =
  (n: number): Operation =>
  (a) =>
    iv.root(a, n);
const power =
  (lo: number, hi: number): Operation =>
  (a) =>
    iv.power(a, box(lo, hi));

describe("what is taken on a box, at its ends and where domains end", () => {
  it.each<Row>([
    ["ln", iv.ln, 1, E, 0, 1.0000000000000002, 0],
    ["ln", iv.ln, 0.5, 1, -Math.LN2, 0, 0],
    ["ln", iv.ln, 0, 1, -INF, 0, PARTIAL],
    ["ln", iv.ln, -1, 1, -INF, 0, ALL],
    ["ln", iv.ln, 2, INF, Math.LN2, INF, 0],
    ["log10", iv.log10, 1, 50, 0, Math.log10(50), 0],
    ["log2", iv.log2, 1, 3, 0, Math.log2(3), 0],
    ["exp", iv.exp, 0, 0, 1, 1, 0],
    ["exp", iv.exp, -1, 0, 1 / E, 1, 0],
    ["exp", iv.exp, 0, 1.5, 1, Math.exp(1.5), 0],
    ["exp", iv.exp, -INF, 0, 0, 1, 0],
    ["sqrt", iv.sqrt, 4, 9, 2, 3, 0],
    ["sqrt", iv.sqrt, 2, 3, Math.SQRT2, Math.sqrt(3), 0],
    ["sqrt", iv.sqrt, -1, 4, 0, 2, PARTIAL],
    ["sqrt", iv.sqrt, 0, 0, 0, 0, 0],
    ["sqrt", iv.sqrt, 0.25, 1, 0.5 - 1e-16, 1, 0],
    ["cbrt", iv.cbrt, 0, 7, 0, Math.cbrt(7), 0],
    ["cbrt", iv.cbrt, -7, 0, -Math.cbrt(7), 0, 0],
    ["cbrt", iv.cbrt, -3, 5, -Math.cbrt(3), Math.cbrt(5), 0],
    ["cbrt", iv.cbrt, 0, 0, 0, 0, 0],
    ["square", to(2), -2, 3, 0, 9, 0],
    ["square", to(2), -3, 2, 0, 9, 0],
    ["square", to(2), -3, -2, 4, 9, 0],
    ["square", to(2), 2, 3, 4, 9, 0],
    ["cube", to(3), -3, -2, -27, -8, 0],
    ["cube", to(3), -3, 2, -27, 8, 0],
    ["cube", to(3), 2, 3, 8, 27, 0],
    ["cube", to(3), -2, 0, -8, 0, 0],
    ["to the 0th", to(0), -2, 5, 1, 1, 0],
    ["to the −1st", to(-1), 2, 4, 0.25 - 1e-17, 0.5 + 1e-17, 0],
    ["to the −2nd", to(-2), -1, 2, 0.25 - 1e-17, INF, ALL],
    ["to the −1st", to(-1), -1, 2, -INF, INF, ALL],
    ["to the 33rd", to(33), 1, 1.5, 1 - 1e-15, 1.5 ** 33, 0],
    ["to the 1.5th", real(1.5), 0, 4, 0, 8 + 1e-14, 0],
    ["to the 1.5th", real(1.5), -1, 1, 0, 1, PARTIAL],
    ["to the 1.5th", real(1.5), 1, 3, 1, 3 ** 1.5, 0],
    ["to between 0.5 and 2", real(0.5, 2), 0.25, 3, 0.0625 - 1e-17, 9 + 1e-14, 0],
    ["to the −0.5th", real(-0.5), 1, 4, 0.5 - 1e-16, 1, 0],
    ["to the −0.5th", real(-0.5), 0, 4, 0.5 - 1e-16, INF, ALL],
    ["to between −1 and 1", real(-1, 1), 2, 3, 1 / 3, 3 + 1e-15, 0],
    ["to between −1 and 1", real(-1, 1), 0, 0, 0, 1, ALL],
    ["square root, as a root", root(2), 4, 9, 2, 3, 0],
    ["fifth root", root(5), -3, 0, -(3 ** 0.2), 0, 0],
    ["fifth root", root(5), 0, 3, 0, 3 ** 0.2, 0],
    ["fourth root", root(4), -1, 3, 0, 3 ** 0.25, PARTIAL],
    ["to a power of 2", power(2, 2), -2, 3, 0, 9, 0],
    ["to a power of 1 to 2", power(1, 2), 2, 3, 2 - 1e-15, 9 + 4e-15, 0],
    ["to a power of 1 to 2", power(1, 2), 0, 2, 0, 4 + 1e-14, 0],
    ["to a power of 1 to 2", power(1, 2), -1, 2, 0, 4 + 1e-14, PARTIAL],
    ["to a power of −1 to 2", power(-1, 2), 0, 2, 0, INF, ALL],
    ["to a power of 1 to 2", power(1, 2), 0, 0, 0, 0, 0],
    ["to a power of −1 to 2", power(-1, 2), 0, 0, 0, 0, PARTIAL],
    ["u ln u", iv.timesLogarithm, 0, 0.1, 0.1 * Math.log(0.1), 0, PARTIAL],
    ["u ln u", iv.timesLogarithm, -1, 0.1, 0.1 * Math.log(0.1), 0, ALL],
    ["u ln u", iv.timesLogarithm, 0.1, 1, -1 / E, 0, 0],
    ["u ln u", iv.timesLogarithm, 2, 3, 2 * Math.LN2, 3 * Math.log(3), 0],
    ["u ln u", iv.timesLogarithm, 0.5, 0.7, 0.5 * Math.log(0.5), 0.7 * Math.log(0.7), 0],
    ["abs", iv.abs, -3, 2, 0, 3, 0],
    ["abs", iv.abs, -2, 3, 0, 3, 0],
    ["abs", iv.abs, -3, -2, 2, 3, 0],
    ["abs", iv.abs, -3, 0, 0, 3, 0],
    ["abs", iv.abs, 2, 3, 2, 3, 0],
    ["sign", iv.sign, 0.5, 3, 1, 1, 0],
    ["sign", iv.sign, -3, -0.5, -1, -1, 0],
    ["sign", iv.sign, 0, 3, -1, 1, ALL],
    ["sign", iv.sign, -3, 0, -1, 1, ALL],
    ["floor", iv.floor, 2, 2.5, 2, 2, 0],
    ["floor", iv.floor, 2.5, 3, 2, 3, BROKEN],
    ["ceil", iv.ceil, 2.5, 3, 3, 3, 0],
    ["ceil", iv.ceil, 2, 2.5, 2, 3, BROKEN],
    ["round", iv.round, 2.5, 3.4, 3, 3, 0],
    ["round", iv.round, -2.5, -2.4, -3, -2, BROKEN],
    ["round", iv.round, -3.4, -2.5, -3, -3, 0],
    ["step", iv.step, 0, 3, 1, 1, 0],
    ["step", iv.step, -3, -0.1, 0, 0, 0],
    ["step", iv.step, -3, 0, 0, 1, BROKEN],
    ["sin", iv.sin, 0, 0, 0, 0, 0],
    ["sin", iv.sin, 0, 1, 0, Math.sin(1), 0],
    ["sin", iv.sin, -1, 0, -Math.sin(1), 0, 0],
    ["sin", iv.sin, 1, 2, Math.sin(1), 1, 0],
    ["sin", iv.sin, 4, 5, -1, Math.sin(4), 0],
    ["sin", iv.sin, 0, 7, -1, 1, 0],
    ["sin", iv.sin, 2, 3, Math.sin(3), Math.sin(2), 0],
    ["cos", iv.cos, 0, 0, 1, 1, 0],
    ["cos", iv.cos, -1, 1, Math.cos(1), 1, 0],
    ["cos", iv.cos, 3, 4, -1, Math.cos(4), 0],
    ["cos", iv.cos, 1, 2, Math.cos(2), Math.cos(1), 0],
    ["cos", iv.cos, 1, INF, -1, 1, 0],
    ["tan", iv.tan, 0, 1, 0, Math.tan(1), 0],
    ["tan", iv.tan, -1, 0, -Math.tan(1), 0, 0],
    ["tan", iv.tan, 1, 2, -INF, INF, ALL],
    ["tan", iv.tan, -2, -1, -INF, INF, ALL],
    ["tan", iv.tan, 0, 3.2, -INF, INF, ALL],
    ["tan", iv.tan, 2, 4, Math.tan(2), Math.tan(4), 0],
    ["tan", iv.tan, 1e16, 1e16, -INF, INF, ALL],
    ["asin", iv.asin, -2, 0.5, -PI / 2, PI / 6, PARTIAL],
    ["asin", iv.asin, -0.5, 0.5, -PI / 6, PI / 6, 0],
    ["acos", iv.acos, 0.5, 1, 0, PI / 3, 0],
    ["acos", iv.acos, 1, 1, 0, 0, 0],
    ["acos", iv.acos, -0.5, 0.5, PI / 3, (2 * PI) / 3, 0],
    ["acos", iv.acos, 0.5, 2, 0, PI / 3, PARTIAL],
    ["atan", iv.atan, -0.5, 0.7, Math.atan(-0.5), Math.atan(0.7), 0],
    ["sinh", iv.sinh, -0.5, 0.7, Math.sinh(-0.5), Math.sinh(0.7), 0],
    ["cosh", iv.cosh, -1, 2, 1, Math.cosh(2), 0],
    ["cosh", iv.cosh, -2, 1, 1, Math.cosh(2), 0],
    ["cosh", iv.cosh, 1, 2, Math.cosh(1), Math.cosh(2), 0],
    ["cosh", iv.cosh, -2, -1, Math.cosh(1), Math.cosh(2), 0],
    ["tanh", iv.tanh, 0, 1, 0, Math.tanh(1), 0],
    ["tanh", iv.tanh, -1, 0, -Math.tanh(1), 0, 0],
    ["tanh", iv.tanh, -INF, INF, -1, 1, 0],
    ["negate", iv.negate, -1, 2, -2, 1, 0],
  ])("%s of [%d, %d]", (_, of, from, until, lo, hi, flags) => {
    const found = of(box(from, until));
    holds(found, lo, hi);
    expect(found.flags).toBe(flags);
    // What was told of the inputs is told of the values.
    expect(of(box(from, until, BROKEN)).flags & BROKEN).toBe(BROKEN);
  });

  it.each<None>([
    ["ln", iv.ln, -2, -1],
    ["ln", iv.ln, -2, 0],
    ["ln", iv.ln, 0, 0],
    ["sqrt", iv.sqrt, -2, -1],
    ["asin", iv.asin, 1.5, 2],
    ["asin", iv.asin, -2, -1.5],
    ["acos", iv.acos, 1.5, 2],
    ["fourth root", root(4), -2, -1],
    ["to the 1.5th", real(1.5), -2, -1],
    ["to a power of 1 to 2", power(1, 2), -2, -1],
    ["to a power of −2 to 0", power(-2, -0), 0, 0],
    ["to a power of −2 to −1", power(-2, -1), 0, 0],
    ["u ln u", iv.timesLogarithm, -1, 0],
    ["sign", iv.sign, 0, 0],
    ["to the −1st", to(-1), 0, 0],
  ])("%s of [%d, %d] has no value", (_, of, from, until) => expect(of(box(from, until)).flags & EMPTY).toBe(EMPTY));

  const nothing = box(0, 1, EMPTY);
  it.each<[string, Operation]>([
    ...Object.entries({ exp: iv.exp, ln: iv.ln, sqrt: iv.sqrt, cbrt: iv.cbrt, abs: iv.abs, sign: iv.sign }),
    ...Object.entries({ floor: iv.floor, step: iv.step, sin: iv.sin, cos: iv.cos, tan: iv.tan, asin: iv.asin }),
    ...Object.entries({ acos: iv.acos, atan: iv.atan, cosh: iv.cosh, tanh: iv.tanh, u: iv.timesLogarithm }),
    ["square", to(2)],
    ["to the 0th", to(0)],
    ["to the 1.5th", real(1.5)],
    ["to the −0.5th", real(-0.5)],
    ["fifth root", root(5)],
    ["square root", root(2)],
    ["to a power", power(1, 2)],
    ["plus 1", (a) => iv.add(a, box(1, 1))],
    ["1 plus", (a) => iv.add(box(1, 1), a)],
    ["minus 1", (a) => iv.subtract(a, box(1, 1))],
    ["times 2", (a) => iv.multiply(a, box(2, 2))],
    ["by 2", (a) => iv.divide(a, box(2, 2))],
    ["2 by", (a) => iv.divide(box(2, 2), a)],
    ["at least 0", (a) => iv.max(a, box(0, 0))],
    ["at most 0", (a) => iv.min(box(0, 0), a)],
  ])("%s of nothing is nothing", (_, of) => expect(of(nothing).flags & EMPTY).toBe(EMPTY));
});

describe("two boxes", () => {
  it.each([
    [1, 2, 3, 4, 3, 8],
    [1, 2, -4, -3, -8, -3],
    [1, 2, -3, 4, -6, 8],
    [-2, -1, 3, 4, -8, -3],
    [-2, -1, -4, -3, 3, 8],
    [-2, -1, -3, 4, -8, 6],
    [-2, 1, 3, 4, -8, 4],
    [-2, 1, -4, -3, -4, 8],
    [-2, 3, -5, 4, -15, 12],
    [-3, 2, -4, 5, -15, 12],
    [0, 2, -3, 4, -6, 8],
    [-2, 0, -3, 4, -8, 6],
  ])("[%d, %d] · [%d, %d] = [%d, %d]", (a, b, c, d, lo, hi) => {
    holds(iv.multiply(box(a, b), box(c, d)), lo, hi);
    holds(iv.multiply(box(c, d), box(a, b)), lo, hi);
  });
  it.each([
    [2, 6, 1, 2, 1, 6],
    [-6, 2, 1, 2, -6, 2],
    [-6, -2, 1, 2, -6, -1],
    [2, 6, -2, -1, -6, -1],
    [-6, 2, -2, -1, -2, 6],
  ])("[%d, %d] / [%d, %d] = [%d, %d]", (a, b, c, d, lo, hi) => holds(iv.divide(box(a, b), box(c, d)), lo, hi));
  it("the least and the greatest of two, and what is told of either", () => {
    expect(iv.min(box(1, 5), box(2, 3, BROKEN))).toMatchObject({ lo: 1, hi: 3, flags: BROKEN });
    expect(iv.max(box(1, 5, PARTIAL), box(2, 3))).toMatchObject({ lo: 2, hi: 5, flags: PARTIAL });
    expect(iv.subtract(box(1, 5), box(2, 3))).toMatchObject({ lo: -2, hi: 3, flags: 0 });
  });
  it("the hull of two, one of which may be nothing", () => {
    const none = box(0, 0, EMPTY);
    expect(iv.hull(box(1, 2), box(5, 6))).toMatchObject({ lo: 1, hi: 6, flags: 0 });
    expect(iv.hull(none, box(5, 6))).toMatchObject({ lo: 5, hi: 6, flags: PARTIAL });
    expect(iv.hull(box(1, 2), none)).toMatchObject({ lo: 1, hi: 2, flags: PARTIAL });
    expect(iv.hull(none, none).flags & EMPTY).toBe(EMPTY);
  });
  it("a box that is cut", () => {
    const whole = box(1, 5);
    expect(iv.cut(whole, 1, 5)).toBe(whole);
    expect(iv.cut(whole, 2)).toMatchObject({ lo: 2, hi: 5, flags: PARTIAL });
    expect(iv.cut(whole, 0, 4)).toMatchObject({ lo: 1, hi: 4, flags: PARTIAL });
    expect(iv.cut(whole, 5, 9)).toMatchObject({ lo: 5, hi: 5, flags: PARTIAL });
    expect(iv.cut(whole, 6).flags & EMPTY).toBe(EMPTY);
    expect(iv.cut(whole, -9, 0).flags & EMPTY).toBe(EMPTY);
  });
  it("a box that is none is everything", () => {
    expect(iv.make(1, 2, PARTIAL)).toMatchObject({ lo: 1, hi: 2, flags: PARTIAL });
    expect(iv.make(NaN, 2, PARTIAL)).toMatchObject({ lo: -INF, hi: INF, flags: PARTIAL });
  });
});

describe("halves are rounded away from 0", () => {
  it.each([
    [2.5, 3],
    [2.4, 2],
    [-2.5, -3],
    [-2.4, -2],
    [-0.5, -1],
    [0.5, 1],
    [0, 0],
    [7, 7],
    // x + 0.5 has no double of its own here: the largest below a half, and odd numbers from 2^52 on
    [0.5 - 2 ** -54, 0],
    [2 ** -54 - 0.5, -0],
    [2 ** 52 + 1, 2 ** 52 + 1],
    [-(2 ** 52) - 3, -(2 ** 52) - 3],
    [2 ** 53 - 1, 2 ** 53 - 1],
    [INF, INF],
  ])("%d to %d", (x, wanted) => expect(iv.roundHalfAway(x)).toBe(wanted));
});
