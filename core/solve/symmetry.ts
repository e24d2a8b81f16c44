import { BROKEN, EMPTY, Enclosure, PARTIAL, containsZero, iv } from "../interval";
import { compileEnclosure, differentiate, parts, wholeExponent, type Expression } from "../formula";
import { encloseRational } from "../formula/numbers";
import { isZero, ratio, type Rational } from "../numeric";
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
      if (a !== "odd") return a;
      return ODD.has(e.name) ? "odd" : EVEN.has(e.name) ? "even" : null;
    }
    default:
      return parts(e).every((p) => parityOf(p) === "even") ? "even" : null;
  }
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
  const middle = middleOf(a, b);
  const fromThere = middle && (isZero(middle) ? e : recentred(e, middle));
  if (middle && fromThere && parityOf(fromThere) === "even") {
    if (a.rational && b.rational) return true;
    const mirrored = iv.subtract(encloseRational(middle.mul(ratio(2))), new Enclosure(a.lo, a.hi));
    if (areOneTurn(e, mirrored, b, table)) return true;
  }
  const period = basicPeriod(e);
  if (!period) return false;
  const k = Math.round((b.at - a.at) / period.at);
  const step = iv.multiply(new Enclosure(period.lo, period.hi), new Enclosure(k, k));
  const moved = iv.add(new Enclosure(a.lo, a.hi), step);
  if (a.rational && b.rational) return k === 0 && a.rational.compare(b.rational) === 0;
  return areOneTurn(e, moved, b, table);
}

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
