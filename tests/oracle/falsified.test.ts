import { answer, inFull, type FullFinding } from "#core/question";
import { describe, expect, it } from "vitest";
import { buildModel } from "#core/model";
import { solvePlan, type PlanResult } from "#core/plan";
import { randomWorld } from "./cases";
import { Chance } from "../shared/chance";
import { contradiction } from "./claims";
import { NO_WHOLE_POINT, checkPlan, randomPlan, written } from "./plans";

type Falsified<T> = (told: T) => T | null;

/** False findings, each made from a true one; null where there is nothing to falsify. */
const FINDINGS: Readonly<Record<string, Falsified<FullFinding>>> = {
  "an answer left out": (f) =>
    (f.ask === "meet" || f.ask === "reach") && f.solutions.some((s) => s.kind === "crossing" && s.turns !== 0)
      ? { ...f, solutions: f.solutions.slice(1), status: "none" }
      : null,
  "an answer that is none": (f) =>
    f.ask === "reach" && f.solutions.length > 0
      ? { ...f, solutions: f.solutions.map((s) => ({ ...s, at: s.at + 0.01 })) }
      : null,
  "a best value too low": (f) =>
    f.ask === "greatest" && f.value !== null && f.status === "found" ? { ...f, value: f.value - 1 } : null,
  "a limit that is another": (f) =>
    (f.ask === "greatest" || f.ask === "least") && f.bound && f.bound.value !== null && f.bound.at !== null
      ? { ...f, bound: { ...f.bound, value: 2 * f.bound.value + (f.ask === "greatest" ? 1 : -1) } }
      : null,
  "growth where values settle down": (f) =>
    (f.ask === "greatest" || f.ask === "least") && f.bound && f.bound.value !== null && f.bound.at !== null
      ? { ...f, bound: { ...f.bound, value: null } }
      : null,
  "stretches turned round": (f) => (f.ask === "where" && f.status === "everywhere" ? { ...f, status: "none" } : null),
  "a value a little off": (f) => (f.ask === "value" && f.value !== null ? { ...f, value: f.value + 1e-3 } : null),
  "a total off by a tenth": (f) =>
    f.ask === "total" && f.value !== null ? { ...f, value: f.value * 1.1 + 0.1 } : null,
  "a rate a little off": (f) => (f.ask === "rate" && f.value !== null ? { ...f, value: f.value + 1e-3 } : null),
  "another function named least": (f) => {
    const other = f.about.functions.find((n) => !f.stretches.some((s) => s.least === n));
    return f.ask === "compare" && other !== undefined && f.stretches.some((s) => s.least !== null)
      ? { ...f, stretches: f.stretches.map((s) => (s.least === null ? s : { ...s, least: other })) }
      : null;
  },
  "a multiple told too late": (f) =>
    f.ask === "multiply" && f.solutions.length > 0 ? { ...f, solutions: [], stretches: [], status: "none" } : null,
};

const PLANS: Readonly<Record<string, Falsified<PlanResult>>> = {
  "a corner left out": (r) => (r.corners.length > 0 ? { ...r, corners: r.corners.slice(1) } : null),
  "no region": (r) => (r.status === "optimal" ? { ...r, status: "infeasible" } : null),
  "a tie left out": (r) => (r.status === "tied" ? { ...r, status: "optimal" } : null),
  "a bound where there is none": (r) =>
    r.status === "unbounded" && r.corners.length > 0 ? { ...r, status: "optimal", best: [r.corners[0]!] } : null,
  "a lesser best point": (r) => (r.status === "optimal" && r.corners.length > 1 ? lesser(r) : null),
  "one more worth twice as much": (r) =>
    Object.values(r.multipliers).some((m) => m !== null && m !== 0)
      ? { ...r, multipliers: Object.fromEntries(Object.entries(r.multipliers).map(([k, m]) => [k, m && m * 2])) }
      : null,
  "no whole point": (r) => (r.whole ? { ...r, whole: null, notes: [NO_WHOLE_POINT] } : null),
};
function lesser(r: PlanResult): PlanResult | null {
  const other = r.corners.find((v) => v.value !== r.best[0]!.value);
  return other ? { ...r, best: [other] } : null;
}

/** Kinds of question that a falsification is about: those whose name stands in it. */
const askedBy = (falsify: Falsified<FullFinding>) => {
  const text = String(falsify);
  return (ask: string) => text.includes(`"${ask}"`);
};

describe("the oracle notices", () => {
  it.each(Object.entries(FINDINGS))("%s", (_, falsify) => {
    let [made, noticed] = [0, 0];
    const isAsked = askedBy(falsify);
    for (let i = 0; made < 20 && i < 1000; i++) {
      const chance = new Chance(i);
      const world = randomWorld(chance);
      const model = buildModel(world.document);
      if (model.errors.length > 0 || world.whole) continue;
      for (const q of world.document.questions ?? []) {
        if (!isAsked(q.ask)) continue;
        const told = inFull(answer(q, model, () => null));
        const falseOne = told.complete ? falsify(told) : null;
        if (!falseOne) continue;
        made++;
        if (contradiction(falseOne, q, world, chance)) noticed++;
      }
    }
    // Not each: near a jump or where doubles are too coarse, plain values say nothing.
    expect(made).toBeGreaterThanOrEqual(10);
    expect(noticed / made).toBeGreaterThan(0.6);
  });

  it.each(Object.entries(PLANS))("%s", (_, falsify) => {
    let [made, noticed] = [0, 0];
    for (let i = 0; made < 30 && i < 2000; i++) {
      const chance = new Chance(i);
      const plain = randomPlan(chance);
      const { result } = solvePlan(written(plain), new Map());
      const falseOne = result && plain.goal.length === 2 ? falsify(result) : null;
      if (!falseOne) continue;
      made++;
      if (checkPlan(plain, falseOne, chance)) noticed++;
    }
    expect(made).toBeGreaterThanOrEqual(10);
    expect(noticed / made).toBeGreaterThan(0.6);
  });
});
