import { expect, it } from "vitest";
import { ONES, RARE, X, max, minus, number, over, plus, power, times } from "./plain";
import { closeIn, less } from "./sampling";

it("no crossing is seen at a hole, however fast the values on both sides come to 0", () => {
  // max(10, x) / (0.5 / x³) is 20 x³ near 0, and has no value there; (x − x) / (x + 3) is 0 all around.
  const f = over(minus(X, X), plus(X, number("3")));
  const g = over(max(number("10"), X), over(number("0.5"), times(power(X, 2), X)));
  const at = (x: number) => ({ v: x, off: Math.abs(x) * 2.5e-16 });
  const difference = less(
    (x) => f.at(at(x)),
    (x) => g.at(at(x)),
  );
  const misses = Array.from({ length: 200 }, (_, i) => [-0.013 * (i + 1), 0.71 + 0.017 * i] as const).filter(
    ([lo, hi]) => closeIn(difference, lo, hi) !== null,
  );
  expect(misses).toEqual([]);
});

it("nor at a hole that is no round number", () => {
  // x / tan(x) has no value at 3π, where 0.5 tan(x) / x would be 0; x − x brings its rounding along.
  const tan = RARE.map((one) => one(X)).find((f) => f.text === "tan(x)")!;
  const g = over(minus(X, plus(X, number("0.5"))), over(X, tan));
  const at = (x: number) => ({ v: x, off: Math.abs(x) * 2.5e-16 });
  const difference = less(
    (x) => minus(X, X).at(at(x)),
    (x) => g.at(at(x)),
  );
  const misses = Array.from({ length: 200 }, (_, i) => [8.3 + 0.004 * i, 9.5 + 0.003 * i] as const).filter(
    ([lo, hi]) => closeIn(difference, lo, hi) !== null,
  );
  expect(misses).toEqual([]);
});

it("a crossing where rounding hides the signs is seen, and told with how far off it may be", () => {
  // 10 x − sin(10 x) is about 167 x³: near 0 it is lost in the rounding of its parts.
  const at = (x: number) => ({ v: x, off: Math.abs(x) * 2.5e-16 });
  const sin = ONES.map((one) => one(times(number("10"), X))).find((f) => f.text.startsWith("sin("))!;
  const difference = less(
    (x) => times(number("10"), X).at(at(x)),
    (x) => sin.at(at(x)),
  );
  for (let i = 0; i < 200; i++) {
    const found = closeIn(difference, -0.013 * (i + 1), 0.011 + 0.017 * i);
    expect(found).not.toBeNull();
    expect(Math.abs(found!.at)).toBeLessThanOrEqual(found!.within);
    expect(found!.within).toBeLessThan(1e-5);
  }
});

it("nor is one missed that lies in the middle of two samples, where the value is just 0", () => {
  const at = (x: number) => ({ v: x, off: Math.abs(x) * 2.5e-16 });
  expect(
    closeIn(
      less((x) => X.at(at(x)), 0),
      -1,
      1,
    ),
  ).toEqual({ at: 0, within: expect.closeTo(0, 12) });
});

it("a jump between values that are great all around is none, and a crossing among such is one", () => {
  // 12 − 5e173 x on the left, −2 − 5e173 x from 0 on; and 5e173 x − 3, which is 0 at 6e-174.
  const steep = 5e173;
  const value = (v: number) => ({ v, off: Math.abs(v) * 1e-15 });
  const jump = (x: number) => value((x < 0 ? 12 : -2) - steep * x);
  const crossing = (x: number) => value(steep * x - 3);
  for (const [lo, hi] of [
    [-9.3, 4.1],
    [-0.013, 7],
    [-8e-30, 0.2],
  ] as const) {
    expect(closeIn(jump, lo, hi)).toBeNull();
    expect(closeIn(crossing, lo, hi)!.at).toBeCloseTo(0, 100);
  }
});
