import { bare } from "../numeric";
import type { Plan } from "../model";
import type { Program } from "./program";
import { NOTHING_FOUND, type PlanResult } from "./planResult";

/** The compiled solver works to 1e-7; a dual that breaks its equations by more proves nothing. */
const DUAL_OFF = 1e-7;
/** Its values are rounded where they are this near a whole number, and its small worths and costs are none. */
const [WHOLE, NO_WORTH, NO_COST] = [1e-9, 1e-11, 1e-9];
/** A gap is told as a part of the value, or of this where the value is about 0. */
const LEAST_VALUE = 1e-9;

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
  if (!Number.isFinite(bound) || rest.some((v, j) => Math.abs(v) > DUAL_OFF * (1 + Math.abs(p.cost![j]!))))
    return Infinity;
  return Math.abs(bound - valueAt(p, at)) / size;
}

const snapped = (at: readonly number[]): number[] =>
  at.map((v) => {
    const r = Math.round(v);
    return Math.abs(v - r) <= WHOLE * Math.max(1, Math.abs(r)) ? r + 0 : Number(v.toPrecision(14));
  });

const NOTHING_YET: PlanResult = { ...NOTHING_FOUND, compiled: true };
type Relaxed = NonNullable<CompiledAnswer["relaxed"]>;

/**
 * The result of a plan that was worked out by a compiled solver. Every claim is tested here against the program itself.
 */
export function compiledResult(plan: Plan, p: Program, a: CompiledAnswer): PlanResult {
  if (a.status === "infeasible") {
    const conflict = [...new Set(a.conflict.map((i) => p.rows[i]!.id))];
    return { ...NOTHING_YET, status: "infeasible", conflict };
  }
  if (a.status === "unbounded") return { ...NOTHING_YET, status: "unbounded", ray: a.ray };
  if (!a.relaxed) return { ...NOTHING_YET, notes: ["The work ended before an answer was found."] };
  const at = snapped(a.relaxed.at);
  const proof = dualGap(p, at, a.relaxed.worth);
  const isProven = proof <= PROOF_TOL;
  const notes: string[] = [];
  if (worstBreak(p, at) > TIGHT)
    notes.push("The answer breaks a constraint by more than rounding explains; do not rely on it.");
  if (p.cost && !isProven) notes.push("The multipliers do not prove the best value; it is the solver’s word.");
  const result: PlanResult = {
    ...NOTHING_YET,
    status: "optimal",
    best: [pointOf(p, at)],
    ...rowsTold(p, a.relaxed, at),
    ...coefficientsTold(p, a.relaxed),
    notes,
    secondWay: p.cost && isProven ? proof : null,
  };
  return plan.variables.some((v) => v.whole) ? withWhole(result, plan, p, a) : result;
}
/** A best value that its multipliers miss by no more, relative to what is summed, is proven by them. */
const PROOF_TOL = 1e-7;

const pointOf = (p: Program, at: readonly number[]) => ({ at, exact: [], value: p.cost ? valueAt(p, at) : null });
/** What the solver tells as without end has none. */
const ended = (v: number): number | null =>
  Number.isFinite(v) && Math.abs(v) < 1e20 ? Number(v.toPrecision(10)) : null;
/** How much of a row is left at a point. */
function roomOf({ entries, lower, upper }: Program["rows"][number], at: readonly number[]) {
  const { value, scale } = rowAt(entries, at);
  const room = Math.min(value - lower, upper - value);
  return { value, room, isTight: room <= TIGHT * scale };
}

/** Which constraints are used up, what is left of the others, and what one more of each is worth. */
function rowsTold(p: Program, relaxed: Relaxed, at: readonly number[]) {
  const binding: string[] = [];
  const slack = bare<number>();
  const multipliers = bare<number | null>();
  const ranges = bare<readonly [number | null, number | null]>();
  p.rows.forEach((r, i) => {
    const { value, room, isTight } = roomOf(r, at);
    if (!isTight) slack[r.id] = Math.min(slack[r.id] ?? Infinity, Number(room.toPrecision(12)));
    else if (!binding.includes(r.id)) binding.push(r.id);
    // Of a constraint between two numbers the side that is worth something is told.
    if (multipliers[r.id] !== undefined && multipliers[r.id] !== 0) return;
    const y = relaxed.worth[i]!;
    const worth = Math.abs(y) < NO_WORTH ? 0 : Number(y.toPrecision(12));
    multipliers[r.id] = worth;
    const [from, to] = relaxed.reach[i] ?? [NaN, NaN];
    const isIdle = worth === 0 && !isTight;
    const { beside = 0 } = r;
    const end = (v: number) => ended(v + beside);
    const idle: [number | null, number | null] = r.upper === Infinity ? [null, end(value)] : [end(value), null];
    ranges[r.id] = isIdle ? idle : [end(from), end(to)];
  });
  for (const id of binding) Reflect.deleteProperty(slack, id);
  return { binding, slack, multipliers, ranges };
}

/** For which coefficients the point stays best, and what each variable would bring beside what it takes. */
function coefficientsTold(p: Program, relaxed: Relaxed) {
  const stays = bare<readonly [number | null, number | null]>();
  const brings = p.variables.map((_, j) => p.cost?.[j] ?? 0);
  p.rows.forEach((r, i) => {
    if (r.entries.length > 1) for (const [j, v] of r.entries) brings[j]! -= relaxed.worth[i]! * v;
  });
  p.variables.forEach((v, j) => {
    const s = relaxed.stays[j];
    if (s) stays[v.name] = [ended(s[0]), ended(s[1])];
  });
  const reduced = Object.fromEntries(
    p.variables.map((v, j) => [v.name, Math.abs(brings[j]!) < NO_COST ? 0 : brings[j]!]),
  );
  return { stays, reduced };
}

/** The best whole point, how far from proven, and what is left at it. */
function withWhole(result: PlanResult, plan: Plan, p: Program, a: CompiledAnswer): PlanResult {
  const noted = (note: string): PlanResult => ({ ...result, notes: [...result.notes, note] });
  if (a.wholeStatus === "infeasible") return noted("No point with whole values keeps all constraints.");
  if (!a.whole) return noted("No whole point was found before the work ended.");
  const at = a.whole.at.map((v, j) => (plan.variables[j]!.whole ? Math.round(v) + 0 : Number(v.toPrecision(14))));
  const isBroken = worstBreak(p, at) > TIGHT;
  const value = valueAt(p, at);
  const gap = a.whole.proven ? null : Math.abs(a.whole.bound - value) / Math.max(LEAST_VALUE, Math.abs(value));
  const wholeSlack = bare<number>();
  for (const r of p.rows) {
    const { room, isTight } = roomOf(r, at);
    wholeSlack[r.id] = Math.min(wholeSlack[r.id] ?? Infinity, isTight ? 0 : Number(room.toPrecision(12)));
  }
  const told = isBroken
    ? noted("The whole point breaks a constraint by more than rounding explains; do not rely on it.")
    : result;
  return { ...told, whole: pointOf(p, at), wholeSlack, gap };
}
