import type { FullFinding, FindingStretch } from "#core/question";
import type { Chance } from "../shared/chance";
import type { Value, World } from "./world";

/** Inputs laid over the range; more of them close to what is claimed. */
export const SAMPLES = 400;
/** Plain values may be off by this, relative to their size, and more where a function is steep. */
export const REL_TOL = 1e-7;

export interface Sample {
  readonly x: number;
  readonly y: number;
  /**
   * how far the value may be off through rounding of the input and of what is done with it; infinite where sides differ
   */
  readonly slack: number;
}

/** A value with how sure it is. */
export function sampleAt(f: Value, x: number): Sample {
  const { v, off } = f(x);
  return {
    x,
    y: v,
    slack: off === Infinity ? Infinity : Number.isNaN(v) ? 0 : off * 4 + REL_TOL * 1e-3 * Math.max(1, Math.abs(v)),
  };
}
/** A plain number, NaN where it is not sure. */
export const plainly =
  (f: Value) =>
  (x: number): number => {
    const m = f(x);
    return m.off === Infinity ? NaN : m.v;
  };

export function inputs(w: World, c: Chance, near: readonly number[]): number[] {
  const out: number[] = [w.from, w.to];
  const width = w.to - w.from;
  for (let i = 0; i <= SAMPLES; i++) out.push(w.from + (width * (i + 0.4 * c.next())) / SAMPLES);
  for (let n = Math.ceil(w.from); n <= Math.min(w.to, Math.ceil(w.from) + 60); n++) out.push(n, n + 1e-7, n - 1e-7);
  // Of an endless range most happens near 0, but far out counts as well.
  if (w.isOpen) for (let i = 0; i <= SAMPLES; i++) out.push((i / SAMPLES - 0.5) * 80 + 0.01 * c.next());
  for (const x of near) for (const k of [3, 5, 7, 9]) out.push(x - width * 10 ** -k, x + width * 10 ** -k);
  return out.filter((x) => x >= w.from && x <= w.to).sort((a, b) => a - b);
}

export const marksOf = (f: FullFinding): number[] =>
  [
    ...f.solutions.map((s) => s.at),
    ...f.stretches.flatMap((s) => [s.from, s.to]),
    f.bound?.at ?? null,
    ...f.jumps,
  ].filter((x): x is number => x !== null && Number.isFinite(x));

/** Of a finding that repeats only the first period is told: an input further on stands for the one it repeats. */
export function folded(f: FullFinding, x: number): number {
  const every = f.repeats?.every;
  const start = f.about.from ?? (f.about.to !== null && every ? f.about.to - every : 0);
  return every ? start + ((((x - start) % every) + every) % every) : x;
}

export const isInStretch = (x: number, s: FindingStretch): boolean =>
  (s.from === null || x > s.from || (x === s.from && s.ends[0] === "[")) &&
  (s.to === null || x < s.to || (x === s.to && s.ends[1] === "]"));
export const isNearEnd = (x: number, s: FindingStretch, by: number): boolean =>
  [s.from, s.to].some((e) => e !== null && Math.abs(e - x) <= by);

/** The difference of two functions, or of a function and a number. */
export const less =
  (a: Value, b: Value | number): Value =>
  (x) => {
    const [u, v] = [a(x), typeof b === "number" ? { v: b, off: 0 } : b(x)];
    if (u.off === Infinity || v.off === Infinity) return { v: NaN, off: Infinity };
    return { v: u.v - v.v, off: u.off + v.off + Math.abs(u.v - v.v) * 2.5e-16 };
  };

/** The number with the fewest decimals between two others: where a hole of a formula is likely to lie. */
function roundest(lo: number, hi: number): number {
  for (let decimals = 0; decimals < 15; decimals++) {
    const tried = Math.ceil(lo * 10 ** decimals) / 10 ** decimals;
    if (tried <= hi) return tried;
  }
  return lo;
}

/** Between `sure`, where the sign is known, and `lost`, where rounding hides it: the last place that is sure. */
function edgeOfRounding(value: Value, sure: number, lost: number): number | null {
  let [a, b] = [sure, lost];
  for (let i = 0; i < 60; i++) {
    const m = a + (b - a) / 2;
    const { v, off } = value(m);
    if (off === Infinity || Number.isNaN(v)) return null;
    if (m === a || m === b) break;
    if (Math.abs(v) <= off) b = m;
    else a = m;
  }
  return a;
}

/** How many values between two places are looked at. */
const LOOKS = 64;
const MOST_HALVINGS = 1100;
/** How many times the width of what is left is looked at on both sides of it. */
const FURTHER = 1000;

/**
 * Halves a change of sign; null where it is a jump, a pole or a gap.
 * @returns  where it is, and how far off that may be: around a crossing that is flat, rounding hides the signs
 */
export function closeIn(value: Value, lo: number, hi: number): { readonly at: number; readonly within: number } | null {
  const f = plainly(value);
  let [a, b] = [lo, hi];
  let fa = f(a);
  const start = Math.max(Math.abs(fa), Math.abs(f(b)));
  let near: readonly [number, number] | null = null;
  // Halving goes on where the values are lost in rounding: a hole in the middle of that shows only close by.
  // Around 0 there are a thousand halvings before no double is left between.
  for (let i = 0; i < MOST_HALVINGS; i++) {
    const m = a + (b - a) / 2;
    const y = f(m);
    if (Number.isNaN(y)) return null;
    if (!(m > a && m < b)) break;
    // Within its rounding of 0: the values on both sides tell whether it passes through.
    if (near === null && Math.abs(y) <= value(m).off) {
      const [left, right] = [edgeOfRounding(value, a, m), edgeOfRounding(value, b, m)];
      if (left === null || right === null) return null;
      near = [left, right];
    }
    if (Math.sign(y) === Math.sign(fa)) [a, fa] = [m, y];
    else b = m;
  }
  // Beside a hole both sides come to 0, and nothing is taken.
  const [from, to] = near ?? [a, b];
  if (Number.isNaN(f(Math.abs(from) < 1e-12 ? 0 : Number(from.toPrecision(12)))) || Number.isNaN(f(roundest(from, to))))
    return null;
  // Where a part is too great for a double in the middle of what rounding hides, nobody knows what happens there.
  if (
    near &&
    Array.from({ length: LOOKS }, (_, i) => from + ((to - from) * (i + 0.5)) / LOOKS).some((x) => Number.isNaN(f(x)))
  )
    return null;
  const here = Math.max(Math.abs(f(from)), Math.abs(f(to)));
  // Of values that are great all around, a jump leaves little: it is no less close by than a little further off.
  const further = [from - FURTHER * (to - from), to + FURTHER * (to - from)].map((x) => Math.abs(f(x)));
  const isJump = near === null && here > 1e-3 && further.every((y) => y < 2 * here);
  const isTaken = here < 1e-6 * Math.max(start, 1e-3) && !isJump;
  return isTaken ? { at: from + (to - from) / 2, within: (to - from) / 2 } : null;
}
