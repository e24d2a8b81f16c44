import { describe, expect, it } from "vitest";
import { exactForms, rationalZeros } from "./polynomialZeros";
import { polynomialForm, rationalForm } from "./rationalForm";
import { formulaOf, sixDigits, stretchOf } from "./reading.fixture";
import { EVERYWHERE, NONE } from "./zeroSet";

/** `-1.41421 = -sqrt(2); 3 twice`, `everywhere`, `?` for what is no quotient of polynomials, or too long for one. */
function told(text: string, range = "…"): string {
  const found = rationalZeros(formulaOf(text), stretchOf(range));
  if (found === null) return "?";
  if (found === EVERYWHERE) return "everywhere";
  expect([found.open, found.everywhere, found.algebraic]).toEqual([[], false, true]);
  const order = (m: number | null) => (m === 1 ? "" : m === 2 ? " twice" : ` ${m}-fold`);
  return found.zeros
    .map((z) => {
      const name = z.exact && z.exact.text !== sixDigits(z.at) ? ` = ${z.exact.text}` : "";
      return `${sixDigits(z.at)}${name}${order(z.multiplicity)}`;
    })
    .join("; ");
}

describe("zeros of quotients of polynomials", () => {
  it.each([
    ["5", ""],
    ["0 x", "everywhere"],
    ["x - x", "everywhere"],
    ["exp(x)", "?"],
    ["3 x - 1", "0.333333 = 1/3"],
    ["x^2 - 2", "-1.41421 = -sqrt(2); 1.41421 = sqrt(2)"],
    ["x^2 - 4", "-2; 2"],
    ["x^2 + 2", ""],
    ["(x - 3)^2", "3 twice"],
    // what cancels is no zero
    ["(x^2 - 4)/(x - 2)", "-2"],
    ["(x^2 - 4)^2/(x - 2)", "-2 twice"],
    ["(x - 2)^3/(x - 2)^2", ""],
    ["(x^2 - 1)/(x^2 - 2)", "-1; 1"],
    ["0/(x - 2)", "everywhere"],
    ["1/x - 1/(x + 1) - 1/6", "-3; 2"],
    // a parabola left after fractions, in any power of x
    ["(x - 1) (x^2 - 2)", "-1.41421 = -sqrt(2); 1; 1.41421 = sqrt(2)"],
    ["(x - 1) (x - 2) (x^2 - 3)", "-1.73205 = -sqrt(3); 1; 1.73205 = sqrt(3); 2"],
    ["(x^2 - 2)^2", "-1.41421 = -sqrt(2) twice; 1.41421 = sqrt(2) twice"],
    ["(x^2 - 2)^2 (x - 1)", "-1.41421 = -sqrt(2) twice; 1; 1.41421 = sqrt(2) twice"],
    // pure powers
    ["x^3 - 2", "1.25992 = cbrt(2)"],
    ["x^3 + 2", "-1.25992 = -cbrt(2)"],
    ["x^4 - 2", "-1.18921 = -root(2, 4); 1.18921 = root(2, 4)"],
    ["x^5 + 3", "-1.24573 = -root(3, 5)"],
    ["x^6 - 5", "-1.30766 = -root(5, 6); 1.30766 = root(5, 6)"],
    [
      "x^4 - 3 x^2 + 1",
      "-1.61803 = -sqrt((3 + sqrt(5))/2); -0.618034 = -sqrt((3 - sqrt(5))/2); " +
        "0.618034 = sqrt((3 - sqrt(5))/2); 1.61803 = sqrt((3 + sqrt(5))/2)",
    ],
    ["x^4 - x^2 - 1", "-1.27202 = -sqrt((1 + sqrt(5))/2); 1.27202 = sqrt((1 + sqrt(5))/2)"],
    ["x^6 - x^3 - 1", "-0.8518 = -cbrt((sqrt(5) - 1)/2); 1.17398 = cbrt((1 + sqrt(5))/2)"],
    // none that school algebra names
    ["x^3 - x - 1", "1.32472"],
    ["x^5 - x - 1", "1.1673"],
  ])("%s: %s", (text, wanted) => expect(told(text)).toBe(wanted));

  it.each([
    // of lines and parabolas, what lies on the range, its ends with it
    ["x^2 - 4", "-2 … 2", "-2; 2"],
    ["x^2 - 4", "-1.9 … 2", "2"],
    ["x^2 - 4", "-2 … 1.9", "-2"],
    ["x^2 - 4", "2 …", "2"],
    ["x^2 - 4", "… -2", "-2"],
    ["x^2 - 4", "3 …", ""],
    ["x^2 - 4", "… -3", ""],
    ["x^2 - 2", "1 … 2", "1.41421 = sqrt(2)"],
    ["x^2 - 2", "-1 … 1", ""],
    ["x^2 - 2", "… 1", "-1.41421 = -sqrt(2)"],
    // an end that doubles cannot tell from the zero
    ["x^2 - 2", "1.4142135623730950488 … 2", "1.41421 = sqrt(2)"],
    ["x^2 - 2", "1.4142135623730950489 … 2", ""],
    ["x^2 - 2", "1 … 1.4142135623730950488", ""],
    ["x^2 - 2", "1 … 1.4142135623730950489", "1.41421 = sqrt(2)"],
    ["x^3 - x", "0.5 … 3", "1"],
    ["x^3 - x", "-1 … 0", "-1; 0"],
    ["3 x - 1", "1/3 … 1", "0.333333 = 1/3"],
    ["3 x - 1", "0.3334 … 1", ""],
  ])("%s on %s: %s", (text, range, wanted) => expect(told(text, range)).toBe(wanted));

  it("what is asked again on another range is not solved again, and a number alone has none", () => {
    const e = formulaOf("x^2 - 2");
    const first = rationalZeros(e, stretchOf("0 … 5"))!.zeros[0]!;
    const second = rationalZeros(e, stretchOf("0 … 9"))!.zeros[0]!;
    expect([second.lo, second.hi]).toEqual([first.lo, first.hi]);
    expect(rationalZeros(formulaOf("7"), stretchOf("…"))).toBe(NONE);
  });
  it("polynomials that would take long to part are left to enclosures", () => {
    expect(told("(x - 1)^20 - 3")).not.toBe("?");
    expect(told("(x + 1.234567891234)^40 - 3.3333333331")).toBe("?");
  });
  it("closed forms are found by the bounds of a root", () => {
    const forms = exactForms(polynomialForm(formulaOf("x^2 - 2"))!);
    expect([forms(1.4, 1.5)?.text, forms(-1.5, -1.4)?.text, forms(0, 1)]).toEqual(["sqrt(2)", "-sqrt(2)", null]);
    expect(rationalForm(formulaOf("1/x"))!.divisors).toHaveLength(1);
  });
});
