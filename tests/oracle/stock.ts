import { Chance } from "../shared/chance";

/** What random cases are made of. */
export interface Stock {
  readonly ranges: readonly (readonly [number, number])[];
  readonly levels: readonly number[];
  /** as they are typed */
  readonly numbers: readonly string[];
}

const WHOLE: Stock = {
  ranges: [
    [0, 10],
    [-5, 5],
    [0, 12],
    [-2, 3],
    [1, 40],
    [0, 1],
    [-10, 10],
    [0, 100],
  ],
  levels: [0, 1, 2, -1, 3, 5, 10, 0.5, 7, -2],
  numbers: ["1", "2", "3", "4", "5", "7", "10", "0.5", "1.5", "0.25", "-1", "-2", "-3", "0", "20", "0.1"],
};

/** Hardly any of them is a double: ends, breaks and levels lie beside the doubles that stand for them. */
export const DECIMALS: Stock = {
  ranges: [
    [0.1, 5.7],
    [0.3, 2.9],
    [-1.1, 1.3],
    [0.7, 10.3],
    [0.1, 0.7],
    [-0.3, 0.6],
    [0.01, 0.3],
    [1.15, 4.7],
  ],
  levels: [0.1, 0.3, 0.7, 1.1, -0.1, 0, 2.3, 0.6, 1.15, 0.2],
  numbers: "0.1 0.2 0.3 0.7 1.1 1.15 2.3 0.6 0.9 1 2 3 -0.1 -0.3 -1.1 0.01 0.05 1.05 4.7 5.6".split(" "),
};

/** Chance that draws from a stock of its own. */
export class StockedChance extends Chance {
  constructor(
    seed: number,
    readonly stock: Stock,
  ) {
    super(seed);
  }
}

export const stockOf = (c: Chance): Stock => (c instanceof StockedChance ? c.stock : WHOLE);

/** An input some way into a range, as a person would write it. */
export const written = (x: number, to: number): number => Number(Math.min(x, to).toFixed(6));
