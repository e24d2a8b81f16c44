import { describe, expect, it } from "vitest";
import fc from "fast-check";
import {
  add,
  box,
  compileEnclosure,
  compileNumber,
  differentiate,
  multiply,
  exactNumber,
  resolve,
  type Expression,
} from "../formula";
import { ratio } from "../numeric";
import { FunctionTable, integrate, spotOfConstant, spotOfRational } from "./index";

const names = { variable: "x", givens: new Map(), functions: new Map(), variables: new Set<string>() };
const read = (text: string): Expression => {
  const r = resolve(text, names);
  if (!r.expression) throw new Error(`${text}: ${r.problems[0]!.message}`);
  return r.expression;
};
const table = new FunctionTable();
const whole = fc.integer({ min: -5, max: 5 });
const natural = fc.integer({ min: 1, max: 6 });
/** Smooth on −4 … 8, of every shape a rate takes: growth, waves, quotients, roots, powers, one inside the other. */
const smooth = fc.oneof(
  fc.tuple(natural, whole).map(([a, b]) => `${a}*exp(${b}*x/6)`),
  fc.tuple(natural, natural).map(([a, b]) => `${a}*sin(${b}*x)`),
  fc.tuple(natural, whole).map(([a, b]) => `${a}*cos(x/${a} + ${b})`),
  fc.tuple(whole, natural).map(([a, b]) => `(${a}*x + 1)/(x^2 + ${b})`),
  fc.tuple(natural, natural).map(([a, b]) => `${a}*sqrt(x + ${b + 4})`),
  natural.map((a) => `ln(x^2 + ${a})`),
  natural.map((a) => `${a}*atan(x - ${a})`),
  fc.tuple(natural, natural).map(([a, b]) => `${10 * a}/(1 + ${b}*exp(-x))`),
  fc.tuple(whole, natural).map(([a, b]) => `(x + ${a})^${b}`),
  natural.map((a) => `(x + 6)^(1.${a})`),
  natural.map((a) => `exp(sin(x)/${a})`),
  natural.map((a) => `x*2^(x/${a})`),
);
const shape = fc.oneof(
  smooth,
  fc.tuple(smooth, fc.constantFrom("+", "-", "*"), smooth).map(([a, op, b]) => `(${a}) ${op} (${b})`),
);
const range = fc
  .tuple(fc.integer({ min: -8, max: 12 }), fc.integer({ min: 1, max: 8 }))
  .map(
    ([from, width]) =>
      [spotOfRational(ratio(from, 2)), spotOfRational(ratio(from + Math.min(width, 16 - from), 2))] as const,
  );
const within = (r: ReturnType<typeof integrate>) => {
  if (!r.ok) throw new Error(`not summed: ${r.reason} near ${r.near}`);
  return r;
};

describe("totals of any smooth rate", () => {
  it("hold what the function gains from one end to the other", () =>
    fc.assert(
      fc.property(shape, range, (text, [from, to]) => {
        const f = read(text);
        const value = compileEnclosure(f, table.enclosure);
        const [a, b] = [value(box(from.at, from.at)), value(box(to.at, to.at))];
        const total = within(integrate(differentiate(f), table, from, to));
        // Both are proven: the total, and the gain F(to) − F(from). They must have something in common.
        expect(
          total.low <= b.hi - a.lo + 1e-15 * Math.abs(b.hi) && total.high >= b.lo - a.hi - 1e-15 * Math.abs(b.lo),
          `${text} on ${from.at} … ${to.at}: ${total.low} … ${total.high} and ${b.lo - a.hi} … ${b.hi - a.lo}`,
        ).toBe(true);
        expect(total.low <= total.value && total.value <= total.high).toBe(true);
      }),
      { numRuns: 250 },
    ));
  it("are known to ten digits of what is summed", () =>
    fc.assert(
      fc.property(shape, range, (text, [from, to]) => {
        const rate = read(text);
        const total = within(integrate(rate, table, from, to));
        const f = compileNumber(rate, table.number);
        const [lo, hi] = [from.at, to.at];
        const size =
          Math.max(...Array.from({ length: 65 }, (_, i) => Math.abs(f(lo + ((hi - lo) * i) / 64)))) * (hi - lo);
        expect(total.high - total.low, text).toBeLessThanOrEqual(1e-10 * size + 1e-10);
      }),
      { numRuns: 150 },
    ));
  it("turn their sign with the direction, and are nothing over nothing", () =>
    fc.assert(
      fc.property(shape, range, (text, [from, to]) => {
        const [there, back, none] = [
          integrate(read(text), table, from, to),
          integrate(read(text), table, to, from),
          integrate(read(text), table, from, from),
        ].map(within) as [ReturnType<typeof within>, ReturnType<typeof within>, ReturnType<typeof within>];
        expect([back.low, back.high]).toEqual([-there.high, -there.low]);
        expect(none.value).toBe(0);
      }),
      { numRuns: 60 },
    ));
  it("of a sum are the sum of totals, of a multiple the multiple", () =>
    fc.assert(
      fc.property(smooth, smooth, whole, range, (a, b, k, [from, to]) => {
        const [one, other, both] = [read(a), read(b), add(read(a), multiply(exactNumber(ratio(k)), read(b)))].map((e) =>
          within(integrate(e, table, from, to)),
        ) as [ReturnType<typeof within>, ReturnType<typeof within>, ReturnType<typeof within>];
        const [low, high] = [
          one.low + Math.min(k * other.low, k * other.high),
          one.high + Math.max(k * other.low, k * other.high),
        ];
        const slack = 1e-14 * (Math.abs(low) + Math.abs(high) + 1);
        expect(both.low <= high + slack && both.high >= low - slack, `${a} + ${k} (${b})`).toBe(true);
      }),
      { numRuns: 100 },
    ));
  it("of a rate that is never below another are not below it either", () =>
    fc.assert(
      fc.property(smooth, natural, range, (text, by, [from, to]) => {
        const [low, high] = [`${text} - (sin(x) + 1)/${by}`, text].map((t) =>
          within(integrate(read(t), table, from, to)),
        ) as [ReturnType<typeof within>, ReturnType<typeof within>];
        expect(low.low, text).toBeLessThanOrEqual(high.high);
      }),
      { numRuns: 60 },
    ));
  it("terms that cancel leave what rounding leaves of them", () =>
    fc.assert(
      fc.property(smooth, range, (text, [from, to]) => {
        const total = within(integrate(read(`${text} - (${text})`), table, from, to));
        expect(total.low <= 0 && total.high >= 0, text).toBe(true);
        expect(total.high - total.low, text).toBeLessThan(1e-7);
      }),
      { numRuns: 100 },
    ));

  it("between ends that are no fractions hold the true total, also where it is a polynomial that is summed", () => {
    const number = (text: string) => spotOfConstant(read(text));
    // ∫ x² from 0 to π is π³/3, ∫ (1 + cos x) from 0 to 2π is 2π, ∫ 4 from √2 to π is 4(π − √2).
    for (const [text, from, to, wanted] of [
      ["x^2", "0", "pi", Math.PI ** 3 / 3],
      ["1 + cos(x)", "0", "2*pi", 2 * Math.PI],
      ["4", "sqrt(2)", "pi", 4 * (Math.PI - Math.SQRT2)],
      ["floor(x)", "0", "pi", 3 + 3 * (Math.PI - 3)],
    ] as const) {
      const total = within(integrate(read(text), table, number(from), number(to)));
      expect(total.exact, text).toBeNull();
      expect(total.low, text).toBeLessThanOrEqual(wanted + 4e-15);
      expect(total.high, text).toBeGreaterThanOrEqual(wanted - 4e-15);
      expect(total.high - total.low, text).toBeLessThan(1e-10);
    }
    expect(within(integrate(read("x"), table, number("pi"), number("pi")))).toMatchObject({ low: 0, high: 0 });
  });
});
