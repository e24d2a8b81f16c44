import { describe, expect, it } from "vitest";
import { caseOfStory } from ".";

const STALL = [
  "A workshop makes river lanterns and star lanterns.",
  "A river lantern takes 2 sheets of paper and 4 minutes, and earns $3.",
  "A star lantern takes 3 sheets and 2 minutes, and earns $4.",
  "There are 240 sheets and 320 minutes.",
].join(" ");

/** The constraints a sentence adds to those of the story. */
const added = (sentence: string): string[] =>
  (caseOfStory(`${STALL} ${sentence} Which mix earns most?`).plan?.constraints ?? [])
    .map((c) => c.text)
    .filter((text) => !["2 r + 3 s <= 240", "4 r + 2 s <= 320", "r >= 0", "s >= 0"].includes(text));

describe("how many of a thing a plan may have", () => {
  it.each([
    ["Between 10 and 50 star lanterns must be made.", ["s >= 10", "s <= 50"]],
    ["From 10 to 50 star lanterns are ordered.", ["s >= 10", "s <= 50"]],
    ["Between 20 and 60 lanterns are wanted.", ["r + s >= 20", "r + s <= 60"]],
    ["At least 10 and at most 50 star lanterns must be made.", ["s >= 10", "s <= 50"]],
    ["At least 10 star lanterns are ordered.", ["s >= 10"]],
    ["No more than 40 river lanterns can be sold.", ["r <= 40"]],
    ["At most 60 lanterns can be sold.", ["r + s <= 60"]],
    // no range: the day has hours, and what stands the wrong way round is none
    ["The workshop is open between 8 and 5.", []],
    ["The workshop is open from 5 to 8 hours.", []],
    ["", []],
  ])("%s", (sentence, wanted) => expect(added(sentence)).toEqual(wanted));
});
