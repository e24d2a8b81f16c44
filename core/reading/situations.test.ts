import { describe, expect, it } from "vitest";
import { agrees, numbersAnswered } from "../../bench/stories";
import { caseOfStory } from ".";
import table from "./fixtures/situations.json";

// Stories with numbers their answers must have; `how` tells how each was worked out by hand. A newcomer adds a row with
// a new rule.
describe.each([
  ["business", table.business],
  ["time", table.time],
  ["choices", table.choices],
  ["formulas", table.formulas],
])("stories of %s", (_, rows) => {
  it.each(rows)("$text", ({ text, answers }) => {
    const found = numbersAnswered(caseOfStory(text));
    expect(answers.filter((a) => !found.some((n) => agrees(n, a)))).toEqual([]);
  });
});

describe("wording against numbers", () => {
  it.each(table.notes)("$of", ({ text, says }) => {
    expect(caseOfStory(text).notes.join(" ")).toMatch(new RegExp(says));
  });
});
