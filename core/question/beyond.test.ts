import { saidOf as sentenceOf, analysed as analyse } from "./full.fixture";
import { describe, expect, it } from "vitest";
import { oneFunction, type Asked } from "./oneFunction.fixture";

// What lies beyond all doubles has no number to be told by; it is left open, and never an answer "at ∞" or a fault.
describe("beyond all doubles", () => {
  it.each([
    // ln(2x) = 9990 at x = e^9990/2, which has 4,338 digits.
    ["10000 - ln(x + x)", false, { ask: "reach", function: "f", value: 10 }],
    ["10000 - ln(x + x)", true, { ask: "reach", function: "f", value: 10 }],
    // f(−10) = e^(110^1.5) is about 10^501.
    ["exp((round(x x) - x)^1.5)", true, { ask: "multiply", function: "f", factor: 3, start: -10 }],
  ] as const)("%s, whole: %s, %j", (text, whole, q) => {
    const range = q.ask === "multiply" ? { from: -10, to: 10 } : {};
    const { model, findings } = analyse(oneFunction(text, { ...range, whole }, [q as Asked]));
    const [f] = findings;
    expect(f).toMatchObject({ status: "unsettled", complete: false, solutions: [] });
    expect(f!.message ?? "").not.toMatch(/could not be worked out/);
    expect(sentenceOf(f!, model)).toMatch(/^Not settled/);
  });
});
