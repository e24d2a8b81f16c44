import { describe, expect, it } from "vitest";
import { toldIn } from "./told";

const asked = (text: string) => toldIn(text).asks.map((a) => `${a.intent}: ${a.text}`);

describe("what a story asks", () => {
  it.each([
    [
      "How many must we sell before we earn anything, and which price earns most?",
      ["break-even: How many must we sell before we earn anything", "greatest: which price earns most"],
    ],
    ["From how many on does it pay for itself?", ["break-even: From how many on does it pay for itself"]],
    ["How many bring a profit of $500?", ["reach: How many bring a profit of $500"]],
    ["For how many is the profit at least $300?", ["where: For how many is the profit at least $300"]],
    ["What is the profit on 80 boats?", ["value: What is the profit on 80 boats"]],
    ["When will it have reached $4,000?", ["reach: When will it have reached $4,000"]],
    ["How long until it doubles?", ["multiply: How long until it doubles"]],
    [
      "Find its maximum height and the time at which it lands.",
      ["greatest: Find its maximum height", "zero: the time at which it lands"],
    ],
    [
      "How far does it go, and what is its average speed?",
      ["total: How far does it go", "average: what is its average speed"],
    ],
    ["Which bank pays more after 10 years?", ["cheaper: Which bank pays more after 10 years"]],
    ["When do both cost the same?", ["same: When do both cost the same"]],
    ["How many of each should be made?", ["mix: How many of each should be made"]],
    ["What must the price be so that it breaks even?", ["must-be: What must the price be so that it breaks even"]],
    ["The walk is in May. Who knows why?", []],
  ])("%s", (text, wanted) => {
    expect(asked(text)).toEqual(wanted);
  });
  it("a condition before its question belongs to it", () => {
    expect(asked("If 90 boats are sold, what is the profit?")).toHaveLength(1);
  });
});
