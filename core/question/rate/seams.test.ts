import { describe, expect, it } from "vitest";
import type { CaseFile, FunctionRow } from "../../model";
import { analysed, saidOf } from "../full.fixture";
import { oneFunction } from "../oneFunction.fixture";

/** `x^2 up to 2, then 4x - 4` and the like; the place belongs to the second piece. */
const joint = (left: string, right: string, at: number): FunctionRow["by"] => ({
  kind: "pieces",
  pieces: [
    { text: left, to: at, ends: "[)" },
    { text: right, from: at },
  ],
});
function rateAt(by: string | FunctionRow["by"], at: number | string) {
  const source = oneFunction("x", { from: -5, to: 5 }, [{ ask: "rate", function: "f", at }]);
  const made = typeof by === "string" ? ({ kind: "formula", text: by } as const) : by;
  const { model, findings } = analysed({ ...source, functions: [{ ...source.functions![0]!, by: made }] } as CaseFile);
  return { f: findings[0]!, said: saidOf(findings[0]!, model) };
}

describe("the rate where two formulas meet", () => {
  it.each([
    // value and slope of both sides agree
    [joint("x^2", "4x - 4", 2), 2, 4],
    [joint("sin(x)", "sin(1) + cos(1) (x - 1)", 1), 1, Math.cos(1)],
    ["x abs(x)", 0, 0],
    ["abs(x)^1.5", 0, 0],
    ["max(x^2, 2x - 1)", 1, 2],
    ["floor(x)", 2.5, 0],
    ["3x + 0 floor(x)", 1, 3],
    ["x^3 - x", "1/3", -2 / 3],
  ])("%j at %s: %s", (by, at, wanted) => {
    const { f } = rateAt(by, at);
    expect(f).toMatchObject({ status: "found", complete: true });
    expect(f.value).toBeCloseTo(wanted, 12);
    expect(f.secondWay?.agrees ?? true).toBe(true);
  });

  it.each([
    ["a jump", joint("x^2", "4x - 3", 2), 2],
    ["a jump with one slope", joint("x", "x + 1", 0), 0],
    ["a corner of pieces", joint("x^2", "x + 2", 2), 2],
    ["an edge", joint("x^2", "ln(x - 2)", 2), 2],
    ["a corner", "abs(x)", 0],
    ["a corner of a sine", "abs(sin(x))", "pi"],
    ["an upright tangent", "cbrt(x)", 0],
    ["the end of a domain", "sqrt(x)", 0],
    ["a pole", "1/x", 0],
    ["a hole", "x^2/x", 0],
    ["a step", "floor(x)", 2],
    ["a single input with a value", "sqrt(x - 1) + sqrt(1 - x)", 1],
  ])("%s has none", (_what, by, at) => {
    const { f, said } = rateAt(by, at);
    expect(f).toMatchObject({ status: "none", complete: true, value: null });
    expect(said).toMatch(/^f has no slope at x = .*: it has a corner, a jump or no value there\.$/);
  });

  it("values that are not proven equal are doubt, not a jump", () => {
    const { f, said } = rateAt(joint("(sin(1)^2 + cos(1)^2) (1 + x)", "1 + x", 0), 0);
    expect(f).toMatchObject({ status: "unsettled", complete: false });
    expect(said).toBe("Not settled: whether f has a slope at x = 0.");
  });
});
