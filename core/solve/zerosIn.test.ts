import { describe, expect, it } from "vitest";
import { ratio } from "../numeric";
import { doubtful, formulaOf, rangeOf, sixDigits } from "./reading.fixture";
import { spotOfConstant, spotOfRational } from "./spot";
import { FunctionTable } from "./table";
import { hullOf, innerPoints, signIn, zerosIn, type Between } from "./zerosIn";

const table = new FunctionTable();

/** `1; 2 twice`, `everywhere`, and what is left open, of the zeros strictly inside. */
function told(text: string, between: Between, boxes = 20_000): string {
  const { zeros, everywhere, open } = zerosIn(doubtful(text), between, table, { boxes });
  if (everywhere) return "everywhere";
  return [
    ...zeros.map(({ spot, multiplicity: m }) => `${sixDigits(spot.at)}${m === 1 ? "" : m === 2 ? " twice" : ` ${m}`}`),
    ...open.map((o) => (o.hi - o.lo < 1e-3 ? `open near ${sixDigits(o.lo)}` : `open ${o.lo} to ${o.hi}`)),
  ].join("; ");
}
const between = (from: string, to: string): Between => ({
  from: from === "" ? null : spotOfConstant(formulaOf(from)),
  to: to === "" ? null : spotOfConstant(formulaOf(to)),
});

describe("zeros strictly inside a stretch", () => {
  it.each([
    ["x - 2", "0 … 4", "2"],
    ["x^2 - 4", "-2 … 2", ""],
    ["x^2 - 4", "-3 … 2", "-2"],
    ["x^2 - 4", "-2 … 3", "2"],
    ["x^2 - 4", "-3 … 3", "-2; 2"],
    ["(x - 1)^2", "0 … 3", "1 twice"],
    ["x - x", "0 … 3", "everywhere"],
    ["5", "0 … 3", ""],
    ["3 - 3", "0 … 3", "everywhere"],
    ["D", "0 … 3", "open 0 to 3"],
    ["D", "0 …", "open 0 to Infinity"],
    ["sin(x)", "0 … 7", "3.14159; 6.28319"],
    ["exp(x) - x - 2", "-5 … 5", "-1.84141; 1.14619"],
    // a zero of order 6, and one without a value, at an end that is not 0: t⁶/3 and t⁵/3 beside it
    ["atan((x - 3)^2) - (x - 3)^2", "3 … 30", ""],
    ["atan((x - 3)^2)/(x - 3) - (x - 3)", "3 … 30", ""],
    ["atan((x - 3)^2)/(x - 3) - (x - 3)", "3 …", ""],
    ["atan((x - 3)^2)/(x - 3) - (x - 3)", "… 3", ""],
    // without end: by algebra, or with a tail that is proven free
    ["x^3 - x", "…", "-1; 0; 1"],
    ["x^3 - x", "0 …", "1"],
    ["x^3 - x", "… 0", "-1"],
    ["exp(x) - 2", "…", "0.693147"],
    ["exp(x) - x - 2", "…", "-1.84141; 1.14619"],
    ["exp(x) - x - 2", "0 …", "1.14619"],
    ["exp(x) - x - 2", "… 0", "-1.84141"],
    ["ln(x) - x + 3", "1 …", "4.50524"],
    ["exp(-x) + x - 3", "2 …", "2.94753"],
    ["x exp(-x) - 0.1", "1 …", "3.57715"],
    // far out nothing is told, where nothing tells that D is 0: as far as was looked, the rest is settled
    ["x + D x^2", "1 …", "open 1025 to Infinity"],
    ["x + D x^2", "… -1", "open -Infinity to -1025"],
    ["x + 3 + D x^2", "…", "-3; open -Infinity to -1024; open 1024 to Infinity"],
    ["x^2 - 5 + D x^4", "…", "-2.23607; 2.23607; open -Infinity to -1024; open 1024 to Infinity"],
  ])("of %s on %s: %s", (text, range, wanted) => expect(told(text, rangeOf(range))).toBe(wanted));

  it.each([
    // ends without a decimal: a zero at one is not inside
    ["x^2 - 2", "0", "sqrt(2)", ""],
    ["x^2 - 2", "0", "sqrt(3)", "1.41421"],
    ["x^2 - 2", "sqrt(2)", "5", ""],
    ["x^2 - 3", "sqrt(2)", "sqrt(5)", "1.73205"],
    ["sin(x)", "pi", "3 pi", "6.28319"],
    ["exp(x) - 2", "ln(2)", "", ""],
    ["exp(x) - 2", "", "ln(2)", ""],
    ["exp(x) - 2", "ln(1.9)", "", "0.693147"],
  ])("of %s between %s and %s: %s", (text, from, to, wanted) => expect(told(text, between(from, to))).toBe(wanted));

  it("a zero that comes close to an end is at it, inside, or unclear", () => {
    // e^x − 1 − x is 0 at 0 alone; just beside it the leading term x²/2 tells that nothing is near
    expect(told("exp(x) - 1 - x", between("0", "1"))).toBe("");
    expect(told("exp(x) - 1 - x", between("-1", "0"))).toBe("");
    expect(told("(exp(x) - 1 - x) (x - 1/2)", between("0", "1"))).toBe("0.5");
    // within rounding of the end, on a side that is not told
    expect(told("exp(x - 1) - x + 1e-17", between("1", "3"))).toBe("open near 1");
    expect(told("exp(x - 1) - x + 1e-17", between("0", "1"))).toBe("open near 1");
  });

  it("without work nothing is told but what one look tells", () => {
    expect(told("exp(x) - x - 2", rangeOf("-5 … 5"), 0)).toBe("open -5 to 5");
    expect(told("exp(x) + 1", rangeOf("-5 … 5"), 0)).toBe("");
    expect(told("x - 2", rangeOf("0 …"), 0)).toBe("open 0 to Infinity");
  });
});

describe("points and signs within a stretch", () => {
  const points = (range: string) => innerPoints(rangeOf(range)).map((x) => Number(x.toPrecision(4)));
  it("points lie strictly inside, the middle first; without an end they go outwards from the other", () => {
    expect(points("0 … 10")).toEqual([5, 3.71, 7.13, 1.1, 9.3, 0.2]);
    expect(points("4 …")).toEqual([9, 7.71, 11.13, 5.1, 13.3, 4.2]);
    expect(points("… 4")).toEqual([-1, 0.29, -3.13, 2.9, -5.3, 3.8]);
    expect(points("…")).toEqual([0.25, 0.121, 0.463, -0.14, 0.68, -0.23]);
    expect(points("3 … 3")).toEqual([]);
    expect(hullOf(rangeOf("…"))).toEqual({ lo: -Infinity, hi: Infinity });
    expect(hullOf({ from: spotOfRational(ratio(1)), to: null })).toEqual({ lo: 1, hi: Infinity });
  });
  it.each([
    ["x - 2", "2 … 5", 1],
    ["x - 2", "0 … 2", -1],
    ["x^2", "0 …", 1],
    ["-x^2", "… 0", -1],
    ["exp(x)", "…", 1],
    ["x - x", "0 … 1", null],
    ["D", "0 … 1", null],
    // rounding hides the sign at the middle, an exact look finds it
    ["(x - 1)^3 + 1e-40", "0.999 … 1.001", 1],
  ])("the sign of %s on %s is %s", (text, range, wanted) =>
    expect(signIn(doubtful(text), rangeOf(range), table)).toBe(wanted),
  );
});
