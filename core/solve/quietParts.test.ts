import { describe, expect, it } from "vitest";
import { ratio } from "../numeric";
import { FunctionTable } from "./index";
import { formulaOf, rangeOf } from "./reading.fixture";
import { signedParts } from "./signedParts";
import { zeroAt } from "./zeroAt";

const table = new FunctionTable();
/** The signs along a range, each once where it goes on. */
const signs = (text: string, range: string) =>
  signedParts(formulaOf(text), table, rangeOf(range))
    .map((p) => p.sign)
    .filter((sign, i, all) => sign !== all[i - 1]);

describe("stairs too many to list have a sign where no step of them is near 0", () => {
  it.each([
    // a million steps: never below 2, never above −2
    ["floor(1000000 x) + 2", "0 … 4", [1]],
    ["-floor(1000000 x) - 2", "0 … 4", [-1]],
    // from 0.000002 on every step is above; there and before the value is 0 or below
    ["floor(1000000 x) - 5000000", "0 … 4", [-1]],
    ["floor(1000000 x) - 5000000", "5.5 … 9", [1]],
    ["5 - ceil(1000000 x)", "1 … 4", [-1]],
    // where steps touch 0 nothing is said that a value contradicts: the ends have their proven signs
    ["floor(1000000 x) + 0.5 - 2000000", "0 … 4", [-1, 1]],
  ] as const)("%s on %s", (text, range, wanted) => {
    const found = signs(text, range).filter((s) => s !== "open");
    expect(found).toEqual(wanted);
  });
  it("a place that is a zero has the formula of the stretch beside it", () => {
    const parts = signedParts(formulaOf("x^2 - 2"), table, rangeOf("0 … 3"));
    const zero = parts.find((p) => p.sign === 0)!;
    expect(zero.part.kind).toBe("place");
    expect(zero.formula).toEqual(parts[parts.indexOf(zero) - 1]!.formula);
    expect(zero.formula).not.toBeNull();
  });
});

describe("a zero that is known in closed form", () => {
  const within = (lo: number, hi: number) => ({
    table,
    from: ratio(lo),
    to: ratio(hi),
    lo,
    hi,
    budget: { boxes: 100, rewrites: 4 },
    depth: 0,
  });
  it.each([
    ["sqrt(2)", 0, 2, 1],
    ["sqrt(2)", 0, 1, 0],
    ["sqrt(2)", 2, 3, 0],
    ["3/2", 1, 2, 1],
    ["3/2", 2, 3, 0],
    ["3/2", 0, 1, 0],
    ["2", 1, 2, 1],
    ["1", 1, 2, 1],
  ] as const)("%s on %d … %d: %d", (exact, lo, hi, count) => {
    const found = zeroAt(formulaOf(exact), within(lo, hi), 1);
    expect(found.zeros).toHaveLength(count);
    if (count === 0) return;
    expect(found).toMatchObject({ everywhere: false, open: [], algebraic: true });
    const [zero] = found.zeros;
    expect([zero!.lo <= zero!.at && zero!.at <= zero!.hi, zero!.hi - zero!.lo < 1e-12]).toEqual([true, true]);
    expect(zero!.exact).not.toBeNull();
  });
});
