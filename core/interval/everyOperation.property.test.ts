import { describe, expect, it } from "vitest";
import fc from "fast-check";
import { BROKEN, EMPTY, Enclosure, PARTIAL, iv } from "./index";

/**
 * Ordinary values with the platform's functions, as far from the true ones as their stated error; checked against
 * bounds that claim to hold them.
 */
const SLACK = 8 * Number.EPSILON;
const one: Record<string, { of: (a: Enclosure) => Enclosure; value: (x: number) => number }> = {
  negate: { of: iv.negate, value: (x) => -x },
  exp: { of: iv.exp, value: Math.exp },
  ln: { of: iv.ln, value: Math.log },
  log2: { of: iv.log2, value: Math.log2 },
  log10: { of: iv.log10, value: Math.log10 },
  sqrt: { of: iv.sqrt, value: Math.sqrt },
  cbrt: { of: iv.cbrt, value: Math.cbrt },
  sin: { of: iv.sin, value: Math.sin },
  cos: { of: iv.cos, value: Math.cos },
  tan: { of: iv.tan, value: Math.tan },
  asin: { of: iv.asin, value: Math.asin },
  acos: { of: iv.acos, value: Math.acos },
  atan: { of: iv.atan, value: Math.atan },
  sinh: { of: iv.sinh, value: Math.sinh },
  cosh: { of: iv.cosh, value: Math.cosh },
  abs: { of: iv.abs, value: Math.abs },
  floor: { of: iv.floor, value: Math.floor },
  ceil: { of: iv.ceil, value: Math.ceil },
  step: { of: iv.step, value: (x) => (x >= 0 ? 1 : 0) },
  square: { of: (a) => iv.integerPower(a, 2), value: (x) => x * x },
  cube: { of: (a) => iv.integerPower(a, 3), value: (x) => x ** 3 },
  inverseSquare: { of: (a) => iv.integerPower(a, -2), value: (x) => x ** -2 },
  threeHalves: { of: (a) => iv.realPower(a, new Enclosure(1.5, 1.5)), value: (x) => x ** 1.5 },
  fifthRoot: { of: (a) => iv.root(a, 5), value: (x) => Math.sign(x) * Math.abs(x) ** 0.2 },
};
const two: Record<string, { of: (a: Enclosure, b: Enclosure) => Enclosure; value: (x: number, y: number) => number }> =
  {
    add: { of: iv.add, value: (x, y) => x + y },
    subtract: { of: iv.subtract, value: (x, y) => x - y },
    multiply: { of: iv.multiply, value: (x, y) => x * y },
    divide: { of: iv.divide, value: (x, y) => x / y },
    min: { of: iv.min, value: Math.min },
    max: { of: iv.max, value: Math.max },
  };
// Nothing so small that its powers leave the range of doubles.
const nice = fc
  .oneof(
    fc.integer({ min: -9, max: 9 }),
    fc.double({ min: -12, max: 12, noNaN: true }).filter((v) => Math.abs(v) > 1e-12),
    fc.constantFrom(0, 1, -1, 1e-9, -1e-9, Math.PI / 2, -Math.PI),
  )
  .map((v) => v + 0);
/** A box and a place in it, ends included. */
const boxed = fc
  .tuple(nice, nice, fc.oneof(fc.constantFrom(0, 1), fc.double({ min: 1e-6, max: 1, noNaN: true })))
  .map(([a, b, share]) => {
    const [lo, hi] = [Math.min(a, b), Math.max(a, b)];
    return { box: new Enclosure(lo, hi), x: share === 1 ? hi : Math.min(hi, lo + (hi - lo) * share) };
  });
function mustHold(e: Enclosure, value: number, told: string): void {
  if (Number.isNaN(value)) {
    expect(e.flags & (PARTIAL | EMPTY), `${told}: an input without a value is told`).not.toBe(0);
    return;
  }
  if (!Number.isFinite(value)) {
    expect(e.flags & (PARTIAL | BROKEN | EMPTY), `${told}: a pole is told`).not.toBe(0);
    return;
  }
  expect(e.flags & EMPTY, `${told}: there is a value`).toBe(0);
  const slack = Math.abs(value) * SLACK + 1e-300;
  expect(e.lo <= value + slack && e.hi >= value - slack, `${told}: ${value} in ${e.lo} … ${e.hi}`).toBe(true);
}
/** Everything the narrower one allows, the wider one allows as well; where both have all their values. */
function within(narrow: Enclosure, wide: Enclosure, told: string): void {
  if (narrow.flags || wide.flags) return;
  const slack = (v: number) => (Number.isFinite(v) ? Math.abs(v) * SLACK : 0);
  expect(
    wide.lo <= narrow.lo + slack(narrow.lo) && wide.hi >= narrow.hi - slack(narrow.hi),
    `${told}: ${narrow.lo} … ${narrow.hi} in ${wide.lo} … ${wide.hi}`,
  ).toBe(true);
}

describe("every operation of one enclosure", () => {
  it.each(Object.entries(one))("%s holds every value, and tells where there is none", (name, { of, value }) =>
    fc.assert(
      fc.property(boxed, ({ box, x }) => {
        mustHold(of(box), value(x), `${name} of ${box.lo} … ${box.hi} at ${x}`);
      }),
      { numRuns: 400 },
    ),
  );
  it.each(Object.entries(one))("%s of a part lies in that of the whole", (name, { of }) =>
    fc.assert(
      fc.property(boxed, fc.double({ min: 0, max: 1, noNaN: true }), ({ box, x }, share) => {
        const part = new Enclosure(Math.min(x, box.lo + (x - box.lo) * share), x);
        within(of(part), of(box), `${name} of ${part.lo} … ${part.hi} and ${box.lo} … ${box.hi}`);
      }),
      { numRuns: 200 },
    ),
  );
  it.each(Object.entries(one))("%s keeps what was told of its input", (_, { of }) => {
    for (const flag of [PARTIAL, BROKEN]) expect(of(new Enclosure(0.25, 0.5, flag)).flags & flag).toBe(flag);
    expect(of(new Enclosure(NaN, NaN, EMPTY | PARTIAL)).flags & EMPTY).toBe(EMPTY);
  });
});

describe("every operation of two", () => {
  it.each(Object.entries(two))("%s holds every value", (name, { of, value }) =>
    fc.assert(
      fc.property(boxed, boxed, (a, b) => {
        mustHold(
          of(a.box, b.box),
          value(a.x, b.x),
          `${name} of ${a.box.lo} … ${a.box.hi} and ${b.box.lo} … ${b.box.hi} at ${a.x}, ${b.x}`,
        );
      }),
      { numRuns: 600 },
    ),
  );
  it.each(Object.entries(two))("%s of parts lies in that of the wholes", (name, { of }) =>
    fc.assert(
      fc.property(boxed, boxed, (a, b) => {
        within(of(new Enclosure(a.x, a.x), new Enclosure(b.x, b.x)), of(a.box, b.box), name);
        within(of(new Enclosure(a.x, a.box.hi), b.box), of(a.box, b.box), name);
      }),
      { numRuns: 200 },
    ),
  );
  it.each(Object.entries(two))("%s keeps what was told of either", (_, { of }) => {
    const plain = new Enclosure(1, 2);
    for (const flag of [PARTIAL, BROKEN]) {
      expect(of(new Enclosure(1, 2, flag), plain).flags & flag).toBe(flag);
      expect(of(plain, new Enclosure(1, 2, flag)).flags & flag).toBe(flag);
    }
  });
});
