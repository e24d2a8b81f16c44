import { analysed as analyse } from "./full.fixture";
import { describe, expect, it } from "vitest";
import { oneFunction } from "./oneFunction.fixture";

// With u for the power: u² − 6u + 8 = (u − 2)(u − 4); u² − 3u + 1 = 0 at (3 ± √5)/2;
// 5u² − 7u + 2 = (5u − 2)(u − 1); u² − u − 6 = (u − 3)(u + 2), and a power is never −2.
describe("equations in one power of a fixed base have closed forms", () => {
  it.each([
    ["2^(2x) - 6*2^x + 8", ["1", "2"]],
    ["4^x - 6*2^x + 8", ["1", "2"]],
    ["2^(2x) - 3*2^x + 1", ["ln((3 - sqrt(5))/2)/ln(2)", "ln((3 + sqrt(5))/2)/ln(2)"]],
    ["5^(2x) - 5^x - 6", ["ln(3)/ln(5)"]],
    ["5*0.5^(2x) - 7*0.5^x + 2", ["0", "ln(2.5)/ln(2)"]],
    // Two bases that are no powers of each other have none here, and are proven all the same.
    ["2^x + 3^x - 5", ["1"]],
    ["2^x + 3^x - 6", [null]],
  ])("%s = 0", (text, exact) => {
    const { findings } = analyse(oneFunction(text, { from: -10, to: 10 }, [{ ask: "reach", function: "f", value: 0 }]));
    expect(findings[0]).toMatchObject({ complete: true, solutions: exact.map((e) => ({ exact: e })) });
  });
});
