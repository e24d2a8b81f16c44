import { describe, expect, it } from "vitest";
import { buildModel, type Question, type Variable } from "../model";
import { answer } from "./ask";
import { questionText } from "./index";
import { oneFunction } from "./oneFunction.fixture";

describe("the range in a question's words", () => {
  it.each<[Omit<Variable, "name">, Partial<Question>, string]>([
    [{ from: 0, to: 9 }, {}, "Where is f greatest, for x = 0 … 9?"],
    [{}, {}, "Where is f greatest, for x = −∞ … ∞?"],
    [{ from: 2 }, {}, "Where is f greatest, for x = 2 … ∞?"],
    [{ to: 3.5 }, {}, "Where is f greatest, for x = −∞ … 3.5?"],
    [{ from: 0, to: 9, unit: "m" }, {}, "Where is f greatest, for x = 0 … 9 m?"],
    [{ from: 0, unit: "m" }, {}, "Where is f greatest, for x = 0 … ∞ m?"],
    [{ from: 0.01, to: 0.2, unit: "%" }, {}, "Where is f greatest, for x = 1 % … 20 %?"],
    [{ from: 0, to: 9, unit: "week" }, {}, "Where is f greatest, for 0 … 9 weeks?"],
    [{ from: 0, to: 9 }, { from: 2 }, "Where is f greatest, for x = 2 … 9?"],
    [{ from: 0, to: 9 }, { from: 0, to: 0 }, "Where is f greatest, for x = 0 … 0?"],
    [{ from: 0 }, { to: "3 + 4" }, "Where is f greatest, for x = 0 … 3 + 4 = 7?"],
  ])("%j, %j: %s", (range, own, wanted) => {
    const source = oneFunction("x", range, [{ ask: "greatest", function: "f" }]);
    const question = { ...source.questions![0]!, ...own } as Question;
    expect(questionText(question, buildModel(source))).toBe(wanted);
  });
});

describe("a question that cannot be answered", () => {
  const ask = (q: Partial<Question>, effort?: number) => {
    const source = oneFunction("sin(x) + x^2", { from: 0, to: 9 }, [{ ask: "reach", function: "f", value: 3 }]);
    return answer({ ...source.questions![0]!, ...q } as Question, buildModel(source), () => null, effort);
  };
  it("is cut where it takes more work than it is given, and has an answer where it does not", () => {
    expect(ask({}, 0)).toEqual({ id: "q1", ask: "reach", complete: false, status: "cut", message: null });
    expect(ask({})).toMatchObject({ id: "q1", ask: "reach", complete: true, status: "found" });
  });
  it("says what stands in its way", () =>
    expect(ask({ function: "g" } as Partial<Question>)).toEqual({
      id: "q1",
      ask: "reach",
      complete: false,
      status: "error",
      message: "`g` is no function of this case.",
    }));
  it.each([
    [new RangeError("Maximum call stack size exceeded"), "it took more room than there is"],
    [new TypeError("x is undefined"), "something in it was not foreseen"],
  ])("a fault of ours is told without its inside: %s", (fault, why) => {
    const source = oneFunction("x", { from: 0, to: 9 }, [{ ask: "reach", function: "f", value: 3 }]);
    const model = buildModel(source);
    const broken = Object.create(model, {
      functions: {
        get: () => {
          throw fault;
        },
      },
    }) as typeof model;
    expect(answer(source.questions![0]!, broken, () => null)).toEqual({
      id: "q1",
      ask: "reach",
      complete: false,
      status: "error",
      message: `This question could not be worked out: ${why}. All others stand.`,
    });
  });
});
