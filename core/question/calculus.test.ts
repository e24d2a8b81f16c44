import { analysed as analyse } from "./full.fixture";
import type { CaseFile, FunctionRow, Question } from "../model";
import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { encloseConstant, exactRational } from "../solve";
import { resolve } from "../formula";
import { toDouble } from "../numeric";

// Rates, slopes, integrals and doubling times verified at 30 digits; see the file for sources. Lengths of arcs and the
// like are no question of ours.
const { problems } = JSON.parse(readFileSync(new URL("../solve/fixtures/calculus.json", import.meta.url), "utf8"));
const optima = JSON.parse(readFileSync(new URL("../solve/fixtures/optima.json", import.meta.url), "utf8"));
const number = (text: string): number => {
  const e = resolve(text, {
    variable: null,
    givens: new Map(),
    functions: new Map(),
    variables: new Set(),
  }).expression!;
  const r = exactRational(e);
  return r ? toDouble(r) : encloseConstant(e).lo;
};
const solve = (functions: FunctionRow[], q: object, variable: object = {}) => {
  const c: CaseFile = {
    format: "pasear-case",
    version: 1,
    title: "T",
    variables: [{ name: "x", ...variable }],
    functions,
    questions: [{ id: "q", ...q } as Question],
  };
  const a = analyse(c);
  expect(a.model.errors).toEqual([]);
  return a.findings[0]!;
};
const f = (text: string): FunctionRow => ({ name: "f", of: "x", by: { kind: "formula", text } });
const close = (found: number | null, wanted: string) => {
  expect(found).not.toBeNull();
  expect(Math.abs(found! - Number(wanted))).toBeLessThanOrEqual(1e-9 * Math.max(1, Math.abs(Number(wanted))));
};

describe("calculus reference problems", () => {
  for (const p of problems) {
    const d = p.data;
    const run: (() => number | null) | null =
      p.kind === "average_rate"
        ? () => solve([f(d.f)], { ask: "rate", function: "f", between: [number(d.a), number(d.b)] }).value
        : p.kind === "derivative"
          ? () =>
              solve([f(d.f), { name: "g", of: "x", by: { kind: "formula", text: `f${"'".repeat(d.order)}(x)` } }], {
                ask: "value",
                function: "g",
                at: number(d.at),
              }).value
          : p.kind === "integral" && d.pieces
            ? () =>
                solve(
                  [
                    {
                      name: "f",
                      of: "x",
                      by: {
                        kind: "pieces",
                        pieces: d.pieces.map((q: { formula: string; from: string; to: string }, i: number) => ({
                          text: q.formula,
                          from: number(q.from),
                          to: number(q.to),
                          ends: i === 0 ? "[]" : "(]",
                        })),
                      },
                    },
                  ],
                  { ask: "total", function: "f", between: [number(d.a), number(d.b)] },
                ).value
            : p.kind === "integral"
              ? () => solve([f(d.f)], { ask: "total", function: "f", between: [number(d.a), number(d.b)] }).value
              : p.kind === "mean_value"
                ? () => solve([f(d.f)], { ask: "average", function: "f", between: [number(d.a), number(d.b)] }).value
                : p.kind === "doubling_time"
                  ? () =>
                      solve([f(d.f)], { ask: "multiply", function: "f", factor: number(d.factor), start: 0 })
                        .solutions[0]?.at ?? null
                  : p.kind === "area_between"
                    ? () =>
                        solve([{ name: "f", of: "x", by: { kind: "formula", text: `abs((${d.f}) - (${d.g}))` } }], {
                          ask: "total",
                          function: "f",
                          between: [number(d.a), number(d.b)],
                        }).value
                    : null;
    if (run) it(`${p.id} (${p.kind})`, () => close(run(), p.value));
  }
  it("covers most of the file", () =>
    expect(
      problems.filter((p: { kind: string }) =>
        ["average_rate", "derivative", "integral", "mean_value", "doubling_time", "area_between"].includes(p.kind),
      ).length,
    ).toBeGreaterThan(25));
});

describe("best whole inputs of the reference problems", () => {
  for (const p of optima.problems.filter((q: { domain: string }) => q.domain === "integer")) {
    for (const [ask, wanted] of [
      ["least", p.minimum],
      ["greatest", p.maximum],
    ] as const) {
      it(`${p.id} ${ask}`, () => {
        const found = solve(
          [f(p.formula)],
          { ask, function: "f" },
          { from: number(p.interval[0]), to: number(p.interval[1]), whole: true },
        );
        const wholes = found.wholeTies ?? [found.solutions[0]!.whole!];
        expect(wholes.map((w) => w.at)).toEqual(wanted.at.map((a: { x: string }) => Number(a.x)));
        close(wholes[0]!.value, wanted.value);
      });
    }
  }
});
