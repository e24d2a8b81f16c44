import { NOTHING_THERE, isUsable, plainTerm, point } from "./termAlgebra";
import { ZERO, ratio, type Polynomial, type Rational } from "../numeric";
import { Enclosure, containsZero, iv } from "../interval";
import { encloseRational, exactNumber, wholeNumber } from "../formula/numbers";
import { divide, negate } from "../formula/build";
import { compileEnclosure, derivativeWithin, type Expression } from "../formula";
import { isExactlyZero } from "./constant";
import { encloseConstant } from "./encloseConstant";
import type { Term } from "./growth";
import { rationalForm } from "./rationalForm";
import { putIn, signAtSpot, type Spot } from "./spot";
import type { FunctionTable } from "./table";

/** The side of a place that is looked at: beyond a spot, or far out. */
export interface Approach {
  /** null: far out */
  readonly spot: Spot | null;
  /** 1: from above, or towards plus infinity at infinity… of x; −1 the other way */
  readonly side: 1 | -1;
  /** how far t goes, > 0, at most 1/16; for infinity 1/x */
  readonly delta: number;
}

/** Highest order of a zero that is looked for. */
const MAX_ORDER = 8;

/** Leading terms that are read off at once, without taking the expression apart. */
export class DirectTerms {
  private readonly finite: { spot: Spot; hull: Enclosure } | null;

  constructor(
    private readonly approach: Approach,
    private readonly table: FunctionTable,
  ) {
    const { spot, side, delta } = approach;
    this.finite = spot && {
      spot,
      hull:
        side > 0
          ? new Enclosure(spot.lo, iv.add(point(spot.hi), point(delta)).hi)
          : new Enclosure(iv.subtract(point(spot.lo), point(delta)).lo, spot.hi),
    };
  }

  /** By Taylor's theorem at a place, as a quotient of polynomials far out; null where neither tells. */
  term(e: Expression): Term | null {
    return this.finite ? this.analytic(e, this.finite) : this.rationalFarOut(e);
  }

  constant(e: Expression): Term | null {
    if (isExactlyZero(e)) return NOTHING_THERE;
    const v = encloseConstant(e);
    return isUsable(v) ? plainTerm(v, e) : null;
  }

  /** By Taylor's theorem: the first derivative that is not 0 at the spot, enclosed over the whole side. */
  private analytic(e: Expression, { spot, hull }: { spot: Spot; hull: Enclosure }): Term | null {
    let factorial = 1;
    for (let k = 0; k <= MAX_ORDER; k++) {
      const derived = k === 0 ? e : derivativeWithin(e, k);
      if (!derived) return null;
      factorial *= Math.max(k, 1);
      const sign = this.approach.side < 0 && k % 2 === 1 ? -1 : 1;
      const v = compileEnclosure(derived, this.table.enclosure)(hull);
      if (!isUsable(v)) return null;
      const c = iv.divide(sign < 0 ? iv.negate(v) : v, point(factorial));
      const there = putIn(derived, spot);
      const lead = there && divide(sign < 0 ? negate(there) : there, wholeNumber(factorial));
      const found: Term = { c, r: ratio(k), s: ZERO, w: null, lead };
      if (!containsZero(c)) return found;
      if (c.lo === 0 && c.hi === 0) return NOTHING_THERE;
      if (signAtSpot(derived, spot, this.table) !== 0) return found;
    }
    return null;
  }

  /** Far out a quotient of polynomials is its leading terms times what is near 1; all exact. */
  private rationalFarOut(e: Expression): Term | null {
    const form = rationalForm(e);
    if (!form || form.denominator.length === 0) return null;
    if (form.numerator.length === 0) return NOTHING_THERE;
    const above = this.reversed(form.numerator);
    const below = this.reversed(form.denominator);
    if (containsZero(below.c)) return null;
    return {
      c: iv.divide(above.c, below.c),
      r: ratio(form.denominator.length - form.numerator.length),
      s: ZERO,
      w: null,
      lead: exactNumber(above.top.div(below.top)),
    };
  }

  /** p(±1/t) t^n on (0, δ], and its value at 0. */
  private reversed(p: Polynomial): { c: Enclosure; top: Rational } {
    const t = new Enclosure(0, this.approach.delta);
    const signs = p.map((a, i) => (this.approach.side < 0 && i % 2 === 1 ? a.neg() : a));
    const c = signs.reduce((sum, a) => iv.add(iv.multiply(sum, t), encloseRational(a)), point(0));
    return { c, top: signs[signs.length - 1]! };
  }
}
