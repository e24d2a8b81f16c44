import { describe, expect, it } from "vitest";
import { amountsIn } from ".";
import { numbersIn } from "./numbers";

describe("numbers in digits and words", () => {
  it.each([
    ["1,250 sheets", [1250]],
    ["1.2 million people", [1_200_000]],
    ["a dozen eggs, half a dozen jars", [12, 6]],
    ["two hundred and forty tickets", [240]],
    ["twenty-five boats and three hundred oars", [25, 300]],
    ["two thirds of it, a quarter of that", [2 / 3, 0.25]],
    ["half an hour, one and a half hours, 2½ hours, 2 and a half hours", [0.5, 1.5, 2.5, 2.5]],
    ["3/4 of a litre", [0.75]],
    ["twice as many, three times as many", [2, 3]],
    ["A4 paper, H2 and a half-life", []],
    ["a lot of people and a few boats", []],
  ])("%s", (text, wanted) => {
    expect(numbersIn(text).map((n) => n.value)).toEqual(wanted.map((v) => expect.closeTo(v, 12)));
  });
});

describe("amounts with their units", () => {
  it.each<[string, [number, string][]]>([
    ["It costs $2.50 per lantern.", [[2.5, "$/lantern"]]],
    [
      "It costs 75 cents a sheet and 3 dollars an hour.",
      [
        [0.75, "$/sheet"],
        [3, "$/h"],
      ],
    ],
    [
      "A rate of 4.2 % a year, or 0.3% per month, or 5 percent annually.",
      [
        [0.042, "%/year"],
        [0.003, "%/month"],
        [0.05, "%/year"],
      ],
    ],
    ["It loses a fifth of its value.", [[0.2, "%"]]],
    [
      "thrown at 18 metres per second from 4.5 m",
      [
        [18, "m/s"],
        [4.5, "m"],
      ],
    ],
    [
      "speeds up by 0.2 m/s every second, then at 1.5 m/s²",
      [
        [0.2, "m/s/s"],
        [1.5, "m/s^2"],
      ],
    ],
    [
      "60 km/h, 40 mph and 30 kilometres an hour",
      [
        [60, "km/h"],
        [40, "mi/h"],
        [30, "km/h"],
      ],
    ],
    ["240 river lanterns last year", [[240, "lantern"]]],
    ["$4 for the cloth and string of each kite", [[4, "$/kite"]]],
    ["They sell at 2 for $3.", [[1.5, "$"]]],
    [
      "12 people, 30 fish and 3 square metres",
      [
        [12, "person"],
        [30, "fish"],
        [3, "m^2"],
      ],
    ],
    [
      "20 pounds for 3 pounds of clay",
      [
        [20, "£"],
        [3, "lb"],
      ],
    ],
    [
      "In week 3 it was 61.",
      [
        [3, "week"],
        [61, ""],
      ],
    ],
    ["On Route 7, at 9:15, on the 3rd day, in Part 2", []],
    ["Two banks want it.", []],
    ["1. Find it", []],
  ])("%s", (text, wanted) => {
    expect(amountsIn(text).map((a) => [a.value, a.unit])).toEqual(wanted);
  });
});
