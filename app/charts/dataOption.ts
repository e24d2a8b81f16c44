import { headShown } from "#core/data";
import { inputNoun, unitFor } from "#core/explain";
import { parseUnit } from "#core/units";
import { axis, type Axis } from "#core/graph";
import { BEYOND } from "#core/choice";
import type { Look } from "./look";
import type { ChartOption } from "./option";
import { tickText } from "./tickText";

/**
 * What the graph of data and models shows. Curves and rows are x and y in turn or pairs, in the units of the columns.
 */
export interface DataPicture {
  readonly rows: readonly (readonly [number, number])[];
  readonly leftOut: readonly (readonly [number, number])[];
  readonly curves: readonly {
    readonly key: string;
    readonly points: readonly number[];
    readonly weight: "chosen" | "pointed" | "other";
  }[];
  readonly residuals: readonly number[];
  readonly from: number;
  readonly to: number;
  readonly x: { readonly name: string; readonly unit: string };
  readonly y: { readonly name: string; readonly unit: string };
  readonly split: number | null;
}
export interface DataRects {
  readonly main: Rect;
  readonly rest: Rect | null;
  readonly min: number;
  readonly max: number;
}
interface Rect {
  readonly left: number;
  readonly top: number;
  readonly width: number;
  readonly height: number;
}

const [LEFT, RIGHT, TOP, BOTTOM, GAP] = [66, 18, 26, 42, 46];
/** Share of the height that the misses have below the graph. */
const REST_SHARE = 0.2;
/** More rows than these are drawn small. */
const MANY_ROWS = 120;

type Shape = Record<string, unknown>;
/** Panes and axes: what everything is drawn into. */
interface Frame {
  readonly main: Rect;
  readonly rest: Rect | null;
  readonly x: Axis;
  readonly y: Axis;
  readonly restY: Axis;
}

/** The option of the graph of data: rows, models, and below them how far the chosen model misses. */
export function dataOption(
  p: DataPicture,
  width: number,
  height: number,
  look: Look,
): { option: ChartOption; rects: DataRects } {
  const frame = frameOf(p, width, height);
  const { main, rest, x } = frame;
  return {
    rects: { main, rest, min: x.min, max: x.max },
    option: {
      textStyle: { fontFamily: look.face },
      grid: [main, ...(rest ? [rest] : [])].map((r) => ({ ...r, outerBoundsMode: "none" })),
      ...axesOf(p, frame, look),
      series: [...curvesOf(p, look), ...rowsOf(p, look), ...(rest ? [residualsOf(p, main, look)] : [])],
      graphic: [...marksOf(p, frame, look), ...namesOf(p, frame, height, look)],
    },
  };
}

function frameOf(p: DataPicture, width: number, height: number): Frame {
  const hasRest = p.residuals.length > 0;
  const restHeight = hasRest ? Math.round(height * REST_SHARE) : 0;
  const main: Rect = {
    left: LEFT,
    top: TOP,
    width: width - LEFT - RIGHT,
    height: height - TOP - BOTTOM - (hasRest ? restHeight + GAP : 0),
  };
  const rest = hasRest
    ? { left: LEFT, top: main.top + main.height + GAP, width: main.width, height: restHeight }
    : null;
  const wide = p.to - p.from || 1;
  const largest = p.residuals.reduce((m, v, i) => (i % 2 === 1 ? Math.max(m, Math.abs(v)) : m), 0) || 1;
  const [bottom, top] = reachOf(p);
  return {
    main,
    rest,
    x: axis(p.from, p.to + wide * BEYOND, Math.max(3, Math.round(main.width / 90)), true),
    y: axis(bottom, top, Math.max(3, Math.round(main.height / 70)), true),
    restY: axis(-largest, largest, 2, true),
  };
}

/** Values that are framed: all rows, and the chosen curve as far as it stays in reach of them. */
function reachOf(p: DataPicture): [bottom: number, top: number] {
  const all = [...p.rows, ...p.leftOut].map(([, y]) => y);
  const [low, high] = [all.reduce((m, v) => Math.min(m, v), Infinity), all.reduce((m, v) => Math.max(m, v), -Infinity)];
  const span = high - low || Math.abs(high) || 1;
  const chosen = p.curves.find((c) => c.weight === "chosen");
  const along = (chosen?.points ?? []).filter((_, i) => i % 2 === 1);
  const lowest = along.reduce((m, v) => Math.min(m, v), low);
  const highest = along.reduce((m, v) => Math.max(m, v), high);
  const bottom = Math.max(lowest, low - span * 0.5);
  return [low >= 0 && low < span ? Math.min(0, bottom) : bottom, Math.min(highest, high + span * 0.5)];
}

function axesOf(p: DataPicture, { rest, x, y, restY }: Frame, look: Look) {
  const tick = { fontFamily: look.face, fontSize: 12, color: look.quiet };
  const scale = (gridIndex: number, { min, max, ticks }: Axis) => ({
    type: "value",
    gridIndex,
    min,
    max,
    interval: ticks[1]! - ticks[0]!,
    axisTick: { show: false },
  });
  // Only the lowest pane tells its inputs.
  const across = (i: number) => ({
    ...scale(i, x),
    splitLine: { show: false },
    axisLine: { onZero: false, lineStyle: { color: look.axis } },
    axisLabel: { show: i === (rest ? 1 : 0), ...tick, formatter: (v: number) => tickText(v, p.x.unit) },
  });
  const up = (i: number, of: Axis) => ({
    ...scale(i, of),
    axisLine: { show: false },
    splitLine: { lineStyle: { color: look.hairline } },
    axisLabel: { ...tick, formatter: (v: number) => tickText(v, p.y.unit) },
  });
  return {
    xAxis: [across(0), ...(rest ? [across(1)] : [])],
    yAxis: [up(0, y), ...(rest ? [up(1, restY)] : [])],
  };
}

function pairs(points: readonly number[]): [number, number][] {
  const out: [number, number][] = [];
  for (let i = 0; i + 1 < points.length; i += 2) out.push([points[i]!, points[i + 1]!]);
  return out;
}

const MAIN = { xAxisIndex: 0, yAxisIndex: 0, silent: true, animation: false, clip: true } as const;

function curvesOf(p: DataPicture, look: Look) {
  const lines = {
    chosen: { color: look.curves[0], width: 2.6, type: "solid" },
    pointed: { color: look.curves[1], width: 2.6, type: [9, 4] },
    other: { color: look.axis, width: 1.2, type: [4, 4] },
  };
  return p.curves.map((c) => ({
    ...MAIN,
    id: `curve:${c.key}`,
    type: "line" as const,
    data: pairs(c.points),
    showSymbol: false,
    z: c.weight === "other" ? 2 : 4,
    lineStyle: lines[c.weight],
  }));
}

/** Rows as dots, and those that have no part in the fits as rings. */
function rowsOf(p: DataPicture, look: Look) {
  const isSmall = p.rows.length > MANY_ROWS;
  const dots = (id: string, data: DataPicture["rows"], itemStyle: Shape, symbolSize: number) => ({
    ...MAIN,
    id,
    type: "scatter" as const,
    data,
    symbolSize,
    z: 5,
    itemStyle,
  });
  return [
    dots("rows", p.rows, { color: look.curves[6], opacity: isSmall ? 0.6 : 1 }, isSmall ? 4 : 9),
    dots("left", p.leftOut, { color: look.paper, borderColor: look.quiet, borderWidth: 1.5 }, 9),
  ];
}

/** What the chosen model misses, as bars from 0. */
function residualsOf(p: DataPicture, main: Rect, look: Look) {
  const width = Math.max(1, Math.min(6, (main.width / Math.max(1, p.residuals.length / 2)) * 0.5));
  return {
    ...MAIN,
    id: "residuals",
    // A bar at the edge keeps its width; none is longer than its pane.
    clip: false,
    type: "custom" as const,
    xAxisIndex: 1,
    yAxisIndex: 1,
    data: pairs(p.residuals),
    z: 3,
    renderItem: (_: unknown, api: { value(i: number): number; coord(v: [number, number]): [number, number] }) => {
      const [x, y] = api.coord([api.value(0), api.value(1)]);
      const [, zero] = api.coord([api.value(0), 0]);
      return {
        type: "rect",
        shape: { x: x - width / 2, y: Math.min(y, zero), width, height: Math.max(1, Math.abs(y - zero)) },
        style: { fill: look.curves[0] },
      };
    },
  };
}

/** The shade beyond the data, and the place where they are split. */
function marksOf(p: DataPicture, { main, x }: Frame, look: Look): Shape[] {
  const at = (v: number) => main.left + ((v - x.min) / (x.max - x.min)) * main.width;
  const from = Math.min(main.left + main.width, Math.max(main.left, at(p.to)));
  const shade = {
    id: "beyond",
    silent: true,
    type: "rect",
    z: 1,
    shape: { x: from, y: main.top, width: main.left + main.width - from, height: main.height },
    style: { fill: look.quiet, opacity: 0.09 },
  };
  if (p.split === null) return [shade];
  const split = at(p.split);
  return [
    shade,
    {
      id: "split",
      silent: true,
      type: "line",
      z: 6,
      shape: { x1: split, y1: main.top, x2: split, y2: main.top + main.height },
      style: { stroke: look.brick, lineWidth: 1.6, lineDash: [6, 4] },
    },
    {
      id: "splitGrip",
      silent: true,
      type: "rect",
      z: 7,
      shape: { x: split - 6, y: main.top - 8, width: 12, height: 12, r: 3 },
      style: { fill: look.paper, stroke: look.brick, lineWidth: 1.5 },
    },
  ];
}

/** What stands along the axes. */
function namesOf(p: DataPicture, { main, rest }: Frame, height: number, look: Look): Shape[] {
  const text = (id: string, x: number, y: number, words: string, align: "left" | "center" = "left") => ({
    id,
    silent: true,
    type: "text",
    z: 7,
    x,
    y,
    style: { text: words, fill: look.quiet, font: `12px ${look.face}`, align, verticalAlign: "middle" },
  });
  const unit = inputNoun(p.y.unit, parseUnit(p.y.unit).unit);
  const missed = `data − model${unit ? `, ${unit}` : ""}`;
  return [
    text("yName", 8, 12, headShown(p.y.name, unitFor(2, p.y.unit))),
    ...(rest ? [text("restName", main.left, rest.top - 14, missed)] : []),
    text("xName", main.left + main.width / 2, height - 10, headShown(p.x.name, unitFor(2, p.x.unit)), "center"),
  ];
}
