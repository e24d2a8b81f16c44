import { questionText } from ".";
import { analysed as analyse, saidOf as sentenceOf } from "./full.fixture";
import { describe, expect, it } from "vitest";
import type { CaseFile, FunctionRow, Question, Variable } from "../model";
import { parseUnit } from "../units";
import { formatMoney, formatNumber, formatQuantity, inputNoun, list } from "../explain";

const unit = (text: string) => parseUnit(text).unit;

describe("numbers for reading", () => {
  const cases: [number, string][] = [
    [0, "0"],
    [-0, "0"],
    [17, "17"],
    [1234567, "1,234,567"],
    [-4.53, "−4.53"],
    [16.43510965, "16.4351"],
    [0.000123456, "0.000123456"],
    [2.5e-9, "2.5 × 10⁻⁹"],
    [3e18, "3 × 10¹⁸"],
    [Infinity, "∞"],
    [-Infinity, "−∞"],
    [NaN, "no value"],
    [1999.9999999, "2,000"],
  ];
  for (const [x, text] of cases) it(`${x} reads ${text}`, () => expect(formatNumber(x)).toBe(text));
  it("digits can be asked for", () => {
    expect(formatNumber(Math.PI, 3)).toBe("3.14");
    expect(formatNumber(Math.PI, 10)).toBe("3.141592654");
  });
});

describe("quantities by the rules of their kind", () => {
  const cases: [number, string, string][] = [
    [811.875, "$", "$811.88"],
    [180, "$", "$180"],
    [-4.5333, "$", "−$4.53"],
    [-0.001, "$", "−$0.001"],
    [8.25, "$/lantern", "$8.25/lantern"],
    [1, "lantern", "1 lantern"],
    [17, "lantern", "17 lanterns"],
    [2, "person", "2 people"],
    [0.042, "%", "4.2 %"],
    [0.042, "%/year", "4.2 %/year"],
    [9.81, "m/s^2", "9.81 m/s²"],
    [3.5, "m", "3.5 m"],
    [1250, "CHF", "1,250 CHF"],
    [20.7313, "year", "20.7313 years"],
  ];
  for (const [x, text, wanted] of cases)
    it(`${x} in ${text}`, () => expect(formatQuantity(x, unit(text))).toBe(wanted));
  it("money is rounded to the cent and keeps its zeros", () => {
    expect(formatMoney(2.5, "USD")).toBe("$2.50");
    expect(formatMoney(1e6, "EUR")).toBe("€1,000,000");
  });
  it("inputs are called by their noun, or by their name", () => {
    expect(inputNoun("q", unit("lantern"))).toBe("lanterns");
    expect(inputNoun("t", unit("s"))).toBe("t");
    expect(inputNoun("t", null)).toBe("t");
  });
  it("lists", () => {
    expect(list([])).toBe("");
    expect(list(["a"])).toBe("a");
    expect(list(["a", "b", "c"])).toBe("a, b and c");
    expect(list(["a", "b"], "or")).toBe("a or b");
  });
});

const says = (
  functions: Record<string, string>,
  q: object,
  variable: Partial<Variable> = {},
  units: Record<string, string> = {},
) => {
  const c: CaseFile = {
    format: "pasear-case",
    version: 1,
    title: "T",
    variables: [{ name: "x", from: 0, to: 10, ...variable }],
    functions: Object.entries(functions).map(([name, text]): FunctionRow => ({
      name,
      of: "x",
      by: { kind: "formula", text },
      ...(units[name] ? { unit: units[name] } : {}),
    })),
    questions: [{ id: "q", ...q } as Question],
  };
  const { model, findings } = analyse(c);
  return { answer: sentenceOf(findings[0]!, model), question: questionText(c.questions![0]!, model) };
};

describe("sentences for every kind", () => {
  const boats = { unit: "boat", whole: true };
  const cases: [string, Parameters<typeof says>, string, string][] = [
    [
      "meet, one",
      [
        { f: "x", g: "4 - x" },
        { ask: "meet", functions: ["f", "g"] },
      ],
      "f and g meet at x = 2.",
      "Where do f and g meet, for x = 0 … 10?",
    ],
    [
      "meet, none",
      [
        { f: "x + 1", g: "x" },
        { ask: "meet", functions: ["f", "g"] },
      ],
      "f and g never meet on 0 … 10; they differ by 1 throughout.",
      "Where do f and g meet, for x = 0 … 10?",
    ],
    [
      "meet, none, one moving away",
      [
        { f: "2 x + 1", g: "x" },
        { ask: "meet", functions: ["f", "g"] },
      ],
      "f and g never meet on 0 … 10; they differ most, by 11, at x = 10.",
      "Where do f and g meet, for x = 0 … 10?",
    ],
    [
      "reach, two",
      [{ f: "(x - 2)(x - 7)" }, { ask: "reach", function: "f", value: 0 }],
      "f is 0 at x = 2 and x = 7.",
      "Where is f equal to 0, for x = 0 … 10?",
    ],
    [
      "reach, touching",
      [{ f: "(x - 2)^2" }, { ask: "reach", function: "f", value: 0 }],
      "f is 0 at x = 2, touching it only.",
      "Where is f equal to 0, for x = 0 … 10?",
    ],
    [
      "reach, first whole that pays",
      [{ P: "3 x - 10" }, { ask: "reach", function: "P", value: 0 }, boats, { P: "$" }],
      "4 boats is the first whole number that pays.",
      "Where is P equal to $0, for 0 … 10 boats?",
    ],
    [
      "reach, last whole that pays",
      [{ P: "10 - 3 x" }, { ask: "reach", function: "P", value: 0 }, boats, { P: "$" }],
      "3 boats is the last whole number that still pays.",
      "Where is P equal to $0, for 0 … 10 boats?",
    ],
    [
      "where",
      [{ f: "x^2" }, { ask: "where", function: "f", relation: "<", value: 16 }],
      "f is below 16 from x = 0 to 4.",
      "Where is f below 16, for x = 0 … 10?",
    ],
    [
      "where, with a hole",
      [{ f: "(x - 4)/(x - 4)" }, { ask: "where", function: "f", relation: "<=", value: 1 }],
      "f is at most 1 from x = 0 to just before 4 and from just after x = 4 to 10.",
      "Where is f at most 1, for x = 0 … 10?",
    ],
    [
      "where, never",
      [{ f: "x^2 + 1" }, { ask: "where", function: "f", relation: "<=", value: 0 }],
      "f is never at most 0 on 0 … 10: it rises from 1 and stays at or above 1.",
      "Where is f at most 0, for x = 0 … 10?",
    ],
    [
      "where, everywhere",
      [{ f: "x^2 + 1" }, { ask: "where", function: "f", relation: ">", value: 0 }],
      "f is above 0 everywhere on 0 … 10.",
      "Where is f above 0, for x = 0 … 10?",
    ],
    [
      "greatest",
      [{ f: "x (6 - x)" }, { ask: "greatest", function: "f" }],
      "f is greatest at x = 3: 9.",
      "Where is f greatest, for x = 0 … 10?",
    ],
    [
      "least, whole",
      [{ f: "(x - 3.4)^2" }, { ask: "least", function: "f" }, boats],
      "3 boats: 0.16.",
      "Where is f least, for 0 … 10 boats?",
    ],
    ["value", [{ f: "x^2" }, { ask: "value", function: "f", at: 3 }], "f(3) is 9.", "What is f at 3?"],
    [
      "average rate",
      [{ f: "x^2" }, { ask: "rate", function: "f", between: [1, 3] }],
      "f changes by 4 per x on average from x = 1 to 3.",
      "How fast does f change on average over 1 … 3?",
    ],
    [
      "rate there",
      [{ f: "x^2" }, { ask: "rate", function: "f", at: 3 }],
      "At x = 3 f changes by 6 per x.",
      "How fast does f change at 3?",
    ],
    [
      "total",
      [{ f: "2 x" }, { ask: "total", function: "f", between: [0, 3] }],
      "The total of f from x = 0 to 3 is 9.",
      "What is the total of f over 0 … 3?",
    ],
    [
      "average",
      [{ f: "2 x" }, { ask: "average", function: "f", between: [0, 3] }],
      "f is 3 on average from x = 0 to 3.",
      "What is the average of f over 0 … 3?",
    ],
    [
      "multiply",
      [{ f: "2^x" }, { ask: "multiply", function: "f", factor: 8, start: 1 }],
      "f comes to 16 after 3, at x = 4.",
      "When has f become 8 times what it is at 1?",
    ],
    [
      "compare",
      [
        { f: "x", g: "6 - x" },
        { ask: "compare", functions: ["f", "g"] },
      ],
      "Least: f up to x = 3; g from x = 3 on.",
      "Which of f, g is least, for x = 0 … 10?",
    ],
    [
      "error",
      [{ f: "x" }, { ask: "reach", function: "h", value: 0 }],
      "`h` is no function of this case.",
      "Where is h equal to 0?",
    ],
  ];
  for (const [name, args, answer, question] of cases) {
    it(name, () => {
      expect(says(...args)).toEqual({ answer, question });
    });
  }
});
