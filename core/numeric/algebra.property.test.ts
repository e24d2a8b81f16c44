import { describe, expect, it } from "vitest";
import fc from "fast-check";
import {
  ONE,
  ZERO,
  ceiling,
  floorOf,
  integerPower,
  isInteger,
  isolateRealRoots,
  poly,
  ratio,
  rationalOfDecimal,
  rationalRoot,
  rationalText,
  signOf,
  simplestBetween,
  toDouble,
  type Polynomial,
  type Rational,
} from "./index";

const fraction = fc
  .tuple(fc.integer({ min: -50, max: 50 }), fc.integer({ min: 1, max: 12 }))
  .map(([n, d]) => ratio(n, d));
const polynomial = fc.array(fraction, { maxLength: 5 }).map((c) => poly.trim([...c]));
const nonzero = polynomial.filter((p) => p.length > 0);
const same = (a: Polynomial, b: Polynomial) => poly.subtract(a, b).length === 0;
const divides = (d: Polynomial, p: Polynomial) => poly.divide(p, d).remainder.length === 0;
const power = (p: Polynomial, n: number): Polynomial => (n === 0 ? [ONE] : poly.multiply(p, power(p, n - 1)));

describe("fractions", () => {
  it("floor and ceiling are the whole numbers around", () =>
    fc.assert(
      fc.property(fraction, (r) => {
        const [lo, hi] = [floorOf(r), ceiling(r)];
        expect(isInteger(lo) && isInteger(hi) && lo.compare(r) <= 0 && hi.compare(r) >= 0).toBe(true);
        expect(hi.sub(lo).compare(isInteger(r) ? ZERO : ONE)).toBe(0);
      }),
    ));
  it("what is written is read back", () =>
    fc.assert(
      fc.property(fraction, (r) => {
        const [n, d = "1"] = rationalText(r).split("/");
        expect(rationalOfDecimal(n!)!.div(rationalOfDecimal(d)!).compare(r)).toBe(0);
      }),
    ));
  it("a power and its root undo each other; there is none without one", () =>
    fc.assert(
      fc.property(fraction, fc.integer({ min: 2, max: 5 }), (r, k) => {
        const raised = integerPower(r.abs(), k)!;
        expect(rationalRoot(raised, k)!.compare(r.abs())).toBe(0);
        const root = rationalRoot(raised.add(ONE), k);
        if (root) expect(integerPower(root, k)!.compare(raised.add(ONE))).toBe(0);
        if (signOf(r) !== 0) expect(integerPower(r, -k)!.mul(integerPower(r, k)!).compare(ONE)).toBe(0);
        else expect(integerPower(r, -k)).toBeNull();
      }),
    ));
  it("the simplest between two lies between them, and no fraction of smaller terms does", () =>
    fc.assert(
      fc.property(fraction, fraction, (a, b) => {
        if (a.compare(b) === 0) return;
        const [lo, hi] = a.compare(b) < 0 ? [a, b] : [b, a];
        const best = simplestBetween(lo, hi);
        expect(best.compare(lo) >= 0 && best.compare(hi) <= 0).toBe(true);
        for (let d = 1; d < Number(best.d); d++)
          expect(
            Number(ceiling(lo.mul(d)).valueOf()),
            `${lo.toFraction()} … ${hi.toFraction()}: over ${d}`,
          ).toBeGreaterThan(Number(floorOf(hi.mul(d)).valueOf()));
      }),
    ));
});

describe("polynomials", () => {
  it("the slope of a product, and what undoes a slope", () =>
    fc.assert(
      fc.property(polynomial, polynomial, (p, q) => {
        expect(
          same(
            poly.derivative(poly.multiply(p, q)),
            poly.add(poly.multiply(poly.derivative(p), q), poly.multiply(p, poly.derivative(q))),
          ),
        ).toBe(true);
        expect(same(poly.derivative(poly.antiderivative(p)), p)).toBe(true);
      }),
    ));
  it("values of sums, products and multiples are those of the values", () =>
    fc.assert(
      fc.property(polynomial, polynomial, fraction, fraction, (p, q, k, x) => {
        const [u, v] = [poly.valueAt(p, x), poly.valueAt(q, x)];
        for (const [made, wanted] of [
          [poly.add(p, q), u.add(v)],
          [poly.multiply(p, q), u.mul(v)],
          [poly.scale(p, k), u.mul(k)],
          [poly.negate(p), u.neg()],
        ] as const)
          expect(poly.valueAt(made, x).compare(wanted)).toBe(0);
      }),
    ));
  it("the sign at a fraction, found in whole numbers, is that of the value", () =>
    fc.assert(
      fc.property(polynomial, fraction, (p, x) => {
        expect(poly.signAt(poly.primitive(p), BigInt(x.n as bigint) * BigInt(x.s as bigint), x.d as bigint)).toBe(
          signOf(poly.valueAt(p, x)),
        );
      }),
    ));
  it("the greatest common divisor divides both, and every common factor divides it", () =>
    fc.assert(
      fc.property(nonzero, nonzero, nonzero, (p, q, shared) => {
        const [a, b] = [poly.multiply(p, shared), poly.multiply(q, shared)];
        const d = poly.gcd(a, b);
        expect(divides(d, a) && divides(d, b) && divides(shared, d)).toBe(true);
        expect(d[d.length - 1]!.compare(ONE)).toBe(0);
      }),
    ));
  it("square-free factors share nothing with each other nor with their slopes", () =>
    fc.assert(
      fc.property(nonzero, nonzero, fc.integer({ min: 1, max: 3 }), fc.integer({ min: 1, max: 3 }), (p, q, m, n) => {
        const factors = poly.squareFree(poly.multiply(power(p, m), power(q, n)));
        factors.forEach(({ factor }, i) => {
          expect(poly.degree(poly.gcd(factor, poly.derivative(factor)))).toBe(0);
          factors.slice(i + 1).forEach((other) => {
            expect(poly.degree(poly.gcd(factor, other.factor))).toBe(0);
          });
        });
      }),
      { numRuns: 60 },
    ));
});

describe("real roots", () => {
  /** x² + b x + c without real roots, or with two irrational ones. */
  const quadratic = fc
    .tuple(fc.integer({ min: -6, max: 6 }), fc.integer({ min: -9, max: 9 }))
    .filter(([b, c]) => !Number.isInteger(Math.sqrt(b * b - 4 * c)));
  it("between them the sign does not change, and at each it changes as its multiplicity says", () =>
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fraction, fc.integer({ min: 1, max: 3 })), { maxLength: 3 }),
        fc.array(quadratic, { maxLength: 2 }),
        (roots, quadratics) => {
          const p = quadratics.reduce(
            (q, [b, c]) => poly.multiply(q, [ratio(c), ratio(b), ONE]),
            roots.reduce<Polynomial>((q, [r, m]) => poly.multiply(q, power([r.neg(), ONE], m)), [ratio(2)]),
          );
          const found = isolateRealRoots(p, null, null);
          const bound = ratio(poly.rootBound(p));
          for (const r of found) expect(Math.abs(r.at)).toBeLessThanOrEqual(toDouble(bound));
          const total = found.reduce((n, r) => n + r.multiplicity, 0);
          const irrational = new Set(quadratics.filter(([b, c]) => b * b > 4 * c).map(String));
          expect(total).toBe(
            roots.reduce((n, [, m]) => n + m, 0) + 2 * quadratics.filter((q) => irrational.has(String(q))).length,
          );
          const signNear = (x: Rational) => signOf(poly.valueAt(p, x));
          const edges: Rational[] = [
            bound.neg(),
            ...found.slice(0, -1).map((r, i) => ratio(Math.round(((r.hi + found[i + 1]!.lo) / 2) * 2 ** 30), 2 ** 30)),
            bound,
          ];
          found.forEach((r, i) => {
            expect(signNear(edges[i]!) * signNear(edges[i + 1]!), `root ${r.at}`).toBe(
              r.multiplicity % 2 === 1 ? -1 : 1,
            );
          });
        },
      ),
      { numRuns: 120 },
    ));
  it("on a part of the line are those of the whole line that lie there", () =>
    fc.assert(
      fc.property(
        nonzero.filter((p) => p.length > 1),
        fraction,
        fraction,
        (p, a, b) => {
          const [lo, hi] = a.compare(b) < 0 ? [a, b] : [b, a];
          const all = isolateRealRoots(p, null, null);
          const part = isolateRealRoots(p, lo, hi);
          const [from, to] = [toDouble(lo), toDouble(hi)];
          const wanted = all.filter((r) =>
            r.exact ? r.exact.compare(lo) >= 0 && r.exact.compare(hi) <= 0 : r.at > from && r.at < to,
          );
          expect(part).toHaveLength(wanted.length);
          // Each is known to a unit in the last place; the brackets of one root have something in common.
          part.forEach((r, i) => {
            expect(r.lo <= wanted[i]!.hi && wanted[i]!.lo <= r.hi, `${r.at} and ${wanted[i]!.at}`).toBe(true);
            expect(r.multiplicity).toBe(wanted[i]!.multiplicity);
          });
        },
      ),
      { numRuns: 120 },
    ));
});
