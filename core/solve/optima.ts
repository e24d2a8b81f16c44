import { EMPTY, Enclosure, PARTIAL } from "../interval";
import { compileEnclosure, dependsOnVariable, type Expression } from "../formula";
import { BestSearch } from "./bestSearch";
import { unboundedAt, type Attained, type Bound } from "./taken";
import { limitAt } from "./limits";
import { FEW_STEPS, openStairs } from "./openStairs";
import { hasValuesBeside } from "./stairFree";
import { slopeOf } from "./level";
import { newWork, partition, refine, type Work } from "./partition";
import type { Part, Range } from "./parts";
import { periodOf, type Period } from "./period";
import type { FunctionTable } from "./table";
import type { OpenStretch } from "./zerosIn";

/** Glances come no closer than this part of a stair. */
const CLOSEST = 1e-6;

export type OptimumSearch = (
  | Attained
  /** no best value: there is no bound, or it comes ever closer to one without reaching it */
  | { readonly status: "unbounded" | "approached"; readonly bound: Bound }
  | { readonly status: "undefined" }
  | { readonly status: "unsettled"; readonly open: readonly OpenStretch[] }
) & { readonly parts: readonly Part[]; readonly period: Period | null };

/**
 * Greatest (sense 1) or least (sense −1) value on a range: values at all places and zeros of the slope, against the
 * limits at the ends of the cells between them. Whatever could not be examined must lie below the best value, else it
 * is doubt.
 */
export function findBest(
  e: Expression,
  table: FunctionTable,
  range: Range,
  sense: 1 | -1,
  work: Work = newWork(),
): OptimumSearch {
  const period = periodOf(e, table, range);
  const whole = partition([e], table, period?.range ?? range, work, FEW_STEPS);
  const endless = stairsWithoutBound(whole, table, sense, work) ?? growthFarOut(whole, table, sense);
  if (endless) return { status: "unbounded", bound: endless, parts: whole, period };
  const parts = turningParts(e, table, whole, sense, work);
  const found = new BestSearch(e, table, parts, sense, period !== null).result();
  if (found.status === "attained" && isBeatenIn(found.open, e, table, sense, sense > 0 ? found.high : -found.low))
    return { status: "unsettled", open: found.open, parts, period };
  return { ...found, parts, period };
}

/** Whether a value that is seen on a stretch left open is better than the best that was found. */
function isBeatenIn(
  open: readonly OpenStretch[],
  e: Expression,
  table: FunctionTable,
  sense: 1 | -1,
  best: number,
): boolean {
  const enclosure = compileEnclosure(e, table.enclosure);
  return open.slice(0, MOST_SEEN).some(({ lo, hi }) =>
    inputsOf(lo, hi).some((x) => {
      const v = enclosure(new Enclosure(x, x));
      return !(v.flags & (EMPTY | PARTIAL)) && (sense > 0 ? v.lo : -v.hi) > best;
    }),
  );
}
const MOST_SEEN = 40;

/** Some inputs of a stretch; of one without an end, further and further out. */
function inputsOf(lo: number, hi: number): number[] {
  if (Number.isFinite(lo) && Number.isFinite(hi)) return [0, 0.25, 0.5, 0.75, 1].map((share) => lo + (hi - lo) * share);
  const far = [1, 10, 100, 1000, 1e4];
  const [up, down] = [Number.isFinite(lo) ? lo : 0, Number.isFinite(hi) ? hi : 0];
  return [...(hi === Infinity ? far.map((d) => up + d) : []), ...(lo === -Infinity ? far.map((d) => down - d) : [])];
}

/** A range taken apart so that the function is monotone, or constant, on every cell. */
export function turningParts(
  e: Expression,
  table: FunctionTable,
  whole: readonly Part[],
  sense: 1 | -1,
  work: Work,
): Part[] {
  const level = whole.some((p) => p.kind === "stairs") ? someLevel(e, whole, table, sense) : 0;
  const listed = openStairs(whole, table, work, (v) => (sense > 0 ? v.hi >= level : v.lo <= level));
  return refine(listed, table, work, (cell) => {
    const f = cell.formulas[0];
    return f && dependsOnVariable(f) ? [slopeOf(f, table)] : [];
  });
}

/** What grows beyond all bounds far out may turn there for ever, as x + sin x nearly does: it has no best value. */
function growthFarOut(parts: readonly Part[], table: FunctionTable, sense: 1 | -1): Bound | null {
  for (const p of [parts[0], parts.at(-1)]) {
    const f = p?.kind === "cell" ? p.formulas[0] : null;
    if (p?.kind !== "cell" || !f || !dependsOnVariable(f)) continue;
    for (const side of [-1, 1] as const) {
      if ((side > 0 ? p.to : p.from) !== null) continue;
      const limit = limitAt(f, null, side, 1, table);
      if (limit.kind === "infinite" && limit.sign === sense) return unboundedAt({ at: null, side }, sense);
    }
  }
  return null;
}

/** Where stairs go up or down for ever, there is no need to count them. */
function stairsWithoutBound(parts: readonly Part[], table: FunctionTable, sense: 1 | -1, work: Work): Bound | null {
  for (const p of parts) {
    if (p.kind !== "stairs") continue;
    for (const side of [1, -1] as const) {
      const end = side > 0 ? p.from : p.to;
      const towards = (end ? side : -side) as 1 | -1;
      const limit = limitAt(p.formulas[0]!, end, towards, p.from && p.to ? p.to.lo - p.from.hi : 1, table);
      const isWanted = limit.kind === "infinite" && limit.sign === sense;
      if (isWanted && hasValuesBeside(p, side > 0 ? "from" : "to", table, work))
        return unboundedAt({ at: end ? end.at : null, side: towards }, sense);
    }
  }
  return null;
}

/** A value that is surely taken, as good as a quick look finds one: stairs below it need not be taken apart. */
function someLevel(e: Expression, parts: readonly Part[], table: FunctionTable, sense: 1 | -1): number {
  const enclosure = compileEnclosure(e, table.enclosure);
  let level = -Infinity;
  const stairs = parts.filter((p) => p.kind === "stairs");
  const glances = Math.max(12, Math.round(GLANCES / stairs.length));
  const glance = (lo: number, hi: number): number => {
    let at = lo;
    for (let i = 0; i <= glances; i++) {
      const x = lo + ((hi - lo) * i) / glances;
      const v = enclosure(new Enclosure(x, x));
      const worth = v.flags & (EMPTY | PARTIAL) ? -Infinity : sense > 0 ? v.lo : -v.hi;
      if (worth > level) [level, at] = [worth, x];
    }
    return at;
  };
  for (const p of stairs) {
    const [lo, hi] = [p.from?.hi ?? (p.to?.lo ?? 0) - FAR, p.to?.lo ?? (p.from?.hi ?? 0) + FAR];
    // First all over, then closer and closer to the best that was seen.
    let at = glance(lo, hi);
    for (let width = (hi - lo) / 64; width > (hi - lo) * CLOSEST; width /= 64)
      at = glance(Math.max(lo, at - width), Math.min(hi, at + width));
  }
  return sense * level;
}
const GLANCES = 300;
/** How far an endless stair is looked at for a first value. */
const FAR = 1000;
