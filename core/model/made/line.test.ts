import { describe, expect, it } from "vitest";
import type { FunctionBy, NumberText } from "..";
import { made } from "./making.fixture";

const line = (through: [NumberText, NumberText][], at: readonly number[] = []) =>
  made({ f: { kind: "line", through } as FunctionBy }, at);

describe("the line through two readings", () => {
  it.each<[[NumberText, NumberText][], string, readonly (readonly [number, number])[]]>([
    [
      [
        [0, 4],
        [2, 10],
      ],
      "4 + 3x",
      [
        [0, 4],
        [2, 10],
        [-1, 1],
      ],
    ],
    [
      [
        [2, 10],
        [0, 4],
      ],
      "4 + 3x",
      [[5, 19]],
    ],
    [
      [
        ["1/2", 1],
        ["3/2", "1/3"],
      ],
      "4/3 - 2x/3",
      [
        [0.5, 1],
        [2, 0],
      ],
    ],
    [
      [
        [1, 7],
        [5, 7],
      ],
      "7",
      [
        [0, 7],
        [9, 7],
      ],
    ],
    [
      [
        [1, 2],
        [3, 6],
        [4, 8],
      ],
      "2x",
      [[10, 20]],
    ],
  ])("%o", (through, text, values) => {
    const f = line(
      through,
      values.map(([x]) => x),
    );
    expect(f).toMatchObject({ trouble: null, errors: [], warnings: [] });
    expect(f.text.replaceAll(" ", "")).toBe(text.replaceAll(" ", ""));
    f.values.forEach((v, i) => expect(v).toBeCloseTo(values[i]![1], 12));
  });
  it.each<[string, [NumberText, NumberText][], string, [string, string] | null]>([
    [
      "one reading",
      [[1, 2]],
      "f needs two readings.",
      ["functions[0].by.through", "A line needs two readings; `f` has 1."],
    ],
    ["none", [], "f needs two readings.", ["functions[0].by.through", "A line needs two readings; `f` has 0."]],
    [
      "two at one place",
      [
        [-1, 2],
        [-1, 5],
      ],
      "Both readings of `f` are at x = −1; a line needs two different inputs.",
      ["functions[0].by.through[1][0]", "Both readings of `f` are at x = −1; a line needs two different inputs."],
    ],
  ])("%s is too little", (_, through, trouble, error) =>
    expect(line(through)).toMatchObject({ trouble, errors: [error] }),
  );
  it.each<[[NumberText, NumberText][], string]>([
    [
      [
        ["a", 2],
        [1, 5],
      ],
      "functions[0].by.through[0][0]",
    ],
    [
      [
        [0, "a"],
        [1, 5],
      ],
      "functions[0].by.through[0][1]",
    ],
    [
      [
        [0, 2],
        ["a", 5],
      ],
      "functions[0].by.through[1][0]",
    ],
    [
      [
        [0, 2],
        [1, "a"],
      ],
      "functions[0].by.through[1][1]",
    ],
  ])("a reading that is no number stands at its place: %o", (through, path) => {
    const f = line(through);
    expect(f.trouble).toBe("A reading of f is not a number.");
    expect(f.errors.map(([p]) => p)).toEqual([path]);
  });
  it("readings that it misses are told, each at its place", () => {
    // 3x + 4 gives −2 at −2 and 13 at 3.
    expect(
      line([
        [0, 4],
        [2, 10],
        [-2, -1],
        [1, 7],
        [3, "40/3"],
      ]),
    ).toMatchObject({
      trouble: null,
      warnings: [
        [
          "functions[0].by.through[2]",
          "The reading (−2, −1) does not lie on the line through the first two, which gives −2 there.",
        ],
        [
          "functions[0].by.through[4]",
          "The reading (3, 13.333333333333334) does not lie on the line through the first two, which gives 13 there.",
        ],
      ],
    });
  });
});
