import { describe, expect, it } from "vitest";
import fc from "fast-check";
import { Enclosure } from "../interval";
import { rationalOfDouble, rationalOfTyped, ZERO, type Rational } from "../numeric";
import { compileNumber, compileSeries, differentiate, resolve, variableSeries, type Expression } from ".";

const formula = (text: string): Expression =>
  resolve(text, { variable: "x", givens: new Map(), functions: new Map() } as never).expression!;
const none = () => null;
const numbers = (e: Expression) => compileNumber(e, () => () => NaN);
const at = (text: string, lo: number, hi = lo, order = 6) =>
  compileSeries(formula(text), none)(variableSeries(new Enclosure(lo, hi), order));

describe("Taylor series", () => {
  // Coefficients from the definitions: e^x: 1/k!; ln(1 + x): ±1/k; (1 + x)^(1/2): 1, 1/2, −1/8, 1/16, −5/128,
  // 7/256; 1/(1 − x): all 1.
  it.each([
    ["exp(x)", [1, 1, 1 / 2, 1 / 6, 1 / 24, 1 / 120]],
    ["ln(1 + x)", [0, 1, -1 / 2, 1 / 3, -1 / 4, 1 / 5]],
    ["sqrt(1 + x)", [1, 1 / 2, -1 / 8, 1 / 16, -5 / 128, 7 / 256]],
    ["1/(1 - x)", [1, 1, 1, 1, 1, 1]],
    ["sin(x)", [0, 1, 0, -1 / 6, 0, 1 / 120]],
    ["cos(x)", [1, 0, -1 / 2, 0, 1 / 24, 0]],
    ["tan(x)", [0, 1, 0, 1 / 3, 0, 2 / 15]],
    ["atan(x)", [0, 1, 0, -1 / 3, 0, 1 / 5]],
    ["asin(x)", [0, 1, 0, 1 / 6, 0, 3 / 40]],
    ["sinh(x)", [0, 1, 0, 1 / 6, 0, 1 / 120]],
    ["2^x", [1, Math.LN2, Math.LN2 ** 2 / 2]],
    ["(1 + x)^-2", [1, -2, 3, -4, 5, -6]],
    ["cbrt(1 + x)", [1, 1 / 3, -1 / 9, 5 / 81]],
    ["(1 + x)^x", [1, 0, 1, -1 / 2, 5 / 6]],
  ] as const)("%s", (text, wanted) => {
    const series = at(text, 0)!;
    wanted.forEach((w, k) => {
      expect(series[k]!.lo).toBeLessThanOrEqual(w + 1e-15);
      expect(series[k]!.hi).toBeGreaterThanOrEqual(w - 1e-15);
      expect(series[k]!.hi - series[k]!.lo).toBeLessThan(1e-12);
    });
  });
  it.each([
    ["1/x", -1, 1],
    ["abs(x)", -1, 1],
    ["sqrt(x)", 0, 1],
    ["ln(x)", -1, 2],
    ["floor(x)", 0.5, 1.5],
    ["max(x, 1)", 0, 2],
    ["tan(x)", 1, 2],
  ])("%s has none on %f … %f", (text, lo, hi) => {
    expect(at(text, lo, hi)).toBeNull();
  });
  it("holds the slopes at every place of the box", () => {
    const texts = [
      "exp(-x/3) sin(2 x)",
      "20/(1 + exp(3 - x))",
      "x^3 ln(x + 2)",
      "sqrt(x + 1)/(x + 4)",
      "atan(x^2)",
      "cosh(x/4) - x^5",
      "(x + 1)^1.7",
      "log10(x + 3) cbrt(x + 2)",
    ];
    fc.assert(
      fc.property(
        fc.constantFrom(...texts),
        fc.double({ min: 0, max: 4, noNaN: true }),
        fc.double({ min: 0, max: 0.5, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (text, lo, wide, share) => {
          const series = at(text, lo, lo + wide, 3)!;
          let e = formula(text);
          const x = lo + wide * share;
          for (let k = 0, factorial = 1; k <= 3; k++, factorial *= k) {
            const value = numbers(e)(x) / factorial;
            expect(series[k]!.lo - Math.abs(value) * 1e-10 - 1e-12).toBeLessThanOrEqual(value);
            expect(series[k]!.hi + Math.abs(value) * 1e-10 + 1e-12).toBeGreaterThanOrEqual(value);
            e = differentiate(e);
          }
        },
      ),
    );
  });
  // Against fractions: (a x + b)(c x + d) has the coefficients of the product at p; (a x + b)/(c x + d) = w₀, then
  // w_k = −c/D w_(k−1), with a/D added once, D = c p + d.
  const coefficient = fc
    .oneof(fc.integer({ min: -99, max: 99 }), fc.double({ min: -1e3, max: 1e3, noNaN: true }))
    .filter((v) => Math.abs(v) > 1e-6);
  const text = (v: number) => `(${String(v).replace(/e(.*)$/, "*10^($1)")})`;
  const exact = (v: number): Rational => rationalOfTyped(v)!;
  const holds = (e: Enclosure, v: Rational) => {
    const isHeld = rationalOfDouble(e.lo).compare(v) <= 0 && rationalOfDouble(e.hi).compare(v) >= 0;
    // To write a fraction out takes longer than to compare it.
    if (!isHeld) expect.fail(`${v.toFraction()} is not in ${e.lo} … ${e.hi}`);
  };
  it("products and quotients hold their exact coefficients", () =>
    fc.assert(
      fc.property(
        coefficient,
        coefficient,
        coefficient,
        coefficient,
        fc.double({ min: -5, max: 5, noNaN: true }),
        (a, b, c, d, p) => {
          const [A, B, C, D, P] = [exact(a), exact(b), exact(c), exact(d), rationalOfDouble(p)];
          const [u, v] = [A.mul(P).add(B), C.mul(P).add(D)];
          const product = at(`(${text(a)} x + ${text(b)})*(${text(c)} x + ${text(d)})`, p)!;
          [u.mul(v), A.mul(v).add(u.mul(C)), A.mul(C), ZERO].forEach((w, k) => {
            holds(product[k]!, w);
          });
          const quotient = at(`(${text(a)} x + ${text(b)})/(${text(c)} x + ${text(d)})`, p);
          if (!quotient) return;
          let w = u.div(v);
          for (let k = 0; k <= 6; k++) {
            holds(quotient[k]!, w);
            w = k === 0 ? A.sub(w.mul(C)).div(v) : w.mul(C).neg().div(v);
          }
        },
      ),
      { numRuns: 500 },
    ));
  it("whole powers hold their exact coefficients, and stay narrow", () =>
    fc.assert(
      fc.property(
        coefficient,
        coefficient,
        fc.integer({ min: 2, max: 6 }),
        fc.integer({ min: -3, max: 3 }),
        (a, b, n, p) => {
          const series = at(`(${text(a)} x + ${text(b)})^${n}`, p)!;
          const [A, u] = [exact(a), exact(a).mul(p).add(exact(b))];
          let choose = 1;
          for (let k = 0; k <= 6; k++) {
            const wanted =
              k > n
                ? ZERO
                : A.pow(k)!
                    .mul(u.pow(n - k)!)
                    .mul(choose);
            holds(series[k]!, wanted);
            choose = (choose * (n - k)) / (k + 1);
          }
          // Nothing cancels inside a coefficient here, so that the bounds are as narrow as the roundings.
          const size = (k: number) => Math.abs(a) ** k * (Math.abs(a * p) + Math.abs(b)) ** (n - k) * 64;
          for (let k = 0; k <= n; k++) expect(series[k]!.hi - series[k]!.lo).toBeLessThanOrEqual(size(k) * 1e-13);
        },
      ),
      { numRuns: 200 },
    ));
});
