import { apply, compileEnclosure, dependsOnVariable, parts, type Expression } from "../formula";
import { EMPTY, Enclosure, PARTIAL, containsZero } from "../interval";
import { exactRational, vanishesAt } from "./constant";
import type { Stretch, ZeroSet } from "./zeroSet";

/**
 * Drops candidates at which the whole expression has no value (a hole), and any that a plain evaluation contradicts.
 */
export function checked(e: Expression, found: ZeroSet, stretch: Stretch): ZeroSet {
  if (found.zeros.length === 0) return found;
  const value = compileEnclosure(e, stretch.table.enclosure);
  const zeros = found.zeros.filter((z) => {
    const v = value(new Enclosure(z.lo, z.hi));
    if (v.flags & EMPTY)
      return z.lo !== z.hi && z.exact !== null && exactRational(z.exact.expression) === null
        ? !hasNoValue(e, z.exact.expression)
        : false;
    if (!containsZero(v)) return false;
    return !(v.flags & PARTIAL && z.exact && hasNoValue(e, z.exact.expression));
  });
  return { ...found, zeros };
}

/** Whether a part of the expression provably has no value at an exact input: a division by 0, a logarithm of 0. */
function hasNoValue(e: Expression, at: Expression): boolean {
  if (!dependsOnVariable(e)) return false;
  if (e.kind === "divide" && vanishesAt(e.b, at)) return true;
  if (e.kind === "power") {
    const n = exponentSign(e.b);
    if (n < 0 && vanishesAt(e.a, at)) return true;
  }
  if (e.kind === "apply" && (e.name === "ln" || e.name === "log10" || e.name === "log2") && vanishesAt(e.a, at))
    return true;
  if (e.kind === "apply" && e.name === "tan" && vanishesAt(apply("cos", e.a), at)) return true;
  return parts(e).some((p) => hasNoValue(p, at));
}

const exponentSign = (e: Expression): number => (e.kind === "number" ? Math.sign(e.value) : 0);

/** Where a quotient was cleared, a zero of the top at which the bottom vanishes too is a hole, not a zero. */
export function withoutHoles(found: ZeroSet, bottom: Expression, s: Stretch): ZeroSet {
  const value = compileEnclosure(bottom, s.table.enclosure);
  return {
    ...found,
    zeros: found.zeros.filter(
      (z) => !z.exact || !containsZero(value(new Enclosure(z.lo, z.hi))) || !vanishesAt(bottom, z.exact.expression),
    ),
  };
}
