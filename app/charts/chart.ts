import { use, init, type EChartsType } from "echarts/core";
import { CustomChart, ScatterChart } from "echarts/charts";
import { GridSimpleComponent, MarkAreaComponent, MarkLineComponent } from "echarts/components";
import { SVGRenderer } from "echarts/renderers";
import { shareParts } from "~/utils/share";
import type { ChartOption, Series, Shape } from "./option";

use([CustomChart, ScatterChart, GridSimpleComponent, MarkAreaComponent, MarkLineComponent, SVGRenderer]);

/** A chart in an element, or on no element at all, to be had as text. */
export interface Chart {
  /** Shows what the option says; of what it showed before, only what changed is drawn anew. */
  show(option: ChartOption): void;
  /** Takes another size, which is drawn with what is shown next: once, not twice. */
  resize(size: { width: number; height: number }): void;
  svg(): string;
  dispose(): void;
}

/** Opens a chart; only the parts of the library that our charts use are shipped (`dataChart.ts` brings more). */
export function openChart(element: HTMLElement | null, width: number, height: number): Chart {
  const chart = init(element, null, { renderer: "svg", width, height, ssr: element === null });
  let shown: ChartOption | null = null;
  let size: { width: number; height: number } | null = null;
  /** the shapes of each series that draws its own */
  const shapes = new Map<string, readonly Shape[]>();
  return {
    show(option) {
      const now = shareParts(shown, option);
      if (now !== shown) {
        for (const s of now.series) if (s.shapes) shapes.set(s.id, s.shapes);
        // What is shown first is taken in at once and drawn with the next frame: both in one go would hold the page up.
        const isDrawnLater = size !== null || (shown === null && element !== null);
        update(chart, shown, now, (id, i) => shapes.get(id)![i]!, isDrawnLater);
        shown = now;
      }
      if (size) chart.resize(size);
      size = null;
    },
    resize(other) {
      size = other;
    },
    svg: () => chart.renderToSVGString(),
    dispose: () => chart.dispose(),
  };
}

type ShapeOf = (series: string, index: number) => Shape;

/**
 * Hands the library what differs: while a given is dragged that is the data of a few series.
 * @param isDrawnLater  something follows that draws it
 */
function update(
  chart: EChartsType,
  before: ChartOption | null,
  now: ChartOption,
  shapeOf: ShapeOf,
  isDrawnLater: boolean,
): void {
  const isSameFrame =
    before?.grid === now.grid &&
    before.xAxis === now.xAxis &&
    before.yAxis === now.yAxis &&
    before.graphic === now.graphic;
  const isSameList = before?.series.map((s) => s.id).join() === now.series.map((s) => s.id).join();
  if (isSameFrame && isSameList) {
    const changed = now.series.filter((s, i) => s !== before!.series[i]);
    chart.setOption({ series: changed.map((s) => written(s, shapeOf)) }, { lazyUpdate: isDrawnLater });
    return;
  }
  chart.setOption(
    { ...now, animation: false, series: now.series.map((s) => written(s, shapeOf)) },
    { replaceMerge: ["grid", "xAxis", "yAxis", "series", "graphic"], lazyUpdate: isDrawnLater },
  );
}

/** A series as the library takes it: one with shapes asks for them by their place. */
function written({ shapes, ...series }: Series, shapeOf: ShapeOf): Record<string, unknown> {
  if (!shapes) return series;
  return {
    ...series,
    data: shapes.map((_, i) => [i, i]),
    renderItem: (params: { dataIndex: number }) => shapeOf(series.id, params.dataIndex),
  };
}
