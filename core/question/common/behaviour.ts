import { differentiate, subtract, wholeNumber, type Expression } from "../../formula";
import { besides, toDouble } from "../../numeric";
import {
  findBest,
  isExactlyZero,
  newWork,
  numberOfSpot,
  signIn,
  valueAt,
  type FunctionTable,
  type OptimumSearch,
  type Part,
  type Spot,
} from "../../solve";
import type { Behaviour } from "../finding";
import type { Asking } from "./asking";
import { isClose } from "./digits";

/** Where the function is looked at, and what it calls. */
type Looked = Pick<Asking, "range" | "table">;

/** For "never": the proven bounds of the function on the range, its direction, and what it comes close to. */
export const behaviourOf = (on: Looked, shown: Expression, level: Spot | null): Behaviour | null =>
  besides(() => worked(on, shown, level), null);

function worked({ range, table }: Looked, shown: Expression, level: Spot | null): Behaviour {
  const { from, to } = range;
  const [greatest, least] = ([1, -1] as const).map((sense) =>
    findBest(shown, table, range, sense, newWork(2000, 200)),
  ) as [OptimumSearch, OptimumSearch];
  const monotone = directionOf(greatest.parts, table);
  const farOut = [least, greatest].find((s) => to === null && s.status === "approached" && placeOf(s) === Infinity);
  return {
    low: boundOf(least, -1),
    high: boundOf(greatest, 1),
    from: from && knownAt(shown, from, table),
    monotone,
    level: level ? level.at : 0,
    approaches: farOut?.status === "approached" && isLevel(farOut.bound.form, level),
    values: valuesOf(least, greatest, level ?? { lo: 0, hi: 0 }),
  };
}

/** A value that is known as closely as it is told. */
function knownAt(e: Expression, at: Spot, table: FunctionTable): number | null {
  const v = valueAt(e, at, table);
  if (v.kind !== "value" || !(v.exact || isClose(v))) return null;
  return v.exact ? toDouble(v.exact) : v.lo + (v.hi - v.lo) / 2;
}

/**
 * "Rises", "falls": only of a range that is one smooth cell without a turning point, by the proven sign of its slope.
 */
function directionOf(parts: readonly Part[], table: FunctionTable): Behaviour["monotone"] {
  const [cell, ...others] = parts.filter((p) => p.kind !== "place");
  const f = cell?.kind === "cell" && others.length === 0 ? cell.formulas[0] : null;
  const sign = f && cell?.kind === "cell" ? signIn(differentiate(f), cell, table) : null;
  return sign === null ? null : sign > 0 ? "rises" : "falls";
}

/** Whether a limit is proven to be the very number that is asked for. */
const isLevel = (form: Expression | null, level: Spot | null): boolean =>
  form !== null && isExactlyZero(subtract(form, level ? numberOfSpot(level) : wholeNumber(0)));

/** What no value lies beyond. */
function boundOf(s: OptimumSearch, side: 1 | -1): number {
  if (s.status === "attained") return s.complete ? (side > 0 ? s.high : s.low) : side * Infinity;
  return s.status === "approached" ? (side > 0 ? s.bound.high : s.bound.low) : side * Infinity;
}

/** What some values surely reach, or come as close to as one likes. */
function reachOf(s: OptimumSearch, side: 1 | -1): number {
  const known = s.status === "attained" ? s : "bound" in s ? s.bound : null;
  return known ? (side > 0 ? known.low : known.high) : -side * Infinity;
}

function valuesOf(
  least: OptimumSearch,
  greatest: OptimumSearch,
  level: { readonly lo: number; readonly hi: number },
): Behaviour["values"] {
  if (least.status === "undefined" && greatest.status === "undefined") return "none";
  return reachOf(least, -1) < level.lo && reachOf(greatest, 1) > level.hi ? "both sides" : null;
}

function placeOf(s: OptimumSearch): number | null {
  if (s.status === "attained") return s.best.length === 1 ? s.best[0]!.at : null;
  return s.status === "approached" ? (s.bound.at ?? s.bound.side * Infinity) : null;
}
