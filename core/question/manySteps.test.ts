import { describe, expect, it } from "vitest";
import { askAlone, atLeast, greatest, least } from "./askedAlone.fixture";
import { analysed } from "./full.fixture";
import { oneFunction } from "./oneFunction.fixture";

// Hundreds or thousands of steps; the wanted numbers are those of a plain loop over the ends of all steps.
describe("stairs of many steps", () => {
  // Just before x² = 6n the value is 60 √(6n) − (n − 1), greatest for n = 5400.
  it.each([443, 900])("60x − ⌊x²/6⌋ up to %d comes to 5401 before 180", (to) =>
    expect(askAlone("60x - floor(x^2/6)", { from: 0, to }, greatest)).toMatchObject({
      status: "none",
      complete: true,
      bound: { value: 5401, at: 180 },
    }),
  );
  // ⌊443²/6⌋ is 32708; where x² = 6 · 32708 the step begins, and from there on f rises.
  it("is least where its last step begins", () => {
    const found = askAlone("60x - floor(x^2/6)", { from: 0, to: 443 }, least);
    expect(found).toMatchObject({ status: "found", complete: true, secondWay: null });
    expect(found.value).toBeCloseTo(60 * Math.sqrt(6 * 32708) - 32708, 8);
  });
  // On each step f falls, so that it is greatest where one begins: 25x = (n − 1/2)², f = n − (n − 1/2)²/450.
  it("round(5 √x) − x/18 is greatest where a step begins", () => {
    const best = Math.max(...Array.from({ length: 588 }, (_, i) => i + 1 - (i + 0.5) ** 2 / 450));
    const found = askAlone("round(5 sqrt(x)) - x/18", { from: 0, to: 13864 }, greatest);
    expect(found).toMatchObject({ status: "found", complete: true });
    expect(found.value).toBeCloseTo(best, 9);
  });
  it("stay above what they never come down to, from where they have a value", () =>
    expect(askAlone("142/x + ceil(x^2)", { from: 0, to: 79 }, atLeast(-13))).toMatchObject({
      complete: true,
      stretches: [{ from: 0, to: 79, ends: "(]" }],
    }));
});

// 674 exp(−x/37) has 674 steps on the way to 0, the last of them at 37 ln 674.
describe("stairs that level out without an end", () => {
  const text = "floor(674 exp(-x/37))";
  it("hold a level up to where they step below it", () => {
    const found = askAlone(text, { from: 0 }, atLeast(67));
    expect(found).toMatchObject({ complete: true, stretches: [{ from: 0, ends: "[]" }] });
    expect(found.stretches[0]!.to).toBeCloseTo(37 * Math.log(674 / 67), 9);
  });
  it("are least from their last step on", () => {
    const found = askAlone(text, { from: 0 }, least);
    expect(found).toMatchObject({ complete: true, value: 0, stretches: [{ to: null, ends: "()" }] });
    expect(found.stretches[0]!.from).toBeCloseTo(37 * Math.log(674), 9);
  });
});

// The wait for what comes every twelve minutes: straight lines down, again and again.
describe("what repeats through its stairs", () => {
  const wait = "12 ceil(x/12) - x";
  it("is greatest nowhere, just after each departure", () =>
    expect(askAlone(wait, { from: 0 }, greatest)).toMatchObject({
      status: "none",
      complete: true,
      bound: { value: 12, at: 0 },
    }));
  it("is least at each departure", () =>
    expect(askAlone(wait, { from: 0 }, least)).toMatchObject({
      complete: true,
      value: 0,
      solutions: [{ at: 0 }],
      repeats: { every: 12 },
    }));
  it("is at least 9 for three minutes of each twelve", () =>
    expect(askAlone(wait, { from: 0 }, atLeast(9))).toMatchObject({
      complete: true,
      stretches: [{ from: 0, to: 3, ends: "(]" }],
      repeats: { every: 12 },
    }));
  it("of two that go up together the order repeats: ⌊x⌋ is never above x", () => {
    const given = oneFunction("floor(x)", { from: 0 }, [{ ask: "compare", functions: ["f", "g"] }]);
    const line = { name: "g", of: "x", by: { kind: "formula" as const, text: "x - 1/2" } };
    const [found] = analysed({ ...given, functions: [...given.functions!, line] }).findings;
    expect(found).toMatchObject({ complete: true, repeats: { every: 1 } });
  });
});
