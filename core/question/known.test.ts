import { describe, expect, it } from "vitest";
import type { CaseFile } from "../model";
import { analysed, saidOf } from "./full.fixture";
import { oneFunction, type Asked } from "./oneFunction.fixture";

const RANGE = { from: -10, to: 10 };
function ask(text: string, q: Asked, more: Partial<CaseFile> = {}) {
  const { model, findings } = analysed({ ...oneFunction(text, RANGE, [q]), ...more });
  expect(model.errors).toEqual([]);
  return { ...findings[0]!, says: saidOf(findings[0]!, model) };
}

/** e^(−x²) as 10¹¹ leaves it of itself in doubles: one part in 10⁻⁵. */
const CANCELS = "sqrt(10^22 + 2*10^11*exp(-x^2)) - 10^11";
/** x, but for what rounding leaves of 10¹². */
const NEARLY_X = "exp(ln(10^12 + x + sin(x)/10)) - 10^12";

describe("a number whose parts cancel is not told to digits that nobody knows", () => {
  it.each<[string, Asked, string]>([
    ["a value", { ask: "value", function: "f", at: 1 }, "f at x = 1"],
    ["a rate over a stretch", { ask: "rate", function: "f", between: [1, 2] }, "the rate of f"],
    ["a total", { ask: "total", function: "f", between: [2.5, 3] }, "the total"],
    ["an average", { ask: "average", function: "f", between: [2.5, 3] }, "the total"],
  ])("%s", (_, q, what) => {
    const f = ask(CANCELS, q);
    expect(f).toMatchObject({ status: "unsettled", complete: false, value: null });
    expect(f.says).toContain(`The parts of ${what} cancel, or nearly: all that is known is that it lies from `);
    // What is said holds: e^(−1) and the like lie there.
    const [low, high] = /from (\S+) to (\S+)\.$/
      .exec(f.says)!
      .slice(1)
      .map((t) => Number(t.replace("−", "-")));
    // (√π/2) (erfc(2.5) − erfc(3)), by any table of erfc
    const total = 0.000341074;
    const truth = { value: Math.exp(-1), rate: Math.exp(-4) - Math.exp(-1), total, average: total };
    expect(low).toBeLessThanOrEqual(truth[q.ask as "value"]);
    expect(high).toBeGreaterThanOrEqual(truth[q.ask as "value"]);
  });
  it("a rate in percent, whose whole is known to few digits", () => {
    // 2 x e^(−x²)… of what rounding leaves of it: the slope is known well, what it is a percent of is not.
    const f = ask(`${CANCELS} + x - x`, { ask: "rate", function: "f", at: 2.5, as: "percent" });
    expect(f).toMatchObject({ status: "unsettled", complete: false, value: null });
    expect(ask("exp(x/10)", { ask: "rate", function: "f", at: 2, as: "percent" }).value).toBeCloseTo(0.1, 12);
  });
  it("but it is told where nothing cancels, or what cancels is gone from the formula", () => {
    expect(ask("exp(-x^2)", { ask: "value", function: "f", at: 1 })).toMatchObject({ status: "found", complete: true });
    const gone = ask("10^11 x + exp(-x^2) - 10^11 x", { ask: "value", function: "f", at: 3.1 });
    expect(gone.complete).toBe(true);
    expect(gone.value).toBeCloseTo(Math.exp(-9.61), 12);
  });
});

describe("what a function comes closer to is told as far as it is known", () => {
  const far = { range: { from: 1 } };
  const on = (text: string, q: Asked) => ask(text, q, { variables: [{ name: "x", ...far.range }] });
  it("where its parts cancel, between what it lies", () => {
    const f = on("exp(ln(10^12 + pi)) - 10^12 + 1/x", { ask: "least", function: "f" });
    expect(f).toMatchObject({ status: "none", complete: false });
    expect(f.message).toMatch(
      /^The parts of what it comes closer to cancel, or nearly: .* it lies from 3\.\d+ to 3\.\d+\.$/,
    );
  });
  it("where another limit may be higher, as far as that one is known", () => {
    // 3.13 as x comes to 0 from below; π to the right of 1, of which bounds know only that it is above 3.11.
    const pieces = [
      { text: "3.13 + x", from: -1, to: 0, ends: "[)" as const },
      { text: "exp(ln(10^12 + pi)) - 10^12 - (x - 1)", from: 1, to: 2, ends: "(]" as const },
    ];
    const functions = [{ name: "f", of: "x", by: { kind: "pieces" as const, pieces } }];
    const f = ask("", { ask: "greatest", function: "f" }, { functions, variables: [{ name: "x", from: -1, to: 2 }] });
    expect([f.status, f.complete]).toEqual(["none", false]);
    expect(f.message).toMatch(/what it comes closer to cancel/);
  });
  it("and else as before", () =>
    expect(on("pi - 1/x", { ask: "greatest", function: "f" })).toMatchObject({
      status: "none",
      complete: true,
      bound: { value: Math.PI, at: null },
    }));
  it("a level is come closer to only where that is proven", () => {
    const says = (value: number | string) => on("pi - 1/x", { ask: "reach", function: "f", value }).says;
    expect(says("pi")).toMatch(/rises and comes ever closer to 3\.14159 without reaching it/);
    // A little above π, by less than digits tell: no value comes close to it.
    expect(says("pi + 10^(-12)")).toMatch(/rises from 2\.14159 and stays below 3\.142/);
  });
});

describe("a place with wide bounds says what they are", () => {
  const NEAR = /^The place near x = \S+ is not known to all its digits: it lies from \S+ to \S+\.$/;
  const line = { functions: [...oneFunction(NEARLY_X, RANGE, []).functions!] };
  line.functions.push({ name: "g", of: "x", by: { kind: "formula", text: "5 + 0x" } });
  it.each<[Asked, string]>([
    [{ ask: "reach", function: "f", value: 5 }, "found"],
    [{ ask: "reach-any", function: "f", values: [5] }, "found"],
    [{ ask: "where", function: "f", relation: ">", value: 5 }, "found"],
    [{ ask: "meet", functions: ["f", "g"] }, "found"],
    [{ ask: "compare", functions: ["f", "g"] }, "found"],
    [{ ask: "multiply", function: "f", factor: 2, start: 2 }, "found"],
  ])("%o", (q, status) => {
    const f = ask(NEARLY_X, q, line);
    expect(f).toMatchObject({ status, complete: false });
    expect(f.message).toMatch(NEAR);
  });
  it("a given that is looked for", () => {
    const by = { kind: "formula" as const, text: "exp(ln(10^12 + k x + sin(k))) - 10^12" };
    const q: Asked = { ask: "given", given: "k", range: [1, 9], function: "f", at: 2.5, value: 7 };
    const vague = ask("", q, { functions: [{ name: "f", of: "x", by }], givens: [{ name: "k", value: 2 }] });
    expect(vague).toMatchObject({ status: "found", complete: false });
    expect(vague.message).toMatch(/^The place near k = \S+ is not known to all its digits: it lies from \S+ to \S+\.$/);
  });
  it("a root of a tame function is told as before", () =>
    expect(ask("x + sin(x)/10", { ask: "reach", function: "f", value: 5 })).toMatchObject({
      status: "found",
      complete: true,
      message: null,
    }));
});

describe("a total is 0 where that is proven", () => {
  const total = (text: string, a: number | string, b: number | string) =>
    ask(text, { ask: "total", function: "f", between: [a, b] });
  it.each<[string, number | string, number | string]>([
    // the same on both sides of the middle, with signs turned
    ["sin(x)", -3, 3],
    ["x exp(-x^2)", -10, 10],
    ["(x - 1)^3 exp(-(x - 1)^2)", -1, 3],
    ["tanh(x + 2)", -5, 1],
    ["cbrt(x)", -8, 8],
    ["x/(1 + x^2)", -4, 4],
    // an antiderivative that gains nothing
    ["sin(x)", 0, "2 pi"],
    ["cos(x)", 0, "pi"],
    ["sin(pi x/6) + 2 cos(pi x/3)", -6, 6],
    ["abs(sin(x)) - 2/pi", 0, "pi"],
  ])("of %s from %s to %s", (text, a, b) => {
    expect(total(text, a, b)).toMatchObject({ status: "found", complete: true, value: 0 });
    expect(ask(text, { ask: "average", function: "f", between: [a, b] })).toMatchObject({ complete: true, value: 0 });
  });
  it("whichever end is named first", () => {
    expect(total("cos(x)", "pi", 0)).toMatchObject({ complete: true, value: 0 });
    expect(total("abs(sin(x)) - 2/pi", "pi", 0)).toMatchObject({ complete: true, value: 0 });
    // |sin| gains 4 from −π to π, though each of its branches alone would gain nothing.
    expect(total("abs(sin(x))", "pi", "-pi").value).toBeCloseTo(-4, 9);
  });
  it.each<[string, number | string, number | string]>([
    ["sin(x)", 0, 6.283185307179586],
    ["10^11 x + exp(-x^2)", -10, 10],
    ["sin(x) exp(cos(x))", 0, "2 pi"],
  ])("and open of %s from %s to %s, of which that is not proven", (text, a, b) =>
    expect(total(text, a, b)).toMatchObject({ status: "unsettled", complete: false, value: null }),
  );
  it("a running total that comes back to 0 is 0 there", () => {
    const functions = [...oneFunction("sin(x)", RANGE, []).functions!];
    functions.push({ name: "s", of: "x", by: { kind: "total", function: "f", from: 0 } });
    const at = (x: number | string) => ask("sin(x)", { ask: "value", function: "s", at: x }, { functions });
    for (const turn of ["2 pi", "-2 pi"]) expect(at(turn)).toMatchObject({ status: "found", complete: true, value: 0 });
    expect(at("pi").value).toBeCloseTo(2, 12);
  });
});
