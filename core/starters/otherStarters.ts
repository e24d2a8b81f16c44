import { story, type Starter } from "./starter";

/** A plan, and measured data. */
export const OTHER_STARTERS: readonly Starter[] = [
  {
    id: "plan",
    kind: "A plan",
    about: "How many of each, where paper and time are short?",
    title: "Two kinds of lantern, little time",
    rest: {
      story: story(
        "A river lantern takes 3 sheets of paper and 10 minutes and earns $5; a star lantern takes 2 sheets and 20 " +
          "minutes and earns $7. There are 120 sheets and 800 minutes. How many of each earn most?",
        ["120 sheets", "limit", "A"],
        ["800 minutes", "limit", "B"],
        ["How many of each earn most", "question", "plan"],
      ),
      plan: {
        variables: [
          { name: "r", unit: "lantern", label: "river lanterns", whole: true },
          { name: "s", unit: "lantern", label: "star lanterns", whole: true },
        ],
        constraints: [
          { id: "A", text: "3r + 2s <= 120", label: "paper" },
          { id: "B", text: "10r + 20s <= 800", label: "time" },
          { id: "C", text: "r >= 0" },
          { id: "D", text: "s >= 0" },
        ],
        objective: { text: "5r + 7s", sense: "greatest", unit: "$" },
      },
    },
  },
  {
    id: "data",
    kind: "Measured data",
    about: "Which model fits, and what does it say further on?",
    title: "Candle and height",
    rest: {
      story: story("The height of a candle was measured every twenty minutes. When is it burnt down to 2 cm?", [
        "When is it burnt down to 2 cm",
        "question",
        "q1",
      ]),
      variables: [{ name: "t", unit: "min", label: "time lit", from: 0, to: 180 }],
      data: [
        {
          name: "candle",
          columns: [
            { name: "t", unit: "min" },
            { name: "height", unit: "cm" },
          ],
          rows: [
            [0, 14],
            [20, 12.5],
            [40, 11.2],
            [60, 9.6],
            [80, 8.3],
            [100, 6.8],
          ],
        },
      ],
      functions: [
        {
          name: "h",
          of: "t",
          unit: "cm",
          label: "height of the candle",
          by: { kind: "fit", data: "candle", x: "t", y: "height", model: "linear" },
        },
      ],
      questions: [{ id: "q1", ask: "reach", function: "h", value: 2 }],
    },
  },
];
