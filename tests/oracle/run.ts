import { answer, type Finding } from "#core/question";
import { buildModel } from "#core/model";
import { randomWorld } from "./cases";
import { Chance } from "../shared/chance";
import { contradiction } from "./claims";
import { tryGiven } from "./givens";
import { tryPlan } from "./plans";
import { Tally } from "./tally";
import { described } from "./world";

export { Tally };

/** One random case of functions; with every third one in which a given is asked for, with every second a plan. */
export function tryCase(seed: number, tally: Tally): void {
  tryWorld(new Chance(seed), tally);
  if (seed % 3 === 0) tryGiven(new Chance(seed + 0x6000), tally);
  if (seed % 2 === 0) tryPlan(new Chance(seed + 0x9000), tally);
}

/** Asks all questions of one random case and holds every claim against plain values. */
function tryWorld(chance: Chance, tally: Tally): void {
  const world = randomWorld(chance);
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
