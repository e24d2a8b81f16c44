import { answer } from "#core/question";
import { buildModel, type CaseFile, type Question } from "#core/model";
import { checkLevel } from "./checkLevel";
import type { Chance } from "../shared/chance";
import { less } from "./sampling";
import { randomFormula, type Measured, type Plain } from "./plain";
import type { Tally } from "./run";
import { described, type Value, type World } from "./world";

const exactly = (v: number): Measured => ({ v, off: Number.isInteger(v) ? 0 : Math.abs(v) * 2.5e-16 });
const LEVELS = [0, 1, 2, -1, 3, 5, 10, 0.5, 7, -2];
const RANGES: readonly (readonly [number, number])[] = [
  [0, 10],
  [-5, 5],
  [1, 40],
  [0, 1],
  [-2, 3],
];

/** A formula with a given in it, asked for which value of the given it takes a level at a fixed input. */
export function tryGiven(chance: Chance, tally: Tally): void {
  // The given is a number like any other to the formula; the oracle moves it while it looks.
  let k: Measured = exactly(2);
  const GIVEN: Plain = { text: "k", at: () => k };
  const f = randomFormula(chance, chance.whole(2, 8), GIVEN);
  const [from, to] = chance.of(RANGES);
  const document: CaseFile = {
    format: "pasear-case",
    version: 1,
    title: "Random given",
    givens: [{ name: "k", value: 2 }],
    variables: [{ name: "x", from: -10, to: 50 }],
    functions: [{ name: "f", of: "x", by: { kind: "formula", text: f.text } }],
  };
  const model = buildModel(document);
  if (model.errors.length > 0) {
    tally.refused++;
    return;
  }
  for (let i = 0; i < 4; i++) {
    const at = chance.whole(-4, 20) / 2;
    const level = chance.of(LEVELS);
    const q: Question = { id: "q", ask: "given", given: "k", range: [from, to], function: "f", at, value: level };
    const value: Value = (given) => {
      k = exactly(given);
      return f.at(exactly(at));
    };
    const world: World = { functions: {}, from, to, whole: false, isOpen: false, document };
    tally.count(
      () => answer(q, model, () => null),
      q,
      `${described(world)} with k in ${from}…${to}`,
      (finding) => checkLevel(finding, less(value, level), world, chance),
    );
  }
}
