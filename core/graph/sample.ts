import { BROKEN, EMPTY, Enclosure } from "../interval";
import type { EnclosureFunction, NumberFunction } from "../formula";

/** One unbroken run of a curve: x and y in turn. */
export type Run = number[];

/** Points laid evenly before refining, so that 40 wiggles on the range still show. */
const FIRST_POINTS = 400;
/** Halvings of a gap where the curve bends. */
const MAX_HALVINGS = 6;
const MAX_POINTS = 4000;

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
  const xs: number[] = [];
  for (let i = 0; i <= FIRST_POINTS; i++) xs.push(from + ((to - from) * i) / FIRST_POINTS);
  const inside = breaks.filter((b) => b > from && b < to);
  for (const b of inside) {
    const by = Math.max(Math.abs(b), to - from) * 1e-9;
    xs.push(b - by, b, b + by);
  }
  xs.sort((a, b) => a - b);
  const runs: Run[] = [];
  let run: Run = [];
  let count = 0;
  const end = () => {
    if (run.length > 0) runs.push(run);
    run = [];
  };
  const put = (x: number, y: number) => {
    run.push(x, y);
    count++;
  };
  const fine = height > 0 && Number.isFinite(height) ? height / 500 : 0;

  const between = (x0: number, y0: number, x1: number, y1: number, depth: number): void => {
    const xm = x0 + (x1 - x0) / 2;
    const ym = f(xm);
    const bent = Number.isFinite(ym) ? Math.abs(ym - (y0 + y1) / 2) > fine : true;
    if (depth < MAX_HALVINGS && bent && count < MAX_POINTS && xm > x0 && xm < x1) {
      if (!Number.isFinite(ym)) {
        toGap(x0, y0, xm, depth);
        fromGap(xm, x1, y1, depth);
        return;
      }
      between(x0, y0, xm, ym, depth + 1);
      between(xm, ym, x1, y1, depth + 1);
      return;
    }
    // What still rises at the narrowest may be a jump, however low; a wide step is looked at anyway.
    if (
      (Math.abs(y1 - y0) > height * 0.2 || (depth >= MAX_HALVINGS && Math.abs(y1 - y0) > fine)) &&
      jumps(enclose, x0, x1)
    )
      end();
    put(x1, y1);
  };
  /** Follows the curve up to the last place that has a value. */
  const toGap = (x0: number, y0: number, gap: number, depth: number): void => {
    let [lo, hi] = [x0, gap];
    for (let i = 0; i < 40 - depth; i++) {
      const m = lo + (hi - lo) / 2;
      if (!(m > lo && m < hi)) break;
      if (Number.isFinite(f(m))) lo = m;
      else hi = m;
    }
    if (lo > x0) {
      const y = f(lo);
      if (Math.abs(y - y0) < height * 50 || height === 0) put(lo, y);
    }
    end();
  };
  const fromGap = (gap: number, x1: number, y1: number, depth: number): void => {
    let [lo, hi] = [gap, x1];
    for (let i = 0; i < 40 - depth; i++) {
      const m = lo + (hi - lo) / 2;
      if (!(m > lo && m < hi)) break;
      if (Number.isFinite(f(m))) hi = m;
      else lo = m;
    }
    end();
    if (hi < x1) put(hi, f(hi));
    put(x1, y1);
  };

  let px = NaN;
  let py = NaN;
  for (const x of xs) {
    if (x === px) continue;
    const y = f(x);
    const here = Number.isFinite(y);
    const before = Number.isFinite(py);
    if (here && before) between(px, py, x, y, 0);
    else if (here && !Number.isNaN(px)) fromGap(px, x, y, 0);
    else if (here) put(x, y);
    else if (before) toGap(px, py, x, 0);
    px = x;
    py = y;
  }
  end();
  return runs.map((r) => thinned(r, fine / 4));
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
