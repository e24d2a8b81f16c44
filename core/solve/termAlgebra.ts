import { ZERO, isInteger, isZero, signOf, toDouble, type Rational } from "../numeric";
import { BROKEN, EMPTY, Enclosure, PARTIAL, containsZero, iv } from "../interval";
import { encloseRational, exactNumber, wholeNumber } from "../formula/numbers";
import { add, divide, multiply, negate, power, subtract } from "../formula/build";
import { same, type Expression } from "../formula";
import { isNought, orderBound, vanishes, type Growth, type Term } from "./growth";
import { polynomialForm } from "./rationalForm";
import { constantSign } from "./terms";

export const ZERO_EXPRESSION = wholeNumber(0);
export const point = (x: number): Enclosure => new Enclosure(x, x);

/** A term that neither grows nor vanishes. */
export const plainTerm = (c: Enclosure, lead: Expression | null): Term => ({ c, r: ZERO, s: ZERO, w: null, lead });
export const NOTHING_THERE: Term = plainTerm(point(0), ZERO_EXPRESSION);
/** Whether the enclosure holds values everywhere and is finite. */
export const isUsable = (v: Enclosure): boolean =>
  !(v.flags & (EMPTY | PARTIAL | BROKEN)) && Number.isFinite(v.lo) && Number.isFinite(v.hi);
/** Whether the sign of the term is known. */
export const isDecided = (t: Term): boolean => !containsZero(t.c);

export const isPlain = (t: Term): boolean => isZero(t.r) && isZero(t.s) && t.w === null;

const oddRoot = (c: Enclosure, q: Rational): Enclosure => {
  const n = Number(q.d);
  return n === 3 ? iv.cbrt(c) : iv.root(c, n);
};

/**
 * How leading terms are added, multiplied and raised near a place. A term stands for c t^r (ln 1/t)^s e^w on (0, δ],
 * its factor enclosed.
 */
export class TermAlgebra {
  /** @param delta  how far t goes, > 0 */
  constructor(private readonly delta: number) {}

  /** −a. */
  negated(a: Term): Term {
    return { ...a, c: iv.negate(a.c), lead: a.lead && negate(a.lead) };
  }

  /** a · b; null where the growth of neither outweighs the other. */
  product(a: Term, b: Term): Term | null {
    if (isNought(a) || isNought(b)) return NOTHING_THERE;
    const w = this.joined(a.w, b.w, 1);
    if (w === undefined) return null;
    const lead = a.lead && b.lead && multiply(a.lead, b.lead);
    return { c: iv.multiply(a.c, b.c), r: a.r.add(b.r), s: a.s.add(b.s), w, lead };
  }

  quotient(a: Term, b: Term): Term | null {
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

  /** The sum of some terms; null where it cannot be told which outgrows the others. */
  sum(all: readonly Term[]): Term | null {
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
    return orderBound(toDouble(small.r.sub(great.r)), toDouble(small.s.sub(great.s)), w, this.delta);
  }

  /** All values a term that does not grow takes on (0, δ]; null where that is not known. */
  rangeOf(t: Term): Enclosure | null {
    if (isPlain(t)) return t.c;
    if (!vanishes(t)) return null;
    const most = orderBound(toDouble(t.r), toDouble(t.s), t.w?.term ?? null, this.delta);
    return most === null ? null : iv.multiply(t.c, new Enclosure(0, most));
  }

  /** a^q. @param isOddRoot  whether the power is an odd root, which negative values have too */
  raised(a: Term, q: Rational, isOddRoot: boolean): Term | null {
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

  /** q · t. */
  scaled(t: Term, q: Rational): Term {
    return { ...t, c: iv.multiply(t.c, encloseRational(q)), lead: t.lead && multiply(exactNumber(q), t.lead) };
  }
}
