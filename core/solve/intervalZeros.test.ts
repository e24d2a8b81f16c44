import { describe, expect, it } from "vitest";
import { expressionText, type Expression } from "../formula";
import { intervalZeros } from "./intervalZeros";
import { formulaOf, sixDigits, stretchOf } from "./reading.fixture";
import { candidates, exactOfCandidate, simplestFraction } from "./shortNumbers";
import type { Zero } from "./zeroSet";

const nameOf = ({ exact }: Zero) => (exact && !/^-?[\d.]+$/.test(exact.text) ? ` = ${exact.text}` : "");
/** `1.41421 = sqrt(2)`, `1 twice`, `flat 0–1`, `open near 1`. */
function told(text: string, range: string, boxes?: number): string {
  const found = intervalZeros(formulaOf(text), stretchOf(range, boxes));
  expect([found.algebraic, found.everywhere]).toEqual([false, false]);
  const order = (m: number | null) => (m === 1 ? "" : m === 2 ? " twice" : ` ${m}-fold`);
  return [
    ...found.zeros.map((z) => `${sixDigits(z.at)}${nameOf(z)}${order(z.multiplicity)}`),
    ...(found.flat ?? []).map((f) => `flat ${sixDigits(f.lo)}–${sixDigits(f.hi)}`),
    ...found.open.map((o) => (o.hi - o.lo < 0.01 ? `open near ${sixDigits(o.lo)}` : `open ${o.lo}–${o.hi}`)),
  ].join("; ");
}

describe("zeros by enclosures alone", () => {
  it.each([
    // simple ones, with the short name that is proven to be theirs
    ["exp(x) - x - 2", "0 … 5", "1.14619"],
    ["exp(x) - exp(1/2)", "0 … 5", "0.5 = 1/2"],
    ["x exp(x) - 2 exp(2)", "0 … 5", "2"],
    ["x + exp(x) - pi - exp(pi)", "0 … 5", "3.14159 = pi"],
    ["x + exp(x) - 2 pi/3 - exp(2 pi/3)", "0 … 5", "2.0944 = 2 pi/3"],
    ["x + exp(x) - sqrt(3) - exp(sqrt(3))", "0 … 5", "1.73205 = sqrt(3)"],
    ["x + exp(x) + sqrt(3) - exp(-sqrt(3))", "-5 … 5", "-1.73205 = -sqrt(3)"],
    ["x + exp(x) - ln(3) - 3", "0 … 5", "1.09861 = ln(3)"],
    ["x + exp(x) - e - exp(e)", "0 … 5", "2.71828 = e"],
    ["x^2 - 3", "0 … 5", "1.73205 = sqrt(3)"],
    ["x^3 - 2", "0 … 5", "1.25992"],
    // several coinciding
    ["(x - 1)^2", "0 … 3", "1 twice"],
    ["(x - 1)^3 exp(x)", "0 … 3", "1 3-fold"],
    ["(x - 1)^4 + (x - 1)^6", "0 … 3", "1 4-fold"],
    ["(x^2 - 3)^2", "0 … 3", "1.73205 = sqrt(3) twice"],
    ["(x - 1)^2 (x - 2)", "0 … 3", "1 twice; 2"],
    ["(x - 1)^2 (x - 2)^2", "0 … 3", "1 twice; 2 twice"],
    ["1 - cos(x)", "-1 … 1", "0 twice"],
    ["sin(x) + 1", "0 … 6", "4.71239 = 3 pi/2 twice"],
    ["x - sin(x)", "-1 … 1", "0 3-fold"],
    // close to touching: a pair, or none
    ["(x - 1)^2 - 1e-12", "0 … 3", "0.999999 = 999999/1000000; 1 = 1000001/1000000"],
    ["(x - 1)^2 + 1e-12", "0 … 3", ""],
    ["1e-12 - (x - 1)^2", "0 … 3", "0.999999 = 999999/1000000; 1 = 1000001/1000000"],
    ["-1e-12 - (x - 1)^2", "0 … 3", ""],
    // closer than boxes are split, told by the one bend of the curve there
    ["(x - 1)^2 - 1e-17", "0 … 3", "1; 1"],
    ["1e-17 - (x - 1)^2", "0 … 3", "1; 1"],
    ["(x - 1.1)^2 (x + 5) - 1e-17", "0 … 3", "1.1; 1.1"],
    ["(x - 1)^2 + 1e-17", "0 … 3", ""],
    ["-1e-17 - (x - 1)^2", "0 … 3", ""],
    ["x^2 exp(x) - 1e-19", "-1 … 1", "-3.16228e-10; 3.16228e-10"],
    ["cosh(x) - 1 - 1e-22", "-1 … 1", "open near -4.27157e-8"],
    ["x^2 exp(x) + 1e-19", "-1 … 1", ""],
    ["1e-19 - x^2 exp(x)", "-1 … 1", "-3.16228e-10; 3.16228e-10"],
    // touching at a number without a short name stays open
    ["(x exp(x) - 2)^2", "0 … 3", "open near 0.852605"],
    // 0 throughout, which enclosures of a difference do not tell
    ["x - x", "0 … 1", "open 0–1"],
    ["min(0, x - 1)", "2 … 3", "flat 2–3"],
    // without end
    ["exp(x) + x - 2", "…", "0.442854"],
    ["(x - 1)^2 (x^2 + 1)", "…", "1 twice"],
    // no value on a part
    ["ln(x) + x", "-1 … 3", "0.567143"],
  ])("%s on %s: %s", (text, range, wanted) => expect(told(text, range)).toBe(wanted));

  it("work that is used up leaves the stretch open, and what was used is counted", () => {
    expect(told("exp(x) - x - 2", "0 … 5", 0)).toBe("open 0–5");
    const s = stretchOf("0 … 5");
    intervalZeros(formulaOf("exp(x) - x - 2"), s);
    expect(s.budget.boxes).toBeLessThan(20_000);
    expect(s.budget.boxes).toBeGreaterThan(19_000);
  });
  it("each is proven to lie in its bounds", () => {
    for (const z of intervalZeros(formulaOf("sin(x) - x/5"), stretchOf("-9 … 9")).zeros) {
      expect([z.lo <= z.at, z.at <= z.hi, z.hi - z.lo < 1e-12]).toEqual([true, true, true]);
      expect(Math.abs(Math.sin(z.at) - z.at / 5)).toBeLessThan(1e-13);
    }
  });
});

describe("numbers with short names in a box", () => {
  const names = (lo: number, hi: number) => candidates(lo, hi).map((e: Expression) => expressionText(e, "x"));
  it.each([
    [0.3, 0.4, ["1/3", "pi/8", "sqrt(1/7)", "ln(1.4)"]],
    [1.7320508, 1.7320509, ["sqrt(3)"]],
    [2.7182818, 2.7182819, ["e"]],
    [-3.1415927, -3.1415926, ["-pi"]],
    [1.0986122, 1.0986123, ["ln(3)"]],
    [-0.6931472, -0.6931471, ["ln(0.5)"]],
    [-1.4142136, -1.4142135, ["-sqrt(2)"]],
  ] as const)("from %s to %s", (lo, hi, wanted) => {
    for (const name of wanted) expect(names(lo, hi)).toContain(name);
  });
  it("no box without end, none with its name too long", () => {
    expect([names(-Infinity, 3), names(3, Infinity), names(NaN, 3)]).toEqual([[], [], []]);
    expect(names(-1, 1)).toEqual(["0"]);
    expect(names(40.1, 40.2).some((n) => n.startsWith("ln"))).toBe(false);
    expect(names(0.9, 1.1).some((n) => n.startsWith("ln(1)"))).toBe(false);
    expect(exactOfCandidate(formulaOf("6/4")).text).toBe("3/2");
    expect(exactOfCandidate(formulaOf("sqrt(12)")).text).toBe("2 sqrt(3)");
  });
  it.each([
    [0.3, 0.4, "1/3"],
    [0.333, 0.334, "1/3"],
    [3.1415, 3.1416, "333/106"],
    [-0.4, -0.3, "-1/3"],
    [-1, 1, "0"],
    [0, 1, "0"],
    [-1, 0, "0"],
    [2, 2, "2"],
    [2, 1, null],
    [NaN, 1, null],
  ] as const)("the simplest fraction from %s to %s is %s", (lo, hi, wanted) =>
    expect(simplestFraction(lo, hi)?.toFraction() ?? null).toBe(wanted),
  );
  it("is none where its denominator would be too long", () => {
    expect(simplestFraction(0.3001, 0.3002, 60n)).toBeNull();
    expect(simplestFraction(-0.3002, -0.3001, 60n)).toBeNull();
    expect(simplestFraction(1 / 59, 1 / 59 + 1e-9, 60n)?.toFraction()).toBe("1/59");
  });
});
