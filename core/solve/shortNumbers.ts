import { PI, apply, exactNumber, multiply, negate, wholeNumber, type Expression } from '../formula'
import { ONE, ZERO, denominator, isZero, rationalOfDouble, signOf, type Rational } from '../numeric'
import { exactRational } from './constant'
import { formOf, rationalExact, type ExactForm } from './exactForm'

export const exactOfCandidate = (c: Expression): ExactForm => { const r = exactRational(c); return r ? rationalExact(r) : formOf(c) }

/** Numbers with short names inside a box: fractions, fractions of π, e, square roots, logarithms. */
export function candidates(lo: number, hi: number): Expression[] {
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
export function simplestFraction(lo: number, hi: number): Rational | null {
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
