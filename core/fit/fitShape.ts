import type { Names } from "../formula";
import type { Family } from "./families";
import type { OwnModel } from "./own";
import { studentQuantile } from "./student";

/** A row that decides the fit alone leaves nothing to judge it by: its own share is 1 but for rounding. */
const NO_ROOM = 1e-9;

export type FitMethod = "direct" | "logs";

/** A family, or a formula of one's own with free constants. */
export interface OwnSpec {
  readonly text: string;
  readonly names: Names;
  readonly start?: Readonly<Record<string, number>> | undefined;
}

export type FitSpec = OwnSpec | { readonly family: Family; readonly method?: FitMethod | undefined };

export interface Constant {
  readonly name: string;
  readonly value: number;
  readonly standardError: number | null;
}

/** A model fitted to n rows. Everything is on the scale of y, whatever the method. */
export interface Fit {
  readonly ok: true;
  readonly constants: readonly Constant[];
  readonly n: number;
  readonly rss: number;
  /** null where y does not vary */
  readonly r2: number | null;
  /** √(rss/(n − p)); null without rows to spare */
  readonly residualSd: number | null;
  readonly aicc: number | null;
  /** root of the mean square of what each row misses when it is left out; null when a row cannot be left out */
  readonly leaveOneOut: number | null;
  /** how the second way (QR against fractions, or LM from another start) differs, relative; null where there is none */
  readonly secondWay: number | null;
  readonly value: (x: number) => number;
  /** half-width in y of the 95 % band for a new reading at x; null without rows to spare. For logs it is a factor. */
  readonly band: (x: number) => { low: number; high: number } | null;
  readonly own: OwnModel | null;
}

export interface NoFit {
  readonly ok: false;
  readonly reason: string;
  readonly at?: { start: number; end: number };
}

export const no = (reason: string): NoFit => ({ ok: false, reason });

export const sum = (a: Float64Array) => a.reduce((s, v) => s + v, 0);

/** Rows up to which a curved model is fitted anew without each; beyond, one step from the whole fit stands for it. */
export const MOST_REFITS = 40;

export const extremes = (a: Float64Array): [number, number] => {
  let [lo, hi] = [Infinity, -Infinity];
  for (const v of a) {
    if (v < lo) lo = v;
    if (v > hi) hi = v;
  }
  return [lo, hi];
};

export const rssBy = (value: (x: number) => number, x: Float64Array, y: Float64Array) => {
  let s = 0;
  for (let i = 0; i < x.length; i++) s += (y[i]! - value(x[i]!)) ** 2;
  return s;
};

/** Greatest difference of two forms of one model over the rows, relative to the size of its values. */
export function differs(f: (x: number) => number, g: (x: number) => number, x: Float64Array): number {
  let [most, size] = [0, 0];
  for (const v of x) {
    most = Math.max(most, Math.abs(f(v) - g(v)));
    size = Math.max(size, Math.abs(f(v)));
  }
  return size > 0 ? most / size : most;
}

/**
 * e/(1 − h): what a row misses when the line is fitted without it; exact for models linear in their constants (Cook &
 * Weisberg 1982).
 */
export function leaveOneOutByLeverage(
  y: Float64Array,
  x: Float64Array,
  value: (x: number) => number,
  leverage: Float64Array,
): number | null {
  let s = 0;
  for (let i = 0; i < x.length; i++) {
    const left = 1 - leverage[i]!;
    if (left < NO_ROOM) return null;
    s += ((y[i]! - value(x[i]!)) / left) ** 2;
  }
  return Math.sqrt(s / x.length);
}

export function finished(
  names: readonly string[],
  p: Float64Array,
  x: Float64Array,
  y: Float64Array,
  rss: number,
  value: (x: number) => number,
  spread: readonly (readonly number[])[] | null,
  slopesAt: (x: number) => readonly number[],
  own: OwnModel | null,
  leaveOneOut: number | null,
  secondWay: number | null,
): Fit | NoFit {
  if (p.some((v) => !Number.isFinite(v)))
    return no("A constant of this model is too large or too small for a number; count the inputs from a nearer start.");
  const n = x.length;
  const free = n - names.length;
  const mean = sum(y) / n;
  const total = y.reduce((s, v) => s + (v - mean) ** 2, 0);
  const variance = free > 0 ? rss / free : null;
  const k = names.length + 1;
  const t = variance !== null ? studentQuantile(0.95, free) : 0;
  return {
    ok: true,
    n,
    rss,
    own,
    leaveOneOut,
    secondWay,
    value,
    constants: names.map((name, j) => ({
      name,
      value: p[j]!,
      standardError: variance !== null && spread ? Math.sqrt(Math.max(0, variance * spread[j]![j]!)) : null,
    })),
    r2: total > 0 ? 1 - rss / total : null,
    residualSd: variance === null ? null : Math.sqrt(variance),
    aicc: rss > 0 && n - k - 1 > 0 ? n * Math.log(rss / n) + 2 * k + (2 * k * (k + 1)) / (n - k - 1) : null,
    band: (at) => {
      if (variance === null || !spread) return null;
      const g = slopesAt(at);
      let s = 1;
      for (let i = 0; i < g.length; i++) for (let j = 0; j < g.length; j++) s += g[i]! * spread[i]![j]! * g[j]!;
      const half = t * Math.sqrt(variance * Math.max(1, s));
      return { low: value(at) - half, high: value(at) + half };
    },
  };
}
