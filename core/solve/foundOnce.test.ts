import { describe, expect, it } from "vitest";
import { call, keyOf, enclosedNumber, VARIABLE } from "../formula";
import { Enclosure } from "../interval";
import { Exhausted, ratio, spend, stepsLeft, within } from "../numeric";
import { foundOnce, type Found } from "./foundOnce";
import { doubtful, formulaOf } from "./reading.fixture";
import { FunctionTable } from "./table";
import { zerosOf } from "./zeros";
import { NONE } from "./zeroSet";

describe("what tells expressions apart", () => {
  const texts = [
    "x",
    "x + 1",
    "x - 1",
    "1 + x",
    "x + 2",
    "x + 1/3",
    "x + 0.333333333333",
    "-x",
    "ln(x)",
    "exp(x)",
    "sqrt(x)",
    "cbrt(x)",
    "floor(x)",
    "x^2",
    "2^x",
    "min(x, 1)",
    "max(x, 1)",
    "x/2",
    "x + sin(1)",
    "(x + 1) + 2",
    "x + (1 + 2)",
  ];
  it("no two of these share a key, and each read again has its own", () => {
    const keys = texts.map((t) => keyOf(formulaOf(t)));
    expect(new Set(keys).size).toBe(texts.length);
    expect(texts.map((t) => keyOf(formulaOf(t)))).toEqual(keys);
  });
  it("numbers with the same middle, but other bounds, are two", () => {
    const [narrow, wide] = [1, 2].map((r) => keyOf(enclosedNumber(5, new Enclosure(5 - r, 5 + r))));
    expect(narrow).not.toBe(wide);
  });
  it("functions of the case are told apart by name and by order", () => {
    const keys = [call("f", 0, VARIABLE), call("f", 1, VARIABLE), call("g", 0, VARIABLE)].map(keyOf);
    expect(new Set(keys).size).toBe(3);
  });
});

describe("zeros found once", () => {
  const e = doubtful("x + D");
  const look = (table: FunctionTable, boxes: number, to = 3) => {
    let looks = 0;
    const find = (): Found => {
      looks++;
      spend(7);
      return { zeros: NONE, boxes: 5 };
    };
    const { zeros, boxes: used } = foundOnce(e, table, null, ratio(to), boxes, find);
    expect([zeros, used]).toEqual([NONE, 5]);
    return looks;
  };
  it("the same search is made once for each case", () => {
    const table = new FunctionTable();
    expect([look(table, 10), look(table, 10), look(new FunctionTable(), 10)]).toEqual([1, 0, 1]);
  });
  it("another range, or other work allowed, is another search", () => {
    const table = new FunctionTable();
    expect([look(table, 10), look(table, 11), look(table, 10, 4), look(table, 10)]).toEqual([1, 1, 1, 0]);
  });
  it("what is taken again counts as much work as it was, so that nothing is cut elsewhere", () => {
    const table = new FunctionTable();
    const left = () => within(100, () => (look(table, 10), stepsLeft()));
    expect([left(), left()]).toEqual([93, 93]);
    expect(() => within(6, () => look(table, 10))).toThrow(Exhausted);
  });
  it("a search that was cut is not kept", () => {
    const table = new FunctionTable();
    expect(() => within(6, () => look(table, 10))).toThrow(Exhausted);
    expect(look(table, 10)).toBe(1);
  });
  it("work of a question is counted the same, whatever was asked before", () => {
    const table = new FunctionTable();
    const cost = () => {
      const budget = { boxes: 1000 };
      const steps = within(1e6, () => {
        zerosOf(doubtful("exp(x) - x - 2 + D x"), table, ratio(-5), ratio(5), budget);
        return stepsLeft();
      });
      return [budget.boxes, steps];
    };
    const [first, second] = [cost(), cost()];
    expect(second).toEqual(first);
    expect(first[0]).toBeLessThan(1000);
  });
});
