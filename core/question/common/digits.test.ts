import { describe, expect, it } from "vitest";
import { isClose, onlyBetween } from "./digits";

describe("how closely a number is known", () => {
  it.each([
    [1, 1.0000001, true],
    [1, 1.00001, false],
    [-1.0000001, -1, true],
    [-2, -1.9999, false],
    [1e-30, 1.0000001e-30, true],
    [-1e-18, 1e-18, false],
    [0, 1e-300, false],
    [0, 0, true],
    [5, 5, true],
  ])("%d to %d: all digits that are told are right: %s", (lo, hi, wanted) => expect(isClose({ lo, hi })).toBe(wanted));
  // Rounded away from each other, so that what is said holds.
  it.each([
    [10.99988, 11.00012, "10.9998 to 11.0002"],
    [-5.58984, 9.14941, "−5.59 to 9.15"],
    [0.000061035, 0.00007629, "0.000061 to 0.0000763"],
    [-2.8890762e-12, 2.8891e-12, "−2.89 × 10⁻¹² to 2.89 × 10⁻¹²"],
    [0, 0.5, "0 to 0.5"],
    [1234.5678, 1234.5694, "1,234.5678 to 1,234.5694"],
  ])("%d to %d is told as %s", (lo, hi, wanted) =>
    expect(onlyBetween("it", { lo, hi })).toBe(
      `The parts of it cancel, or nearly: all that is known is that it lies from ${wanted}.`,
    ),
  );
});
