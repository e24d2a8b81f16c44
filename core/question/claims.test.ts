import type { FullFinding as Finding } from "./index";
import { saidOf as sentenceOf, analysed as analyse } from "./full.fixture";
import type { CaseFile } from "../model";
import { describe, expect, it } from "vitest";
import { oneFunction, type Asked } from "./oneFunction.fixture";

/** One question about one formula in x, on a range; null: without an end. */
function ask(
  text: string,
  from: number | null,
  to: number | null,
  q: Asked,
  more: Partial<CaseFile> = {},
): Finding & { says: string } {
  const range = { ...(from === null ? {} : { from }), ...(to === null ? {} : { to }) };
  const { model, findings } = analyse({ ...oneFunction(text, range, [q]), ...more });
  expect(model.errors).toEqual([]);
  return { ...findings[0]!, says: sentenceOf(findings[0]!, model) };
}
const greatest: Asked = { ask: "greatest", function: "f" };
const least: Asked = { ask: "least", function: "f" };
const reach = (value: number): Asked => ({ ask: "reach", function: "f", value });
const at = (f: Finding) => f.solutions.map((s) => Number(s.at.toPrecision(9)));

// Each once had a wrong answer that was called proven; what is right follows by hand.
describe("breaks, poles and edges: there is no bound", () => {
  it.each([
    ["max(20, 80/(x - 4))", 0, 12, 4],
    ["max(x, 1/x)", -2, 3, 0],
    ["abs(ln(x))", -10, 10, 0],
    ["exp(1/x)", -2, 3, 0],
    ["tan(x)", 0, 3, Math.PI / 2],
  ])("%s on %d … %d", (text, from, to, near) =>
    expect(ask(text, from, to, greatest)).toMatchObject({
      status: "none",
      complete: true,
      bound: { value: null, at: near },
    }),
  );
});

describe("values that are approached and not taken", () => {
  it.each([
    ["1/ln(x)", 0, 0.5, greatest, 0, 0],
    ["atan(ln(x))", 0, 5, least, -Math.PI / 2, 0],
    ["sin(x)/x", -10, 10, greatest, 1, 0],
    ["sqrt(x^2 + x) - x", 0, null, greatest, 0.5, null],
    ["100/(1 + 4 exp(-x))", 0, null, greatest, 100, null],
    ["x - floor(x)", 0, 10, greatest, 1, 1],
  ] as const)("%s", (text, from, to, q, value, place) => {
    const f = ask(text, from, to, q);
    expect(f).toMatchObject({ status: "none", complete: true });
    expect(f.bound!.value).toBeCloseTo(value, 12);
    expect(f.bound!.at).toBe(place);
  });
});

describe("best values at kinks, edges and steps", () => {
  it.each([
    ["min(sqrt(x), 1)", -2, 3, least, [0], 0],
    ["abs(sqrt(x - 100) - 5)", 0, 400, least, [125], 0],
    ["sqrt(x^2 - 8x - 8)", -20, 20, least, [4 - 2 * Math.sqrt(6), 4 + 2 * Math.sqrt(6)], 0],
    ["500/x + ceil(x^2)", 0, 40, least, [Math.sqrt(40)], 500 / Math.sqrt(40) + 40],
    ["100x + floor(x^6)", 0, 5, greatest, [5], 500 + 5 ** 6],
    ["x^3 exp(-x)", 0, null, greatest, [3], 27 * Math.exp(-3)],
    ["x exp(-x/100)", 0, null, greatest, [100], 100 / Math.E],
    ["x - 1e-14 x^2", null, null, greatest, [5e13], 2.5e13],
    ["exp(-x) sin(x)", 0, null, greatest, [Math.PI / 4], Math.exp(-Math.PI / 4) * Math.SQRT1_2],
  ] as const)("%s", (text, from, to, q, places, value) => {
    const f = ask(text, from, to, q);
    expect(f).toMatchObject({ status: "found", complete: true });
    expect(at(f)).toEqual(places.map((p) => Number(p.toPrecision(9))));
    expect(f.value! / (value || 1)).toBeCloseTo(value ? 1 : 0, 9);
  });
});

describe("roots where the function has a value, and only there", () => {
  it("no root below the domain of a square root", () =>
    expect(at(ask("sqrt(x) (x^2 - 3)", -5, 5, reach(0)))).toEqual([0, 1.73205081]));
  it("no root at a hole: what is left is 1 + √x", () =>
    expect(ask("x^2/(x^2 - 3) - 3/(x^2 - 3) + sqrt(x)", -5, 5, reach(0))).toMatchObject({
      status: "none",
      complete: true,
    }));
  it("two thousand steps, and the one that is meant", () =>
    expect(ask("5 + 2 floor(x)", 0, 2000, reach(105)).stretches).toMatchObject([{ from: 50, to: 51, ends: "[)" }]));
  it("growth against a line, on a range without end", () =>
    expect(ask("1000*1.05^x - 1000 - 80x", 0, null, reach(0))).toMatchObject({
      complete: true,
      solutions: [{ at: 0 }, {}],
    }));
  it("terms that come to nothing hide nothing", () =>
    expect(ask("3 exp(0 x/10) - 6 + 0 (10/(1 + exp(-x)))", 0, 1, reach(-3)).status).toBe("everywhere"));
  it("where: a pole is in no stretch", () =>
    expect(
      ask("1/(x - 0.1)", -1, 2, { ask: "where", function: "f", relation: ">=", value: 0 }).stretches,
    ).toMatchObject([{ from: 0.1, to: 2, ends: "(]" }]));
});

describe("what comes again for ever is told once", () => {
  it("greatest of a wave on x ≥ 0", () =>
    expect(ask("5 + 2 sin(pi x/6)", 0, null, greatest)).toMatchObject({
      complete: true,
      value: 7,
      repeats: { every: 12 },
      solutions: [{ at: 3, exact: "3" }],
    }));
  it("says so", () =>
    expect(ask("5 + 2 sin(pi x/6)", 0, null, reach(6)).says).toBe("f is 6 at x = 1 and x = 5, and again every 12."));
  it("a wave without any range", () =>
    expect(ask("sin(x)", null, null, greatest)).toMatchObject({ value: 1, solutions: [{ exact: "pi/2" }] }));
  it("what holds throughout holds everywhere", () =>
    expect(ask("sin(x)", 0, null, { ask: "where", function: "f", relation: "<=", value: 1 })).toMatchObject({
      status: "everywhere",
      repeats: null,
      stretches: [{ from: 0, to: null }],
    }));
});

describe("plateaus", () => {
  it("first comes to double where the plateau begins", () =>
    expect(ask("min(100 + 10x, 200)", 0, 50, { ask: "multiply", function: "f", factor: 2 })).toMatchObject({
      complete: true,
      solutions: [{ at: 10 }],
      stretches: [{ from: 10, to: 50 }],
    }));
  it("every given from where the plateau is reached", () => {
    const f = ask(
      "min(k x, 100)",
      0,
      50,
      { ask: "given", given: "k", range: [0, 10], function: "f", at: 25, value: 100 },
      { givens: [{ name: "k", value: 2 }] },
    );
    expect(f).toMatchObject({ status: "found", complete: true, stretches: [{ from: 4, to: 10, ends: "[]" }] });
  });
  it("a least value taken beside a step, and not at the step: ceil(0) is 0, from there on it is 1", () =>
    expect(ask("cbrt(5) - ceil(x)", 0, 1, least)).toMatchObject({
      complete: true,
      stretches: [{ from: 0, to: 1, ends: "(]" }],
    }));
  it("a plateau that begins after an input of its own value: −1 + ceil(30x) is 87 just above 2.9", () => {
    // f(1) = 29, three times that is 87: ceil(30x) = 88, so 2.9 < x ≤ 88/30.
    const f = ask("-1 + ceil(30x)", 1, 40, { ask: "multiply", function: "f", factor: 3, start: 1 });
    expect(f).toMatchObject({ complete: true, solutions: [], stretches: [{ from: 2.9, ends: "(]" }] });
    expect(f.stretches[0]!.to).toBeCloseTo(88 / 30, 12);
  });
});

describe("pieces through moved and scaled inputs", () => {
  const v = {
    name: "v",
    of: "x",
    by: {
      kind: "pieces",
      pieces: [
        { text: "3 x", from: 0, to: 6, ends: "[)" },
        { text: "x^2", from: 6, to: 15, ends: "[]" },
      ],
    },
  } as const;
  const functions = (text: string) =>
    ({
      functions: [structuredClone(v), { name: "f", of: "x", by: { kind: "formula", text } }],
    }) as unknown as Partial<CaseFile>;
  it("v(7 − x) jumps where 7 − x is 6", () =>
    expect(ask("x", -5, 7, greatest, functions("v(7 - x)"))).toMatchObject({
      complete: true,
      value: 144,
      solutions: [{ at: -5 }],
    }));
  it("v(2x) is 36 at 3, and nothing between 18 and 36 is taken", () => {
    expect(ask("x", 0, 5, reach(36), functions("v(2x)"))).toMatchObject({ complete: true, solutions: [{ at: 3 }] });
    expect(ask("x", 0, 5, reach(25), functions("v(2x)"))).toMatchObject({ status: "none", complete: true, jumps: [3] });
  });
});

describe("whole inputs", () => {
  it("a price break: 10x below 50, 7x from there; 49 gives $490", () => {
    const f = ask("x", 0, 60, greatest, {
      variables: [{ name: "x", from: 0, to: 60, whole: true }],
      functions: [
        {
          name: "f",
          of: "x",
          by: {
            kind: "pieces",
            pieces: [
              { text: "10 x", from: 0, to: 50, ends: "[)" },
              { text: "7 x", from: 50, to: 60, ends: "[]" },
            ],
          },
        },
      ],
    } as Partial<CaseFile>);
    expect(f).toMatchObject({
      status: "found",
      complete: true,
      value: 490,
      bound: { value: 500, at: 50 },
      solutions: [{ at: 49, whole: { at: 49, value: 490 } }],
    });
  });
  it("ties along a level stretch count with those found elsewhere", () => {
    // At whole inputs: floor(0) = 0, x − ceil(x) is 0 at each of its piece, and the last piece is 0 throughout.
    const pieces = [
      { text: "floor(x)", from: 0, to: 33, ends: "[)" },
      { text: "x - ceil(x)", from: 33, to: 67, ends: "[]" },
      { text: "0", from: 67, to: 100, ends: "(]" },
    ];
    const f = ask("x", 0, 100, least, {
      variables: [{ name: "x", from: 0, to: 100, whole: true }],
      functions: [{ name: "f", of: "x", by: { kind: "pieces", pieces } }],
    } as Partial<CaseFile>);
    expect(f).toMatchObject({ complete: true, value: 0 });
    expect(f.wholeTies!.map((w) => w.at)).toEqual([0, ...Array.from({ length: 68 }, (_, i) => 33 + i)]);
  });
  it("beyond the whole numbers that doubles hold", () => {
    const f = ask("x^2 - 1000000000000000000000001", 0, null, reach(0), {
      variables: [{ name: "x", from: 0, whole: true }],
    });
    expect(f.solutions[0]!.whole).toMatchObject({ at: 1_000_000_000_001 });
  });
});

describe("earlier answers keep what they are", () => {
  it("x² − 2 at its own root is 0", () => {
    const { findings } = analyse(
      oneFunction("x^2 - 2", { from: 0, to: 5 }, [reach(0), { ask: "value", function: "f", at: { of: "q1" } }]),
    );
    expect(findings[1]).toMatchObject({ complete: true, value: 0, exactValue: "0" });
  });
});

describe("a second way that meets a jump instead", () => {
  it("8.8 for each started 24, against 0.25 a piece: three places, proven", () => {
    const stair = ask("8.8 ceil(x/24) - (0.25x + 11.47)", 0, 2000, reach(0));
    // (8.8 k − 11.47)/0.25 in ]24(k − 1), 24k]: 24.52, 59.72 and 94.92 for k = 2, 3, 4.
    expect(at(stair)).toEqual([24.52, 59.72, 94.92]);
    expect(stair.complete).toBe(true);
  });
});

describe("totals beside places without a bound", () => {
  it.each([
    ["1/sqrt(x)", 0, 4, 4],
    // Upright tangents at the end and inside, where no series is narrow; the last by tanh-sinh quadrature, and once
    // told as -1.7e40.
    ["cbrt(x)", 0, 8, 12],
    ["cbrt(x)", -8, 8, 0],
    ["cbrt(sin(x))/x", -9.5, 2.5, 7.63755527],
    ["ln(x)", 0, 1, -1],
    ["x^(-0.25)", 0, 1, 4 / 3],
  ])("%s from %d to %d", (text, a, b, wanted) => {
    const f = ask(text, 0, 10, { ask: "total", function: "f", between: [a, b] });
    expect(f.complete).toBe(true);
    expect(f.value).toBeCloseTo(wanted, 6);
  });
  it("a constant too steep for its own series: tanh(exp(20)) is 1 to all digits", () =>
    expect(
      ask("tanh(exp(20)) + 0x", -7, 0, { ask: "total", function: "f", between: [-6.75, -3.25] }).value,
    ).toBeCloseTo(3.5, 9));
  // ∫ e^(−x²) over all but 10^−43 is √π; what is beside it cancels, but not to all digits.
  it("what is known to few digits beside what cancels is not told to six", () => {
    const f = ask("1e11 x + exp(-x^2)", -10, 10, { ask: "total", function: "f", between: [-10, 10] });
    expect(f).toMatchObject({ status: "unsettled", complete: false, value: null });
    expect(f.message).toMatch(/^The parts of the total cancel, or nearly: all that is known is that it lies from /);
    expect(ask("x + exp(-x^2)", -10, 10, { ask: "total", function: "f", between: [-10, 10] }).value).toBeCloseTo(
      Math.sqrt(Math.PI),
      9,
    );
  });
  it("1/x from 0 has none", () =>
    expect(ask("1/x", 0, 10, { ask: "total", function: "f", between: [0, 1] })).toMatchObject({
      status: "none",
      complete: true,
      value: null,
    }));
});

describe("which is least, where some have no value", () => {
  it("80/(x − 4) against 10: below 4 the quotient, from 12 on again", () => {
    const f = ask(
      "80/(x - 4)",
      0,
      20,
      { ask: "compare", functions: ["f", "g"] },
      {
        functions: [
          { name: "f", of: "x", by: { kind: "formula", text: "80/(x - 4)" } },
          { name: "g", of: "x", by: { kind: "formula", text: "10 + 0x" } },
        ],
      },
    );
    const told = f.stretches.map((s) => `${s.ends[0]}${s.from},${s.to}${s.ends[1]} ${s.least}`);
    expect(told).toEqual(["[0,4) f", "[4,12] g", "[12,20] f"]);
  });
});
