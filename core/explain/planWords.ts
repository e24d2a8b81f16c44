import type { Plan } from '../model'
import type { PlanPoint, PlanResult } from '../plan'
import { parseUnit, type Unit } from '../units'
import { formatNumber, formatQuantity } from './quantity'
import { list } from './sentence'

export interface PlanWords { readonly says: string; readonly more: readonly string[]; readonly chips: readonly { readonly text: string; readonly tone: 'sure' | 'open' | 'aside' }[] }

/** The answer of a plan as sentences, in the words of its labels and units. */
export function planWords(plan: Plan, r: PlanResult): PlanWords {
  const unit: Unit | null = plan.objective?.unit ? parseUnit(plan.objective.unit).unit : null
  const value = (v: number | null) => (v === null ? '' : formatQuantity(v, unit))
  const amounts = (p: PlanPoint) => list(plan.variables.map((v, i) => (v.label ? `${formatNumber(p.at[i]!)} ${v.label}` : `${v.name} = ${v.unit ? formatQuantity(p.at[i]!, parseUnit(v.unit).unit) : formatNumber(p.at[i]!)}`)), 'and')
  const label = (id: string) => plan.constraints.find((c) => c.id === id)?.label ?? id
  const sense = plan.objective?.sense ?? 'greatest'
  const more: string[] = []
  const chips: { text: string; tone: 'sure' | 'open' | 'aside' }[] = []
  if (r.status === 'infeasible') return { says: 'No point keeps all constraints.', more: [`${list(r.conflict.map(label), 'and')} cannot hold together; without any one of them the others can.`], chips: [{ text: 'proven: empty', tone: 'sure' }] }
  if (r.status === null) return { says: r.notes[0] ?? `The region has ${r.corners.length} corner${r.corners.length === 1 ? '' : 's'}${r.regionBounded === false ? ' and goes on without end' : ''}.`, more: ['Write what is to be made greatest or least to see which corner is best.'], chips }
  if (r.status === 'unbounded') return { says: `There is no ${sense} value: it goes on without end.`, more: [`Along ${list(r.directions.slice(0, 2).map((d) => `(${d.map((v) => formatNumber(v)).join(', ')})`), 'or')} every constraint holds for ever; a limit may be missing.`], chips: [{ text: 'unbounded', tone: 'open' }] }
  const best = r.whole ?? r.best[0]!
  const moved = r.whole !== null && !r.best.some((b) => b.at.every((v, i) => v === r.whole!.at[i]))
  const says = r.status === 'tied' && !moved && r.best.length > 1 ? `${amounts(r.best[0]!)}, or ${amounts(r.best[1]!)}, or any mix of the two on the edge between: ${value(best.value)}.` : `Make ${amounts(best)}: ${value(best.value)}.`
  if (moved) more.push(`Not in whole numbers, ${amounts(r.best[0]!)} would give ${value(r.best[0]!.value)}; rounding that is not the best.`)
  if (r.wholeTies) more.push(`${r.wholeTies.length} whole points are equally good.`)
  const out = r.binding.filter((id) => r.multipliers[id] !== 0)
  if (out.length > 0) more.push(`Nothing is left of ${list(out.map(label), 'and')}.`)
  const spare = Object.entries(r.slack).filter(([id]) => plan.constraints.find((c) => c.id === id)?.label)
  if (spare.length > 0) more.push(`${spare.map(([id, s]) => `${label(id)}: ${formatNumber(s)} to spare`).join('; ')}.`)
  if (r.regionBounded === false) more.push(`The region goes on without end along ${list(r.directions.slice(0, 3).map((d) => `(${d.map((v) => formatNumber(v)).join(', ')})`), 'and')}; the best value is reached all the same.`)
  more.push(...r.notes)
  chips.push({ text: r.status === 'tied' ? 'a whole edge is best' : 'one best corner', tone: 'sure' })
  if (r.whole) chips.push({ text: moved ? 'best whole point, proven' : 'whole already', tone: 'sure' })
  if (r.secondWay !== null) chips.push(r.secondWay < 1e-9 ? { text: 'corners and simplex agree', tone: 'sure' } : { text: 'two methods differ', tone: 'open' })
  return { says, more, chips }
}
