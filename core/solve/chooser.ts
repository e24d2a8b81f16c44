import { floorOf, isInteger, ratio, rationalOfDouble, signOf, spend, toDouble, type Rational } from "../numeric";
import { EMPTY, Enclosure, roundHalfAway } from "../interval";
import { exactNumber, wholeNumber } from "../formula/numbers";
import { add, apply, mapParts, negate, subtract } from "../formula/build";
import {
  VARIABLE,
  call,
  dependsOnVariable,
  differentiate,
  divide,
  isOneNumber,
  wholeExponent,
  type Expression,
} from "../formula";
import { exactRational } from "./constant";
import { putIn, signAtSpot, spotOfConstant, spotOfRational, type Spot } from "./spot";
import { inline } from "./inline";
import { constantSign } from "./terms";
import type { Derivative, FunctionTable, Piece } from "./table";
import { valueOf } from "./value";

type Branch = Expression | "none" | "open";

/** What choosing one branch at a place costs besides the enclosures made for it. */
const STEPS_OF_BRANCH = 100;

/**
 * Chooses, part by part from the inside, what holds at a spot: which side of a kink, which step of a stair, which
 * piece.
 */
export class Chooser {
  constructor(
    private readonly spot: Spot,
    private readonly table: FunctionTable,
  ) {}

  /** The expression with its branches chosen, or why it has no value. */
  branch(e: Expression): Branch {
    spend(STEPS_OF_BRANCH);
    let state: "none" | "open" | null = null;
    const inner = mapParts(e, (part) => {
      if (e.kind === "choose" && (part === e.a || part === e.b)) return part;
      const b = this.branch(part);
      if (typeof b !== "string") return b;
      state = b === "none" || state === "none" ? "none" : "open";
      return part;
    });
    if (state) return state;
    return this.own(inner);
  }

  private sign(u: Expression): -1 | 0 | 1 | null {
    return signAtSpot(u, this.spot, this.table);
  }

  private own(e: Expression): Branch {
    switch (e.kind) {
      case "divide":
        return this.unlessZero(e.b, e);
      case "power":
        return this.power(e);
      case "root":
        return this.fromZero(e.a, e, e.n % 2 === 1);
      case "min":
      case "max": {
        const sign = this.sign(subtract(e.a, e.b));
        return sign === null ? "open" : sign <= 0 === (e.kind === "min") ? e.a : e.b;
      }
      case "choose": {
        const sign = this.sign(subtract(e.p, e.q));
        return sign === null ? "open" : sign === 0 ? "none" : this.branch(sign < 0 ? e.a : e.b);
      }
      case "flat":
        return this.flat(e);
      case "call":
        return this.call(e);
      case "apply":
        return this.applied(e);
      default:
        return e;
    }
  }

  private unlessZero(u: Expression, whole: Expression): Branch {
    const sign = this.sign(u);
    return sign === null ? "open" : sign === 0 ? "none" : whole;
  }
  /** A root: no value below 0 (unless odd), 0 at 0. */
  private fromZero(u: Expression, whole: Expression, odd = false): Branch {
    const sign = this.sign(u);
    if (sign === null) return "open";
    return sign === 0 ? wholeNumber(0) : sign < 0 && !odd ? "none" : whole;
  }

  private power(e: Expression & { kind: "power" }): Branch {
    const n = wholeExponent(e.b);
    if (n !== null) return n > 0 ? e : n === 0 ? e : this.unlessZero(e.a, e);
    const base = this.sign(e.a);
    if (base === null) return "open";
    if (base > 0) return e;
    const exponent = this.sign(e.b);
    if (base === 0) return exponent === null ? "open" : exponent > 0 ? wholeNumber(0) : "none";
    return this.negativeBase(e);
  }
  /** A negative number has no power whose exponent is no written whole number; an unknown exponent decides nothing. */
  private negativeBase(e: Expression & { kind: "power" }): Branch {
    if (!dependsOnVariable(e.b)) return "none";
    const there = putIn(e.b, this.spot);
    const exact = there && exactRational(there);
    return exact ? "none" : "open";
  }

  private applied(e: Expression & { kind: "apply" }): Branch {
    switch (e.name) {
      case "ln":
      case "log10":
      case "log2": {
        const sign = this.sign(e.a);
        return sign === null ? "open" : sign > 0 ? e : "none";
      }
      case "sqrt":
        return this.fromZero(e.a, e);
      case "tan":
        return this.unlessZero(apply("cos", e.a), e);
      case "asin":
      case "acos": {
        const [above, below] = [this.sign(subtract(e.a, wholeNumber(1))), this.sign(add(e.a, wholeNumber(1)))];
        if (above === null || below === null) return "open";
        if (above > 0 || below < 0) return "none";
        if (!dependsOnVariable(e)) return e;
        return above === 0 ? apply(e.name, wholeNumber(1)) : below === 0 ? apply(e.name, wholeNumber(-1)) : e;
      }
      case "abs": {
        const sign = this.sign(e.a);
        return sign === null ? "open" : sign < 0 ? negate(e.a) : sign === 0 ? wholeNumber(0) : e.a;
      }
      case "step": {
        const sign = this.sign(e.a);
        return sign === null ? "open" : wholeNumber(sign < 0 ? 0 : 1);
      }
      case "sign": {
        const sign = this.sign(e.a);
        return sign === null ? "open" : sign === 0 ? "none" : wholeNumber(sign);
      }
      case "floor":
      case "ceil":
      case "round": {
        const k = this.stair(e.name, e.a);
        return k ? exactNumber(k) : "open";
      }
      default:
        return e;
    }
  }

  /** The step of a stair at the spot: by the exact argument, or by an enclosure that lies on one step. */
  private stair(name: "floor" | "ceil" | "round", u: Expression): Rational | null {
    const value = valueOf(u, this.spot, this.table);
    if (value.kind !== "value" || !Number.isFinite(value.lo) || !Number.isFinite(value.hi)) return null;
    const step = { floor: Math.floor, ceil: Math.ceil, round: roundHalfAway }[name];
    // A stair never falls: what lies between two inputs on one step is on it too.
    if (step(value.lo) === step(value.hi)) return rationalOfDouble(step(value.lo));
    if (value.exact) return stairStep(name, value.exact);
    // An irrational input may still give a whole argument: proven, it is on its step; otherwise the sides differ.
    const border = rationalOfDouble(name === "round" ? Math.floor(value.hi) + 0.5 : Math.round(value.hi));
    const sign = this.sign(subtract(u, exactNumber(border)));
    if (sign === 0) return stairStep(name, border);
    return null;
  }

  /** The slope of a stair: 0 on a step, none at its edge. */
  private flat(e: Expression & { kind: "flat" }): Branch {
    const value = valueOf(e.a, this.spot, this.table);
    if (value.kind !== "value" || !Number.isFinite(value.lo) || !Number.isFinite(value.hi)) return "open";
    if (e.name === "step") return this.flatUnlessZero(e.a);
    const shift = e.name === "round" ? ratio(1, 2) : ratio(0);
    if (value.exact) return isInteger(value.exact.add(shift)) ? "none" : wholeNumber(0);
    const [a, b] = [value.lo + toDouble(shift), value.hi + toDouble(shift)];
    return Math.floor(a) === Math.floor(b) && !Number.isInteger(a) ? wholeNumber(0) : "open";
  }
  private flatUnlessZero(u: Expression): Branch {
    const sign = this.sign(u);
    return sign === null ? "open" : sign === 0 ? "none" : wholeNumber(0);
  }

  private call(e: Expression & { kind: "call" }): Branch {
    const d = this.table.definition(e.name, e.order);
    if (!d) return "none";
    const there = this.inputOf(e.a);
    if (d.kind === "pieces") return this.piece(d.pieces, e.a, there);
    if (d.kind === "slope") return this.slope(d.of, e.a, there);
    if (d.kind === "expression") {
      if (!there) return "open";
      const inside = new Chooser(there, this.table).branch(inline(d.expression, this.table));
      if (typeof inside === "string") return inside;
      const value = valueOf(inside, there, this.table);
      return value.kind === "value" ? (value.form && !dependsOnVariable(value.form) ? value.form : e) : value.kind;
    }
    if (!there) return "open";
    const value = d.enclosure(new Enclosure(there.lo, there.hi));
    if (value.flags & EMPTY) return "none";
    // A total is 0 where it begins; the start may lie between doubles.
    if (there.rational?.compare(d.from) === 0) return wholeNumber(0);
    return Number.isFinite(value.lo) && Number.isFinite(value.hi) ? e : "open";
  }

  private slope({ name, order }: Derivative, u: Expression, there: Spot | null): Branch {
    const inner = differentiate(u);
    // Along a line: the slope of the whole, without that of the line.
    if (!dependsOnVariable(inner) && constantSign(inner)) {
      const whole = this.table.slopeAt(call(name, order, u), this.spot);
      return typeof whole === "string" || isOneNumber(inner) ? whole : divide(whole, inner);
    }
    const inside = there ? this.table.slopeAt(call(name, order, VARIABLE), there) : "open";
    return typeof inside === "string" ? inside : ((there && putIn(inside, there)) ?? "open");
  }

  /** The input of a called function, as a spot of its own; null where it has no closed form. */
  private inputOf(u: Expression): Spot | null {
    if (u.kind === "variable") return this.spot;
    const form = putIn(u, this.spot);
    if (!form || dependsOnVariable(form)) return null;
    const exact = exactRational(form);
    return exact ? spotOfRational(exact) : spotOfConstant(form);
  }

  private piece(pieces: readonly Piece[], u: Expression, there: Spot | null): Branch {
    for (const p of pieces) {
      const low = p.from ? this.sign(subtract(u, exactNumber(p.from))) : 1;
      const high = p.to ? this.sign(subtract(u, exactNumber(p.to))) : -1;
      if (low === null || high === null) return "open";
      if (low < 0 || high > 0 || (low === 0 && !p.closedFrom) || (high === 0 && !p.closedTo)) continue;
      const body = inline(p.expression, this.table);
      if (u.kind === "variable") return this.branch(body);
      if (!there) return "open";
      const inside = new Chooser(there, this.table).branch(body);
      if (typeof inside === "string") return inside;
      return putIn(inside, there) ?? "open";
    }
    return "none";
  }
}

/** floor, ceil or school rounding of a fraction. */
export function stairStep(name: "floor" | "ceil" | "round", u: Rational): Rational {
  if (name === "floor") return floorOf(u);
  if (name === "ceil") return floorOf(u.neg()).neg();
  const half = ratio(1, 2);
  return signOf(u) < 0 ? floorOf(u.neg().add(half)).neg() : floorOf(u.add(half));
}
