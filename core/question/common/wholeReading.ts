import { isInteger, ratio, toDouble, type Rational } from "../../numeric";
import type { Expression } from "../../formula";
import { signOfValue, spotOfRational, type PartSign, type Spot } from "../../solve";
import type { WholeReading } from "../finding";
import { valueAtWhole, wholeNeighbours } from "./whole";
import type { Asking } from "./asking";

interface Neighbour {
  readonly n: Rational;
  readonly value: number;
  readonly sign: -1 | 0 | 1 | null;
}

/** A zero of `e` with the signs of `e` on both sides of it. */
export interface SidedZero {
  readonly spot: Spot;
  readonly left: PartSign;
  readonly right: PartSign;
}

/** The whole input beside a zero on the side where the function is at least the level, or as the question rounds. */
export function wholeReading(asking: Asking, e: Expression, zero: SidedZero): WholeReading | null {
  const rule = asking.q.round;
  if (rule === "none" || (!asking.variable.whole && !rule)) return null;
  const neighbour = (n: Rational): Neighbour | null => {
    if (!asking.isOnRange(spotOfRational(n))) return null;
    const v = valueAtWhole(e, asking.table, n);
    return v.kind === "value"
      ? { n, value: v.exact ? toDouble(v.exact) : v.lo + (v.hi - v.lo) / 2, sign: signOfValue(v) }
      : null;
  };
  if (zero.spot.rational && isInteger(zero.spot.rational)) {
    const here = neighbour(zero.spot.rational);
    return here && { at: toDouble(here.n), n: here.n, value: here.sign === 0 ? 0 : here.value };
  }
  const around = sides(zero, neighbour);
  if (!around) return null;
  const { below, above } = around;
  if (below.compare(above) === 0) return { at: toDouble(below), n: below, value: 0 };
  return chosen(neighbour(below), neighbour(above), zero.spot, rule);
}

/**
 * The whole numbers on both sides; one that the bounds of the zero hold is placed by its sign.
 * @returns null where its sign is not known: it may be the zero itself
 */
function sides(
  zero: SidedZero,
  neighbour: (n: Rational) => Neighbour | null,
): { below: Rational; above: Rational } | null {
  const { below, above } = wholeNeighbours(zero.spot);
  if (below.compare(above) !== 0) return { below, above };
  const hidden = neighbour(below);
  if (hidden?.sign === null) return null;
  if (hidden?.sign === 0) return { below, above };
  const isAbove = hidden !== null && hidden.sign === zero.right && hidden.sign !== zero.left;
  return isAbove ? { below: below.sub(ratio(1)), above } : { below, above: above.add(ratio(1)) };
}

function chosen(
  down: Neighbour | null,
  up: Neighbour | null,
  spot: Spot,
  rule: "up" | "down" | "nearest" | undefined,
): WholeReading | null {
  const pair = (one: Neighbour | null, other: Neighbour | null): WholeReading | null =>
    one && {
      at: toDouble(one.n),
      n: one.n,
      value: one.value,
      ...(other ? { other: { at: toDouble(other.n), value: other.value } } : {}),
    };
  if (rule === "up") return pair(up, down);
  if (rule === "down") return pair(down, up);
  const upIsNear = up !== null && (down === null || toDouble(up.n) - spot.at <= spot.at - toDouble(down.n));
  const nearest = upIsNear ? pair(up, down) : pair(down, up);
  if (rule === "nearest") return nearest;
  const [upHolds, downHolds] = [up, down].map((n) => n !== null && (n.sign ?? -1) >= 0);
  if (upHolds && downHolds) return nearest;
  return upHolds ? pair(up, down) : downHolds ? pair(down, up) : null;
}
