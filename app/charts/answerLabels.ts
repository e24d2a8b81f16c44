import type { Picture, Point } from "#core/graph";
import { LETTER, MARGIN, toX, toY, type Rect } from "./deskLayout";

/** What is written beside the ring of an answer, or of several at one place: a line for each. */
export interface PlacedLabel {
  readonly text: string;
  readonly x: number;
  readonly y: number;
  readonly align: "left" | "right" | "center";
  readonly questions: readonly string[];
  readonly leader: { readonly x1: number; readonly y1: number; readonly x2: number; readonly y2: number } | null;
}
export const LABEL_HEIGHT = 15;
/** Half the width of a ring with its border, in px. */
const RING = 7;
/** Half hidden by a curve is worse than no label. */
const WORST = 60;

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
  return picture.panes.flatMap((_, pane) => {
    const rect = rects[pane]!;
    const ground: Ground = { rect, curves: lines(picture, pane, rect), dots: ringsOf(picture, pane, rect), taken: [] };
    return placesOf(picture, pane, rect).flatMap((place) => {
      const best = bestOf(place, ground);
      if (!best || best.cost >= WORST) return [];
      ground.taken.push(best.box);
      return [best.label];
    });
  });
}

/** What a label must keep off, in one pane. */
interface Ground {
  readonly rect: Rect;
  readonly curves: readonly Float64Array[];
  readonly dots: readonly Box[];
  readonly taken: Box[];
}
const ringsOf = (picture: Picture, pane: number, rect: Rect): Box[] =>
  picture.points
    .filter((p) => p.pane === pane)
    .map((p) => {
      const [x, y] = [toX(picture, rect, p.x), toY(picture, pane, rect, p.y)];
      return { x0: x - RING, y0: y - RING, x1: x + RING, y1: y + RING };
    });

/** A ring, with all that is written beside it. */
interface Place {
  readonly x: number;
  readonly y: number;
  readonly points: Point[];
}
/** Rings of answers in sight; those that lie within this of each other are one, in px. */
const ONE_PLACE = 1;
function placesOf(picture: Picture, pane: number, rect: Rect): Place[] {
  const places: Place[] = [];
  const isWanted = (p: Point) => p.pane === pane && p.label !== "" && p.kind === "answer";
  for (const point of picture.points) {
    if (!isWanted(point) || point.x < picture.x.min || point.x > picture.x.max) continue;
    const [x, y] = [toX(picture, rect, point.x), toY(picture, pane, rect, point.y)];
    if (y < rect.top - 8 || y > rect.top + rect.height + 8) continue;
    const one = places.find((p) => Math.abs(p.x - x) <= ONE_PLACE && Math.abs(p.y - y) <= ONE_PLACE);
    if (one) one.points.push(point);
    else places.push({ x, y, points: [point] });
  }
  return places;
}

interface Candidate {
  readonly label: PlacedLabel;
  readonly box: Box;
  readonly cost: number;
}
/** The place around a ring where its label hides least, and least far away. */
function bestOf({ x: px, y: py, points }: Place, { rect, curves, dots, taken }: Ground): Candidate | null {
  const all = [...new Set(points.map((p) => p.label))];
  // A bare input tells nothing beside "meet at" the same one.
  const texts = all.filter((t) => !all.some((longer) => longer.endsWith(` ${t}`)));
  const questions = points.flatMap((p) => p.question ?? []);
  const [w, h] = [Math.max(...texts.map((t) => t.length)) * LETTER + 4, texts.length * LABEL_HEIGHT];
  let best: Candidate | null = null;
  for (const [distance, dx, dy] of PLACES) {
    const align = dx > 0.3 ? "left" : dx < -0.3 ? "right" : "center";
    const x = px + dx * (8 + distance);
    // Further lines go away from the ring.
    const y = py + dy * (13 + distance) + (Math.sign(dy) * (h - LABEL_HEIGHT)) / 2;
    const x0 = align === "left" ? x : align === "right" ? x - w : x - w / 2;
    const box = { x0, y0: y - h / 2, x1: x0 + w, y1: y + h / 2 };
    if (!isWithin(box, rect) || taken.some((l) => overlaps(l, box)) || dots.some((d) => overlaps(d, box))) continue;
    // Nothing farther away can be cheaper than what is already found.
    if (best && distance * 0.6 >= best.cost) break;
    const hidden = crossing(curves, { ...box, y0: box.y0 - 1, y1: box.y1 + 1 });
    const cost = hidden * 4 + distance * 0.6 + (dy > 0 ? 2 : 0);
    if (best && cost >= best.cost) continue;
    const line = distance < 30 ? null : leader(px, py, box);
    best = { label: { text: texts.join("\n"), x, y, align, questions, leader: line }, box, cost };
  }
  return best;
}
const isWithin = (box: Box, { left, top, width, height }: Rect): boolean =>
  box.x0 >= left + 2 && box.x1 <= left + width - 2 && box.y0 >= top - MARGIN.top + 2 && box.y1 <= top + height - 2;

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
