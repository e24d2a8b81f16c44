import { dependsOnVariable, compileEnclosure, type Expression } from "../formula";
import { BROKEN, EMPTY, Enclosure, PARTIAL, containsZero } from "../interval";
import { rationalOfDouble, type Rational } from "../numeric";
import { sharedIn } from "./commonFactor";
import { constantSign } from "./terms";
import { rationalForm } from "./rationalForm";
import { compareSpots, outerEnd, signOfEnclosure, spotOfZero, type Spot } from "./spot";
import { encloseAt } from "./encloseAt";
import { tailFreeOfZeros, headFreeOfZeros } from "./tails";
import type { FunctionTable } from "./table";
import { zerosOf, type Budget } from "./zeros";
import type { ZeroSet } from "./zeroSet";

/** A stretch of inputs between two spots, its ends not among them; null: unbounded. */
export interface Between {
  readonly from: Spot | null;
  readonly to: Spot | null;
}
export interface OpenStretch {
  readonly lo: number;
  readonly hi: number;
}

/** A zero inside a stretch, with its order where that is known. */
export interface InnerZero {
  readonly spot: Spot;
  readonly multiplicity: number | null;
}

export interface ZerosIn {
  readonly zeros: readonly InnerZero[];
  readonly everywhere: boolean;
  readonly open: readonly OpenStretch[];
}

const NO_ZEROS: ZerosIn = { zeros: [], everywhere: false, open: [] };
/** Work for a look whether algebra alone settles an unbounded stretch. */
const GLANCE = 40;

/** All zeros of `u`, smooth and defined throughout the open stretch, strictly inside it. */
export function zerosIn(u: Expression, between: Between, table: FunctionTable, budget: Budget): ZerosIn {
  if (!dependsOnVariable(u)) {
    const sign = constantSign(u);
    return sign === null ? { ...NO_ZEROS, open: [hullOf(between)] } : { ...NO_ZEROS, everywhere: sign === 0 };
  }
  const { from, to } = between;
  const box = hullOf(between);
  const first = compileEnclosure(u, table.enclosure)(new Enclosure(box.lo, box.hi));
  if (!(first.flags & (EMPTY | PARTIAL | BROKEN)) && !containsZero(first)) return NO_ZEROS;
  if (budget.boxes <= 0) return { ...NO_ZEROS, open: [box] };
  const shared = sharedIn(u);
  if (shared) return alsoOf(u, zerosIn(shared.inner, between, table, budget));
  if (from && to)
    return inside(u, bounded(u, [outerEnd(from, -1), outerEnd(to, 1)], between, table, budget), between, table);
  return inside(u, unbounded(u, between, table, budget), between, table);
}

/** Zeros that were found in a shorter form are those of what it was made from, too. */
export function alsoOf(u: Expression, found: ZerosIn): ZerosIn {
  const zeros = found.zeros.map((z) => ({ ...z, spot: { ...z.spot, zeroOf: [...z.spot.zeroOf, u] } }));
  return { ...found, zeros };
}

export const hullOf = ({ from, to }: Between): OpenStretch => ({ lo: from?.lo ?? -Infinity, hi: to?.hi ?? Infinity });

/**
 * Zeros from a to b. A search would be lost beside an end at which there is a zero of a high order, so it begins
 * behind the stretch that the leading term there proves to be free of zeros, unless algebra alone settles the matter.
 * It begins again where it was lost beside an end without a value, as of atan(x²)/x − x at 0.
 */
function bounded(
  u: Expression,
  [a, b]: readonly [Rational, Rational],
  between: Between,
  table: FunctionTable,
  budget: Budget,
): ZeroSet {
  const { from, to } = between;
  const room = from && to ? to.lo - from.hi : 1;
  const search = (isFreedBelow: boolean, isFreedAbove: boolean): ZeroSet => {
    const low = from && isFreedBelow ? headFreeOfZeros(u, from, 1, room, table) : -Infinity;
    const high = to && isFreedAbove ? headFreeOfZeros(u, to, -1, room, table) : Infinity;
    const start = from && low > from.hi ? rationalOfDouble(low) : a;
    const end = to && high < to.lo ? rationalOfDouble(high) : b;
    return start.compare(end) < 0 ? zerosOf(u, table, start, end, budget) : NOTHING_FOUND;
  };
  const [isZeroBelow, isZeroAbove] = [from, to].map((end) => end !== null && vanishesAt(u, end, table)) as [
    boolean,
    boolean,
  ];
  if (isZeroBelow || isZeroAbove) {
    const glance = zerosOf(u, table, a, b, Math.min(GLANCE, budget.boxes));
    if (glance.open.length === 0) return glance;
  }
  const found = search(isZeroBelow, isZeroAbove);
  const isLostBelow = from !== null && !isZeroBelow && found.open.some((o) => o.lo <= from.hi);
  const isLostAbove = to !== null && !isZeroAbove && found.open.some((o) => o.hi >= to.lo);
  const isLost = (isLostBelow || isLostAbove) && budget.boxes > 0;
  return isLost ? search(isZeroBelow || isLostBelow, isZeroAbove || isLostAbove) : found;
}
const NOTHING_FOUND: ZeroSet = { zeros: [], everywhere: false, open: [], algebraic: false };

/** Whether it comes to 0 at an end, as far as its bounds there tell. */
function vanishesAt(u: Expression, { lo, hi }: Spot, table: FunctionTable): boolean {
  const there = compileEnclosure(u, table.enclosure)(new Enclosure(lo, hi));
  return !(there.flags & EMPTY) && containsZero(there);
}

function unbounded(u: Expression, { from, to }: Between, table: FunctionTable, budget: Budget): ZeroSet {
  const [a, b] = [from && outerEnd(from, -1), to && outerEnd(to, 1)];
  if (rationalForm(u)) return zerosOf(u, table, a, b, budget);
  const glance = zerosOf(u, table, a, b, Math.min(GLANCE, budget.boxes));
  if (glance.algebraic && glance.open.length === 0) return glance;
  const right = b ? null : tailFreeOfZeros(u, 1, from?.hi ?? 0, table);
  const left = a ? null : tailFreeOfZeros(u, -1, to?.lo ?? 0, table);
  const lo = a ?? rationalOfDouble(left!.edge);
  const hi = b ?? rationalOfDouble(right!.edge);
  const found =
    lo.compare(hi) < 0 ? bounded(u, [lo, hi], { from, to }, table, budget) : { ...glance, zeros: [], open: [] };
  const tails = [
    ...(left && !left.proven ? [{ lo: -Infinity, hi: left.edge }] : []),
    ...(right && !right.proven ? [{ lo: right.edge, hi: Infinity }] : []),
  ];
  return { ...found, everywhere: found.everywhere && tails.length === 0, open: [...found.open, ...tails] };
}

/** Sorts what was found on the hull of a stretch into what lies inside it, and what could not be told from its ends. */
function inside(u: Expression, set: ZeroSet, between: Between, table: FunctionTable): ZerosIn {
  // An expression smooth on a stretch that is 0 on a part of it is 0 on all of it.
  if (set.everywhere || (set.flat?.length ?? 0) > 0) return { zeros: [], everywhere: true, open: [] };
  const zeros: InnerZero[] = [];
  const open: OpenStretch[] = [];
  for (const z of set.zeros) {
    const spot = spotOfZero(z, u);
    const state = placeOf(spot, between, table);
    if (state === "inside") zeros.push({ spot, multiplicity: z.multiplicity });
    else if (state === "unclear") open.push({ lo: z.lo, hi: z.hi });
  }
  for (const o of set.open) open.push(...withoutEnds(u, o, between, table));
  return { zeros: apart(zeros, table, open), everywhere: false, open };
}

function placeOf(spot: Spot, { from, to }: Between, table: FunctionTable): "inside" | "outside" | "unclear" {
  const [left, right] = [from ? compareSpots(spot, from, table) : 1, to ? compareSpots(spot, to, table) : -1];
  if (left === null || right === null) return "unclear";
  return left > 0 && right < 0 ? "inside" : "outside";
}

/** Zeros in order, each proven apart from the next; those that are not make an open stretch. */
function apart(zeros: InnerZero[], table: FunctionTable, open: OpenStretch[]): InnerZero[] {
  const out: InnerZero[] = [];
  for (const z of zeros.sort((a, b) => a.spot.at - b.spot.at)) {
    const last = out[out.length - 1];
    const order = last ? compareSpots(last.spot, z.spot, table) : -1;
    if (order === -1) out.push(z);
    else if (order === null) {
      out.pop();
      open.push({ lo: Math.min(last!.spot.lo, z.spot.lo), hi: Math.max(last!.spot.hi, z.spot.hi) });
    } else if (order === 1) {
      out[out.length - 1] = z;
      out.push(last!);
    }
  }
  return out;
}

/** What is left open near an end is cleared where the leading term there proves that no zero is close. */
function withoutEnds(u: Expression, o: OpenStretch, { from, to }: Between, table: FunctionTable): OpenStretch[] {
  let { lo, hi } = o;
  const room = from && to ? to.lo - from.hi : 1;
  if (from && lo <= from.hi && Number.isFinite(hi)) {
    const free = headFreeOfZeros(u, from, 1, room, table);
    if (free >= hi) return [];
    lo = Math.max(lo, free);
  }
  if (to && hi >= to.lo && Number.isFinite(lo)) {
    const free = headFreeOfZeros(u, to, -1, room, table);
    if (free <= lo) return [];
    hi = Math.min(hi, free);
  }
  return lo <= hi ? [{ lo, hi }] : [];
}

/** Shares of a stretch at which its sign is looked for; one is enough, the others are for where rounding hides it. */
const SHARES = [0.5, 0.371, 0.713, 0.11, 0.93, 0.02];

/** Inner points of a stretch, as doubles strictly between its ends. */
export function innerPoints({ from, to }: Between): number[] {
  const lo = from?.hi ?? -Infinity;
  const hi = to?.lo ?? Infinity;
  const points = SHARES.map((t) => {
    if (Number.isFinite(lo) && Number.isFinite(hi)) return lo + (hi - lo) * t;
    const away = (1 + Math.abs(Number.isFinite(lo) ? lo : Number.isFinite(hi) ? hi : 0)) * t * 2;
    return Number.isFinite(lo) ? lo + away : Number.isFinite(hi) ? hi - away : t - 0.25;
  });
  return points.filter((x) => x > lo && x < hi);
}

/**
 * The sign that an expression without zero or break inside a stretch has throughout it; null where it could not be
 * told.
 */
export function signIn(u: Expression, between: Between, table: FunctionTable): -1 | 1 | null {
  const points = innerPoints(between);
  const enclosure = compileEnclosure(u, table.enclosure);
  for (const x of points) {
    const sign = signOfEnclosure(enclosure(new Enclosure(x, x)));
    if (sign === 1 || sign === -1) return sign;
  }
  for (const x of points) {
    const sign = signOfEnclosure(encloseAt(u, table, rationalOfDouble(x)));
    if (sign === 1 || sign === -1) return sign;
  }
  // Powers and exponentials that all terms have in common are positive, however small they are.
  const shared = sharedIn(u);
  return shared && signIn(shared.inner, between, table);
}
