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
    // x² + 2x is 4 e^(e^10) at about ±10^4783: it is more on both sides of all numbers that can be told.
    ["(2 + x) x - 4 exp(exp(10))", false, { ask: "where", function: "f", relation: ">=", value: 7 }],
    ["(2 + x) x - 4 exp(exp(10))", true, { ask: "where", function: "f", relation: ">=", value: 7 }],
  ] as const)("%s, whole: %s, %j", (text, whole, q) => {
    const range = q.ask === "multiply" ? { from: -10, to: 10 } : {};
    const { model, findings } = analyse(oneFunction(text, { ...range, whole }, [q as Asked]));
    const [f] = findings;
    expect(f).toMatchObject({ status: "unsettled", complete: false, solutions: [] });
    expect(f!.message ?? "").not.toMatch(/could not be worked out/);
    expect(sentenceOf(f!, model)).toMatch(/^Not settled/);
  });
});
