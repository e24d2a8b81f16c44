import { describe, expect, it } from "vitest";
import { analysed } from "./full.fixture";
import { oneFunction, type Asked } from "./oneFunction.fixture";

/** A question about the running total s of f, from 0 on a range that has no end. */
const ask = (text: string, q: Asked) => {
  const given = oneFunction(text, { from: 0 }, [q]);
  const total = { name: "s", of: "x", by: { kind: "total" as const, function: "f", from: 0 } };
  return analysed({ ...given, functions: [...given.functions!, total] }).findings[0]!;
};
const greatest: Asked = { ask: "greatest", function: "s" };
const reach = (value: number): Asked => ({ ask: "reach", function: "s", value });

// Far out a total is known by what is summed: that keeps its sign, or too little of it is left.
describe("running totals without an end", () => {
  it("reach a level once what is summed stays positive: 2/3 √x³ − 3x is 50 at one place", () => {
    const found = ask("sqrt(x) - 3", reach(50));
    expect(found).toMatchObject({ complete: true, solutions: [{}] });
    const at = found.solutions[0]!.at;
    expect((2 / 3) * at ** 1.5 - 3 * at).toBeCloseTo(50, 8);
  });
  it("reach it as often as they turn: x⁴/300 − x³/3 + 25x is 50 three times", () => {
    const found = ask("x^3/75 - x^2 + 25", reach(50));
    expect(found.complete).toBe(true);
    expect(found.solutions).toHaveLength(3);
    for (const { at } of found.solutions) expect(at ** 4 / 300 - at ** 3 / 3 + 25 * at).toBeCloseTo(50, 6);
  });
  it.each([
    // 1 − (1 + x) e^−x
    ["x exp(-x)", 50],
    ["x exp(-x)", 1.01],
    // x/(x + 1)
    ["1/(x + 1)^2", 1.01],
    ["ln(x + 1)/(x + 1)^2", 1.1],
    ["exp(-x) - 0.1", 50],
  ])("of %s is never %d", (text, level) =>
    expect(ask(text, reach(level))).toMatchObject({ status: "none", complete: true }),
  );
  it("of x e^−x is 0.99 once", () => {
    const found = ask("x exp(-x)", reach(0.99));
    expect(found).toMatchObject({ complete: true, solutions: [{}] });
    const at = found.solutions[0]!.at;
    expect(1 - (1 + at) * Math.exp(-at)).toBeCloseTo(0.99, 9);
  });
  it.each([
    ["x exp(-x)", 1],
    ["100 exp(-x/7) - 20 exp(-x/3)", 640],
    ["3/(x^2 + 4)", (3 * Math.PI) / 4],
  ])("of %s comes ever closer to what comes together for ever", (text, wanted) =>
    expect(ask(text, greatest)).toMatchObject({
      status: "none",
      complete: true,
      bound: { value: expect.closeTo(wanted, 6), at: null },
    }),
  );
  it.each(["x^3/75 - x^2 + 25 - 5 x^0.4", "9 ln(x + 5) - 30", "630 (1.075)^x - 7 x^3", "5 sqrt(x + 8) - 40"])(
    "of %s grows without bound",
    (text) => expect(ask(text, greatest)).toMatchObject({ status: "none", complete: true, bound: { value: null } }),
  );
  // A number that is only known between bounds is told as that.
  it("is not called proven where that is known badly", () => {
    const found = ask("1/(x + 1)^1.5", greatest);
    expect(found).toMatchObject({ status: "none", complete: false });
    expect(found.bound!.value).toBeCloseTo(2, 2);
  });
});

describe("a best value before a wave that goes on for ever", () => {
  // From 1024 on the hump is next to nothing, and −78 + 13 is below −55.4.
  it("is proven by what the rest comes to", () =>
    expect(
      analysed(oneFunction("12 x exp(-x/5) - 78 - 13 sin(pi x/10)", { from: 0 }, [{ ask: "greatest", function: "f" }]))
        .findings[0],
    ).toMatchObject({ complete: true, solutions: [{ at: expect.closeTo(13.95326, 5) }] }));
});

// What is summed is 0, and does not look so: the total was "greatest at x = 1 and x = 40".
describe("running totals of nothing", () => {
  it.each(["(x - x)/cos(1)", "(x - x) cos(1)", "(2x - x - x)/sqrt(2)", "(x - x)/cos(0)/x"])(
    "of %s are 0 throughout",
    (text) => {
      const given = oneFunction(text, { from: 1, to: 40 }, [greatest, reach(0)]);
      const total = { name: "s", of: "x", by: { kind: "total" as const, function: "f", from: 2 } };
      const everywhere = { status: "everywhere", complete: true, stretches: [{ from: 1, to: 40, ends: "[]" }] };
      const { findings } = analysed({ ...given, functions: [...given.functions!, total] });
      expect(findings).toMatchObject([everywhere, everywhere]);
    },
  );
  it("on a part of the range: max(x − 5, 0) + (x − x) cos(1) leaves it level up to 5", () => {
    const given = oneFunction("max(x - 5, 0) + (x - x) cos(1)", { from: 1, to: 40 }, [{ ask: "least", function: "s" }]);
    const total = { name: "s", of: "x", by: { kind: "total" as const, function: "f", from: 2 } };
    const [found] = analysed({ ...given, functions: [...given.functions!, total] }).findings;
    expect(found).toMatchObject({ complete: true, value: 0, stretches: [{ from: 1, to: 5 }] });
  });
});

// 2.1 and 1.1 are no doubles: what they come to lies beside an end of the stretches that a total is summed over. That
// was "two methods disagree: 2.0077 here, NaN by evaluation on doubles".
describe("running totals from a decimal on", () => {
  it.each<[string, number, number, number]>([
    ["sqrt(x)", 0.1, 2.1, (2 / 3) * (2.1 ** 1.5 - 0.1 ** 1.5)],
    ["exp(x)", 0.1, 1.1, Math.exp(1.1) - Math.exp(0.1)],
    ["exp(x)", 1.6, 0.1, Math.exp(0.1) - Math.exp(1.6)],
    ["atan(0.6)", 3.65, 4.4, 0.75 * Math.atan(0.6)],
    ["x - round(x)", 4.2, 3.7, 0.025],
  ])("of %s from %d are known at %d", (text, from, at, wanted) => {
    const given = oneFunction(text, { from: 0, to: 5 }, [{ ask: "value", function: "s", at }]);
    const total = { name: "s", of: "x", by: { kind: "total" as const, function: "f", from } };
    const [found] = analysed({ ...given, functions: [...given.functions!, total] }).findings;
    expect(found).toMatchObject({ complete: true, secondWay: { agrees: true } });
    expect(found!.value).toBeCloseTo(wanted, 12);
  });
});
