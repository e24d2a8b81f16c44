import type { NumberFunction } from "../../formula";
import type { SecondWay } from "../finding";

/** Values below this part of their scale are judged by the scale. */
const OF_SCALE = 1e-6;
/** Two numbers that differ by no more of their size have the same digits. */
const SAME_DIGITS = 1e-14;
/** Step of a central difference: about the cube root of the rounding of doubles, where its two errors are alike. */
const [STEP, LEAST_WIDTH] = [6e-6, 1e-3];

/** What rounding excuses at most, as a part of the values around: as much as at the foot of a root nearby. */
const MOST_ROUNDED = 1e-6;

/** Answers of two methods this close, relative to their size, agree: the rest is rounding. */
const AGREE_REL_TOL = 1e-7;

/** @param slack  how far the proven value itself is known, in the unit of the values */
const judge = (method: string, found: number, second: number, scale = 1, slack = 0): SecondWay => {
  const difference = Math.max(0, Math.abs(found - second) - slack);
  const size = Math.max(Math.abs(found), Math.abs(second), scale * OF_SCALE, Number.MIN_VALUE);
  return {
    method,
    found,
    second,
    difference: difference <= size * SAME_DIGITS ? 0 : difference,
    agrees: difference <= AGREE_REL_TOL * size,
  };
};

/** Share of the values at the ends of a bracket that a zero inside it comes below. */
const JUMP = 1e-6;

/**
 * Halves a bracket around a zero found elsewhere, on plain doubles: knows nothing of how it was found.
 * @param withinRounding  whether the value at an input cannot be told from 0 in doubles
 */
export function bisectionNear(
  f: NumberFunction,
  at: number,
  lo: number,
  hi: number,
  withinRounding: (x: number) => boolean,
): SecondWay | null {
  const left = f(lo);
  const right = f(hi);
  if (!(left * right < 0)) return null;
  let a = lo;
  let b = hi;
  for (let i = 0; i < 200; i++) {
    const m = a + (b - a) / 2;
    if (!(m > a && m < b)) break;
    const v = f(m);
    // A bracket that reaches over a stretch without values holds the zeros of two.
    if (Number.isNaN(v)) return null;
    if (v === 0) {
      a = m;
      b = m;
      break;
    }
    if (v * left > 0) a = m;
    else b = m;
  }
  const second = a + (b - a) / 2;
  // Values that stay away from 0 on both sides are a jump, which is no zero and tells nothing about one.
  const size = Math.max(Math.abs(left), Math.abs(right));
  if (Math.min(Math.abs(f(a)), Math.abs(f(b))) > size * JUMP && !withinRounding(second)) return null;
  const judged = judge("bisection", at, second, hi - lo);
  // On doubles an ill-conditioned or flat zero can be met only as closely as rounding lets its values be told from 0.
  return judged.agrees || !withinRounding(second) ? judged : { ...judged, agrees: true };
}

/**
 * Golden-section search for the best value near an optimum (Kiefer 1953); values are compared, since inputs near a peak
 * hardly differ in value.
 * @param roundingAt  how far off plain values may be at an input
 */
export function goldenSection(
  g: NumberFunction,
  sense: 1 | -1,
  at: number,
  value: number,
  lo: number,
  hi: number,
  roundingAt: (x: number) => number,
): SecondWay {
  // Where there is no value nothing can be best.
  const f = (x: number): number => {
    const y = g(x);
    return Number.isNaN(y) ? -sense * Infinity : y;
  };
  const share = (Math.sqrt(5) - 1) / 2;
  let a = lo;
  let b = hi;
  let c = b - share * (b - a);
  let d = a + share * (b - a);
  let fc = sense * f(c);
  let fd = sense * f(d);
  for (let i = 0; i < 90; i++) {
    if (fc > fd) {
      b = d;
      d = c;
      fd = fc;
      c = b - share * (b - a);
      fc = sense * f(c);
    } else {
      a = c;
      c = d;
      fc = fd;
      d = a + share * (b - a);
      fd = sense * f(d);
    }
  }
  const [first, last] = [f(lo), f(hi)];
  const seen = [
    [c, fc],
    [d, fd],
    [lo, sense * first],
    [hi, sense * last],
    [at, sense * f(at)],
  ] as const;
  const [place, best] = seen.reduce((a, b) => (b[1] > a[1] ? b : a));
  // Beside a best value of 0 doubles are as far off as the values around it are great, and more where a root begins.
  const around = [value, first, last].map(Math.abs).filter(Number.isFinite);
  const scale = Math.max(...around);
  const rounding = Math.max(roundingAt(at), roundingAt(place));
  return judge("golden-section search", value, sense * best, scale, Math.min(rounding, MOST_ROUNDED * scale));
}

/**
 * Five-point Gauss–Legendre sums over many cells (Abramowitz & Stegun, table 25.4), with cells of half the width to
 * tell how well they know it themselves. @returns null where that is badly: beside an upright tangent, say
 */
export function gaussSum(
  f: NumberFunction,
  from: number,
  to: number,
  value: number,
  breaks: readonly number[],
): SecondWay | null {
  const inner = breaks.filter((b) => b > Math.min(from, to) && b < Math.max(from, to));
  const marks = [from, ...inner.sort((a, b) => (from < to ? a - b : b - a)), to];
  const sum = (cells: number) => {
    let all = 0;
    for (let k = 0; k + 1 < marks.length; k++) all += gaussCells(f, marks[k]!, marks[k + 1]!, cells);
    return all;
  };
  const [coarse, fine] = [sum(64), sum(128)];
  const doubt = 4 * Math.abs(fine - coarse);
  return doubt <= WORST_SUM * Math.max(Math.abs(fine), OF_SCALE)
    ? judge("Gauss–Legendre sums", value, fine, 1, doubt)
    : null;
}
/** Sums or quotients that differ among themselves by more, relative to their size, tell nothing. */
const WORST_SUM = 1e-4;
const NODES = [0, 0.5384693101056831, 0.906179845938664] as const;
const WEIGHTS = [0.5688888888888889, 0.4786286704993665, 0.2369268850561891] as const;

function gaussCells(f: NumberFunction, from: number, to: number, cells: number): number {
  let sum = 0;
  for (let i = 0; i < cells; i++) {
    const a = from + ((to - from) * i) / cells;
    const b = from + ((to - from) * (i + 1)) / cells;
    const m = (a + b) / 2;
    const h = (b - a) / 2;
    const [inner, outer] = [h * NODES[1], h * NODES[2]];
    sum +=
      h * (WEIGHTS[0] * f(m) + WEIGHTS[1] * (f(m - inner) + f(m + inner)) + WEIGHTS[2] * (f(m - outer) + f(m + outer)));
  }
  return sum;
}

/** The same value by plain doubles against proven bounds. */
export const plainEvaluation = (value: number, second: number, slack = 0): SecondWay =>
  judge("evaluation on doubles", value, second, 1, slack);
/**
 * Difference quotients with a step fit to doubles (central, error of order h²), and with half of it to tell how well
 * they know it themselves. @returns null where that is badly: where the slope itself turns sharply, as x|x| does at 0
 */
export function differenceQuotient(f: NumberFunction, at: number, value: number, width: number): SecondWay | null {
  const h = Math.max(Math.abs(at), width, LEAST_WIDTH) * STEP;
  const quotient = (step: number) => (f(at + step) - f(at - step)) / (2 * step);
  const [coarse, fine] = [quotient(h), quotient(h / 2)];
  const doubt = 4 * Math.abs(fine - coarse);
  return doubt <= WORST_SUM * Math.max(Math.abs(fine), OF_SCALE)
    ? judge("difference quotient", value, fine, Math.abs(value), doubt)
    : null;
}
