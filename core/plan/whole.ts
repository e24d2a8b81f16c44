import {
  ONE,
  ZERO,
  ceiling,
  denominator,
  floorOf,
  isInteger,
  isZero,
  numerator,
  ratio,
  type Rational,
} from "../numeric";
import { maximise } from "./exactSimplex";
import type { Relation } from "./linear";

export type WholeResult =
  | {
      readonly status: "optimal";
      readonly at: readonly Rational[];
      readonly value: Rational;
      /** all best points with whole values, when they could be listed */ readonly ties:
        readonly (readonly Rational[])[] | null;
    }
  | { readonly status: "infeasible" | "unbounded" | "work" };

/** Parts of the region looked at. */
const MAX_NODES = 400;
/** Columns of whole points that are gone through one by one. */
const MOST_COLUMNS = 20_000;
/** Best points listed at most. */
const MOST_TIES = 200;

/** A part of the region: for each variable and side the tightest limit only, since each of them is a row to solve. */
type Part = ReadonlyMap<string, Relation>;
const within = (part: Part, j: number, limit: Relation): Part => new Map([...part, [`${j}${limit.sense}`, limit]]);

/**
 * Greatest value with some variables whole, proven: branch and bound on exact relaxations. Equally good points are
 * listed for two variables.
 */
export function maximiseWhole(
  c: readonly Rational[],
  given: readonly Relation[],
  whole: readonly boolean[],
): WholeResult {
  const relations: Relation[] = [];
  for (const r of given) {
    const t = tightened(r, whole);
    if (!t) return { status: "infeasible" };
    relations.push(t);
  }
  const root = maximise(c, relations);
  if (root.status !== "optimal") return { status: root.status };
  if (c.length === 2 && whole.every(Boolean)) {
    const all = byColumns(c, relations);
    if (all) return all;
  }
  let best: { at: readonly Rational[]; value: Rational } | null = null;
  let nodes = 0;
  const stack: Part[] = [new Map()];
  while (stack.length > 0) {
    if (++nodes > MAX_NODES) return { status: "work" };
    const part = stack.pop()!;
    const r = maximise(c, [...relations, ...part.values()]);
    if (r.status === "work") return { status: "work" };
    if (r.status !== "optimal" || (best && r.value.compare(best.value) <= 0)) continue;
    const j = r.at.findIndex((v, k) => whole[k] && !isInteger(v));
    if (j < 0) {
      best = { at: r.at, value: r.value };
      continue;
    }
    const unit = c.map((_, k) => (k === j ? ONE : ZERO));
    const down = floorOf(r.at[j]!);
    const below = within(part, j, { coefficients: unit, sense: "<=", bound: down });
    const above = within(part, j, { coefficients: unit, sense: ">=", bound: ceiling(r.at[j]!) });
    // The side nearer to the relaxed optimum is looked at first.
    if (r.at[j]!.sub(down).compare(ratio(1, 2)) > 0) stack.push(below, above);
    else stack.push(above, below);
  }
  if (!best) return { status: "infeasible" };
  return { status: "optimal", ...best, ties: null };
}

/**
 * A relation among whole variables only, with its bound moved to the next value its left side can have: x − y ≤ 1/2
 * says x − y ≤ 0. Without that a region that goes on for ever could be cut for ever.
 * @returns null for an equality that no whole values can keep
 */
function tightened(r: Relation, whole: readonly boolean[]): Relation | null {
  if (r.coefficients.some((a, j) => !isZero(a) && !whole[j])) return r;
  const used = r.coefficients.filter((a) => !isZero(a));
  if (used.length === 0) return r;
  const common = used.reduce((l, a) => (l / gcd(l, denominator(a))) * denominator(a), 1n);
  const factor = used.reduce((g, a) => gcd(g, abs(numerator(a.mul(ratio(common))))), 0n);
  const scale = ratio(common, factor);
  const bound = r.bound.mul(scale);
  if (r.sense === "=" && !isInteger(bound)) return null;
  return {
    coefficients: r.coefficients.map((a) => a.mul(scale)),
    sense: r.sense,
    bound: r.sense === "<=" ? floorOf(bound) : r.sense === ">=" ? ceiling(bound) : bound,
  };
}
const abs = (n: bigint): bigint => (n < 0n ? -n : n);
function gcd(a: bigint, b: bigint): bigint {
  while (b !== 0n) [a, b] = [b, a % b];
  return a;
}

/**
 * Two whole variables: every whole value of the one with the shorter reach, and for each the stretch of the other;
 * nothing is left out.
 * @returns null when the region reaches too far for that
 */
function byColumns(c: readonly Rational[], relations: readonly Relation[]): WholeResult | null {
  const reach = ([0, 1] as const).map((k) => {
    const unit = (sign: 1 | -1) => [0, 1].map((j) => (j === k ? ratio(sign) : ZERO));
    const [low, high] = [maximise(unit(-1), relations), maximise(unit(1), relations)];
    return low.status === "optimal" && high.status === "optimal"
      ? { from: ceiling(low.value.neg()), to: floorOf(high.value) }
      : null;
  });
  const width = (k: 0 | 1) => (reach[k] ? reach[k].to.sub(reach[k].from) : null);
  const [w0, w1] = [width(0), width(1)];
  const k = !w0 ? 1 : !w1 ? 0 : w0.compare(w1) <= 0 ? 0 : 1;
  const own = reach[k];
  if (!own || own.to.sub(own.from).compare(ratio(MOST_COLUMNS)) > 0) return null;
  const other = k === 0 ? 1 : 0;
  let best: Rational | null = null;
  let ties: Rational[][] = [];
  const put = (u: Rational, v: Rational): boolean => {
    const at = k === 0 ? [u, v] : [v, u];
    const value = c[0]!.mul(at[0]!).add(c[1]!.mul(at[1]!));
    const order = best ? value.compare(best) : 1;
    if (order > 0) {
      best = value;
      ties = [at];
    } else if (order === 0 && ties.length <= MOST_TIES) ties.push(at);
    return ties.length <= MOST_TIES;
  };
  for (let u = own.from; u.compare(own.to) <= 0; u = u.add(ONE)) {
    let [low, high]: [Rational | null, Rational | null] = [null, null];
    let open = true;
    for (const r of relations) {
      const [a, b] = [r.coefficients[k]!, r.coefficients[other]!];
      const rest = r.bound.sub(a.mul(u));
      if (isZero(b)) {
        const s = rest.compare(ZERO);
        if (r.sense === "<=" ? s < 0 : r.sense === ">=" ? s > 0 : s !== 0) open = false;
        continue;
      }
      const end = rest.div(b);
      const upper = r.sense === "=" || (r.sense === "<=") === b.compare(ZERO) > 0;
      const lower = r.sense === "=" || !upper;
      if (upper && (!high || end.compare(high) < 0)) high = end;
      if (lower && (!low || end.compare(low) > 0)) low = end;
    }
    if (!open) continue;
    const [from, to]: [Rational | null, Rational | null] = [low && ceiling(low), high && floorOf(high)];
    if (from && to && from.compare(to) > 0) continue;
    const slope = c[other]!.compare(ZERO);
    if (slope > 0) {
      if (!to) return { status: "unbounded" };
      put(u, to);
    } else if (slope < 0) {
      if (!from) return { status: "unbounded" };
      put(u, from);
    } else {
      const start = from ?? to ?? ZERO;
      if (!from || !to) {
        put(u, start);
        continue;
      }
      for (let v = start; v.compare(to) <= 0 && put(u, v); v = v.add(ONE));
    }
  }
  return best && ties[0] ? { status: "optimal", at: ties[0], value: best, ties } : { status: "infeasible" };
}
