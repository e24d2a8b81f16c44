import { describe, expect, it } from 'vitest'
import { compileNumber, differentiate, expressionText, polynomialText, resolve, type Expression } from './index'
import { poly, ratio, rationalOfDecimal } from '../numeric'

const names = { variable: 'x', givens: new Map(), functions: new Map(), variables: new Set<string>() }
const read = (text: string): Expression => {
  const r = resolve(text, names)
  if (!r.expression) throw new Error(r.problems[0]!.message)
  return r.expression
}
const none = () => () => NaN

describe('derivatives by the table', () => {
  // Any table of derivatives; values at x worked out by the right-hand side.
  const cases: [string, number, number][] = [
    ['7', 2, 0],
    ['x', 2, 1],
    ['3x^4', 2, 96],
    ['x^-2', 2, -0.25],
    ['x^0.5', 4, 0.25],
    ['sqrt(x)', 9, 1 / 6],
    ['cbrt(x)', 8, 1 / 12],
    ['root(x, 4)', 16, 1 / 32],
    ['exp(2x)', 0, 2],
    ['2^x', 3, 8 * Math.LN2],
    ['x^x', 2, 4 * (1 + Math.LN2)],
    ['ln(x)', 5, 0.2],
    ['log10(x)', 1, 1 / Math.LN10],
    ['log2(x)', 1, 1 / Math.LN2],
    ['sin(3x)', 0, 3],
    ['cos(x)', Math.PI / 2, -1],
    ['tan(x)', 0, 1],
    ['asin(x)', 0.6, 1.25],
    ['acos(x)', 0.6, -1.25],
    ['atan(x)', 1, 0.5],
    ['sinh(x)', 0, 1],
    ['cosh(x)', 0, 0],
    ['abs(x)', -3, -1],
    ['abs(x)', 3, 1],
    ['floor(x)', 1.5, 0],
    ['step(x - 1)', 2, 0],
    ['min(x, 4)', 3, 1],
    ['min(x, 4)', 5, 0],
    ['max(x^2, 4)', 3, 6],
    ['x sin(x)', Math.PI, -Math.PI],
    ['1/x', 2, -0.25],
    ['(x + 1)/(x - 1)', 3, -0.5],
    ['850/(1 + 16 exp(-0.55 x))', Math.log(16) / 0.55, 116.875],
  ]
  for (const [text, x, wanted] of cases) {
    it(`(${text})' at ${x.toPrecision(3)}`, () => {
      expect(compileNumber(differentiate(read(text)), none)(x)).toBeCloseTo(wanted, 10)
    })
  }
  it.each([
    ['abs(x)', 0],
    ['floor(x)', 2],
    ['step(x)', 0],
    ['min(x, 4)', 4],
    ['sqrt(x)', 0],
  ])("(%s)' has no value at %d", (text, x) => {
    expect(compileNumber(differentiate(read(text)), none)(x)).toBeNaN()
  })
})

describe('expressions written out', () => {
  const cases: [string, string][] = [
    ['2x + 3', '2 x + 3'],
    ['x - (3 - x)', 'x - (3 - x)'],
    ['(x + 1)(x - 1)', '(x + 1) (x - 1)'],
    ['-(x + 1)', '-(x + 1)'],
    ['2^-x', '2^(-x)'],
    ['x/(2 + x)', 'x/(2 + x)'],
    ['ln(x)/ln(1.034)', 'ln(x)/ln(1.034)'],
    ['pi x', 'pi x'],
    ['1/3', '1/3'],
  ]
  for (const [text, wanted] of cases) it(text, () => expect(expressionText(read(text), 'x')).toBe(wanted))
  it('reads back to the same values', () => {
    for (const [text] of cases) {
      const again = compileNumber(read(expressionText(read(text), 'x')), none)
      const first = compileNumber(read(text), none)
      for (const x of [0.3, 1.7, 4]) expect(again(x)).toBeCloseTo(first(x), 12)
    }
  })
})

describe('polynomials written out', () => {
  const p = (...c: string[]) => poly.trim(c.map((t) => (t.includes('/') ? ratio(BigInt(t.split('/')[0]!), BigInt(t.split('/')[1]!)) : rationalOfDecimal(t)!)))
  it.each([
    [['14', '-1/30'], '14 - q/30'],
    [['0', '1'], 'q'],
    [['-180', '11.5', '-1/30'], '-q^2/30 + 11.5 q - 180'],
    [['0', '2/3'], '2 q/3'],
    [['5'], '5'],
    [[], '0'],
    [['1', '0', '0', '-1'], '-q^3 + 1'],
  ])('%j is %s', (c, text) => {
    expect(polynomialText(p(...c), 'q')).toBe(text)
  })
})
