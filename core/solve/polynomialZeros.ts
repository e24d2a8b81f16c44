import { negate, type Expression } from '../formula'
import { ONE, isZero, isolateRealRoots, poly, type Polynomial, type Rational } from '../numeric'
import { encloseConstant, formOf, quadraticExact, rationalExact, rootExpression, type ExactForm } from './exactForm'
import { rationalForm } from './rationalForm'
import { EVERYWHERE, NONE, type Stretch, type ZeroSet } from './zeroSet'

/** Exact quotient of polynomials: zeros of the numerator that are not zeros of anything divided by. */
export function rationalZeros(e: Expression, s: Stretch): ZeroSet | null {
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
export function exactForms(p: Polynomial): (lo: number, hi: number) => ExactForm | null {
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
