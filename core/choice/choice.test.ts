import { describe, expect, it } from "vitest";
import type { CaseFile } from "../model";
import { parseUnit } from "../units";
import { BEYOND, missWords, rankedCards, roundingLines, thinWords, type ModelsAsked, type RankedCard } from ".";

const asked = (x: readonly number[], y: readonly number[], more: Partial<ModelsAsked> = {}): ModelsAsked => ({
  x,
  y,
  variable: "t",
  context: { notNegative: false, limit: null },
  own: null,
  givens: [],
  ...more,
});
const cardsOf = (of: ModelsAsked): readonly RankedCard[] => rankedCards(of, () => {}).cards;
const cardOf = (of: ModelsAsked, family: RankedCard["family"]): RankedCard =>
  cardsOf(of).find((c) => c.family === family)!;

describe("the models of some rows", () => {
  // y = 1.2345 t + 2 at five places
  const line = asked([0, 25, 50, 75, 100], [2, 32.8625, 63.725, 94.5875, 125.45]);

  it("what a straight line misses when its constants are rounded", () => {
    const { rounded, constants, place } = cardOf(line, "linear");
    expect(place).toBe(1);
    expect(constants.map((c) => Number(c.value.toPrecision(8))).sort()).toEqual([1.2345, 2]);
    // 1.2 t instead of 1.2345 t: off by 0.0345 · 100 at the last row; 1.23 by 0.45, 1.234 (as doubles lie) by 0.05.
    const off = (digits: number) => rounded.find((r) => r.digits === digits)!.off;
    expect(off(2)).toBeCloseTo(3.45, 9);
    expect(off(3)).toBeCloseTo(0.45, 9);
    expect(off(4)).toBeCloseTo(0.05, 9);
    expect(off(5)).toBeCloseTo(0, 9);
  });
  it("its curve goes on past the data, to the next mark beyond the frame", () => {
    const { curve } = cardOf(line, "linear");
    expect(curve.slice(0, 2).map((v) => Number(v.toFixed(9)))).toEqual([0, 2]);
    expect(curve.at(-2)).toBeCloseTo(100 * (1 + BEYOND + 0.3), 9);
    expect(curve.at(-1)).toBeCloseTo(2 + 1.2345 * 150, 9);
    expect(curve).toHaveLength(2 * 241);
  });
  it("what cannot be fitted says why, and has neither curve nor place", () => {
    // No power of 0 or of what is below it leads to readings like these.
    const { reason, curve, place } = cardOf(asked([-1, 0, 1, 2], [1, 2, 3, 5]), "power");
    expect([reason, curve, place]).toEqual([expect.stringMatching(/\w/), [], null]);
  });
  it("a formula of one's own is ranked among them, with its givens, and is not rounded", () => {
    const own = cardOf({ ...line, own: "k t + b", givens: [["k", 1.2345]] }, "own");
    expect(own.constants.map((c) => [c.name, Number(c.value.toPrecision(9))])).toEqual([["b", 2]]);
    expect([own.reason, own.rounded]).toEqual([null, []]);
  });
  it("the residuals are the rows less the model, place by place", () => {
    const { residuals } = cardOf(asked([0, 1, 2], [0, 3, 0]), "linear");
    // the best line through these is level at 1
    expect(residuals.map((v) => Number(v.toFixed(9)) + 0)).toEqual([0, -1, 1, 2, 2, -1]);
  });
  it("a tent is said to turn at its top", () => {
    const x = [0, 1, 2, 3, 4, 5, 6, 7, 8];
    const y = x.map((t) => (t <= 4 ? 3 * t : 12 - 2 * (t - 4)));
    const { split } = rankedCards(asked(x, y), () => {});
    // The top itself fits both sides; the break stands halfway between two rows.
    expect(split?.breaks).toEqual([3.5]);
  });
  it("tells how far it is, up to the end", () => {
    const told: [number, number][] = [];
    rankedCards(line, (done, all) => told.push([done, all]));
    expect(told.length).toBeGreaterThan(3);
    expect(told.at(-1)![0]).toBe(told.at(-1)![1]);
  });
});

describe("what rounding does to the answers", () => {
  const source: CaseFile = {
    format: "pasear-case",
    version: 1,
    title: "Lamp oil",
    variables: [{ name: "t", from: 0, to: 200 }],
    data: [
      {
        name: "oil",
        columns: [{ name: "t" }, { name: "y" }],
        rows: [
          [0, 2],
          [50, 63.725],
          [100, 125.45],
        ],
      },
    ],
    functions: [
      { name: "L", of: "t", by: { kind: "fit", data: "oil", x: "t", y: "y", model: "linear" } },
      { name: "D", of: "t", by: { kind: "formula", text: "2 L(t)" } },
      { name: "N", of: "t", by: { kind: "formula", text: "t + 1" } },
    ],
    questions: [
      { id: "v", ask: "value", function: "L", at: 40 },
      { id: "d", ask: "value", function: "D", at: 40 },
      { id: "n", ask: "value", function: "N", at: 40 },
    ],
  };
  it("only answers that rest on the fitted function are told, directly or through another", () => {
    const lines = roundingLines(source, "L", 2);
    expect(lines.map((l) => l.id)).toEqual(["v", "d"]);
    // 1.2345 · 40 + 2 = 51.38 and twice that; 1.2 · 40 + 2 = 50 and 100
    expect(lines[0]).toMatchObject({ full: expect.stringContaining("51.38"), rounded: expect.stringContaining("50") });
    expect(lines[1]).toMatchObject({
      full: expect.stringContaining("102.76"),
      rounded: expect.stringContaining("100"),
    });
  });
  it("there is nothing to tell of a function that is no fit, or not there", () => {
    expect(roundingLines(source, "N", 2)).toEqual([]);
    expect(roundingLines(source, "nobody", 2)).toEqual([]);
  });
});

describe("the rows in pieces, among the models", () => {
  const x = Array.from({ length: 16 }, (_, i) => i);
  const bent = x.map((v, i) => (v < 7 ? 900 - 80 * v : 380 + 200 * (v - 7)) + [6, -4, 3, -6, 2][i % 5]!);
  it("two lines where a turn leaves every smooth model's misses on one side for long", () => {
    const { splitCard: found, cards } = rankedCards(asked(x, bent), () => {});
    expect(found).toMatchObject({ family: "linear", after: 0 });
    expect(found!.breaks).toHaveLength(1);
    expect(found!.fewest).toBeGreaterThanOrEqual(6);
    // The pieces miss what was added to the lines (at most 6), every smooth model more.
    expect(found!.leaveOneOut).toBeLessThan(10);
    expect(cards[0]!.leaveOneOut!).toBeGreaterThan(found!.leaveOneOut!);
  });
  it("none where the best model's misses change their sign as chance would have it", () => {
    const y = x.map((v, i) => 5 + 3 * v + [0.4, -1.1, 0.9, -0.2, 0.6, -1.3][i % 6]!);
    expect(rankedCards(asked(x, y), () => {}).splitCard).toBeNull();
  });
  it.each([
    [8, 2, null],
    [4, 2, null],
    [3, 2, "only 3 rows for 2 constants: its misses say little"],
    [2, 2, "2 rows and 2 constants: it goes through them, whatever they are"],
    [1, 1, "1 row and 1 constant: it goes through them, whatever they are"],
  ] as const)("a side of %d rows fitted by %d constants: %s", (rows, constants, words) => {
    expect(thinWords(rows, constants)).toBe(words);
  });
});

describe("what a model misses, typically", () => {
  it.each([
    [null, "people", null],
    [38.46, "people", "38 people"],
    [0.96, "person", "under 1 person"],
    [1234567.4, "tickets", "1,230,000 tickets"],
    [0, "people", "0 people"],
    [38.46, "kg", "38.5 kg"],
    [0.01234, "$/kWh", "$0.0123/kWh"],
  ])("of %s in %s: %s", (miss, unit, words) => expect(missWords(miss, parseUnit(unit).unit)).toBe(words));
});
