import { analyse } from "../question";
import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import type { CaseFile, Question } from "../model";
import { deskOf } from "./index";

const stall = (): CaseFile =>
  JSON.parse(readFileSync(new URL("../../demo/lantern-stall.pasear.json", import.meta.url), "utf8"));
const card = (c: CaseFile, id: string) => deskOf(analyse(c)).findings.find((f) => f.id === id)!;
const small = (text: string, q: object, more: Partial<CaseFile> = {}): CaseFile => ({
  format: "pasear-case",
  version: 1,
  title: "T",
  variables: [{ name: "x", from: 0, to: 10 }],
  functions: [{ name: "f", of: "x", by: { kind: "formula", text } }],
  questions: [{ id: "q", ...q } as Question],
  ...more,
});

describe("the Lantern stall on the desk", () => {
  const desk = deskOf(analyse(stall()));
  it("functions are typeset, the profit written out", () => {
    expect(desk.functions.map((f) => f.latex)).toEqual([
      "p(q) = 14 - \\frac{q}{30}",
      "R(q) = q\\, p(q) = -\\frac{q^{2}}{30} + 14\\,q",
      "C(q) = F + k\\, q",
      "P(q) = R - C = -\\frac{q^{2}}{30} + 11.5\\,q - 180",
    ]);
  });
  it("a line says its readings, and units agree", () => {
    expect(desk.functions[0]!.note).toBe("line through 2 readings (240, $6) and (150, $9)");
    expect(desk.functions.map((f) => f.unitsAgree)).toEqual([true, true, true, true]);
  });
  it("the break-even: exact, both neighbours, proof, and what was set aside", () => {
    const c = card(stall(), "q1");
    expect(c.exact.map((e) => [e.text, e.near])).toEqual([["q = (345 - 15 sqrt(433))/2", "16.43510965"]]);
    expect(c.details).toEqual(["at 17: +$5.87 · at 16: −$4.53"]);
    expect(c.chips).toEqual([
      { tone: "sure", text: "the only crossing on 0 … 320" },
      { tone: "sure", text: "two methods agree" },
      { tone: "aside", text: "328.56 set aside: over the limit" },
    ]);
  });
  it("the question comes in parts that can be changed", () => {
    expect(
      card(stall(), "q1")
        .question.filter((p) => p.slot)
        .map((p) => [p.slot, p.text]),
    ).toEqual([
      ["functions.0", "revenue R"],
      ["functions.1", "cost C"],
      ["range", "0 … 320 lanterns"],
      ["round", "rounded as it pays"],
    ]);
  });
  it("givens and variables read in their units", () => {
    expect(desk.givens.map((g) => g.shown)).toEqual(["$180", "$2.50/lantern", "320 lanterns"]);
    expect(desk.variables).toEqual([
      { name: "q", label: "lanterns sold", unit: "lanterns", range: "0 … 320", from: "0", to: "320", whole: true },
    ]);
  });
});

describe("chips tell how sure an answer is", () => {
  const texts = (c: CaseFile) => card(c, "q").chips.map((x) => `${x.tone}: ${x.text}`);
  it("all places", () =>
    expect(texts(small("(x-2)(x-7)", { ask: "reach", function: "f", value: 0 }))).toContain(
      "sure: both places on 0 … 10",
    ));
  it("none, proven", () =>
    expect(texts(small("x^2 + 1", { ask: "reach", function: "f", value: 0 }))).toEqual([
      "sure: proven: none on 0 … 10",
    ]));
  it("a touching one", () =>
    expect(texts(small("(x-2)^2", { ask: "reach", function: "f", value: 0 }))).toContain(
      "sure: the only touching on 0 … 10",
    ));
  it("a jump is no answer", () =>
    expect(texts(small("step(x - 4) - 0.5", { ask: "reach", function: "f", value: 0 }))).toContain(
      "aside: a jump at 4 is no answer",
    ));
  it("a range that was only searched", () =>
    expect(
      texts(
        small("sin(x) + exp(-x)", { ask: "reach", function: "f", value: 0 }, { variables: [{ name: "x", from: 0 }] }),
      ).some((t) => t.startsWith("open: searched")),
    ).toBe(true));
  it("an error has none", () => expect(texts(small("x", { ask: "reach", function: "g", value: 0 }))).toEqual([]));
});

describe("trouble stays where it is", () => {
  it("a broken formula keeps its text and says why, and its dependants say whose fault it is", () => {
    const c = small("12x +", { ask: "value", function: "g", at: 1 });
    c.functions!.push({ name: "g", of: "x", by: { kind: "formula", text: "f + 1" } });
    const { functions, findings } = deskOf(analyse(c));
    expect(functions[0]).toMatchObject({ text: "12x +", trouble: expect.stringMatching(/stops after the plus/) });
    expect(functions[1]!.trouble).toMatch(/^g needs f\./);
    expect(findings[0]).toMatchObject({ status: "error", message: null });
  });
  it("a unit that does not agree is told at the function", () => {
    const c = small(
      "k + F",
      { ask: "value", function: "f", at: 1 },
      {
        givens: [
          { name: "k", value: 1, unit: "m" },
          { name: "F", value: 2, unit: "$" },
        ],
      },
    );
    expect(deskOf(analyse(c)).functions[0]).toMatchObject({ unitsAgree: false, unitMessage: "This adds $ to m." });
  });
});

it("many answers are all listed, set-aside ones are counted", () => {
  const waves = card(
    {
      format: "pasear-case",
      version: 1,
      title: "T",
      variables: [{ name: "x", from: 0, to: 60 }],
      functions: [{ name: "f", of: "x", by: { kind: "formula", text: "sin(x)" } }],
      questions: [{ id: "q", ask: "reach", function: "f", value: 0.5 }],
    },
    "q",
  );
  // π/6 + 2πk and 5π/6 + 2πk up to 60: k = 0 … 9, the last pair at 57.07 and 59.17
  expect(waves.details[0]!.split(", ")).toHaveLength(20);
  expect(waves.exact).toEqual([]);
  expect(waves.chips.filter((c) => c.tone === "aside").length).toBeLessThanOrEqual(4);
});
it("angles are single fractions of π", () => {
  const two = card(
    {
      format: "pasear-case",
      version: 1,
      title: "T",
      variables: [{ name: "x", from: 0, to: 6 }],
      functions: [
        { name: "f", of: "x", by: { kind: "formula", text: "sin(x)" } },
        { name: "g", of: "x", by: { kind: "formula", text: "cos(x)" } },
      ],
      questions: [
        { id: "q", ask: "reach", function: "f", value: 0.5 },
        { id: "r", ask: "reach", function: "g", value: 0.5 },
      ],
    },
    "q",
  );
  expect(two.exact.map((e) => e.text)).toEqual(["x = pi/6", "x = 5 pi/6"]);
});

describe("answers of functions that come from data", () => {
  const fitted = (question: object) =>
    card(
      {
        format: "pasear-case",
        version: 1,
        title: "T",
        variables: [{ name: "t", unit: "week", from: 0, to: 20 }],
        data: [
          {
            name: "d",
            columns: [{ name: "t" }, { name: "y" }],
            rows: [
              [0, 1],
              [1, 3],
              [2, 5],
              [4, 9],
            ],
          },
        ],
        functions: [
          { name: "N", of: "t", by: { kind: "fit", data: "d", x: "t", y: "y", model: "linear" } },
          { name: "R", of: "t", by: { kind: "formula", text: "3 N" } },
        ],
        questions: [{ id: "q", ...question } as never],
      },
      "q",
    ).chips.map((c) => c.text);
  // N = 1 + 2 t
  it.each([
    [{ ask: "reach", function: "N", value: 6 }, "inside the data"],
    [{ ask: "reach", function: "N", value: 17 }, "4 weeks beyond the last row"],
    [{ ask: "reach", function: "R", value: 33 }, "1 week beyond the last row"],
    [{ ask: "value", function: "N", at: 3 }, "inside the data"],
    [{ ask: "value", function: "N", at: 9 }, "an estimate beyond the data"],
  ] as const)("%j: %s", (question, wanted) => {
    expect(fitted(question)).toContain(wanted);
  });
});
