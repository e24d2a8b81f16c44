import { describe, expect, it } from "vitest";
import { iv } from "../interval";
import { buildModel, type CaseFile } from "../model";
import { analyse } from "./analyse";
import { isStopped } from "./finding";
import { oneFunction, type Asked } from "./oneFunction.fixture";

/** The first finding about one function on 0 … 4. */
const found = (text: string, asked: Asked) => {
  const [finding] = analyse(oneFunction(text, { from: 0, to: 4 }, [asked])).findings;
  if (!finding || isStopped(finding)) throw new Error("no answer");
  return finding;
};

describe("kinks whose argument is a number", () => {
  const reach = { ask: "reach", function: "f", value: 0 } as const;
  it.each([
    // sin 3 is 0.141…, so the absolute value changes nothing: x (sin 3) − sin 3 is 0 at 1.
    ["abs(sin(3)) x - sin(3)", 1],
    // cos 3 is −0.98…, and the absolute value turns it round: 0 at 1 again.
    ["abs(cos(3)) x + cos(3)", 1],
    ["max(2, x - x + 1) x - 5", 2.5],
  ])("%s: %d", (text, at) => {
    const finding = found(text, reach);
    expect(finding).toMatchObject({ complete: true });
    expect("solutions" in finding && finding.solutions.map((s) => s.at)).toEqual([expect.closeTo(at, 12)]);
  });
  it("a number that cannot be told from 0 proves nothing", () => {
    // √2 √3 − √6 is 0, which no enclosure shows.
    const finding = found("step(sqrt(2) sqrt(3) - sqrt(6)) x - 1", reach);
    if (finding.complete) expect("solutions" in finding && finding.solutions.map((s) => s.at)).toEqual([1]);
    else expect(finding.status).toBe("unsettled");
  });
});

describe("stairs too many to list", () => {
  it("what holds on them is open, or is told as far as it is proven; never a stretch that a value contradicts", () => {
    const finding = found("floor(1000000 x)", { ask: "where", function: "f", relation: ">=", value: 2500000 });
    const stretches = "stretches" in finding ? finding.stretches : [];
    if (finding.complete) expect(stretches.map((s) => [s.from, s.to])).toEqual([[2.5, 4]]);
    else for (const s of stretches) expect(Math.floor(1_000_000 * (s.from ?? NaN))).toBeGreaterThanOrEqual(2_500_000);
  });
});

describe("whole powers", () => {
  // 3²⁰ = 3,486,784,401 and 3³² = 1,853,020,188,851,841 are whole numbers that a double holds.
  it.each([
    [20, 3_486_784_401],
    [32, 1_853_020_188_851_841],
  ])("3 to the %d is itself, with no width", (n, value) => {
    const power = iv.integerPower(iv.make(3, 3, 0), n);
    expect([power.lo, power.hi]).toEqual([value, value]);
  });
});

describe("a fitted formula that breaks between the rows", () => {
  const fitted = (text: string, rows: [number, number][]): CaseFile => ({
    format: "pasear-case",
    version: 1,
    title: "T",
    variables: [{ name: "t", from: 0, to: 10 }],
    data: [{ name: "d", columns: [{ name: "t" }, { name: "y" }], rows }],
    functions: [
      {
        name: "f",
        of: "t",
        by: { kind: "fit", data: "d", x: "t", y: "y", model: "own", text, start: { a: 1 } },
      },
    ],
  });
  const warnings = (source: CaseFile) => buildModel(source).warnings.map((w) => w.message);
  it("at a pole, which is named", () => {
    const rows: [number, number][] = [1, 2, 3, 7, 8, 9].map((t) => [t, 2 / (t - 5)]);
    expect(warnings(fitted("a/(t - 5)", rows)).join()).toContain("f has no value at t = 5, inside the data");
  });
  it("nowhere, and nothing is said", () => {
    const rows: [number, number][] = [1, 2, 3, 7, 8, 9].map((t) => [t, 2 * t]);
    expect(warnings(fitted("a t", rows)).join()).not.toContain("inside the data");
  });
});
