import type { PlanPicture, PlanResult } from "#core/plan";
import type { Rect } from "./deskLayout";

type Pixel = readonly [number, number];

/** Room around the region, in px: numbers at the left and below, names of lines at the right. */
export const AROUND = { left: 52, right: 26, top: 22, bottom: 44 } as const;

/** Where the region lies on the chart, and what a place of it is in pixels, and back. */
export interface Ground extends Rect {
  x(value: number): number;
  y(value: number): number;
  at(px: number, py: number): [number, number];
  holds(px: number, py: number): boolean;
}
export function groundOf({ frame }: PlanPicture, chartWidth: number, chartHeight: number): Ground {
  const { left, top } = AROUND;
  const [width, height] = [chartWidth - left - AROUND.right, chartHeight - top - AROUND.bottom];
  const [wide, high] = [frame.x1 - frame.x0, frame.y1 - frame.y0];
  return {
    left,
    top,
    width,
    height,
    x: (value) => left + ((value - frame.x0) / wide) * width,
    y: (value) => top + height - ((value - frame.y0) / high) * height,
    at: (px, py) => [frame.x0 + ((px - left) / width) * wide, frame.y1 - ((py - top) / height) * high],
    holds: (px, py) => px >= left && px <= left + width && py >= top && py <= top + height,
  };
}

export interface CornerLabel {
  readonly text: string;
  /** it is the answer */
  readonly strong: boolean;
  readonly x: number;
  readonly y: number;
  readonly align: "left" | "right";
}
export interface Labelled {
  readonly at: readonly number[];
  readonly text: string;
  readonly strong: boolean;
}

/** Average width of a letter; strong ones are wider. */
const LETTER = 6.6;
const STRONG = 1.16;
/** Places beside a corner, near ones first: across and down. */
const PLACES: readonly Pixel[] = [-13, 13, -29, 29].flatMap((dy) => [
  [11, dy],
  [-11, dy],
]);

/** Labels beside their corners, on the surface, none on another or on a corner; those that come first choose first. */
export function placeCorners(corners: readonly Labelled[], ground: Ground): CornerLabel[] {
  const around = ({ at }: Labelled, by: number) => {
    const [x, y] = [ground.x(at[0]!), ground.y(at[1]!)];
    return { x0: x - by, x1: x + by, y0: y - by, y1: y + by };
  };
  const taken = corners.map((c) => around(c, 7));
  return corners.flatMap(({ at, text, strong }): CornerLabel[] => {
    const wide = text.length * LETTER * (strong ? STRONG : 1);
    for (const [dx, dy] of PLACES) {
      const [x, y] = [ground.x(at[0]!) + dx, ground.y(at[1]!) + dy];
      const box = { x0: dx > 0 ? x : x - wide, x1: dx > 0 ? x + wide : x, y0: y - 8, y1: y + 8 };
      const isOff =
        box.x0 < ground.left + 2 ||
        box.x1 > ground.left + ground.width + AROUND.right - 2 ||
        box.y0 < 2 ||
        box.y1 > ground.top + ground.height - 2;
      if (isOff || taken.some((t) => t.x0 < box.x1 && box.x0 < t.x1 && t.y0 < box.y1 && box.y0 < t.y1)) continue;
      taken.push(box);
      return [{ text, strong, x, y, align: dx > 0 ? "left" : "right" }];
    }
    return [];
  });
}

/** Arrows from the middle of a region without end along the ways it goes on, up to the frame. */
export function arrowsOf(
  { region }: PlanPicture,
  { directions }: PlanResult,
  ground: Ground,
): { line: [Pixel, Pixel]; head: [Pixel, Pixel, Pixel] }[] {
  if (region.length === 0) return [];
  const [mx, my] = [0, 1].map((k) => region.reduce((sum, p) => sum + p[k]!, 0) / region.length) as [number, number];
  const [cx, cy] = [ground.x(mx), ground.y(my)];
  const unit = ([u, v]: Pixel): Pixel => [u / (Math.hypot(u, v) || 1), v / (Math.hypot(u, v) || 1)];
  const ways = directions.map((d) => unit([ground.x(mx + d[0]!) - cx, ground.y(my + d[1]!) - cy]));
  const [first, second] = ways;
  // Between two directions the region goes on as well.
  const between: Pixel | null = first && second ? [first[0] + second[0], first[1] + second[1]] : null;
  const all = between && Math.hypot(...between) > 0.1 ? [...ways, unit(between)] : ways;
  return all.map(([u, v]) => {
    const across = u > 0 ? (ground.left + ground.width - cx) / u : u < 0 ? (ground.left - cx) / u : Infinity;
    const down = v > 0 ? (ground.top + ground.height - cy) / v : v < 0 ? (ground.top - cy) / v : Infinity;
    const reach = Math.min(across, down) - 4;
    const [tx, ty] = [cx + u * reach, cy + v * reach];
    const [bx, by] = [tx - u * 10, ty - v * 10];
    return {
      line: [
        [tx - u * 34, ty - v * 34],
        [bx, by],
      ],
      head: [
        [tx, ty],
        [bx - v * 5, by + u * 5],
        [bx + v * 5, by - u * 5],
      ],
    };
  });
}
