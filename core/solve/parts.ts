import { rationalOfDouble } from "../numeric";
import type { Enclosure } from "../interval";
import type { Expression } from "../formula";
import { spotOfRational, type Spot } from "./spot";
import type { Between, OpenStretch } from "./zerosIn";

/** Why a place is one: the range ends there, a piece does, a function breaks or bends, or what was asked is 0. */
export type Because = "range" | "piece" | "break" | "zero";

export interface PlacePart {
  readonly kind: "place";
  readonly spot: Spot;
  readonly because: Because;
  /** order of the zero that makes the place, where it is known */
  readonly multiplicity: number | null;
}

/**
 * The inputs strictly between two places. Each function is, throughout the cell, either nowhere defined (null) or
 * everywhere defined, continuous and smooth, with a formula free of kinks, stairs and pieces.
 */
export interface CellPart extends Between {
  readonly kind: "cell";
  readonly formulas: readonly (Expression | null)[];
}

/** Inputs on which stairs have too many steps to be listed; `formulas` still hold the stairs. */
export interface StairsPart extends Between {
  readonly kind: "stairs";
  readonly formulas: readonly Expression[];
}

/** Inputs about which nothing is established. */
export interface OpenPart extends OpenStretch {
  readonly kind: "open";
}

/** Inputs that were not examined, and bounds of the values there, where such are known. */
export interface Doubt extends OpenStretch {
  readonly values?: Enclosure;
}

/** Inputs at which what values a function with many steps has, within these bounds, do not matter to what was asked. */
export interface QuietPart extends Between {
  readonly kind: "quiet";
  readonly values: Enclosure;
}

export type Part = PlacePart | CellPart | StairsPart | QuietPart | OpenPart;

export interface Range {
  readonly from: Spot | null;
  readonly to: Spot | null;
}

export const place = (spot: Spot, because: Because, multiplicity: number | null = null): PlacePart => ({
  kind: "place",
  spot,
  because,
  multiplicity,
});

/**
 * A place or cell that an open stretch reaches into is part of it; open stretches that touch are one. Parts come in
 * order, and so do these.
 */
export function tidy(parts: readonly Part[]): Part[] {
  const opens = joinedStretches(parts.filter((p) => p.kind === "open"));
  if (opens.length === 0) return [...parts];
  const out: Part[] = [];
  let next = 0;
  let isPut = false;
  /** The first open stretch that ends at or after an input. */
  const near = (x: number): OpenStretch | undefined => {
    while (opens[next] && opens[next]!.hi < x) {
      next++;
      isPut = false;
    }
    return opens[next];
  };
  const putOpen = (o: OpenStretch) => {
    if (!isPut) out.push({ kind: "open", lo: o.lo, hi: o.hi });
    isPut = true;
  };
  for (const p of parts) {
    const start = p.kind === "place" ? p.spot.lo : p.kind === "open" ? p.lo : (p.from?.lo ?? -Infinity);
    const o = near(start);
    const isCovered = o !== undefined && (p.kind === "open" || (p.kind === "place" && o.lo <= p.spot.hi));
    if (isCovered) putOpen(o);
    else if (p.kind === "place") out.push(p);
    else if (p.kind !== "open") out.push(...remains(p, opens.slice(next, next + 3)));
  }
  return out;
}

const isBeside = (o: OpenStretch, spot: Spot): boolean => o.lo <= spot.hi && o.hi >= spot.lo;

/** What is left of a cell beside open stretches that reach into it. */
function remains<P extends CellPart | StairsPart | QuietPart>(p: P, opens: readonly OpenStretch[]): P[] {
  let from = p.from;
  let to = p.to;
  for (const o of opens) {
    const [isAtStart, isAtEnd] = [from && isBeside(o, from), to && isBeside(o, to)];
    // What is open without end on that side leaves nothing.
    if ((isAtStart && o.hi === Infinity) || (isAtEnd && o.lo === -Infinity)) return [];
    if (isAtStart) from = spotOfRational(rationalOfDouble(o.hi));
    if (isAtEnd) to = spotOfRational(rationalOfDouble(o.lo));
  }
  return from && to && from.at >= to.at ? [] : [{ ...p, from, to }];
}

export function joinedStretches(list: readonly OpenStretch[]): OpenStretch[] {
  const out: { lo: number; hi: number }[] = [];
  for (const o of [...list].sort((a, b) => a.lo - b.lo)) {
    const last = out[out.length - 1];
    if (last && o.lo <= last.hi) last.hi = Math.max(last.hi, o.hi);
    else out.push({ lo: o.lo, hi: o.hi });
  }
  return out;
}
