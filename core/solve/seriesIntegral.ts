import { TINY } from "../numeric";
import { EMPTY, Enclosure, iv } from "../interval";
import {
  compileEnclosure,
  compileNumber,
  compileSeries,
  variableSeries,
  type EnclosureFunction,
  type Expression,
  type NumberFunction,
  type Series,
} from "../formula";
import type { FunctionTable } from "./table";

/**
 * Even a sliver may use this share of the allowed width, so that an edge like that of a square root does not eat all
 * the work.
 */
const LEAST_SHARE = 1 / 1024;
/** Halvings after which a cell is a sliver, and after which it is taken as it is. */
const SLIVER = 30;
const MAX_DEPTH = 40;
/** Order of the series; even, so that the rest keeps its sign. */
const ORDER = 16;

/** Wanted width of a sum, relative to the size of what is summed. */
const REL_TOL = 1e-11;
/** Where that costs too much, coarser bounds are still proven. */
export const COARSE_REL_TOL = 1e-8;

/** What is summed: smooth, with a value from one double to the other. */
export interface Smooth {
  readonly f: Expression;
  readonly table: FunctionTable;
  readonly from: number;
  readonly to: number;
  /** −1: from the right end on */
  readonly side?: 1 | -1;
}

/** Cells left for all of one integral. */
export interface Room {
  cells: number;
}

/** A stretch over which ∫ f is known from its start to any input of it. */
export interface Leaf {
  readonly lo: number;
  readonly hi: number;
  /** over all of it */
  readonly sum: Enclosure;
  /** the sum only rises along it, or only falls, whatever the bounds of what is summed tell */
  readonly isOneWay?: boolean;
  /** @param x  between lo and hi */
  upTo(x: number): Enclosure;
}

/** Leaves of a smooth stretch, narrow for what they are found to add up to. */
export function fineLeaves(on: Smooth, room: Room): Leaves {
  const left = room.cells;
  const first = leavesOf(on, REL_TOL, room);
  if (first.near !== null) return first;
  const size = summedSize(on, first.leaves, REL_TOL);
  const width = first.leaves.reduce((sum, leaf) => sum + widthOf(leaf.sum), 0);
  // Most of it was less than thought.
  if (width <= COARSE_REL_TOL * size) return first;
  const again = leavesOf(on, REL_TOL, { cells: left }, size);
  return again.near === null ? again : first;
}

/** The same towards an end beside which nothing can be summed: each leaf is narrow for its own size. */
export const leavesTowards = (on: Smooth, room: Room): Leaves => leavesOf(on, REL_TOL, room, null);

/** Leaves one after the other from one end, and where they stop for want of room. */
export interface Leaves {
  readonly leaves: readonly Leaf[];
  /** null: nowhere */
  readonly near: number | null;
}

/**
 * A smooth stretch cut into leaves: with c the middle of one, ∑ a_k ∫ (x − c)^k over the k below the order, a_k
 * the Taylor coefficients at c; and last the coefficient over the whole leaf, which holds the rest. What is too wide
 * is halved.
 * @param relTol  wanted width of the sum of all, relative to the size of what is summed
 * @param size  of what is summed, in y-unit · x-unit; null: each leaf is narrow for its own size, as beside a pole
 */
export function leavesOf(on: Smooth, relTol: number, room: Room, size: number | null = scaleOf(on, relTol)): Leaves {
  const bounds = compileEnclosure(on.f, on.table.enclosure);
  const series = compileSeries(on.f, on.table.series);
  const number = compileNumber(on.f, on.table.number);
  const allowed = (lo: number, hi: number) =>
    size === null
      ? sizeOver(number, bounds, lo, hi, relTol)
      : size * Math.max((hi - lo) / (on.to - on.from), LEAST_SHARE);
  const stack: [number, number, number][] = [[on.from, on.to, 0]];
  const leaves: Leaf[] = [];
  while (stack.length > 0) {
    const [lo, hi, depth] = stack.pop()!;
    if (--room.cells < 0) return { leaves, near: lo };
    const m = lo + (hi - lo) / 2;
    const box = new Enclosure(lo, hi);
    const rest = series(variableSeries(box, ORDER))?.[ORDER];
    const isKnown = rest && Number.isFinite(rest.lo) && Number.isFinite(rest.hi);
    // At an edge of the domain, and beside an upright tangent, a crude bound over a sliver is enough.
    const crude = depth > SLIVER ? sliverOf(bounds(box), lo, hi) : null;
    if (isKnown) {
      const left = iv.subtract(new Enclosure(lo, lo), new Enclosure(m, m));
      const right = iv.subtract(new Enclosure(hi, hi), new Enclosure(m, m));
      const error = iv.multiply(rest, moment(left, right, ORDER));
      const isNarrow = widthOf(error) <= relTol * allowed(lo, hi);
      if (!isNarrow && crude && widthOf(crude.sum) < widthOf(error)) {
        leaves.push(crude);
        continue;
      }
      const middle = isNarrow || depth > MAX_DEPTH ? series(variableSeries(new Enclosure(m, m), ORDER - 1)) : null;
      if (middle) {
        leaves.push(new SeriesLeaf(lo, hi, m, middle, rest));
        continue;
      }
    } else if (depth > SLIVER) {
      if (!crude) return { leaves, near: m };
      leaves.push(crude);
      continue;
    }
    const halves: [number, number, number][] = [
      [m, hi, depth + 1],
      [lo, m, depth + 1],
    ];
    stack.push(...(on.side === -1 ? halves.reverse() : halves));
  }
  return { leaves, near: null };
}

const widthOf = (v: Enclosure): number => v.hi - v.lo;
const pointAt = (x: number): Enclosure => new Enclosure(x, x);

/** A leaf by the series about m; m as a double may lie a rounding away from the true middle, so odd powers are kept. */
class SeriesLeaf implements Leaf {
  readonly sum: Enclosure;
  private start: Enclosure | null = null;

  constructor(
    readonly lo: number,
    readonly hi: number,
    private readonly m: number,
    private readonly middle: Series,
    private readonly rest: Enclosure,
  ) {
    const [left, right] = [this.fromMiddle(lo), this.fromMiddle(hi)];
    let sum = iv.multiply(rest, moment(left, right, ORDER));
    for (let k = 0; k < ORDER; k++) sum = iv.add(sum, iv.multiply(middle[k]!, moment(left, right, k)));
    this.sum = sum;
  }

  private fromMiddle(x: number): Enclosure {
    return iv.subtract(pointAt(x), pointAt(this.m));
  }
  /** ∑ a_k t^(k+1) / (k + 1) */
  private primitive(t: Enclosure): Enclosure {
    let sum = new Enclosure(0, 0);
    for (let k = ORDER - 1; k >= 0; k--) sum = iv.add(iv.divide(this.middle[k]!, pointAt(k + 1)), iv.multiply(sum, t));
    return iv.multiply(sum, t);
  }

  upTo(x: number): Enclosure {
    if (x === this.lo) return new Enclosure(0, 0);
    if (x === this.hi) return this.sum;
    const left = this.fromMiddle(this.lo);
    const here = this.fromMiddle(x);
    this.start ??= this.primitive(left);
    const main = iv.subtract(this.primitive(here), this.start);
    return iv.add(main, iv.multiply(this.rest, moment(left, here, ORDER)));
  }
}

/** A sliver by nothing but the bounds of the values on it; null where there are none. */
function sliverOf(values: Enclosure, lo: number, hi: number): Leaf | null {
  if (values.flags & EMPTY || !Number.isFinite(values.lo) || !Number.isFinite(values.hi)) return null;
  const bounds = new Enclosure(values.lo, values.hi);
  const upTo = (x: number) => iv.multiply(bounds, iv.subtract(pointAt(x), pointAt(lo)));
  return { lo, hi, sum: upTo(hi), upTo };
}

/** ∫ x^k from `left` to `right`. */
const moment = (left: Enclosure, right: Enclosure, k: number): Enclosure =>
  iv.divide(iv.subtract(iv.integerPower(right, k + 1), iv.integerPower(left, k + 1)), new Enclosure(k + 1, k + 1));

/** Boxes looked at all along. */
const BOXES = 32;
/** How close to an end it is looked, as powers of two of the whole. */
const CLOSEST = 40;
/** Rounding widens the bounds of single values by this much and more; a sum cannot be known better than its terms. */
const ROUNDINGS = 64;
/**
 * What is summed is at most about this large, in y-unit · x-unit; where terms cancel, not less than what rounding
 * leaves of them at the wanted width.
 */
function scaleOf({ f: summed, table, from: a, to: b }: Smooth, relTol: number): number {
  const f = compileNumber(summed, table.number);
  const bounds = compileEnclosure(summed, table.enclosure);
  let most = 0;
  for (let i = 0; i <= BOXES; i++) {
    const x = a + ((b - a) * i) / BOXES;
    most = Math.max(most, sizeAt(f(x)), i % 8 === 4 ? roundingAt(bounds(pointAt(x)), relTol) : 0);
    // A spike may stand between all of them.
    const { lo, hi } = bounds(new Enclosure(x, Math.min(b, x + (b - a) / BOXES)));
    most = Math.max(most, sizeAt(Math.max(-lo, hi)));
  }
  // Most of it may lie very close to an end.
  for (let k = 6; k <= CLOSEST; k += 2) {
    const step = (b - a) * 2 ** -k;
    most = Math.max(most, sizeAt(f(a + step)), sizeAt(f(b - step)));
  }
  return Math.max(most * (b - a), TINY);
}

/** The same once leaves are made: most of what is summed may lie in a few of them, which samples had not met. */
export function summedSize(on: Smooth, leaves: readonly Leaf[], relTol: number): number {
  const f = compileNumber(on.f, on.table.number);
  const bounds = compileEnclosure(on.f, on.table.enclosure);
  const sizes = leaves.map(({ lo, hi }) => sizeOver(f, bounds, lo, hi, relTol));
  return Math.max(
    sizes.reduce((a, b) => a + b, 0),
    TINY,
  );
}

/** About how much is summed over a leaf without its sign; not less than what rounding leaves of it. */
function sizeOver(f: NumberFunction, bounds: EnclosureFunction, lo: number, hi: number, relTol: number): number {
  const [first, middle, last] = [0.25, 0.5, 0.75].map((share) => lo + (hi - lo) * share) as [number, number, number];
  const mean = (sizeAt(f(first)) + sizeAt(f(last))) / 2;
  return (hi - lo) * Math.max(mean, roundingAt(bounds(pointAt(middle)), relTol));
}

const sizeAt = (y: number): number => (Number.isFinite(y) ? Math.abs(y) : 0);
function roundingAt({ lo, hi, flags }: Enclosure, relTol: number): number {
  const left = ((hi - lo) * ROUNDINGS) / relTol;
  return !flags && Number.isFinite(left) ? left : 0;
}
