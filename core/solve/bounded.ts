import { Enclosure, PARTIAL, iv } from "../interval";
import { apply, divide, negate } from "../formula/build";
import { PI, wholeNumber } from "../formula/numbers";
import { signOf, toDouble } from "../numeric";
import { MARGIN, grows, vanishes, type Term } from "./growth";
import { ZERO_EXPRESSION, isDecided, isUsable, plainTerm, type TermAlgebra } from "./termAlgebra";

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

/**
 * The term of sin, cos, atan, asin or acos of something on (0, δ]: by the range of the argument, and near 0 by how
 * they start.
 */
export function boundedTerm(name: string, a: Term, terms: TermAlgebra, delta: number): Term | null {
  const range = terms.rangeOf(a);
  if (!range) return farArgument(name, a, delta);
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

function farArgument(name: string, a: Term, delta: number): Term | null {
  if (name === "sin" || name === "cos") return plainTerm(new Enclosure(-1, 1), null);
  if (name !== "atan" || !grows(a) || !isDecided(a)) return null;
  const limit = divide(a.c.lo > 0 ? PI : negate(PI), wholeNumber(2));
  // |a| is at least |c| δ^r where a power makes it grow, and at least 0 in any case.
  const isPower = !a.w && signOf(a.r) < 0 && signOf(a.s) >= 0;
  const least = Math.min(Math.abs(a.c.lo), Math.abs(a.c.hi)) * delta ** toDouble(a.r);
  const c = iv.atan(new Enclosure(isPower && Number.isFinite(least) ? least / MARGIN : 0, Infinity));
  return plainTerm(a.c.lo > 0 ? c : iv.negate(c), limit);
}
