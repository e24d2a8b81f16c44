import { ONE, ZERO, denominator, isInteger, isZero, isolateRealRoots, numerator, poly, ratio, rationalOfDouble, rationalRoot, signOf, toDouble, type Polynomial, type Rational } from '../numeric'
import { EMPTY, Enclosure, PARTIAL, BROKEN, containsZero } from '../interval'
import {
  PI, add, apply, compileEnclosure, compileSlopes, dependsOnVariable, derivativeWithin, differentiate, divide, encloseRational, exactNumber, multiply, negate, power, same, size, subtract,
  wholeExponent, wholeNumber, parts, type EnclosureFunction, type Expression,
} from '../formula'
import { MAX_BOXES, branch } from './branch'
import { exactRational, isExactlyZero, vanishesAt } from './constant'
import { encloseConstant, formOf, quadraticExact, rationalExact, rootExpression, type ExactForm } from './exactForm'
import { MAX_DEGREE, polynomialForm, rationalForm } from './rationalForm'
import type { FunctionTable } from './table'

/** One zero, alone in [lo, hi], proven. */
export interface Zero {
  readonly at: number
  readonly lo: number
  readonly hi: number
  /** order of the zero; null where the function is not smooth enough there to have one (an end of its domain, a kink) */
  readonly multiplicity: number | null
  readonly exact: ExactForm | null
}

/** All zeros of a function on a stretch, or what is left open. */
export interface ZeroSet {
  readonly zeros: readonly Zero[]
  /** the function is 0 on the whole stretch, wherever it has a value */
  readonly everywhere: boolean
  /** stretches on which the function is 0 throughout, where that is not the whole */
  readonly flat?: readonly { lo: number; hi: number }[]
  /** stretches in which zeros were neither found nor excluded */
  readonly open: readonly { lo: number; hi: number }[]
  /** how it was settled: by exact algebra throughout, or with intervals somewhere */
  readonly algebraic: boolean
}

const NONE: ZeroSet = { zeros: [], everywhere: false, open: [], algebraic: true }
const EVERYWHERE: ZeroSet = { zeros: [], everywhere: true, open: [], algebraic: true }

interface Stretch {
  readonly table: FunctionTable
  readonly from: Rational | null
  readonly to: Rational | null
  readonly lo: number
  readonly hi: number
  /** what is left for all work of this call: interval boxes, and rewritten equations */
  budget: { boxes: number; rewrites: number }
}

/** How many solutions of a periodic equation are listed one by one. */
const MAX_PERIODS = 2000
/** Equations that one may be taken apart into, in all. */
const MAX_EQUATIONS = 3000
/** Nesting of rewritten equations. */
const MAX_REWRITES = 24

/**
 * All zeros of a smooth expression on the closed stretch from…to (null: unbounded), proven complete where `open` is empty.
 * Equations are first taken apart exactly (products, powers, one outer function, polynomials in a common part); exact polynomials go to
 * Sturm's theorem; the rest to interval branch and prune, with multiple zeros proven by exact values and higher derivatives.
 */
export function zerosOf(e: Expression, table: FunctionTable, from: Rational | null, to: Rational | null, maxBoxes = boxesFor(e)): ZeroSet {
  const stretch: Stretch = {
    table, from, to, budget: { boxes: maxBoxes, rewrites: MAX_EQUATIONS },
    lo: from ? outward(from, -1) : -Infinity,
    hi: to ? outward(to, 1) : Infinity,
  }
  return checked(e, solveZero(e, stretch, 0), stretch)
}

/** The work of one question is bounded by operations: longer formulas get fewer boxes (about 50 ms in all on a two-core machine). */
const MAX_OPERATIONS = 300_000
const boxesFor = (e: Expression): number => Math.max(150, Math.min(MAX_BOXES, Math.round(MAX_OPERATIONS / size(e, 2000))))

function outward(r: Rational, side: -1 | 1): number {
  const within = encloseRational(r)
  return side < 0 ? within.lo : within.hi
}

/** Drops candidates at which the whole expression has no value (a hole), and any that a plain evaluation contradicts. */
function checked(e: Expression, found: ZeroSet, stretch: Stretch): ZeroSet {
  if (found.zeros.length === 0) return found
  const value = compileEnclosure(e, stretch.table.enclosure)
  const zeros = found.zeros.filter((z) => {
    const v = value(new Enclosure(z.lo, z.hi))
    if (v.flags & EMPTY) return z.lo !== z.hi && z.exact !== null && exactRational(z.exact.expression) === null ? !hasNoValue(e, z.exact.expression) : false
    if (!containsZero(v)) return false
    return !(v.flags & PARTIAL && z.exact && hasNoValue(e, z.exact.expression))
  })
  return { ...found, zeros }
}

/** Whether a part of the expression provably has no value at an exact input: a division by 0, a logarithm of 0. */
function hasNoValue(e: Expression, at: Expression): boolean {
  if (!dependsOnVariable(e)) return false
  if (e.kind === 'divide' && vanishesAt(e.b, at)) return true
  if (e.kind === 'power') { const n = exponentSign(e.b); if (n < 0 && vanishesAt(e.a, at)) return true }
  if (e.kind === 'apply' && (e.name === 'ln' || e.name === 'log10' || e.name === 'log2') && vanishesAt(e.a, at)) return true
  if (e.kind === 'apply' && e.name === 'tan' && vanishesAt(apply('cos', e.a), at)) return true
  return parts(e).some((p) => hasNoValue(p, at))
}
const exponentSign = (e: Expression): number => (e.kind === 'number' ? Math.sign(e.value) : 0)

function merge(sets: readonly ZeroSet[]): ZeroSet {
  if (sets.some((s) => s.everywhere)) return EVERYWHERE
  const all = sets.flatMap((s) => s.zeros).sort((a, b) => a.at - b.at)
  const zeros: Zero[] = []
  for (const z of all) {
    const last = zeros[zeros.length - 1]
    if (last && z.lo <= last.hi && sameZero(last, z)) {
      zeros[zeros.length - 1] = {
        ...(last.hi - last.lo <= z.hi - z.lo ? last : z),
        exact: last.exact ?? z.exact,
        multiplicity: last.multiplicity === null || z.multiplicity === null ? null : last.multiplicity + z.multiplicity,
      }
    } else zeros.push(z)
  }
  return { zeros, everywhere: false, open: sets.flatMap((s) => s.open), flat: sets.flatMap((s) => s.flat ?? []), algebraic: sets.every((s) => s.algebraic) }
}

/** Overlapping enclosures are one zero unless exact forms tell them apart. */
function sameZero(a: Zero, b: Zero): boolean {
  if (!a.exact || !b.exact) return true
  const ra = exactRational(a.exact.expression)
  const rb = exactRational(b.exact.expression)
  if (ra && rb) return ra.compare(rb) === 0
  return isExactlyZero(subtract(a.exact.expression, b.exact.expression))
}

const withMultiplicity = (set: ZeroSet, by: (m: number | null) => number | null): ZeroSet =>
  ({ ...set, zeros: set.zeros.map((z) => ({ ...z, multiplicity: by(z.multiplicity) })) })

function solveZero(e: Expression, s: Stretch, depth: number): ZeroSet {
  if (!dependsOnVariable(e)) return isExactlyZero(e) ? EVERYWHERE : !containsZero(encloseConstant(e)) ? NONE : unsettled(s)
  const exact = rationalZeros(e, s)
  if (exact) return exact
  if (depth > MAX_REWRITES || --s.budget.rewrites < 0) return intervalZeros(e, s)
  switch (e.kind) {
    case 'negate': return solveZero(e.a, s, depth + 1)
    case 'multiply': return merge([e.a, e.b].map((part) => solveZero(part, s, depth + 1)))
    case 'divide': return solveZero(e.a, s, depth + 1)
    case 'power': {
      const n = wholeExponent(e.b)
      if (n !== null) return n > 0 ? withMultiplicity(solveZero(e.a, s, depth + 1), (m) => m && m * n) : NONE
      if (!dependsOnVariable(e.b)) return encloseConstant(e.b).lo > 0 ? withMultiplicity(solveZero(e.a, s, depth + 1), () => null) : encloseConstant(e.b).hi < 0 ? NONE : intervalZeros(e, s)
      if (!dependsOnVariable(e.a) && encloseConstant(e.a).lo > 0) return NONE
      break
    }
    case 'root': return withMultiplicity(solveZero(e.a, s, depth + 1), (m) => (e.n % 2 === 1 && m && m % 2 === 1 ? 1 : null))
    case 'apply': return solveEquals(e, wholeNumber(0), s, depth + 1)
    case 'add': case 'subtract': return sumZeros(e, s, depth)
    default:
  }
  return intervalZeros(e, s)
}

const unsettled = (s: Stretch): ZeroSet => ({ zeros: [], everywhere: false, open: [{ lo: s.lo, hi: s.hi }], algebraic: false })

/** Exact quotient of polynomials: zeros of the numerator that are not zeros of anything divided by. */
function rationalZeros(e: Expression, s: Stretch): ZeroSet | null {
  const form = rationalForm(e)
  if (!form) return null
  if (form.numerator.length === 0) return EVERYWHERE
  let numerator = form.numerator
  for (const divisor of form.divisors) {
    for (let shared = poly.gcd(numerator, divisor); poly.degree(shared) > 0; shared = poly.gcd(numerator, shared)) numerator = poly.divide(numerator, shared).quotient
  }
  return isolationWork(numerator) > MAX_ISOLATION_WORK ? null : polynomialZeros(numerator, s)
}

/** A Sturm chain costs about degree² steps on coefficients of a length that grows with the degree: beyond this, intervals are faster. */
const MAX_ISOLATION_WORK = 60_000
function isolationWork(p: Polynomial): number {
  const digits = poly.primitive(p).reduce((most, c) => Math.max(most, c.toString(16).length), 0)
  return poly.degree(p) ** 2 * digits * 4
}

function polynomialZeros(p: Polynomial, s: Stretch): ZeroSet {
  if (poly.degree(p) < 1) return NONE
  const roots = isolateRealRoots(p, s.from, s.to)
  const exactOf = exactForms(p)
  return {
    zeros: roots.map((r) => ({
      at: r.at, lo: r.lo, hi: r.hi, multiplicity: r.multiplicity,
      exact: r.exact ? rationalExact(r.exact) : exactOf(r.lo, r.hi),
    })),
    everywhere: false, open: [], algebraic: true,
  }
}

/** Closed forms for the irrational roots, where school algebra has them: quadratics left after rational roots, and pure powers. */
function exactForms(p: Polynomial): (lo: number, hi: number) => ExactForm | null {
  let forms: ExactForm[] | null = null
  const make = (): ExactForm[] => {
    if (poly.degree(p) === 2) return [-1, 1].map((side) => quadraticExact(p[2]!, p[1]!, p[0]!, side as -1 | 1))
    const out: ExactForm[] = []
    for (const { factor } of poly.squareFree(p)) {
      let rest = factor
      if (poly.degree(rest) > 2) {
        for (const r of isolateRealRoots(rest, null, null)) {
          if (r.exact) rest = poly.divide(rest, [r.exact.neg(), ONE]).quotient
        }
      }
      if (poly.degree(rest) === 2) {
        for (const side of [-1, 1] as const) out.push(quadraticExact(rest[2]!, rest[1]!, rest[0]!, side))
      } else if (poly.degree(rest) > 2) out.push(...powerForms(rest))
    }
    return out
  }
  return (lo, hi) => {
    forms ??= make()
    return forms.find((f) => { const v = encloseConstant(f.expression); return v.lo <= hi && v.hi >= lo }) ?? null
  }
}

/** Roots of a polynomial in x^k, k the common divisor of its powers: ±(t)^(1/k) for each closed t. */
function powerForms(p: Polynomial): ExactForm[] {
  let k = 0
  p.forEach((c, i) => { if (!isZero(c)) { let a = k; let b = i; while (b) [a, b] = [b, a % b]; k = a } })
  if (k < 2) return []
  const inner = poly.trim(p.filter((_, i) => i % k === 0) as Rational[])
  const out: ExactForm[] = []
  for (const t of isolateRealRoots(inner, null, null)) {
    const form = t.exact ? rationalExact(t.exact) : exactForms(inner)(t.lo, t.hi)
    if (!form) continue
    if (k % 2 === 1 && t.at < 0) { out.push(formOf(negate(rootExpression(negate(form.expression), k)))); continue }
    if (t.at < 0) continue
    const root = rootExpression(form.expression, k)
    out.push(formOf(root))
    if (k % 2 === 0) out.push(formOf(negate(root)))
  }
  return out
}

/** A zero given by a closed form: its proven bounds, kept only inside the stretch. */
function zeroAt(exact: Expression, s: Stretch, multiplicity: number | null): ZeroSet {
  const r = exactRational(exact)
  if (r) {
    if ((s.from && r.compare(s.from) < 0) || (s.to && r.compare(s.to) > 0)) return NONE
    return { zeros: [{ at: toDouble(r), lo: outward(r, -1), hi: outward(r, 1), multiplicity, exact: rationalExact(r) }], everywhere: false, open: [], algebraic: true }
  }
  const v = encloseConstant(exact)
  if (v.flags & EMPTY || v.hi < s.lo || v.lo > s.hi) return NONE
  const at = v.lo + (v.hi - v.lo) / 2
  return { zeros: [{ at, lo: v.lo, hi: v.hi, multiplicity, exact: formOf(exact) }], everywhere: false, open: [], algebraic: true }
}

/** sign of a number without variable: 0 only when proven, null when not known */
function constantSign(c: Expression): -1 | 0 | 1 | null {
  const v = encloseConstant(c)
  if (v.lo > 0) return 1
  if (v.hi < 0) return -1
  return isExactlyZero(c) ? 0 : null
}

/** All inputs with u(x) = c, for c without variable. */
function solveEquals(u: Expression, c: Expression, s: Stretch, depth: number): ZeroSet {
  const rest = (): ZeroSet => {
    const whole = subtract(u, c)
    return rationalZeros(whole, s) ?? linearOrQuadratic(u, c, s) ?? intervalZeros(whole, s)
  }
  if (!dependsOnVariable(u)) return solveZero(subtract(u, c), s, depth)
  if (depth > MAX_REWRITES || --s.budget.rewrites < 0) return rest()
  const sign = constantSign(c)
  const deeper = (v: Expression, d: Expression) => solveEquals(v, d, s, depth + 1)
  if (u.kind === 'variable') return zeroAt(c, s, 1)
  if (rationalForm(u)) return rest()
  switch (u.kind) {
    case 'negate': return deeper(u.a, negate(c))
    case 'add':
      if (!dependsOnVariable(u.b)) return deeper(u.a, subtract(c, u.b))
      if (!dependsOnVariable(u.a)) return deeper(u.b, subtract(c, u.a))
      return sign === 0 ? solveZero(u, s, depth + 1) : sumZeros(subtract(u, c), s, depth + 1)
    case 'subtract':
      if (!dependsOnVariable(u.b)) return deeper(u.a, add(c, u.b))
      if (!dependsOnVariable(u.a)) return deeper(u.b, subtract(u.a, c))
      return sign === 0 ? solveZero(u, s, depth + 1) : sumZeros(subtract(u, c), s, depth + 1)
    case 'multiply': {
      const [k, v] = !dependsOnVariable(u.a) ? [u.a, u.b] : !dependsOnVariable(u.b) ? [u.b, u.a] : [null, null]
      if (k && v && constantSign(k)) return deeper(v, divide(c, k))
      if (sign === 0) return solveZero(u, s, depth + 1)
      const exponential = exponentialTerm(u)
      if (exponential && sign !== null) return sign * (constantSign(exponential.factor) ?? 0) > 0 ? deeper(exponential.exponent, apply('ln', divide(c, exponential.factor))) : sign < 0 || constantSign(exponential.factor) !== null ? NONE : rest()
      return rest()
    }
    case 'divide':
      if (!dependsOnVariable(u.b) && constantSign(u.b)) return deeper(u.a, multiply(c, u.b))
      if (!dependsOnVariable(u.a) && constantSign(u.a)) return sign === 0 ? NONE : sign === null ? rest() : deeper(u.b, divide(u.a, c))
      if (sign === 0) return solveZero(u.a, s, depth + 1)
      return sumZeros(subtract(u, c), s, depth + 1)
    case 'power': return powerEquals(u, c, sign, s, depth) ?? rest()
    case 'root': {
      if (u.n % 2 === 0 && sign === -1) return NONE
      if (sign === null) return rest()
      const found = deeper(u.a, power(c, wholeNumber(u.n)))
      return sign === 0 ? withMultiplicity(found, (m) => (u.n % 2 === 1 && m && m % 2 === 1 ? 1 : null)) : found
    }
    case 'apply': return outerEquals(u, c, sign, s, depth) ?? rest()
    default: return rest()
  }
}

function powerEquals(u: Expression & { kind: 'power' }, c: Expression, sign: -1 | 0 | 1 | null, s: Stretch, depth: number): ZeroSet | null {
  if (sign === null) return null
  const deeper = (v: Expression, d: Expression) => solveEquals(v, d, s, depth + 1)
  const n = wholeExponent(u.b)
  if (n !== null) {
    if (sign === 0) return solveZero(u, s, depth + 1)
    const k = Math.abs(n)
    const level = n < 0 ? divide(wholeNumber(1), c) : c
    if (k % 2 === 1) return deeper(u.a, sign > 0 ? closedRoot(level, k) : negate(closedRoot(negate(level), k)))
    if (sign < 0) return NONE
    const root = closedRoot(level, k)
    return merge([deeper(u.a, root), deeper(u.a, negate(root))])
  }
  if (!dependsOnVariable(u.b)) {
    if (sign <= 0) return sign === 0 ? solveZero(u, s, depth + 1) : NONE
    const q = exactRational(u.b)
    // a^(p/q) = c with a >= 0 has the one solution a = c^(q/p)
    return deeper(u.a, q && Number(numerator(q)) === 1 ? power(c, wholeNumber(Number(denominator(q)))) : power(c, divide(wholeNumber(1), u.b)))
  }
  if (!dependsOnVariable(u.a) && constantSign(u.a) === 1) {
    if (sign <= 0) return NONE
    const base = exactRational(u.a)
    if (base && base.compare(ONE) === 0) return null
    return deeper(u.b, divide(apply('ln', c), apply('ln', u.a)))
  }
  return null
}

function closedRoot(c: Expression, k: number): Expression {
  if (k === 1) return c
  const r = exactRational(c)
  const whole = r && rationalRoot(r, k)
  return whole ? exactNumber(whole) : rootExpression(c, k)
}

/** h(v) = c for a built-in h: back to v = every inverse value. */
function outerEquals(u: Expression & { kind: 'apply' }, c: Expression, sign: -1 | 0 | 1 | null, s: Stretch, depth: number): ZeroSet | null {
  const deeper = (v: Expression, d: Expression) => solveEquals(v, d, s, depth + 1)
  const v = u.a
  switch (u.name) {
    case 'exp': return sign === null ? null : sign > 0 ? deeper(v, apply('ln', c)) : NONE
    case 'ln': return deeper(v, apply('exp', c))
    case 'log10': return deeper(v, power(wholeNumber(10), c))
    case 'log2': return deeper(v, power(wholeNumber(2), c))
    case 'sqrt': {
      if (sign === null) return null
      if (sign < 0) return NONE
      const found = deeper(v, multiply(c, c))
      return sign === 0 ? withMultiplicity(found, () => null) : found
    }
    case 'cbrt': {
      const found = deeper(v, multiply(c, multiply(c, c)))
      return sign === 0 ? withMultiplicity(found, (m) => (m && m % 2 === 1 ? 1 : null)) : found
    }
    case 'abs':
      if (sign === null) return null
      if (sign < 0) return NONE
      return sign === 0 ? withMultiplicity(deeper(v, c), () => null) : merge([deeper(v, c), deeper(v, negate(c))])
    case 'sin': case 'cos': case 'tan': return periodic(u.name, v, c, s, depth)
    case 'asin': case 'acos': case 'atan': {
      const level = encloseConstant(c)
      const [least, most] = u.name === 'acos' ? [0, Math.PI] : [-Math.PI / 2, Math.PI / 2]
      if (level.lo > most + 1e-9 || level.hi < least - 1e-9) return NONE
      if (level.lo < least + 1e-9 || level.hi > most - 1e-9) return null
      return deeper(v, apply(u.name === 'asin' ? 'sin' : u.name === 'acos' ? 'cos' : 'tan', c))
    }
    case 'sign': {
      if (sign === null) return null
      // ±1 on whole stretches is for the caller who splits at kinks; 0 is never taken.
      return sign === 0 ? NONE : null
    }
    case 'cosh': return sign !== null && encloseConstant(c).hi < 1 ? NONE : null
    case 'sinh': return sign === 0 ? deeper(v, c) : null
    default: return null
  }
}

/** sin v = c and its kin: every branch of the inverse that v can reach on the stretch. */
function periodic(name: 'sin' | 'cos' | 'tan', v: Expression, c: Expression, s: Stretch, depth: number): ZeroSet | null {
  const reach = compileEnclosure(v, s.table.enclosure)(new Enclosure(s.lo, s.hi))
  if (reach.flags & EMPTY) return NONE
  if (!Number.isFinite(reach.lo) || !Number.isFinite(reach.hi)) return null
  const turns = (reach.hi - reach.lo) / (name === 'tan' ? Math.PI : 2 * Math.PI)
  if (turns > Math.min(MAX_PERIODS, s.budget.boxes / 10)) return null
  const at = (base: Expression, everyHalfTurns: number): ZeroSet[] => {
    const period = everyHalfTurns * Math.PI
    const start = encloseConstant(base)
    const out: ZeroSet[] = []
    for (let k = Math.floor((reach.lo - start.hi) / period) - 1; k <= Math.ceil((reach.hi - start.lo) / period) + 1; k++) {
      const level = turned(base, k * everyHalfTurns)
      const w = encloseConstant(level)
      if (w.hi < reach.lo || w.lo > reach.hi) continue
      out.push(solveEquals(v, level, s, depth + 1))
    }
    return out
  }
  const r = exactRational(c)
  const half = (sign: 1 | -1) => multiply(exactNumber(ratio(sign, 2)), PI)
  if (name === 'tan') return merge(at(r && isZero(r) ? wholeNumber(0) : r && r.abs().compare(ONE) === 0 ? multiply(exactNumber(ratio(signOf(r), 4)), PI) : apply('atan', c), 1))
  const level = encloseConstant(c)
  if (level.lo > 1 || level.hi < -1) return NONE
  if (r && isZero(r)) return merge(at(name === 'sin' ? wholeNumber(0) : half(1), 1))
  if (r && isInteger(r)) {
    const top = signOf(r) > 0
    const base = name === 'sin' ? half(top ? 1 : -1) : top ? wholeNumber(0) : PI
    return merge(at(base, 2).map((set) => withMultiplicity(set, (m) => m && m * 2)))
  }
  if (level.hi >= 1 || level.lo <= -1) return null
  const inverse = niceAngle(name, r) ?? apply(name === 'sin' ? 'asin' : 'acos', c)
  return merge(name === 'sin' ? [...at(inverse, 2), ...at(subtract(PI, inverse), 2)] : [...at(inverse, 2), ...at(negate(inverse), 2)])
}

/** base + n π, in one term where the base is a fraction of π itself. */
function turned(base: Expression, n: number): Expression {
  if (n === 0) return base
  const turns = base.kind === 'multiply' && base.b === PI ? exactRational(base.a) : base === PI ? ONE : exactRational(base) && isZero(exactRational(base)!) ? ZERO : null
  return turns ? multiply(exactNumber(turns.add(ratio(n))), PI) : add(base, multiply(wholeNumber(n), PI))
}

/** asin or acos of ±1/2 as a fraction of π. */
function niceAngle(name: 'sin' | 'cos', r: Rational | null): Expression | null {
  if (!r || r.abs().compare(ratio(1, 2)) !== 0) return null
  const positive = signOf(r) > 0
  return multiply(exactNumber(name === 'sin' ? ratio(positive ? 1 : -1, 6) : ratio(positive ? 1 : 2, 3)), PI)
}

/** p(x) = c with c irrational: solved for x where school algebra can. */
function linearOrQuadratic(u: Expression, c: Expression, s: Stretch): ZeroSet | null {
  const p = polynomialForm(u)
  if (!p || poly.degree(p) < 1 || poly.degree(p) > 2) return null
  if (poly.degree(p) === 1) return zeroAt(scaledBy(subtract(c, exactNumber(p[0] ?? ZERO)), ONE.div(p[1]!)), s, 1)
  // x = -b/2a ± √((b/2a)² − (p0 − c)/a)
  const centre = p[1]!.div(p[2]!).div(ratio(-2))
  const radicand = add(exactNumber(centre.mul(centre).sub(p[0]!.div(p[2]!))), divide(c, exactNumber(p[2]!)))
  const sign = constantSign(radicand)
  if (sign === null) return null
  if (sign < 0) return NONE
  if (sign === 0) return zeroAt(exactNumber(centre), s, 2)
  const root = apply('sqrt', radicand)
  return merge([zeroAt(subtract(exactNumber(centre), root), s, 1), zeroAt(add(exactNumber(centre), root), s, 1)])
}
function scaledBy(e: Expression, r: Rational): Expression {
  const under = ONE.div(r)
  // ln 2/(12 ln 1.003), not ln 2/ln 1.003/12
  if (e.kind === 'divide' && isInteger(under)) return divide(e.a, multiply(exactNumber(under), e.b))
  return isInteger(under) ? divide(e, exactNumber(under)) : multiply(exactNumber(r), e)
}

// ---- sums ----------------------------------------------------------------------------------------------------

/** A term of a sum with its sign. */
interface SignedTerm { readonly term: Expression; readonly sign: 1 | -1 }

function termsOf(e: Expression, sign: 1 | -1 = 1, out: SignedTerm[] = []): SignedTerm[] {
  if (e.kind === 'add') { termsOf(e.a, sign, out); termsOf(e.b, sign, out) }
  else if (e.kind === 'subtract') { termsOf(e.a, sign, out); termsOf(e.b, sign === 1 ? -1 : 1, out) }
  else if (e.kind === 'negate') termsOf(e.a, sign === 1 ? -1 : 1, out)
  else if ((e.kind === 'multiply' || e.kind === 'divide') && (e.kind === 'divide' || !dependsOnVariable(e.a)) && !(e.kind === 'divide' && dependsOnVariable(e.b))) {
    // a constant times a sum is a sum of its own
    const [inner, factor] = e.kind === 'divide' ? [e.a, (t: Expression) => divide(t, e.b)] : [e.b, (t: Expression) => multiply(e.a, t)]
    if (inner.kind === 'add' || inner.kind === 'subtract' || inner.kind === 'negate') for (const t of termsOf(inner)) out.push({ term: factor(t.term), sign: (t.sign * sign) as 1 | -1 })
    else out.push({ term: e, sign })
  } else out.push({ term: e, sign })
  return out
}

const signed = (t: SignedTerm): Expression => (t.sign < 0 ? negate(t.term) : t.term)

/** factor · exp(exponent), for terms made of powers with fixed positive base. */
function exponentialTerm(e: Expression): { factor: Expression; exponent: Expression } | null {
  if (!dependsOnVariable(e)) return { factor: e, exponent: wholeNumber(0) }
  if (e.kind === 'apply' && e.name === 'exp') return { factor: wholeNumber(1), exponent: e.a }
  if (e.kind === 'power' && !dependsOnVariable(e.a) && constantSign(e.a) === 1) return { factor: wholeNumber(1), exponent: multiply(e.b, apply('ln', e.a)) }
  if (e.kind === 'negate') { const t = exponentialTerm(e.a); return t && { ...t, factor: negate(t.factor) } }
  if (e.kind === 'multiply') {
    const x = exponentialTerm(e.a)
    const y = x && exponentialTerm(e.b)
    return x && y && { factor: multiply(x.factor, y.factor), exponent: add(x.exponent, y.exponent) }
  }
  if (e.kind === 'divide') {
    const x = exponentialTerm(e.a)
    const y = x && exponentialTerm(e.b)
    return x && y && constantSign(y.factor) ? { factor: divide(x.factor, y.factor), exponent: subtract(x.exponent, y.exponent) } : null
  }
  return null
}

function sumZeros(e: Expression, s: Stretch, depth: number): ZeroSet {
  const exact = rationalZeros(e, s)
  if (exact) return exact
  const all = termsOf(e)
  const moving = all.filter((t) => dependsOnVariable(t.term))
  const still = all.filter((t) => !dependsOnVariable(t.term)).map(signed)
  const constant = still.reduce((a, b) => add(a, b), wholeNumber(0))
  if (moving.length === 1) {
    const only = moving[0]!
    return solveEquals(only.term, only.sign > 0 ? negate(constant) : constant, s, depth + 1)
  }
  if (moving.length === 2 && constantSign(constant) === 0) {
    const [a, b] = moving.map((t) => exponentialTerm(signed(t)))
    if (a && b) {
      const ratioOfFactors = negate(divide(b.factor, a.factor))
      const sign = constantSign(ratioOfFactors)
      if (sign !== null && sign <= 0) return NONE
      if (sign === 1) return solveEquals(collect(subtract(a.exponent, b.exponent)), apply('ln', ratioOfFactors), s, depth + 1)
    }
  }
  const substituted = inCommonPart(e, s, depth)
  if (substituted) return substituted
  const cleared = clearDenominators(e)
  if (dependsOnVariable(cleared.bottom) && size(cleared.top, 4000) < 4000) return withoutHoles(intervalZeros(cleared.top, s), cleared.bottom, s)
  return intervalZeros(e, s)
}

/** k x − m x with irrational k and m: one product, so that the unknown stands alone. */
function collect(e: Expression): Expression {
  const factors = termsOf(e).map((t) => ({ ...t, slope: differentiate(t.term) }))
  if (!factors.every((t) => !dependsOnVariable(t.slope))) return e
  const slope = factors.map((t) => signed({ term: t.slope, sign: t.sign })).reduce((a, b) => add(a, b))
  const origin = factors.map((t) => signed({ term: atZero(t.term), sign: t.sign })).reduce((a, b) => add(a, b))
  return add(multiply(slope, VARIABLE_EXPRESSION), origin)
}
const VARIABLE_EXPRESSION: Expression = { kind: 'variable' }
const atZero = (e: Expression): Expression => substituteValue(e, wholeNumber(0))
function substituteValue(e: Expression, v: Expression): Expression {
  if (e.kind === 'variable') return v
  if (e.kind === 'multiply') {
    const a = substituteValue(e.a, v)
    const b = substituteValue(e.b, v)
    return isExactlyZero(a) || isExactlyZero(b) ? wholeNumber(0) : multiply(a, b)
  }
  if (e.kind === 'add') return add(substituteValue(e.a, v), substituteValue(e.b, v))
  if (e.kind === 'subtract') return subtract(substituteValue(e.a, v), substituteValue(e.b, v))
  if (e.kind === 'negate') return negate(substituteValue(e.a, v))
  if (e.kind === 'divide') return divide(substituteValue(e.a, v), substituteValue(e.b, v))
  return e
}

/** Where a quotient was cleared, a zero of the top at which the bottom vanishes too is a hole, not a zero. */
function withoutHoles(found: ZeroSet, bottom: Expression, s: Stretch): ZeroSet {
  const value = compileEnclosure(bottom, s.table.enclosure)
  return { ...found, zeros: found.zeros.filter((z) => !z.exact || !containsZero(value(new Enclosure(z.lo, z.hi))) || !vanishesAt(bottom, z.exact.expression)) }
}

function clearDenominators(e: Expression): { top: Expression; bottom: Expression } {
  const one = wholeNumber(1)
  if (!dependsOnVariable(e)) return { top: e, bottom: one }
  switch (e.kind) {
    case 'negate': { const f = clearDenominators(e.a); return { ...f, top: negate(f.top) } }
    case 'add': case 'subtract': {
      const f = clearDenominators(e.a)
      const g = clearDenominators(e.b)
      const join = e.kind === 'add' ? add : subtract
      return same(f.bottom, g.bottom) ? { top: join(f.top, g.top), bottom: f.bottom }
        : { top: join(multiply(f.top, g.bottom), multiply(g.top, f.bottom)), bottom: multiply(f.bottom, g.bottom) }
    }
    case 'multiply': { const f = clearDenominators(e.a); const g = clearDenominators(e.b); return { top: multiply(f.top, g.top), bottom: multiply(f.bottom, g.bottom) } }
    case 'divide': {
      const f = clearDenominators(e.a)
      const g = clearDenominators(e.b)
      return { top: multiply(f.top, g.bottom), bottom: multiply(f.bottom, g.top) }
    }
    case 'power': {
      const n = wholeExponent(e.b)
      if (n === null || n === 0) return { top: e, bottom: one }
      const f = clearDenominators(e.a)
      const raise = (x: Expression) => power(x, wholeNumber(Math.abs(n)))
      return n > 0 ? { top: raise(f.top), bottom: raise(f.bottom) } : { top: raise(f.bottom), bottom: raise(f.top) }
    }
    case 'apply': return e.name === 'tan' ? { top: apply('sin', e.a), bottom: apply('cos', e.a) } : { top: e, bottom: one }
    default: return { top: e, bottom: one }
  }
}

// ---- a polynomial in one common part -------------------------------------------------------------------------

/** cos x in cos 2x − 2 cos x + 1.5, e^(kx) in e^(2kx) − 3 e^(kx) + 2, √x in x − 5 √x + 6: solved for that part first. */
function inCommonPart(e: Expression, s: Stretch, depth: number): ZeroSet | null {
  for (const part of commonParts(e)) {
    const form = rationalForm(e, (x) => part.read(x))
    if (!form || form.divisors.length > 0 || poly.degree(form.numerator) < 1 || poly.degree(form.numerator) > MAX_DEGREE) continue
    const levels = isolateRealRoots(form.numerator, null, null)
    const exactOf = exactForms(form.numerator)
    const sets: ZeroSet[] = []
    for (const level of levels) {
      const exact = level.exact ? exactNumber(level.exact) : exactOf(level.lo, level.hi)?.expression
      if (!exact) { sets.length = 0; break }
      sets.push(withMultiplicity(solveEquals(part.expression, exact, s, depth + 1), (m) => m && m * level.multiplicity))
    }
    if (levels.length > 0 && sets.length === 0) continue
    return merge(sets)
  }
  return null
}

interface CommonPart { readonly expression: Expression; read(e: Expression): Polynomial | null }

function commonParts(e: Expression): CommonPart[] {
  const out: CommonPart[] = []
  const seen: Expression[] = []
  const visit = (x: Expression): void => {
    if (!dependsOnVariable(x) || seen.length > 40) return
    if ((x.kind === 'apply' || x.kind === 'root' || (x.kind === 'power' && wholeExponent(x.b) === null)) && !seen.some((y) => same(x, y))) {
      seen.push(x)
      const part = commonPart(x)
      if (part) out.push(part)
      return
    }
    parts(x).forEach(visit)
  }
  visit(e)
  return out
}

const monomial = (n: number): Polynomial => poly.trim([...new Array<Rational>(n).fill(ZERO), ONE])

function commonPart(x: Expression): CommonPart | null {
  if (x.kind === 'apply' && (x.name === 'sin' || x.name === 'cos')) {
    const angle = x.a
    // cos(n v) = T_n(cos v); sin² v = 1 − cos² v
    const base = apply('cos', angle)
    if (x.name === 'sin') return { expression: x, read: (y) => (same(y, x) ? monomial(1) : y.kind === 'power' && y.a.kind === 'apply' && y.a.name === 'cos' && same(y.a.a, angle) && wholeExponent(y.b) === 2 ? [ONE, ZERO, ONE.neg()] : y.kind === 'apply' && y.name === 'cos' && multipleOf(y.a, angle) === 2 ? [ONE, ZERO, ratio(-2)] : null) }
    return {
      expression: base,
      read: (y) => {
        if (y.kind === 'apply' && y.name === 'cos') { const n = multipleOf(y.a, angle); return n !== null && n <= 12 ? chebyshev(n) : null }
        if (y.kind === 'power' && y.a.kind === 'apply' && y.a.name === 'sin' && same(y.a.a, angle) && wholeExponent(y.b) === 2) return [ONE, ZERO, ONE.neg()]
        return null
      },
    }
  }
  if (x.kind === 'apply' && x.name === 'exp') {
    return { expression: x, read: (y) => (y.kind === 'apply' && y.name === 'exp' ? powerOfPart(multipleOf(y.a, x.a)) : null) }
  }
  if (x.kind === 'power' && !dependsOnVariable(x.a)) {
    return { expression: x, read: (y) => (y.kind === 'power' && same(y.a, x.a) ? powerOfPart(multipleOf(y.b, x.b)) : null) }
  }
  // fractional powers of one base: √u, u, u^1.5 are powers of u^(1/q)
  const fraction = fractionalPower(x)
  if (fraction) {
    const q = Number(denominator(fraction.exponent))
    if (q > 12) return null
    const unknown = rootExpression(fraction.base, q)
    return {
      expression: unknown,
      read: (y) => {
        if (same(y, fraction.base)) return monomial(q)
        const other = fractionalPower(y)
        if (!other || !same(other.base, fraction.base)) return null
        const n = other.exponent.mul(ratio(q))
        return isInteger(n) && signOf(n) > 0 && Number(numerator(n)) <= MAX_DEGREE ? monomial(Number(numerator(n))) : null
      },
    }
  }
  if (x.kind === 'apply' && (x.name === 'ln' || x.name === 'tan' || x.name === 'abs' || x.name === 'log10')) return { expression: x, read: (y) => (same(y, x) ? monomial(1) : null) }
  return null
}

function fractionalPower(x: Expression): { base: Expression; exponent: Rational } | null {
  if (x.kind === 'apply' && x.name === 'sqrt') return { base: x.a, exponent: ratio(1, 2) }
  if (x.kind === 'power' && x.b.kind === 'number' && x.b.exact && !isInteger(x.b.exact) && signOf(x.b.exact) > 0) return { base: x.a, exponent: x.b.exact }
  return null
}
const powerOfPart = (n: number | null): Polynomial | null => (n !== null && n <= MAX_DEGREE ? monomial(n) : null)

/** n when a = n·b for a whole n >= 1. */
function multipleOf(a: Expression, b: Expression): number | null {
  if (same(a, b)) return 1
  const p = polynomialForm(a)
  const q = polynomialForm(b)
  if (!p || !q || p.length !== q.length || q.length === 0) return null
  const factor = p[p.length - 1]!.div(q[q.length - 1]!)
  if (!isInteger(factor) || signOf(factor) < 0) return null
  return p.every((c, i) => c.compare(q[i]!.mul(factor)) === 0) ? Number(numerator(factor)) : null
}

function chebyshev(n: number): Polynomial {
  let a: Polynomial = [ONE]
  let b: Polynomial = monomial(1)
  for (let i = 0; i < n; i++) [a, b] = [b, poly.subtract(poly.multiply([ZERO, ratio(2)], b), a)]
  return a
}

// ---- intervals -----------------------------------------------------------------------------------------------

/** Boxes narrower than this share of the stretch are examined by derivatives instead of being split further. */
const LEAST_SHARE = 2 ** -27
/** Boxes tried for a zero of several coinciding ones; each costs up to a dozen derivatives. */
const MAX_ATTEMPTS = 400
/** Highest derivative tried on a zero of several coinciding ones. */
const MAX_ORDER = 12

function intervalZeros(e: Expression, s: Stretch): ZeroSet {
  if (s.budget.boxes <= 0) return unsettled(s)
  const value = compileEnclosure(e, s.table.enclosure)
  const slopes = compileSlopes(e, s.table.slopes)
  const width = s.hi - s.lo
  const least = Number.isFinite(width) ? Math.max(width * LEAST_SHARE, 1e-290) : 1e-6
  const derivatives: Compiled[] = [{ expression: e, enclose: value }]
  const derivative: Derivative = (k) => {
    while (derivatives.length <= k) {
      const next = derivativeWithin(derivatives[derivatives.length - 1]!.expression, 1)
      if (!next) return null
      derivatives.push({ expression: next, enclose: compileEnclosure(next, s.table.enclosure) })
    }
    return derivatives[k]!
  }
  const multiple: Zero[] = []
  let attempts = 0
  const settle = (lo: number, hi: number): boolean => {
    if (++attempts > MAX_ATTEMPTS) return false
    const zero = multipleZero(derivative, lo, hi)
    if (zero) multiple.push(zero)
    return zero !== null
  }
  const found = branch({ value, slopes, settle }, s.lo, s.hi, least, s.budget.boxes)
  s.budget.boxes -= found.boxes
  const zeros: Zero[] = found.zeros.map((z) => named(e, simpleZero(z.lo, z.hi)))
  const open: { lo: number; hi: number }[] = []
  for (const [i, box] of found.open.entries()) {
    if (i > MAX_ATTEMPTS) { open.push(box); continue }
    if (multiple.some((z) => z.lo >= box.lo && z.hi <= box.hi) && box.hi - box.lo <= 4 * least) { if (settle(box.lo, box.hi)) continue }
    const settled = settleCluster(derivative, s, box.lo, box.hi)
    if (settled) zeros.push(...settled)
    else open.push(box)
  }
  return { ...merge([{ zeros: [...zeros, ...multiple], everywhere: false, open, algebraic: false }]), algebraic: false, zeros: dedupe([...zeros, ...multiple]), flat: found.flat }
}

function dedupe(zeros: Zero[]): Zero[] {
  const out: Zero[] = []
  for (const z of zeros.sort((a, b) => a.at - b.at)) {
    const last = out[out.length - 1]
    if (last && z.lo <= last.hi && sameZero(last, z)) { if (!last.exact && z.exact) out[out.length - 1] = z }
    else out.push(z)
  }
  return out
}

/** A zero that is proven to be a short fraction is given as one. */
function named(e: Expression, z: Zero): Zero {
  const short = simplestFraction(z.lo, z.hi)
  if (!short || denominator(short) > 1000n || !vanishesAt(e, exactNumber(short))) return z
  return { ...z, at: toDouble(short), exact: rationalExact(short) }
}

function simpleZero(lo: number, hi: number): Zero {
  return { at: lo + (hi - lo) / 2, lo, hi, multiplicity: 1, exact: null }
}

/** The k-th derivative; null where it would grow too long. The 0-th is the function itself. */
type Derivative = (k: number) => Compiled | null
interface Compiled { readonly expression: Expression; readonly enclose: EnclosureFunction }

/** A point of [lo, hi] with a short exact form at which the function is proven 0, with its order there; no other zero in the box. */
function multipleZero(derivative: Derivative, lo: number, hi: number): Zero | null {
  const f = derivative(0)!
  const box = new Enclosure(lo, hi)
  for (const candidate of candidates(lo, hi)) {
    const at = encloseConstant(candidate)
    const there = f.enclose(at)
    if (there.flags & EMPTY || !containsZero(there) || !vanishesAt(f.expression, candidate)) continue
    for (let k = 1; k <= MAX_ORDER; k++) {
      const kth = derivative(k)
      if (!kth) break
      const slope = kth.enclose(box)
      if (!(slope.flags & (EMPTY | PARTIAL | BROKEN)) && !containsZero(slope)) {
        return { at: at.lo + (at.hi - at.lo) / 2, lo: at.lo, hi: at.hi, multiplicity: k, exact: exactOfCandidate(candidate) }
      }
      if (!vanishesAt(kth.expression, candidate)) break
    }
  }
  return null
}
const exactOfCandidate = (c: Expression): ExactForm => { const r = exactRational(c); return r ? rationalExact(r) : formOf(c) }

/** Numbers with short names inside a box: fractions, fractions of π, e, square roots, logarithms. */
function candidates(lo: number, hi: number): Expression[] {
  if (!Number.isFinite(lo) || !Number.isFinite(hi)) return []
  const out: Expression[] = []
  const simple = simplestFraction(lo, hi)
  if (simple) out.push(exactNumber(simple))
  const turns = simplestFraction(lo / Math.PI, hi / Math.PI)
  if (turns && !isZero(turns) && denominator(turns) <= 60n) out.push(multiply(exactNumber(turns), PI))
  if (lo <= Math.E && hi >= Math.E) out.push(apply('exp', wholeNumber(1)))
  if (lo > 0 || hi < 0) {
    const square = simplestFraction(Math.min(lo * lo, hi * hi), Math.max(lo * lo, hi * hi))
    if (square && denominator(square) <= 1000n) { const r = apply('sqrt', exactNumber(square)); out.push(lo > 0 ? r : negate(r)) }
  }
  if (Math.abs(lo) < 30 && Math.abs(hi) < 30) {
    const inside = simplestFraction(Math.exp(lo), Math.exp(hi))
    if (inside && signOf(inside) > 0 && denominator(inside) <= 1000n && inside.compare(ONE) !== 0) out.push(apply('ln', exactNumber(inside)))
  }
  return out
}

/** The fraction of smallest terms in [lo, hi] (Stern–Brocot), if its terms are short. */
function simplestFraction(lo: number, hi: number): Rational | null {
  if (!(lo <= hi)) return null
  if (lo <= 0 && hi >= 0) return ZERO
  if (hi < 0) { const r = simplestFraction(-hi, -lo); return r && r.neg() }
  let a = rationalOfDouble(lo)
  let b = rationalOfDouble(hi)
  const whole: Rational[] = []
  for (let i = 0; i < 24; i++) {
    const floor = a.floor()
    if (a.compare(floor) === 0) { whole.push(floor); return assemble(whole) }
    if (floor.add(ONE).compare(b) <= 0) { whole.push(floor.add(ONE)); return assemble(whole) }
    whole.push(floor)
    const next = ONE.div(b.sub(floor))
    b = ONE.div(a.sub(floor))
    a = next
  }
  return null
}
function assemble(terms: Rational[]): Rational | null {
  const value = terms.reduceRight((inner, t, i) => (i === terms.length - 1 ? t : t.add(ONE.div(inner))), ZERO)
  return denominator(value) < 10n ** 12n ? value : null
}

/**
 * Settles a narrow box by a derivative that is never 0 on it: with f'' of one sign the least (or greatest) value tells whether there is no zero
 * or a close pair. @returns the zeros in the box, or null when it stays open
 */
function settleCluster(derivative: Derivative, s: Stretch, lo: number, hi: number): Zero[] | null {
  const known = multipleZero(derivative, lo, hi)
  if (known) return [known]
  if (!(lo < hi)) return null
  const [own, first, second] = [derivative(0)!, derivative(1), derivative(2)]
  if (!first || !second) return null
  const f = own.enclose
  const bend = second.enclose(new Enclosure(lo, hi))
  if (bend.flags & (EMPTY | PARTIAL | BROKEN) || containsZero(bend)) return null
  const upward = bend.lo > 0 ? 1 : -1
  const slope = first.enclose
  // Narrow in on where f' changes sign; f there decides.
  let a = lo
  let b = hi
  for (let i = 0; i < 60; i++) {
    const m = a + (b - a) / 2
    if (!(m > a && m < b)) break
    const v = slope(new Enclosure(m, m))
    if (v.lo > 0) { if (upward > 0) b = m; else a = m }
    else if (v.hi < 0) { if (upward > 0) a = m; else b = m }
    else break
  }
  const m = a + (b - a) / 2
  const turning = f(new Enclosure(a, b))
  if (upward > 0 ? turning.lo > 0 : turning.hi < 0) return []
  const at = f(new Enclosure(m, m))
  const below = upward > 0 ? at.hi < 0 : at.lo > 0
  if (!below) return null
  const target = { value: f, slopes: compileSlopes(own.expression, s.table.slopes), settle: () => false }
  const least = Math.max((hi - lo) * 2 ** -40, Number.MIN_VALUE)
  const sides = [branch(target, lo, m, least, 2000), branch(target, m, hi, least, 2000)]
  if (sides.some((side) => side.open.length > 0 || !side.finished)) return null
  return sides.flatMap((side) => side.zeros.map((z) => simpleZero(z.lo, z.hi)))
}
