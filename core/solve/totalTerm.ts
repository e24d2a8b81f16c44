import { ONE, ZERO, isZero, signOf, toDouble, type Rational } from "../numeric";
import { Enclosure, containsZero, iv } from "../interval";
import { divide, encloseRational, exactNumber, type Expression } from "../formula";
import { negate } from "../formula/build";
import type { Definition } from "./definition";
import type { Approach } from "./directTerms";
import { MARGIN, type Term } from "./growth";
import { isUsable, plainTerm, point } from "./termAlgebra";
import { restBeyond } from "./totalRest";

/** How much further away a total begins than it is looked at, so that what it starts with counts for little. */
const FURTHER = 2 ** 12;
/** Most that t may be, so that ln(1/t) is above e. */
const MOST_DELTA = 1 / 16;

/**
 * The leading term of a running total beside its start, or where it grows without bound: beside a place, or far out.
 * With y = 1/t, what is summed lies in c·y^k, so that from Y = 1/Δ on the total is K ± c (y^q − Y^q)/q with
 * q = k − 1 (far out k + 1), or K ± c ln(y/Y) where that is 0.
 * @param leadingOf  the leading term of what is summed, on (0, Δ]
 * @returns null where the total stays bounded, or its term is not known
 */
export function totalTerm(
  total: Definition & { kind: "closures" },
  approach: Approach,
  leadingOf: (summed: Expression, approach: Approach) => Term | null,
): Term | null {
  const { spot, side, delta } = approach;
  if (spot?.rational?.compare(total.from) === 0) return firstTerm(leadingOf(total.slope, approach), side);
  if (!spot) {
    const settled = settledTerm(total, approach, leadingOf(total.slope, approach));
    if (settled) return settled;
  }
  for (const wide of starts(spot === null, delta)) {
    const found = grownTerm(total, approach, wide, leadingOf(total.slope, { ...approach, delta: wide }));
    if (found) return found;
  }
  return null;
}

/** From where a total begins that is looked at from 1/δ on: far out, near by first, where its bounds are close. */
const starts = (isFarOut: boolean, delta: number): number[] =>
  [...(isFarOut ? NEAR_STARTS.filter((wide) => wide >= delta * LEAST_FURTHER) : []), delta * FURTHER].filter(
    (wide) => wide <= MOST_DELTA,
  );
const [NEAR_STARTS, LEAST_FURTHER] = [[4, 5, 6, 7, 8, 10].map((k) => 2 ** -k), 2 ** 6];

/** What a total has grown to beside what it was at 1/Δ; null where that is not known to grow. */
function grownTerm(
  total: Definition & { kind: "closures" },
  { spot, side, delta }: Approach,
  wide: number,
  summed: Term | null,
): Term | null {
  if (!summed || summed.w || !isZero(summed.s) || containsZero(summed.c)) return null;
  const start = spot
    ? iv.add(new Enclosure(spot.lo, spot.hi), point(side * wide))
    : iv.divide(point(side), point(wide));
  const before = total.enclosure(start);
  if (!isUsable(before)) return null;
  const order = spot ? summed.r.neg().sub(ONE) : ONE.sub(summed.r);
  const isRising = spot ? side < 0 : side > 0;
  if (signOf(order) < 0) return null;
  const grown = isRising ? summed.c : iv.negate(summed.c);
  const lead = summed.lead && (isRising ? summed.lead : negate(summed.lead));
  if (signOf(order) === 0) return { c: logarithmic(grown, before, delta, wide), r: ZERO, s: ONE, w: null, lead };
  const c = algebraic(grown, before, order, delta, wide);
  return { c, r: order.neg(), s: ZERO, w: null, lead: lead && divide(lead, exactNumber(order)) };
}

/** A total that comes to a number far out: what it is at the edge, and the little that comes together beyond. */
function settledTerm(
  total: Definition & { kind: "closures" },
  { side, delta }: Approach,
  summed: Term | null,
): Term | null {
  const rest = summed && restBeyond(summed, delta);
  if (rest === null) return null;
  const edge = total.enclosure(iv.divide(point(side), point(delta)));
  if (!isUsable(edge)) return null;
  const c = side > 0 ? summed!.c : iv.negate(summed!.c);
  const isPower = !summed!.w && isZero(summed!.s);
  const power = encloseRational(summed!.r.sub(ONE));
  const off = isPower
    ? iv.divide(iv.multiply(c, iv.realPower(point(delta), power)), power)
    : new Enclosure(c.lo < 0 ? -rest : 0, c.hi > 0 ? rest : 0);
  if (!isUsable(off)) return null;
  return { ...plainTerm(iv.add(edge, off), null), settles: true };
}

/** The leading term of a total beside its own start, where it is 0: of c·t^r it is c·t^(r+1)/(r+1). */
function firstTerm(summed: Term | null, side: 1 | -1): Term | null {
  if (!summed || summed.w || !isZero(summed.s)) return null;
  const order = summed.r.add(ONE);
  if (signOf(order) <= 0) return null;
  const c = iv.divide(side > 0 ? summed.c : iv.negate(summed.c), encloseRational(order));
  const lead = summed.lead && (side > 0 ? summed.lead : negate(summed.lead));
  return { c, r: order, s: ZERO, w: null, lead: lead && divide(lead, exactNumber(order)) };
}

/** What c (y^q − Y^q)/q + K is of y^q, for every y from 1/δ on. */
function algebraic(c: Enclosure, before: Enclosure, q: Rational, delta: number, wide: number): Enclosure {
  const order = toDouble(q);
  const missed = (delta / wide) ** order * MARGIN;
  const share = new Enclosure(1 - missed, 1);
  const rest = new Enclosure(0, delta ** order * MARGIN + Number.MIN_VALUE);
  return iv.add(iv.divide(iv.multiply(c, share), encloseRational(q)), iv.multiply(before, rest));
}

/** What c ln(y/Y) + K is of ln(y), for every y from 1/δ on. */
function logarithmic(c: Enclosure, before: Enclosure, delta: number, wide: number): Enclosure {
  const missed = (Math.log(wide) / Math.log(delta)) * MARGIN;
  const rest = new Enclosure(0, MARGIN / -Math.log(delta));
  return iv.add(iv.multiply(c, new Enclosure(1 - missed, 1)), iv.multiply(before, rest));
}
