import { isolateRealRoots, poly, toDouble } from "../numeric";
import type { NumberFunction } from "../formula";
import { rationalForm, type SmoothPart } from "../solve";

/** A place where a curve begins, ends or is broken: filled where the function has that value, open where it only comes close to it. */
export interface CurveEnd {
  readonly x: number;
  readonly y: number;
  readonly closed: boolean;
}

/** Distances from a break at which both sides are read off, as shares of the range looked at. */
const NEAR = [1e-6, 1e-8] as const;
/** Values this close, as a share of the visible height, are drawn as one. */
const SAME = 1e-5;

/**
 * Ends, jumps and holes of a function on [lo, hi], as mathematics draws them. Poles have none: nothing is drawn there.
 * @param height  visible height, in y-unit
 */
export function curveEnds(
  f: NumberFunction,
  parts: readonly SmoothPart[],
  lo: number,
  hi: number,
  height: number,
): CurveEnd[] {
  const out: CurveEnd[] = [];
  for (const x of breaksOf(parts)) {
    if (x < lo || x > hi) continue;
    const own = f(x);
    const left = limit(f, x, -1, hi - lo, height);
    const right = limit(f, x, 1, hi - lo, height);
    const same = (a: number | null, b: number | null) => a !== null && b !== null && Math.abs(a - b) <= SAME * height;
    const value = Number.isFinite(own) ? own : null;
    if (same(left, right) && same(left, value)) continue;
    // A curve that only begins or ends here shows its value; one that is broken shows both sides.
    for (const side of [left, right])
      if (side !== null && !same(side, value) && !out.some((e) => e.x === x && Math.abs(e.y - side) <= SAME * height))
        out.push({ x, y: side, closed: false });
    if (value !== null && (left !== null || right !== null || out.some((e) => e.x === x)))
      out.push({ x, y: value, closed: true });
  }
  return out;
}

/** Borders between smooth parts, and zeros of what is divided by. */
function breaksOf(parts: readonly SmoothPart[]): number[] {
  const out = new Set<number>();
  for (const p of parts) {
    if (p.isPoint) {
      if (p.kind !== "range") out.add(toDouble(p.from!));
      continue;
    }
    const form = p.expression && rationalForm(p.expression);
    for (const d of form?.divisors ?? [])
      if (poly.degree(d) >= 1 && poly.degree(d) <= 8) for (const r of isolateRealRoots(d, p.from, p.to)) out.add(r.at);
  }
  return [...out].sort((a, b) => a - b);
}

/** The finite limit from one side, read off close by; null where the curve runs away or has no value. */
function limit(f: NumberFunction, x: number, side: -1 | 1, width: number, height: number): number | null {
  const [far, near] = NEAR.map((share) => f(x + side * Math.max(share * width, Math.abs(x) * 2 ** -44))) as [
    number,
    number,
  ];
  return Number.isFinite(far) && Number.isFinite(near) && Math.abs(near - far) <= 0.02 * height ? near : null;
}
