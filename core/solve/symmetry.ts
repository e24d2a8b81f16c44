import { BROKEN, EMPTY, Enclosure, PARTIAL, containsZero, iv } from "../interval";
import {
  VARIABLE,
  compileEnclosure,
  dependsOnVariable,
  differentiate,
  parts,
  substitute,
  wholeExponent,
  type Expression,
} from "../formula";
import { add, divide, multiply } from "../formula/build";
import { PI, encloseRational, exactNumber, wholeNumber } from "../formula/numbers";
import { isInteger, isZero, numerator, ratio, type Rational } from "../numeric";
import { exactRational } from "./constant";
import { encloseConstant } from "./encloseConstant";
import { basicPeriod } from "./period";
import { polynomialForm } from "./rationalForm";
import { recentred } from "./recentred";
import { simplestFraction } from "./shortNumbers";
import type { Spot } from "./spot";
import type { FunctionTable } from "./table";

type Parity = "even" | "odd" | null;

/** Names of functions that take the sign of their argument out; of the others only cos, cosh and abs lose it. */
const ODD = new Set(["sin", "tan", "asin", "atan", "sinh", "tanh", "cbrt"]);
const EVEN = new Set(["cos", "cosh", "abs"]);

/** Whether f(−x) is f(x), or −f(x), as far as the written form shows. */
export function parityOf(e: Expression): Parity {
  switch (e.kind) {
    case "number":
      return "even";
    case "variable":
      return "odd";
    case "call":
      return null;
    case "negate":
      return parityOf(e.a);
    case "add":
    case "subtract": {
      const [a, b] = [parityOf(e.a), parityOf(e.b)];
      return a === b && a !== null ? a : parityOfPolynomial(e);
    }
    case "multiply":
    case "divide": {
      const [a, b] = [parityOf(e.a), parityOf(e.b)];
      return a === null || b === null ? null : a === b ? "even" : "odd";
    }
    case "power": {
      const n = wholeExponent(e.b);
      const base = parityOf(e.a);
      if (n !== null && base === "odd") return n % 2 === 0 ? "even" : "odd";
      return base === "even" && parityOf(e.b) === "even" ? "even" : null;
    }
    case "apply": {
      const a = parityOf(e.a);
      if (a === null) return parityOfWave(e);
      if (a !== "odd") return a;
      return ODD.has(e.name) ? "odd" : EVEN.has(e.name) ? "even" : null;
    }
    default:
      return parts(e).every((p) => parityOf(p) === "even") ? "even" : null;
  }
}

/** Of the sine or cosine of a line that is a whole number of quarter turns on at 0: sin(3x + π/2) is cos(3x). */
function parityOfWave({ name, a }: Expression & { kind: "apply" }): Parity {
  if ((name !== "sin" && name !== "cos") || dependsOnVariable(differentiate(a))) return null;
  const quarters = exactRational(divide(substitute(a, wholeNumber(0)), multiply(exactNumber(ratio(1, 2)), PI)));
  if (!quarters || !isInteger(quarters)) return null;
  const isTurned = numerator(quarters) % 2n !== 0n;
  return (name === "sin") === isTurned ? "even" : "odd";
}

/** Of (x + 1) − 1 and the like, once it is multiplied out. */
function parityOfPolynomial(e: Expression): Parity {
  const p = polynomialForm(e);
  if (!p) return null;
  const isOnly = (rest: 0 | 1) => p.every((c, k) => k % 2 === rest || isZero(c));
  return isOnly(0) ? "even" : isOnly(1) ? "odd" : null;
}

/**
 * Whether a function is proven to have one value at two places because it is the same on both sides of their middle, or
 * repeats: the one place moved by that symmetry is a turning point too, and there is only one near the other.
 */
export function areMirrored(e: Expression, a: Spot, b: Spot, table: FunctionTable): boolean {
  if (isMirroredAtFraction(e, a, b, table) || isMirroredAtTurn(e, a, b, table)) return true;
  const period = basicPeriod(e);
  if (!period) return false;
  const k = Math.round((b.at - a.at) / period.at);
  const step = iv.multiply(new Enclosure(period.lo, period.hi), new Enclosure(k, k));
  const moved = iv.add(new Enclosure(a.lo, a.hi), step);
  if (a.rational && b.rational) return k === 0 && a.rational.compare(b.rational) === 0;
  return areOneTurn(e, moved, b, table);
}

function isMirroredAtFraction(e: Expression, a: Spot, b: Spot, table: FunctionTable): boolean {
  const middle = middleOf(a, b);
  const fromThere = middle && (isZero(middle) ? e : recentred(e, middle));
  if (!middle || !fromThere || parityOf(fromThere) !== "even") return false;
  if (a.rational && b.rational) return true;
  const mirrored = iv.subtract(encloseRational(middle.mul(ratio(2))), new Enclosure(a.lo, a.hi));
  return areOneTurn(e, mirrored, b, table);
}

/** Waves have their middles at fractions of π: sin(x/2) + cos(x) is the same on both sides of π. */
function isMirroredAtTurn(e: Expression, a: Spot, b: Spot, table: FunctionTable): boolean {
  if (a.rational && b.rational) return false;
  const [lo, hi] = [a.lo / 2 + b.lo / 2, a.hi / 2 + b.hi / 2].map((m) => m / Math.PI) as [number, number];
  const turns = simplestFraction(lo - Math.abs(lo) * CLOSE, hi + Math.abs(hi) * CLOSE, LONGEST_TURN);
  if (!turns || isZero(turns)) return false;
  const middle = multiply(exactNumber(turns), PI);
  if (parityOf(substitute(e, add(VARIABLE, middle))) !== "even") return false;
  const twice = iv.multiply(new Enclosure(2, 2), encloseConstant(middle));
  return areOneTurn(e, iv.subtract(twice, new Enclosure(a.lo, a.hi)), b, table);
}
/** A guess may lie a few roundings aside: whether it is the middle is proven afterwards. */
const CLOSE = 1e-15;
const LONGEST_TURN = 1000n;

/** Halfway between two places; of such as are known by their bounds alone, the shortest number it may be. */
function middleOf(a: Spot, b: Spot): Rational | null {
  if (a.rational && b.rational) return a.rational.add(b.rational).div(ratio(2));
  return simplestFraction(a.lo / 2 + b.lo / 2, a.hi / 2 + b.hi / 2, LONGEST_MIDDLE);
}
const LONGEST_MIDDLE = 10n ** 6n;

/** Both places are zeros of the slope, which has at most one zero on a box around them. */
function areOneTurn(e: Expression, moved: Enclosure, b: Spot, table: FunctionTable): boolean {
  if (b.rational && !b.zeroOf.length) return false;
  if (moved.lo > b.hi || moved.hi < b.lo) return false;
  const hull = new Enclosure(Math.min(moved.lo, b.lo), Math.max(moved.hi, b.hi));
  const bend = compileEnclosure(differentiate(differentiate(e)), table.enclosure)(hull);
  return !(bend.flags & (EMPTY | PARTIAL | BROKEN)) && !containsZero(bend);
}
