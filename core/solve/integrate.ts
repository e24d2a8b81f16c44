import { ONE, isZero, poly, rationalOfDouble, signOf, toDouble, type Rational, TINY } from "../numeric";
import { EMPTY, Enclosure, PARTIAL, containsZero, iv, up } from "../interval";
import {
  compileEnclosure,
  compileNumber,
  compileSeries,
  dependsOnVariable,
  encloseRational,
  variableSeries,
  type Expression,
} from "../formula";
import { encloseConstant } from "./encloseConstant";
import { vanishes, type Term } from "./growth";
import { Leading } from "./leading";
import { partition } from "./partition";
import type { CellPart } from "./parts";
import { polynomialForm } from "./rationalForm";
import { compareSpots, type Spot } from "./spot";
import type { FunctionTable } from "./table";
import { hullOf } from "./zerosIn";

export type Integral =
  | {
      readonly ok: true;
      readonly value: number;
      readonly low: number;
      readonly high: number;
      readonly exact: Rational | null;
      /** a function without bound at an end was summed */
      readonly isImproper: boolean;
    }
  | { readonly ok: false; readonly reason: "undefined" | "unbounded" | "work"; readonly near: number };

/** Cells an integral may be cut into. */
const MAX_CELLS = 4000;
/**
 * Even a sliver may use this share of the allowed width, so that an edge like that of a square root does not eat all
 * the work.
 */
const LEAST_SHARE = 1 / 1024;
/** Halvings after which a cell is a sliver, and after which it is taken as it is. */
const SLIVER = 30;
const MAX_DEPTH = 40;
/** A total known no better than this, relative to the size of what is summed, is none. */
const WORST_REL_TOL = 1e-6;
/** Order of the series; even, so that the rest keeps its sign. */
const ORDER = 16;
/** Wanted width of the proven bounds, relative to the size of what is summed. */
const REL_TOL = 1e-11;
const COARSE_REL_TOL = 1e-8;

/**
 * Integral of `e` over [from, to], in y-unit · x-unit; exact where every part is a polynomial between fractions, else
 * with proven bounds by Taylor series whose last term is enclosed over each cell (Moore, Kearfott & Cloud, Introduction
 * to Interval Analysis, section 9.4).
 * At an end at which a function has no bound, the piece beside it is enclosed by its leading term, or proven to have
 * none.
 */
export function integrate(e: Expression, table: FunctionTable, from: Spot, to: Spot): Integral {
  if (compareSpots(from, to, table) === 1) {
    const back = integrate(e, table, to, from);
    return back.ok
      ? { ...back, value: -back.value, low: -back.high, high: -back.low, exact: back.exact && back.exact.neg() }
      : back;
  }
  let exact: Rational | null = rationalOfDouble(0);
  let sum = new Enclosure(0, 0);
  let isImproper = false;
  /** of all parts, whatever their sign */
  let size = 0;
  const room: Room = { cells: MAX_CELLS };
  for (const part of partition([e], table, { from, to })) {
    if (part.kind === "place") continue;
    const start = part.kind === "open" ? part.lo : hullOf(part).lo;
    if (part.kind !== "cell") return { ok: false, reason: "work", near: start };
    const f = part.formulas[0];
    if (!f) return { ok: false, reason: "undefined", near: start };
    const whole = exactPiece(f, part);
    if (whole) {
      exact = exact && exact.add(whole);
      sum = iv.add(sum, encloseRational(whole));
      size += Math.abs(toDouble(whole));
      continue;
    }
    exact = null;
    const piece = cellIntegral(f, part, table, room);
    if (!("lo" in piece)) return piece;
    isImproper ||= piece.isImproper;
    sum = iv.add(sum, new Enclosure(piece.lo, piece.hi));
    size += piece.size;
  }
  const isKnown = sum.hi - sum.lo <= WORST_REL_TOL * Math.max(size, Math.abs(sum.lo), Math.abs(sum.hi));
  if (!Number.isFinite(size) || !isKnown) return { ok: false, reason: "work", near: from.at };
  return {
    ok: true,
    value: exact ? toDouble(exact) : containsZero(sum) ? 0 : sum.lo + (sum.hi - sum.lo) / 2,
    low: sum.lo,
    high: sum.hi,
    exact,
    isImproper,
  };
}

/** The integral of a polynomial between fractions. */
function exactPiece(f: Expression, cell: CellPart): Rational | null {
  const p = polynomialForm(f);
  if (!p || !cell.from?.rational || !cell.to?.rational) return null;
  const whole = poly.antiderivative(p);
  return poly.valueAt(whole, cell.to.rational).sub(poly.valueAt(whole, cell.from.rational));
}

/** Cells left for all of one integral. */
interface Room {
  cells: number;
}
const COARSE_CELLS = 1000;

type Failed = Integral & { ok: false };

interface CellIntegral {
  readonly lo: number;
  readonly hi: number;
  /** what is summed is about this large without its sign */
  readonly size: number;
  readonly isImproper: boolean;
}

/** The integral over one cell: the middle by series, each end by what is known of it. */
function cellIntegral(f: Expression, cell: CellPart, table: FunctionTable, room: Room): CellIntegral | Failed {
  // Every cell of a range with two ends has two ends.
  const [from, to] = [cell.from!, cell.to!];
  if (!dependsOnVariable(f)) {
    const length = iv.subtract(new Enclosure(to.lo, to.hi), new Enclosure(from.lo, from.hi));
    const { lo, hi } = iv.multiply(encloseConstant(f), length);
    return { lo, hi, size: Math.max(Math.abs(lo), Math.abs(hi)), isImproper: false };
  }
  const width = to.lo - from.hi;
  const head = endIntegral(f, from, 1, width, table);
  if ("ok" in head) return head;
  const tail = endIntegral(f, to, -1, width, table);
  if ("ok" in tail) return tail;
  // Where the fine bounds cost too much, coarser ones are still proven.
  const fine = bounded(f, table, head.edge, tail.edge, REL_TOL, room);
  const isHard = "ok" in fine && fine.reason === "work";
  const middle = isHard
    ? bounded(f, table, head.edge, tail.edge, COARSE_REL_TOL, { cells: room.cells + COARSE_CELLS })
    : fine;
  if ("ok" in middle) return middle;
  const all = iv.add(iv.add(head.sum, middle), tail.sum);
  const size = scaleOf(f, table, head.edge, tail.edge, COARSE_REL_TOL);
  return { lo: all.lo, hi: all.hi, size, isImproper: head.isImproper || tail.isImproper };
}

interface EndPiece {
  /** where the middle begins */
  readonly edge: number;
  readonly sum: Enclosure;
  readonly isImproper: boolean;
}

/** Share of a cell that its end is given, where the function has no bound there. */
const HEAD_SHARE = 2 ** -24;

/** What lies between an end of a cell and the double from which the middle is summed. */
function endIntegral(f: Expression, end: Spot, side: 1 | -1, width: number, table: FunctionTable): EndPiece | Failed {
  const edge = side > 0 ? end.hi : end.lo;
  const there = compileEnclosure(f, table.enclosure)(new Enclosure(end.lo, end.hi));
  const isTame = !(there.flags & (EMPTY | PARTIAL)) && Number.isFinite(there.lo) && Number.isFinite(there.hi);
  if (isTame) {
    const sliver = iv.multiply(new Enclosure(there.lo, there.hi), new Enclosure(0, up(end.hi - end.lo)));
    return { edge, sum: sliver, isImproper: false };
  }
  const delta = Math.min(1 / 16, width * HEAD_SHARE);
  const inner = side > 0 ? end.hi + delta : end.lo - delta;
  const length = iv.abs(iv.subtract(new Enclosure(inner, inner), new Enclosure(end.lo, end.hi)));
  const term = new Leading({ spot: end, side, delta: length.hi }, table).of(f);
  const sum = term && headIntegral(term, length);
  if (sum === "unbounded") return { ok: false, reason: "unbounded", near: end.at };
  return sum ? { edge: inner, sum, isImproper: true } : { ok: false, reason: "work", near: end.at };
}

/** ∫ c t^r L^s dt from 0 to d: finite when r is above −1. */
function headIntegral(t: Term, d: Enclosure): Enclosure | "unbounded" | null {
  if (t.w) return vanishes(t) ? iv.multiply(t.c, new Enclosure(0, up(d.hi))) : containsZero(t.c) ? null : "unbounded";
  const r = t.r.add(ONE);
  if (signOf(r) < 0 || (signOf(r) === 0 && signOf(t.s) >= 0)) return containsZero(t.c) ? null : "unbounded";
  const isLogarithmic = t.s.compare(ONE) === 0;
  if (signOf(r) === 0 || !(isZero(t.s) || isLogarithmic)) return null;
  const exponent = encloseRational(r);
  const power = iv.realPower(d, exponent);
  const plain = iv.divide(power, exponent);
  if (!isLogarithmic) return iv.multiply(t.c, plain);
  const logarithm = iv.add(iv.negate(iv.ln(d)), iv.divide(new Enclosure(1, 1), exponent));
  return iv.multiply(t.c, iv.multiply(plain, logarithm));
}

/**
 * ∫ over one smooth stretch, cell by cell: with c the middle of a cell, ∑ a_k ∫ (x − c)^k over the k below the
 * order, a_k the Taylor coefficients at c; and last the coefficient over the whole cell, which holds the rest. Cells
 * are halved where that is too wide.
 */
function bounded(
  e: Expression,
  table: FunctionTable,
  a: number,
  b: number,
  relTol: number,
  room: Room,
): Enclosure | (Integral & { ok: false }) {
  const f = compileEnclosure(e, table.enclosure);
  const series = compileSeries(e, table.series);
  const size = scaleOf(e, table, a, b, relTol);
  const stack: [number, number, number][] = [[a, b, 0]];
  let sum = new Enclosure(0, 0);
  while (stack.length > 0) {
    const [lo, hi, depth] = stack.pop()!;
    if (--room.cells < 0) return { ok: false, reason: "work", near: lo };
    const m = lo + (hi - lo) / 2;
    const box = new Enclosure(lo, hi);
    const rest = series(variableSeries(box, ORDER))?.[ORDER];
    if (rest && Number.isFinite(rest.lo) && Number.isFinite(rest.hi)) {
      // ∫ (x − m)^k over the cell; m as a double may lie a rounding away from the true middle, so odd powers are
      // kept.
      const left = iv.subtract(new Enclosure(lo, lo), new Enclosure(m, m));
      const right = iv.subtract(new Enclosure(hi, hi), new Enclosure(m, m));
      const error = iv.multiply(rest, moment(left, right, ORDER));
      const isNarrow = error.hi - error.lo <= relTol * size * Math.max((hi - lo) / (b - a), LEAST_SHARE);
      // Beside an upright tangent no series is narrow; a crude bound over a sliver is.
      const crude = isNarrow || depth <= SLIVER ? null : sliverOf(f(box), lo, hi);
      if (crude && crude.hi - crude.lo < error.hi - error.lo) {
        sum = iv.add(sum, crude);
        continue;
      }
      if (isNarrow || depth > MAX_DEPTH) {
        const middle = series(variableSeries(new Enclosure(m, m), ORDER - 1));
        if (middle) {
          let main = error;
          for (let k = 0; k < ORDER; k++) main = iv.add(main, iv.multiply(middle[k]!, moment(left, right, k)));
          sum = iv.add(sum, main);
          continue;
        }
      }
    } else if (depth > SLIVER) {
      // At an edge of the domain a crude bound over a sliver is enough, when there is one.
      const crude = sliverOf(f(box), lo, hi);
      if (!crude) return { ok: false, reason: "work", near: m };
      sum = iv.add(sum, crude);
      continue;
    }
    stack.push([m, hi, depth + 1], [lo, m, depth + 1]);
  }
  return sum;
}

/** The integral over a sliver by nothing but the bounds of the values on it; null where there are none. */
function sliverOf(values: Enclosure, lo: number, hi: number): Enclosure | null {
  if (values.flags & EMPTY || !Number.isFinite(values.lo) || !Number.isFinite(values.hi)) return null;
  const width = iv.subtract(new Enclosure(hi, hi), new Enclosure(lo, lo));
  return iv.multiply(new Enclosure(values.lo, values.hi), width);
}

/** ∫ x^k from `left` to `right`. */
const moment = (left: Enclosure, right: Enclosure, k: number): Enclosure =>
  iv.divide(iv.subtract(iv.integerPower(right, k + 1), iv.integerPower(left, k + 1)), new Enclosure(k + 1, k + 1));

/** Rounding widens the bounds of single values by this much and more; a sum cannot be known better than its terms. */
const ROUNDINGS = 64;
/**
 * What is summed is about this large, in y-unit · x-unit; where terms cancel, not less than what rounding leaves of
 * them at the wanted width.
 */
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
  return Math.max(most * (b - a), TINY);
}
