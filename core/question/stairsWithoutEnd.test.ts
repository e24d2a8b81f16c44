import { describe, expect, it } from "vitest";
import { greatest, least, reach } from "./askedAlone.fixture";
import { analysed, saidOf } from "./full.fixture";
import { oneFunction, type Asked } from "./oneFunction.fixture";

/** One question about one formula in x, on a range without an end. */
const ask = (text: string, q: Asked) => analysed(oneFunction(text, {}, [q])).findings[0]!;
const below = (value: number): Asked => ({ ask: "where", function: "f", relation: "<", value });

// Far out stairs are not counted: their sign there, and what they grow to, is that of their values, if they have any.
describe("stairs without an end that have no value now and then, or never", () => {
  // √(−sin x) has a value on [(2k − 1)π, 2kπ] alone, so that nothing is below 3 throughout up to −16.
  it.each(["0.5 ceil(x) + sqrt(-sin(x))", "ceil(x) + sqrt(sin(x) cos(x))"])("%s < 3", (text) => {
    const found = ask(text, below(3));
    expect(found.complete).toBe(false);
    for (const s of found.stretches) expect(s.to! - s.from!).toBeLessThan(Math.PI + 1e-9);
  });
  // sin x + cos x is √2 at most, and sin² x + cos² x is 1: neither has a value.
  it.each(["ceil(x) + sqrt(sin(x) + cos(x) - 1.5)", "floor(x) + ln(sin(x)^2 + cos(x)^2 - 1.1)"])(
    "%s, which has none, does not grow",
    (text) => expect(ask(text, greatest)).not.toMatchObject({ complete: true, status: "none", bound: { value: null } }),
  );
  it("a level that no value has is proven not to be reached, wherever there are values", () =>
    expect(ask("0.5 ceil(x) + sqrt(-sin(x))", reach(3))).toMatchObject({ status: "none", complete: true }));
});

describe("stairs without an end that have values throughout", () => {
  it.each([
    "2^floor(x) - 7",
    "floor(x)/x + x",
    "x + floor(x) + ln(x)",
    "ceil(x) - sqrt(x)",
    "max(floor(x), 0)",
    "floor(1/x)/x",
    "sqrt(floor(x))",
    "max(sqrt(x), x)/round(x^0.5)",
    "x + 1/ln(ceil(x))",
    "x^2 + floor(x)^-2",
    "x ceil(x)",
  ])("%s grows without bound", (text) =>
    expect(ask(text, greatest)).toMatchObject({ status: "none", complete: true, bound: { value: null } }),
  );
  // (−1)² − 1 and 0² + 0 are 0, and ⌈x⌉ + x² ≥ x² + x,
  // which is 0 or more outside of −1 … 0; on it ⌈x⌉ is 0.
  it("are least where they are, however high they rise further out", () =>
    expect(ask("ceil(x) + x^2", least)).toMatchObject({
      complete: true,
      value: 0,
      solutions: [{ at: -1 }, { at: 0 }],
    }));
  // A box for each fifty, at the whole numbers up to 400, one by one; then the profit falls.
  it("are greatest at a whole input where a step would cost more than it brings", () => {
    const value = (q: number) => 11.5 * q - q ** 2 / 30 - 430 - 60 * Math.ceil(q / 50);
    const best = Array.from({ length: 401 }, (_, q) => q).reduce((a, b) => (value(b) > value(a) ? b : a));
    const text = "11.5x - x^2/30 - 430 - 60 ceil(x/50)";
    const found = analysed(oneFunction(text, { from: 0, whole: true }, [greatest])).findings[0]!;
    expect(best).toBe(150);
    expect(found).toMatchObject({ complete: true, solutions: [{ at: 150 }] });
  });
  it("are below a level up to where they step over it", () =>
    expect(ask("2^floor(x) - 7", below(3))).toMatchObject({
      complete: true,
      stretches: [{ from: null, to: 4, ends: "()" }],
    }));
});

// A best place, or the first one, is that of all only where nothing is left open.
describe("what is found beside what could not be settled is told as that", () => {
  it.each([
    // 2^⌊x⌋ − 7 comes ever closer to −7: no value that was met is anywhere near the least.
    ["2^floor(x) - 7", least, /^Not settled: where f is least could not be proven\.$/],
    ["x + sqrt(sin(x))", reach(3), /^As far as is settled, f is 3 at x = 2\.06063\.$/],
    ["x + sqrt(sin(x))", below(3), /^As far as is settled, f is below 3 on /],
    ["2^floor(x) - 7", below(3), /^f is below 3 up to x = 4\.$/],
  ] as const)("%s, %o", (text, q, says) => {
    const { model, findings } = analysed(oneFunction(text, {}, [q]));
    expect(saidOf(findings[0]!, model)).toMatch(says);
  });
});

// 430 + 2.5x + 60 ⌈x/50⌉ rises by 185 a fifty, 600 + 3x by 150: they are 1,170 and 1,200 at 200, 1,230
// and 1,200, and never change places again. x²/30 − 11.5 x is above both in the end.
describe("functions compared where one of them has steps without an end", () => {
  const compared = (...texts: string[]) => {
    const functions = texts.map((text, i) => ({ name: "fgh"[i]!, of: "x", by: { kind: "formula" as const, text } }));
    const document = {
      ...oneFunction("x", { from: 0 }, [{ ask: "compare", functions: ["f", "g", "h"].slice(0, texts.length) }]),
      functions,
    };
    return analysed(document).findings[0]!;
  };
  it("are told up to where the order stays", () =>
    expect(compared("430 + 2.5x + 60 ceil(x/50)", "600 + 3x")).toMatchObject({
      complete: true,
      stretches: [
        { from: 0, to: 200, least: "f", ends: "[]" },
        { from: 200, to: null, least: "g", ends: "()" },
      ],
    }));
  it("three of them", () =>
    expect(compared("430 + 2.5x + 60 ceil(x/50)", "600 + 3x", "x^2/30 - 300").stretches.at(-1)).toMatchObject({
      least: "g",
      to: null,
    }));
  it("and left open where one has no value now and then", () =>
    expect(compared("ceil(x) + sqrt(sin(x))", "0.5x")).toMatchObject({ complete: false }));
});
