import { compileNumber, type Expression } from "../../formula";
import { findBest, newWork, type OptimumSearch, type Spot } from "../../solve";
import type { Behaviour } from "../finding";
import type { Asking } from "./asking";

/** For "never": the proven bounds of the function on the range, its direction, and what it comes close to. */
export function behaviourOf(asking: Asking, shown: Expression, level: Spot | null): Behaviour | null {
  const { from, to } = asking.range;
  const [greatest, least] = ([1, -1] as const).map((sense) =>
    findBest(shown, asking.table, asking.range, sense, newWork(4000, 400)),
  ) as [OptimumSearch, OptimumSearch];
  const value = compileNumber(shown, asking.table.number);
  const [top, bottom] = [placeOf(greatest), placeOf(least)];
  const isLeft = (x: number | null) => x !== null && x === (from?.at ?? -Infinity);
  const isRight = (x: number | null) => x !== null && x === (to?.at ?? Infinity);
  const monotone = isLeft(top) && isRight(bottom) ? "falls" : isLeft(bottom) && isRight(top) ? "rises" : null;
  const farOut = [least, greatest].find((s) => to === null && s.status === "approached" && placeOf(s) === Infinity);
  return {
    low: boundOf(least, -1),
    high: boundOf(greatest, 1),
    from: from && value(from.at),
    to: to && value(to.at),
    monotone,
    level: level ? level.at : 0,
    approaches: farOut?.status === "approached" ? farOut.bound.value : null,
  };
}

function boundOf(s: OptimumSearch, side: 1 | -1): number {
  if (s.status === "attained") return s.complete ? (side > 0 ? s.high : s.low) : side * Infinity;
  return s.status === "approached" ? (s.bound.value ?? side * Infinity) : side * Infinity;
}

function placeOf(s: OptimumSearch): number | null {
  if (s.status === "attained") return s.best.length === 1 ? s.best[0]!.at : null;
  return s.status === "approached" ? (s.bound.at ?? s.bound.side * Infinity) : null;
}
