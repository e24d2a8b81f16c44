import type { FunctionRow, Given, Variable } from "../model";

/** A trade formula: what it is for, what its letters mean, and where it is from. */
export interface Form {
  readonly id: string;
  readonly title: string;
  readonly group: "interest" | "growth" | "demand and cost" | "motion" | "science";
  readonly meaning: string;
  readonly source: string;
  readonly variable: Variable;
  readonly givens: readonly Given[];
  /** in an order in which each only needs earlier ones; the last is the one the form is for */
  readonly functions: readonly FunctionRow[];
}

const given = (name: string, value: number, unit: string, label: string): Given => ({
  name,
  value,
  ...(unit ? { unit } : {}),
  label,
});
const formula = (name: string, of: string, unit: string, label: string, text: string): FunctionRow => ({
  name,
  of,
  ...(unit ? { unit } : {}),
  label,
  by: { kind: "formula", text },
});
const years: Variable = { name: "t", unit: "year", label: "time", from: 0, to: 40 };
const start = given("A0", 2000, "$", "start");
const rate = given("r", 0.045, "%/year", "rate a year");

/** All forms, grouped. Example values are in the world of the Lantern Walk; every letter can be changed on the Desk. */
export const FORMS: readonly Form[] = [
  {
    id: "simple-interest",
    title: "Simple interest",
    group: "interest",
    meaning: "Interest on the start only: the same amount every year.",
    source: "start · (1 + rate · time)",
    variable: years,
    givens: [start, rate],
    functions: [formula("A", "t", "$", "amount", "A0 (1 + r t)")],
  },
  {
    id: "compound-interest",
    title: "Interest compounded n times a year",
    group: "interest",
    meaning: "Interest is added n times a year and earns interest itself.",
    source: "start · (1 + rate/n)^(n · time)",
    variable: years,
    givens: [start, rate, given("n", 12, "", "times a year")],
    functions: [formula("A", "t", "$", "amount", "A0 (1 + r/n)^(n t)")],
  },
  {
    id: "continuous-interest",
    title: "Interest compounded continuously",
    group: "interest",
    meaning: "The limit of compounding ever more often.",
    source: "start · e^(rate · time)",
    variable: years,
    givens: [start, rate],
    functions: [formula("A", "t", "$", "amount", "A0 exp(r t)")],
  },
  {
    id: "effective-rate",
    title: "Effective yearly rate",
    group: "interest",
    meaning: "The one rate a year that does the same as a nominal rate compounded n times.",
    source: "(1 + rate/n)^n − 1",
    variable: { name: "n", label: "times a year", from: 1, to: 365, whole: true },
    givens: [given("r", 0.045, "%", "nominal rate a year")],
    functions: [formula("E", "n", "%", "effective rate", "(1 + r/n)^n - 1")],
  },
  {
    id: "savings-plan",
    title: "Savings plan",
    group: "interest",
    meaning: "A deposit at the end of every period, with interest.",
    source: "deposit · ((1 + i)^n − 1)/i",
    variable: { name: "n", label: "deposits made", from: 0, to: 120, whole: true },
    givens: [given("D", 50, "$", "deposit each time"), given("i", 0.003, "%", "rate a period")],
    functions: [formula("S", "n", "$", "saved", "D ((1 + i)^n - 1)/i")],
  },
  {
    id: "loan-payment",
    title: "Loan: payment for a term",
    group: "interest",
    meaning: "The equal payment that pays a loan off in n periods.",
    source: "loan · i/(1 − (1 + i)^(−n))",
    variable: { name: "n", label: "payments", from: 1, to: 120, whole: true },
    givens: [given("B", 6000, "$", "loan"), given("i", 0.005, "%", "rate a period")],
    functions: [formula("Q", "n", "$", "payment", "B i/(1 - (1 + i)^(-n))")],
  },
  {
    id: "doubling-time",
    title: "Doubling time and its rules of thumb",
    group: "growth",
    meaning: "How long until it doubles, exactly, and by the rules 69, 70 and 72 over many rates.",
    source: "ln 2 / ln(1 + rate); 0.69, 0.70, 0.72 over the rate",
    variable: { name: "r", unit: "%", label: "rate a period", from: 0.005, to: 0.25 },
    givens: [],
    functions: [
      formula("T69", "r", "", "rule of 69", "0.69/r"),
      formula("T70", "r", "", "rule of 70", "0.70/r"),
      formula("T72", "r", "", "rule of 72", "0.72/r"),
      formula("T", "r", "", "exact", "ln(2)/ln(1 + r)"),
    ],
  },
  {
    id: "growth-rate",
    title: "Growth or decay by a rate",
    group: "growth",
    meaning: "The same percentage more (or less, with a negative rate) every period.",
    source: "start · (1 + rate)^time",
    variable: { name: "t", unit: "week", label: "time", from: 0, to: 30 },
    givens: [given("N0", 120, "person", "at the start"), given("g", 0.12, "%/week", "growth rate")],
    functions: [formula("N", "t", "person", "count", "N0 (1 + g)^t")],
  },
  {
    id: "growth-factor",
    title: "Growth or decay by a factor",
    group: "growth",
    meaning: "Multiplied by the same factor every period; factor = 1 + rate.",
    source: "start · factor^time",
    variable: { name: "t", unit: "week", label: "time", from: 0, to: 30 },
    givens: [given("N0", 120, "person", "at the start"), given("b", 1.12, "", "growth factor")],
    functions: [formula("N", "t", "person", "count", "N0 b^t")],
  },
  {
    id: "growth-exponent",
    title: "Growth or decay with an exponent of e",
    group: "growth",
    meaning: "Continuous rate k; factor = e^k, rate = e^k − 1.",
    source: "start · e^(k · time)",
    variable: { name: "t", unit: "week", label: "time", from: 0, to: 30 },
    givens: [given("N0", 120, "person", "at the start"), given("k", 0.1133, "%/week", "continuous rate")],
    functions: [formula("N", "t", "person", "count", "N0 exp(k t)")],
  },
  {
    id: "half-life",
    title: "Half-life",
    group: "growth",
    meaning: "What is left when half goes in every half-life.",
    source: "start · 2^(−time/half-life)",
    variable: { name: "t", unit: "day", label: "time", from: 0, to: 60 },
    givens: [given("m0", 50, "mg", "at the start"), given("H", 8, "day", "half-life")],
    functions: [formula("m", "t", "mg", "left", "m0 2^(-t/H)")],
  },
  {
    id: "logistic-growth",
    title: "Logistic growth",
    group: "growth",
    meaning: "Fast at first, levelling off at a limit; fastest at half the limit.",
    source: "limit/(1 + e^(−k (time − middle)))",
    variable: { name: "t", unit: "week", label: "time", from: 0, to: 20 },
    givens: [
      given("L", 5200, "person", "limit"),
      given("k", 0.62, "%/week", "steepness"),
      given("m", 7, "week", "middle"),
    ],
    functions: [formula("N", "t", "person", "count", "L/(1 + exp(-k (t - m)))")],
  },
  {
    id: "linear-demand",
    title: "Linear demand, revenue and profit",
    group: "demand and cost",
    meaning: "Price falls by the same amount for every one more sold; profit takes all of the cost off.",
    source: "price = a − b q; revenue = q · price; cost = fixed + each · q",
    variable: { name: "q", unit: "lantern", label: "sold", from: 0, to: 300, whole: true },
    givens: [
      given("a", 14, "$/lantern", "price at which none is sold"),
      given("b", 0.04, "$/lantern^2", "fall of the price for one more"),
      given("F", 150, "$", "fixed cost"),
      given("k", 2.4, "$/lantern", "cost of each"),
    ],
    functions: [
      formula("p", "q", "$/lantern", "price", "a - b q"),
      formula("R", "q", "$", "revenue", "q p(q)"),
      formula("C", "q", "$", "cost", "F + k q"),
      formula("G", "q", "$", "profit", "R - C"),
    ],
  },
  {
    id: "percentage-demand",
    title: "Demand that falls by a percentage",
    group: "demand and cost",
    meaning: "Every unit of price more loses the same percentage of buyers.",
    source: "start · (1 − loss)^(price − today)",
    variable: { name: "p", unit: "$", label: "price", from: 1, to: 30 },
    givens: [
      given("Q0", 240, "lantern", "sold at today’s price"),
      given("p0", 6, "$", "today’s price"),
      given("w", 0.07, "%", "share lost for one more"),
      given("u", 1, "$", "one more"),
    ],
    functions: [
      formula("Q", "p", "lantern", "sold", "Q0 (1 - w)^(p/u - p0/u)"),
      formula("R", "p", "$ lantern", "revenue", "p Q(p)"),
    ],
  },
  {
    id: "price-change",
    title: "Revenue with a change from today’s price",
    group: "demand and cost",
    meaning: "x more on the price loses m buyers for each; the best x turned back into a price is a + x.",
    source: "(a + x)(b − m x)",
    variable: { name: "x", unit: "$/lantern", label: "change of the price", from: -4, to: 12 },
    givens: [
      given("a", 6, "$/lantern", "today’s price"),
      given("b", 240, "lantern", "sold today"),
      given("m", 20, "lantern^2/$", "lost for one more"),
    ],
    functions: [
      formula("p", "x", "$/lantern", "price", "a + x"),
      formula("q", "x", "lantern", "sold", "b - m x"),
      formula("R", "x", "$", "revenue", "p q"),
    ],
  },
  {
    id: "average-cost",
    title: "Average cost",
    group: "demand and cost",
    meaning: "What one costs when the fixed cost is shared, with a cost that grows with the square of the number.",
    source: "(fixed + each · q + growth · q²)/q",
    variable: { name: "q", unit: "lantern", label: "made", from: 1, to: 400, whole: true },
    givens: [
      given("F", 180, "$", "fixed cost"),
      given("k", 2.5, "$/lantern", "cost of each"),
      given("c", 0.004, "$/lantern^2", "growth"),
    ],
    functions: [
      formula("C", "q", "$", "cost", "F + k q + c q^2"),
      formula("U", "q", "$/lantern", "average cost", "C/q"),
    ],
  },
  {
    id: "order-size",
    title: "Order size",
    group: "demand and cost",
    meaning: "Ordering often costs trips, ordering much costs storage: the sum has a least value.",
    source: "demand/size · trip + size/2 · storage (Harris 1913)",
    variable: { name: "s", unit: "sheet", label: "size of an order", from: 1, to: 1000, whole: true },
    givens: [
      given("D", 2400, "sheet", "needed in all"),
      given("o", 15, "$", "cost of a trip"),
      given("h", 0.4, "$/sheet", "storage of one"),
    ],
    functions: [formula("K", "s", "$", "cost", "D/s o + s/2 h")],
  },
  {
    id: "launch-height",
    title: "Height of a launched thing",
    group: "motion",
    meaning: "Thrown straight up from a height; air is left out.",
    source: "h0 + v0 t − g t²/2 (Newton)",
    variable: { name: "t", unit: "s", label: "time", from: 0, to: 10 },
    givens: [
      given("h0", 1.8, "m", "height at the start"),
      given("v0", 21, "m/s", "speed at the start"),
      given("g", 9.81, "m/s^2", "gravity"),
    ],
    functions: [
      formula("h", "t", "m", "height", "h0 + v0 t - (1/2) g t^2"),
      { name: "v", of: "t", unit: "m/s", label: "speed", by: { kind: "slope", function: "h" } },
    ],
  },
  {
    id: "velocity-pieces",
    title: "Velocity by pieces",
    group: "motion",
    meaning: "Speeds up, keeps its speed, brakes; the same with a unit step, and the distance.",
    source: "velocity by pieces; its running total is the distance",
    variable: { name: "t", unit: "s", label: "time", from: 0, to: "t2 + a t1/b" },
    givens: [
      given("a", 1.5, "m/s^2", "speeding up"),
      given("b", 2, "m/s^2", "braking"),
      given("t1", 6, "s", "end of speeding up"),
      given("t2", 15, "s", "start of braking"),
    ],
    functions: [
      {
        name: "v",
        of: "t",
        unit: "m/s",
        label: "velocity",
        by: {
          kind: "pieces",
          pieces: [
            { text: "a t", from: 0, to: "t1", ends: "[)" },
            { text: "a t1", from: "t1", to: "t2", ends: "[)" },
            { text: "a t1 - b (t - t2)", from: "t2", to: "t2 + a t1/b", ends: "[]" },
          ],
        },
      },
      formula("w", "t", "m/s", "velocity, with steps", "a t - a (t - t1) step(t - t1) - b (t - t2) step(t - t2)"),
      { name: "s", of: "t", unit: "m", label: "distance", by: { kind: "total", function: "v", from: 0 } },
    ],
  },
  {
    id: "channel-flow",
    title: "Flow in a rectangular channel",
    group: "science",
    meaning: "Flow of water in an open channel; the depth for a wanted flow cannot be isolated by hand.",
    source: "A/n · R^(2/3) · √slope, R = A/(w + 2y) (Manning 1891)",
    variable: { name: "y", unit: "m", label: "depth", from: 0, to: 4 },
    givens: [given("w", 3, "m", "width"), given("n", 0.014, "", "roughness"), given("S", 0.0009, "", "slope")],
    functions: [
      formula("A", "y", "m^2", "wetted area", "w y"),
      formula("H", "y", "m", "hydraulic radius", "A/(w + 2 y)"),
      { name: "Q", of: "y", label: "flow, m³/s", by: { kind: "formula", text: "A H^(2/3) sqrt(S)/n" } },
    ],
  },
  {
    id: "heat-loss",
    title: "Heat loss of a pipe",
    group: "science",
    meaning: "Heat lost by one metre of an insulated pipe, by the thickness of the insulation.",
    source: "2π k ΔT / ln(1 + thickness/radius) (Fourier 1822)",
    variable: { name: "d", unit: "m", label: "thickness", from: 0.002, to: 0.1 },
    givens: [
      given("k", 0.04, "", "conductivity, W/(m K)"),
      given("r", 0.02, "m", "radius of the pipe"),
      given("T", 45, "", "temperature difference, K"),
    ],
    functions: [
      { name: "q", of: "d", label: "heat loss, W for a metre", by: { kind: "formula", text: "2 pi k T/ln(1 + d/r)" } },
    ],
  },
  {
    id: "cooling",
    title: "Cooling",
    group: "science",
    meaning: "A warm thing comes to the temperature of the room, ever more slowly.",
    source: "room + (start − room) · e^(−k t) (Newton 1701)",
    variable: { name: "t", unit: "min", label: "time", from: 0, to: 120 },
    givens: [given("E", 18, "°C", "room"), given("T0", 82, "°C", "start"), given("k", 0.035, "1/min", "rate")],
    functions: [formula("T", "t", "°C", "temperature", "E + (T0 - E) exp(-k t)")],
  },
];

/** Growth told three ways: each turned into the others. Rates and factors per period; a factor must be above 0. */
export const growth = {
  factorOfRate: (rate: number): number => 1 + rate,
  rateOfFactor: (factor: number): number => factor - 1,
  exponentOfFactor: (factor: number): number => Math.log(factor),
  factorOfExponent: (exponent: number): number => Math.exp(exponent),
  exponentOfRate: (rate: number): number => Math.log1p(rate),
  rateOfExponent: (exponent: number): number => Math.expm1(exponent),
};
