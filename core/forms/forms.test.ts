import { analysed as analyse } from "../question/full.fixture";
import { describe, expect, it } from "vitest";
import { buildModel, type CaseFile } from "../model";
import { FORMS, growth, putForm } from "./index";

const empty: CaseFile = { format: "pasear-case", version: 1, title: "T" };

describe("every form", () => {
  for (const form of FORMS) {
    it(
      `${form.id}: stands on an empty desk without a problem, units agreeing, and has ` + "values all over its range",
      () => {
        const { document, functions } = putForm(empty, form);
        const m = buildModel(document);
        expect(m.errors).toEqual([]);
        expect(
          [...m.functions.values()]
            .filter((f) => f.unitsAgree === false)
            .map((f) => [f.name, f.unitProblems.map((p) => p.message)]),
        ).toEqual([]);
        const v = m.variables.get(form.variable.name)!;
        const f = m.table.number(functions[functions.length - 1]!);
        for (const share of [0.01, 0.3, 0.7, 0.99])
          expect(f(Number(v.from!.valueOf()) + share * Number(v.to!.sub(v.from!).valueOf()))).not.toBeNaN();
        expect(form.givens.every((g) => g.label) && form.meaning.length > 20 && form.source.length > 4).toBe(true);
      },
    );
    it(`${form.id}: can be put twice, under free names`, () => {
      const twice = putForm(putForm(empty, form).document, form);
      expect(buildModel(twice.document).errors).toEqual([]);
    });
  }
  it("is named once", () => expect(new Set(FORMS.map((f) => f.id)).size).toBe(FORMS.length));
});

// Worked by hand from the textbook formula named in each form's source.
const value = (id: string, name: string, at: number): number =>
  buildModel(
    putForm(
      empty,
      FORMS.find((f) => f.id === id)!,
    ).document,
  ).table.number(name)(at);
describe("forms against hand calculation", () => {
  it.each([
    ["simple-interest", "A", 10, 2000 * 1.45],
    ["compound-interest", "A", 1, 2000 * 1.00375 ** 12],
    ["continuous-interest", "A", 10, 2000 * Math.exp(0.45)],
    ["effective-rate", "E", 4, 1.01125 ** 4 - 1],
    ["loan-payment", "Q", 1, 6000 * 1.005],
    ["doubling-time", "T", 0.07, Math.log(2) / Math.log(1.07)],
    ["half-life", "m", 16, 12.5],
    ["logistic-growth", "N", 7, 2600],
    ["linear-demand", "G", 100, 100 * 10 - 150 - 240],
    ["percentage-demand", "Q", 8, 240 * 0.93 ** 2],
    ["price-change", "R", 2, 8 * 200],
    ["average-cost", "U", 100, (180 + 250 + 40) / 100],
    ["order-size", "K", 300, 120 + 60],
    ["launch-height", "h", 2, 1.8 + 42 - 19.62],
    ["velocity-pieces", "s", 19.5, 27 + 81 + 20.25],
    ["cooling", "T", 0, 82],
    ["heat-loss", "q", 0.02, (2 * Math.PI * 0.04 * 45) / Math.LN2],
  ])("%s: %s(%d)", (id, name, at, wanted) => expect(value(id, name, at)).toBeCloseTo(wanted, 8));
});

describe("two ways of writing", () => {
  it("velocity by pieces and by unit step are shown to be equal over the range", () => {
    const { document } = putForm(
      empty,
      FORMS.find((f) => f.id === "velocity-pieces")!,
    );
    const { findings } = analyse({
      ...document,
      questions: [{ id: "q", ask: "meet", functions: ["v", "w"], from: 0, to: 19.5 }],
    });
    expect(findings[0]).toMatchObject({ status: "everywhere", complete: true, gap: { size: 0 } });
  });
  it("a slip in one of them is found, with its size and place", () => {
    const { document } = putForm(
      empty,
      FORMS.find((f) => f.id === "velocity-pieces")!,
    );
    const slipped = {
      ...document,
      functions: document.functions!.map((f) =>
        f.name === "w"
          ? { ...f, by: { kind: "formula" as const, text: "a t - a (t - t1) step(t - t1) - b (t - t2) step(t - t1)" } }
          : f,
      ),
    };
    const { findings } = analyse({
      ...slipped,
      questions: [{ id: "q", ask: "meet", functions: ["v", "w"], from: 0, to: 15 }],
    });
    // between t1 and t2 the slip adds −2 (t − 15): 18 at t = 6
    expect(findings[0]!.gap).toEqual({ at: 6, size: 18 });
  });
  it("rate, factor and exponent turn into one another", () => {
    for (const r of [-0.4, -0.01, 0.042, 0.5]) {
      expect(growth.rateOfFactor(growth.factorOfRate(r))).toBeCloseTo(r, 14);
      expect(growth.rateOfExponent(growth.exponentOfRate(r))).toBeCloseTo(r, 14);
      expect(growth.factorOfExponent(growth.exponentOfFactor(1 + r))).toBeCloseTo(1 + r, 14);
    }
  });
});
