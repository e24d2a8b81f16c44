import type { Chance } from "../shared/chance";

const NAMES = ["x", "x", "x", "F", "k", "pi", "e"];
const NUMBERS = ["0", "1", "2", "7", "0.5", "1/3", "100", "1e6", "1e-9", "3.7", "12345678901234567890"];
const ONES = [
  "exp",
  "ln",
  "sqrt",
  "cbrt",
  "abs",
  "sin",
  "cos",
  "tan",
  "asin",
  "acos",
  "atan",
  "floor",
  "ceil",
  "round",
  "step",
  "tanh",
  "log",
];
const TWOS = ["min", "max"];

/** A formula by the grammar, however senseless. */
export function anyFormula(c: Chance, depth = c.whole(1, 5)): string {
  if (depth === 0) return c.once(2) ? c.of(NAMES) : c.of(NUMBERS);
  const next = () => anyFormula(c, depth - 1 - (c.once(4) ? c.whole(0, depth - 1) : 0));
  const way = c.whole(0, 9);
  if (way < 5) return `(${next()}) ${c.of(["+", "-", "*", "/", "^"])} (${next()})`;
  if (way < 8) return `${c.of(ONES)}(${next()})`;
  if (way === 8) return `${c.of(TWOS)}(${next()}, ${next()})`;
  return `-${next()}`;
}
