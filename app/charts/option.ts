/** What a chart shows, as plain data: it can be tested, compared, and drawn on a page or on none. */
export interface ChartOption {
  readonly grid: readonly object[];
  readonly xAxis: readonly object[];
  readonly yAxis: readonly object[];
  readonly series: readonly Series[];
  readonly graphic?: readonly object[];
  readonly textStyle?: object;
}

/** A series of the library; one that draws shapes of its own has them in pixels. */
export interface Series {
  readonly type: "custom" | "line" | "scatter";
  readonly id: string;
  readonly z?: number;
  readonly shapes?: readonly Shape[];
  readonly data?: readonly unknown[];
  readonly [more: string]: unknown;
}

export interface Stroke {
  readonly stroke: string;
  readonly lineWidth: number;
  readonly opacity: number;
  readonly lineDash?: readonly number[];
}
/** Something drawn by a series, in pixels of the chart. */
export type Shape =
  | { readonly type: "group"; readonly silent: true; readonly children: readonly Shape[] }
  | {
      readonly type: "polyline";
      readonly silent: true;
      readonly shape: { readonly points: readonly (readonly [number, number])[] };
      readonly style: Stroke & { readonly fill: "none" };
    }
  | {
      readonly type: "text";
      readonly silent: true;
      readonly x: number;
      readonly y: number;
      readonly style: {
        readonly text: string;
        readonly fill: string;
        readonly font: string;
        readonly align: "left" | "right" | "center";
        readonly verticalAlign: "middle";
        readonly opacity: number;
        readonly stroke?: string;
        readonly lineWidth?: number;
      };
    };

/** A line through points. */
export const polyline = (points: readonly (readonly [number, number])[], style: Stroke): Shape => ({
  type: "polyline",
  silent: true,
  shape: { points },
  style: { ...style, fill: "none" },
});

export const group = (children: readonly Shape[]): Shape => ({ type: "group", silent: true, children });
