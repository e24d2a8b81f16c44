import { readAmountText } from "../units";
import { describe, expect, it } from "vitest";
import fc from "fast-check";
import { buildModel, type CaseFile } from "../model";
import { offersAt, paintLine, typesetLine } from "./index";
import { interpret, withEntry } from "../entry";
import { stall, row } from "./stall.fixture";

describe("amounts as people write them", () => {
  it.each([
    ["$2.50", 2.5, "$"],
    ["180 $", 180, "$"],
    ["$1,200", 1200, "$"],
    ["4.2 %", 0.042, "%"],
    ["4.2% a year", 0.042, "%/year"],
    ["320 lanterns", 320, "lanterns"],
    ["$2.50/lantern", 2.5, "$/lantern"],
    ["9.81 m/s^2", 9.81, "m/s^2"],
    ["−3", -3, null],
    ["1\u2009200 m", 1200, "m"],
    [".5", 0.5, null],
    ["at most 320", 320, null],
  ])("%s", (text, value, unit) => expect(readAmountText(text)).toMatchObject({ value, unit }));
  it("a text without a number is none", () => expect(readAmountText("a few lanterns")).toBeNull());
});

describe("the entry line", () => {
  it("of a whole book pasted into it is told its length, and nothing else is tried", () => {
    const text = "x + 1 + ".repeat(125_000);
    const source: CaseFile = { format: "pasear-case", version: 1, title: "T" };
    expect(interpret(text, source)).toEqual({
      ok: false,
      message: "A line may have 5,000 characters; this one has 1,000,000.",
      at: 5000,
      end: 1_000_000,
      isVague: false,
    });
    expect([paintLine(text, source), offersAt(text, 7, source, true), typesetLine(text, source)]).toEqual([
      [],
      null,
      null,
    ]);
  });
  const rows: [string, object][] = [
    ["G = 40 $", { name: "G", value: 40, unit: "$" }],
    ["r = 4.2 % per year", { name: "r", value: 0.042, unit: "%/year" }],
    ["F = 200", { name: "F", value: 200, unit: "$" }],
    ["n = 0 … 40 boats, whole", { name: "n", from: 0, to: 40, unit: "boats", whole: true }],
    ["t = 0 to 12 weeks", { name: "t", from: 0, to: 12, unit: "weeks" }],
    ["t = 0 … ∞", { name: "t", from: 0 }],
    ["D(q) = R − C", { name: "D", of: "q", by: { kind: "formula", text: "R − C" } }],
    ["D = R - C", { name: "D", of: "q", by: { kind: "formula", text: "R - C" } }],
    [
      "p(q) = line (240, $6), (150, $9)",
      {
        name: "p",
        of: "q",
        by: {
          kind: "line",
          through: [
            [240, 6],
            [150, 9],
          ],
        },
      },
    ],
    [
      "v(q) = 3 q for 0 <= q < 6; 18 - 2 (q - 6) for 6 <= q <= 15",
      {
        name: "v",
        by: {
          kind: "pieces",
          pieces: [
            { text: "3 q", from: 0, to: 6, ends: "[)" },
            { text: "18 - 2 (q - 6)", from: 6, to: 15, ends: "[]" },
          ],
        },
      },
    ],
    [
      "v(q) = 9 q for q < F; 8 q for q ≥ F",
      {
        by: {
          kind: "pieces",
          pieces: [
            { text: "9 q", to: "F", ends: "[)" },
            { text: "8 q", from: "F", ends: "[]" },
          ],
        },
      },
    ],
    ["s(q) = total of P from 0", { by: { kind: "total", function: "P", from: 0 } }],
    ["m(q) = slope of R", { by: { kind: "slope", function: "R" } }],
    ["R = C ?", { ask: "meet", functions: ["R", "C"] }],
    ["R(q) = C(q) ?", { ask: "meet", functions: ["R", "C"] }],
    ["P = 0 ?", { ask: "reach", function: "P", value: 0 }],
    ["P = 2 F ?", { ask: "reach", function: "P", value: "2 F" }],
    ["500 <= P ?", { ask: "where", function: "P", relation: ">=", value: 500 }],
    ["P ≥ $500 ?", { ask: "where", function: "P", relation: ">=", value: 500 }],
    ["greatest P ?", { ask: "greatest", function: "P" }],
    ["least C for 10 … 20 ?", { ask: "least", function: "C", from: 10, to: 20 }],
    ["P(250) ?", { ask: "value", function: "P", at: 250 }],
    ["P'(100) ?", { ask: "rate", function: "P", at: 100 }],
    ["total P 0 … 15 ?", { ask: "total", function: "P", between: [0, 15] }],
    ["average P over 0 … 15 ?", { ask: "average", function: "P", between: [0, 15] }],
    ["rate P 1 … 2 ?", { ask: "rate", function: "P", between: [1, 2] }],
    ["double R after 5 ?", { ask: "multiply", function: "R", factor: 2, start: 5 }],
    ["compare R, C ?", { ask: "compare", functions: ["R", "C"] }],
    ["k: P(100) = 0 ?", { ask: "given", given: "k", range: [0, 25], function: "P", at: 100, value: 0 }],
  ];
  for (const [text, wanted] of rows) it(text, () => expect(row(text)).toMatchObject(wanted));

  const wrong: [string, RegExp][] = [
    ["", /Write a given/],
    ["12q", /names nothing yet/],
    ["R - C = 0", /end the line with a question mark/],
    ["e = 3", /name of a number/],
    ["F =", /stops after the equals sign/],
    ["D(q) = C(q", /not closed/],
    ["R = Z ?", /`Z` is not known here/],
    ["greatest Q ?", /no function of this case/],
    ["R - C = 0 ?", /Give `R - C` a name first/],
    ["= 3 ?", /nothing on the left/],
    ["R ?", /What about `R`/],
    ["gratest P ?", /Did you mean `greatest`/],
    ["p(q) = line (1, 2)", /needs two readings/],
    ["v(q) = 3 q for 0 <= q < 6; 18", /does not say where it holds/],
    ["v(q) = 3 q for z < 6", /is no range of q/],
    ["v(q) = 3 q for 0 <= q < 6; 4 for 5 <= q", /overlap from 5 to 6/],
    ["s(q) = total of Z", /no function of this case/],
    ["C(q) = F + k", /./],
  ];
  for (const [text, message] of wrong.slice(0, -1))
    it(`${text || "(nothing)"} is refused in words`, () => {
      const r = interpret(text, stall);
      expect(r.ok ? "" : r.message).toMatch(message);
    });
  it("a formula whose units do not agree is taken, with a warning", () =>
    expect(interpret("C(q) = F + k", stall)).toMatchObject({
      ok: true,
      warning: expect.stringMatching(/did you mean k·q/),
    }));
  it("says what it will do before it does it", () => {
    const says = (t: string) => {
      const r = interpret(t, stall);
      return r.ok ? r.says : r.message;
    };
    expect([says("R = C ?"), says("P >= 500 ?"), says("F = 200"), says("D = R - C")]).toEqual([
      "asks: where do R and C meet, for 0 … 320 lanterns?",
      "asks: where is P at least $500, for 0 … 320 lanterns?",
      "changes the given F = $200",
      "adds the function D(q) = R - C, in $",
    ]);
  });
  it("no text throws, and an accepted one gives a case that reads back", () => {
    fc.assert(
      fc.property(
        fc.oneof(
          fc.string({ maxLength: 40 }),
          fc
            .array(
              fc.constantFrom(
                "R",
                "C",
                "P",
                "q",
                "k",
                "=",
                "?",
                "(",
                ")",
                "+",
                "…",
                "12",
                "$",
                " ",
                ">=",
                "line",
                "greatest",
                "for",
                ",",
              ),
              { maxLength: 12 },
            )
            .map((a) => a.join("")),
        ),
        (text) => {
          const r = interpret(text, stall);
          if (r.ok) expect(buildModel(withEntry(stall, r.entry)).errors).toEqual([]);
          else expect(r.message.length).toBeGreaterThan(10);
        },
      ),
      { numRuns: 3000, seed: 8 },
    );
  });
});
