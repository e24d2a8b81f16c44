import { rationalOfDouble, type Rational } from "../numeric";
import type { Expression } from "../formula";
import { endIntegral } from "./endIntegral";
import type { CellPart, Part, Range } from "./parts";
import { compareSpots, spotOfRational, type Spot } from "./spot";
import type { FunctionTable } from "./table";

/** Whether a running total has a value: it is summed from its start up to there, and nothing on the way lacks one. */
type Summed = "has" | "none" | "open";

/** Inputs of a running total between two places: it has a value at all of them and is smooth, or at none, or open. */
export interface TotalStretch {
  readonly from: Spot | null;
  readonly to: Spot | null;
  readonly state: Summed;
}

/**
 * How far from its start a running total has a value: as far as what is summed has one, and can be summed on both sides
 * of every place on the way.
 * @param e  what is summed
 * @param start  from where
 * @param reach  the inputs wanted
 * @param apart  takes a function apart over a range
 * @returns stretches in order that meet, the first and last of them as far as is wanted; null where the start could
 * not be told from an end of what is wanted, or lies on what could not be taken apart
 */
export function totalDomain(
  e: Expression,
  start: Rational,
  reach: Range,
  apart: (e: Expression, range: Range) => Part[],
  table: FunctionTable,
): TotalStretch[] | null {
  const begin = spotOfRational(start);
  const { from, to } = reach;
  const [isBefore, isAfter] = [from && compareSpots(from, begin, table), to && compareSpots(to, begin, table)];
  if ((from && isBefore === null) || (to && isAfter === null)) return null;
  const parts = apart(e, { from: isBefore === 1 ? begin : from, to: isAfter === -1 ? begin : to });
  const home = parts.findIndex((p) => isHome(p, begin, table));
  if (home < 0) return null;
  // Where nothing is summed right at the start, nothing ever is.
  const own = parts[home]!;
  if (own.kind === "cell" && !own.formulas[0]) return [{ ...reach, state: "none" }];
  const after = walked(parts, home, 1, table);
  const before = walked(parts, home, -1, table).reverse();
  return own.kind === "place" ? [...before, ...after] : [...before, { ...endsOf(own), state: "has" }, ...after];
}

export const spotOfDouble = (x: number): Spot | null =>
  Number.isFinite(x) ? spotOfRational(rationalOfDouble(x)) : null;

const endsOf = (p: Exclude<Part, { kind: "place" }>): Range =>
  p.kind === "open" ? { from: spotOfDouble(p.lo), to: spotOfDouble(p.hi) } : { from: p.from, to: p.to };

/** Whether the start is this place, or lies in this cell. */
function isHome(p: Part, begin: Spot, table: FunctionTable): boolean {
  if (p.kind === "place") return compareSpots(p.spot, begin, table) === 0;
  if (p.kind !== "cell") return false;
  const isAfter = !p.from || compareSpots(p.from, begin, table) === -1;
  return isAfter && (!p.to || compareSpots(begin, p.to, table) === -1);
}

/** The stretches on one side of the start, going away from it; where the total ends, the last holds all the rest. */
function walked(parts: readonly Part[], home: number, side: 1 | -1, table: FunctionTable): TotalStretch[] {
  const out: TotalStretch[] = [];
  for (let i = home + side; parts[i]; i += side) {
    const [before, part] = [parts[i - side]!, parts[i]!];
    const state = part.kind === "place" && !parts[i + side] ? "has" : stateOf(before, part, side, table);
    if (state === "has") {
      if (part.kind !== "place") out.push({ ...endsOf(part), state });
      continue;
    }
    // A place without value ends the cell before it; a cell begins at the place before it.
    const border = part.kind === "place" ? part.spot : endsOf(part)[side > 0 ? "from" : "to"];
    const last = parts[side > 0 ? parts.length - 1 : 0]!;
    const far = last.kind === "place" ? last.spot : endsOf(last)[side > 0 ? "to" : "from"];
    return [...out, side > 0 ? { from: border, to: far, state } : { from: far, to: border, state }];
  }
  return out;
}

/** Whether a total that has a value up to one part has one on the next, too. */
function stateOf(before: Part, part: Part, side: 1 | -1, table: FunctionTable): Summed {
  if (part.kind === "place") return before.kind === "cell" ? endState(before, side > 0 ? "to" : "from", table) : "open";
  if (part.kind !== "cell" || before.kind !== "place") return "open";
  return endState(part, side > 0 ? "from" : "to", table);
}

/** Whether what a cell holds can be summed up to one of its ends. */
function endState(cell: CellPart, end: "from" | "to", table: FunctionTable): Summed {
  const f = cell.formulas[0];
  if (!f) return "none";
  const width = cell.from && cell.to ? cell.to.lo - cell.from.hi : 1;
  const piece = endIntegral(f, cell[end]!, end === "from" ? 1 : -1, Math.min(1, width), table);
  return piece === "unbounded" ? "none" : piece === "work" ? "open" : "has";
}
