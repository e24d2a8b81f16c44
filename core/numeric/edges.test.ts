import { describe, expect, it } from "vitest";
import { bare, ownOf } from "./bare";
import { Exhausted, besides, spend, stepsLeft, within } from "./effort";
import { remembered } from "./remembered";
import { greatestDivisor, leastMultiple } from "./wholes";
import {
  ceiling,
  denominator,
  floorOf,
  integerPower,
  integerRoot,
  isInteger,
  isZero,
  numerator,
  ratio,
  rationalOfDecimal,
  rationalOfDouble,
  rationalOfTyped,
  rationalRoot,
  rationalText,
  signOf,
  toDouble,
} from "./rational";

describe("decimal texts, exactly", () => {
  it.each<[string, string | null]>([
    ["2.50", "5/2"],
    ["-0.004", "-1/250"],
    ["+7", "7"],
    [" 3.2 ", "16/5"],
    [".5", "1/2"],
    ["5.", "5"],
    ["1e3", "1000"],
    ["1.5E+2", "150"],
    ["1e-7", "1/10000000"],
    ["-2.5e-1", "-1/4"],
    ["0", "0"],
    ["", null],
    [".", null],
    ["-", null],
    ["e5", null],
    ["1e", null],
    ["1,5", null],
    ["a1", null],
    ["1a", null],
    ["1e400", `1${"0".repeat(400)}`],
    ["1e401", null],
    ["1e-401", null],
    ["0.5e-399", `1/2${"0".repeat(399)}`],
    ["9".repeat(400), "9".repeat(400)],
    ["9".repeat(401), null],
    [`${"1".repeat(200)}.${"1".repeat(201)}`, null],
  ])("%s", (text, wanted) => {
    const read = rationalOfDecimal(text);
    expect(read && rationalText(read)).toBe(wanted);
  });
  it.each<[number, string | null]>([
    [0.1, "1/10"],
    [-2.3, "-23/10"],
    [1e21, `1${"0".repeat(21)}`],
    [NaN, null],
    [Infinity, null],
  ])("a typed %d", (value, wanted) => {
    const read = rationalOfTyped(value);
    expect(read && rationalText(read)).toBe(wanted);
  });
});

describe("doubles and fractions", () => {
  it.each<[number, string]>([
    [0.75, "3/4"],
    [-0.375, "-3/8"],
    [3, "3"],
    [-7, "-7"],
    [2 ** 60, String(2n ** 60n)],
    [-(2 ** 53) * 3, String(-(2n ** 53n) * 3n)],
    [2 ** -40, `1/${2n ** 40n}`],
    [3 * 2 ** -34, `3/${2n ** 34n}`],
    [Number.MIN_VALUE, `1/${2n ** 1074n}`],
    [6 * Number.MIN_VALUE, `3/${2n ** 1073n}`],
    [2 ** -1022, `1/${2n ** 1022n}`],
  ])("%d is %s", (value, text) => {
    const r = rationalOfDouble(value);
    expect(rationalText(r)).toBe(text);
    expect(toDouble(r)).toBe(value);
  });
  it.each([NaN, Infinity, -Infinity])("%d is none", (value) =>
    expect(() => rationalOfDouble(value)).toThrow(`expected a finite number, got ${value}`),
  );
  it.each<[bigint, bigint, number]>([
    [0n, 5n, 0],
    [1n, 3n, 1 / 3],
    [-2n, 3n, -2 / 3],
    [9007199254740991n, 1n, 9007199254740991],
    [9007199254740993n, 2n, 4503599627370496 + 0.5],
    [10n ** 40n, 3n, 1e40 / 3],
    [1n, 10n ** 40n, 1e-40],
    [-(10n ** 40n), 10n ** 60n, -1e-20],
    [10n ** 400n, 1n, Infinity],
    [-(10n ** 400n), 1n, -Infinity],
    [1n, 10n ** 400n, 0],
    [10n ** 400n, 10n ** 399n, 10],
  ])("%d/%d is near %d", (n, d, wanted) => {
    const made = toDouble(ratio(n, d));
    if (Number.isFinite(wanted) && wanted !== 0) expect(Math.abs(made / wanted - 1)).toBeLessThan(5e-16);
    else expect(made + 0).toBe(wanted);
  });
  it.each<[number, number, number, number]>([
    [7, 2, 3, 4],
    [-7, 2, -4, -3],
    [6, 2, 3, 3],
    [-6, 2, -3, -3],
    [0, 5, 0, 0],
    [1, 9, 0, 1],
    [-1, 9, -1, 0],
  ])("%d/%d lies from %d to %d", (n, d, low, high) => {
    const r = ratio(n, d);
    expect([toDouble(floorOf(r)) + 0, toDouble(ceiling(r)) + 0]).toEqual([low, high]);
    expect(isInteger(r)).toBe(low === high);
    expect([isZero(r), signOf(r)]).toEqual([n === 0, Math.sign(n)]);
  });
  it("terms carry their sign above", () => {
    expect([numerator(ratio(-6, 4)), denominator(ratio(-6, 4))]).toEqual([-3n, 2n]);
    expect([rationalText(ratio(-6, 4)), rationalText(ratio(-6, 3)), rationalText(ratio(5n, 1n))]).toEqual([
      "-3/2",
      "-2",
      "5",
    ]);
  });
});

describe("powers and roots of fractions", () => {
  it.each<[number, number, number, string | null]>([
    [2, 3, 3, "8/27"],
    [2, 3, -3, "27/8"],
    [-2, 3, 3, "-8/27"],
    [-2, 3, -3, "-27/8"],
    [-2, 3, -2, "9/4"],
    [5, 1, 0, "1"],
    [0, 1, 3, "0"],
    [0, 1, 0, "1"],
    [0, 1, -1, null],
    [2, 1, 0.5, null],
    [10, 1, 1600, `1${"0".repeat(1600)}`],
    [10, 1, 1601, null],
    [10, 1, -1601, null],
  ])("(%d/%d)^%d", (n, d, e, wanted) => {
    const made = integerPower(ratio(n, d), e);
    expect(made && rationalText(made)).toBe(wanted);
  });
  it.each<[bigint, number, bigint]>([
    [0n, 2, 0n],
    [1n, 5, 1n],
    [2n, 2, 1n],
    [8n, 3, 2n],
    [26n, 3, 2n],
    [27n, 3, 3n],
    [28n, 3, 3n],
    [10n ** 40n, 2, 10n ** 20n],
    [10n ** 40n - 1n, 2, 10n ** 20n - 1n],
    [2n ** 64n, 64, 2n],
  ])("the root of %d of order %d is at least %d", (n, k, wanted) => expect(integerRoot(n, k)).toBe(wanted));
  it.each<[number, number, number, string | null]>([
    [4, 9, 2, "2/3"],
    [8, 27, 3, "2/3"],
    [2, 9, 2, null],
    [4, 3, 2, null],
    [-8, 27, 3, null],
    [0, 1, 4, "0"],
  ])("the root of %d/%d of order %d", (n, d, k, wanted) => {
    const made = rationalRoot(ratio(n, d), k);
    expect(made && rationalText(made)).toBe(wanted);
  });
  it.each<[bigint, bigint, bigint, bigint]>([
    [12n, 18n, 6n, 36n],
    [-12n, 18n, 6n, -36n],
    [12n, -18n, 6n, -36n],
    [7n, 5n, 1n, 35n],
    [4n, 4n, 4n, 4n],
  ])("%d and %d share %d", (a, b, shared, multiple) => {
    expect(greatestDivisor(a, b)).toBe(shared);
    expect(leastMultiple(a, b)).toBe(multiple);
  });
  it("nothing shares what the other is", () =>
    expect([greatestDivisor(0n, -5n), greatestDivisor(5n, 0n)]).toEqual([5n, 5n]));
});

describe("work is counted", () => {
  it("up to what is allowed, and no further", () => {
    expect(within(10, () => (spend(10), stepsLeft()))).toBe(0);
    expect(() => within(10, () => spend(11))).toThrow(Exhausted);
    expect(() => within(10, () => spend(11))).toThrow("more work than one question is allowed");
    expect(stepsLeft()).toBe(Infinity);
  });
  it("what is inside is taken from what is around it", () => {
    const left = within(100, () => {
      within(30, () => spend(20));
      return stepsLeft();
    });
    expect(left).toBe(80);
    // No more than what is around it has.
    expect(within(10, () => within(50, () => stepsLeft()))).toBe(10);
    // Also where it is cut.
    const after = within(100, () => {
      expect(() => within(30, () => spend(31))).toThrow(Exhausted);
      return stepsLeft();
    });
    expect(after).toBe(70);
  });
  it("what is told besides takes a third at most, and does without where that is too little", () => {
    const told = within(90, () => {
      expect(besides(() => (spend(30), "told"), "left out")).toBe("told");
      expect(stepsLeft()).toBe(60);
      expect(besides(() => (spend(21), "told"), "left out")).toBe("left out");
      return stepsLeft();
    });
    expect(told).toBe(40);
    expect(() =>
      besides(() => {
        throw new TypeError("another fault");
      }, "left out"),
    ).toThrow("another fault");
  });
  it("where nothing is bounded, nothing comes to be unbounded by that", () => {
    expect(besides(() => (spend(5), stepsLeft()), 0)).toBe(Infinity);
    expect(stepsLeft()).toBe(Infinity);
    expect(within(Infinity, () => (spend(5), stepsLeft()))).toBe(Infinity);
    expect(() => within(10, () => spend(11))).toThrow(Exhausted);
  });
});

describe("what is kept", () => {
  it("a result is made once, and the oldest goes first", () => {
    const made: string[] = [];
    const lengthOf = remembered(2, (text) => {
      made.push(text);
      return text.length;
    });
    expect([lengthOf("a"), lengthOf("bb"), lengthOf("a")]).toEqual([1, 2, 1]);
    expect(made).toEqual(["a", "bb"]);
    expect([lengthOf("ccc"), lengthOf("bb"), lengthOf("a")]).toEqual([3, 2, 1]);
    expect(made).toEqual(["a", "bb", "ccc", "a"]);
  });
  it("records have nothing of themselves", () => {
    expect("toString" in bare({ a: 1 })).toBe(false);
    expect(bare({ a: 1 }).a).toBe(1);
    expect(Object.keys(bare())).toEqual([]);
    expect([ownOf({ a: 1 }, "a"), ownOf({ a: 1 }, "toString")]).toEqual([1, undefined]);
  });
});
