import type { Expression } from "../formula";
import type { ExactForm } from "./exactForm";
import { newWork, type Work } from "./partition";
import { joinedStretches, type PlacePart, type Range } from "./parts";
import { periodOf, type Period } from "./period";
import { boundsAtSpot, signedParts, type PartSign, type SignedPart, type Wanted } from "./signedParts";
import type { Spot } from "./spot";
import type { FunctionTable } from "./table";
import type { OpenStretch } from "./zerosIn";

export type RootKind = "crossing" | "touching" | "endpoint";

/** A place where the function is 0, with proven bounds. */
export interface Root {
  readonly at: number;
  readonly lo: number;
  readonly hi: number;
  readonly kind: RootKind;
  readonly multiplicity: number | null;
  readonly exact: ExactForm | null;
  readonly spot: Spot;
  /** signs of the function just before and just after */
  readonly left: PartSign;
  readonly right: PartSign;
}

export interface Stretch {
  readonly lo: number;
  readonly hi: number;
  readonly closedLo: boolean;
  readonly closedHi: boolean;
  /** its ends, where they are inputs at all */
  readonly from: Spot | null;
  readonly to: Spot | null;
}

/** All roots on a range. Complete when `open` is empty. */
export interface RootSearch {
  readonly roots: readonly Root[];
  /** stretches on which the function is 0 throughout */
  readonly everywhere: readonly Stretch[];
  /** stretches that could not be settled */
  readonly open: readonly { lo: number; hi: number }[];
  /** inputs where the function jumps over 0 without being 0 */
  readonly jumps: readonly number[];
  /** the part of an unbounded range that was looked at, where the rest is not proven free of roots */
  readonly searched: { from: number; to: number } | null;
  /** the function repeats; the roots are those of its first period */
  readonly period: Period | null;
  readonly parts: readonly SignedPart[];
}

/**
 * Every input of a range at which `e` is 0, from the range's one partition. Ends belong to the range. A break is owned
 * by the piece that holds it; a jump over 0 is reported as a jump, never as a root.
 * @param wanted  whether it matters, too, where there is a value without a zero
 */
export function findRoots(
  e: Expression,
  table: FunctionTable,
  range: Range,
  work: Work = newWork(),
  wanted: Wanted = "zeros",
): RootSearch {
  const period = periodOf(e, table, range);
  const parts = signedParts(e, table, period ? period.range : range, work, wanted);
  const roots: Root[] = [];
  const jumps: number[] = [];
  const beyond: OpenStretch[] = [];
  parts.forEach((p, i) => {
    if (p.part.kind !== "place") return;
    // Before the first period lies another one.
    const before = parts[i - 1] ?? (period ? parts[parts.length - 2] : undefined);
    const [left, right] = [before?.sign ?? "none", parts[i + 1]?.sign ?? "none"];
    // The end of the first period is the start of the next.
    if (period && i === parts.length - 1 && i > 0) return;
    const { lo, hi } = p.part.spot;
    // A place beyond all doubles, such as e^9990, has no number to be told by.
    if (p.sign === 0 && !(Number.isFinite(lo) && Number.isFinite(hi))) beyond.push({ lo, hi });
    else if (p.sign === 0 && left !== 0 && right !== 0) roots.push(rootAt(p.part, left, right, period !== null));
    if (p.sign !== 0 && jumpsOver(parts, i, table)) jumps.push(p.part.spot.at);
  });
  // Where the sign is known wherever there is a value, there is no root, though there may be no value either.
  const unknown = unknownIn(parts.filter(({ part }) => part.kind !== "quiet"));
  const open = beyond.length > 0 ? joinedStretches([...unknown, ...beyond]) : unknown;
  return {
    roots,
    everywhere: stretchesWhere(parts, (sign) => sign === 0).filter((s) => s.lo < s.hi),
    open,
    jumps,
    searched: searchedOf(open, range),
    period,
    parts,
  };
}

/** The stretches on which a sign could not be settled. */
export const unknownIn = (parts: readonly SignedPart[]): OpenStretch[] =>
  parts.flatMap(({ part, sign }) => (sign === "open" ? [stretchOf(part)] : []));

function rootAt(place: PlacePart, left: PartSign, right: PartSign, isRepeated: boolean): Root {
  const { spot } = place;
  // Where the function has no value on one side, its domain ends.
  const isEdge = left === "none" || right === "none";
  const isEnd = isEdge || (place.because === "range" && !isRepeated) || place.because === "piece";
  const byOrder = place.multiplicity === null ? "endpoint" : place.multiplicity % 2 === 0 ? "touching" : "crossing";
  const known = typeof left === "number" && typeof right === "number";
  return {
    at: spot.at,
    lo: spot.lo,
    hi: spot.hi,
    kind: isEnd ? "endpoint" : known ? (left === right ? "touching" : "crossing") : byOrder,
    multiplicity: place.multiplicity,
    exact: spot.exact,
    spot,
    left,
    right,
  };
}

/** Whether the function goes from below to above, or back, in one leap of finite size. */
function jumpsOver(parts: readonly SignedPart[], i: number, table: FunctionTable): boolean {
  const [before, after] = [parts[i - 1], parts[i + 1]];
  if (typeof before?.sign !== "number" || typeof after?.sign !== "number" || before.sign * after.sign >= 0)
    return false;
  const { part } = parts[i]!;
  if (part.kind !== "place" || !before.formula || !after.formula) return false;
  const { lo, hi } = part.spot;
  return [before.formula, after.formula].every((f) => boundsAtSpot(f, lo, hi, table) !== null);
}

export const stretchOf = (part: SignedPart["part"]): { lo: number; hi: number } =>
  part.kind === "place"
    ? { lo: part.spot.lo, hi: part.spot.hi }
    : part.kind === "open"
      ? { lo: part.lo, hi: part.hi }
      : { lo: part.from?.lo ?? -Infinity, hi: part.to?.hi ?? Infinity };

/** Neighbouring parts that hold, as stretches; an end is closed exactly where the place itself holds. */
export function stretchesWhere(parts: readonly SignedPart[], holds: (sign: PartSign) => boolean): Stretch[] {
  const out: Stretch[] = [];
  let current: Stretch | null = null;
  const put = () => {
    if (current) out.push(current);
    current = null;
  };
  for (const { part, sign } of parts) {
    if (!holds(sign) || part.kind === "open") {
      put();
      continue;
    }
    const isPlace: boolean = part.kind === "place";
    const [from, to]: [Spot | null, Spot | null] =
      part.kind === "place" ? [part.spot, part.spot] : [part.from, part.to];
    const start: Stretch | null = current;
    current = {
      lo: start ? (start as Stretch).lo : (from?.at ?? -Infinity),
      hi: to?.at ?? Infinity,
      closedLo: start ? (start as Stretch).closedLo : isPlace,
      closedHi: isPlace,
      from: start ? (start as Stretch).from : from,
      to,
    };
  }
  put();
  return out;
}

/** The part of an unbounded range that was looked at, where a tail is left open. */
export function searchedOf(
  open: readonly { lo: number; hi: number }[],
  range: Range,
): { from: number; to: number } | null {
  const left = open.find((o) => o.lo === -Infinity);
  const right = open.find((o) => o.hi === Infinity);
  if (!left && !right) return null;
  const from = left ? left.hi : (range.from?.at ?? -Infinity);
  const to = right ? right.lo : (range.to?.at ?? Infinity);
  return Number.isFinite(from) && Number.isFinite(to) && from < to ? { from, to } : null;
}
