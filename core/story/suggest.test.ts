import { describe, expect, it } from "vitest";
import { buildModel, type CaseFile, type Question, type Variable } from "../model";
import { suggestions } from "./index";

type Row = readonly [name: string, text: string, unit?: string];
const caseOf = (rows: readonly Row[], variable: Omit<Variable, "name">, questions: Question[] = []): CaseFile => ({
  format: "pasear-case",
  version: 1,
  title: "Suggested",
  variables: [{ name: "x", ...variable }],
  functions: rows.map(([name, text, unit]) => ({
    name,
    of: "x",
    by: { kind: "formula", text },
    ...(unit ? { unit } : {}),
  })),
  questions,
});
const offered = (rows: readonly Row[], variable: Omit<Variable, "name">, questions?: Question[]) =>
  suggestions(buildModel(caseOf(rows, variable, questions))).map(({ question: q }) =>
    "functions" in q ? `${q.ask} ${q.functions.join(" ")}` : `${q.ask} ${q.function}`,
  );

describe("questions that suggest themselves", () => {
  it.each<[string, readonly Row[], Omit<Variable, "name">, string[]]>([
    // growth by a factor: from 0 on, rising, its middle near the geometric mean of its ends
    ["growth", [["f", "800 exp(0.21 x)"]], { from: 0, to: 20 }, ["multiply f"]],
    ["growth that does not double", [["f", "800 exp(0.01 x)"]], { from: 0, to: 20 }, []],
    ["growth that is not from 0 on", [["f", "800 exp(0.21 x)"]], { from: 1, to: 20 }, []],
    ["decay", [["f", "800 exp(-0.21 x)"]], { from: 0, to: 20 }, []],
    ["a straight line", [["f", "3 + 2x"]], { from: 0, to: 20 }, []],
    ["a straight line to little more than the double", [["f", "95 + 7x"]], { from: 0, to: 20 }, []],
    ["a power", [["f", "1 + x^4"]], { from: 0, to: 20 }, []],
    ["growth that falls first", [["f", "800 exp(0.21 x) - 900x exp(-x)"]], { from: 0, to: 20 }, ["least f"]],
    ["growth from below 0", [["f", "exp(0.3 x) - 5"]], { from: 0, to: 20 }, []],
    ["growth to less than the double", [["f", "100 exp(0.6 x)"]], { from: 0, to: 1 }, []],
    ["growth to more than the double", [["f", "100 exp(0.8 x)"]], { from: 0, to: 1 }, ["multiply f"]],
    ["growth in steps", [["f", "floor(3 exp(0.3 x))"]], { from: 0, to: 20 }, []],
    ["a speed", [["v", "3 + 0 x", "m/s"]], { from: 0, to: 20 }, ["total v"]],
    ["an acceleration", [["a", "3 + 0 x", "m/s^2"]], { from: 0, to: 20 }, []],
    ["money that turns from loss to gain", [["f", "x - 3", "$"]], { from: 0, to: 20 }, ["reach f"]],
    ["money that is never lost", [["f", "x + 3 - x exp(0)", "$"]], { from: 0, to: 20 }, []],
    ["a change of sign of no money", [["f", "x - 3"]], { from: 0, to: 20 }, []],
    ["a peak", [["f", "9 + x (20 - x)"]], { from: 0, to: 20 }, ["greatest f"]],
    ["no range", [["f", "x - 3"]], { from: 0 }, []],
    ["hardly a value", [["f", "sqrt(x - 18) - 1"]], { from: 0, to: 20 }, []],
    [
      "two of one unit",
      [
        ["R", "15 x", "$"],
        ["C", "90 + 7x", "$"],
      ],
      { from: 0, to: 20 },
      ["meet R C"],
    ],
    [
      "two of different units",
      [
        ["R", "15 x", "$"],
        ["C", "90 + 7x", "m"],
      ],
      { from: 0, to: 20 },
      [],
    ],
    [
      "one made of the other",
      [
        ["C", "90 + 7x", "$"],
        ["D", "C + 5", "$"],
      ],
      { from: 0, to: 20 },
      [],
    ],
  ])("%s", (_what, rows, variable, wanted) => expect(offered(rows, variable)).toEqual(wanted));

  it("what was asked is not offered again, whatever its range", () => {
    const asked: Question = { id: "q1", ask: "multiply", function: "f", factor: 3, from: 2 };
    expect(offered([["f", "800 exp(0.21 x)"]], { from: 0, to: 20 }, [{ ...asked, factor: 2 }])).toEqual([]);
  });
  it("four are offered at most", () => {
    const rows = ["a", "b", "c", "d", "g", "h"].map((name, i): Row => [name, `x - ${i + 1}`, "$"]);
    expect(offered(rows, { from: 0, to: 20 })).toHaveLength(4);
  });
});
