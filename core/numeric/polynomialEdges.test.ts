import { describe, expect, it } from "vitest";
import { isPurePower, powerRoots, quadraticRoots } from "./closedRoots";
import { ratio, rationalText } from "./rational";
import {
  add,
  antiderivative,
  constant,
  derivative,
  divide,
  gcd,
  multiply,
  negate,
  primitive,
  scale,
  squareFree,
  subtract,
  trim,
  valueAt,
  type Polynomial,
} from "./polynomial";

const p = (...c: (number | [number, number])[]): Polynomial =>
  trim(c.map((v) => (typeof v === "number" ? ratio(v) : ratio(v[0], v[1]))));
const texts = (q: Polynomial) => q.map(rationalText);

describe("polynomials by their coefficients", () => {
  it("sums, multiples and products drop what is 0 at the top", () => {
    expect(texts(add(p(1, 2), p(0, -2)))).toEqual(["1"]);
    expect(texts(add(p(1), p(0, 0, 3)))).toEqual(["1", "0", "3"]);
    expect(texts(subtract(p(1, 2), p(1, 2)))).toEqual([]);
    expect(texts(negate(p(1, -2)))).toEqual(["-1", "2"]);
    expect(texts(scale(p(1, 2), ratio(0)))).toEqual([]);
    expect(texts(scale(p(1, 2), ratio(1, 2)))).toEqual(["1/2", "1"]);
    expect(texts(multiply(p(1, 1), p(-1, 1)))).toEqual(["-1", "0", "1"]);
    expect(texts(multiply(p(), p(1, 1)))).toEqual([]);
    expect(texts(multiply(p(1, 1), p()))).toEqual([]);
    expect([texts(constant(ratio(0))), texts(constant(ratio(3)))]).toEqual([[], ["3"]]);
  });
  it("slopes and what undoes them", () => {
    expect(texts(derivative(p(5, 3, 4)))).toEqual(["3", "8"]);
    expect(texts(derivative(p(5)))).toEqual([]);
    expect(texts(antiderivative(p(5, 3, 4)))).toEqual(["0", "5", "3/2", "4/3"]);
    expect(texts(antiderivative(p()))).toEqual([]);
    expect(rationalText(valueAt(p(1, [1, 2], 3), ratio(2)))).toBe("14");
    expect(rationalText(valueAt(p(), ratio(2)))).toBe("0");
  });
  it("quotients and remainders", () => {
    // x³ − 1 = (x − 1)(x² + x + 1); x² + 1 = (2x − 2)(x/2 + 1/2) + 2
    const whole = divide(p(-1, 0, 0, 1), p(-1, 1));
    expect([texts(whole.quotient), texts(whole.remainder)]).toEqual([["1", "1", "1"], []]);
    const rest = divide(p(1, 0, 1), p(-2, 2));
    expect([texts(rest.quotient), texts(rest.remainder)]).toEqual([["1/2", "1/2"], ["2"]]);
    const low = divide(p(1, 2), p(1, 0, 1));
    expect([texts(low.quotient), texts(low.remainder)]).toEqual([[], ["1", "2"]]);
    expect(() => divide(p(1), p())).toThrow("division by the zero polynomial");
  });
  it("whole coefficients without a common factor, of the same sign", () => {
    expect(primitive(p([1, 2], [-1, 3]))).toEqual([3n, -2n]);
    expect(primitive(p(-4, -6))).toEqual([-2n, -3n]);
    expect(primitive(p(3, 5))).toEqual([3n, 5n]);
    expect(primitive(p())).toEqual([]);
  });
  it("what two share, with leading coefficient 1", () => {
    expect(texts(gcd(p(-2, 2), p(-1, 0, 1)))).toEqual(["-1", "1"]);
    expect(texts(gcd(p(-1, 0, 1), p(-2, 2)))).toEqual(["-1", "1"]);
    expect(texts(gcd(p(1, 1), p(2, 1)))).toEqual(["1"]);
    expect(texts(gcd(p(), p(2, 4)))).toEqual(["1/2", "1"]);
    expect(texts(gcd(p(), p()))).toEqual([]);
  });
  it("square-free factors and how often each is there", () => {
    const told = (q: Polynomial) => squareFree(q).map((f) => [texts(f.factor), f.multiplicity]);
    // (x − 1)² (x + 2) = x³ − 3x + 2
    expect(told(p(2, -3, 0, 1))).toEqual([
      [["2", "1"], 1],
      [["-1", "1"], 2],
    ]);
    // up to a constant
    expect(told(p(0, 0, 0, 4))).toEqual([[["0", "4"], 3]]);
    expect(told(p(1, 0, 1))).toEqual([[["1", "0", "1"], 1]]);
    expect(told(p(3))).toEqual([]);
  });
});

describe("roots in closed form", () => {
  const told = (roots: ReturnType<typeof quadraticRoots>) =>
    roots.map((r) => [Number(r.at.toPrecision(12)), r.multiplicity, r.exact && rationalText(r.exact)]);
  it.each<[Polynomial, (number | string | null)[][]]>([
    [
      p(6, -5, 1),
      [
        [2, 1, "2"],
        [3, 1, "3"],
      ],
    ],
    [
      p(-6, 5, -1),
      [
        [2, 1, "2"],
        [3, 1, "3"],
      ],
    ],
    [p(1, -2, 1), [[1, 2, "1"]]],
    [p(1, 0, 1), []],
    [
      p(-2, 0, 1),
      [
        [-1.41421356237, 1, null],
        [1.41421356237, 1, null],
      ],
    ],
    [p([1, 4], -1, 1), [[0.5, 2, "1/2"]]],
  ])("of the quadratic %o", (q, wanted) => expect(told(quadraticRoots(q))).toEqual(wanted));
  it.each<[Polynomial, (number | string | null)[][]]>([
    [p(-8, 0, 0, 1), [[2, 1, "2"]]],
    [p(8, 0, 0, 1), [[-2, 1, "-2"]]],
    [p(8, 0, 0, -1), [[2, 1, "2"]]],
    [p(-2, 0, 0, 1), [[1.25992104989, 1, null]]],
    [
      p(-16, 0, 0, 0, 1),
      [
        [-2, 1, "-2"],
        [2, 1, "2"],
      ],
    ],
    [p(16, 0, 0, 0, 1), []],
    [
      p(-3, 0, 0, 0, 1),
      [
        [-1.316074013, 1, null],
        [1.316074013, 1, null],
      ],
    ],
    [p([-1, 8], 0, 0, 1), [[0.5, 1, "1/2"]]],
  ])("of the power %o", (q, wanted) => {
    expect(isPurePower(q)).toBe(true);
    expect(
      told(powerRoots(q).map((r) => ({ ...r, at: Number(r.at.toPrecision(10)) + 0 }))).map(([at, ...r]) => [
        Number(Number(at).toPrecision(9)),
        ...r,
      ]),
    ).toEqual(wanted.map(([at, ...r]) => [Number(Number(at).toPrecision(9)), ...r]));
    for (const r of powerRoots(q)) {
      expect(r.lo <= r.at && r.at <= r.hi).toBe(true);
      if (r.exact === null) expect(r.hi - r.lo).toBeLessThan(1e-15);
    }
  });
  it.each<[Polynomial, boolean]>([
    [p(-2, 0, 1), false],
    [p(0, 0, 0, 1), false],
    [p(-2, 1, 0, 1), false],
    [p(-2, 0, 0, 1), true],
  ])("%o is a pure power: %s", (q, wanted) => expect(isPurePower(q)).toBe(wanted));
});
