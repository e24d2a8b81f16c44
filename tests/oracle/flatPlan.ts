import type { PlanResult } from "#core/plan";
import { FAR, dot, isMet, type PlainPlan, type Row } from "./plans";

/** A point as whole numbers over one denominator > 0, so that all of it is exact in doubles. */
interface Corner {
  readonly x: number;
  readonly y: number;
  readonly d: number;
}
const worth = (p: PlainPlan, v: Corner): number => (p.goal[0]! * v.x + p.goal[1]! * v.y) / v.d;
/** The sign of the difference of what two corners are worth, exact. */
const order = (p: PlainPlan, u: Corner, v: Corner): number =>
  Math.sign((p.goal[0]! * u.x + p.goal[1]! * u.y) * v.d - (p.goal[0]! * v.x + p.goal[1]! * v.y) * u.d) * p.way;
const isOn = (r: Row, v: Corner): boolean => {
  const left = r.a[0]! * v.x + r.a[1]! * v.y - r.c * v.d;
  return r.sense === "<=" ? left <= 0 : r.sense === ">=" ? left >= 0 : left === 0;
};

/** All corners of a region of two variables: every crossing of two borders that meets all constraints. */
function cornersOf(rows: readonly Row[]): Corner[] {
  const out = new Map<string, Corner>();
  rows.forEach((r, i) =>
    rows.slice(i + 1).forEach((s) => {
      const d = r.a[0]! * s.a[1]! - r.a[1]! * s.a[0]!;
      if (d === 0) return;
      const side = Math.sign(d);
      const v = {
        x: (r.c * s.a[1]! - r.a[1]! * s.c) * side,
        y: (r.a[0]! * s.c - r.c * s.a[0]!) * side,
        d: d * side,
      };
      if (rows.every((t) => isOn(t, v))) out.set(`${v.x / v.d};${v.y / v.d}`, v);
    }),
  );
  return [...out.values()];
}

/** Directions in which a region with a corner goes on for ever: along its borders, where none stops it. */
const waysOut = (rows: readonly Row[]): [number, number][] =>
  rows
    .flatMap((r): [number, number][] => [
      [-r.a[1]!, r.a[0]!],
      [r.a[1]!, -r.a[0]!],
    ])
    .filter((d) => rows.every((r) => isMet({ ...r, c: 0 }, d)));

/** What is claimed of a plan of two variables, against its corners worked out plainly. */
export function checkFlat(p: PlainPlan, result: PlanResult): string | null {
  const corners = cornersOf(p.rows);
  const ways = waysOut(p.rows);
  // A region without a corner is a strip, a line or nothing; points have been held against it already.
  if (corners.length === 0) return result.corners.length > 0 ? "has corners where there are none" : null;
  if (result.status === "infeasible") return "has corners, told as infeasible";
  return checkCorners(corners, result) ?? checkGoal(p, corners, ways, result);
}

function checkCorners(corners: readonly Corner[], result: PlanResult): string | null {
  if (corners.length !== result.corners.length)
    return `has ${corners.length} corners, told as ${result.corners.length}`;
  const missing = corners.find(
    (v) => !result.corners.some(({ at }) => Math.abs(at[0]! - v.x / v.d) + Math.abs(at[1]! - v.y / v.d) < 1e-9),
  );
  return missing ? `the corner ${missing.x / missing.d}, ${missing.y / missing.d} is missing` : null;
}

function checkGoal(
  p: PlainPlan,
  corners: readonly Corner[],
  ways: readonly [number, number][],
  result: PlanResult,
): string | null {
  const grows = ways.some((d) => dot(p.goal, d) * p.way > 0);
  if (grows) return result.status === "unbounded" ? null : `grows for ever, told as ${result.status}`;
  if (result.status === "unbounded") return "is bounded, told as unbounded";
  const best = corners.reduce((a, b) => (order(p, b, a) > 0 ? b : a));
  const ties = corners.filter((v) => order(p, v, best) === 0).length;
  const isTied = ties > 1 || ways.some((d) => dot(p.goal, d) === 0);
  if (isTied !== (result.status === "tied")) return `${isTied ? "ties" : "does not tie"}, told as ${result.status}`;
  const value = worth(p, best);
  if (Math.abs(result.best[0]!.value! - value) > 1e-9 * (1 + Math.abs(value)))
    return `is worth ${value}, told as ${result.best[0]!.value}`;
  return checkWhole(p, corners, ways, result) ?? checkWorth(p, value, result);
}

/** Whole points that are looked at one by one. */
const MOST_WHOLE = 1e5;

/** All whole points of a bounded region, one by one. */
function checkWhole(
  p: PlainPlan,
  corners: readonly Corner[],
  ways: readonly [number, number][],
  result: PlanResult,
): string | null {
  if (!p.whole.every(Boolean) || ways.length > 0) return null;
  const span = (of: "x" | "y") => {
    const all = corners.map((v) => v[of] / v.d);
    return [Math.ceil(Math.min(...all) - 1e-9), Math.floor(Math.max(...all) + 1e-9)] as const;
  };
  const [[x0, x1], [y0, y1]] = [span("x"), span("y")];
  const found: { at: [number, number]; value: number }[] = [];
  if ((x1 - x0 + 1) * (y1 - y0 + 1) > MOST_WHOLE) return null;
  for (let x = x0; x <= x1; x++)
    for (let y = y0; y <= y1; y++)
      if (p.rows.every((r) => isMet(r, [x, y]))) found.push({ at: [x, y], value: dot(p.goal, [x, y]) });
  if (found.length === 0) return result.whole ? `has no whole point, told as ${result.whole.at}` : null;
  const best = Math.max(...found.map((f) => f.value * p.way)) * p.way;
  if (!result.whole) return `has whole points, told to have none`;
  if (result.whole.value !== best) return `the best whole point is worth ${best}, told as ${result.whole.value}`;
  const ties = found.filter((f) => f.value === best).length;
  const told = result.wholeTies?.length ?? 1;
  return ties === told || told >= 100 ? null : `${ties} whole points are best, told as ${told}`;
}

/** A limit in sixteenths keeps all products exact. */
const inSixteenths = (v: number): number => Math.round(v * 16) / 16;

/** "One more is worth": the plan solved again with another limit, wherever the range says that it holds. */
function checkWorth(p: PlainPlan, value: number, result: PlanResult): string | null {
  for (const r of p.rows) {
    const multiplier = result.multipliers[r.id];
    const range = result.ranges[r.id];
    if (multiplier === null || multiplier === undefined || !range) continue;
    const [lo, hi] = [range[0] ?? r.c - 16 * FAR, range[1] ?? r.c + 16 * FAR];
    // Near by, too, where an end is far off.
    const near = [r.c - 12, r.c + 12];
    for (const limit of [...[0.1, 0.5, 0.93].map((share) => inSixteenths(lo + (hi - lo) * share)), ...near]) {
      if (limit <= lo || limit >= hi) continue;
      const corners = cornersOf(p.rows.map((s) => (s === r ? { ...s, c: limit } : s)));
      if (corners.length === 0) return `${r.id} at ${limit} leaves nothing, told to be worth ${multiplier} up to ${hi}`;
      const moved = Math.max(...corners.map((v) => worth(p, v) * p.way)) * p.way;
      const told = value + multiplier * (limit - r.c);
      if (Math.abs(moved - told) > 1e-7 * (1 + Math.abs(told)))
        return `with ${r.id} at ${limit} it is worth ${moved}, told as ${told}`;
    }
  }
  return null;
}
