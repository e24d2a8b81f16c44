import { formula, given } from "../forms";
import { story, type Starter } from "./starter";

/** Cost and revenue, price and demand, savings. */
export const MONEY_STARTERS: readonly Starter[] = [
  {
    id: "cost-revenue",
    kind: "Cost and revenue",
    about: "From how many lanterns on does a table pay?",
    title: "A table of lanterns",
    rest: {
      story: story(
        "A table at the market costs $150 for the evening. A paper lantern costs $4.50 to make and sells for " +
          "$12; there is paper for 80 lanterns. From how many on does the table pay, and what is left at most?",
        ["$150", "given", "F"],
        ["$4.50", "given", "k"],
        ["$12", "given", "p"],
        ["80 lanterns", "limit", "q"],
        ["From how many on does the table pay", "question", "q1"],
        ["what is left at most", "question", "q2"],
      ),
      givens: [
        given("F", 150, "$", "table"),
        given("k", 4.5, "$/lantern", "paper and candle"),
        given("p", 12, "$/lantern", "price"),
      ],
      variables: [{ name: "q", unit: "lantern", label: "lanterns sold", from: 0, to: 80, whole: true }],
      functions: [
        formula("R", "q", "$", "revenue", "p q"),
        formula("C", "q", "$", "cost", "F + k q"),
        formula("P", "q", "$", "profit", "R - C"),
      ],
      questions: [
        { id: "q1", ask: "meet", functions: ["R", "C"] },
        { id: "q2", ask: "greatest", function: "P" },
      ],
    },
  },
  {
    id: "price-demand",
    kind: "Price and demand",
    about: "Which price brings in most?",
    title: "What a raft ride should cost",
    rest: {
      story: story(
        "Were it free, 240 people would ride the raft; each dollar of the price keeps 12 of them away. Which " +
          "price brings in most, and at which does the raft take in $900?",
        ["240 people", "given", "N"],
        ["12 of them", "given", "a"],
        ["Which price brings in most", "question", "q1"],
        ["take in $900", "question", "q2"],
      ),
      givens: [given("N", 240, "", "people, were it free"), given("a", 12, "", "people that a dollar keeps away")],
      variables: [{ name: "p", unit: "$", label: "price of a ride", from: 2, to: 20 }],
      functions: [
        formula("D", "p", "person", "people who ride", "N - a p"),
        formula("R", "p", "$", "revenue", "p (N - a p)"),
      ],
      questions: [
        { id: "q1", ask: "greatest", function: "R" },
        { id: "q2", ask: "reach", function: "R", value: 900 },
      ],
    },
  },
  {
    id: "savings",
    kind: "Savings",
    about: "When have savings come to a goal?",
    title: "Saving for new lanterns",
    rest: {
      story: story(
        "The club puts $2,400 into an account at 3% a year, with interest every quarter. When is there " +
          "enough for the new lanterns at $3,000, and when would the money have doubled?",
        ["$2,400", "given", "S"],
        ["3%", "given", "r"],
        ["enough for the new lanterns at $3,000", "question", "q1"],
        ["doubled", "question", "q2"],
      ),
      givens: [given("S", 2400, "$", "paid in"), given("r", 0.03, "%", "interest a year")],
      variables: [{ name: "t", unit: "year", label: "time", from: 0, to: 40 }],
      functions: [formula("B", "t", "$", "balance", "S (1 + r/4)^(4 t)")],
      questions: [
        { id: "q1", ask: "reach", function: "B", value: 3000 },
        { id: "q2", ask: "multiply", function: "B", factor: 2 },
      ],
    },
  },
];
