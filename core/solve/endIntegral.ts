import { ONE, isZero, signOf, toDouble } from "../numeric";
import { EMPTY, Enclosure, PARTIAL, containsZero, iv, up } from "../interval";
import { compileEnclosure, encloseRational, type Expression } from "../formula";
import { orderBound, vanishes, type Term } from "./growth";
import { Leading } from "./leading";
import type { Spot } from "./spot";
import type { FunctionTable } from "./table";

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
  const there = compileEnclosure(f, table.enclosure)(new Enclosure(end.lo, end.hi));
  const isTame = !(there.flags & (EMPTY | PARTIAL)) && Number.isFinite(there.lo) && Number.isFinite(there.hi);
  if (isTame) {
    const sliver = iv.multiply(new Enclosure(there.lo, there.hi), new Enclosure(0, up(end.hi - end.lo)));
    return { edge, sum: sliver, within: null };
  }
  return improperPiece(f, end, side, Math.min(1 / 16, width * HEAD_SHARE), table, MOST_CLOSER);
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
  const term = new Leading({ spot: end, side, delta: length.hi }, table).of(f);
  const sum = term && headIntegral(term, length);
  if (sum === "unbounded") return sum;
  if (closer > 0 && term?.w && !(sum && sum.hi - sum.lo <= NEXT_TO_NOTHING))
    return improperPiece(f, end, side, delta * CLOSER, table, closer - 1);
  return sum ? { edge: inner, sum, within: (distance) => headWithin(term, distance) } : "work";
}

/** The same for a distance that may be nothing: for each factor the sum grows with the distance, or falls. */
function headWithin(term: Term, distance: Enclosure): Enclosure {
  if (!(distance.hi > 0)) return point(0);
  const far = headIntegral(term, point(distance.hi));
  const near = distance.lo > 0 ? headIntegral(term, point(distance.lo)) : point(0);
  if (!(near instanceof Enclosure) || !(far instanceof Enclosure)) return new Enclosure(-Infinity, Infinity);
  return new Enclosure(Math.min(near.lo, far.lo), Math.max(near.hi, far.hi));
}

/** ∫ c t^r L^s e^w dt from 0 to d: finite when r is above −1, or where the exponential makes it so. */
function headIntegral(t: Term, d: Enclosure): Enclosure | "unbounded" | null {
  if (t.w) return exponentialHead(t, d);
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

/** With an exponential that vanishes, by the greatest of what is multiplied with c; one that grows has no integral. */
function exponentialHead(t: Term, d: Enclosure): Enclosure | "unbounded" | null {
  if (!vanishes(t)) return containsZero(t.c) ? null : "unbounded";
  const most = orderBound(toDouble(t.r), toDouble(t.s), t.w!.term, d.hi);
  return most === null ? null : iv.multiply(t.c, new Enclosure(0, iv.multiply(point(most), point(d.hi)).hi));
}
const point = (x: number): Enclosure => new Enclosure(x, x);
