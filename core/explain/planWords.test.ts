import { describe, expect, it } from 'vitest'
import { buildModel, type Plan } from '../model'
import { planPicture, solvePlan } from '../plan'
import { planWords } from '.'

const names = buildModel({ format: 'pasear-case', version: 1, title: 'T' }).names
const lanterns: Plan = {
  variables: [{ name: 'x', label: 'river lanterns', whole: true }, { name: 'y', label: 'sky lanterns', whole: true }], objective: { text: '3.5x + 4y', sense: 'greatest', unit: '$' },
  constraints: [{ id: 'A', text: '2x + 3y <= 240', label: 'paper' }, { id: 'B', text: '4x + 2y <= 320', label: 'hands' }, { id: 'C', text: 'y >= 20', label: 'orders' }, { id: 'D', text: 'x >= 0' }],
}
const say = (plan: Plan) => planWords(plan, solvePlan(plan, names).result!)

describe('a plan in words', () => {
  it('one best corner', () => { expect(say(lanterns)).toMatchObject({ says: 'Make 60 river lanterns and 40 sky lanterns: $370.', more: ['Nothing is left of paper and hands.', 'orders: 20 to spare.'], chips: [{ text: 'one best corner' }, { text: 'whole already' }, { text: 'corners and simplex agree' }] }) })
  it('rounding the corner is not the best', () => {
    // 21 l + 16 s with 8 l + 5 s ≥ 34 and 3 l + 2 s ≤ 13: the corner (4.25, 0) rounds to (5, 0), which lamps forbid; by hand (3, 2) costs 95.
    const boats: Plan = { variables: [{ name: 'l', whole: true }, { name: 's', whole: true }], objective: { text: '21l + 16s', sense: 'least', unit: '$' }, constraints: [{ id: 'A', text: '8l + 5s >= 34' }, { id: 'B', text: '3l + 2s <= 13' }, { id: 'C', text: 'l >= 0' }, { id: 'D', text: 's >= 0' }] }
    expect(say(boats).says).toBe('Make l = 3 and s = 2: $95.')
    expect(say(boats).more[0]).toBe('Not in whole numbers, l = 4.25 and s = 0 would give $89.25; rounding that is not the best.')
  })
  it('a tied edge, an unbounded objective, a conflict, no objective', () => {
    expect(say({ ...lanterns, objective: { text: '4x + 6y', sense: 'greatest' }, variables: lanterns.variables.map(({ whole: _, ...v }) => v) }).says).toMatch(/or any mix of the two on the edge between: 480\./)
    expect(say({ ...lanterns, constraints: lanterns.constraints.slice(2) }).says).toBe('There is no greatest value: it goes on without end.')
    expect(say({ ...lanterns, constraints: [...lanterns.constraints, { id: 'E', text: 'y <= 10', label: 'candles' }] }).more[0]).toBe('orders and candles cannot hold together; without any one of them the others can.')
    const { objective: _, ...bare } = lanterns
    expect(say(bare).says).toBe('The region has 4 corners.')
  })
})

describe('the region for drawing', () => {
  const drawn = (plan: Plan) => planPicture(plan, names, solvePlan(plan, names).result!)!
  it('is the polygon of the corners when it is bounded', () => {
    const p = drawn(lanterns)
    const corners = solvePlan(lanterns, names).result!.corners.map((c) => c.at)
    for (const c of corners) expect(p.region.some((q) => Math.hypot(q[0] - c[0]!, q[1] - c[1]!) < 1e-6)).toBe(true)
    for (const q of p.region) for (const [a, b, c] of [[2, 3, 240], [4, 2, 320], [0, -1, -20], [-1, 0, 0]]) expect(a! * q[0] + b! * q[1]).toBeLessThanOrEqual(c! + 1e-6)
    for (const c of corners) expect(c[0]! >= p.frame.x0 && c[0]! <= p.frame.x1 && c[1]! >= p.frame.y0 && c[1]! <= p.frame.y1).toBe(true)
  })
  it('reaches the frame where it goes on without end, and is empty where nothing is allowed', () => {
    const open = drawn({ ...lanterns, constraints: [{ id: 'A', text: 'x + y >= 10' }, { id: 'B', text: 'x >= 0' }, { id: 'C', text: 'y >= 0' }] })
    expect(open.region.some((q) => q[0] === open.frame.x1 && q[1] === open.frame.y1)).toBe(true)
    expect(drawn({ ...lanterns, constraints: [{ id: 'A', text: 'x >= 3' }, { id: 'B', text: 'x <= 2' }, { id: 'C', text: 'y >= 0' }] }).region).toEqual([])
  })
})
