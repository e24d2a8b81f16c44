import type { Plan } from "#core/model";
import { solvePlan, type PlanResult } from "#core/plan";
import type { Chance } from "../shared/chance";
import { checkFlat } from "./flatPlan";
import type { Tally } from "./tally";

/** A constraint in whole numbers, as the oracle knows it. */
export interface Row {
  readonly id: string;
  readonly a: readonly number[];
  readonly sense: "<=" | ">=" | "=";
  readonly c: number;
}
export interface PlainPlan {
  readonly rows: readonly Row[];
  /** coefficients of the objective, which is to be greatest (1) or least (-1) */
  readonly goal: readonly number[];
  readonly way: 1 | -1;
  readonly whole: readonly boolean[];
}

const NAMES = ["x", "y", "z"];
/** Beyond all other limits; products of such are exact in doubles. */
export const FAR = 2 ** 32;
/** A plan of numbers alone. */
export const NO_NAMES = { variable: null, givens: new Map(), functions: new Map(), variables: new Set<string>() };
export const NO_WHOLE_POINT = "No point with whole values keeps all constraints.";

/** A random plan of two or three variables, each of its claims held against points and corners worked out here. */
export function tryPlan(c: Chance, tally: Tally): void {
  const plain = randomPlan(c);
  const plan = written(plain);
  const { result, errors } = solvePlan(plan, NO_NAMES);
  const context = () => JSON.stringify(plan);
  if (errors.length > 0) {
    tally.faults.push(`${context()}: ${errors[0]!.message}`);
    return;
  }
  if (!tally.claimed("plan", result !== null && result.status !== null)) return;
  tally.note(checkPlan(plain, result!, c), context);
}

export const checkPlan = (p: PlainPlan, result: PlanResult, c: Chance): string | null =>
  checkPoints(p, result, c) ?? (p.goal.length === 2 ? checkFlat(p, result) : null);

export function randomPlan(c: Chance): PlainPlan {
  const n = c.once(4) ? 3 : 2;
  const some = (from: number, to: number) => Array.from({ length: n }, () => c.whole(from, to));
  const rows: Row[] = [];
  const add = (a: readonly number[], sense: Row["sense"], limit: number) => {
    if (a.some((k) => k !== 0)) rows.push({ id: `R${rows.length}`, a, sense, c: limit });
  };
  for (let i = c.whole(1, 4); i > 0; i--) add(some(-3, 6), c.once(6) ? "=" : c.once(3) ? ">=" : "<=", c.whole(-6, 40));
  for (let j = 0; j < n; j++) {
    const unit = Array.from({ length: n }, (_, i) => (i === j ? 1 : 0));
    if (!c.once(5)) add(unit, ">=", c.once(4) ? c.whole(-3, 4) : 0);
    if (c.once(2)) add(unit, "<=", c.whole(1, 15));
  }
  const goal = some(-3, 6);
  if (!goal.some((k) => k !== 0)) goal[0] = 1;
  const isWhole = c.once(2);
  const plan = { rows, goal, way: c.once(2) ? 1 : -1, whole: goal.map(() => isWhole && !c.once(4)) } as const;
  // Now and then one limit is far beyond all others.
  const far = c.once(8) ? c.whole(0, rows.length - 1) : -1;
  return { ...plan, rows: rows.map((r, i) => (i === far ? { ...r, c: r.c * FAR } : r)) };
}

const sumText = (a: readonly number[]): string =>
  a
    .flatMap((k, j) => (k === 0 ? [] : [`${k < 0 ? "- " : "+ "}${Math.abs(k)} ${NAMES[j]}`]))
    .join(" ")
    .replace(/^\+ /, "");

export const written = (p: PlainPlan): Plan => ({
  variables: p.goal.map((_, j) => ({ name: NAMES[j]!, ...(p.whole[j] ? { whole: true } : {}) })),
  constraints: p.rows.map((r) => ({ id: r.id, text: `${sumText(r.a)} ${r.sense} ${r.c}` })),
  objective: { text: sumText(p.goal), sense: p.way === 1 ? "greatest" : "least" },
});

export const dot = (a: readonly number[], x: readonly number[]): number => a.reduce((s, k, i) => s + k * x[i]!, 0);
export const isMet = (r: Row, x: readonly number[], by = 0): boolean => {
  const left = dot(r.a, x) - r.c;
  return r.sense === "<=" ? left <= by : r.sense === ">=" ? left >= -by : Math.abs(left) <= by;
};

/** Points on a grid of quarters, exact in doubles, against what is said of all points. */
function checkPoints(p: PlainPlan, result: PlanResult, c: Chance): string | null {
  const [best] = result.best;
  const wholeOnes = p.whole.some(Boolean);
  for (const b of result.best) {
    // A double of a far point is off by more.
    const terms = (a: readonly number[]) => a.reduce((s, k, j) => s + Math.abs(k * b.at[j]!), 0);
    if (!p.rows.every((r) => isMet(r, b.at, 1e-7 * (1 + Math.abs(r.c)) + 1e-14 * terms(r.a))))
      return `its best point ${b.at} breaks a constraint`;
    const off = 1e-9 * (1 + Math.abs(b.value!)) + 1e-14 * terms(p.goal);
    if (Math.abs(dot(p.goal, b.at) - b.value!) > off) return `${b.at} is not worth ${b.value}`;
  }
  for (let i = 0; i < 400; i++) {
    const at = p.goal.map(() => c.whole(-20, 60) / (c.once(2) ? 1 : 4));
    if (!p.rows.every((r) => isMet(r, at))) continue;
    if (result.status === "infeasible") return `${at} meets every constraint, told as infeasible`;
    const value = dot(p.goal, at);
    const isOptimal = result.status === "optimal" || result.status === "tied";
    if (isOptimal && (value - best!.value!) * p.way > 1e-9 * (1 + Math.abs(value)))
      return `${at} is worth ${value}, more`;
    const fits = at.every((x, j) => !p.whole[j] || Number.isInteger(x));
    if (wholeOnes && isOptimal && fits) {
      // Where the work ended first, nothing is claimed of whole points.
      if (!result.whole && result.notes.includes(NO_WHOLE_POINT)) return `${at} is a whole point, told to have none`;
      if (result.whole && (value - result.whole.value!) * p.way > 1e-9 * (1 + Math.abs(value)))
        return `whole ${at} is worth ${value}, more`;
    }
  }
  if (result.status === "unbounded" && result.ray) {
    const grows = dot(p.goal, result.ray) * p.way > 0;
    const stays = p.rows.every((r) => isMet({ ...r, c: 0 }, result.ray!, 1e-9));
    if (!grows || !stays) return `its way ${result.ray} does not lead on for ever`;
  }
  return null;
}
