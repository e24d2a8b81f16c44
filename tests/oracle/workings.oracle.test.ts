import { describe, expect, it } from "vitest";
import { analyse, workingOf } from "#core/question";
import { buildModel } from "#core/model";
import { Chance } from "../shared/chance";
import { randomWorld } from "./cases";
import { contradictedLine } from "./checkWorking";
import { described } from "./world";

/** Random cases whose workings are held against plain values. */
const CASES = Number(process.env.WORKINGS ?? 60);
const SEED = Number(process.env.SEED ?? 77_000);

describe("workings of random cases", () => {
  it("no line is contradicted by plain values, and most questions have one", () => {
    let [asked, worked] = [0, 0];
    const wrong: string[] = [];
    for (let seed = SEED; seed < SEED + CASES; seed++) {
      const world = randomWorld(new Chance(seed));
      if (buildModel(world.document).errors.length > 0) continue;
      const { model, findings } = analyse(world.document);
      for (const q of world.document.questions ?? []) {
        const f = findings.find((one) => one.id === q.id)!;
        const steps = workingOf(q, f, model, (id) => findings.find((one) => one.id === id) ?? null);
        asked++;
        if (steps.length > 0) worked++;
        const x = "given" in q ? q.given : [...model.variables.keys()][0]!;
        const says = contradictedLine(steps, f, x, model);
        if (says) wrong.push(`seed ${seed}, ${described(world)}, ${JSON.stringify(q)}: ${says}`);
      }
    }
    expect(wrong).toEqual([]);
    if (process.env.WORKINGS) console.log(`${worked} of ${asked} questions have a working`);
    expect(worked / asked).toBeGreaterThan(0.5);
  });
});
