import { boundedTerm } from "./bounded";
import { DirectTerms, type Approach } from "./directTerms";
import { TermAlgebra, ZERO_EXPRESSION, isDecided, isPlain, isUsable, plainTerm, point } from "./termAlgebra";
import { ONE, ZERO, isZero, ratio, signOf } from "../numeric";
import { Enclosure, iv } from "../interval";
import { encloseRational, exactNumber, wholeNumber } from "../formula/numbers";
import { add, apply, divide, multiply, negate, power, subtract } from "../formula/build";
import { dependsOnVariable, wholeExponent, type Expression } from "../formula";
import { sharedIn } from "./commonFactor";
import { exactRational } from "./constant";
import { inline } from "./inline";
import { MARGIN, grows, isNought, vanishes, type Term } from "./growth";
import { partedExponent, squareRootOf, withSlopesOfTanh } from "./leadingForms";
import { rationalForm } from "./rationalForm";
import { recentred } from "./recentred";
import { spotOfRational } from "./spot";
import { clearDenominators, signed, termsOf } from "./terms";
import type { FunctionTable } from "./table";
import { totalTerm } from "./totalTerm";

const ONE_EXPRESSION = wholeNumber(1);
const UNIT = point(1);
const ORIGIN = spotOfRational(ZERO);

/** Leading terms of expressions that are smooth beside a place. */
export class Leading {
  /** ln(1/δ) */
  private readonly logarithm: number;

  private readonly terms: TermAlgebra;
  private readonly direct: DirectTerms;

  constructor(
    private readonly approach: Approach,
    private readonly table: FunctionTable,
  ) {
    this.logarithm = -Math.log(approach.delta);
    this.terms = new TermAlgebra(approach.delta);
    this.direct = new DirectTerms(approach, table);
  }

  readonly rangeOf = (t: Term): Enclosure | null => this.terms.rangeOf(t);

  /** The leading term, with denominators cleared where terms cancel; null where none is known. */
  of(e: Expression): Term | null {
    const { spot } = this.approach;
    const moved = spot?.rational && recentred(e, spot.rational);
    if (moved) return new Leading({ ...this.approach, spot: ORIGIN }, this.table).of(moved);
    const plain = withSlopesOfTanh(e);
    if (plain !== e) return this.of(plain);
    const first = this.term(e);
    if (first && (isDecided(first) || isNought(first))) return first;
    const shared = sharedIn(e);
    if (shared) {
      const [outer, inner] = [this.term(shared.outer), this.of(shared.inner)];
      const whole = outer && inner && this.terms.product(outer, inner);
      if (whole && (isDecided(whole) || isNought(whole))) return whole;
    }
    const { top, bottom } = clearDenominators(e);
    if (!dependsOnVariable(bottom)) return first;
    const [above, below] = [this.term(top), this.term(bottom)];
    const whole = above && below && this.terms.quotient(above, below);
    return whole && isDecided(whole) ? whole : first;
  }

  private term(e: Expression): Term | null {
    if (!dependsOnVariable(e)) return this.direct.constant(e);
    const direct = this.direct.term(e);
    if (direct && (isDecided(direct) || isNought(direct))) return direct;
    return this.byParts(e) ?? direct;
  }

  private byParts(e: Expression): Term | null {
    switch (e.kind) {
      case "negate": {
        const a = this.term(e.a);
        return a && this.terms.negated(a);
      }
      case "add":
      case "subtract":
        return this.sumOf(e);
      case "multiply": {
        const a = this.term(e.a);
        const b = a && this.term(e.b);
        return a && b && this.terms.product(a, b);
      }
      case "divide": {
        const a = this.term(e.a);
        const b = a && this.term(e.b);
        return a && b && this.terms.quotient(a, b);
      }
      case "power":
        return this.powerOf(e);
      case "root": {
        const a = this.term(e.a);
        return a && this.terms.raised(a, ratio(1, e.n), e.n % 2 === 1);
      }
      case "apply":
        return this.applied(e);
      case "min":
      case "max": {
        const difference = this.of(subtract(e.a, e.b));
        if (!difference || !isDecided(difference)) return null;
        return this.term(difference.c.hi < 0 === (e.kind === "min") ? e.a : e.b);
      }
      case "call":
        return this.called(e);
      default:
        return null;
    }
  }

  /** A running total, by what it sums. */
  private called(e: Expression & { kind: "call" }): Term | null {
    const total = this.table.definition(e.name, e.order);
    if (total?.kind !== "closures" || e.a.kind !== "variable") return null;
    return totalTerm(total, this.approach, (summed, approach) =>
      new Leading(approach, this.table).of(inline(summed, this.table)),
    );
  }

  // ---- sums ------------------------------------------------------------------------------------------------

  /**
   * Terms of a sum; all quotients of polynomials among them are taken together first, so that what cancels is gone:
   * x − 3 at 3, as well as what cancels far out.
   */
  private sumOf(e: Expression): Term | null {
    const terms = termsOf(e).map(signed);
    const algebraic = terms.filter((t) => rationalForm(t) !== null);
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
    const sum = this.terms.sum(found);
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
      const below = x && y && this.terms.sum([x, y]);
      const whole = above && below && this.terms.quotient(above, below);
      if (whole) return whole;
    }
    return null;
  }

  // ---- powers and functions ----------------------------------------------------------------------------------

  private powerOf(e: Expression & { kind: "power" }): Term | null {
    const n = wholeExponent(e.b);
    if (n === 0) return plainTerm(UNIT, ONE_EXPRESSION);
    if (dependsOnVariable(e.b)) return this.exponential(multiply(e.b, apply("ln", e.a)));
    const a = this.term(e.a);
    const exact = exactRational(e.b);
    return a && exact ? this.terms.raised(a, exact, false) : null;
  }

  private exponential(exponent: Expression): Term | null {
    const parted = partedExponent(exponent);
    if (parted) {
      const [rest, factor] = [this.exponential(parted.rest), this.direct.constant(apply("exp", parted.constant))];
      return rest && factor && this.terms.product(factor, rest);
    }
    const a = this.term(exponent);
    if (!a) return null;
    const range = this.terms.rangeOf(a);
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
        const base = this.direct.constant(apply("ln", wholeNumber(e.name === "log10" ? 10 : 2)));
        return a && base && this.terms.quotient(a, base);
      }
      case "sqrt": {
        const a = this.term(u);
        return a && this.terms.raised(a, ratio(1, 2), false);
      }
      case "abs": {
        const a = this.term(u);
        return a && isDecided(a) ? (a.c.lo > 0 ? a : this.terms.negated(a)) : null;
      }
      case "cbrt": {
        const a = this.term(u);
        return a && this.terms.raised(a, ratio(1, 3), true);
      }
      case "tan": {
        const [a, b] = [this.term(apply("sin", u)), this.term(apply("cos", u))];
        return a && b && this.terms.quotient(a, b);
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
        return a && grows(a) ? this.terms.sum([a, plainTerm(new Enclosure(-1, 1), null)]) : null;
      }
      default: {
        const a = this.term(u);
        return a && boundedTerm(e.name, a, this.terms, this.approach.delta);
      }
    }
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
    return this.terms.sum(list);
  }

  /** ln(1 + v) = v · something between 1/(1 + v) and 1. */
  private logarithmNearOne(u: Expression): Term | null {
    const v = this.term(subtract(u, ONE_EXPRESSION));
    if (!v || !vanishes(v)) return null;
    const range = this.terms.rangeOf(v);
    if (!range || !(range.lo > -0.5)) return null;
    const share = new Enclosure(Math.min(1, 1 / (1 + range.hi)) / MARGIN, Math.max(1, 1 / (1 + range.lo)) * MARGIN);
    return { ...v, c: iv.multiply(v.c, share) };
  }
}
