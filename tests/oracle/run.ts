import { answer, type Finding } from "#core/question";
import { buildModel } from "#core/model";
import { randomWorld } from "./cases";
import { randomSlopes } from "./slopes";
import { randomTotals } from "./totals";
import { Chance } from "../shared/chance";
import { contradiction } from "./claims";
import { tryGiven } from "./givens";
import { tryPlan } from "./plans";
import { DECIMALS, StockedChance } from "./stock";
import { Tally } from "./tally";
import { described, type World } from "./world";

export { Tally };

/**
 * One random case of functions; with every third one in which a given is asked for, with every second a plan, with
 * every eighth one of slopes, with every sixteenth one of running totals.
 */
export function tryCase(seed: number, tally: Tally): void {
  const chance = new Chance(seed);
  tryWorld(randomWorld(chance), chance, tally);
  if (seed % 3 === 0) tryGiven(new Chance(seed + 0x6000), tally);
  if (seed % 2 === 0) tryPlan(new Chance(seed + 0x9000), tally);
  if (seed % 8 === 0) trySlopes(new Chance(seed + 0xc000), tally);
  if (seed % 16 === 4) tryTotals(new Chance(seed + 0xf000), tally);
}

/** One random case of slopes. */
export const trySlopes = (chance: Chance, tally: Tally): void => tryWorld(randomSlopes(chance), chance, tally);

/** One random case of running totals. */
export const tryTotals = (chance: Chance, tally: Tally): void => tryWorld(randomTotals(chance), chance, tally);

/** One random case of decimals: of functions, of slopes, or of running totals. */
export function tryDecimals(seed: number, tally: Tally): void {
  const chance = new StockedChance(seed, DECIMALS);
  const made = [randomWorld, randomSlopes, randomTotals][seed % 3]!;
  tryWorld(made(chance), chance, tally);
}

/** Asks all questions of one random case and holds every claim against plain values. */
function tryWorld(world: World, chance: Chance, tally: Tally): void {
  const model = buildModel(world.document);
  const [error] = model.errors;
  if (error) {
    // A formula that has no value anywhere, such as ln(-2), is rightly refused; any other refusal of these texts is a
    // fault.
    if (/no value|has values only/.test(error.message)) tally.refused++;
    else tally.faults.push(`${described(world)}: ${error.message}`);
    return;
  }
  const done = new Map<string, Finding>();
  for (const q of world.document.questions ?? []) {
    const ask = () => answer(q, model, (id) => done.get(id) ?? null);
    done.set(
      q.id,
      tally.count(ask, q, described(world), (f) => contradiction(f, q, world, chance)?.why ?? null),
    );
  }
}
