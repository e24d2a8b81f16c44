import {
  PI,
  add,
  apply,
  compileEnclosure,
  dependsOnVariable,
  divide,
  exactNumber,
  multiply,
  negate,
  parts,
  power,
  size,
  subtract,
  wholeExponent,
  wholeNumber,
  type Expression,
} from "../formula";
import { EMPTY, Enclosure, PARTIAL, containsZero } from "../interval";
import {
  ONE,
  ZERO,
  denominator,
  isInteger,
  isZero,
  isolateRealRoots,
  numerator,
  poly,
  ratio,
  rationalRoot,
  signOf,
  toDouble,
  type Polynomial,
  type Rational,
} from "../numeric";
import { MAX_BOXES } from "./branch";
import { commonParts } from "./commonPart";
import { exactRational, isExactlyZero, vanishesAt } from "./constant";
import { encloseConstant, formOf, rationalExact, rootExpression } from "./exactForm";
import { intervalZeros } from "./intervalZeros";
import { exactForms, rationalZeros } from "./polynomialZeros";
import { MAX_DEGREE, polynomialForm, rationalForm } from "./rationalForm";
import type { FunctionTable } from "./table";
import { clearDenominators, collect, constantSign, exponentialTerm, signed, termsOf, type SignedTerm } from "./terms";
import { EVERYWHERE, NONE, merge, outward, unsettled, withMultiplicity, type Stretch, type ZeroSet } from "./zeroSet";

/** How many solutions of a periodic equation are listed one by one. */
const MAX_PERIODS = 1000;

/** Equations that one may be taken apart into, in all. */
const MAX_EQUATIONS = 3000;

/** Nesting of rewritten equations. */
const MAX_REWRITES = 24;

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
  const stretch: Stretch = {
    table,
    from,
    to,
    budget: { boxes: maxBoxes, rewrites: MAX_EQUATIONS },
    lo: from ? outward(from, -1) : -Infinity,
    hi: to ? outward(to, 1) : Infinity,
  };
  const found = checked(e, solveZero(e, stretch, 0), stretch);
  if (typeof allowed !== "number") {
    const used = ((maxBoxes - stretch.budget.boxes) * Math.max(8, size(e, 2000))) / 8;
    allowed.boxes -= Math.max(rationalForm(e) ? LEAST_EXACT : LEAST_WORK, used);
  }
  return found;
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

/**
 * Drops candidates at which the whole expression has no value (a hole), and any that a plain evaluation contradicts.
 */
function checked(e: Expression, found: ZeroSet, stretch: Stretch): ZeroSet {
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

function solveZero(e: Expression, s: Stretch, depth: number): ZeroSet {
  if (!dependsOnVariable(e))
    return isExactlyZero(e) ? EVERYWHERE : !containsZero(encloseConstant(e)) ? NONE : unsettled(s);
  const exact = rationalZeros(e, s);
  if (exact) return exact;
  if (depth > MAX_REWRITES || --s.budget.rewrites < 0) return intervalZeros(e, s);
  switch (e.kind) {
    case "negate":
      return solveZero(e.a, s, depth + 1);
    case "multiply":
      return merge([e.a, e.b].map((part) => solveZero(part, s, depth + 1)));
    case "divide":
      return solveZero(e.a, s, depth + 1);
    case "power": {
      const n = wholeExponent(e.b);
      if (n !== null) return n > 0 ? withMultiplicity(solveZero(e.a, s, depth + 1), (m) => m && m * n) : NONE;
      if (!dependsOnVariable(e.b))
        return encloseConstant(e.b).lo > 0
          ? withMultiplicity(solveZero(e.a, s, depth + 1), () => null)
          : encloseConstant(e.b).hi < 0
            ? NONE
            : intervalZeros(e, s);
      if (!dependsOnVariable(e.a) && encloseConstant(e.a).lo > 0) return NONE;
      break;
    }
    case "root":
      return withMultiplicity(solveZero(e.a, s, depth + 1), (m) => (e.n % 2 === 1 && m && m % 2 === 1 ? 1 : null));
    case "apply":
      return solveEquals(e, wholeNumber(0), s, depth + 1);
    case "add":
    case "subtract":
      return sumZeros(e, s, depth);
    default:
  }
  return intervalZeros(e, s);
}

/** A zero given by a closed form: its proven bounds, kept only inside the stretch. */
function zeroAt(exact: Expression, s: Stretch, multiplicity: number | null): ZeroSet {
  const r = exactRational(exact);
  if (r) {
    if ((s.from && r.compare(s.from) < 0) || (s.to && r.compare(s.to) > 0)) return NONE;
    return {
      zeros: [{ at: toDouble(r), lo: outward(r, -1), hi: outward(r, 1), multiplicity, exact: rationalExact(r) }],
      everywhere: false,
      open: [],
      algebraic: true,
    };
  }
  const v = encloseConstant(exact);
  if (v.flags & EMPTY || v.hi < s.lo || v.lo > s.hi) return NONE;
  const at = v.lo + (v.hi - v.lo) / 2;
  return {
    zeros: [{ at, lo: v.lo, hi: v.hi, multiplicity, exact: formOf(exact) }],
    everywhere: false,
    open: [],
    algebraic: true,
  };
}

/** All inputs with u(x) = c, for c without variable. */
function solveEquals(u: Expression, c: Expression, s: Stretch, depth: number): ZeroSet {
  const rest = (): ZeroSet => {
    const whole = subtract(u, c);
    return rationalZeros(whole, s) ?? linearOrQuadratic(u, c, s) ?? intervalZeros(whole, s);
  };
  if (!dependsOnVariable(u)) return solveZero(subtract(u, c), s, depth);
  if (depth > MAX_REWRITES || --s.budget.rewrites < 0) return rest();
  const sign = constantSign(c);
  const deeper = (v: Expression, d: Expression) => solveEquals(v, d, s, depth + 1);
  if (u.kind === "variable") return zeroAt(c, s, 1);
  if (rationalForm(u)) return rest();
  switch (u.kind) {
    case "negate":
      return deeper(u.a, negate(c));
    case "add":
      if (!dependsOnVariable(u.b)) return deeper(u.a, subtract(c, u.b));
      if (!dependsOnVariable(u.a)) return deeper(u.b, subtract(c, u.a));
      return sign === 0 ? solveZero(u, s, depth + 1) : sumZeros(subtract(u, c), s, depth + 1);
    case "subtract":
      if (!dependsOnVariable(u.b)) return deeper(u.a, add(c, u.b));
      if (!dependsOnVariable(u.a)) return deeper(u.b, subtract(u.a, c));
      return sign === 0 ? solveZero(u, s, depth + 1) : sumZeros(subtract(u, c), s, depth + 1);
    case "multiply": {
      const [k, v] = !dependsOnVariable(u.a) ? [u.a, u.b] : !dependsOnVariable(u.b) ? [u.b, u.a] : [null, null];
      if (k && v && constantSign(k)) return deeper(v, divide(c, k));
      if (sign === 0) return solveZero(u, s, depth + 1);
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
      if (sign === 0) return solveZero(u.a, s, depth + 1);
      return sumZeros(subtract(u, c), s, depth + 1);
    case "power":
      return powerEquals(u, c, sign, s, depth) ?? rest();
    case "root": {
      if (u.n % 2 === 0 && sign === -1) return NONE;
      if (sign === null) return rest();
      const found = deeper(u.a, power(c, wholeNumber(u.n)));
      return sign === 0 ? withMultiplicity(found, (m) => (u.n % 2 === 1 && m && m % 2 === 1 ? 1 : null)) : found;
    }
    case "apply":
      return outerEquals(u, c, sign, s, depth) ?? rest();
    default:
      return rest();
  }
}

function powerEquals(
  u: Expression & { kind: "power" },
  c: Expression,
  sign: -1 | 0 | 1 | null,
  s: Stretch,
  depth: number,
): ZeroSet | null {
  if (sign === null) return null;
  const deeper = (v: Expression, d: Expression) => solveEquals(v, d, s, depth + 1);
  const n = wholeExponent(u.b);
  if (n !== null) {
    if (sign === 0) return solveZero(u, s, depth + 1);
    const k = Math.abs(n);
    const level = n < 0 ? divide(wholeNumber(1), c) : c;
    if (k % 2 === 1) return deeper(u.a, sign > 0 ? closedRoot(level, k) : negate(closedRoot(negate(level), k)));
    if (sign < 0) return NONE;
    const root = closedRoot(level, k);
    return merge([deeper(u.a, root), deeper(u.a, negate(root))]);
  }
  if (!dependsOnVariable(u.b)) {
    if (sign <= 0) return sign === 0 ? solveZero(u, s, depth + 1) : NONE;
    const q = exactRational(u.b);
    // a^(p/q) = c with a >= 0 has the one solution a = c^(q/p)
    return deeper(
      u.a,
      q && Number(numerator(q)) === 1
        ? power(c, wholeNumber(Number(denominator(q))))
        : power(c, divide(wholeNumber(1), u.b)),
    );
  }
  if (!dependsOnVariable(u.a) && constantSign(u.a) === 1) {
    if (sign <= 0) return NONE;
    const base = exactRational(u.a);
    if (base && base.compare(ONE) === 0) return null;
    return deeper(u.b, divide(apply("ln", c), apply("ln", u.a)));
  }
  return null;
}

function closedRoot(c: Expression, k: number): Expression {
  if (k === 1) return c;
  const r = exactRational(c);
  const whole = r && rationalRoot(r, k);
  return whole ? exactNumber(whole) : rootExpression(c, k);
}

/** h(v) = c for a built-in h: back to v = every inverse value. */
function outerEquals(
  u: Expression & { kind: "apply" },
  c: Expression,
  sign: -1 | 0 | 1 | null,
  s: Stretch,
  depth: number,
): ZeroSet | null {
  const deeper = (v: Expression, d: Expression) => solveEquals(v, d, s, depth + 1);
  const v = u.a;
  switch (u.name) {
    case "exp":
      return sign === null ? null : sign > 0 ? deeper(v, apply("ln", c)) : NONE;
    case "ln":
      return deeper(v, apply("exp", c));
    case "log10":
      return deeper(v, power(wholeNumber(10), c));
    case "log2":
      return deeper(v, power(wholeNumber(2), c));
    case "sqrt": {
      if (sign === null) return null;
      if (sign < 0) return NONE;
      const found = deeper(v, multiply(c, c));
      return sign === 0 ? withMultiplicity(found, () => null) : found;
    }
    case "cbrt": {
      const found = deeper(v, multiply(c, multiply(c, c)));
      return sign === 0 ? withMultiplicity(found, (m) => (m && m % 2 === 1 ? 1 : null)) : found;
    }
    case "abs":
      if (sign === null) return null;
      if (sign < 0) return NONE;
      return sign === 0 ? withMultiplicity(deeper(v, c), () => null) : merge([deeper(v, c), deeper(v, negate(c))]);
    case "sin":
    case "cos":
    case "tan":
      return periodic(u.name, v, c, s, depth);
    case "asin":
    case "acos":
    case "atan": {
      const level = encloseConstant(c);
      const [least, most] = u.name === "acos" ? [0, Math.PI] : [-Math.PI / 2, Math.PI / 2];
      if (level.lo > most + 1e-9 || level.hi < least - 1e-9) return NONE;
      if (level.lo < least + 1e-9 || level.hi > most - 1e-9) return null;
      return deeper(v, apply(u.name === "asin" ? "sin" : u.name === "acos" ? "cos" : "tan", c));
    }
    case "sign": {
      if (sign === null) return null;
      // ±1 on whole stretches is for the caller who splits at kinks; 0 is never taken.
      return sign === 0 ? NONE : null;
    }
    case "cosh":
      return sign !== null && encloseConstant(c).hi < 1 ? NONE : null;
    case "sinh":
      return sign === 0 ? deeper(v, c) : null;
    case "tanh": {
      const level = encloseConstant(c);
      if (level.lo >= 1 || level.hi <= -1) return NONE;
      if (sign === 0) return deeper(v, c);
      if (level.hi >= 1 || level.lo <= -1) return null;
      // tanh v = c where v is half the logarithm of (1 + c)/(1 − c).
      const one = wholeNumber(1);
      return deeper(v, divide(apply("ln", divide(add(one, c), subtract(one, c))), wholeNumber(2)));
    }
    default:
      return null;
  }
}

/** sin v = c and its kin: every branch of the inverse that v can reach on the stretch. */
function periodic(
  name: "sin" | "cos" | "tan",
  v: Expression,
  c: Expression,
  s: Stretch,
  depth: number,
): ZeroSet | null {
  const reach = compileEnclosure(v, s.table.enclosure)(new Enclosure(s.lo, s.hi));
  if (reach.flags & EMPTY) return NONE;
  if (!Number.isFinite(reach.lo) || !Number.isFinite(reach.hi)) return null;
  const turns = (reach.hi - reach.lo) / (name === "tan" ? Math.PI : 2 * Math.PI);
  if (turns > Math.min(MAX_PERIODS, s.budget.boxes / 10)) return null;
  const at = (base: Expression, everyHalfTurns: number): ZeroSet[] => {
    const period = everyHalfTurns * Math.PI;
    const start = encloseConstant(base);
    const out: ZeroSet[] = [];
    for (
      let k = Math.floor((reach.lo - start.hi) / period) - 1;
      k <= Math.ceil((reach.hi - start.lo) / period) + 1;
      k++
    ) {
      const level = turned(base, k * everyHalfTurns);
      const w = encloseConstant(level);
      if (w.hi < reach.lo || w.lo > reach.hi) continue;
      out.push(solveEquals(v, level, s, depth + 1));
    }
    return out;
  };
  const r = exactRational(c);
  const half = (sign: 1 | -1) => multiply(exactNumber(ratio(sign, 2)), PI);
  if (name === "tan")
    return merge(
      at(
        r && isZero(r)
          ? wholeNumber(0)
          : r && r.abs().compare(ONE) === 0
            ? multiply(exactNumber(ratio(signOf(r), 4)), PI)
            : apply("atan", c),
        1,
      ),
    );
  const level = encloseConstant(c);
  if (level.lo > 1 || level.hi < -1) return NONE;
  if (r && isZero(r)) return merge(at(name === "sin" ? wholeNumber(0) : half(1), 1));
  if (r && isInteger(r)) {
    const top = signOf(r) > 0;
    const base = name === "sin" ? half(top ? 1 : -1) : top ? wholeNumber(0) : PI;
    return merge(at(base, 2).map((set) => withMultiplicity(set, (m) => m && m * 2)));
  }
  if (level.hi >= 1 || level.lo <= -1) return null;
  const inverse = niceAngle(name, r) ?? apply(name === "sin" ? "asin" : "acos", c);
  return merge(
    name === "sin"
      ? [...at(inverse, 2), ...at(ofTurns(inverse, (t) => ONE.sub(t)) ?? subtract(PI, inverse), 2)]
      : [...at(inverse, 2), ...at(ofTurns(inverse, (t) => t.neg()) ?? negate(inverse), 2)],
  );
}

/** Another fraction of π in place of one; null for an angle that is none. */
function ofTurns(angle: Expression, to: (turns: Rational) => Rational): Expression | null {
  const turns = angle.kind === "multiply" && angle.b === PI ? exactRational(angle.a) : null;
  return turns && multiply(exactNumber(to(turns)), PI);
}

/** base + n π, in one term where the base is a fraction of π itself. */
function turned(base: Expression, n: number): Expression {
  if (n === 0) return base;
  const turns =
    base.kind === "multiply" && base.b === PI
      ? exactRational(base.a)
      : base === PI
        ? ONE
        : exactRational(base) && isZero(exactRational(base)!)
          ? ZERO
          : null;
  return turns ? multiply(exactNumber(turns.add(ratio(n))), PI) : add(base, multiply(wholeNumber(n), PI));
}

/** asin or acos of ±1/2 as a fraction of π. */
function niceAngle(name: "sin" | "cos", r: Rational | null): Expression | null {
  if (!r || r.abs().compare(ratio(1, 2)) !== 0) return null;
  const positive = signOf(r) > 0;
  return multiply(exactNumber(name === "sin" ? ratio(positive ? 1 : -1, 6) : ratio(positive ? 1 : 2, 3)), PI);
}

/** p(x) = c with c irrational: solved for x where school algebra can. */
function linearOrQuadratic(u: Expression, c: Expression, s: Stretch): ZeroSet | null {
  const p = polynomialForm(u);
  if (!p || poly.degree(p) < 1 || poly.degree(p) > 2) return null;
  if (poly.degree(p) === 1) return zeroAt(scaledBy(subtract(c, exactNumber(p[0] ?? ZERO)), ONE.div(p[1]!)), s, 1);
  // x = -b/2a ± √((b/2a)² − (p0 − c)/a)
  const centre = p[1]!.div(p[2]!).div(ratio(-2));
  const radicand = add(exactNumber(centre.mul(centre).sub(p[0]!.div(p[2]!))), divide(c, exactNumber(p[2]!)));
  const sign = constantSign(radicand);
  if (sign === null) return null;
  if (sign < 0) return NONE;
  if (sign === 0) return zeroAt(exactNumber(centre), s, 2);
  const root = apply("sqrt", radicand);
  return merge([zeroAt(subtract(exactNumber(centre), root), s, 1), zeroAt(add(exactNumber(centre), root), s, 1)]);
}

function scaledBy(e: Expression, r: Rational): Expression {
  const under = ONE.div(r);
  // ln 2/(12 ln 1.003), not ln 2/ln 1.003/12
  if (e.kind === "divide" && isInteger(under)) return divide(e.a, multiply(exactNumber(under), e.b));
  return isInteger(under) ? divide(e, exactNumber(under)) : multiply(exactNumber(r), e);
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

function sumZeros(e: Expression, s: Stretch, depth: number): ZeroSet {
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
      depth + 1,
    );
  if (moving.length === 1) {
    const only = moving[0]!;
    return solveEquals(only.term, only.sign > 0 ? negate(constant) : constant, s, depth + 1);
  }
  if (moving.length === 2 && constantSign(constant) === 0) {
    const [a, b] = moving.map((t) => exponentialTerm(signed(t)));
    if (a && b) {
      const ratioOfFactors = negate(divide(b.factor, a.factor));
      const sign = constantSign(ratioOfFactors);
      if (sign !== null && sign <= 0) return NONE;
      if (sign === 1)
        return solveEquals(collect(subtract(a.exponent, b.exponent)), apply("ln", ratioOfFactors), s, depth + 1);
    }
  }
  const substituted = inCommonPart(e, s, depth);
  if (substituted) return substituted;
  const cleared = clearDenominators(e);
  if (dependsOnVariable(cleared.bottom) && size(cleared.top, 4000) < 4000)
    return withoutHoles(intervalZeros(cleared.top, s), cleared.bottom, s);
  return intervalZeros(e, s);
}

/** Where a quotient was cleared, a zero of the top at which the bottom vanishes too is a hole, not a zero. */
function withoutHoles(found: ZeroSet, bottom: Expression, s: Stretch): ZeroSet {
  const value = compileEnclosure(bottom, s.table.enclosure);
  return {
    ...found,
    zeros: found.zeros.filter(
      (z) => !z.exact || !containsZero(value(new Enclosure(z.lo, z.hi))) || !vanishesAt(bottom, z.exact.expression),
    ),
  };
}

/**
 * cos x in cos 2x − 2 cos x + 1.5, e^(kx) in e^(2kx) − 3 e^(kx) + 2, √x in x − 5 √x + 6: solved for that part
 * first.
 */
function inCommonPart(e: Expression, s: Stretch, depth: number): ZeroSet | null {
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
      sets.push(
        withMultiplicity(solveEquals(part.expression, exact, s, depth + 1), (m) => m && m * level.multiplicity),
      );
    }
    if (levels.length > 0 && sets.length === 0) continue;
    return merge(sets);
  }
  return null;
}
