import type { Picture } from "#core/graph";
import { tickText } from "./tickText";

/** A rectangle in pixels of the drawing. */
export interface Rect {
  readonly left: number;
  readonly top: number;
  readonly width: number;
  readonly height: number;
}
/** Room around the panes, in px; more at the left where numbers are long. */
export interface Margin {
  readonly left: number;
  readonly right: number;
  readonly top: number;
  readonly bottom: number;
}
export const MARGIN: Margin = { left: 62, right: 44, top: 20, bottom: 40 };
/** Of a small graph, which has neither names nor labels. */
export const SMALL: Margin = { left: 46, right: 8, top: 8, bottom: 20 };
const PANE_GAP = 24;
/** Average width of a letter at the label's size; labels are short, and a little too wide is safe. */
export const LETTER = 6.2;

/** Width of a letter beside a tick; letters and digits of that face are all this wide. */
const TICK_LETTER = 7.4;
/** Room for the longest number at the left, within reason. */
function leftMargin(picture: Picture, width: number, margin: Margin): number {
  const letters = picture.panes.flatMap((p) => p.y.ticks.map((t) => tickText(t, p.unit).length));
  return Math.min(width / 3, Math.max(margin.left, 14 + TICK_LETTER * Math.max(0, ...letters)));
}

/** Panes one above the other under a shared x axis: all start and end at the same pixel. */
export function paneRects(picture: Picture, width: number, height: number, margin: Margin = MARGIN): Rect[] {
  const total = picture.panes.reduce((sum, p) => sum + p.share, 0);
  const room = Math.max(40, height - margin.top - margin.bottom - PANE_GAP * (picture.panes.length - 1));
  let top = margin.top;
  const left = leftMargin(picture, width, margin);
  return picture.panes.map((p) => {
    const rect = {
      left,
      top,
      width: Math.max(40, width - left - margin.right),
      height: Math.max(24, (room * p.share) / total),
    };
    top += rect.height + PANE_GAP;
    return rect;
  });
}

export const toX = (picture: Picture, rect: Rect, x: number): number =>
  rect.left + ((x - picture.x.min) / (picture.x.max - picture.x.min)) * rect.width;
export const toY = (picture: Picture, pane: number, rect: Rect, y: number): number => {
  const axis = picture.panes[pane]!.y;
  return rect.top + rect.height - ((y - axis.min) / (axis.max - axis.min)) * rect.height;
};

/** Names at the right ends of the curves, pushed apart so that none covers another. */
export function placeNames(
  picture: Picture,
  rects: readonly Rect[],
): { name: string; colour: number; x: number; y: number }[] {
  const gap = 15;
  return picture.panes.flatMap((_, pane) => {
    const rect = rects[pane]!;
    const ends = picture.curves
      .filter((c) => c.pane === pane && c.runs.length > 0)
      .map((c) => {
        const run = c.runs[c.runs.length - 1]!;
        let y = run[run.length - 1]!;
        // Where the curve leaves the pane before its end, the name stands where it was last seen.
        for (let i = run.length - 2; i >= 0; i -= 2) {
          const axis = picture.panes[pane]!.y;
          if (run[i + 1]! <= axis.max && run[i + 1]! >= axis.min) {
            y = run[i + 1]!;
            break;
          }
        }
        return {
          name: c.name,
          colour: c.colour,
          x: rect.left + rect.width + 7,
          y: Math.min(rect.top + rect.height, Math.max(rect.top, toY(picture, pane, rect, y))),
        };
      })
      .sort((a, b) => a.y - b.y);
    for (let i = 1; i < ends.length; i++) if (ends[i]!.y < ends[i - 1]!.y + gap) ends[i]!.y = ends[i - 1]!.y + gap;
    const over = ends.length > 0 ? ends[ends.length - 1]!.y - (rect.top + rect.height + 4) : 0;
    if (over > 0)
      for (let i = ends.length - 1, limit = rect.top + rect.height + 4; i >= 0; i--) {
        if (ends[i]!.y > limit) ends[i]!.y = limit;
        limit = ends[i]!.y - gap;
      }
    return ends;
  });
}

/** How near the pointer must come to be at a point or a line; in px. */
const NEAR = { point: 9, line: 5 } as const;

/**
 * What stands at a place of the drawing: an answer first, then a threshold, then the nearest curve.
 * @param x, y  in pixels of the drawing
 * @returns a key of the trail, `question:q1` or `function:P`, or null
 */
export function markAt(picture: Picture, rects: readonly Rect[], x: number, y: number): string | null {
  const pane = rects.findIndex(
    (r) =>
      x >= r.left - 2 && x <= r.left + r.width + 2 && y >= r.top - NEAR.point && y <= r.top + r.height + NEAR.point,
  );
  if (pane < 0) return null;
  const rect = rects[pane]!;
  const near = picture.points
    .filter((p) => p.pane === pane && p.question !== null)
    .map((p) => ({ p, far: Math.hypot(toX(picture, rect, p.x) - x, toY(picture, pane, rect, p.y) - y) }))
    .filter((c) => c.far <= NEAR.point)
    .sort((a, b) => a.far - b.far)[0];
  if (near) return `question:${near.p.question}`;
  const level = picture.thresholds.find(
    (t) => t.pane === pane && Math.abs(toY(picture, pane, rect, t.y) - y) <= NEAR.line,
  );
  if (level) return `question:${level.question}`;
  let best: { name: string; far: number } | null = null;
  for (const c of picture.curves) {
    if (c.pane !== pane) continue;
    for (const run of c.runs)
      for (let i = 0; i + 3 < run.length; i += 2) {
        const [x0, x1] = [toX(picture, rect, run[i]!), toX(picture, rect, run[i + 2]!)];
        if (x < x0 - NEAR.line || x > x1 + NEAR.line) continue;
        const far = toSegment(
          x,
          y,
          x0,
          toY(picture, pane, rect, run[i + 1]!),
          x1,
          toY(picture, pane, rect, run[i + 3]!),
        );
        if (far <= NEAR.line && (!best || far < best.far)) best = { name: c.name, far };
      }
  }
  return best ? `function:${best.name}` : null;
}
function toSegment(x: number, y: number, x0: number, y0: number, x1: number, y1: number): number {
  const length = (x1 - x0) ** 2 + (y1 - y0) ** 2;
  const share = length === 0 ? 0 : Math.max(0, Math.min(1, ((x - x0) * (x1 - x0) + (y - y0) * (y1 - y0)) / length));
  return Math.hypot(x0 + share * (x1 - x0) - x, y0 + share * (y1 - y0) - y);
}
