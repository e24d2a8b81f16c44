import type { NumberFunction } from "#core/formula";

/** Formulas, and what a person would write for them in TypeScript. */
export const byHand: [string, NumberFunction][] = [
  ["180 + 2.5 x", (x) => 180 + 2.5 * x],
  ["x (14 - x/30) - (180 + 2.5 x)", (x) => x * (14 - x / 30) - (180 + 2.5 * x)],
  ["0.02 x^3 - 1.5 x^2 + 12 x + 300", (x) => 0.02 * x ** 3 - 1.5 * x ** 2 + 12 * x + 300],
  ["850/(1 + 16 exp(-0.55 x))", (x) => 850 / (1 + 16 * Math.exp(-0.55 * x))],
  ["1500*1.034^x", (x) => 1500 * 1.034 ** x],
  ["sin(3 x) exp(-x/4) + ln(x + 2)", (x) => Math.sin(3 * x) * Math.exp(-x / 4) + Math.log(x + 2)],
];
