import { EMPTY, Enclosure, BROKEN, PARTIAL, containsZero, iv } from "../interval";
import type { EnclosureFunction, SlopeFunction } from "../formula";

/** A box that begins at 0 is split close to it, by this part, as long as it is wider than that. */
const [TOWARDS_ZERO, FROM_ZERO] = [1e-3, 1e-6];

/**
 * A stretch of inputs that holds exactly one zero, a simple one, proven by a change of sign and a slope that is never
 * 0.
 */
export interface IsolatedZero {
  readonly lo: number;
  readonly hi: number;
}

export interface BranchResult {
  readonly zeros: readonly IsolatedZero[];
  /** stretches that could be neither cleared nor settled at the least width, in order, touching ones joined */
  readonly open: readonly { lo: number; hi: number }[];
  /** stretches on which the function is exactly 0 throughout, proven */
  readonly flat: readonly { lo: number; hi: number }[];
  /** false when the work ran out; `open` then holds all that was not looked at */
  readonly finished: boolean;
  readonly boxes: number;
}

export interface BranchTarget {
  readonly value: EnclosureFunction;
  readonly slopes: SlopeFunction;
  /**
   * tries to settle a stubborn box by other means (an exact zero of higher order); true when all its zeros are
   * accounted for
   */
  readonly settle: (lo: number, hi: number) => boolean;
}

/** A box that is narrow for its stretch is narrow for its own size, too, or by itself, in x-unit. */
const [NARROW_SHARE, NARROW] = [2 ** -20, 1e-4];

/** Splits after which a box counts as stubborn, and between further attempts to settle it. */
const STUBBORN = 9;
const AGAIN = 5;

/** The work of one call, in boxes; a box costs about a microsecond for each operation of the formula. */
export const MAX_BOXES = 8000;

const point = (x: number): Enclosure => new Enclosure(x, x);
const ONE = new Enclosure(1, 1);
/** -1, 1, or 0 where rounding leaves the sign open. */
const signAt = (f: EnclosureFunction, x: number): -1 | 0 | 1 => {
  const v = f(point(x));
  return v.flags & (EMPTY | PARTIAL) ? 0 : v.lo > 0 ? 1 : v.hi < 0 ? -1 : 0;
};

type Box = readonly [a: number, b: number, depth: number];

/** One search: what was found until now, and the boxes that are still to be looked at. */
class Search {
  private readonly zeros: IsolatedZero[] = [];
  private readonly open: { lo: number; hi: number }[] = [];
  private readonly flat: { lo: number; hi: number }[] = [];
  private readonly stack: Box[];
  private boxes = 0;

  constructor(
    private readonly target: BranchTarget,
    from: number,
    to: number,
    private readonly least: number,
  ) {
    this.stack = [[from, to, 0]];
  }
  run(maxBoxes: number): BranchResult {
    while (this.stack.length > 0) {
      const box = this.stack.pop()!;
      if (++this.boxes > maxBoxes) {
        for (const [lo, hi] of [box, ...this.stack]) this.open.push({ lo, hi });
        return this.result(false);
      }
      const rest = this.pruned(box);
      if (rest) this.split(rest);
    }
    return this.result(true);
  }
  private result(finished: boolean): BranchResult {
    return {
      zeros: this.zeros.sort((x, y) => x.lo - y.lo),
      open: joined(this.open, this.least),
      flat: joined(this.flat, 0),
      finished,
      boxes: this.boxes,
    };
  }
  /** What is left of a box that may hold a zero; null where it is cleared, settled, or has become another box. */
  private pruned(box: Box): Box | null {
    const { value, slopes } = this.target;
    const [a, b] = box;
    const first = value(new Enclosure(a, b));
    if (first.flags & EMPTY || !containsZero(first)) return null;
    if (first.flags & (BROKEN | PARTIAL)) return box;
    if (first.lo === 0 && first.hi === 0) {
      this.flat.push({ lo: a, hi: b });
      return null;
    }
    // Without an end there is no middle and no sign at it: such a box is split until its parts have both.
    if (!Number.isFinite(a) || !Number.isFinite(b)) return box;
    const { slope } = slopes({ value: new Enclosure(a, b), slope: ONE });
    if ((slope.lo > 0 || slope.hi < 0) && this.isSettledBySigns(box, slope)) return null;
    return Number.isFinite(slope.lo) && Number.isFinite(slope.hi) ? this.narrowed(box, slope) : box;
  }
  /** A monotone stretch holds no zero where its ends have one sign, and exactly one where they differ. */
  private isSettledBySigns([a, b]: Box, slope: Enclosure): boolean {
    const left = signAt(this.target.value, a);
    const right = signAt(this.target.value, b);
    if (left === 0 || (left !== right && right === 0)) return false;
    if (left !== right) this.zeros.push(sharpen(this.target, a, b, left, slope));
    return true;
  }
  /**
   * Mean-value form: all of f on the box lies in f(m) + slope · (box − m). Where the slope excludes 0 this is the
   * Newton step.
   */
  private narrowed(box: Box, slope: Enclosure): Box | null {
    const [a, b, depth] = box;
    const m = a + (b - a) / 2;
    const fm = this.target.value(point(m));
    const off = new Enclosure(a - m, b - m);
    if (!(fm.flags & (EMPTY | PARTIAL)) && !containsZero(iv.add(fm, iv.multiply(slope, off)))) return null;
    if (slope.lo <= 0 && slope.hi >= 0) return box;
    const newton = iv.subtract(point(m), iv.divide(fm, slope));
    const na = Math.max(a, newton.lo);
    const nb = Math.min(b, newton.hi);
    if (na > nb) return null;
    if (this.isNarrow(na, nb)) return [na, nb, depth];
    if (nb - na >= 0.7 * (b - a)) return box;
    this.stack.push([na, nb, depth]);
    return null;
  }
  /** On a very long stretch what is near 0 is looked at as closely as it is near: of 10¹⁰ a share may be 500. */
  private isNarrow(a: number, b: number): boolean {
    const size = Math.max(Math.abs(a), Math.abs(b));
    return b - a <= this.least && (b - a <= Math.max(NARROW, size * NARROW_SHARE) || size <= NARROW);
  }
  private split([a, b, depth]: Box): void {
    const { value, settle } = this.target;
    if (depth >= STUBBORN && (depth - STUBBORN) % AGAIN === 0 && settle(a, b)) return;
    const mid = splitPoint(value, a, b);
    if (this.isNarrow(a, b) || !(mid > a && mid < b)) this.open.push({ lo: a, hi: b });
    else this.stack.push([mid, b, depth + 1], [a, mid, depth + 1]);
  }
}

/**
 * Clears or settles every part of [from, to]: branch and prune with the mean-value form and interval Newton
 * (Moore, Kearfott & Cloud, Introduction to Interval Analysis, chapters 6 and 8).
 *
 * @param least  width below which a box that cannot be settled is left open, > 0, in x-unit
 */
export const branch = (
  target: BranchTarget,
  from: number,
  to: number,
  least: number,
  maxBoxes = MAX_BOXES,
): BranchResult => new Search(target, from, to, least).run(maxBoxes);

/**
 * A place to split at which the sign is certain, so that no zero sits on a border between boxes. Wide boxes split by
 * magnitude.
 */
function splitPoint(value: EnclosureFunction, a: number, b: number): number {
  const middle = (t: number): number => {
    if (a === -Infinity || b === Infinity)
      return a === -Infinity ? (b === Infinity ? 0 : b > 0 ? -1 : 2 * b - 1) : a < 0 ? 1 : 2 * a + 1;
    if (a > 0 && b / a > 1e3) return Math.sqrt(a) * Math.sqrt(b);
    if (b < 0 && a / b > 1e3) return -Math.sqrt(-a) * Math.sqrt(-b);
    if (a === 0 && b > FROM_ZERO) return b * (t < 0.5 ? 0.01 : t) < TOWARDS_ZERO ? b * TOWARDS_ZERO : b * t;
    return a + (b - a) * t;
  };
  let m = middle(0.5);
  for (const t of [0.4871, 0.5317, 0.4417]) {
    if (signAt(value, m) !== 0) return m;
    m = Number.isFinite(a) && Number.isFinite(b) ? a + (b - a) * t : m + 0.37;
  }
  return m;
}

/** Narrows a bracket with certain signs at both ends and a slope of one sign to about two units in the last place. */
function sharpen(target: BranchTarget, a: number, b: number, left: -1 | 1, slope: Enclosure): IsolatedZero {
  const { value, slopes } = target;
  for (let round = 0; round < 200; round++) {
    const m = a + (b - a) / 2;
    if (!(m > a && m < b)) break;
    const before = b - a;
    const fm = value(point(m));
    if (round > 0 && round % 2 === 0) slope = slopes({ value: new Enclosure(a, b), slope: ONE }).slope;
    if ((slope.lo > 0 || slope.hi < 0) && Number.isFinite(slope.lo) && Number.isFinite(slope.hi)) {
      const next = iv.subtract(point(m), iv.divide(fm, slope));
      if (next.lo > a) a = next.lo;
      if (next.hi < b) b = next.hi;
    }
    if (b - a > before * 0.6) {
      if (fm.lo > 0) {
        if (left > 0) a = Math.max(a, m);
        else b = Math.min(b, m);
      } else if (fm.hi < 0) {
        if (left > 0) b = Math.min(b, m);
        else a = Math.max(a, m);
      } else {
        // Rounding hides the sign at the middle; try to pinch from both sides instead.
        const q = a + (b - a) / 4;
        const r = a + ((b - a) * 3) / 4;
        const sq = signAt(value, q);
        const sr = signAt(value, r);
        if (sq === left) a = Math.max(a, q);
        else if (sq === -left) b = Math.min(b, q);
        if (sr === left) a = Math.max(a, r);
        else if (sr === -left) b = Math.min(b, r);
        if (b - a >= before) break;
      }
    }
  }
  return { lo: Math.min(a, b), hi: Math.max(a, b) };
}

/** Joins open boxes that touch or nearly touch. */
function joined(list: { lo: number; hi: number }[], gap: number): { lo: number; hi: number }[] {
  const out: { lo: number; hi: number }[] = [];
  for (const box of list.sort((x, y) => x.lo - y.lo)) {
    const last = out[out.length - 1];
    if (last && box.lo <= last.hi + gap) last.hi = Math.max(last.hi, box.hi);
    else out.push({ ...box });
  }
  return out;
}
