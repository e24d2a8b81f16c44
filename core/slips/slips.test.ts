import { analyse, solutionsOf, valueOf } from "../question";
import { describe, expect, it } from "vitest";
import type { CaseFile } from "../model";
import { edited as changed, renamed, renamedText } from "../edit";
import { slipsOf } from ".";

const base: CaseFile = {
  format: "pasear-case",
  version: 1,
  title: "Test",
  givens: [
    { name: "F", value: 180, unit: "$" },
    { name: "k", value: 2.5, unit: "$/lantern" },
  ],
  variables: [{ name: "q", from: 0, to: 320, whole: true, unit: "lantern" }],
  functions: [
    { name: "R", of: "q", unit: "$", label: "revenue", by: { kind: "formula", text: "q (14 - q/30)" } },
    { name: "C", of: "q", unit: "$", label: "cost", by: { kind: "formula", text: "F + k q" } },
  ],
  questions: [],
};
const slips = (source: CaseFile) => slipsOf(analyse(source));
/** Mends the only slip of a case and returns the case. */
function mended(source: CaseFile): CaseFile {
  const list = slips(source);
  expect(list.map((s) => s.message)).toHaveLength(1);
  expect(list[0]!.mend).not.toBeNull();
  const next = changed(source, list[0]!.mend!.change);
  expect(slips(next)).toEqual([]);
  return next;
}

describe("a clean case has no slips", () => {
  it("none", () => {
    expect(slips(base)).toEqual([]);
  });
});

describe("profit", () => {
  const profit = (text: string, label = "profit"): CaseFile => ({
    ...base,
    functions: [...base.functions!, { name: "G", of: "q", unit: "$", label, by: { kind: "formula", text } }],
  });
  it.each(["R - C", "R - (F + k q)", "R - F - k q", "q (14 - q/30) - F - k q", "-C + R"])(
    "%s takes the cost off",
    (text) => {
      expect(slips(profit(text))).toEqual([]);
    },
  );
  it.each([
    ["R", "cost C is not taken off"],
    ["R - F + k q", "only a part of the cost"],
    ["R - F", "only a part of the cost"],
    ["2 R", "cost C is not taken off"],
  ])("%s does not", (text, words) => {
    const source = profit(text);
    expect(slips(source)[0]!.message).toContain(words);
    expect(mended(source).functions!.at(-1)!.by).toEqual({ kind: "formula", text: "R - C" });
  });
  it("is told only of what is called profit", () => {
    expect(slips(profit("R", "takings after tax"))).toEqual([]);
  });
});

describe("rates", () => {
  it.each([
    [4.2, "growth rate", undefined, 0.042],
    [4.2, "yearly change", "%/year", 0.042],
    [35, "discount", undefined, 0.35],
  ])("%s as %s", (value, label, unit, wanted) => {
    const next = mended({
      ...base,
      givens: [...base.givens!, { name: "rho", value, label, ...(unit ? { unit } : {}) }],
    });
    expect(next.givens!.at(-1)).toMatchObject({ value: wanted });
    expect(next.givens!.at(-1)!.unit).toMatch(/^%/);
  });
  it.each([
    [0.042, "growth rate", undefined],
    [3, "delivery rate", "$/lantern"],
    [1.5, "growth factor", undefined],
    [240, "growth of the crowd", undefined],
  ])("%s as %s is left alone", (value, label, unit) => {
    expect(
      slips({ ...base, givens: [...base.givens!, { name: "rho", value, label, ...(unit ? { unit } : {}) }] }),
    ).toEqual([]);
  });
});

describe("readings, names, units, brackets", () => {
  it("a reading off the line is left out", () => {
    const next = mended({
      ...base,
      functions: [
        ...base.functions!,
        {
          name: "p",
          of: "q",
          unit: "$/lantern",
          by: {
            kind: "line",
            through: [
              [240, 6],
              [150, 9],
              [100, 11],
            ],
          },
        },
      ],
    });
    expect(next.functions!.at(-1)!.by).toEqual({
      kind: "line",
      through: [
        [240, 6],
        [150, 9],
      ],
    });
  });
  it("a name that differs in capitals gets its own", () => {
    const next = mended({
      ...base,
      givens: [...base.givens!, { name: "f", value: 3, label: "free cups" }],
      functions: [...base.functions!, { name: "H", of: "q", by: { kind: "formula", text: "f q" } }],
    });
    expect(next.givens!.at(-1)!.name).toBe("cups");
    expect(next.functions!.at(-1)!.by).toEqual({ kind: "formula", text: "cups q" });
  });
  it("dollars a lantern beside dollars: the quantity was forgotten", () => {
    const source = {
      ...base,
      functions: [base.functions![0]!, { ...base.functions![1]!, by: { kind: "formula" as const, text: "F + k" } }],
    };
    expect(mended(source).functions![1]!.by).toEqual({ kind: "formula", text: "F + k q" });
  });
  it("minutes beside hours are turned into hours", () => {
    const source: CaseFile = {
      ...base,
      givens: [...base.givens!, { name: "a", value: 2, unit: "h" }, { name: "b", value: 45, unit: "min" }],
      functions: [...base.functions!, { name: "T", of: "q", by: { kind: "formula", text: "a + b" } }],
    };
    const next = mended(source);
    expect(next.functions!.at(-1)!.by).toEqual({ kind: "formula", text: "a + b/60" });
    expect(analyse(next).model.table.number("T")(1)).toBe(2.75);
  });
  it("1/2q is offered as 1/(2 q)", () => {
    const next = mended({
      ...base,
      functions: [...base.functions!, { name: "u", of: "q", by: { kind: "formula", text: "3 + 1/2q" } }],
    });
    expect(next.functions!.at(-1)!.by).toEqual({ kind: "formula", text: "3 + 1/(2 q)" });
  });
});

describe("the story", () => {
  const story = (text: string, marks?: NonNullable<CaseFile["story"]>["marks"]): CaseFile => ({
    ...base,
    story: { text, ...(marks ? { marks } : {}) },
  });
  it.each([
    ["Each lantern burns 45 minutes and costs $2.50.", ["45 minutes is not used anywhere."]],
    ["In May 2031, on the 3rd evening at 7:30, we pay $180.", []],
    ["We pay $180 and $2.50 each, room for 320, plus 7 % tax.", ["7 % is not used anywhere."]],
    ["On 12 May we sell 1,200 cups.", ["1,200 cups is not used anywhere."]],
    ["R_2 and x4 are names.", []],
    ["We pay −180 and 180.0", []],
  ])("%s", (text, messages) => {
    expect(slips(story(text)).map((s) => s.message)).toEqual(messages);
  });
  it("a number in a mark counts as used", () => {
    expect(slips(story("burns 45 minutes", [{ start: 6, end: 16, role: "given" }]))).toEqual([]);
  });
  it("an unused number becomes a given with its mark", () => {
    const next = mended(story("Each lantern burns 45 minutes."));
    expect(next.givens!.at(-1)).toEqual({ name: "m", value: 45, unit: "minutes" });
    expect(next.story!.marks).toEqual([{ start: 19, end: 21, role: "given", of: "m" }]);
  });
  it("a story without functions has no forgotten numbers yet", () => {
    expect(slips({ ...story("45 minutes"), functions: [] })).toEqual([]);
  });
});

describe("findings", () => {
  const ask = (q: NonNullable<CaseFile["questions"]>[number], variable = {}): CaseFile => ({
    ...base,
    variables: [{ ...base.variables![0]!, ...variable }],
    questions: [q],
  });
  it("a range that cuts the answer off is widened", () => {
    // 2.5 q + 180 = 700 at q = 208, beyond a range that ends at 150.
    const next = mended(ask({ id: "q1", ask: "reach", function: "C", value: 700 }, { to: 150 }));
    expect(next.variables![0]!.to).toBe(210);
    expect(solutionsOf(analyse(next).findings[0]!)[0]!.at).toBe(208);
  });
  it("a question on a narrow range is asked on the whole", () => {
    const next = mended(ask({ id: "q1", ask: "reach", function: "C", value: 700, from: 0, to: 150 }));
    expect(next.questions![0]).toEqual({ id: "q1", ask: "reach", function: "C", value: 700 });
  });
  it("an answer inside the range is no slip, though another is set aside", () => {
    expect(slips(ask({ id: "q1", ask: "meet", functions: ["R", "C"] }))).toEqual([]);
  });
  it("16.435 lanterns: lanterns are counted", () => {
    expect(mended(ask({ id: "q1", ask: "meet", functions: ["R", "C"] }, { whole: false })).variables![0]!.whole).toBe(
      true,
    );
  });
  it("metres are not counted", () => {
    const source = ask({ id: "q1", ask: "reach", function: "H", value: 3 }, { whole: false, unit: "m" });
    expect(slips({ ...source, functions: [{ name: "H", of: "q", by: { kind: "formula", text: "2 q" } }] })).toEqual([]);
  });
  it("a price beyond the readings is an estimate", () => {
    const line = {
      name: "p",
      of: "q",
      unit: "$/lantern",
      by: {
        kind: "line" as const,
        through: [
          [240, 6],
          [150, 9],
        ] as [number, number][],
      },
    };
    const source = { ...ask({ id: "q1", ask: "value", function: "p", at: 300 }), functions: [line] };
    expect(slips(source)[0]!.message).toContain("60 lanterns beyond the readings (150 to 240)");
    expect(mended(source).questions![0]).toMatchObject({ at: 240 });
    expect(slips({ ...source, questions: [{ id: "q1", ask: "value", function: "p", at: 200 }] })).toEqual([]);
  });
});

describe("renaming", () => {
  it.each([
    ["q (14 - q/30)", "q", "n", "n (14 - n/30)"],
    ["f'(x) + ff", "f", "g", "g'(x) + ff"],
    ["2 x^2 − x_1", "x", "y", "2 y^2 − x_1"],
    ["≥ not a formula", "not", "x", "≥ not a formula"],
  ])("%s: %s → %s", (text, from, to, wanted) => {
    expect(renamedText(text, from, to)).toBe(wanted);
  });
  it("changes no answer", () => {
    const source: CaseFile = {
      ...base,
      story: { text: "cost", marks: [{ start: 0, end: 4, role: "relation", of: "C" }] },
      variables: [{ name: "q", from: "0 k", to: 320 }],
      questions: [
        { id: "a", ask: "meet", functions: ["R", "C"] },
        { id: "b", ask: "value", function: "C", at: { of: "a" } },
        { id: "c", ask: "given", given: "k", range: [0, "k 9"], function: "C", at: 100, value: "400 + k" },
      ],
    };
    const answers = (c: CaseFile) =>
      analyse(c).findings.map((f) => [f.status, valueOf(f), solutionsOf(f).map((s) => s.at)]);
    const before = answers(source);
    expect(before.every((a) => a[0] === "found")).toBe(true);
    for (const [from, to] of [
      ["C", "cost"],
      ["q", "n"],
      ["k", "each"],
    ] as const) {
      const next = renamed(source, from, to);
      expect(answers(next)).toEqual(before);
      expect(JSON.stringify(next)).not.toMatch(new RegExp(`"${from}"`));
      expect(renamed(next, to, from)).toEqual(source);
    }
  });
});

describe("a rate without a name in words", () => {
  const grown = (text: string, value = 4.2) =>
    slipsOf(
      analyse({
        format: "pasear-case",
        version: 1,
        title: "T",
        givens: [{ name: "i", value }],
        variables: [{ name: "t", from: 0, to: 9 }],
        functions: [{ name: "A", of: "t", by: { kind: "formula", text } }],
      }),
    ).filter((s) => s.key === "given:i");
  it.each(["100 (1 + i)^t", "100 (1 - i)^t", "100 (1+i/12)^(12 t)"])("%s", (text) => {
    expect(grown(text)).toMatchObject([
      {
        message: "i is a rate of 4.2, which is 420 %. Was 4.2 % meant?",
        mend: { change: { value: 0.042, unit: "%" } },
      },
    ]);
  });
  it.each(["100 (1 + i) + t", "100 (2 + i)^t", "i t"])("%s is no growth", (text) => {
    expect(grown(text)).toEqual([]);
  });
  it("a rate under 1 is left alone", () => {
    expect(grown("100 (1 + i)^t", 0.042)).toEqual([]);
  });
});
