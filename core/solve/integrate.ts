import { poly, rationalOfDouble, toDouble, type Rational } from "../numeric";
import { EMPTY, Enclosure, down, up, iv } from "../interval";
import { compileEnclosure, compileNumber, compileSeries, variableSeries, type Expression } from "../formula";
import { polynomialForm } from "./rationalForm";
import { smoothParts } from "./stretches";
import type { FunctionTable } from "./table";

export type Integral =
  | {
      readonly ok: true;
      readonly value: number;
      readonly low: number;
      readonly high: number;
      readonly exact: Rational | null;
    }
  | { readonly ok: false; readonly reason: "undefined" | "unbounded" | "work"; readonly near: number };

/** Cells an integral may be cut into. */
const MAX_CELLS = 4000;
/** Even a sliver may use this share of the allowed width, so that an edge like that of a square root does not eat all the work. */
const LEAST_SHARE = 1 / 1024;
/** Order of the series; even, so that the rest keeps its sign. */
const ORDER = 16;
/** Wanted width of the proven bounds, relative to the size of what is summed. */
const REL_TOL = 1e-11;
const COARSE_REL_TOL = 1e-8;

/**
 * Integral of `e` over [from, to], in y-unit · x-unit; exact where every part is a polynomial, else with proven bounds by Taylor
 * series whose last term is enclosed over each cell (Moore, Kearfott & Cloud, Introduction to Interval Analysis, section 9.4).
 */
export function integrate(e: Expression, table: FunctionTable, from: Rational, to: Rational): Integral {
  if (from.compare(to) > 0) {
    const back = integrate(e, table, to, from);
    return back.ok
      ? { ok: true, value: -back.value, low: -back.high, high: -back.low, exact: back.exact && back.exact.neg() }
      : back;
  }
  let exact: Rational | null = rationalOfDouble(0);
  let sum = new Enclosure(0, 0);
  for (const part of smoothParts(e, table, from, to)) {
    if (part.isPoint || !part.from || !part.to) continue;
    if (!part.expression) return { ok: false, reason: "undefined", near: toDouble(part.from) };
    const p = polynomialForm(part.expression);
    if (p) {
      const whole = poly.antiderivative(p);
      const piece = poly.valueAt(whole, part.to).sub(poly.valueAt(whole, part.from));
      exact = exact && exact.add(piece);
      const near = toDouble(piece);
      sum = iv.add(sum, new Enclosure(down(near), up(near)));
      continue;
    }
    exact = null;
    // Where the fine bounds cost too much, coarser ones are still proven.
    const [lo, hi] = [toDouble(part.from), toDouble(part.to)];
    const fine = bounded(part.expression, table, lo, hi, REL_TOL);
    const piece =
      "ok" in fine && fine.reason === "work" ? bounded(part.expression, table, lo, hi, COARSE_REL_TOL) : fine;
    if (!("lo" in piece)) return piece;
    sum = iv.add(sum, piece);
  }
  return {
    ok: true,
    value: exact ? toDouble(exact) : sum.lo + (sum.hi - sum.lo) / 2,
    low: sum.lo,
    high: sum.hi,
    exact,
  };
}

/**
 * ∫ over one smooth stretch, cell by cell: with c the middle of a cell, ∑ a_k ∫ (x − c)^k over the k below the order,
 * a_k the Taylor coefficients at c; and last the coefficient over the whole cell, which holds the rest. Cells are halved where that is too wide.
 */
function bounded(
  e: Expression,
  table: FunctionTable,
  a: number,
  b: number,
  relTol: number,
): Enclosure | (Integral & { ok: false }) {
  const f = compileEnclosure(e, table.enclosure);
  const series = compileSeries(e, table.series);
  const size = scaleOf(e, table, a, b, relTol);
  const stack: [number, number, number][] = [[a, b, 0]];
  let sum = new Enclosure(0, 0);
  let cells = 0;
  while (stack.length > 0) {
    const [lo, hi, depth] = stack.pop()!;
    if (++cells > MAX_CELLS) return { ok: false, reason: "work", near: lo };
    const m = lo + (hi - lo) / 2;
    const box = new Enclosure(lo, hi);
    const rest = series(variableSeries(box, ORDER))?.[ORDER];
    if (rest && Number.isFinite(rest.lo) && Number.isFinite(rest.hi)) {
      // ∫ (x − m)^k over the cell; m as a double may lie a rounding away from the true middle, so odd powers are kept.
      const left = iv.subtract(new Enclosure(lo, lo), new Enclosure(m, m));
      const right = iv.subtract(new Enclosure(hi, hi), new Enclosure(m, m));
      const error = iv.multiply(rest, moment(left, right, ORDER));
      if (error.hi - error.lo <= relTol * size * Math.max((hi - lo) / (b - a), LEAST_SHARE) || depth > 40) {
        const middle = series(variableSeries(new Enclosure(m, m), ORDER - 1));
        if (middle) {
          let main = error;
          for (let k = 0; k < ORDER; k++) main = iv.add(main, iv.multiply(middle[k]!, moment(left, right, k)));
          sum = iv.add(sum, main);
          continue;
        }
      }
    } else if (depth > 30) {
      // At an edge of the domain a crude bound over a sliver is enough, when there is one.
      const crude = f(box);
      if (crude.flags & EMPTY) return { ok: false, reason: "undefined", near: m };
      if (!Number.isFinite(crude.lo) || !Number.isFinite(crude.hi)) return { ok: false, reason: "unbounded", near: m };
      sum = iv.add(
        sum,
        iv.multiply(new Enclosure(crude.lo, crude.hi), iv.subtract(new Enclosure(hi, hi), new Enclosure(lo, lo))),
      );
      continue;
    }
    if (!(m > lo && m < hi)) return { ok: false, reason: "work", near: m };
    stack.push([m, hi, depth + 1], [lo, m, depth + 1]);
  }
  return sum;
}

/** ∫ x^k from `left` to `right`. */
const moment = (left: Enclosure, right: Enclosure, k: number): Enclosure =>
  iv.divide(iv.subtract(iv.integerPower(right, k + 1), iv.integerPower(left, k + 1)), new Enclosure(k + 1, k + 1));

/** Rounding widens the bounds of single values by this much and more; a sum cannot be known better than its terms. */
const ROUNDINGS = 64;
/** What is summed is about this large, in y-unit · x-unit; where terms cancel, not less than what rounding leaves of them at the wanted width. */
function scaleOf(e: Expression, table: FunctionTable, a: number, b: number, relTol: number): number {
  const f = compileNumber(e, table.number);
  const bounds = compileEnclosure(e, table.enclosure);
  let most = 0;
  for (let i = 0; i <= 32; i++) {
    const x = a + ((b - a) * i) / 32;
    const v = Math.abs(f(x));
    if (Number.isFinite(v) && v > most) most = v;
    if (i % 8 !== 4) continue;
    const { lo, hi, flags } = bounds(new Enclosure(x, x));
    const left = ((hi - lo) * ROUNDINGS) / relTol;
    if (!flags && Number.isFinite(left) && left > most) most = left;
  }
  return Math.max(most * (b - a), 1e-300);
}
