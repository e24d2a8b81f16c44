import { describe, expect, it } from "vitest";
import { expressionText } from "../formula";
import { FunctionTable } from "./table";
import { formulaOf, sixDigits, stretchOf } from "./reading.fixture";
import { zerosOf, type Budget } from "./zeros";
import type { ZeroSet } from "./zeroSet";

const table = new FunctionTable();
function zeros(text: string, range: string, allowed?: number | Budget): ZeroSet {
  const { from, to } = stretchOf(range);
  return zerosOf(formulaOf(text), table, from, to, allowed);
}
/** `2; 3 twice; 0 as an edge`, each with its exact name where that is no decimal, then what is left open. */
function told({ zeros: found, everywhere, open, flat }: ZeroSet): string {
  if (everywhere) return "everywhere";
  const order = (m: number | null) => (m === null ? " as an edge" : m === 1 ? "" : m === 2 ? " twice" : ` ${m}-fold`);
  const name = (z: ZeroSet["zeros"][number]) => {
    const text = z.exact ? expressionText(z.exact.expression, "x") : "";
    return text === "" || text === sixDigits(z.at) || text === String(z.at) ? "" : ` = ${text}`;
  };
  return [
    ...[...found].sort((a, b) => a.at - b.at).map((z) => `${sixDigits(z.at)}${name(z)}${order(z.multiplicity)}`),
    ...(flat ?? []).map((f) => `flat ${sixDigits(f.lo)}–${sixDigits(f.hi)}`),
    ...open.map((o) => `open ${sixDigits(o.lo)}–${sixDigits(o.hi)}`),
  ].join("; ");
}

describe("all zeros of a smooth expression, by algebra", () => {
  it.each([
    // numbers
    ["0", "0 … 1", "everywhere"],
    ["3 - 3", "…", "everywhere"],
    ["5", "…", ""],
    ["sin(1)^2 + cos(1)^2 - 1", "0 … 1", "open 0–1"],
    // polynomials, their ends with them
    ["x^2 - 4", "…", "-2; 2"],
    ["x^2 - 4", "-2 … 2", "-2; 2"],
    ["x^2 - 4", "-1.9 … 2", "2"],
    ["(x - 1)^2 (x + 3)", "…", "-3; 1 twice"],
    ["x^2 - 2", "0 …", "1.41421 = sqrt(2)"],
    ["x^2 + 1", "…", ""],
    ["x - x", "…", "everywhere"],
    // one function, undone
    ["-exp(x)", "…", ""],
    ["3 exp(x/2) - 6", "…", "1.38629 = 2 ln(2)"],
    ["2^x - 8", "…", "3"],
    ["2^x + 8", "…", ""],
    ["5 - ln(x)", "1 … 1000", "148.413 = exp(5)"],
    ["sqrt(x) - 3", "0 …", "9"],
    ["sqrt(x) + 3", "0 …", ""],
    ["sqrt(x)", "0 … 4", "0 as an edge"],
    ["sqrt(x - 1)^3", "1 … 4", "1 as an edge"],
    ["(x - 1)^1.5", "1 … 4", "1 as an edge"],
    ["(x - 1)^(-1.5)", "2 … 4", ""],
    ["(x^2 + 1)^(-2)", "…", ""],
    ["(exp(x) - 1)^3", "…", "0 3-fold"],
    ["-(exp(x) - 1)", "…", "0"],
    ["2/(x + 1) - 4", "0 … 3", ""],
    ["12/exp(x) - 4", "0 … 3", "1.09861 = ln(3)"],
    ["12/exp(x) + 4", "0 … 3", ""],
    ["0/exp(x)", "0 … 3", "everywhere"],
    ["exp(x)/(x^2 + 1)", "…", ""],
    ["(exp(x) - 2)/7", "…", "0.693147 = ln(2)"],
    ["7 - (2 - exp(x))", "…", ""],
    ["1 - (3 - exp(x))", "…", "0.693147 = ln(2)"],
    ["ln(x) (x - 3)", "0.5 … 9", "1; 3"],
    ["ln(x) (x - 1)", "0.5 … 9", "1 twice"],
    ["x exp(x)", "…", "0"],
    ["5 exp(2x) exp(-3x) - 10", "…", "-0.693147 = -ln(2)"],
    ["-5 exp(2x) exp(-3x) - 10", "…", ""],
    ["cbrt(x) + 2", "…", "-8"],
    ["cbrt(x)", "…", "0"],
    ["cosh(x) - 0.5", "…", ""],
    ["tanh(x)", "…", "0"],
    // even and odd roots
    ["root(x^2 - 4, 4)", "2 … 9", "2 as an edge"],
    ["root(x, 5)", "…", "0"],
    ["root((x - 1)^2, 5)", "…", "1 as an edge"],
    ["root(x, 4) - 2", "0 …", "16"],
    ["root(x, 4) + 2", "0 …", ""],
    ["root(x, 5) + 2", "…", "-32"],
    ["root(exp(x) - 1, 5)", "…", "0"],
    ["root(exp(x) - 1, 4)", "0 …", "0 as an edge"],
    ["3 - root(exp(x) - 1, 4)", "0 …", "4.40672 = ln(82)"],
    // a power that moves in its exponent, or whose base is a number
    ["(2^x)^3", "…", ""],
    ["3^(x^2)", "…", ""],
    ["(x - 3)^pi", "3 … 9", "3 as an edge"],
    ["(x - 3)^(-pi)", "4 … 9", ""],
    // sums inside of one function, led back side by side
    ["exp(2 x + 1) - 5", "…", "0.304719 = (-1 + ln(5))/2"],
    ["exp(3 - x) - 5", "…", "1.39056 = 3 - ln(5)"],
    ["exp(-x) - 5", "…", "-1.60944 = -ln(5)"],
    ["exp(exp(x) - 1) - 5", "…", "0.959135 = ln(1 + ln(5))"],
    ["exp(1 - exp(x)) - 1/5", "…", "0.959135 = ln(1 + ln(5))"],
    ["exp(1 + exp(x)) - 50", "…", "1.06885 = ln(ln(50) - 1)"],
    ["sqrt(exp(2 x) - exp(x))", "0 …", "0 as an edge"],
    ["cbrt(exp(2 x) - exp(x))", "…", "0"],
    ["cbrt(exp(2 x) + exp(x))", "…", ""],
    ["sqrt(3 exp(x)) - 6", "…", "2.48491 = ln(12)"],
    ["sqrt(exp(x)/3) - 2", "…", "2.48491 = ln(12)"],
    ["sqrt(12/exp(x)) - 2", "…", "1.09861 = ln(3)"],
    ["sqrt(x ln(x)) ", "1 … 9", "1 as an edge"],
    ["cbrt(x ln(x)) - 0", "0.5 … 9", "1"],
    ["cbrt((exp(x) - 1)/x)", "1 … 9", ""],
    ["ln(-exp(x) + 3) - ln(2)", "… 1", "0"],
    ["(exp(x) - 2)^2 - 9", "…", "1.60944 = ln(5)"],
    // two exponentials with one another
    ["100*1.05^x - 50*1.08^x", "…", "24.6051 = ln(2)/ln(36/35)"],
    ["100*1.05^x + 50*1.08^x", "…", ""],
    ["exp(2x) - exp(x + 3)", "…", "3"],
    ["3 exp(2x) - 12 exp(x)", "…", "1.38629 = 2 ln(2)"],
    // what cancels, and what is the same in each term
    ["0 x + exp(x) - 2", "…", "0.693147 = ln(2)"],
    ["exp(2x) - 3 exp(x) + 2", "…", "0; 0.693147 = ln(2)"],
    ["x - 5 sqrt(x) + 6", "0 …", "4; 9"],
    ["ln(x)^2 - 2 ln(x) + 1", "1 … 9", "2.71828 = e twice"],
    ["exp(2x) + exp(x) + 1", "…", ""],
    ["tan(x)^2 - 3 tan(x) + 2", "0 … 1.5", "0.785398 = pi/4; 1.10715 = atan(2)"],
    ["log10(x)^2 - 3 log10(x) + 2", "1 … 200", "10; 100"],
    ["ln(x)^3 - ln(x)", "0.1 … 9", "0.367879 = exp(-1); 1; 2.71828 = e"],
    ["sin(x)^2 - 3 sin(x) + 2", "0 … 4", "1.5708 = pi/2 twice"],
    ["cos(2x) + 3 sin(x) - 2", "0 … 3", "0.523599 = pi/6; 1.5708 = pi/2 twice; 2.61799 = 5 pi/6"],
    ["sin(x)^2 + cos(x) - 1", "0.5 … 5", "1.5708 = pi/2; 4.71239 = 3 pi/2"],
    ["1/(x + 1) + 1/(x + 2) - 1.5", "0 … 9", "0"],
    ["sin(x)", "0 … 7", "0; 3.14159 = pi; 6.28319 = 2 pi"],
    ["sin(x) - 1", "0 … 7", "1.5708 = pi/2 twice"],
    ["cos(x) + 1", "0 … 7", "3.14159 = pi twice"],
    ["2 sin(x) - 1", "0 … 7", "0.523599 = pi/6; 2.61799 = 5 pi/6; 6.80678 = 13 pi/6"],
    ["2 cos(x) + 1", "0 … 7", "2.0944 = 2 pi/3; 4.18879 = 4 pi/3"],
    ["tan(x) - 1", "0 … 1.5", "0.785398 = pi/4"],
    ["sin(x) - 2", "0 … 7", ""],
    ["sin(2x)", "3 … 4", "3.14159 = pi"],
    ["cos(2x)", "0 … 3", "0.785398 = pi/4; 2.35619 = 3 pi/4"],
  ])("%s on %s: %s", (text, range, wanted) => {
    const found = zeros(text, range);
    expect(told(found)).toBe(wanted);
    expect(found.algebraic).toBe(!wanted.includes("open"));
    for (const z of found.zeros)
      expect([z.lo <= z.at, z.at <= z.hi, z.hi - z.lo < 1e-9 * (1 + Math.abs(z.at))]).toEqual([true, true, true]);
  });
});

describe("all zeros of a smooth expression, by enclosures", () => {
  it.each([
    ["exp(x) - x - 2", "-5 … 5", "-1.84141; 1.14619"],
    ["(exp(x) - 1)^(x^2)", "1 … 2", ""],
    ["sqrt(exp(x) + exp(2 x)) - sqrt(6)", "-9 … 9", "0.693147 = ln(2)"],
    ["sqrt(exp(2 x) - exp(x)) - sqrt(6)", "1 … 9", "1.09861 = ln(3)"],
    ["ln(exp(x)/(1 + exp(x))) + ln(2)", "-9 … 9", "0"],
    ["x exp(x) - 1", "-9 … 9", "0.567143"],
    ["cos(x) - x", "-9 … 9", "0.739085"],
    ["4^x - 6*2^x + 8", "0 … 9", "1; 2"],
    ["exp(x) - x - 1", "-5 … 5", "0 twice"],
    ["sin(x) - x", "-5 … 5", "0 3-fold"],
    ["cos(x) - 1 + x^2/2", "-3 … 3", "0 4-fold"],
    ["exp(x) - x", "-5 … 5", ""],
    ["exp(x)/(x + 1) - exp(x)/3", "0 … 9", "2"],
    // close pairs, and close misses
    ["exp(x) - x - 1.000001", "-5 … 5", "-0.00141455; 0.00141388"],
    ["exp(x) - x - 0.999999", "-5 … 5", ""],
    ["ln(x) + x", "0.001 … 9", "0.567143"],
    ["x + sin(x) - pi", "0 … 9", "3.14159 = pi 3-fold"],
    ["1000*1.05^x - 1000 - 80 x", "1 … 90", "18.8376"],
  ])("%s on %s: %s", (text, range, wanted) => {
    const found = zeros(text, range);
    expect(told(found)).toBe(wanted);
    expect(found.algebraic).toBe(false);
  });

  it("work that is used up leaves the whole open, and what is left is told", () => {
    expect(told(zeros("exp(x) - x - 2", "-5 … 5", 0))).toBe("open -5–5");
    const few = zeros("exp(x) - x + 2 sin(5 x)", "-5 … 5", 1);
    expect(few.open.length).toBeGreaterThan(0);
    // Algebra needs no boxes.
    expect(told(zeros("exp(x) - 2", "-5 … 5", 0))).toBe("0.693147 = ln(2)");
    const budget = { boxes: 1000 };
    zeros("exp(x) - x - 2", "-5 … 5", budget);
    expect(budget.boxes).toBeLessThan(1000 - 15);
    expect(budget.boxes).toBeGreaterThan(500);
    const cheap = { boxes: 1000 };
    zeros("x^2 - 4", "-5 … 5", cheap);
    expect(cheap.boxes).toBe(998);
    const algebra = { boxes: 1000 };
    zeros("exp(x) - 2", "-5 … 5", algebra);
    expect(algebra.boxes).toBe(984);
  });
});
