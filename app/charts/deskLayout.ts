import type { Picture } from "#core/graph";
import { tickText } from "./tickText";

/** A rectangle in pixels of the drawing. */
export interface Rect {
  readonly left: number;
  readonly top: number;
  readonly width: number;
  readonly height: number;
}
export interface PlacedLabel {
  readonly text: string;
  readonly x: number;
  readonly y: number;
  readonly align: "left" | "right" | "center";
  readonly key: string;
  readonly question: string | null;
  readonly leader: { readonly x1: number; readonly y1: number; readonly x2: number; readonly y2: number } | null;
}

/** Room around the panes, in px; more at the left where numbers are long. */
export interface Margin {
  readonly left: number;
  readonly right: number;
  readonly top: number;
  readonly bottom: number;
}
const MARGIN: Margin = { left: 62, right: 44, top: 20, bottom: 40 };
/** Of a small graph, which has neither names nor labels. */
export const SMALL: Margin = { left: 46, right: 8, top: 8, bottom: 20 };
const PANE_GAP = 24;
const LABEL_HEIGHT = 15;
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

type Box = { x0: number; y0: number; x1: number; y1: number };
const overlaps = (a: Box, b: Box): boolean => a.x0 < b.x1 && b.x0 < a.x1 && a.y0 < b.y1 && b.y0 < a.y1;

/** Pixel polylines of all curves in one pane: [x, y, x, y, …] each, from left to right. */
function lines(picture: Picture, pane: number, rect: Rect): Float64Array[] {
  return picture.curves
    .filter((c) => c.pane === pane)
    .flatMap((c) =>
      c.runs.map((run) => {
        const out = new Float64Array(run.length);
        for (let i = 0; i < run.length; i += 2) {
          out[i] = toX(picture, rect, run[i]!);
          out[i + 1] = toY(picture, pane, rect, run[i + 1]!);
        }
        return out;
      }),
    );
}

/** How much of the polylines runs through a box, in pixels of width. */
function crossing(list: readonly Float64Array[], box: Box): number {
  let sum = 0;
  for (const line of list) {
    // The first stretch that ends at the box or beyond it; there are many stretches, and a box covers few.
    let low = 0;
    let high = line.length / 2 - 1;
    while (low < high) {
      const middle = (low + high) >> 1;
      if (line[2 * middle + 2]! < box.x0) low = middle + 1;
      else high = middle;
    }
    for (let i = 2 * low; i + 3 < line.length && line[i]! <= box.x1; i += 2) {
      const [x0, y0, x1, y1] = [line[i]!, line[i + 1]!, line[i + 2]!, line[i + 3]!];
      // Of a long stretch only the part above and below the box counts: a straight line is one stretch.
      const [from, to] = [Math.max(x0, box.x0), Math.min(x1, box.x1)];
      const at = (x: number) => y0 + ((y1 - y0) * (x - x0)) / (x1 - x0);
      const [a, b] = x1 > x0 ? [at(from), at(to)] : [y0, y1];
      if (Math.max(a, b) >= box.y0 && Math.min(a, b) <= box.y1) sum += Math.max(0.5, to - from);
    }
  }
  return sum;
}

/**
 * Puts the labels of answers beside their points, off the curves and off each other; one that finds no place at all is
 * left out (the finding still tells it).
 */
export function placeLabels(picture: Picture, rects: readonly Rect[]): PlacedLabel[] {
  const placed: (PlacedLabel & { box: Box })[] = [];
  const seen = new Set<string>();
  picture.panes.forEach((_, pane) => {
    const rect = rects[pane]!;
    const curves = lines(picture, pane, rect);
    const points = picture.points.filter(
      (p) => p.pane === pane && p.label && p.kind === "answer" && p.x >= picture.x.min && p.x <= picture.x.max,
    );
    const dots: Box[] = picture.points
      .filter((p) => p.pane === pane)
      .map((p) => {
        const x = toX(picture, rect, p.x);
        const y = toY(picture, pane, rect, p.y);
        return { x0: x - 7, y0: y - 7, x1: x + 7, y1: y + 7 };
      });
    for (const p of points) {
      const key = `${p.label}@${p.x}`;
      if (seen.has(key)) continue;
      const px = toX(picture, rect, p.x);
      const py = toY(picture, pane, rect, p.y);
      if (py < rect.top - 8 || py > rect.top + rect.height + 8) continue;
      const w = p.label.length * LETTER + 4;
      let best: { label: PlacedLabel; box: Box; cost: number } | null = null;
      for (const [distance, dx, dy] of PLACES) {
        const align = dx > 0.3 ? "left" : dx < -0.3 ? "right" : "center";
        const x = px + dx * (8 + distance);
        const y = py + dy * (13 + distance);
        const x0 = align === "left" ? x : align === "right" ? x - w : x - w / 2;
        const box = { x0, y0: y - LABEL_HEIGHT / 2, x1: x0 + w, y1: y + LABEL_HEIGHT / 2 };
        if (
          box.x0 < rect.left + 2 ||
          box.x1 > rect.left + rect.width - 2 ||
          box.y0 < rect.top - MARGIN.top + 2 ||
          box.y1 > rect.top + rect.height - 2
        )
          continue;
        if (placed.some((l) => overlaps(l.box, box)) || dots.some((d) => overlaps(d, box))) continue;
        // Nothing farther away can be cheaper than what is already found.
        if (best && distance * 0.6 >= best.cost) break;
        const cost =
          crossing(curves, { ...box, y0: box.y0 - 1, y1: box.y1 + 1 }) * 4 + distance * 0.6 + (dy > 0 ? 2 : 0);
        if (!best || cost < best.cost)
          best = {
            label: {
              text: p.label,
              x,
              y,
              align,
              key,
              question: p.question,
              leader: distance < 30 ? null : leader(px, py, box),
            },
            box,
            cost,
          };
      }
      // Half hidden by a curve is worse than no label.
      if (best && best.cost < 60) {
        placed.push({ ...best.label, box: best.box });
        seen.add(key);
      }
    }
  });
  return placed.map(({ box: _box, ...label }) => label);
}

/** A short line from the ring of a point to a label that stands far from it. */
function leader(x: number, y: number, box: Box): { x1: number; y1: number; x2: number; y2: number } {
  const [x2, y2] = [Math.min(box.x1, Math.max(box.x0, x)), Math.min(box.y1, Math.max(box.y0, y))];
  const far = Math.hypot(x2 - x, y2 - y) || 1;
  return { x1: x + ((x2 - x) / far) * 8, y1: y + ((y2 - y) / far) * 8, x2, y2 };
}

/** Candidate places around a point, near ones first: distance, and the direction across and down. */
const PLACES: readonly (readonly [distance: number, dx: number, dy: number])[] = [0, 8, 18, 32, 50].flatMap(
  (distance) =>
    (
      [
        [0, -1],
        [1, -0.6],
        [-1, -0.6],
        [1, 0.9],
        [-1, 0.9],
        [0, 1],
        [1, 0],
        [-1, 0],
      ] as const
    ).map(([dx, dy]) => [distance, dx, dy] as const),
);

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
