import { use, init } from "echarts/core";
import { CustomChart, LineChart, ScatterChart } from "echarts/charts";
import { GraphicComponent, GridComponent } from "echarts/components";
import { SVGRenderer } from "echarts/renderers";

use([CustomChart, LineChart, ScatterChart, GridComponent, GraphicComponent, SVGRenderer]);

/** What the graphs use of the drawing library. */
export interface Chart {
  setOption(option: unknown, how?: unknown): void;
  resize(size: { width: number; height: number }): void;
  dispose(): void;
}

/** Opens a chart in an element; only the parts of the library that the graphs of data use are shipped. */
export function openChart(element: HTMLElement, width: number, height: number): Chart {
  return init(element, null, { renderer: "svg", width, height }) as Chart;
}
