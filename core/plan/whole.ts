import {
  ONE,
  ZERO,
  ceiling,
  denominator,
  floorOf,
  greatestDivisor,
  isInteger,
  isZero,
  leastMultiple,
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
  const common = used.reduce((l, a) => leastMultiple(l, denominator(a)), 1n);
  const factor = used.reduce((g, a) => greatestDivisor(g, numerator(a.mul(ratio(common)))), 0n);
  const scale = ratio(common, factor);
  const bound = r.bound.mul(scale);
  if (r.sense === "=" && !isInteger(bound)) return null;
  return {
    coefficients: r.coefficients.map((a) => a.mul(scale)),
    sense: r.sense,
    bound: r.sense === "<=" ? floorOf(bound) : r.sense === ">=" ? ceiling(bound) : bound,
  };
}

/** From where to where a variable reaches over the region, in whole numbers; null where that has no end. */
function reachOf(k: 0 | 1, relations: readonly Relation[]): { readonly from: Rational; readonly to: Rational } | null {
  const unit = (sign: 1 | -1) => [0, 1].map((j) => (j === k ? ratio(sign) : ZERO));
  const [low, high] = [maximise(unit(-1), relations), maximise(unit(1), relations)];
  if (low.status !== "optimal" || high.status !== "optimal") return null;
  return { from: ceiling(low.value.neg()), to: floorOf(high.value) };
}
/** The whole values of the other variable where variable `k` is u; an end may be open; null where there are none. */
function columnAt(u: Rational, k: 0 | 1, relations: readonly Relation[]): Column | null {
  let [low, high]: [Rational | null, Rational | null] = [null, null];
  for (const r of relations) {
    const [a, b] = [r.coefficients[k]!, r.coefficients[k === 0 ? 1 : 0]!];
    const rest = r.bound.sub(a.mul(u));
    if (isZero(b)) {
      const s = rest.compare(ZERO);
      if (r.sense === "<=" ? s < 0 : r.sense === ">=" ? s > 0 : s !== 0) return null;
      continue;
    }
    const end = rest.div(b);
    const isUpper = r.sense === "=" || (r.sense === "<=") === b.compare(ZERO) > 0;
    const isLower = r.sense === "=" || !isUpper;
    if (isUpper && (!high || end.compare(high) < 0)) high = end;
    if (isLower && (!low || end.compare(low) > 0)) low = end;
  }
  const [from, to] = [low && ceiling(low), high && floorOf(high)];
  return from && to && from.compare(to) > 0 ? null : { from, to };
}
interface Column {
  readonly from: Rational | null;
  readonly to: Rational | null;
}

/** The best of the points that were put in, and all that are as good. */
class BestPoints {
  private value: Rational | null = null;
  private ties: Rational[][] = [];
  constructor(private readonly c: readonly Rational[]) {}
  /** @returns false when there are more ties than are kept */
  put(at: Rational[]): boolean {
    const value = this.c[0]!.mul(at[0]!).add(this.c[1]!.mul(at[1]!));
    const order = this.value ? value.compare(this.value) : 1;
    if (order > 0) {
      this.value = value;
      this.ties = [at];
    } else if (order === 0 && this.ties.length <= MOST_TIES) this.ties.push(at);
    return this.ties.length <= MOST_TIES;
  }
  result(): WholeResult {
    const { value, ties } = this;
    return value && ties[0] ? { status: "optimal", at: ties[0], value, ties } : { status: "infeasible" };
  }
}

/**
 * Two whole variables: every whole value of the one with the shorter reach, and for each the stretch of the other;
 * nothing is left out.
 * @returns null when the region reaches too far for that
 */
function byColumns(c: readonly Rational[], relations: readonly Relation[]): WholeResult | null {
  const reach = ([0, 1] as const).map((k) => reachOf(k, relations));
  const [w0, w1] = reach.map((r) => r && r.to.sub(r.from));
  const k = !w0 ? 1 : !w1 ? 0 : w0.compare(w1) <= 0 ? 0 : 1;
  const own = reach[k];
  if (!own || own.to.sub(own.from).compare(ratio(MOST_COLUMNS)) > 0) return null;
  const best = new BestPoints(c);
  const put = (u: Rational, v: Rational) => best.put(k === 0 ? [u, v] : [v, u]);
  const slope = c[k === 0 ? 1 : 0]!.compare(ZERO);
  for (let u = own.from; u.compare(own.to) <= 0; u = u.add(ONE)) {
    const column = columnAt(u, k, relations);
    if (!column) continue;
    const { from, to } = column;
    if (slope !== 0) {
      const end = slope > 0 ? to : from;
      if (!end) return { status: "unbounded" };
      put(u, end);
    } else if (!from || !to) put(u, from ?? to ?? ZERO);
    else for (let v = from; v.compare(to) <= 0 && put(u, v); v = v.add(ONE));
  }
  return best.result();
}
