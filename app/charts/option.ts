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
  | {
      readonly type: "group";
      readonly silent: true;
      readonly children: readonly Shape[];
      readonly clipPath?: { readonly type: "rect"; readonly shape: object };
    }
  | {
      readonly type: "polyline";
      readonly silent: true;
      readonly shape: { readonly points: readonly (readonly [number, number])[] };
      readonly style: Stroke & { readonly fill: "none" };
    }
  | {
      readonly type: "polygon";
      readonly silent: true;
      readonly shape: { readonly points: readonly (readonly [number, number])[] };
      readonly style: { readonly fill: string; readonly opacity: number };
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

/** A filled area. */
export const polygon = (points: readonly (readonly [number, number])[], fill: string, opacity = 1): Shape => ({
  type: "polygon",
  silent: true,
  shape: { points },
  style: { fill, opacity },
});

/** How words on a chart are written. */
export interface Lettering {
  readonly fill: string;
  /** family of faces */
  readonly face: string;
  readonly align?: "left" | "right" | "center";
  readonly size?: number;
  readonly bold?: boolean;
  readonly opacity?: number;
  /** from line to line, in px */
  readonly lineHeight?: number;
  /** a border in this colour keeps the words readable over curves */
  readonly halo?: string;
}
export const words = (x: number, y: number, text: string, how: Lettering): Shape => ({
  type: "text",
  silent: true,
  x,
  y,
  style: {
    text,
    fill: how.fill,
    font: `${how.bold ? "700 " : ""}${how.size ?? 12}px ${how.face}`,
    align: how.align ?? "left",
    verticalAlign: "middle",
    opacity: how.opacity ?? 1,
    ...(how.lineHeight ? { lineHeight: how.lineHeight } : {}),
    ...(how.halo ? { stroke: how.halo, lineWidth: 3 } : {}),
  },
});

export const group = (children: readonly Shape[]): Shape => ({ type: "group", silent: true, children });

/** Cut off at a pane, and a little beyond it: a curve along its edge keeps its full width. */
export const cutAt = (
  { left, top, width, height }: { left: number; top: number; width: number; height: number },
  children: readonly Shape[],
): Shape => ({
  type: "group",
  silent: true,
  children,
  clipPath: { type: "rect", shape: { x: left - 1, y: top - 2, width: width + 3, height: height + 4 } },
});
