import { ONE, ZERO, isInteger, isZero, ratio, signOf, toDouble, type Polynomial, type Rational } from "../numeric";
import { BROKEN, EMPTY, Enclosure, PARTIAL, containsZero, iv } from "../interval";
import {
  PI,
  add,
  apply,
  compileEnclosure,
  dependsOnVariable,
  derivativeWithin,
  divide,
  encloseRational,
  exactNumber,
  multiply,
  negate,
  power,
  same,
  subtract,
  wholeExponent,
  wholeNumber,
  type Expression,
} from "../formula";
import { exactRational, isExactlyZero } from "./constant";
import { encloseConstant } from "./exactForm";
import { MARGIN, grows, isNought, orderBound, vanishes, type Growth, type Term } from "./growth";
import { rationalForm, polynomialForm } from "./rationalForm";
import { putIn, signAtSpot, type Spot } from "./spot";
import { clearDenominators, constantSign, signed, termsOf } from "./terms";
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

const ZERO_EXPRESSION = wholeNumber(0);
const ONE_EXPRESSION = wholeNumber(1);
const point = (x: number): Enclosure => new Enclosure(x, x);
const UNIT = point(1);
/** Highest order of a zero that is looked for. */
const MAX_ORDER = 8;

const plainTerm = (c: Enclosure, lead: Expression | null): Term => ({ c, r: ZERO, s: ZERO, w: null, lead });
const NOTHING_THERE: Term = plainTerm(point(0), ZERO_EXPRESSION);
const isUsable = (v: Enclosure): boolean =>
  !(v.flags & (EMPTY | PARTIAL | BROKEN)) && Number.isFinite(v.lo) && Number.isFinite(v.hi);
const isDecided = (t: Term): boolean => !containsZero(t.c);

const isPlain = (t: Term): boolean => isZero(t.r) && isZero(t.s) && t.w === null;

/** Leading terms of expressions that are smooth beside a place. */
export class Leading {
  private readonly finite: { spot: Spot; hull: Enclosure } | null;
  /** ln(1/δ) */
  private readonly logarithm: number;

  constructor(
    private readonly approach: Approach,
    private readonly table: FunctionTable,
  ) {
    const { spot, side, delta } = approach;
    this.logarithm = -Math.log(delta);
    this.finite = spot && {
      spot,
      hull:
        side > 0
          ? new Enclosure(spot.lo, iv.add(point(spot.hi), point(delta)).hi)
          : new Enclosure(iv.subtract(point(spot.lo), point(delta)).lo, spot.hi),
    };
  }

  /** The leading term, with denominators cleared where terms cancel; null where none is known. */
  of(e: Expression): Term | null {
    const first = this.term(e);
    if (first && (isDecided(first) || isNought(first))) return first;
    const { top, bottom } = clearDenominators(e);
    if (!dependsOnVariable(bottom)) return first;
    const [above, below] = [this.term(top), this.term(bottom)];
    const whole = above && below && this.quotient(above, below);
    return whole && isDecided(whole) ? whole : first;
  }

  private term(e: Expression): Term | null {
    if (!dependsOnVariable(e)) return this.constant(e);
    const direct = this.finite ? this.analytic(e) : this.rationalFarOut(e);
    if (direct && (isDecided(direct) || isNought(direct))) return direct;
    return this.byParts(e) ?? direct;
  }

  private constant(e: Expression): Term | null {
    if (isExactlyZero(e)) return NOTHING_THERE;
    const v = encloseConstant(e);
    return isUsable(v) ? plainTerm(v, e) : null;
  }

  /** By Taylor's theorem: the first derivative that is not 0 at the spot, enclosed over the whole side. */
  private analytic(e: Expression): Term | null {
    const { spot, hull } = this.finite!;
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
    if (e.kind === "variable")
      return { c: point(this.approach.side), r: ratio(-1), s: ZERO, w: null, lead: wholeNumber(this.approach.side) };
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

  private byParts(e: Expression): Term | null {
    switch (e.kind) {
      case "negate": {
        const a = this.term(e.a);
        return a && this.negated(a);
      }
      case "add":
      case "subtract":
        return this.sumOf(e);
      case "multiply": {
        const a = this.term(e.a);
        const b = a && this.term(e.b);
        return a && b && this.product(a, b);
      }
      case "divide": {
        const a = this.term(e.a);
        const b = a && this.term(e.b);
        return a && b && this.quotient(a, b);
      }
      case "power":
        return this.powerOf(e);
      case "root": {
        const a = this.term(e.a);
        return a && this.raised(a, ratio(1, e.n), e.n % 2 === 1);
      }
      case "apply":
        return this.applied(e);
      default:
        return null;
    }
  }

  private negated(a: Term): Term {
    return { ...a, c: iv.negate(a.c), lead: a.lead && negate(a.lead) };
  }
  private product(a: Term, b: Term): Term | null {
    if (isNought(a) || isNought(b)) return NOTHING_THERE;
    const w = this.joined(a.w, b.w, 1);
    if (w === undefined) return null;
    const lead = a.lead && b.lead && multiply(a.lead, b.lead);
    return { c: iv.multiply(a.c, b.c), r: a.r.add(b.r), s: a.s.add(b.s), w, lead };
  }
  private quotient(a: Term, b: Term): Term | null {
    if (containsZero(b.c)) return null;
    if (isNought(a)) return NOTHING_THERE;
    const w = this.joined(a.w, b.w, -1);
    if (w === undefined) return null;
    const lead = a.lead && b.lead && constantSign(b.lead) ? divide(a.lead, b.lead) : null;
    return { c: iv.divide(a.c, b.c), r: a.r.sub(b.r), s: a.s.sub(b.s), w, lead };
  }
  /** Exponents of a product or quotient; undefined where their sum is of no certain growth. */
  private joined(a: Growth | null, b: Growth | null, sign: 1 | -1): Growth | null | undefined {
    if (!b) return a;
    const other: Growth = sign > 0 ? b : { term: this.negated(b.term), source: negate(b.source) };
    if (!a) return other;
    const source = sign > 0 ? add(a.source, b.source) : subtract(a.source, b.source);
    const difference = polynomialForm(source);
    if (difference && difference.length === 0) return null;
    const term = this.sum([a.term, other.term]);
    return term && isDecided(term) && signOf(term.r) < 0 && signOf(term.s) >= 0 ? { term, source } : undefined;
  }

  // ---- sums ------------------------------------------------------------------------------------------------

  /**
   * Terms of a sum; far out all quotients of polynomials among them are taken together first, so that what cancels is
   * gone.
   */
  private sumOf(e: Expression): Term | null {
    const terms = termsOf(e).map(signed);
    const algebraic = this.finite ? [] : terms.filter((t) => rationalForm(t) !== null);
    const isMixed = algebraic.length > 1 && algebraic.length < terms.length;
    const list = isMixed
      ? [algebraic.reduce((a, b) => add(a, b)), ...terms.filter((t) => !algebraic.includes(t))]
      : terms;
    const found: Term[] = [];
    for (const t of list) {
      const term = this.term(t);
      if (!term) return null;
      found.push(term);
    }
    const sum = this.sum(found);
    return sum && isDecided(sum) ? sum : (this.conjugate(list) ?? sum);
  }

  /** √u − v as (u − v²)/(√u + v), where the two cancel. */
  private conjugate(list: readonly Expression[]): Term | null {
    if (list.length !== 2) return null;
    const [a, b] = list as [Expression, Expression];
    for (const [root, other] of [
      [a, b],
      [b, a],
    ] as const) {
      const inner = squareRootOf(root);
      if (!inner) continue;
      const above = this.term(subtract(inner.square, power(other, wholeNumber(2))));
      const [x, y] = [this.term(root), this.term(negate(other))];
      const below = x && y && this.sum([x, y]);
      const whole = above && below && this.quotient(above, below);
      if (whole) return whole;
    }
    return null;
  }

  private sum(all: readonly Term[]): Term | null {
    const list = all.filter((t) => !isNought(t));
    if (list.length === 0) return NOTHING_THERE;
    let top = list[0]!;
    for (const t of list.slice(1)) {
      const order = this.compareGrowth(t, top);
      if (order === null) return null;
      if (order > 0) top = t;
    }
    let c = point(0);
    let lead: Expression | null = ZERO_EXPRESSION;
    for (const t of list) {
      const order = this.compareGrowth(t, top);
      if (order === null) return null;
      if (order === 0) {
        c = iv.add(c, t.c);
        lead = lead && t.lead && add(lead, t.lead);
        continue;
      }
      const most = this.ratioBound(t, top);
      if (most === null) return null;
      c = iv.add(c, iv.multiply(t.c, new Enclosure(0, most)));
    }
    return { c, r: top.r, s: top.s, w: top.w, lead };
  }

  /** 1: a outgrows b; 0: they are of one order; −1: b outgrows a; null where it cannot be told. */
  private compareGrowth(a: Term, b: Term): -1 | 0 | 1 | null {
    const w = this.difference(a.w, b.w);
    if (w === undefined) return null;
    if (w) return w.c.lo > 0 ? 1 : -1;
    const r = b.r.compare(a.r);
    return Math.sign(r !== 0 ? r : a.s.compare(b.s)) as -1 | 0 | 1;
  }
  /** a − b of two exponents; null: they are the same; undefined: not known. */
  private difference(a: Growth | null, b: Growth | null): Term | null | undefined {
    if (a && b && same(a.source, b.source)) return null;
    const joined = this.joined(a, b, -1);
    return joined === undefined ? undefined : (joined?.term ?? null);
  }
  /** The greatest value of the quotient of two orders of growth on (0, δ], the second outgrowing the first. */
  private ratioBound(small: Term, great: Term): number | null {
    const w = this.difference(small.w, great.w);
    if (w === undefined) return null;
    return orderBound(toDouble(small.r.sub(great.r)), toDouble(small.s.sub(great.s)), w, this.approach.delta);
  }

  /** All values a term that does not grow takes on (0, δ]; null where that is not known. */
  private rangeOf(t: Term): Enclosure | null {
    if (isPlain(t)) return t.c;
    if (!vanishes(t)) return null;
    const most = orderBound(toDouble(t.r), toDouble(t.s), t.w?.term ?? null, this.approach.delta);
    return most === null ? null : iv.multiply(t.c, new Enclosure(0, most));
  }

  // ---- powers and functions ----------------------------------------------------------------------------------

  private powerOf(e: Expression & { kind: "power" }): Term | null {
    const n = wholeExponent(e.b);
    if (n === 0) return plainTerm(UNIT, ONE_EXPRESSION);
    if (dependsOnVariable(e.b)) return this.exponential(multiply(e.b, apply("ln", e.a)));
    const a = this.term(e.a);
    const exact = exactRational(e.b);
    return a && exact ? this.raised(a, exact, false) : null;
  }
  private raised(a: Term, q: Rational, isOddRoot: boolean): Term | null {
    if (isNought(a)) return signOf(q) > 0 ? NOTHING_THERE : null;
    const needsPositive = !isInteger(q) && !isOddRoot;
    if ((needsPositive && a.c.hi < 0) || (signOf(q) < 0 && containsZero(a.c))) return null;
    // Where the whole has a value, the base is not negative.
    if (needsPositive && a.c.lo < 0) return this.raised({ ...a, c: new Enclosure(0, a.c.hi) }, q, false);
    const n = toDouble(q);
    const c = isInteger(q)
      ? iv.integerPower(a.c, n)
      : isOddRoot
        ? oddRoot(a.c, q)
        : iv.realPower(a.c, encloseRational(q));
    if (!isUsable(c)) return null;
    const w = a.w && { term: this.scaled(a.w.term, q), source: multiply(exactNumber(q), a.w.source) };
    const lead = a.lead && (isOddRoot ? null : power(a.lead, exactNumber(q)));
    return { c, r: a.r.mul(q), s: a.s.mul(q), w, lead };
  }
  private scaled(t: Term, q: Rational): Term {
    return { ...t, c: iv.multiply(t.c, encloseRational(q)), lead: t.lead && multiply(exactNumber(q), t.lead) };
  }

  private exponential(exponent: Expression): Term | null {
    const a = this.term(exponent);
    if (!a) return null;
    const range = this.rangeOf(a);
    if (range) {
      const c = iv.exp(range);
      return isUsable(c) ? plainTerm(c, vanishes(a) ? ONE_EXPRESSION : a.lead && apply("exp", a.lead)) : null;
    }
    const goesFar = !a.w && signOf(a.r) < 0 && signOf(a.s) >= 0 && isDecided(a);
    return goesFar ? { ...plainTerm(UNIT, ONE_EXPRESSION), w: { term: a, source: exponent } } : null;
  }

  private applied(e: Expression & { kind: "apply" }): Term | null {
    const u = e.a;
    switch (e.name) {
      case "exp":
        return this.exponential(u);
      case "ln":
        return this.logarithmOf(u);
      case "log10":
      case "log2": {
        const a = this.logarithmOf(u);
        const base = this.constant(apply("ln", wholeNumber(e.name === "log10" ? 10 : 2)));
        return a && base && this.quotient(a, base);
      }
      case "sqrt": {
        const a = this.term(u);
        return a && this.raised(a, ratio(1, 2), false);
      }
      case "cbrt": {
        const a = this.term(u);
        return a && this.raised(a, ratio(1, 3), true);
      }
      case "tan": {
        const [a, b] = [this.term(apply("sin", u)), this.term(apply("cos", u))];
        return a && b && this.quotient(a, b);
      }
      case "sinh":
      case "cosh": {
        const join = e.name === "sinh" ? subtract : add;
        return this.term(divide(join(apply("exp", u), apply("exp", negate(u))), wholeNumber(2)));
      }
      case "tanh": {
        // Written in the exponential that vanishes on the side looked at.
        const a = this.term(u);
        const isDown = a !== null && a.c.hi < 0;
        const decay = apply("exp", multiply(wholeNumber(isDown ? 2 : -2), u));
        const quotient = divide(subtract(ONE_EXPRESSION, decay), add(ONE_EXPRESSION, decay));
        return this.term(isDown ? negate(quotient) : quotient);
      }
      case "floor":
      case "ceil":
      case "round": {
        const a = this.term(u);
        return a && grows(a) ? this.sum([a, plainTerm(new Enclosure(-1, 1), null)]) : null;
      }
      default: {
        const a = this.term(u);
        return a && this.bounded(e.name, a);
      }
    }
  }

  /** sin, cos, atan, asin, acos: by the range of the argument, and near 0 by how they start. */
  private bounded(name: string, a: Term): Term | null {
    const range = this.rangeOf(a);
    if (!range) return this.farArgument(name, a);
    const outer = BOUNDED[name];
    if (!outer) return null;
    const size = Math.max(Math.abs(range.lo), Math.abs(range.hi));
    const starts = vanishes(a) && size <= 1 ? outer.start?.(size) : undefined;
    if (starts) return { ...a, c: iv.multiply(a.c, starts) };
    const c = outer.of(range);
    if (!isUsable(c) && !(c.flags === PARTIAL && Number.isFinite(c.lo) && Number.isFinite(c.hi))) return null;
    const inside = vanishes(a) ? ZERO_EXPRESSION : a.lead;
    return plainTerm(new Enclosure(c.lo, c.hi), inside && apply(name as "sin", inside));
  }
  private farArgument(name: string, a: Term): Term | null {
    if (name === "sin" || name === "cos") return plainTerm(new Enclosure(-1, 1), null);
    if (name !== "atan" || !grows(a) || !isDecided(a)) return null;
    const limit = divide(a.c.lo > 0 ? PI : negate(PI), wholeNumber(2));
    // |a| is at least |c| δ^r where a power makes it grow, and at least 0 in any case.
    const isPower = !a.w && signOf(a.r) < 0 && signOf(a.s) >= 0;
    const least = Math.min(Math.abs(a.c.lo), Math.abs(a.c.hi)) * this.approach.delta ** toDouble(a.r);
    const c = iv.atan(new Enclosure(isPower && Number.isFinite(least) ? least / MARGIN : 0, Infinity));
    return plainTerm(a.c.lo > 0 ? c : iv.negate(c), limit);
  }

  /** ln(c t^r L^s exp w) = w − r ln(1/t)… with what is left of smaller order. */
  private logarithmOf(u: Expression): Term | null {
    const a = this.term(u);
    if (!a || !(a.c.lo > 0)) return null;
    const ofCoefficient = plainTerm(iv.ln(a.c), a.lead && apply("ln", a.lead));
    if (isPlain(a)) return isDecided(ofCoefficient) ? ofCoefficient : (this.logarithmNearOne(u) ?? ofCoefficient);
    const list: Term[] = [ofCoefficient];
    if (!isZero(a.r))
      list.push({ c: encloseRational(a.r.neg()), r: ZERO, s: ONE, w: null, lead: exactNumber(a.r.neg()) });
    if (a.w) list.push(a.w.term);
    if (!isZero(a.s)) {
      if (isZero(a.r) && !a.w) return null;
      // ln L is at most (ln L(δ)/L(δ)) L, as soon as L(δ) is above e.
      if (this.logarithm < Math.E) return null;
      const share = (Math.log(this.logarithm) / this.logarithm) * MARGIN;
      const c = iv.multiply(encloseRational(a.s), new Enclosure(0, share));
      list.push({ c, r: ZERO, s: ONE, w: null, lead: ZERO_EXPRESSION });
    }
    return this.sum(list);
  }
  /** ln(1 + v) = v · something between 1/(1 + v) and 1. */
  private logarithmNearOne(u: Expression): Term | null {
    const v = this.term(subtract(u, ONE_EXPRESSION));
    if (!v || !vanishes(v)) return null;
    const range = this.rangeOf(v);
    if (!range || !(range.lo > -0.5)) return null;
    const share = new Enclosure(Math.min(1, 1 / (1 + range.hi)) / MARGIN, Math.max(1, 1 / (1 + range.lo)) * MARGIN);
    return { ...v, c: iv.multiply(v.c, share) };
  }
}

/** How bounded functions start at 0: f(v)/v for |v| up to a size of at most 1, and f itself. */
const BOUNDED: Readonly<
  Record<string, { of: (v: Enclosure) => Enclosure; start?: (size: number) => Enclosure | undefined }>
> = {
  sin: { of: iv.sin, start: (v) => new Enclosure((1 - (v * v) / 6) / MARGIN, 1) },
  cos: { of: iv.cos },
  atan: { of: iv.atan, start: (v) => new Enclosure(1 / (1 + v * v) / MARGIN, 1) },
  asin: { of: iv.asin, start: (v) => new Enclosure(1, v < 0.5 ? (1 + v * v) * MARGIN : 1.5708) },
  acos: { of: iv.acos },
};

const oddRoot = (c: Enclosure, q: Rational): Enclosure => {
  const n = Number(q.d);
  return n === 3 ? iv.cbrt(c) : iv.root(c, n);
};

/** √u or k √u, as what it is the square root of. */
function squareRootOf(e: Expression): { square: Expression } | null {
  if (e.kind === "negate") return squareRootOf(e.a);
  if (e.kind === "apply" && e.name === "sqrt") return { square: e.a };
  if (e.kind === "multiply" && !dependsOnVariable(e.a) && e.b.kind === "apply" && e.b.name === "sqrt")
    return { square: multiply(power(e.a, wholeNumber(2)), e.b.a) };
  return null;
}
