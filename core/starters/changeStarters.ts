import { formula, given } from "../forms";
import { story, type Starter } from "./starter";

/** Growth, a launch, a velocity by pieces. */
export const CHANGE_STARTERS: readonly Starter[] = [
  {
    id: "growth",
    kind: "Growth",
    about: "How long until it doubles, and when are there 1,000?",
    title: "Readers of the walk's letter",
    rest: {
      story: story(
        "The walk's letter has 160 readers and gains 6% every week. How long until they have doubled, and " +
          "when are there 1,000?",
        ["160 readers", "given", "N0"],
        ["6%", "given", "g"],
        ["How long until they have doubled", "question", "q1"],
        ["when are there 1,000", "question", "q2"],
      ),
      givens: [given("N0", 160, "reader", "at the start"), given("g", 0.06, "%", "more every week")],
      variables: [{ name: "t", unit: "week", label: "time", from: 0, to: 52 }],
      functions: [formula("N", "t", "reader", "readers", "N0 (1 + g)^t")],
      questions: [
        { id: "q1", ask: "multiply", function: "N", factor: 2 },
        { id: "q2", ask: "reach", function: "N", value: 1000 },
      ],
    },
  },
  {
    id: "launch",
    kind: "A launch",
    about: "How high does it fly, and when is it down again?",
    title: "A bag thrown to the upper deck",
    rest: {
      story: story(
        "From 1.5 m above the quay a bag of candles is thrown straight up at 14 m/s. How high does it fly, " +
          "when is it down on the quay, and how fast is it after one second?",
        ["1.5 m", "given", "h0"],
        ["14 m/s", "given", "v0"],
        ["How high does it fly", "question", "q1"],
        ["when is it down on the quay", "question", "q2"],
        ["how fast is it after one second", "question", "q3"],
      ),
      givens: [
        given("h0", 1.5, "m", "height of the hand"),
        given("v0", 14, "m/s", "speed at the start"),
        given("g", 9.81, "m/s^2", "gravity"),
      ],
      variables: [{ name: "t", unit: "s", label: "time", from: 0, to: 3 }],
      functions: [formula("h", "t", "m", "height", "h0 + v0 t - g t^2/2")],
      questions: [
        { id: "q1", ask: "greatest", function: "h" },
        { id: "q2", ask: "reach", function: "h", value: 0 },
        { id: "q3", ask: "rate", function: "h", at: 1 },
      ],
    },
  },
  {
    id: "velocity",
    kind: "Velocity by pieces",
    about: "How far does it go, and when is half of the way done?",
    title: "The float sets off",
    rest: {
      story: story(
        "A float gains speed evenly for 4 seconds up to 6 m/s, keeps it for 6 seconds, and comes to rest in " +
          "4 more. How far does it go, and when has it gone 30 m?",
        ["6 m/s", "given", "v1"],
        ["How far does it go", "question", "q1"],
        ["when has it gone 30 m", "question", "q2"],
      ),
      givens: [given("v1", 6, "m/s", "speed kept")],
      variables: [{ name: "t", unit: "s", label: "time", from: 0, to: 14 }],
      functions: [
        {
          name: "v",
          of: "t",
          unit: "m/s",
          label: "speed",
          by: {
            kind: "pieces",
            pieces: [
              { text: "v1 t/4", from: 0, to: 4, ends: "[]" },
              { text: "v1", from: 4, to: 10, ends: "(]" },
              { text: "v1 (14 - t)/4", from: 10, to: 14, ends: "(]" },
            ],
          },
        },
        { name: "s", of: "t", unit: "m", label: "way", by: { kind: "total", function: "v", from: 0 } },
      ],
      questions: [
        { id: "q1", ask: "total", function: "v", between: [0, 14] },
        { id: "q2", ask: "reach", function: "s", value: 30 },
      ],
    },
  },
];
