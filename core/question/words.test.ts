import { analyse, questionText, sentenceOf as plainSentence, type Finding } from "./index";
import { analysed, saidOf as sentenceOf } from "./full.fixture";
import { describe, expect, it } from "vitest";
import { buildModel, type CaseFile, type Question, type Variable } from "../model";
import { oneFunction } from "./oneFunction.fixture";
import { parseUnit } from "../units";
import { formatQuantity } from "../explain";

type Asked = Question extends infer Q ? (Q extends Question ? Omit<Q, "id" | "function"> : never) : never;

/** The sentence about one function of one variable. */
function says(variable: Variable, unit: string | null, text: string, q: Asked): string {
  const source: CaseFile = {
    format: "pasear-case",
    version: 1,
    title: "Words",
    givens: [{ name: "S", value: 1200, unit: "$" }],
    variables: [variable],
    functions: [{ name: "f", of: variable.name, by: { kind: "formula", text }, ...(unit === null ? {} : { unit }) }],
    questions: [{ id: "q", function: "f", ...q } as Question],
  };
  const { model, findings } = analysed(source);
  expect(model.errors).toEqual([]);
  return sentenceOf(findings[0]!, model);
}
const week: Variable = { name: "t", unit: "week", from: 0, to: 60 };
const hour: Variable = { name: "h", unit: "hour", from: 0 };
const second: Variable = { name: "t", unit: "s", from: 0, to: 10 };
const share: Variable = { name: "p", unit: "%", from: 0.01, to: 0.2 };
const person: Variable = { name: "n", unit: "person", from: 0, to: 5000, whole: true };
const month: Variable = { name: "m", unit: "month", from: 0, to: 120, whole: true };
const energy: Variable = { name: "w", unit: "kWh", from: 0, to: 900 };
const price: Variable = { name: "p", unit: "$", from: 0.5, to: 12 };
const each: Variable = { name: "p", unit: "$/lantern", from: 2, to: 12.5 };
const metre: Variable = { name: "d", unit: "m", from: 0, to: 50 };

describe("whole sentences", () => {
  it.each<[Variable, string | null, string, Asked, string]>([
    // 800 e^0.2772 = 1055.6
    [week, "people", "800 exp(0.21 t)", { ask: "value", at: 1.32 }, "f(1.32) is about 1,056 people."],
    // ln(2)/0.21 = 3.30070
    [week, "people", "800 exp(0.21 t)", { ask: "multiply", factor: 2 }, "f comes to 1,600 people after 3.3007 weeks."],
    // (1500/1200)^(1/10) = 1.0225652
    [share, "$", "S (1 + p)^10", { ask: "reach", value: 1500 }, "f is $1,500 at p = 2.25652 %."],
    // 12000 · 1.05^9 = 18615.94 a whole 1, 186.16 a point
    [share, "$", "S (1 + p)^10", { ask: "rate", at: 0.05 }, "At p = 5 % f changes by $186.16 per percentage point."],
    [share, "$", "S (1 + p)^10", { ask: "greatest" }, "f is greatest at p = 20 %: $7,430.08."],
    [
      person,
      "$",
      "500 + 0.37 n",
      { ask: "reach", value: 1000 },
      "1,352 people is the first whole number that gives at least $1,000.",
    ],
    [
      hour,
      "°C",
      "18 + 60 exp(-h/3)",
      { ask: "least" },
      "f has no least value: it comes ever closer to 18 °C as h grows, and does not take it.",
    ],
    // ln(0.5)/ln(0.9917) = 83.16
    [
      month,
      "$",
      "24000*0.9917^m",
      { ask: "multiply", factor: 0.5, start: 0 },
      "f comes to $12,000 after 83.1647 months. The first month below half is month 84.",
    ],
    [energy, "$/kWh", "0.004 + 0.00001 w", { ask: "value", at: 12 }, "f(12) is $0.00412/kWh."],
    [
      energy,
      "$/kWh",
      "0.004 + 0.00001 w",
      { ask: "total", between: [0, 100] },
      "The total of f from 0 to 100 kWh is $0.45.",
    ],
    [
      week,
      "%",
      "0.05 + 0.002 t",
      { ask: "rate", between: [1, 11] },
      "f changes by 0.2 percentage points per week on average from 1 to 11 weeks.",
    ],
    // 20.4 − 4.905 · 2 · 0 at the start
    [second, "m", "20.4 t - 4.905 t^2", { ask: "rate", at: 0 }, "At t = 0 s f changes by 20.4 m per second."],
    // both ends of a range of money have its sign, of a price what it is for stands at the last
    [
      price,
      "h",
      "p^2",
      { ask: "reach", value: -1 },
      "f is never −1 h on $0.50 … $12: it rises from 0.25 h and stays at or above 0.25 h.",
    ],
    [price, "h", "p^2", { ask: "where", relation: "<=", value: 9 }, "f is at most 9 h from $0.50 to $3."],
    [price, "h", "2 p", { ask: "average", between: [1, 2.5] }, "f is 3.5 h on average from $1 to $2.50."],
    [each, "h", "2 p", { ask: "where", relation: ">", value: 7 }, "f is above 7 h from p = $3.50 to $12.50/lantern."],
    // percentages lie percentage points apart: 1.5 · 6 % is 9 %
    [
      share,
      "$",
      "100 p",
      { ask: "multiply", factor: 1.5, start: 0.06 },
      "f comes to $9 after 3 percentage points, at p = 9 %.",
    ],
    [
      share,
      "$",
      "100 p",
      { ask: "multiply", factor: 1.2, start: 0.05 },
      "f comes to $6 after 1 percentage point, at p = 6 %.",
    ],
    [metre, null, "sqrt(d) + 1", { ask: "value", at: 9 }, "f(9) is 4."],
  ])("%j, in %s, %s", (variable, unit, text, q, wanted) => expect(says(variable, unit, text, q)).toBe(wanted));
});

describe("two that pass each other at a jump", () => {
  it("do not meet there, and that is told of both", () => {
    const source = oneFunction("1 + 4 step(x - 4)", { unit: "s", from: 0, to: 10 }, [
      { ask: "meet", functions: ["f", "g"] },
    ]);
    source.functions!.push({ name: "g", of: "x", by: { kind: "formula", text: "3" } });
    const { model, findings } = analysed(source);
    expect(sentenceOf(findings[0]!, model)).toBe(
      "f and g never meet on 0 … 10 s; they differ by 2 throughout. " +
        "At x = 4 s one jumps past the other without meeting it.",
    );
  });
});

describe("the range of a question", () => {
  it.each<[Variable, string]>([
    [price, "Where is f greatest, for p = $0.50 … $12?"],
    [each, "Where is f greatest, for p = $2 … $12.50/lantern?"],
    [share, "Where is f greatest, for p = 1 % … 20 %?"],
    [person, "Where is f greatest, for 0 … 5,000 people?"],
    [second, "Where is f greatest, for t = 0 … 10 s?"],
  ])("%j", (variable, wanted) => {
    const source = oneFunction("1", variable, [{ ask: "greatest", function: "f" }]);
    const named = { ...source, variables: [variable], functions: [{ ...source.functions![0]!, of: variable.name }] };
    expect(questionText(named.questions![0]!, buildModel(named))).toBe(wanted);
  });
});

describe("plurals", () => {
  it.each([
    ["cookie", "3 cookies"],
    ["movie", "3 movies"],
    ["lens", "3 lenses"],
    ["quiz", "3 quizzes"],
    ["potato", "3 potatoes"],
    ["person", "3 people"],
    ["people", "3 people"],
    ["shelf", "3 shelves"],
    ["box", "3 boxes"],
    ["kWh", "3 kWh"],
    ["rpm", "3 rpm"],
    ["gas", "3 gases"],
  ])("%s", (unit, text) => expect(formatQuantity(3, parseUnit(unit).unit)).toBe(text));
  it.each([
    ["cookies", "1 cookie"],
    ["movies", "1 movie"],
    ["lenses", "1 lens"],
    ["quizzes", "1 quiz"],
    ["potatoes", "1 potato"],
    ["people", "1 person"],
    ["gas", "1 gas"],
  ])("one of %s", (unit, text) => expect(formatQuantity(1, parseUnit(unit).unit)).toBe(text));
});

describe("exact forms of angles", () => {
  it.each([
    ["sin(2x)", 0.5, ["pi/12", "5 pi/12", "13 pi/12", "17 pi/12"]],
    ["3 sin(x/2 + pi/6)", 1.5, ["0", "4 pi/3"]],
    ["cos(x - 1)", 0, ["1 + pi/2"]],
    ["tan(x/3)", 1, ["3 pi/4"]],
  ])("%s = %d", (text, value, wanted) => {
    const asked = { ask: "reach", function: "f", value } as const;
    const { findings } = analysed(oneFunction(text, { from: 0, to: 4.5 }, [asked]));
    expect(findings[0]!.solutions.map((s) => s.exact)).toEqual(wanted);
  });
});

describe("what has no best value says where it goes instead", () => {
  const free: Variable = { name: "x" };
  const upTo: Variable = { name: "x", to: 3 };
  it.each<[Variable, string, "greatest" | "least", string]>([
    [free, "3 x", "greatest", "f has no greatest value: it grows without bound as x grows."],
    [free, "3 x", "least", "f has no least value: it falls without bound as x falls."],
    [free, "-3 x", "greatest", "f has no greatest value: it grows without bound as x falls."],
    [upTo, "3 x", "least", "f has no least value: it falls without bound as x falls."],
    [free, "exp(x)", "least", "f has no least value: it comes ever closer to 0 as x falls, and does not take it."],
    [free, "exp(-x)", "least", "f has no least value: it comes ever closer to 0 as x grows, and does not take it."],
    [free, "1/x", "least", "f has no least value: it falls without bound near x = 0."],
  ])("%j %s, %s: %s", (variable, text, ask, sentence) => expect(says(variable, null, text, { ask })).toBe(sentence));
});

describe("numbers beyond all that can be written", () => {
  it.each<[string, Asked, string]>([
    [
      "exp(100 t)",
      { ask: "rate", between: [1, 60] },
      "The rate of f from t = 1 to 60 is too large a number to be written here.",
    ],
    [
      "exp(100 t)",
      { ask: "multiply", factor: 3, start: 20 },
      "Not settled: whether f comes to 3 times its value at 20 weeks could not be proven or excluded.",
    ],
    ["exp(exp(10)) + 0 t", { ask: "least" }, "Not settled: where f is least could not be proven."],
    // The least of sinh(acos(1 − t)) is sinh(0), exactly.
    ["sinh(acos(1 - t))", { ask: "least" }, "f is least at 0 weeks: 0."],
    [
      "sinh(acos(1 - t))",
      { ask: "where", relation: "<", value: -1 },
      "f is never below −1 on 0 … 60 weeks: it stays at or above 0.",
    ],
  ])("%s, %j", (text, q, wanted) => expect(says(week, null, text, q)).toBe(wanted));
});

describe("what is not settled is said in full", () => {
  it("of whole inputs too", () => {
    const lanterns = { unit: "lantern", from: 0, to: 100, whole: true };
    const { model, findings } = analyse(oneFunction("50 x - x^2/3", lanterns, [{ ask: "greatest", function: "f" }]));
    expect(plainSentence(findings[0]!, model)).toBe("75 lanterns: 1,875.");
    expect(plainSentence({ ...findings[0]!, complete: false } as Finding, model)).toBe(
      "As far as is settled, f is greatest at 75 lanterns: 1,875.",
    );
  });
});
