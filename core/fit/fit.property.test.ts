import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { FAMILIES, familyText, familyValue, fitModel, studentQuantile, type Family, type Fit } from ".";
import { compileNumber, resolve } from "../formula";

const close = (a: number, b: number, by = 1e-7) => Math.abs(a - b) <= by * Math.max(1, Math.abs(a), Math.abs(b));
const fit = (x: readonly number[], y: readonly number[], family: Family): Fit => {
  const r = fitModel(x, y, { family });
  if (!r.ok) throw new Error(r.reason);
  return r;
};
const inputs = fc.integer({ min: 8, max: 14 }).map((n) => Array.from({ length: n }, (_, i) => i + 1));
const noisy = (x: readonly number[], f: (v: number) => number, noise: readonly number[]) =>
  x.map((v, i) => f(v) + noise[i % noise.length]!);
const noise = fc.array(
  fc.integer({ min: -20, max: 20 }).map((v) => v / 10),
  { minLength: 14, maxLength: 14 },
);
// Constants that people meet: of moderate size, none of them vanishing.
const constants: Readonly<Record<Family, fc.Arbitrary<number[]>>> = {
  proportional: fc.tuple(fc.integer({ min: 1, max: 90 })).map(([a]) => [a / 4]),
  linear: fc.tuple(fc.integer({ min: -40, max: 40 }), fc.integer({ min: 1, max: 60 })).map(([a, b]) => [a, b / 4]),
  quadratic: fc
    .tuple(fc.integer({ min: -30, max: 30 }), fc.integer({ min: -9, max: 9 }), fc.integer({ min: 1, max: 12 }))
    .map(([a, b, c]) => [a, b, c / 4]),
  cubic: fc
    .tuple(
      fc.integer({ min: -30, max: 30 }),
      fc.integer({ min: -9, max: 9 }),
      fc.integer({ min: -8, max: 8 }),
      fc.integer({ min: 1, max: 8 }),
    )
    .map(([a, b, c, d]) => [a, b, c / 4, d / 16]),
  power: fc
    .tuple(
      fc.integer({ min: 1, max: 60 }),
      fc.integer({ min: -12, max: 12 }).filter((v) => v !== 0),
    )
    .map(([a, b]) => [a, b / 6]),
  exponential: fc
    .tuple(
      fc.integer({ min: 1, max: 60 }),
      fc.integer({ min: -9, max: 9 }).filter((v) => v !== 0),
    )
    .map(([a, b]) => [a, b / 30]),
  logarithmic: fc.tuple(fc.integer({ min: -40, max: 40 }), fc.integer({ min: 1, max: 60 })).map(([a, b]) => [a, b / 2]),
  logistic: fc
    .tuple(fc.integer({ min: 50, max: 900 }), fc.integer({ min: 8, max: 20 }), fc.integer({ min: 3, max: 8 }))
    .map(([L, k, m]) => [L, k / 10, m]),
};

describe("rows that lie on a model", () => {
  // Constants are compared by what they draw: a logistic may be written in more than one way.
  it.each(FAMILIES)("%s: is found again, and misses nothing", (family) =>
    fc.assert(
      fc.property(inputs, constants[family], (x, c) => {
        const y = x.map((v) => familyValue(family, c, v));
        if (y.some((v) => !Number.isFinite(v))) return;
        const r = fitModel(x, y, { family });
        if (!r.ok) {
          expect(family === "logistic" || family === "power", r.reason).toBe(true);
          return;
        }
        const size = Math.max(...y.map(Math.abs));
        for (const v of [...x, 1.5, 6.25])
          expect(Math.abs(r.value(v) - familyValue(family, c, v))).toBeLessThan(1e-5 * size + 1e-9);
        expect(Math.sqrt(r.rss / x.length)).toBeLessThan(1e-5 * size + 1e-9);
      }),
      { numRuns: 40 },
    ),
  );
  it.each(FAMILIES)("%s: its text reads back as the model", (family) =>
    fc.assert(
      fc.property(constants[family], fc.double({ min: 0.5, max: 12, noNaN: true }), (c, x) => {
        const read = resolve(familyText(family, c, "x"), {
          variable: "x",
          givens: new Map(),
          functions: new Map(),
          variables: new Set(),
        });
        expect(close(compileNumber(read.expression!, () => () => NaN)(x), familyValue(family, c, x), 1e-12)).toBe(true);
      }),
      { numRuns: 60 },
    ),
  );
});

describe("whatever the rows", () => {
  const lines = ["proportional", "linear", "quadratic", "cubic", "logarithmic"] as const;
  it.each(lines)("%s: the order of the rows changes nothing", (family) =>
    fc.assert(
      fc.property(inputs, noise, fc.infiniteStream(fc.nat()), (x, e, order) => {
        const y = noisy(x, (v) => 3 + 2 * v, e);
        const turned = x.map((v, i) => ({ v, y: y[i]!, k: order.next().value })).sort((a, b) => a.k - b.k);
        const [a, b] = [
          fit(x, y, family),
          fit(
            turned.map((t) => t.v),
            turned.map((t) => t.y),
            family,
          ),
        ];
        a.constants.forEach((c, i) => expect(close(c.value, b.constants[i]!.value)).toBe(true));
        expect(close(a.rss, b.rss)).toBe(true);
      }),
      { numRuns: 40 },
    ),
  );
  it.each(lines)("%s: leaving one out, told by one fit, is that of fitting anew without each", (family) =>
    fc.assert(
      fc.property(inputs, noise, (x, e) => {
        const y = noisy(x, (v) => 20 + 1.5 * v, e);
        const misses = x.map((v, i) => {
          const r = fit(
            x.filter((_, k) => k !== i),
            y.filter((_, k) => k !== i),
            family,
          );
          return (r.value(v) - y[i]!) ** 2;
        });
        expect(
          close(fit(x, y, family).leaveOneOut!, Math.sqrt(misses.reduce((s, m) => s + m, 0) / x.length), 1e-6),
        ).toBe(true);
      }),
      { numRuns: 25 },
    ),
  );
  it("more constants never miss more: linear, quadratic, cubic", () =>
    fc.assert(
      fc.property(inputs, noise, (x, e) => {
        const y = noisy(x, (v) => 0.3 * v * v, e);
        const [a, b, c] = (["linear", "quadratic", "cubic"] as const).map((f) => fit(x, y, f).rss) as [
          number,
          number,
          number,
        ];
        expect(b).toBeLessThanOrEqual(a * (1 + 1e-9) + 1e-12);
        expect(c).toBeLessThanOrEqual(b * (1 + 1e-9) + 1e-12);
      }),
      { numRuns: 60 },
    ));
  it("no nearby constants miss less than the fitted ones", () =>
    fc.assert(
      fc.property(
        inputs,
        noise,
        fc.constantFrom("linear", "exponential", "power", "logarithmic") as fc.Arbitrary<Family>,
        fc.array(fc.double({ min: -1, max: 1, noNaN: true }), { minLength: 2, maxLength: 2 }),
        (x, e, family, way) => {
          const y = noisy(x, (v) => 30 + 4 * v, e);
          const r = fit(x, y, family);
          const rss = (c: readonly number[]) => x.reduce((s, v, i) => s + (familyValue(family, c, v) - y[i]!) ** 2, 0);
          const best = r.constants.map((c) => c.value);
          for (const step of [1e-3, 1e-2])
            expect(rss(best.map((v, i) => v + way[i]! * step * Math.max(1, Math.abs(v))))).toBeGreaterThanOrEqual(
              rss(best) * (1 - 1e-9),
            );
        },
      ),
      { numRuns: 80 },
    ));
  it("the band for a new reading holds the estimate, and is narrowest near the middle of the rows", () =>
    fc.assert(
      fc.property(inputs, noise, (x, e) => {
        const r = fit(
          x,
          noisy(x, (v) => 5 + v, e),
          "linear",
        );
        const middle = x.reduce((s, v) => s + v, 0) / x.length;
        const width = (v: number) => {
          const b = r.band(v)!;
          return b.high + b.low;
        };
        expect(width(middle)).toBeLessThanOrEqual(width(middle + 3) + 1e-12);
        expect(width(middle + 3)).toBeLessThanOrEqual(width(middle + 9) + 1e-12);
      }),
      { numRuns: 40 },
    ));
});

// Two-sided 95 % points of Student's t, any table: 1 → 12.706, 2 → 4.303, 5 → 2.571, 10 → 2.228, 30 → 2.042,
// 120 → 1.980
it.each([
  [1, 12.706],
  [2, 4.303],
  [5, 2.571],
  [10, 2.228],
  [30, 2.042],
  [120, 1.98],
])("Student’s t with %i degrees: %f", (degrees, wanted) =>
  expect(studentQuantile(0.95, degrees)).toBeCloseTo(wanted, 2),
);
