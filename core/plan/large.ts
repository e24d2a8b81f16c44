import type { Plan } from "../model";
import type { Program } from "./program";
import type { PlanResult } from "./solvePlan";

/** What a compiled solver found of a program. */
export interface CompiledAnswer {
  readonly status: "optimal" | "infeasible" | "unbounded" | "stopped";
  /** best point without regard to whole values, with multipliers; null when there is none */
  readonly relaxed: {
    readonly at: readonly number[];
    readonly worth: readonly number[];
    readonly reach: readonly (readonly [number, number])[];
    readonly stays: readonly (readonly [number, number])[];
  } | null;
  /** best whole point found; `bound` is the best value still possible */
  readonly whole: { readonly at: readonly number[]; readonly bound: number; readonly proven: boolean } | null;
  readonly wholeStatus: "optimal" | "infeasible" | "stopped" | null;
  /** rows that cannot hold together */
  readonly conflict: readonly number[];
  /** a way in which the objective grows for ever */
  readonly ray: readonly number[] | null;
  readonly seconds: number;
}

/** A row counts as tight, and a value as whole, within this share. */
const TIGHT = 1e-7;

export const valueAt = (p: Program, at: readonly number[]): number =>
  (p.cost ?? []).reduce((s, c, j) => s + c * at[j]!, p.constant);
const rowAt = (
  entries: readonly (readonly [number, number])[],
  at: readonly number[],
): { value: number; scale: number } =>
  entries.reduce((s, [j, v]) => ({ value: s.value + v * at[j]!, scale: s.scale + Math.abs(v * at[j]!) }), {
    value: 0,
    scale: 1,
  });

/** By how much a point breaks the rows at most, relative to their terms; 0 where it keeps all. */
export function worstBreak(p: Program, at: readonly number[]): number {
  return p.rows.reduce((worst, r) => {
    const { value, scale } = rowAt(r.entries, at);
    return Math.max(worst, (r.lower - value) / scale, (value - r.upper) / scale);
  }, 0);
}
/**
 * How far a best value is from being proven by its multipliers: with y on the rows, no point can be better than Σ
 * y·bound as long as Σ y·row is the objective (weak duality). Relative; ∞ when the multipliers prove nothing.
 */
export function dualGap(p: Program, at: readonly number[], worth: readonly number[]): number {
  const rest = [...(p.cost ?? [])];
  let bound = p.constant;
  let size = 1;
  p.rows.forEach((r, i) => {
    const y = worth[i]!;
    if (y === 0) return;
    for (const [j, v] of r.entries) rest[j]! -= y * v;
    // A greatest value is held down by upper sides with y > 0 and lower sides with y < 0; a least value the other way.
    const side = y > 0 === p.greatest ? r.upper : r.lower;
    bound += y * side;
    size = Math.max(size, Math.abs(y * side));
  });
  if (!Number.isFinite(bound) || rest.some((v, j) => Math.abs(v) > 1e-7 * (1 + Math.abs(p.cost![j]!)))) return Infinity;
  return Math.abs(bound - valueAt(p, at)) / size;
}

const snapped = (at: readonly number[]): number[] =>
  at.map((v) => {
    const r = Math.round(v);
    return Math.abs(v - r) <= 1e-9 * Math.max(1, Math.abs(r)) ? r + 0 : Number(v.toPrecision(14));
  });

/**
 * The result of a plan that was worked out by a compiled solver. Every claim is tested here against the program itself.
 */
export function compiledResult(plan: Plan, p: Program, a: CompiledAnswer): PlanResult {
  const none: PlanResult = {
    status: null,
    corners: [],
    outside: [],
    regionBounded: null,
    directions: [],
    best: [],
    whole: null,
    wholeTies: null,
    binding: [],
    slack: {},
    wholeSlack: null,
    multipliers: {},
    ranges: {},
    stays: {},
    reduced: {},
    ray: null,
    conflict: [],
    notes: [],
    secondWay: null,
    compiled: true,
    gap: null,
  };
  if (a.status === "infeasible")
    return { ...none, status: "infeasible", conflict: [...new Set(a.conflict.map((i) => p.rows[i]!.id))] };
  if (a.status === "unbounded") return { ...none, status: "unbounded", ray: a.ray };
  if (!a.relaxed) return { ...none, notes: ["The work ended before an answer was found."] };
  const at = snapped(a.relaxed.at);
  const notes: string[] = [];
  if (worstBreak(p, at) > TIGHT)
    notes.push("The answer breaks a constraint by more than rounding explains; do not rely on it.");
  const point = (v: readonly number[]) => ({ at: v, exact: [], value: p.cost ? valueAt(p, v) : null });
  const binding: string[] = [];
  const slack: Record<string, number> = {};
  const multipliers: Record<string, number | null> = {};
  const ranges: Record<string, readonly [number | null, number | null]> = {};
  const open = (v: number): number | null =>
    Number.isFinite(v) && Math.abs(v) < 1e20 ? Number(v.toPrecision(10)) : null;
  p.rows.forEach((r, i) => {
    const { value, scale } = rowAt(r.entries, at);
    const room = Math.min(value - r.lower, r.upper - value);
    const tight = room <= TIGHT * scale;
    const y = a.relaxed!.worth[i]!;
    const worth = Math.abs(y) < 1e-11 ? 0 : Number(y.toPrecision(12));
    if (tight) {
      if (!binding.includes(r.id)) binding.push(r.id);
    } else slack[r.id] = Math.min(slack[r.id] ?? Infinity, Number(room.toPrecision(12)));
    if (multipliers[r.id] !== undefined && multipliers[r.id] !== 0) return;
    multipliers[r.id] = worth;
    ranges[r.id] =
      worth === 0 && !tight
        ? r.upper === Infinity
          ? [null, open(value)]
          : [open(value), null]
        : [open(a.relaxed!.reach[i]?.[0] ?? NaN), open(a.relaxed!.reach[i]?.[1] ?? NaN)];
  });
  for (const id of binding) Reflect.deleteProperty(slack, id);
  const stays: Record<string, readonly [number | null, number | null]> = {};
  const reduced: Record<string, number | null> = {};
  p.variables.forEach((v, j) => {
    const s = a.relaxed!.stays[j];
    if (s) stays[v.name] = [open(s[0]), open(s[1])];
    reduced[v.name] = p.cost?.[j] ?? 0;
  });
  p.rows.forEach((r, i) => {
    if (r.entries.length > 1)
      for (const [j, v] of r.entries) {
        const name = p.variables[j]!.name;
        reduced[name] = reduced[name]! - a.relaxed!.worth[i]! * v;
      }
  });
  for (const v of p.variables) if (Math.abs(reduced[v.name]!) < 1e-9) reduced[v.name] = 0;
  const proof = dualGap(p, at, a.relaxed.worth);
  if (p.cost && proof > 1e-7) notes.push("The multipliers do not prove the best value; it is the solver’s word.");
  const result: PlanResult = {
    ...none,
    status: "optimal",
    best: [point(at)],
    binding,
    slack,
    multipliers,
    ranges,
    stays,
    reduced,
    notes,
    secondWay: p.cost && proof <= 1e-7 ? proof : null,
  };
  if (!plan.variables.some((v) => v.whole)) return result;
  if (a.wholeStatus === "infeasible")
    return { ...result, notes: [...notes, "No point with whole values keeps all constraints."] };
  if (!a.whole) return { ...result, notes: [...notes, "No whole point was found before the work ended."] };
  const whole = a.whole.at.map((v, j) => (plan.variables[j]!.whole ? Math.round(v) + 0 : Number(v.toPrecision(14))));
  if (worstBreak(p, whole) > TIGHT)
    notes.push("The whole point breaks a constraint by more than rounding explains; do not rely on it.");
  const gap = a.whole.proven
    ? null
    : Math.abs(a.whole.bound - valueAt(p, whole)) / Math.max(1e-9, Math.abs(valueAt(p, whole)));
  const wholeSlack: Record<string, number> = {};
  for (const r of p.rows) {
    const { value, scale } = rowAt(r.entries, whole);
    const room = Math.min(value - r.lower, r.upper - value);
    wholeSlack[r.id] = Math.min(wholeSlack[r.id] ?? Infinity, room <= TIGHT * scale ? 0 : Number(room.toPrecision(12)));
  }
  return { ...result, whole: point(whole), wholeSlack, gap, notes };
}
