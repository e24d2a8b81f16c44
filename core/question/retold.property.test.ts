import type { FullFinding as Finding } from "./index";
import { analysed as analyse } from "./full.fixture";
import type { CaseFile, FunctionRow, Question } from "../model";
import { describe, expect, it } from "vitest";
import fc from "fast-check";

/**
 * One story told in two ways must have the same answers. Nothing here says what an answer is; only that it does not
 * depend on how the case was written: where the inputs begin to count, in which unit, under which names, whether a
 * number has a name, whether a function is written out.
 */
type Asked = Question extends infer Q ? (Q extends Question ? Omit<Q, "id"> : never) : never;
const formulas = (functions: Record<string, string>): FunctionRow[] =>
  Object.entries(functions).map(([name, text]) => ({ name, of: "x", by: { kind: "formula", text } }));
const told = (
  functions: Record<string, string>,
  questions: readonly Asked[],
  from: number,
  to: number,
  more: Partial<CaseFile> = {},
): Finding[] =>
  analyse({
    format: "pasear-case",
    version: 1,
    title: "Told",
    variables: [{ name: "x", from, to }],
    functions: formulas(functions),
    questions: questions.map((q, i) => ({ ...q, id: `q${i + 1}` }) as Question),
    ...more,
  }).findings;

const small = fc.integer({ min: -9, max: 9 });
const positive = fc.integer({ min: 1, max: 9 });
/**
 * What a story of the trade is made of, in one input; every number is whole, so that both tellings hold the very same
 * one.
 */
const body = fc.oneof(
  fc.tuple(small, small).map(([a, b]) => `${a}*x + ${b}`),
  fc.tuple(small, small, small).map(([a, b, c]) => `${a}*x^2 + ${b}*x + ${c}`),
  fc.tuple(small, small, small).map(([a, b, c]) => `x^3/10 + ${a}*x^2 + ${b}*x + ${c}`),
  fc.tuple(positive, small, small).map(([a, b, c]) => `${a}*exp(${b}*x/10) + ${c}`),
  fc.tuple(positive, positive).map(([a, b]) => `${a}*10/(1 + ${b}*exp(-x))`),
  fc.tuple(positive, small).map(([a, b]) => `${a}*sin(x) + ${b}*x/4`),
  fc.tuple(positive, small).map(([a, b]) => `${a}*abs(x - ${b})`),
  fc.tuple(positive, small).map(([a, b]) => `${a}*sqrt(x + 12) + ${b}`),
  fc.tuple(positive, small).map(([a, b]) => `${a}*ln(x + 12) + ${b}`),
  fc.tuple(small, small).map(([a, b]) => `(${a}*x + ${b})*exp(-x/3)`),
  fc.tuple(positive, small).map(([a, b]) => `${a}*x/(x + 12) + ${b}/10`),
);
const ranges = fc
  .tuple(fc.integer({ min: -6, max: 3 }), fc.integer({ min: 1, max: 8 }))
  .map(([from, width]) => [from, from + width] as const);
/** With x - h in the place of x. */
const moved = (text: string, h: number) => text.replace(/\bx\b(?!\()/g, `(x - (${h}))`);
const places = (f: Finding) => f.solutions.map((s) => s.at);
function sameNumbers(a: readonly number[], b: readonly number[], what: string): void {
  expect(b.length, what).toBe(a.length);
  a.forEach((v, i) => {
    expect(Math.abs(v - b[i]!), `${what}: ${v} and ${b[i]}`).toBeLessThanOrEqual(1e-8 * Math.max(1, Math.abs(v)));
  });
}
function sameFinding(a: Finding, b: Finding, what: string, shift = 0): void {
  expect([b.status, b.complete], what).toEqual([a.status, a.complete]);
  sameNumbers(
    places(a).map((x) => x + shift),
    places(b),
    what,
  );
  if (a.value === null) expect(b.value, what).toBeNull();
  else sameNumbers([a.value], [b.value!], what);
}
const settings = { numRuns: 150 };
const questions = (level: number): Asked[] => [
  { ask: "reach", function: "f", value: level },
  { ask: "greatest", function: "f" },
  { ask: "least", function: "f" },
  { ask: "where", function: "f", relation: ">=", value: level },
  { ask: "value", function: "f", at: 1 },
];

describe("a story told in another way has the same answers", () => {
  it(
    "the input counted from another start",
    () =>
      fc.assert(
        fc.property(body, ranges, small, small, (text, [from, to], level, h) => {
          const before = told({ f: text }, questions(level).slice(0, 4), from, to);
          const after = told({ f: moved(text, h) }, questions(level).slice(0, 4), from + h, to + h);
          before.forEach((f, i) => {
            sameFinding(f, after[i]!, `${text} by ${h}, ${f.ask}`, h);
          });
        }),
        settings,
      ),
    60_000,
  );

  it(
    "the input mirrored: first becomes last",
    () =>
      fc.assert(
        fc.property(body, ranges, small, (text, [from, to], level) => {
          const before = told({ f: text }, questions(level).slice(0, 3), from, to);
          const after = told({ f: text.replace(/\bx\b(?!\()/g, "(-x)") }, questions(level).slice(0, 3), -to, -from);
          before.forEach((f, i) => {
            expect(after[i]!.status, text).toBe(f.status);
            sameNumbers(
              places(f),
              places(after[i]!)
                .map((x) => -x)
                .reverse(),
              `${text} mirrored, ${f.ask}`,
            );
          });
        }),
        settings,
      ),
    60_000,
  );

  it(
    "in a larger or smaller unit of what is read off",
    () =>
      fc.assert(
        fc.property(body, ranges, small, positive, (text, [from, to], level, by) => {
          const before = told({ f: text }, questions(level).slice(0, 3), from, to);
          const after = told({ f: `${by}*(${text})` }, questions(level * by).slice(0, 3), from, to);
          before.forEach((f, i) => {
            expect(after[i]!.status, text).toBe(f.status);
            sameNumbers(places(f), places(after[i]!), `${by}(${text}), ${f.ask}`);
          });
        }),
        settings,
      ),
    60_000,
  );

  it(
    "a number under a name, a function written out or called",
    () =>
      fc.assert(
        fc.property(body, body, ranges, small, (text, other, [from, to], level) => {
          const asked: Asked[] = [...questions(level), { ask: "meet", functions: ["f", "g"] }];
          const plain = told({ f: text, g: `(${text}) - (${other})` }, asked, from, to);
          const named = told(
            { f: text, h: other, g: "f - h" },
            [{ ask: "reach", function: "f", value: "level" }, ...asked.slice(1)],
            from,
            to,
            { givens: [{ name: "level", value: level }] },
          );
          plain.forEach((f, i) => {
            sameFinding(f, named[i]!, `${text}, ${other}: ${f.ask}`);
          });
        }),
        settings,
      ),
    60_000,
  );

  it(
    "with a term whose number is 0 for now",
    () =>
      fc.assert(
        fc.property(body, body, ranges, small, fc.boolean(), (text, other, [from, to], level, first) => {
          const plain = told({ f: text }, questions(level), from, to);
          const more = told(
            { f: first ? `k*(${other}) + ${text}` : `${text} - k*(${other})` },
            questions(level),
            from,
            to,
            { givens: [{ name: "k", value: 0 }] },
          );
          plain.forEach((f, i) => {
            sameFinding(f, more[i]!, `${text} and 0 (${other}), ${f.ask}`);
          });
        }),
        settings,
      ),
    60_000,
  );

  it(
    "two functions meet where their difference is 0, whichever comes first",
    () =>
      fc.assert(
        fc.property(body, body, ranges, (text, other, [from, to]) => {
          const [one, turned, difference] = told(
            { f: text, g: other, d: "f - g" },
            [
              { ask: "meet", functions: ["f", "g"] },
              { ask: "meet", functions: ["g", "f"] },
              { ask: "reach", function: "d", value: 0 },
            ],
            from,
            to,
          ) as [Finding, Finding, Finding];
          for (const f of [turned, difference]) {
            expect([f.status, f.complete], `${text} = ${other}`).toEqual([one.status, one.complete]);
            sameNumbers(places(one), places(f), `${text} = ${other}`);
          }
        }),
        settings,
      ),
    60_000,
  );

  it(
    "the greatest is minus the least of the mirrored function, and no place on the range is above it",
    () =>
      fc.assert(
        fc.property(body, ranges, (text, [from, to]) => {
          const source = { f: text, m: `-(${text})` };
          const [greatest, least] = told(
            source,
            [
              { ask: "greatest", function: "f" },
              { ask: "least", function: "m" },
            ],
            from,
            to,
          ) as [Finding, Finding];
          expect(least.status, text).toBe(greatest.status);
          sameNumbers(places(greatest), places(least), text);
          if (greatest.value === null) return;
          sameNumbers([greatest.value], [-least.value!], text);
          const some = told(
            source,
            Array.from({ length: 21 }, (_, i): Asked => ({
              ask: "value",
              function: "f",
              at: from + ((to - from) * i) / 20,
            })),
            from,
            to,
          );
          for (const s of some)
            expect(s.value!, text).toBeLessThanOrEqual(greatest.value + 1e-9 * Math.max(1, Math.abs(greatest.value)));
        }),
        settings,
      ),
    60_000,
  );

  it(
    "a range cut in two has the answers of the whole, and totals add up",
    () =>
      fc.assert(
        fc.property(body, ranges, small, (text, [from, to], level) => {
          const middle = (from + to) / 2;
          const ask = (a: number, b: number): Asked[] => [
            { ask: "reach", function: "f", value: level },
            { ask: "total", function: "f", between: [a, b] },
            { ask: "average", function: "f", between: [a, b] },
          ];
          const [whole, left, right] = [
            told({ f: text }, ask(from, to), from, to),
            told({ f: text }, ask(from, middle), from, middle),
            told({ f: text }, ask(middle, to), middle, to),
          ];
          if (whole[0]!.status === "found" || whole[0]!.status === "none") {
            const both = [...places(left[0]!), ...places(right[0]!)].filter(
              (x, i, all) => i === 0 || x - all[i - 1]! > 1e-9,
            );
            sameNumbers(places(whole[0]!), both, `${text} = ${level}`);
          }
          const size = Math.abs(left[1]!.value!) + Math.abs(right[1]!.value!);
          expect(Math.abs(whole[1]!.value! - left[1]!.value! - right[1]!.value!), text).toBeLessThanOrEqual(
            1e-9 * Math.max(1, size),
          );
          expect(Math.abs(whole[2]!.value! * (to - from) - whole[1]!.value!), text).toBeLessThanOrEqual(
            1e-9 * Math.max(1, size),
          );
        }),
        settings,
      ),
    60_000,
  );

  it(
    "where it is at least a level, and where it is below, make up the range and touch at the answers",
    () =>
      fc.assert(
        fc.property(body, ranges, small, (text, [from, to], level) => {
          const [at, over, under] = told(
            { f: text },
            [
              { ask: "reach", function: "f", value: level },
              { ask: "where", function: "f", relation: ">=", value: level },
              { ask: "where", function: "f", relation: "<", value: level },
            ],
            from,
            to,
          ) as [Finding, Finding, Finding];
          if (at.status === "everywhere" || !over.complete || !under.complete) return;
          const length = (f: Finding) =>
            f.status === "everywhere"
              ? to - from
              : f.stretches.reduce((sum, s) => sum + ((s.to ?? to) - (s.from ?? from)), 0);
          expect(Math.abs(length(over) + length(under) - (to - from)), `${text} over and under ${level}`).toBeLessThan(
            1e-7,
          );
          const edges = [...over.stretches, ...under.stretches]
            .flatMap((s) => [s.from, s.to])
            .filter((x): x is number => x !== null && x > from && x < to);
          for (const x of edges)
            expect(
              places(at).some((y) => Math.abs(x - y) <= 1e-8 * Math.max(1, Math.abs(x))),
              `${text} = ${level} at ${x}`,
            ).toBe(true);
        }),
        settings,
      ),
    60_000,
  );

  it(
    "under other names",
    () =>
      fc.assert(
        fc.property(body, ranges, small, (text, [from, to], level) => {
          const before = told({ f: text }, questions(level), from, to);
          const renamed = analyse({
            format: "pasear-case",
            version: 1,
            title: "Told",
            variables: [{ name: "hours", from, to }],
            functions: [
              { name: "Q", of: "hours", by: { kind: "formula", text: text.replace(/\bx\b(?!\()/g, "hours") } },
            ],
            questions: questions(level).map((q, i) => ({ ...q, function: "Q", id: `q${i + 1}` }) as Question),
          }).findings;
          before.forEach((f, i) => {
            sameFinding(f, renamed[i]!, `${text}: ${f.ask}`);
          });
        }),
        settings,
      ),
    60_000,
  );
});
