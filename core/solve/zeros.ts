import { exactNumber, wholeNumber } from "../formula/numbers";
import { add, apply, divide, multiply, negate, power, subtract } from "../formula/build";
import { dependsOnVariable, size, wholeExponent, type Expression } from "../formula";
import { containsZero } from "../interval";
import { ZERO, isolateRealRoots, poly, type Polynomial, type Rational } from "../numeric";
import { MAX_BOXES } from "./branch";
import { commonParts } from "./commonPart";
import { isExactlyZero } from "./constant";
import { encloseConstant } from "./encloseConstant";
import { foundOnce } from "./foundOnce";
import { intervalZeros } from "./intervalZeros";
import { exactForms, rationalZeros } from "./polynomialZeros";
import { MAX_DEGREE, polynomialForm, rationalForm } from "./rationalForm";
import type { FunctionTable } from "./table";
import { clearDenominators, collect, constantSign, exponentialTerm, signed, termsOf, type SignedTerm } from "./terms";
import {
  EVERYWHERE,
  NONE,
  merge,
  outward,
  unsettled,
  withMultiplicity,
  type Equation,
  type Stretch,
  type ZeroSet,
} from "./zeroSet";
import { zeroAt, linearOrQuadratic } from "./zeroAt";
import { powerEquals, outerEquals } from "./undone";
import { checked, withoutHoles } from "./holes";

/** Equations that one may be taken apart into, in all. */
const MAX_EQUATIONS = 3000;

/** How often an equation may be rewritten, one out of the other. */
const MAX_DEPTH = 24;

/**
 * All zeros of a smooth expression on the closed stretch from…to (null: unbounded), proven complete where `open` is
 * empty.
 * Equations are first taken apart exactly (products, powers, one outer function, polynomials in a common part); exact
 * polynomials go to
 * Sturm's theorem; the rest to interval branch and prune, with multiple zeros proven by exact values and higher
 * derivatives.
 */
export function zerosOf(
  e: Expression,
  table: FunctionTable,
  from: Rational | null,
  to: Rational | null,
  allowed: number | Budget = boxesFor(e),
): ZeroSet {
  const maxBoxes = typeof allowed === "number" ? allowed : Math.min(boxesFor(e), allowed.boxes);
  const found = foundOnce(e, table, from, to, maxBoxes, () => {
    const stretch: Stretch = {
      table,
      from,
      to,
      budget: { boxes: maxBoxes, rewrites: MAX_EQUATIONS },
      depth: 0,
      lo: from ? outward(from, -1) : -Infinity,
      hi: to ? outward(to, 1) : Infinity,
    };
    const zeros = checked(e, solveZero(e, stretch), stretch);
    return { zeros, boxes: maxBoxes - stretch.budget.boxes };
  });
  if (typeof allowed !== "number") {
    const used = (found.boxes * Math.max(8, size(e, 2000))) / 8;
    allowed.boxes -= Math.max(rationalForm(e) ? LEAST_EXACT : LEAST_WORK, used);
  }
  return found.zeros;
}

/** What one equation counts for in boxes, when algebra alone solves it: a quotient of polynomials, or another. */
const LEAST_EXACT = 2;

const LEAST_WORK = 16;

/** Interval work left for all that one question asks. */
export interface Budget {
  boxes: number;
}

/**
 * The work of one question is bounded by operations: longer formulas get fewer boxes (about 50 ms in all on a two-core
 * machine).
 */
const MAX_OPERATIONS = 40_000;

const boxesFor = (e: Expression): number =>
  Math.max(150, Math.min(MAX_BOXES, Math.round(MAX_OPERATIONS / size(e, 2000))));

/** The same stretch for an equation that another was rewritten into; null where that was done often enough. */
const deeperIn = (s: Stretch): Stretch | null =>
  s.depth > MAX_DEPTH || --s.budget.rewrites < 0 ? null : { ...s, depth: s.depth + 1 };

function solveZero(e: Expression, on: Stretch): ZeroSet {
  if (!dependsOnVariable(e))
    return isExactlyZero(e) ? EVERYWHERE : !containsZero(encloseConstant(e)) ? NONE : unsettled(on);
  const exact = rationalZeros(e, on);
  if (exact) return exact;
  const s = deeperIn(on);
  if (!s) return intervalZeros(e, on);
  switch (e.kind) {
    case "negate":
      return solveZero(e.a, s);
    case "multiply":
      return merge([e.a, e.b].map((part) => solveZero(part, s)));
    case "divide":
      return solveZero(e.a, s);
    case "power": {
      const n = wholeExponent(e.b);
      if (n !== null) return n > 0 ? withMultiplicity(solveZero(e.a, s), (m) => m && m * n) : NONE;
      if (!dependsOnVariable(e.b))
        return encloseConstant(e.b).lo > 0
          ? withMultiplicity(solveZero(e.a, s), () => null)
          : encloseConstant(e.b).hi < 0
            ? NONE
            : intervalZeros(e, s);
      if (!dependsOnVariable(e.a) && encloseConstant(e.a).lo > 0) return NONE;
      break;
    }
    case "root":
      return withMultiplicity(solveZero(e.a, s), (m) => (e.n % 2 === 1 && m && m % 2 === 1 ? 1 : null));
    case "apply":
      return solveEquals(e, wholeNumber(0), s);
    case "add":
    case "subtract":
      return sumZeros(e, s);
    default:
  }
  return intervalZeros(e, s);
}

/** All inputs with u(x) = c, for c without variable. */
function solveEquals(u: Expression, c: Expression, on: Stretch): ZeroSet {
  const rest = (): ZeroSet => {
    const whole = subtract(u, c);
    return rationalZeros(whole, on) ?? linearOrQuadratic(u, c, on) ?? intervalZeros(whole, on);
  };
  if (!dependsOnVariable(u)) return solveZero(subtract(u, c), on);
  const s = deeperIn(on);
  if (!s) return rest();
  const sign = constantSign(c);
  const deeper: Equation = (v, d) => solveEquals(v, d, s);
  if (u.kind === "variable") return zeroAt(c, s, 1);
  if (rationalForm(u)) return rest();
  switch (u.kind) {
    case "negate":
      return deeper(u.a, negate(c));
    case "add":
      if (!dependsOnVariable(u.b)) return deeper(u.a, subtract(c, u.b));
      if (!dependsOnVariable(u.a)) return deeper(u.b, subtract(c, u.a));
      return sign === 0 ? solveZero(u, s) : sumZeros(subtract(u, c), s);
    case "subtract":
      if (!dependsOnVariable(u.b)) return deeper(u.a, add(c, u.b));
      if (!dependsOnVariable(u.a)) return deeper(u.b, subtract(u.a, c));
      return sign === 0 ? solveZero(u, s) : sumZeros(subtract(u, c), s);
    case "multiply": {
      const [k, v] = !dependsOnVariable(u.a) ? [u.a, u.b] : !dependsOnVariable(u.b) ? [u.b, u.a] : [null, null];
      if (k && v && constantSign(k)) return deeper(v, divide(c, k));
      if (sign === 0) return solveZero(u, s);
      const exponential = exponentialTerm(u);
      if (exponential && sign !== null)
        return sign * (constantSign(exponential.factor) ?? 0) > 0
          ? deeper(exponential.exponent, apply("ln", divide(c, exponential.factor)))
          : sign < 0 || constantSign(exponential.factor) !== null
            ? NONE
            : rest();
      return rest();
    }
    case "divide":
      if (!dependsOnVariable(u.b) && constantSign(u.b)) return deeper(u.a, multiply(c, u.b));
      if (!dependsOnVariable(u.a) && constantSign(u.a))
        return sign === 0 ? NONE : sign === null ? rest() : deeper(u.b, divide(u.a, c));
      if (sign === 0) return solveZero(u.a, s);
      return sumZeros(subtract(u, c), s);
    case "power":
      return sign === 0 ? solveZero(u, s) : (powerEquals(u, c, sign, deeper) ?? rest());
    case "root": {
      if (u.n % 2 === 0 && sign === -1) return NONE;
      if (sign === null) return rest();
      const found = deeper(u.a, power(c, wholeNumber(u.n)));
      return sign === 0 ? withMultiplicity(found, (m) => (u.n % 2 === 1 && m && m % 2 === 1 ? 1 : null)) : found;
    }
    case "apply":
      return outerEquals(u, c, sign, s, deeper) ?? rest();
    default:
      return rest();
  }
}

/**
 * The terms of a sum without polynomial ones that add up to a number, such as k x where k is 0, put in as that number;
 * null where none do. They would hide that the rest stands alone.
 */
function withoutCancelled(terms: readonly SignedTerm[]): Expression[] | null {
  const straight = terms.map((t) => polynomialForm(signed(t)));
  const sum = straight.reduce<Polynomial>((a, p) => (p ? poly.add(a, p) : a), []);
  if (poly.degree(sum) > 0 || straight.every((p) => p === null)) return null;
  return [...terms.filter((_, i) => straight[i] === null).map(signed), exactNumber(sum[0] ?? ZERO)];
}

function sumZeros(e: Expression, s: Stretch): ZeroSet {
  const exact = rationalZeros(e, s);
  if (exact) return exact;
  const all = termsOf(e);
  const moving = all.filter((t) => dependsOnVariable(t.term));
  const still = all.filter((t) => !dependsOnVariable(t.term)).map(signed);
  const constant = still.reduce((a, b) => add(a, b), wholeNumber(0));
  const left = withoutCancelled(moving);
  if (left)
    return solveZero(
      left.reduce((a, b) => add(a, b), constant),
      s,
    );
  if (moving.length === 1) {
    const only = moving[0]!;
    return solveEquals(only.term, only.sign > 0 ? negate(constant) : constant, s);
  }
  if (moving.length === 2 && constantSign(constant) === 0) {
    const [a, b] = moving.map((t) => exponentialTerm(signed(t)));
    if (a && b) {
      const ratioOfFactors = negate(divide(b.factor, a.factor));
      const sign = constantSign(ratioOfFactors);
      if (sign !== null && sign <= 0) return NONE;
      if (sign === 1) return solveEquals(collect(subtract(a.exponent, b.exponent)), apply("ln", ratioOfFactors), s);
    }
  }
  const substituted = inCommonPart(e, s);
  if (substituted) return substituted;
  const cleared = clearDenominators(e);
  if (dependsOnVariable(cleared.bottom) && size(cleared.top, 4000) < 4000)
    return withoutHoles(intervalZeros(cleared.top, s), cleared.bottom, s);
  return intervalZeros(e, s);
}

/**
 * cos x in cos 2x − 2 cos x + 1.5, e^(kx) in e^(2kx) − 3 e^(kx) + 2, √x in x − 5 √x + 6: solved for that part
 * first.
 */
function inCommonPart(e: Expression, s: Stretch): ZeroSet | null {
  for (const part of commonParts(e)) {
    const form = rationalForm(e, (x) => part.read(x));
    if (
      !form ||
      form.divisors.length > 0 ||
      poly.degree(form.numerator) < 1 ||
      poly.degree(form.numerator) > MAX_DEGREE
    )
      continue;
    const levels = isolateRealRoots(form.numerator, null, null);
    const exactOf = exactForms(form.numerator);
    const sets: ZeroSet[] = [];
    for (const level of levels) {
      const exact = level.exact ? exactNumber(level.exact) : exactOf(level.lo, level.hi)?.expression;
      if (!exact) {
        sets.length = 0;
        break;
      }
      sets.push(withMultiplicity(solveEquals(part.expression, exact, s), (m) => m && m * level.multiplicity));
    }
    if (levels.length > 0 && sets.length === 0) continue;
    return merge(sets);
  }
  return null;
}
