import { formatNumber, formatMoney, prettyUnit } from '#core/explain'
import type { Picture } from '#core/graph'
import { paneRects, placeLabels, placeNames, toX, toY, type Rect } from './graphLayout'

/** Colours and faces of the page, read from its stylesheet. */
export interface Look { readonly curves: readonly string[]; readonly ink: string; readonly quiet: string; readonly hairline: string; readonly axis: string; readonly paper: string; readonly amber: string; readonly amberSoft: string; readonly amberDeep: string; readonly brick: string; readonly grey: string; readonly face: string }

/** One dash a colour, so that curves are told apart without colour. */
export const DASHES: readonly (number[] | 'solid')[] = ['solid', [11, 4], [2, 3], [9, 3, 2, 3], [5, 3], [14, 3, 2, 3, 2, 3], [1, 4]]

export const tickText = (value: number, unit: string): string => (unit === '$' || unit.startsWith('$/') ? (Math.abs(value) < 1 && value !== 0 ? formatMoney(value, 'USD') : formatMoney(value, 'USD').replace(/\.00$/, '')) : unit.startsWith('%') ? `${formatNumber(value * 100, 4)} %` : formatNumber(value, 6))

/** The drawing of a picture, as options of the chart library: lines, areas and texts at places worked out here. */
export function graphOption(picture: Picture, width: number, height: number, look: Look, lit: ReadonlySet<string> | null): { option: Record<string, unknown>; rects: Rect[] } {
  const rects = paneRects(picture, width, height)
  const last = rects.length - 1
  const faded = (key: string) => (lit && !lit.has(key) ? 0.22 : 1)
  const series: Record<string, unknown>[] = []
  const pairs = (runs: Picture['curves'][number]['runs']) => {
    const data: ([number, number] | [number, string])[] = []
    for (const run of runs) {
      for (let i = 0; i < run.length; i += 2) data.push([run[i]!, run[i + 1]!])
      if (run.length > 0) data.push([run[run.length - 2]!, '-'])
    }
    return data
  }
  for (const g of picture.ghosts) series.push({
    id: `ghost:${g.name}`, type: 'line', xAxisIndex: g.pane, yAxisIndex: g.pane, data: pairs(g.runs), showSymbol: false, silent: true, animation: false, clip: true, z: 2,
    lineStyle: { color: look.curves[g.colour], width: 5, opacity: 0.24 * faded(`function:${g.name}`), cap: 'butt' },
  })
  picture.curves.forEach((c) => {
    const colour = look.curves[c.colour]!
    series.push({
      id: `curve:${c.name}`, type: 'line', xAxisIndex: c.pane, yAxisIndex: c.pane, data: pairs(c.runs), showSymbol: false, silent: true, animation: false, clip: true, z: 3, sampling: undefined,
      lineStyle: { color: colour, width: lit?.has(`function:${c.name}`) ? 3.2 : 2.4, type: DASHES[c.colour], opacity: faded(`function:${c.name}`), cap: 'butt' },
    })
  })
  const dots = (kind: Picture['points'][number]['kind'], style: (p: Picture['points'][number]) => Record<string, unknown>) => picture.panes.forEach((_, pane) => {
    const list = picture.points.filter((p) => p.kind === kind && p.pane === pane && p.x >= picture.x.min && p.x <= picture.x.max)
    series.push({
      id: `${kind}:${pane}`, type: 'scatter', xAxisIndex: pane, yAxisIndex: pane, silent: true, animation: false, clip: false, z: kind === 'answer' ? 6 : 5,
      symbol: kind === 'reading' ? 'rect' : kind === 'row' ? 'diamond' : 'circle', symbolSize: kind === 'reading' ? 8 : 10,
      data: list.map((p) => ({ value: [p.x, p.y], itemStyle: style(p) })),
    })
  })
  dots('reading', (p) => ({ color: look.curves[picture.curves.find((c) => c.name === p.function)?.colour ?? 0], opacity: faded(`function:${p.function}`) }))
  dots('row', (p) => ({ color: look.paper, borderColor: look.curves[picture.curves.find((c) => c.name === p.function)?.colour ?? 0], borderWidth: 1.6, opacity: faded(`function:${p.function}`) }))
  // Ends, jumps and holes: filled where the function has that value, open where it only comes close to it.
  picture.panes.forEach((_, pane) => {
    const ends = picture.curves.filter((c) => c.pane === pane).flatMap((c) => c.ends.map((e) => ({ ...e, curve: c })))
    if (ends.length > 0) series.push({
      id: `ends:${pane}`, type: 'scatter', xAxisIndex: pane, yAxisIndex: pane, silent: true, animation: false, clip: true, z: 4, symbol: 'circle', symbolSize: 8,
      data: ends.map((e) => ({ value: [e.x, e.y], itemStyle: { color: e.closed ? look.curves[e.curve.colour] : look.paper, borderColor: look.curves[e.curve.colour], borderWidth: 2, opacity: faded(`function:${e.curve.name}`) } })),
    })
  })
  dots('aside', (p) => ({ color: look.paper, borderColor: look.grey, borderWidth: 2, opacity: faded(`question:${p.question}`) }))
  dots('answer', (p) => ({ color: look.paper, borderColor: look.amber, borderWidth: 3.5, opacity: faded(`question:${p.question}`) }))

  const graphic: Record<string, unknown>[] = []
  const put = (id: string, shape: Record<string, unknown>) => graphic.push({ id, silent: true, ...shape })
  picture.shades.forEach((s, i) => {
    rects.forEach((rect, pane) => {
      const a = toX(picture, rect, s.from)
      put(`shade:${i}:${pane}`, { type: 'rect', z: 1, shape: { x: a, y: rect.top, width: toX(picture, rect, s.to) - a, height: rect.height }, style: { fill: look.brick, opacity: 0.09 } })
      const x = toX(picture, rect, s.at)
      put(`edge:${i}:${pane}`, { type: 'line', z: 2, shape: { x1: x, y1: rect.top, x2: x, y2: rect.top + rect.height }, style: { stroke: look.brick, lineWidth: 1.2, lineDash: [5, 4] } })
    })
    const x = toX(picture, rects[0]!, s.at)
    const right = x > rects[0]!.left + rects[0]!.width * 0.6
    put(`edgeText:${i}`, { type: 'text', z: 7, x: x + (right ? 4 : -4), y: rects[0]!.top - 10, style: { text: s.label, fill: look.brick, font: `12px ${look.face}`, align: right ? 'right' : 'left', verticalAlign: 'middle' } })
  })
  picture.thresholds.forEach((t, i) => {
    const rect = rects[t.pane]!
    const y = toY(picture, t.pane, rect, t.y)
    if (y < rect.top - 1 || y > rect.top + rect.height + 1) return
    put(`level:${i}`, { type: 'line', z: 2, shape: { x1: rect.left, y1: y, x2: rect.left + rect.width, y2: y }, style: { stroke: look.amberDeep, lineWidth: t.moves ? 1.6 : 1.2, lineDash: [2, 3], opacity: faded(`question:${t.question}`) } })
    // A threshold that can be dragged shows where to take hold of it.
    if (t.moves) put(`grip:${i}`, { type: 'rect', z: 6, shape: { x: rect.left - 5, y: y - 6, width: 10, height: 12, r: 3 }, style: { fill: look.paper, stroke: look.amberDeep, lineWidth: 1.4 } })
  })
  for (const n of placeNames(picture, rects)) put(`name:${n.name}`, { type: 'text', z: 8, x: n.x, y: n.y, style: { text: n.name, fill: look.curves[n.colour], font: `700 13px ${look.face}`, verticalAlign: 'middle', opacity: faded(`function:${n.name}`) } })
  placeLabels(picture, rects).forEach((l, i) => {
    if (l.leader) put(`leader:${i}`, { type: 'line', z: 5, shape: l.leader, style: { stroke: look.quiet, lineWidth: 1, opacity: faded(`question:${l.question}`) } })
    put(`label:${i}`, { type: 'text', z: 8, x: l.x, y: l.y, style: { text: l.text, fill: look.ink, font: `12px ${look.face}`, align: l.align, verticalAlign: 'middle', stroke: look.paper, lineWidth: 3, opacity: faded(`question:${l.question}`) } })
  })
  picture.panes.forEach((p, pane) => { if (p.unit && !p.unit.startsWith('$')) put(`unit:${pane}`, { type: 'text', z: 7, x: 8, y: rects[pane]!.top - 11, style: { text: prettyUnit(p.unit), fill: look.quiet, font: `12px ${look.face}`, verticalAlign: 'middle' } }) })

  return {
    rects,
    option: {
      animation: false, textStyle: { fontFamily: look.face }, grid: rects.map((r) => ({ left: r.left, top: r.top, width: r.width, height: r.height, containLabel: false })),
      xAxis: rects.map((_, i) => ({
        type: 'value', gridIndex: i, min: picture.x.min, max: picture.x.max, axisTick: { show: false }, splitLine: { show: false },
        axisLine: { show: true, onZero: false, lineStyle: { color: look.axis } },
        axisLabel: { show: i === last, color: look.quiet, fontSize: 12, customValues: [...picture.x.ticks], formatter: (v: number) => formatNumber(v), hideOverlap: true },
        name: i === last ? picture.xLabel : '', nameLocation: 'middle', nameGap: 24, nameTextStyle: { color: look.quiet, fontSize: 12 },
      })),
      yAxis: picture.panes.map((p, i) => ({
        type: 'value', gridIndex: i, min: p.y.min, max: p.y.max, axisTick: { show: false }, axisLine: { show: true, lineStyle: { color: look.axis } },
        splitLine: { show: true, lineStyle: { color: look.hairline } }, axisLabel: { color: look.quiet, fontSize: 12, customValues: [...p.y.ticks], formatter: (v: number) => tickText(v, p.unit) },
        ...(p.y.ticks.length > 1 ? { interval: p.y.ticks[1]! - p.y.ticks[0]! } : {}),
      })),
      series, graphic,
    },
  }
}
