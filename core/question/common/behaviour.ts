import { compileNumber, differentiate, type Expression } from "../../formula";
import { besides } from "../../numeric";
import { findBest, newWork, signIn, type FunctionTable, type OptimumSearch, type Part, type Spot } from "../../solve";
import type { Behaviour } from "../finding";
import type { Asking } from "./asking";

/** For "never": the proven bounds of the function on the range, its direction, and what it comes close to. */
export const behaviourOf = (asking: Asking, shown: Expression, level: Spot | null): Behaviour | null =>
  besides(() => worked(asking, shown, level), null);

function worked(asking: Asking, shown: Expression, level: Spot | null): Behaviour {
  const { from, to } = asking.range;
  const [greatest, least] = ([1, -1] as const).map((sense) =>
    findBest(shown, asking.table, asking.range, sense, newWork(2000, 200)),
  ) as [OptimumSearch, OptimumSearch];
  const value = compileNumber(shown, asking.table.number);
  const monotone = directionOf(greatest.parts, asking.table);
  const farOut = [least, greatest].find((s) => to === null && s.status === "approached" && placeOf(s) === Infinity);
  return {
    low: boundOf(least, -1),
    high: boundOf(greatest, 1),
    from: from && value(from.at),
    to: to && value(to.at),
    monotone,
    level: level ? level.at : 0,
    approaches: farOut?.status === "approached" ? farOut.bound.value : null,
    values: valuesOf(least, greatest),
  };
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

function boundOf(s: OptimumSearch, side: 1 | -1): number {
  if (s.status === "attained") return s.complete ? (side > 0 ? s.high : s.low) : side * Infinity;
  return s.status === "approached" ? (s.bound.value ?? side * Infinity) : side * Infinity;
}

/** Bounds that are not proven tell nothing of where the values lie. */
function valuesOf(least: OptimumSearch, greatest: OptimumSearch): Behaviour["values"] {
  if (least.status === "undefined" && greatest.status === "undefined") return "none";
  const isProven = (s: OptimumSearch) =>
    s.status === "attained" ? s.complete : s.status === "approached" || s.status === "unbounded";
  return isProven(least) && isProven(greatest) ? "both sides" : null;
}

function placeOf(s: OptimumSearch): number | null {
  if (s.status === "attained") return s.best.length === 1 ? s.best[0]!.at : null;
  return s.status === "approached" ? (s.bound.at ?? s.bound.side * Infinity) : null;
}
