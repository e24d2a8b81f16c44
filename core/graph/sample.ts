import { BROKEN, EMPTY, Enclosure } from "../interval";
import type { EnclosureFunction, NumberFunction } from "../formula";

/** One unbroken run of a curve: x and y in turn. */
export type Run = number[];

/** Points laid evenly before refining, so that 40 wiggles on the range still show. */
const FIRST_POINTS = 400;
/** Halvings of a gap where the curve bends. */
const MAX_HALVINGS = 6;
const MAX_POINTS = 4000;
/** Halvings, with those before, that find the edge of a gap: a millionth of a millionth of a step. */
const MOST_HALVINGS = 40;
/** How far beside a break it is looked at, as a part of the range. */
const BESIDE = 1e-9;

/** A place of a curve; `y` is no number where it has no value. */
interface Place {
  readonly x: number;
  readonly y: number;
}

/** Follows a curve from place to place, and ends a run where it is broken. */
class CurveSampler {
  readonly runs: Run[] = [];
  private run: Run = [];
  private count = 0;
  /** bends smaller than this are not refined, in y-unit */
  readonly fine: number;

  constructor(
    private readonly f: NumberFunction,
    private readonly enclose: EnclosureFunction,
    private readonly height: number,
  ) {
    this.fine = height > 0 && Number.isFinite(height) ? height / 500 : 0;
  }
  at(x: number): Place {
    return { x, y: this.f(x) };
  }
  /** Goes on from one place to the next, which lie beside each other. */
  go(before: Place | null, here: Place): void {
    const hasValue = Number.isFinite(here.y);
    const hadValue = before !== null && Number.isFinite(before.y);
    if (hadValue && hasValue) this.between(before, here, 0);
    else if (hadValue) this.toGap(before, here.x, 0);
    else if (hasValue && before) this.fromGap(before.x, here, 0);
    else if (hasValue) this.put(here);
  }
  end(): void {
    if (this.run.length > 0) this.runs.push(this.run);
    this.run = [];
  }

  private put({ x, y }: Place): void {
    this.run.push(x, y);
    this.count++;
  }
  private between(a: Place, b: Place, depth: number): void {
    const m = this.at(a.x + (b.x - a.x) / 2);
    const hasValue = Number.isFinite(m.y);
    const isBent = !hasValue || Math.abs(m.y - (a.y + b.y) / 2) > this.fine;
    if (depth < MAX_HALVINGS && isBent && this.count < MAX_POINTS && m.x > a.x && m.x < b.x) {
      if (hasValue) {
        this.between(a, m, depth + 1);
        this.between(m, b, depth + 1);
      } else {
        this.toGap(a, m.x, depth);
        this.fromGap(m.x, b, depth);
      }
      return;
    }
    // What still rises at the narrowest may be a jump, however low; a wide step is looked at anyway.
    const rise = Math.abs(b.y - a.y);
    const mayJump = rise > this.height * 0.2 || (depth >= MAX_HALVINGS && rise > this.fine);
    if (mayJump && jumps(this.enclose, a.x, b.x)) this.end();
    this.put(b);
  }
  /** Follows the curve up to the last place that has a value. */
  private toGap(a: Place, gap: number, depth: number): void {
    const edge = this.edge(a.x, gap, depth);
    if (edge !== a.x) {
      const last = this.at(edge);
      if (Math.abs(last.y - a.y) < this.height * 50 || this.height === 0) this.put(last);
    }
    this.end();
  }
  private fromGap(gap: number, b: Place, depth: number): void {
    const edge = this.edge(b.x, gap, depth);
    this.end();
    if (edge !== b.x) this.put(this.at(edge));
    this.put(b);
  }
  /** The last place with a value on the way from a place that has one to one that has none. */
  private edge(inside: number, outside: number, depth: number): number {
    let [kept, gap] = [inside, outside];
    for (let i = 0; i < MOST_HALVINGS - depth; i++) {
      const m = Math.min(kept, gap) + Math.abs(gap - kept) / 2;
      if (m === kept || m === gap) break;
      if (Number.isFinite(this.f(m))) kept = m;
      else gap = m;
    }
    return kept;
  }
}

/** Inputs to begin from: evenly laid, with the breaks and their neighbours. */
function firstInputs(from: number, to: number, breaks: readonly number[]): number[] {
  const even = Array.from({ length: FIRST_POINTS + 1 }, (_, i) => from + ((to - from) * i) / FIRST_POINTS);
  const beside = breaks
    .filter((b) => b > from && b < to)
    .flatMap((b) => {
      const by = Math.max(Math.abs(b), to - from) * BESIDE;
      return [b - by, b, b + by];
    });
  return [...even, ...beside].sort((a, b) => a - b);
}

/**
 * Samples a curve on [from, to] for drawing: evenly first, then where it bends. It is broken where it has no value and
 * where it jumps or has a pole (told by its enclosure), so that no line is drawn through a gap.
 *
 * @param height  visible height in y-unit: bends smaller than a 500th of it are not refined
 */
export function sampleCurve(
  f: NumberFunction,
  enclose: EnclosureFunction,
  from: number,
  to: number,
  height: number,
  breaks: readonly number[] = [],
): Run[] {
  const sampler = new CurveSampler(f, enclose, height);
  let before: Place | null = null;
  for (const x of firstInputs(from, to, breaks)) {
    if (x === before?.x) continue;
    const here: Place = sampler.at(x);
    sampler.go(before, here);
    before = here;
  }
  sampler.end();
  return sampler.runs.map((r) => thinned(r, sampler.fine / 4));
}

/** Whether the curve is broken somewhere between two neighbours that lie far apart. */
function jumps(enclose: EnclosureFunction, x0: number, x1: number): boolean {
  let [lo, hi] = [x0, x1];
  for (let i = 0; i < 30; i++) {
    const v = enclose(new Enclosure(lo, hi));
    if (v.flags & EMPTY) return true;
    if (!(v.flags & BROKEN)) return false;
    const m = lo + (hi - lo) / 2;
    if (!(m > lo && m < hi)) return true;
    const left = enclose(new Enclosure(lo, m));
    if (left.flags & BROKEN) hi = m;
    else lo = m;
  }
  return true;
}

/**
 * The run without the points that a straight line between their neighbours passes within `tolerance` (in y-unit) of;
 * first and last stay.
 * A line is drawn from two points instead of four hundred, which is what drawing while dragging lives on.
 */
export function thinned(run: Run, tolerance: number): Run {
  if (!(tolerance > 0) || run.length <= 4) return run;
  const out: Run = [run[0]!, run[1]!];
  let x0 = run[0]!;
  let y0 = run[1]!;
  // Slopes from the last kept point that still pass all points since within the tolerance.
  let low = -Infinity;
  let high = Infinity;
  for (let i = 2; i < run.length; i += 2) {
    const x = run[i]!;
    const y = run[i + 1]!;
    const slope = (y - y0) / (x - x0);
    if (!(slope >= low && slope <= high)) {
      x0 = run[i - 2]!;
      y0 = run[i - 1]!;
      out.push(x0, y0);
      low = -Infinity;
      high = Infinity;
    }
    low = Math.max(low, (y - tolerance - y0) / (x - x0));
    high = Math.min(high, (y + tolerance - y0) / (x - x0));
  }
  out.push(run[run.length - 2]!, run[run.length - 1]!);
  return out;
}
