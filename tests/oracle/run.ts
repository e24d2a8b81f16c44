import { answer, buildModel, type Finding, type Question } from "#core/model";
import { randomWorld } from "./cases";
import { Chance } from "./chance";
import { contradiction } from "./claims";
import type { World } from "./world";

export interface Tally {
  claims: number;
  /** findings that say they are not complete */
  open: number;
  refused: number;
  /** sentences, one for each contradiction, with all that is needed to see it again */
  contradictions: string[];
  /** faults of ours that a question reported */
  faults: string[];
  byKind: Record<string, { claims: number; open: number }>;
  /** time of each question, in ms */
  times: number[];
}

export const emptyTally = (): Tally => ({
  claims: 0,
  open: 0,
  refused: 0,
  contradictions: [],
  faults: [],
  byKind: {},
  times: [],
});

/** Asks all questions of one random case and holds every claim against plain values. */
export function tryCase(seed: number, tally: Tally): void {
  const chance = new Chance(seed);
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
    const start = performance.now();
    const f = answer(q, model, (id) => done.get(id) ?? null);
    tally.times.push(performance.now() - start);
    done.set(q.id, f);
    count(f, q, world, tally, chance);
  }
}

function count(f: Finding, q: Question, world: World, tally: Tally, chance: Chance): void {
  const kind = (tally.byKind[q.ask] ??= { claims: 0, open: 0 });
  if (f.status === "error") {
    tally.refused++;
    if (/could not be worked out/.test(f.message ?? "")) tally.faults.push(`${described(world)} ${JSON.stringify(q)}`);
    return;
  }
  if (!f.complete) {
    tally.open++;
    kind.open++;
    return;
  }
  tally.claims++;
  kind.claims++;
  const found = contradiction(f, q, world, chance);
  if (found) tally.contradictions.push(`${described(world)} ${JSON.stringify(q)}: ${found.why}`);
}

const described = (w: World): string =>
  `${JSON.stringify(w.document.functions?.map((f) => f.by))} on ${w.from}…${w.to}${w.whole ? " whole" : ""}`;
