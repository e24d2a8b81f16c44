import { expect, it } from "vitest";
import { RARE, X, max, minus, number, over, plus, power, times } from "./plain";
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
