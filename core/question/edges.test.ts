import { saidOf as sentenceOf, analysed as analyse } from "./full.fixture";
import type { CaseFile, FunctionRow, Question, Variable } from "../model";
import { describe, expect, it } from "vitest";
import { oneFunction } from "./oneFunction.fixture";

// Edges of ranges, pieces, wholes and formats: each answer worked out by hand.
const solve = (
  functions: Record<string, string | FunctionRow["by"]>,
  q: object,
  variable: Omit<Variable, "name"> = { from: 0, to: 10 },
) => {
  const c: CaseFile = {
    format: "pasear-case",
    version: 1,
    title: "T",
    variables: [{ name: "x", ...variable }],
    functions: Object.entries(functions).map(([name, by]) => ({
      name,
      of: "x",
      by: typeof by === "string" ? { kind: "formula", text: by } : by,
    })),
    questions: [{ id: "q", ...q } as Question],
  };
  const a = analyse(c);
  const f = a.findings[0]!;
  return { ...f, at: f.solutions.map((s) => s.at), says: sentenceOf(f, a.model) };
};
const reach = (text: string, value: number | string, variable?: Omit<Variable, "name">) =>
  solve({ f: text }, { ask: "reach", function: "f", value }, variable);

describe("ends that are no fractions", () => {
  it("sin x on 0…π is 0 at both ends", () =>
    expect(reach("sin(x)", 0, { from: 0, to: "pi" }).solutions.map((s) => [s.exact, s.kind])).toEqual([
      ["0", "endpoint"],
      ["pi", "endpoint"],
    ]));
  it("x² − 2 on 0…√2", () =>
    expect(reach("x^2 - 2", 0, { from: 0, to: "sqrt(2)" })).toMatchObject({
      status: "found",
      complete: true,
      solutions: [{ exact: "sqrt(2)", kind: "endpoint" }],
    }));
  it("a touched level that is no fraction: x e⁻ˣ = e⁻¹ at 1", () =>
    expect(reach("x exp(-x)", "exp(-1)")).toMatchObject({ complete: true, solutions: [{ at: 1, kind: "touching" }] }));
});

it("of whole numbers one that is the answer stays: asin(sin x) is −1 at −1", () => {
  const { solutions } = solve(
    { f: "asin(sin(x))" },
    { ask: "reach", function: "f", value: -1 },
    { from: -2, to: 2, whole: true },
  );
  expect(solutions).toMatchObject([{ at: -1, exact: "-1", whole: { at: -1, value: 0 } }]);
});

describe("places without a value", () => {
  it("x^x near 0, where it comes to 1", () =>
    expect(reach("x^x", 0.7, { from: 0, to: 5 })).toMatchObject({
      complete: true,
      status: "found",
      solutions: [{}, {}],
    }));
  it("0 times something without a value is not 0", () =>
    expect(reach("(sqrt(tan(2)) + 1/2) (-x)", 0, { from: -1, to: 1 }).at).toEqual([]));
  it("ln(x^x) has one zero, at 1", () => expect(reach("ln(x^x)", 0, { from: 0, to: 2 }).at).toEqual([1]));
  it("sinh x / (−x) comes to −1 at 0 and never takes it", () =>
    expect(solve({ f: "sinh(x)/(-x)" }, { ask: "greatest", function: "f" }, { from: 0, to: 3 })).toMatchObject({
      status: "none",
      bound: { value: expect.closeTo(-1, 12), at: 0 },
    }));
});

describe("stretches", () => {
  it("a function that equals the level on a stretch", () =>
    expect(reach("abs(x - 3) + abs(x - 5)", 2)).toMatchObject({
      status: "found",
      stretches: [{ from: 3, to: 5, ends: "[]" }],
      says: "f is 2 from x = 3 to 5.",
    }));
  it.each([
    ["1 - 0*abs(x - 4)", "f is 1 throughout; no input is better than another."],
    ["abs(x - 2) + abs(x - 5)", "f is least from x = 2 to 5: 3."],
    ["max(x, 3) + max(3 - x, 0)*0", "f is least from x = 0 to 3: 3."],
    ["abs(x - 2) + abs(x - 5) + abs(x - 8)", "f is least at x = 5: 6."],
  ])("a level stretch over a kink is one: %s", (text, says) =>
    expect(solve({ f: text }, { ask: "least", function: "f" })).toMatchObject({ complete: true, says }),
  );
  it("a best value taken on a stretch", () =>
    expect(solve({ f: "12 ceil(x/8) + 3" }, { ask: "greatest", function: "f" })).toMatchObject({
      value: 27,
      // At 8 itself it is 15.
      says: "f is greatest from just after x = 8 to 10: 27.",
    }));
  it.each([
    ["floor(x/3)", "f is 2 from x = 6 to just before 9."],
    ["ceil(x/3)", "f is 2 from just after x = 3 to 6."],
    ["round(x/3) + 2", "f is 2 from x = 0 to just before 1.5."],
    ["min(x, 2)", "f is 2 from x = 2 to 10."],
  ])("an end that does not belong to a level stretch is told as that: %s", (text, says) =>
    expect(solve({ f: text }, { ask: "reach", function: "f", value: 2 }, { from: 0, to: 10 })).toMatchObject({
      complete: true,
      says,
    }),
  );
  it("all whole inputs of such a stretch tie", () =>
    expect(
      solve({ f: "min(x, 6)" }, { ask: "greatest", function: "f" }, { from: 0, to: 10, whole: true }).wholeTies!.map(
        (t) => t.at,
      ),
    ).toEqual([6, 7, 8, 9, 10]));
  it("a constant is the level everywhere or never", () => {
    expect(reach("0 x", 0)).toMatchObject({ status: "everywhere", complete: true });
    expect(reach("0 x", 1).says).toBe("f is never 1 on 0 … 10: it is always 0.");
  });
});

describe("why a level is never taken", () => {
  it.each([
    ["sqrt(-1 - x^2)", "has no value there"],
    ["1/(x - 5)", "passes it without taking it"],
    ["2 + exp(-x)", "falls from 3 and stays above 2"],
  ])("%s: it %s", (text, why) => expect(reach(text, 0).says).toContain(`f is never 0 on 0 … 10: it ${why}.`));
  it("of what jumps over it, where", () =>
    expect(reach("3 floor(x) - 1.5", 0).says).toBe(
      "f is never 0 on 0 … 10. It jumps over that value at x = 1 without taking it.",
    ));
  it("from where counting starts, not from where the range does", () =>
    expect(solve({ f: "20 + x" }, { ask: "multiply", function: "f", factor: 2, start: 4 }).says).toBe(
      "f never comes to 48 on 4 … 10: it rises from 24 and stays at or below 30.",
    ));
  it("of a running total that begins at a pole", () => {
    const h = { f: "1/x", s: { kind: "total" as const, function: "f", from: 0 } };
    const never = solve(h, { ask: "where", function: "s", relation: ">", value: 1 });
    expect(never).toMatchObject({ status: "none", says: "s is never above 1 on 0 … 10: it has no value there." });
  });
});

describe("stretches without an end are told in words", () => {
  it.each<[string, object, string]>([
    ["max(x, 4)", { ask: "least" }, "f is least up to x = 4: 4."],
    ["min(x, 4)", { ask: "greatest" }, "f is greatest from x = 4 on: 4."],
    ["abs(x)/x", { ask: "greatest" }, "f is greatest from just after x = 0 on: 1."],
    ["abs(x)/x", { ask: "least" }, "f is least up to just before x = 0: −1."],
    [
      "abs(x)/x",
      { ask: "where", relation: "<=", value: 4 },
      "f is at most 4 up to just before x = 0 and from just after x = 0 on.",
    ],
    ["min(x, 4)", { ask: "where", relation: "<=", value: 4 }, "f is at most 4 for every x."],
    ["max(x, 4)", { ask: "reach", value: 4 }, "f is 4 up to x = 4."],
    ["0 x + 4", { ask: "reach", value: 4 }, "f is 4 for every x."],
  ])("%s, %o: %s", (f, q, says) => expect(solve({ f }, { function: "f", ...q }, {}).says).toBe(says));
});

describe("which of two is least, on a range without an end", () => {
  const compared = (f: string, g: string, range: object = { from: 0 }) =>
    solve({ f, g }, { ask: "compare", functions: ["f", "g"] }, range);
  it.each<[string, string, object, string]>([
    ["20 + 3 x", "5 x", { from: 0 }, "Least: g up to x = 10; f from x = 10 on."],
    ["20 + 3 x", "5 x", { from: 0, whole: true, unit: "boat" }, "Least: g up to 10 boats; f from 10 boats on."],
    ["x", "x^2", {}, "Least: f up to x = 0; g from x = 0 on; f from x = 1 on."],
    ["x", "x + 1", {}, "Least: f for every x."],
    ["2 x", "x + x", {}, "Least: several are equal for every x."],
    ["max(x, 3)", "3", {}, "Least: several are equal up to x = 3; g from x = 3 on."],
    ["ln(x)", "sqrt(x)", {}, "Least: g at x = 0; f from x = 0 on."],
    ["1000*1.05^x", "1000 + 80 x", { from: 0 }, "Least: f up to x = 18.8376; g from x = 18.8376 on."],
    ["sin(x)", "2", { from: 0 }, "Least: f everywhere from x = 0 on."],
    ["ln(x)", "ln(x) + 1", { from: -5, to: 5 }, "Least: f from x = 0 on."],
  ])("%s, %s, %o: %s", (f, g, range, says) =>
    expect(compared(f, g, range)).toMatchObject({ status: "found", complete: true, says }),
  );
});

describe("what has no value has no slope", () => {
  it.each(["x + 1/sin(0)", "(-2 - sin(0)^(-1))/5", "x^2 + ln(sin(0))"])("%s", (f) => {
    const by = { f, s: { kind: "slope" as const, function: "f" } };
    expect(solve(by, { ask: "value", function: "s", at: 7 })).toMatchObject({ status: "none", complete: true });
  });
});

describe("a running total is 0 where it begins, also between doubles", () => {
  const of = (text: string, from: number) => ({ f: text, s: { kind: "total" as const, function: "f", from } });
  it.each<[string, number]>([
    ["exp(x)", 0.4],
    ["exp(-x^2)", 0.1],
    ["sqrt(x - 0.7)", 0.7],
    ["2 + sin(x)", 1.3],
  ])("of %s from %s", (text, from) => {
    const range = { from, to: 5 };
    const least = solve(of(text, from), { ask: "least", function: "s" }, range);
    expect(least).toMatchObject({ status: "found", complete: true, value: 0, solutions: [{ at: from }] });
    const nought = solve(of(text, from), { ask: "reach", function: "s", value: 0 }, range);
    expect(nought).toMatchObject({ status: "found", complete: true, solutions: [{ at: from }] });
  });
});

describe("a price that drops at 50", () => {
  const pieces: FunctionRow["by"] = {
    kind: "pieces",
    pieces: [
      { text: "9 x", from: 0, to: 50, ends: "[)" },
      { text: "8 x", from: 50, to: 200 },
    ],
  };
  const sheets = { from: 0, to: 200, whole: true, unit: "sheet" };
  it("a cost is met on both sides of the jump", () =>
    expect(
      solve({ K: pieces }, { ask: "reach", function: "K", value: 420 }, sheets).solutions.map((s) => s.whole!.at),
    ).toEqual([47, 53]));
  it("and stretches of at most 410 are parted by it", () =>
    expect(
      solve({ K: pieces }, { ask: "where", function: "K", relation: "<=", value: 410 }, sheets).stretches.map((s) => [
        s.first,
        s.to,
      ]),
    ).toEqual([
      [0, 410 / 9],
      [50, 51.25],
    ]));
});

describe("wholes", () => {
  const whole = { from: 0, to: 10, whole: true };
  it.each([
    ["x - 7", 7],
    ["2.5 - x", 2],
    ["x^2 - 10", 4],
    ["(x-3)(x-3)", 3],
  ])("%s: %d", (text, at) => expect(reach(text, 0, whole).solutions[0]!.whole!.at).toBe(at));
  it("a rounding rule is said as one", () =>
    expect(solve({ f: "2.5 - x" }, { ask: "reach", function: "f", value: 0, round: "up" }, whole).says).toBe(
      "f is 0 at x = 2.5: x = 3 when rounded up.",
    ));
  it("both neighbours are told with their values", () =>
    expect(reach("x^2 - 10", 0, whole).solutions[0]!.whole).toMatchObject({
      at: 4,
      value: 6,
      other: { at: 3, value: -1 },
    }));
  it("near answers are written with the digits that tell them apart", () =>
    expect(reach("(x-1)(x-1.0000001)(x-5)", 0).says).toBe("f is 0 at x = 1, x = 1.0000001 and x = 5."));
});

describe("functions of functions, slopes of slopes", () => {
  it("thirty levels of f f are worked out in a blink, f(x) f(x + 1) thirty deep is refused with the reason", () => {
    const chain = (step: (below: string) => string): CaseFile => ({
      format: "pasear-case",
      version: 1,
      title: "T",
      variables: [{ name: "x", from: 0, to: 1 }],
      functions: Array.from({ length: 31 }, (_, i) => ({
        name: `f${i}`,
        of: "x",
        by: { kind: "formula" as const, text: i === 0 ? "1 - x/4" : step(`f${i - 1}`) },
      })),
      questions: [{ id: "q", ask: "value", function: "f30", at: 0 }],
    });
    expect(analyse(chain((f) => `${f} ${f}`)).findings[0]).toMatchObject({ status: "found", value: 1 });
    const refused = analyse(chain((f) => `${f}(x) ${f}(x + 1)`));
    expect(refused.model.errors[0]!.message).toMatch(/takes more than 20,000 steps/);
    expect(refused.findings[0]!.status).toBe("error");
  });
  it("h(x) = x g'(x) with g = f(f(x)) + f(2)", () =>
    expect(
      solve(
        { f: "x", g: "f(f(x)) + f(2)", h: "g'(x) x", k: "h(x)^2 - 3" },
        { ask: "reach", function: "k", value: 0 },
        { from: -5, to: 5 },
      ).solutions.map((s) => s.exact),
    ).toEqual(["-sqrt(3)", "sqrt(3)"]));
});

describe("totals between ends that are no fractions", () => {
  it("up to an earlier answer that is no fraction: x² up to √2 is 2√2/3, and on average 2/3", () => {
    const ends: [number, { of: string }] = [0, { of: "q1" }];
    const found = analyse(
      oneFunction("x^2", { from: 0, to: 5 }, [
        { ask: "reach", function: "f", value: 2 },
        { ask: "total", function: "f", between: ends },
        { ask: "average", function: "f", between: ends },
      ]),
    ).findings.slice(1);
    for (const f of found) expect(f).toMatchObject({ complete: true, exactValue: null });
    expect(found[0]!.value).toBeCloseTo((2 * Math.SQRT2) / 3, 14);
    expect(found[1]!.value).toBeCloseTo(2 / 3, 14);
  });
});
