import { describe, expect, it } from "vitest";
import { ratio } from "../numeric";
import { findBest } from "./optima";
import { between } from "./range.fixture";
import { formulaOf } from "./reading.fixture";
import { FunctionTable } from "./table";

const best = (text: string, from: number, to: number, sense: 1 | -1) =>
  findBest(formulaOf(text), new FunctionTable(), between(ratio(from), ratio(to)), sense);
/** The greatest of values counted through one by one. */
const counted = (value: (n: number) => number, most: number): number =>
  Array.from({ length: most }, (_, i) => value(i + 1)).reduce((a, b) => Math.max(a, b));

// A thousand steps near the best, of billions: only bounds that see what the steps have in common tell them apart.
describe("the best beside very many steps", () => {
  it("just before a step: 20000 ln x − ⌊eˣ⌋ comes to 20000 ln(ln n) − (n − 1) before ln n", () => {
    const found = best("20000 ln(x) - floor(exp(x))", 0, 40, 1);
    const wanted = counted((n) => (n < 2 ? -Infinity : 20000 * Math.log(Math.log(n)) - (n - 1)), 100_000);
    expect(found).toMatchObject({ status: "approached", bound: { at: expect.closeTo(Math.log(2550), 9), side: -1 } });
    expect(found.status === "approached" && found.bound.value).toBeCloseTo(wanted, 6);
  });
  it("at a step of eˣ: 20000 ln x − ⌈eˣ⌉ is 20000 ln(ln n) − n at x = ln n", () => {
    const found = best("20000 ln(x) - ceil(exp(x))", 1, 30, 1);
    const wanted = counted((n) => (n < 3 ? -Infinity : 20000 * Math.log(Math.log(n)) - n), 100_000);
    expect(found).toMatchObject({
      status: "attained",
      complete: true,
      best: [{ at: expect.closeTo(Math.log(2550), 9) }],
    });
    expect(found.status === "attained" && found.value).toBeCloseTo(wanted, 6);
  });
  it("50x − ⌈x²/3⌉ is 50 √(3n) − n at x = √(3n): 1875 at 75", () =>
    expect(best("50 x - ceil(x^2/3)", 0, 900, 1)).toMatchObject({ status: "attained", complete: true, value: 1875 }));
  it("rounded: x² − 400 round(x) is at its least where round(x) is 200", () => {
    // (x − 200)² − 40000 + 400 (x − round(x)): on the step of n it is least at its beginning, n − 1/2
    const wanted = -counted((n) => -((n - 0.5) ** 2 - 400 * n), 2000);
    expect(best("x^2 - 400 round(x)", 0, 2000, -1)).toMatchObject({
      status: "attained",
      complete: true,
      value: wanted,
    });
  });
  it("no bounds are taken over a pole: 1/(x − 2000) + ⌊x²⌋ has no least value", () =>
    expect(best("1/(x - 2000) + floor(x^2)", 0, 4000, -1)).toMatchObject({ status: "unbounded", bound: { at: 2000 } }));
});
