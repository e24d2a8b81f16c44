import { describe, expect, it } from "vitest";
import type { PieceRow } from "..";
import { made } from "./making.fixture";

const pieces = (rows: PieceRow[], at: readonly number[] = []) => made({ f: { kind: "pieces", pieces: rows } }, at);

describe("how pieces are written", () => {
  it.each<[PieceRow, string, string]>([
    [{ text: "x", from: 0, to: 5 }, "x for 0 <= x <= 5", "x & 0 \\le x \\le 5"],
    [{ text: "x", from: 0, to: 5, ends: "[)" }, "x for 0 <= x < 5", "x & 0 \\le x < 5"],
    [{ text: "x", from: 0, to: 5, ends: "(]" }, "x for 0 < x <= 5", "x & 0 < x \\le 5"],
    [{ text: "x", from: 0, to: 5, ends: "()" }, "x for 0 < x < 5", "x & 0 < x < 5"],
    [{ text: " 3 ", from: "5/2" }, "3 for 5/2 <= x", "3 & \\frac{5}{2} \\le x"],
    [{ text: "x", to: "5/2", ends: "()" }, "x for x < 5/2", "x & x < \\frac{5}{2}"],
    [{ text: "x", to: -2 }, "x for x <= -2", "x & x \\le -2"],
    [{ text: "x" }, "x for all x", "x & \\text{all } x"],
  ])("%o", (row, text, latex) =>
    expect(pieces([row])).toMatchObject({
      text,
      latex: `\\begin{cases}${latex}\\end{cases}`,
      trouble: null,
      errors: [],
      warnings: [],
    }),
  );

  it("two, as they were written, and looked up in their order", () => {
    const two: PieceRow[] = [
      { text: "10 - x", from: 4, to: 9, ends: "(]" },
      { text: "x + 2", from: 0, to: 4 },
    ];
    expect(pieces(two, [-1, 0, 3, 4, 5, 9, 9.5])).toEqual({
      text: "10 - x for 4 < x <= 9; x + 2 for 0 <= x <= 4",
      latex: "\\begin{cases}10 - x & 4 < x \\le 9\\\\ x + 2 & 0 \\le x \\le 4\\end{cases}",
      trouble: null,
      values: [NaN, 2, 5, 6, 5, 1, NaN],
      errors: [],
      warnings: [],
    });
  });
});

describe("pieces that do not go together", () => {
  const AT = "functions[0].by.pieces";
  it.each<[string, PieceRow[], string, [string, string]]>([
    ["none", [], "f has no pieces yet.", [AT, "`f` has no pieces yet."]],
    [
      "one turned round",
      [{ text: "x", from: 5, to: -1 }],
      "Piece 1 of `f` starts at 5, after its end −1.",
      [`${AT}[0].from`, "Piece 1 of `f` starts at 5, after its end −1."],
    ],
    [
      "two that overlap",
      [
        { text: "x", from: -3, to: 4 },
        { text: "1", from: -2, to: 6 },
      ],
      "Pieces of f overlap.",
      [`${AT}[1].from`, "Pieces 1 and 2 of `f` overlap from −2 to 4; one input has one value."],
    ],
    [
      "one inside another, the other way round",
      [
        { text: "1", from: 2, to: 3 },
        { text: "x", from: 0, to: 9 },
      ],
      "Pieces of f overlap.",
      [`${AT}[0].from`, "Pieces 2 and 1 of `f` overlap from 2 to 3; one input has one value."],
    ],
    [
      "two from the same place",
      [
        { text: "x", from: 0, to: 9 },
        { text: "1", from: 0, to: 3 },
      ],
      "Pieces of f overlap.",
      [`${AT}[0].from`, "Pieces 2 and 1 of `f` overlap from 0 to 3; one input has one value."],
    ],
    [
      "both without ends",
      [{ text: "x" }, { text: "1" }],
      "Pieces of f overlap.",
      [`${AT}[1].from`, "Pieces 1 and 2 of `f` overlap from −∞ to ∞; one input has one value."],
    ],
    [
      "an end that two own",
      [
        { text: "x", from: -9, to: -2 },
        { text: "1", from: -2, to: 6 },
      ],
      "Pieces of f overlap.",
      [`${AT}[1].from`, "Pieces 1 and 2 of `f` both own x = −2; open one of the two ends."],
    ],
  ])("%s", (_, rows, trouble, error) => expect(pieces(rows)).toMatchObject({ trouble, errors: [error], warnings: [] }));

  it.each<[string, PieceRow, PieceRow, string[]]>([
    [
      "a stretch that no piece has",
      { text: "x", from: 3, to: 6 },
      { text: "1", from: -4, to: -2 },
      ["f has no value between x = −2 and 3."],
    ],
    [
      "an end that no piece owns",
      { text: "x", from: 0, to: 2, ends: "[)" },
      { text: "x", from: 2, to: 6, ends: "(]" },
      ["f has no value at x = 2: neither piece owns it."],
    ],
    [
      "a drop",
      { text: "x", from: 0, to: 2 },
      { text: "-x", from: 2, to: 6, ends: "(]" },
      ["f drops by 4 at x = 2, from 2 to −2."],
    ],
    [
      "a jump up, in six digits",
      { text: "x/3", to: "1/3", ends: "()" },
      { text: "1", from: "1/3" },
      ["f jumps up by 0.888889 at x = 0.3333333333333333, from 0.111111 to 1."],
    ],
    ["no jump", { text: "x", from: 0, to: 2, ends: "[)" }, { text: "4 - x", from: 2, to: 6 }, []],
    ["no jump that could be told", { text: "sqrt(2) sqrt(3)", to: 2, ends: "()" }, { text: "sqrt(6)", from: 2 }, []],
    ["no value before the place", { text: "ln(x - 4)", from: 0, to: 2 }, { text: "2", from: 2, to: 6, ends: "(]" }, []],
    ["no value after the place", { text: "2", from: 0, to: 2, ends: "[)" }, { text: "ln(x - 4)", from: 2, to: 6 }, []],
  ])("%s is only told", (_, first, second, told) =>
    expect(pieces([first, second])).toMatchObject({
      trouble: null,
      errors: [],
      warnings: told.map((message) => ["functions[0]", message]),
    }),
  );

  it("a formula or an end that is none is told at its place", () => {
    const spoilt = pieces([
      { text: "2 +", from: 0, to: 2, ends: "[)" },
      { text: "2", from: 2, to: "nothing" },
    ]);
    expect(spoilt.trouble).toContain("stops after the plus");
    expect(spoilt.errors.map(([path]) => path)).toEqual([`${AT}[0].text`]);
    expect(pieces([{ text: "2", from: "this", to: "that" }]).errors.map(([path]) => path)).toEqual([
      `${AT}[0].from`,
      `${AT}[0].to`,
    ]);
  });
});
