import { describe, expect, it } from "vitest";
import { ratio } from "../numeric";
import { toldSign } from "./toldSign";

describe("the sign before a number that is told", () => {
  it.each([
    ["0.5", ratio(1, 2), "="],
    ["−0.5", ratio(-1, 2), "="],
    ["-0.5", ratio(1, 2), "≈"],
    ["0.33333333", ratio(1, 3), "≈"],
    ["$1,250.00", ratio(1250), "="],
    ["$1,250.01", ratio(1250), "≈"],
    ["320 lanterns", ratio(320), "="],
    ["86.666667", ratio(260, 3), "≈"],
    // no fraction at all, a power of ten, and percent: taken as rounded
    ["2", null, "≈"],
    ["2 × 10^3", ratio(2), "≈"],
    ["50 %", ratio(50), "≈"],
    ["no number", ratio(1), "≈"],
  ] as const)("%s for %s: %s", (said, exact, sign) => expect(toldSign(said, exact)).toBe(sign));
});
