import type { PlanPicture } from "./draw";

type Point = readonly [number, number];

/** Share of the frame's area below which a region counts as one without area, for drawing only. */
const FLAT_AREA_SHARE = 1e-7;

/** Whether a region is a segment or a point: drawn as a thick line, since it has no area to fill. */
export function isFlat({ region, frame }: PlanPicture): boolean {
  const area = region.reduce((sum, [x, y], i) => {
    const [u, v] = region[(i + 1) % region.length]!;
    return sum + x * v - u * y;
  }, 0);
  return region.length > 0 && Math.abs(area) < FLAT_AREA_SHARE * (frame.x1 - frame.x0) * (frame.y1 - frame.y0);
}

/** Edges of the frame over which a region without end goes on; a constraint's own line there is no such edge. */
export function openEdges({ region, frame, lines }: PlanPicture): { from: Point; to: Point }[] {
  const isOnFrame = (p: Point, q: Point) =>
    [frame.x0, frame.x1].some((x) => p[0] === x && q[0] === x) ||
    [frame.y0, frame.y1].some((y) => p[1] === y && q[1] === y);
  const isBound = (p: Point, q: Point) =>
    lines.some(
      (l) =>
        isOnFrame(l.from, l.to) &&
        ((l.from[0] === l.to[0] && p[0] === q[0] && p[0] === l.from[0]) ||
          (l.from[1] === l.to[1] && p[1] === q[1] && p[1] === l.from[1])),
    );
  return region.flatMap((from, i) => {
    const to = region[(i + 1) % region.length]!;
    const isEdge = from[0] !== to[0] || from[1] !== to[1];
    return isEdge && isOnFrame(from, to) && !isBound(from, to) ? [{ from, to }] : [];
  });
}
