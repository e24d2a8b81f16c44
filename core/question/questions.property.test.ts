import type { FullFinding as Finding } from "./index";
import { analysed as analyse } from "./full.fixture";
import type { CaseFile, FunctionRow, Question } from "../model";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { compileNumber, resolve } from "../formula";

// What one kind of question says must fit what the others say, whatever the function. Nothing here is worked out by
// hand: the relations are those of mathematics.
const scope = { variable: "x", givens: new Map(), functions: new Map(), variables: new Set<string>() };
const valueOf = (text: string) => compileNumber(resolve(text, scope).expression!, () => () => NaN);
type Asked = Question extends infer Q ? (Q extends Question ? Omit<Q, "id"> : never) : never;
const formula = (name: string, text: string): FunctionRow => ({ name, of: "x", by: { kind: "formula", text } });
function ask(
  functions: readonly FunctionRow[],
  questions: readonly Asked[],
  range: { from: number; to: number; whole?: boolean } = { from: -4, to: 6 },
): Finding[] {
  const source: CaseFile = {
    format: "pasear-case",
    version: 1,
    title: "T",
    variables: [{ name: "x", ...range }],
    functions: [...functions],
    questions: questions.map((q, i) => ({ ...q, id: `q${i}` }) as Question),
  };
  const { model, findings } = analyse(source);
  expect(model.errors).toEqual([]);
  return findings;
}
const n = (lo: number, hi: number, by = 1) => fc.integer({ min: lo, max: hi }).map((v) => v / by);
const polynomial = fc
  .tuple(n(-8, 8), n(-12, 12, 2), n(-8, 8, 4), n(-3, 3, 8))
  .map(([a, b, c, d]) => `${a} + (${b}) x + (${c}) x^2 + (${d}) x^3`);
const wave = fc.tuple(n(1, 9), n(1, 8, 4), n(-6, 6)).map(([a, w, b]) => `${a} sin(${w} x) + (${b})`);
const growth = fc.tuple(n(-9, 9), n(-8, 8, 16), n(-9, 9)).map(([a, k, b]) => `${a} exp((${k}) x) + (${b})`);
const bent = fc.tuple(n(-3, 5), n(-4, 4), n(-6, 6)).map(([a, b, c]) => `(${b}) abs(x - (${a})) + (${c})`);
const smooth = fc.oneof(
  polynomial,
  wave,
  growth,
  fc.tuple(polynomial, wave).map(([p, w]) => `${p} + ${w}`),
);
const any = fc.oneof(
  { weight: 3, arbitrary: smooth },
  bent,
  fc.tuple(bent, polynomial).map(([b, p]) => `${b} + ${p}`),
);
const near = (a: number, b: number, scale = 1) =>
  Math.abs(a - b) <= 1e-8 * Math.max(1, Math.abs(a), Math.abs(b), scale);
const settled = (f: Finding) => f.status !== "unsettled" && f.status !== "error";

describe("kinds of questions agree with each other", () => {
  it("the total of a slope is the difference of the function", () =>
    fc.assert(
      fc.property(smooth, n(-4, 0, 2), n(1, 6), (text, a, b) => {
        const [total] = ask(
          [formula("F", text), { name: "f", of: "x", by: { kind: "slope", function: "F" } }],
          [{ ask: "total", function: "f", between: [a, b] }],
        );
        const F = valueOf(text);
        expect(
          near(total!.value!, F(b) - F(a), Math.abs(F(a)) + Math.abs(F(b))),
          `${text}: ${total!.value} and ${F(b) - F(a)}`,
        ).toBe(true);
      }),
      { numRuns: 80 },
    ));
  it("the slope of a running total is the function", () =>
    fc.assert(
      fc.property(smooth, n(-3, 5), (text, at) => {
        const [rate] = ask(
          [formula("f", text), { name: "S", of: "x", by: { kind: "total", function: "f", from: -4 } }],
          [{ ask: "rate", function: "S", at }],
        );
        expect(near(rate!.value!, valueOf(text)(at))).toBe(true);
      }),
      { numRuns: 60 },
    ));
  it("totals add up, and an average times its width is the total", () =>
    fc.assert(
      fc.property(any, n(-4, -1), n(0, 2), n(3, 6), (text, a, b, c) => {
        const [ab, bc, ac, mean] = ask(
          [formula("f", text)],
          [
            { ask: "total", function: "f", between: [a, b] },
            { ask: "total", function: "f", between: [b, c] },
            { ask: "total", function: "f", between: [a, c] },
            { ask: "average", function: "f", between: [a, c] },
          ],
        );
        const scale = Math.abs(ab!.value!) + Math.abs(bc!.value!);
        expect(near(ab!.value! + bc!.value!, ac!.value!, scale)).toBe(true);
        expect(near(mean!.value! * (c - a), ac!.value!, scale)).toBe(true);
      }),
      { numRuns: 80 },
    ));
  it("an average rate is the difference over the width", () =>
    fc.assert(
      fc.property(any, n(-4, 0), n(1, 6), (text, a, b) => {
        const f = valueOf(text);
        expect(
          near(
            ask([formula("f", text)], [{ ask: "rate", function: "f", between: [a, b] }])[0]!.value!,
            (f(b) - f(a)) / (b - a),
          ),
        ).toBe(true);
      }),
      { numRuns: 80 },
    ));
  it("f meets g where g meets f, and where f − g is 0; at each place both have one value", () =>
    fc.assert(
      fc.property(any, any, (f, g) => {
        const list = ask(
          [formula("f", f), formula("g", g), formula("d", `(${f}) - (${g})`)],
          [
            { ask: "meet", functions: ["f", "g"] },
            { ask: "meet", functions: ["g", "f"] },
            { ask: "reach", function: "d", value: 0 },
          ],
        );
        if (!list.every(settled)) return;
        const places = list.map((r) => r.solutions.map((s) => s.at).sort((a, b) => a - b));
        for (const other of places.slice(1)) {
          expect(other).toHaveLength(places[0]!.length);
          other.forEach((at, i) => expect(Math.abs(at - places[0]![i]!)).toBeLessThan(1e-7));
        }
        const [F, G] = [valueOf(f), valueOf(g)];
        for (const at of places[0]!) expect(Math.abs(F(at) - G(at))).toBeLessThan(1e-6 * (1 + Math.abs(F(at))));
      }),
      { numRuns: 60 },
    ));
  it("above, on and below a level share out the range: every input lies in just one of them", () =>
    fc.assert(
      fc.property(any, n(-6, 6), (text, level) => {
        const [above, below, on] = ask(
          [formula("f", text)],
          [
            { ask: "where", function: "f", relation: ">", value: level },
            { ask: "where", function: "f", relation: "<", value: level },
            { ask: "reach", function: "f", value: level },
          ],
        );
        if (![above!, below!, on!].every(settled)) return;
        const f = valueOf(text);
        const inside = (r: Finding, x: number) =>
          r.status === "everywhere" || r.stretches.some((s) => x > (s.from ?? -Infinity) && x < (s.to ?? Infinity));
        const edges = [...above!.stretches, ...below!.stretches]
          .flatMap((s) => [s.from, s.to])
          .concat(on!.solutions.map((s) => s.at));
        for (let i = 0; i <= 60; i++) {
          const x = -4 + i / 6;
          if (edges.some((e) => e !== null && Math.abs(e - x) < 1e-6)) continue;
          expect([inside(above!, x), inside(below!, x)], `${text} at ${x}, level ${level}`).toEqual([
            f(x) > level,
            f(x) < level,
          ]);
        }
        // Where above turns to below, the level is reached (a continuous function cannot pass it by).
        for (const s of above!.stretches)
          for (const e of [s.from, s.to])
            if (e !== null && e > -4 && e < 6)
              expect(on!.solutions.some((p) => Math.abs(p.at - e) < 1e-6) || on!.stretches.length > 0).toBe(true);
      }),
      { numRuns: 80 },
    ));
  it("the greatest of f is the least of −f, at the same places, and no sample is above it", () =>
    fc.assert(
      fc.property(any, (text) => {
        const [up, down] = ask(
          [formula("f", text), formula("g", `-(${text})`)],
          [
            { ask: "greatest", function: "f" },
            { ask: "least", function: "g" },
          ],
        );
        if (!settled(up!) || !settled(down!)) return;
        expect(near(up!.value!, -down!.value!)).toBe(true);
        expect(up!.solutions.map((s) => s.at.toFixed(6))).toEqual(down!.solutions.map((s) => s.at.toFixed(6)));
        const f = valueOf(text);
        for (let i = 0; i <= 200; i++)
          expect(f(-4 + i / 20)).toBeLessThanOrEqual(up!.value! + 1e-9 * (1 + Math.abs(up!.value!)));
      }),
      { numRuns: 60 },
    ));
  it("the best whole input is that of trying them all", () =>
    fc.assert(
      fc.property(any, (text) => {
        const [best] = ask([formula("f", text)], [{ ask: "greatest", function: "f" }], {
          from: -4,
          to: 6,
          whole: true,
        });
        if (!settled(best!)) return;
        const f = valueOf(text);
        const tried = Array.from({ length: 11 }, (_, i) => ({ at: i - 4, value: f(i - 4) }));
        const top = Math.max(...tried.map((t) => t.value));
        const told = best!.wholeTies ?? best!.solutions.flatMap((s) => (s.whole ? [s.whole] : []));
        expect(told.length).toBeGreaterThan(0);
        for (const t of told) expect(near(t.value, top), `${text}: ${t.at} ${t.value}, by trying ${top}`).toBe(true);
      }),
      { numRuns: 60 },
    ));
  it("which is least: at every input the one that is named", () =>
    fc.assert(
      fc.property(polynomial, growth, bent, (f, g, h) => {
        const texts = { f, g, h };
        const [r] = ask(
          Object.entries(texts).map(([name, text]) => formula(name, text)),
          [{ ask: "compare", functions: ["f", "g", "h"] }],
        );
        if (!settled(r!)) return;
        const values = Object.fromEntries(Object.entries(texts).map(([name, text]) => [name, valueOf(text)]));
        for (const s of r!.stretches)
          for (const share of [0.1, 0.5, 0.9]) {
            const [from, to] = [s.from ?? -4, s.to ?? 6];
            const x = from + (to - from) * share;
            const least = Math.min(...Object.values(values).map((v) => v(x)));
            expect(
              s.least!.split(/, | and | = /).every((name) => near(values[name]!(x), least)),
              `${s.least} at ${x}`,
            ).toBe(true);
          }
      }),
      { numRuns: 60 },
    ));
  it("a value asked at an answer is the level of that answer", () =>
    fc.assert(
      fc.property(any, n(-5, 5), (text, level) => {
        const [reach, value] = ask(
          [formula("f", text)],
          [
            { ask: "reach", function: "f", value: level },
            { ask: "value", function: "f", at: { of: "q0", pick: "first" } },
          ],
        );
        if (reach!.status !== "found" || reach!.solutions.length === 0) return;
        expect(near(value!.value!, level, 100)).toBe(true);
      }),
      { numRuns: 60 },
    ));
});
