import { ONE, isZero, signOf, toDouble, type Rational } from "../numeric";
import { EMPTY, Enclosure, PARTIAL, containsZero, iv, up } from "../interval";
import { compileEnclosure, encloseRational, type Expression } from "../formula";
import { orderBound, vanishes, type Term } from "./growth";
import { Leading } from "./leading";
import type { Spot } from "./spot";
import type { FunctionTable } from "./table";
import { signed, termsOf } from "./terms";
import type { OpenStretch } from "./zerosIn";

/** What lies beside an end of a cell. */
export interface EndPiece {
  /** where the middle begins */
  readonly edge: number;
  readonly sum: Enclosure;
  /** ∫ over all that lies within a distance of the end, for a function without bound there; null for any other */
  readonly within: ((distance: Enclosure) => Enclosure) | null;
}

/** Share of a cell that its end is given, where the function has no bound there. */
const HEAD_SHARE = 2 ** -24;

/**
 * What lies between an end of a cell and the double from which the middle is summed.
 * @param width  of the cell
 * @returns  "unbounded" where it provably has no integral there, "work" where that could not be told
 */
export function endIntegral(
  f: Expression,
  end: Spot,
  side: 1 | -1,
  width: number,
  table: FunctionTable,
): EndPiece | "unbounded" | "work" {
  const edge = side > 0 ? end.hi : end.lo;
  const sliver = sliverOver(f, end, table);
  if (sliver) return { edge, sum: sliver, within: null };
  return improperPiece(f, end, side, Math.min(1 / 16, width * HEAD_SHARE), table, MOST_CLOSER);
}

/** ∫ from one end of a narrow box on, as far as any place of it; null where there may be no value, or no bound. */
export function sliverOver(f: Expression, { lo, hi }: OpenStretch, table: FunctionTable): Enclosure | null {
  const there = compileEnclosure(f, table.enclosure)(new Enclosure(lo, hi));
  const isTame = !(there.flags & (EMPTY | PARTIAL)) && Number.isFinite(there.lo) && Number.isFinite(there.hi);
  return isTame ? iv.multiply(new Enclosure(there.lo, there.hi), new Enclosure(0, up(hi - lo))) : null;
}

/** An exponential vanishes so fast that its piece may be cut shorter until next to nothing lies in it. */
const [MOST_CLOSER, CLOSER, NEXT_TO_NOTHING] = [2, 2 ** -8, 1e-20];

/** What lies within a distance of an end at which a function has no bound, or no value. */
function improperPiece(
  f: Expression,
  end: Spot,
  side: 1 | -1,
  delta: number,
  table: FunctionTable,
  closer: number,
): EndPiece | "unbounded" | "work" {
  const inner = side > 0 ? end.hi + delta : end.lo - delta;
  const length = iv.abs(iv.subtract(point(inner), new Enclosure(end.lo, end.hi)));
  const leading = new Leading({ spot: end, side, delta: length.hi }, table);
  const term = leading.of(f);
  const sum = term && headIntegral(term, length);
  if (sum === "unbounded") return sum;
  if (closer > 0 && term?.w && !(sum && sum.hi - sum.lo <= NEXT_TO_NOTHING))
    return improperPiece(f, end, side, delta * CLOSER, table, closer - 1);
  if (!sum) return "work";
  const apart = termsApart(f, leading);
  const within = (distance: Enclosure): Enclosure =>
    apart.length === 0
      ? headWithin(term, distance)
      : overlap(headWithin(term, distance), summed(apart.map((t) => headWithin(t, distance))));
  return { edge: inner, sum: overlap(sum, summed(apart.map((t) => headIntegral(t, length)))), within };
}

/**
 * The leading terms of the parts of a sum: each by itself is known far better than the first of them is for the whole,
 * as of 1/∛x − 1. None where one of them has no integral of its own.
 */
function termsApart(f: Expression, leading: Leading): Term[] {
  const list = termsOf(f).map(signed);
  if (list.length < 2) return [];
  const found = list.map((t) => leading.of(t));
  return found.every((t): t is Term => t !== null && !t.w) ? found : [];
}

/** The sum of what each part adds; null where one of them is not known, or there is none. */
function summed(list: readonly (Enclosure | "unbounded" | null)[]): Enclosure | null {
  if (list.length === 0) return null;
  let sum = point(0);
  for (const part of list) {
    if (!(part instanceof Enclosure)) return null;
    sum = iv.add(sum, part);
  }
  return sum;
}

/** What two bounds of one number have in common; the first where the second is none. */
function overlap(a: Enclosure, b: Enclosure | null): Enclosure {
  const [lo, hi] = [Math.max(a.lo, b?.lo ?? -Infinity), Math.min(a.hi, b?.hi ?? Infinity)];
  return lo <= hi ? new Enclosure(lo, hi) : a;
}

/** The same for a distance that may be nothing: for each factor the sum grows with the distance, or falls. */
function headWithin(term: Term, distance: Enclosure): Enclosure {
  if (!(distance.hi > 0)) return point(0);
  const far = headIntegral(term, point(distance.hi));
  const near = distance.lo > 0 ? headIntegral(term, point(distance.lo)) : point(0);
  if (!(near instanceof Enclosure) || !(far instanceof Enclosure)) return new Enclosure(-Infinity, Infinity);
  return new Enclosure(Math.min(near.lo, far.lo), Math.max(near.hi, far.hi));
}

/** ∫ c t^r L^s e^w dt from 0 to d: finite when r is above −1, or where logarithms or the exponential make it so. */
function headIntegral(t: Term, d: Enclosure): Enclosure | "unbounded" | null {
  if (t.w) return exponentialHead(t, d);
  const q = t.r.add(ONE);
  const beyond = t.s.add(ONE);
  if (signOf(q) < 0 || (signOf(q) === 0 && signOf(beyond) >= 0)) return containsZero(t.c) ? null : "unbounded";
  const logarithm = iv.negate(iv.ln(d));
  if (signOf(q) > 0) return iv.multiply(t.c, logarithmicHead(d, logarithm, q, t.s, STEPS_DOWN));
  const exponent = encloseRational(beyond);
  return iv.divide(iv.multiply(t.c, iv.realPower(logarithm, exponent)), iv.negate(exponent));
}

/** How often a power of a logarithm is made smaller before it is only bounded. */
const STEPS_DOWN = 8;

/**
 * ∫ t^(q−1) L^s dt from 0 to d, L = ln(1/t), by parts: d^q L^s/q + s/q ∫ t^(q−1) L^(s−1) dt. That ends with
 * a whole s; with any other, L^s only grows with t as soon as s is below 0: it lies between 0 and what it is at d.
 */
function logarithmicHead(d: Enclosure, logarithm: Enclosure, q: Rational, s: Rational, steps: number): Enclosure {
  const exponent = encloseRational(q);
  const factor = isZero(s) ? point(1) : iv.realPower(logarithm, encloseRational(s));
  const first = iv.divide(iv.multiply(iv.realPower(d, exponent), factor), exponent);
  if (isZero(s)) return first;
  const bounds = signOf(s) < 0 ? new Enclosure(0, first.hi) : new Enclosure(0, Infinity);
  if (steps === 0) return bounds;
  const share = iv.divide(encloseRational(s), exponent);
  const { lo, hi } = iv.add(first, iv.multiply(share, logarithmicHead(d, logarithm, q, s.sub(ONE), steps - 1)));
  return new Enclosure(Math.max(lo, bounds.lo), Math.min(hi, bounds.hi));
}

/** With an exponential that vanishes, by the greatest of what is multiplied with c; one that grows has no integral. */
function exponentialHead(t: Term, d: Enclosure): Enclosure | "unbounded" | null {
  if (!vanishes(t)) return containsZero(t.c) ? null : "unbounded";
  const most = orderBound(toDouble(t.r), toDouble(t.s), t.w!.term, d.hi);
  return most === null ? null : iv.multiply(t.c, new Enclosure(0, iv.multiply(point(most), point(d.hi)).hi));
}
const point = (x: number): Enclosure => new Enclosure(x, x);
