import { describe, expect, it } from "vitest";
import type { CaseFile } from "../model";
import { newVariable } from "./newVariable";

const withStory = (text: string): CaseFile => ({
  format: "pasear-case",
  version: 1,
  title: "T",
  story: { text, marks: [] },
});
const made = (name: string, text: string) => newVariable(name, withStory(text));

describe("a new variable takes its range from the story", () => {
  it.each([
    ["q", "The square has room for at most 320 lanterns.", { unit: "lantern", whole: true, from: 0, to: 320 }],
    ["n", "The walk lasts at most 30 nights, in May.", { unit: "night", whole: true, from: 0, to: 30 }],
    [
      "x",
      "Let x be the number of kites. We sell between 50 and 1,200 kites a year.",
      { unit: "kite", from: 50, to: 1200 },
    ],
    ["t", "The fund is left alone for 30 years at 4 %.", { unit: "year", from: 0, to: 30 }],
    ["t", "How high is the ball after t seconds? It flies for 8 seconds.", { unit: "second", from: 0, to: 8 }],
    ["d", "The cost of d boats, no more than 12 boats, is asked.", { unit: "boat", whole: true, from: 0, to: 12 }],
    ["w", "The width w, in metres, is free.", { unit: "metre" }],
  ])("%s in: %s", (name, text, wanted) => {
    const { row } = made(name, text);
    expect(row).toMatchObject({ name, ...wanted });
  });

  it.each([
    ["q", "It takes 240 sheets.", "no limit"],
    ["q", "At most 240 kites, at most 90 lamps.", "two limits that differ"],
    ["y", "At most 240 kites.", "a letter that stands for no count"],
    ["t", "At most 240 kites.", "kites are no time"],
    ["q", "From 9 to 9 kites.", "no stretch"],
    ["q", "", "no story"],
  ])("leaves the range of %s open: %s (%s)", (name, text, why) => {
    const { row, because } = made(name, text);
    expect(row.from ?? row.to, why).toBeUndefined();
    expect(because).toBeNull();
  });

  it("a limit of a measure is none of a count", () => {
    expect(made("q", "At most 240 sheets and at most 320 minutes.").row.to).toBe(240);
  });

  it("says the words it comes from", () => {
    expect(made("q", "There is room for at most 320 lanterns.").because).toBe("from “at most 320 lanterns”");
  });
});

describe("a new variable takes its range from a table", () => {
  const source: CaseFile = {
    ...withStory("At most 999 kites."),
    data: [
      {
        name: "sales",
        columns: [
          { name: "q", unit: "kite", label: "kites sold" },
          { name: "price" },
          { name: "same" },
          { name: "none" },
        ],
        rows: [
          [40, 6, 3, null],
          [null, 7, 3, null],
          [-10, 9, 3, null],
        ],
      },
    ],
  };
  it("before the story, from its least to its greatest row", () => {
    expect(newVariable("q", source)).toEqual({
      row: { name: "q", unit: "kite", label: "kites sold", from: -10, to: 40 },
      because: "as the column q of sales",
    });
    expect(newVariable("price", source).row).toEqual({ name: "price", from: 6, to: 9 });
  });
  it("not from a column of one value, or of none", () => {
    expect(newVariable("same", source).row).toEqual({ name: "same" });
    expect(newVariable("none", source).row).toEqual({ name: "none" });
  });
});
