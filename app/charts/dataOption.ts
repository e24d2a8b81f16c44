import { axis } from "#core/graph";
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

export function dataOption(
  p: DataPicture,
  width: number,
  height: number,
  look: Look,
): { option: ChartOption; rects: DataRects } {
  const hasRest = p.residuals.length > 0;
  const restHeight = hasRest ? Math.round(height * 0.2) : 0;
  const main: Rect = {
    left: LEFT,
    top: TOP,
    width: width - LEFT - RIGHT,
    height: height - TOP - BOTTOM - (hasRest ? restHeight + GAP : 0),
  };
  const rest: Rect | null = hasRest
    ? { left: LEFT, top: main.top + main.height + GAP, width: main.width, height: restHeight }
    : null;
  const wide = p.to - p.from || 1;
  const xAxis = axis(p.from, p.to + wide * 0.5, Math.max(3, Math.round(main.width / 90)), true);
  const all = [...p.rows, ...p.leftOut].map(([, y]) => y);
  const chosen = p.curves.find((c) => c.weight === "chosen");
  const [low, high] = [all.reduce((m, v) => Math.min(m, v), Infinity), all.reduce((m, v) => Math.max(m, v), -Infinity)];
  const span = high - low || Math.abs(high) || 1;
  // The chosen curve is framed too, as far as it stays in reach of the data.
  const along = (chosen?.points ?? []).filter((_, i) => i % 2 === 1);
  const [bottom, top] = [
    Math.max(
      along.reduce((m, v) => Math.min(m, v), low),
      low - span * 0.5,
    ),
    Math.min(
      along.reduce((m, v) => Math.max(m, v), high),
      high + span * 0.5,
    ),
  ];
  const yAxis = axis(
    low >= 0 && low < span ? Math.min(0, bottom) : bottom,
    top,
    Math.max(3, Math.round(main.height / 70)),
    true,
  );
  const largest = p.residuals.reduce((m, v, i) => (i % 2 === 1 ? Math.max(m, Math.abs(v)) : m), 0) || 1;
  const restAxis = axis(-largest, largest, 2, true);
  const grid = (r: Rect) => ({ left: r.left, top: r.top, width: r.width, height: r.height, containLabel: false });
  const pairs = (points: readonly number[]) => {
    const out: [number, number][] = [];
    for (let i = 0; i + 1 < points.length; i += 2) out.push([points[i]!, points[i + 1]!]);
    return out;
  };
  const yText = (v: number) => tickText(v, p.y.unit);
  const tick = { fontFamily: look.face, fontSize: 12, color: look.quiet };
  const X = (v: number) => main.left + ((v - xAxis.min) / (xAxis.max - xAxis.min)) * main.width;
  const scale = (gridIndex: number, { min, max, ticks }: typeof yAxis) => ({
    type: "value",
    gridIndex,
    min,
    max,
    interval: ticks[1]! - ticks[0]!,
    axisTick: { show: false },
  });
  const RX = (i: number) => ({
    ...scale(i, xAxis),
    splitLine: { show: false },
    axisLine: { onZero: false, lineStyle: { color: look.axis } },
    axisLabel: { show: i === (hasRest ? 1 : 0), ...tick, formatter: (v: number) => tickText(v, p.x.unit) },
  });
  const RY = (i: number, a: typeof yAxis) => ({
    ...scale(i, a),
    axisLine: { show: false },
    splitLine: { lineStyle: { color: look.hairline } },
    axisLabel: { ...tick, formatter: yText },
  });
  const dots = (
    id: string,
    data: readonly (readonly [number, number])[],
    style: Record<string, unknown>,
    size: number,
  ) => ({
    id,
    type: "scatter" as const,
    xAxisIndex: 0,
    yAxisIndex: 0,
    data,
    symbolSize: size,
    silent: true,
    animation: false,
    z: 5,
    itemStyle: style,
    clip: true,
  });
  const graphic: Record<string, unknown>[] = [];
  const put = (id: string, shape: Record<string, unknown>) => graphic.push({ id, silent: true, ...shape });
  const shadeFrom = Math.min(main.left + main.width, Math.max(main.left, X(p.to)));
  put("beyond", {
    type: "rect",
    z: 1,
    shape: { x: shadeFrom, y: main.top, width: main.left + main.width - shadeFrom, height: main.height },
    style: { fill: look.quiet, opacity: 0.09 },
  });
  if (p.split !== null) {
    put("split", {
      type: "line",
      z: 6,
      shape: { x1: X(p.split), y1: main.top, x2: X(p.split), y2: main.top + main.height },
      style: { stroke: look.brick, lineWidth: 1.6, lineDash: [6, 4] },
    });
    put("splitGrip", {
      type: "rect",
      z: 7,
      shape: { x: X(p.split) - 6, y: main.top - 8, width: 12, height: 12, r: 3 },
      style: { fill: look.paper, stroke: look.brick, lineWidth: 1.5 },
    });
  }
  put("yName", {
    type: "text",
    z: 7,
    x: 8,
    y: 12,
    style: {
      text: `${p.y.name}${p.y.unit ? `, ${p.y.unit}` : ""}`,
      fill: look.quiet,
      font: `12px ${look.face}`,
      verticalAlign: "middle",
    },
  });
  if (rest)
    put("restName", {
      type: "text",
      z: 7,
      x: main.left,
      y: rest.top - 14,
      style: {
        text: `data − model${p.y.unit ? `, ${p.y.unit}` : ""}`,
        fill: look.quiet,
        font: `12px ${look.face}`,
        verticalAlign: "middle",
      },
    });
  put("xName", {
    type: "text",
    z: 7,
    x: main.left + main.width / 2,
    y: height - 10,
    style: {
      text: `${p.x.name}${p.x.unit ? `, ${p.x.unit}` : ""}`,
      fill: look.quiet,
      font: `12px ${look.face}`,
      align: "center",
      verticalAlign: "middle",
    },
  });
  const small = p.rows.length > 120;
  return {
    rects: { main, rest, min: xAxis.min, max: xAxis.max },
    option: {
      textStyle: { fontFamily: look.face },
      grid: [grid(main), ...(rest ? [grid(rest)] : [])],
      xAxis: [RX(0), ...(rest ? [RX(1)] : [])],
      yAxis: [RY(0, yAxis), ...(rest ? [RY(1, restAxis)] : [])],
      series: [
        ...p.curves.map((c) => ({
          id: `curve:${c.key}`,
          type: "line" as const,
          xAxisIndex: 0,
          yAxisIndex: 0,
          data: pairs(c.points),
          showSymbol: false,
          silent: true,
          animation: false,
          clip: true,
          z: c.weight === "other" ? 2 : 4,
          lineStyle: {
            color: c.weight === "other" ? look.axis : c.weight === "pointed" ? look.curves[1] : look.curves[0],
            width: c.weight === "other" ? 1.2 : 2.6,
            type: c.weight === "other" ? [4, 4] : c.weight === "pointed" ? [9, 4] : "solid",
          },
        })),
        dots("rows", p.rows, { color: look.curves[6], opacity: small ? 0.6 : 1 }, small ? 4 : 9),
        dots("left", p.leftOut, { color: look.paper, borderColor: look.quiet, borderWidth: 1.5 }, 9),
        ...(rest
          ? [
              {
                id: "residuals",
                type: "custom" as const,
                xAxisIndex: 1,
                yAxisIndex: 1,
                data: pairs(p.residuals),
                silent: true,
                animation: false,
                z: 3,
                clip: true,
                renderItem: (
                  _: unknown,
                  api: { value(i: number): number; coord(v: [number, number]): [number, number] },
                ) => {
                  const [x, y] = api.coord([api.value(0), api.value(1)]);
                  const [, zero] = api.coord([api.value(0), 0]);
                  const w = Math.max(1, Math.min(6, (main.width / Math.max(1, p.residuals.length / 2)) * 0.5));
                  return {
                    type: "rect",
                    shape: { x: x - w / 2, y: Math.min(y, zero), width: w, height: Math.max(1, Math.abs(y - zero)) },
                    style: { fill: look.curves[0] },
                  };
                },
              },
            ]
          : []),
      ],
      graphic,
    },
  };
}
