import { describe, expect, it } from "vitest";
import { parseUnit } from "../units";
import { beyondWords, determinationWords, growthWords } from "./index";

const unit = (text: string) => parseUnit(text).unit;

describe("what an exponent says of growth", () => {
  // e^0.324111 = 1.38280, ln 2 / 0.324111 = 2.13861
  it.each([
    [0.324111, "week", "factor 1.3828 · grows 38.28 % per week · doubles in 2.139 weeks"],
    [0.324111, "", "factor 1.3828 · grows 38.28 % · doubles in 2.139"],
    // e^−0.1 = 0.904837, ln 2 / 0.1 = 6.93147
    [-0.1, "hours", "factor 0.90484 · shrinks 9.516 % per hour · halves in 6.931 hours"],
    [Math.LN2, "year", "factor 2 · grows 100 % per year · doubles in 1 year"],
  ])("%s by %s: %s", (exponent, input, wanted) =>
    expect(growthWords(exponent, input ? unit(input) : null)).toBe(wanted),
  );
});

describe("what a model says outside its rows", () => {
  const say = (b: Parameters<typeof beyondWords>[0]) => beyondWords(b, "t", unit("week"), unit("people")).text;
  it.each([
    [{ kind: "levels", side: "after", near: 5174.07 }, "levels off near 5,174 people"],
    [{ kind: "negative", side: "before", from: 1.31, until: null }, "negative before t = 1.31 weeks"],
    [{ kind: "negative", side: "after", from: 4.5, until: null }, "negative after t = 4.5 weeks"],
    [{ kind: "negative", side: "after", from: 2, until: 3.25 }, "negative between t = 2 weeks and t = 3.25 weeks"],
    [
      { kind: "explodes", at: 18, value: 79873, times: 79873 / 4009 },
      "says 79,873 people at t = 18 weeks, 20 times the largest reading",
    ],
    [
      { kind: "turns", way: "rises", at: 0.375, where: "inside" },
      "falls first, then grows from t = 0.375 weeks on: does that suit?",
    ],
  ] as const)("%j: %s", (b, wanted) => expect(say(b as Parameters<typeof beyondWords>[0])).toBe(wanted));
});

it.each([
  [1, "R² 1"],
  [0.99998, "R² above 0.9999"],
  [0.97364, "R² 0.9736"],
  [-0.2, "R² −0.2"],
])("R² of %d: %s", (r2, words) => expect(determinationWords(r2)).toBe(words));
