import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import fc from 'fast-check'
import type { CaseFile } from '../model'
import { offersAt, paintLine, typesetLine } from '.'

const stall = JSON.parse(readFileSync(new URL('../../demo/lantern-stall.pasear.json', import.meta.url), 'utf8')) as CaseFile
/** Completions at the bar. */
const offers = (line: string, explicit = false) => { const at = line.indexOf('|'); return offersAt(line.replace('|', ''), at, stall, explicit) }
const labels = (line: string, explicit = false) => offers(line, explicit)?.list.map((o) => o.label) ?? []

describe('completion', () => {
  it.each([
    ['P(q) = rev|', 'R'], ['prof|', 'P'], ['R = C| ?', undefined], ['greatest P|', undefined], ['gre|', 'greatest'], ['x(q) = sq|', 'sqrt'], ['S = 20 la|', 'lantern'], ['S = 20 $|', '$/lantern'],
    ['tot|', 'total of'], ['comp|', 'Interest compounded n times a year'], ['G(q) = 2 + comp|', undefined], ['S = 40 perm|', 'F'], ['G(q) = mat|', 'k'], ['|', undefined],
  ])('%s → %s', (line, first) => { expect(labels(line)[0]).toBe(first) })
  it('on request an empty word offers every name', () => { expect(labels('G(q) = |', true)).toEqual(expect.arrayContaining(['R', 'C', 'P', 'p', 'q', 'F', 'k', 'M', 'sqrt'].slice(0, 8))) })
  it('tells what each name is', () => { expect(offers('G(q) = F|')).toBeNull(); expect(offers('G(q) = perm|')!.list[0]).toMatchObject({ write: 'F', detail: 'permit and workbench, $180', kind: 'given' }) })
  it('replaces just the word before the cursor', () => { expect(offers('G(q) = 2 rev| + 3')!.from).toBe(9) })
  it('never fails, whatever is typed', () => {
    fc.assert(fc.property(fc.string({ unit: fc.constantFrom(...'Rq=(2 $.…?la%/^'.split('')), maxLength: 24 }), fc.nat(24), (text, at) => {
      const o = offersAt(text, Math.min(at, text.length), stall, true)
      expect(o === null || (o.from >= 0 && o.from <= at && o.list.length > 0)).toBe(true)
    }))
  })
})

describe('colours of a line', () => {
  const paint = (text: string) => paintLine(text, stall).filter((s) => s.paint !== 'sign').map((s) => `${text.slice(s.from, s.to)} ${s.paint}`)
  it.each([
    ['P(q) = R - sqrt(F) + zz', ['P function', 'q variable', 'R function', 'sqrt built-in', 'F given']],
    ['greatest P ?', ['greatest word', 'P function']],
    ['r = 4.2%', ['4.2% number']],
    ['M = 1,200 lanterns', ['M given', '1,200 number']],
  ])('%s', (text, parts) => { expect(paint(text)).toEqual(parts) })
  it('strokes lie in order and never overlap', () => {
    fc.assert(fc.property(fc.string({ maxLength: 40 }), (text) => {
      let at = 0
      for (const s of paintLine(text, stall)) { expect(s.from).toBeGreaterThanOrEqual(at); expect(s.to).toBeGreaterThan(s.from); at = s.to }
      expect(at).toBeLessThanOrEqual(text.length)
    }))
  })
})

describe('typeset while typing', () => {
  it.each([
    ['G(q) = sqrt(q)/2', 'G(q) = \\frac{\\sqrt{q}}{2}'],
    ['R = C ?', 'R = C'],
    ['P >= 500 ?', 'P \\ge 500'],
    ['S = 20 $', null],
    ['n = 0 … 40', '0 \\le n \\le 40'],
    ['G(q) = 1/(q + ', null],
    ['w(q) = 2q for 0 <= q < 3; 6 for q >= 3', 'w(q) = \\begin{cases}2\\, q & 0 \\le q < 3\\\\6 & 3 \\le q\\end{cases}'],
    ['D(q) = slope of P', "D(q) = P'(q)"],
  ])('%s', (text, latex) => { expect(typesetLine(text, stall)).toBe(latex) })
})
