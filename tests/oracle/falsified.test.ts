import { answer, inFull, type Ask, type FullFinding } from "#core/question";
import { describe, expect, it } from "vitest";
import { buildModel } from "#core/model";
import { solvePlan, type PlanResult } from "#core/plan";
import { randomWorld } from "./cases";
import { Chance } from "../shared/chance";
import { contradiction } from "./claims";
import { NO_NAMES, NO_WHOLE_POINT, checkPlan, randomPlan, written } from "./plans";

type Falsified<T> = (told: T) => T | null;

/** False findings, each made from a true one of some kinds; null where there is nothing to falsify. */
const FINDINGS: readonly (readonly [string, readonly Ask[], Falsified<FullFinding>])[] = [
  [
    "an answer left out",
    ["meet", "reach"],
    (f) =>
      f.solutions.some((s) => s.kind === "crossing" && s.turns !== 0)
        ? { ...f, solutions: f.solutions.slice(1), status: "none" }
        : null,
  ],
  [
    "an answer that is none",
    ["reach"],
    (f) => (f.solutions.length > 0 ? { ...f, solutions: f.solutions.map((s) => ({ ...s, at: s.at + 0.01 })) } : null),
  ],
  [
    "one of several values never taken",
    ["reach-any"],
    (f) => {
      const crossed = f.levels?.find((l) => l.solutions.some((s) => s.kind === "crossing" && s.turns !== 0));
      const none = { status: "none" as const, solutions: [], stretches: [] };
      return crossed ? { ...f, levels: f.levels!.map((l) => (l === crossed ? { ...l, ...none } : l)) } : null;
    },
  ],
  [
    "a best value too low",
    ["greatest"],
    (f) => (f.value !== null && f.status === "found" ? { ...f, value: f.value - 1 } : null),
  ],
  [
    "a limit that is another",
    ["greatest", "least"],
    (f) => {
      const by = f.ask === "greatest" ? 1 : -1;
      return f.bound && f.bound.value !== null && f.bound.at !== null
        ? { ...f, bound: { ...f.bound, value: 2 * f.bound.value + by } }
        : null;
    },
  ],
  [
    "growth where values settle down",
    ["greatest", "least"],
    (f) =>
      f.bound && f.bound.value !== null && f.bound.at !== null ? { ...f, bound: { ...f.bound, value: null } } : null,
  ],
  [
    "a stretch with the best value left out",
    ["greatest", "least"],
    (f) => {
      // A value that steps take is seen to be the same to the last digit.
      const [first, second] = f.stretches;
      const isSeen = second && Number.isInteger(f.value) && (first!.to ?? Infinity) - (first!.from ?? -Infinity) > 0.3;
      return isSeen ? { ...f, stretches: f.stretches.slice(1) } : null;
    },
  ],
  ["stretches turned round", ["where"], (f) => (f.status === "everywhere" ? { ...f, status: "none" } : null)],
  ["a value a little off", ["value"], (f) => (f.value !== null ? { ...f, value: f.value + 1e-3 } : null)],
  ["a total off by a tenth", ["total"], (f) => (f.value !== null ? { ...f, value: f.value * 1.1 + 0.1 } : null)],
  ["a rate a little off", ["rate"], (f) => (f.value !== null ? { ...f, value: f.value + 1e-3 } : null)],
  [
    "another function named least",
    ["compare"],
    (f) => {
      const other = f.about.functions.find((n) => !f.stretches.some((s) => s.least === n));
      return other !== undefined && f.stretches.some((s) => s.least !== null)
        ? { ...f, stretches: f.stretches.map((s) => (s.least === null ? s : { ...s, least: other })) }
        : null;
    },
  ],
  [
    "a multiple told too late",
    ["multiply"],
    (f) => (f.solutions.length > 0 ? { ...f, solutions: [], stretches: [], status: "none" } : null),
  ],
];

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
  "a worth that holds for ever": (r) => {
    const isBound = Object.entries(r.ranges).some(([id, ends]) => r.multipliers[id] && ends.some((e) => e !== null));
    const forEver = Object.fromEntries(Object.keys(r.ranges).map((id) => [id, [null, null] as const]));
    return isBound ? { ...r, ranges: forEver } : null;
  },
  "no whole point": (r) => (r.whole ? { ...r, whole: null, notes: [NO_WHOLE_POINT] } : null),
};
function lesser(r: PlanResult): PlanResult | null {
  const other = r.corners.find((v) => v.value !== r.best[0]!.value);
  return other ? { ...r, best: [other] } : null;
}

describe("the oracle notices", () => {
  it.each(FINDINGS)("%s", (_, asks, falsify) => {
    let [made, noticed] = [0, 0];
    for (let i = 0; made < 12 && i < 1000; i++) {
      const chance = new Chance(i);
      const world = randomWorld(chance);
      const model = buildModel(world.document);
      if (model.errors.length > 0 || world.whole) continue;
      for (const q of world.document.questions ?? []) {
        if (!asks.includes(q.ask)) continue;
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
      const { result } = solvePlan(written(plain), NO_NAMES);
      const falseOne = result && plain.goal.length === 2 ? falsify(result) : null;
      if (!falseOne) continue;
      made++;
      if (checkPlan(plain, falseOne, chance)) noticed++;
    }
    expect(made).toBeGreaterThanOrEqual(10);
    expect(noticed / made).toBeGreaterThan(0.6);
  });
});
