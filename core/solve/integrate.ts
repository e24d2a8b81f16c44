import { poly, rationalOfDouble, toDouble, type Rational } from '../numeric'
import { EMPTY, Enclosure, PARTIAL, BROKEN, down, up, iv } from '../interval'
import { compileEnclosure, compileNumber, derivativeWithin, type Expression } from '../formula'
import { polynomialForm } from './rationalForm'
import { smoothParts } from './stretches'
import type { FunctionTable } from './table'

export type Integral =
  | { readonly ok: true; readonly value: number; readonly low: number; readonly high: number; readonly exact: Rational | null }
  | { readonly ok: false; readonly reason: 'undefined' | 'unbounded' | 'work'; readonly near: number }

/** Cells an integral may be cut into. */
const MAX_CELLS = 4000
/** Even a sliver may use this share of the allowed width, so that an edge like that of a square root does not eat all the work. */
const LEAST_SHARE = 1 / 1024
/** Wanted width of the proven bounds, relative to the size of what is summed. */
const REL_TOL = 1e-11
const COARSE_REL_TOL = 1e-8

/**
 * Integral of `e` over [from, to], in y-unit · x-unit; exact where every part is a polynomial, else with proven bounds by the midpoint rule
 * with its second- and fourth-order terms enclosed (Davis & Rabinowitz, Methods of Numerical Integration, section 2.1).
 */
export function integrate(e: Expression, table: FunctionTable, from: Rational, to: Rational): Integral {
  if (from.compare(to) > 0) {
    const back = integrate(e, table, to, from)
    return back.ok ? { ok: true, value: -back.value, low: -back.high, high: -back.low, exact: back.exact && back.exact.neg() } : back
  }
  let exact: Rational | null = rationalOfDouble(0)
  let sum = new Enclosure(0, 0)
  for (const part of smoothParts(e, table, from, to)) {
    if (part.isPoint || !part.from || !part.to) continue
    if (!part.expression) return { ok: false, reason: 'undefined', near: toDouble(part.from) }
    const p = polynomialForm(part.expression)
    if (p) {
      const whole = poly.antiderivative(p)
      const piece = poly.valueAt(whole, part.to).sub(poly.valueAt(whole, part.from))
      exact = exact && exact.add(piece)
      const near = toDouble(piece)
      sum = iv.add(sum, new Enclosure(down(near), up(near)))
      continue
    }
    exact = null
    // Where the fine bounds cost too much, coarser ones are still proven.
    const [lo, hi] = [toDouble(part.from), toDouble(part.to)]
    const fine = bounded(part.expression, table, lo, hi, REL_TOL)
    const piece = 'ok' in fine && fine.reason === 'work' ? bounded(part.expression, table, lo, hi, COARSE_REL_TOL) : fine
    if (!('lo' in piece)) return piece
    sum = iv.add(sum, piece)
  }
  return { ok: true, value: exact ? toDouble(exact) : sum.lo + (sum.hi - sum.lo) / 2, low: sum.lo, high: sum.hi, exact }
}

/** ∫ over one smooth stretch: h f(m) + h³/24 f''(m) + h⁵/1920 f''''(somewhere), cell by cell; cells are halved where the last term is too wide. */
function bounded(e: Expression, table: FunctionTable, a: number, b: number, relTol: number): Enclosure | (Integral & { ok: false }) {
  const second = derivativeWithin(e, 2)
  const fourth = second && derivativeWithin(second, 2)
  if (!second || !fourth) return { ok: false, reason: 'work', near: a }
  const f = compileEnclosure(e, table.enclosure)
  const f2 = compileEnclosure(second, table.enclosure)
  const f4 = compileEnclosure(fourth, table.enclosure)
  const size = scaleOf(e, table, a, b)
  const stack: [number, number, number][] = [[a, b, 0]]
  let sum = new Enclosure(0, 0)
  let cells = 0
  while (stack.length > 0) {
    const [lo, hi, depth] = stack.pop()!
    if (++cells > MAX_CELLS) return { ok: false, reason: 'work', near: lo }
    const m = lo + (hi - lo) / 2
    const h = iv.subtract(new Enclosure(hi, hi), new Enclosure(lo, lo))
    const box = new Enclosure(lo, hi)
    const bend = f4(box)
    const middle = new Enclosure(m, m)
    const sound = !(bend.flags & (EMPTY | PARTIAL | BROKEN)) && Number.isFinite(bend.lo) && Number.isFinite(bend.hi)
    if (sound) {
      const error = iv.multiply(bend, iv.divide(iv.integerPower(h, 5), new Enclosure(1920, 1920)))
      if (error.hi - error.lo <= relTol * size * Math.max((hi - lo) / (b - a), LEAST_SHARE) || depth > 40) {
        const main = iv.add(iv.multiply(h, f(middle)), iv.multiply(iv.divide(iv.integerPower(h, 3), new Enclosure(24, 24)), f2(middle)))
        sum = iv.add(sum, iv.add(main, error))
        continue
      }
    } else if (depth > 30) {
      // At an edge of the domain a crude bound over a sliver is enough, when there is one.
      const crude = f(box)
      if (crude.flags & EMPTY) return { ok: false, reason: 'undefined', near: m }
      if (!Number.isFinite(crude.lo) || !Number.isFinite(crude.hi)) return { ok: false, reason: 'unbounded', near: m }
      sum = iv.add(sum, iv.multiply(new Enclosure(crude.lo, crude.hi), h))
      continue
    }
    stack.push([m, hi, depth + 1], [lo, m, depth + 1])
  }
  return sum
}

function scaleOf(e: Expression, table: FunctionTable, a: number, b: number): number {
  const f = compileNumber(e, table.number)
  let most = 0
  for (let i = 0; i <= 32; i++) { const v = Math.abs(f(a + ((b - a) * i) / 32)); if (Number.isFinite(v) && v > most) most = v }
  return Math.max(most * (b - a), 1e-300)
}
