import { formatInput, prettyUnit } from "#core/explain";
import type { Picture } from "#core/graph";
import { tickText } from "./tickText";
import { LETTER, paneRects, placeLabels, placeNames, toX, toY, type Rect } from "./graphLayout";

/** Colours and faces of the page, read from its stylesheet. */
export interface Look {
  readonly curves: readonly string[];
  readonly ink: string;
  readonly quiet: string;
  readonly hairline: string;
  readonly axis: string;
  readonly paper: string;
  readonly amber: string;
  readonly amberSoft: string;
  readonly amberDeep: string;
  readonly brick: string;
  readonly grey: string;
  readonly face: string;
}

/** One dash a colour, so that curves are told apart without colour. */
export const DASHES: readonly (number[] | "solid")[] = [
  "solid",
  [11, 4],
  [2, 3],
  [9, 3, 2, 3],
  [5, 3],
  [14, 3, 2, 3, 2, 3],
  [1, 4],
];

interface Style {
  readonly fill?: string;
  readonly stroke?: string;
  readonly width?: number;
  readonly dash?: readonly number[];
  readonly opacity?: number;
}
interface Placed {
  readonly id: string;
  /** what lies over what; higher is nearer */ readonly z: number;
  /** number of the pane it is cut off at; null when it may stand outside */ readonly clip: number | null;
  readonly style: Style;
}
/** One thing on the drawing, in pixels. Marks of one id follow each other from drawing to drawing. */
export type Mark =
  /** polylines: [x, y, x, y, …] each */
  | (Placed & { readonly kind: "runs"; readonly runs: readonly (readonly number[])[] })
  | (Placed & {
      readonly kind: "rect";
      readonly x: number;
      readonly y: number;
      readonly width: number;
      readonly height: number;
      readonly radius: number;
    })
  | (Placed & {
      readonly kind: "dot";
      readonly shape: "circle" | "square" | "diamond";
      readonly x: number;
      readonly y: number;
      readonly size: number;
    })
  /** `halo`: a border in this colour keeps the text readable over curves */
  | (Placed & {
      readonly kind: "text";
      readonly x: number;
      readonly y: number;
      readonly text: string;
      readonly font: string;
      readonly align: "left" | "right" | "center";
      readonly halo: string | null;
    });

/** Beyond this a line is cut: drawings lose their footing at huge numbers; in px. */
const FAR = 50_000;

/** The drawing of a picture at a size in pixels; `lit` dims everything that is not on the trail. */
export function graphMarks(
  picture: Picture,
  width: number,
  height: number,
  look: Look,
  lit: ReadonlySet<string> | null,
): { marks: Mark[]; rects: Rect[] } {
  const rects = paneRects(picture, width, height);
  const marks: Mark[] = [];
  const faded = (key: string) => (lit && !lit.has(key) ? 0.22 : 1);
  const runs = (
    id: string,
    z: number,
    list: readonly (readonly number[])[],
    style: Style,
    clip: number | null = null,
  ) => marks.push({ kind: "runs", id, z, clip, runs: list, style });
  const text = (
    id: string,
    x: number,
    y: number,
    words: string,
    fill: string,
    more: { align?: "left" | "right" | "center"; size?: number; bold?: boolean; opacity?: number; halo?: string } = {},
  ) =>
    marks.push({
      kind: "text",
      id,
      z: 8,
      clip: null,
      x,
      y,
      text: words,
      font: `${more.bold ? "700 " : ""}${more.size ?? 12}px ${look.face}`,
      align: more.align ?? "left",
      halo: more.halo ?? null,
      style: { fill, opacity: more.opacity ?? 1 },
    });
  const crisp = (v: number) => Math.round(v) + 0.5;

  // ---- axes
  const last = rects.length - 1;
  picture.panes.forEach((pane, i) => {
    const rect = rects[i]!;
    const [left, right, top, bottom] = [
      crisp(rect.left),
      rect.left + rect.width,
      rect.top,
      crisp(rect.top + rect.height),
    ];
    for (const t of pane.y.ticks) {
      const y = toY(picture, i, rect, t);
      if (y < top - 1 || y > bottom + 1) continue;
      runs(`grid:${i}:${t}`, 0, [[left, crisp(y), right, crisp(y)]], { stroke: look.hairline, width: 1 });
      text(`tick:${i}:${t}`, left - 8, y, tickText(t, pane.unit), look.quiet, { align: "right" });
    }
    runs(`axis:${i}`, 1, [[left, top, left, bottom, right, bottom]], { stroke: look.axis, width: 1 });
    if (pane.unit && !pane.unit.startsWith("$")) text(`unit:${i}`, 8, rect.top - 11, prettyUnit(pane.unit), look.quiet);
  });
  const foot = rects[last]!;
  let free = -Infinity;
  for (const t of picture.x.ticks) {
    const x = toX(picture, foot, t);
    const words = formatInput(t, picture.xUnit);
    const half = (words.length * LETTER) / 2;
    if (x < foot.left - 1 || x > foot.left + foot.width + 1 || x - half < free + 6) continue;
    free = x + half;
    text(`tickx:${t}`, x, foot.top + foot.height + 13, words, look.quiet, { align: "center" });
  }
  text("x", foot.left + foot.width / 2, foot.top + foot.height + 30, picture.xLabel, look.quiet, { align: "center" });

  // ---- curves
  const placed = (list: Picture["curves"][number]["runs"], pane: number) =>
    list.map((run) => {
      const rect = rects[pane]!;
      const out: number[] = [];
      for (let i = 0; i < run.length; i += 2)
        out.push(toX(picture, rect, run[i]!), Math.max(-FAR, Math.min(FAR, toY(picture, pane, rect, run[i + 1]!))));
      return out;
    });
  for (const g of picture.ghosts)
    runs(
      `ghost:${g.name}`,
      2,
      placed(g.runs, g.pane),
      { stroke: look.curves[g.colour]!, width: 5, opacity: 0.24 * faded(`function:${g.name}`) },
      g.pane,
    );
  for (const c of picture.curves) {
    const dash = DASHES[c.colour];
    runs(
      `curve:${c.name}`,
      3,
      placed(c.runs, c.pane),
      {
        stroke: look.curves[c.colour]!,
        width: lit?.has(`function:${c.name}`) ? 3.2 : 2.4,
        opacity: faded(`function:${c.name}`),
        ...(dash && dash !== "solid" ? { dash } : {}),
      },
      c.pane,
    );
  }
  const dot = (
    id: string,
    z: number,
    shape: "circle" | "square" | "diamond",
    pane: number,
    at: { x: number; y: number },
    size: number,
    style: Style,
    clip: number | null = null,
  ) => {
    if (at.x < picture.x.min || at.x > picture.x.max) return;
    marks.push({
      kind: "dot",
      id,
      z,
      clip,
      shape,
      x: toX(picture, rects[pane]!, at.x),
      y: toY(picture, pane, rects[pane]!, at.y),
      size,
      style,
    });
  };
  const colourOf = (name: string) => look.curves[picture.curves.find((c) => c.name === name)?.colour ?? 0]!;
  // Ends, jumps and holes: filled where the function has that value, open where it only comes close to it.
  for (const c of picture.curves)
    c.ends.forEach((e, i) =>
      dot(
        `end:${c.name}:${i}`,
        4,
        "circle",
        c.pane,
        e,
        8,
        {
          fill: e.closed ? look.curves[c.colour]! : look.paper,
          stroke: look.curves[c.colour]!,
          width: 2,
          opacity: faded(`function:${c.name}`),
        },
        c.pane,
      ),
    );
  picture.points.forEach((p, i) => {
    if (p.kind === "reading")
      dot(`point:${i}`, 5, "square", p.pane, p, 8, {
        fill: colourOf(p.function),
        opacity: faded(`function:${p.function}`),
      });
    else if (p.kind === "row")
      dot(`point:${i}`, 5, "diamond", p.pane, p, 10, {
        fill: look.paper,
        stroke: colourOf(p.function),
        width: 1.6,
        opacity: faded(`function:${p.function}`),
      });
    else if (p.kind === "aside")
      dot(`point:${i}`, 5, "circle", p.pane, p, 10, {
        fill: look.paper,
        stroke: look.grey,
        width: 2,
        opacity: faded(`question:${p.question}`),
      });
    else
      dot(`point:${i}`, 6, "circle", p.pane, p, 10, {
        fill: look.paper,
        stroke: look.amber,
        width: 3.5,
        opacity: faded(`question:${p.question}`),
      });
  });

  // ---- limits and thresholds
  picture.shades.forEach((s, i) => {
    rects.forEach((rect, pane) => {
      const a = toX(picture, rect, s.from);
      marks.push({
        kind: "rect",
        id: `shade:${i}:${pane}`,
        z: 1,
        clip: pane,
        x: a,
        y: rect.top,
        width: toX(picture, rect, s.to) - a,
        height: rect.height,
        radius: 0,
        style: { fill: look.brick, opacity: 0.09 },
      });
      const x = toX(picture, rect, s.at);
      runs(`edge:${i}:${pane}`, 2, [[x, rect.top, x, rect.top + rect.height]], {
        stroke: look.brick,
        width: 1.2,
        dash: [5, 4],
      });
    });
    const x = toX(picture, rects[0]!, s.at);
    const right = x > rects[0]!.left + rects[0]!.width * 0.6;
    text(`edgeText:${i}`, x + (right ? 4 : -4), rects[0]!.top - 10, s.label, look.brick, {
      align: right ? "right" : "left",
    });
  });
  picture.thresholds.forEach((t, i) => {
    const rect = rects[t.pane]!;
    const y = toY(picture, t.pane, rect, t.y);
    if (y < rect.top - 1 || y > rect.top + rect.height + 1) return;
    runs(`level:${i}`, 2, [[rect.left, y, rect.left + rect.width, y]], {
      stroke: look.amberDeep,
      width: t.moves ? 1.6 : 1.2,
      dash: [2, 3],
      opacity: faded(`question:${t.question}`),
    });
    // A threshold that can be dragged shows where to take hold of it.
    if (t.moves)
      marks.push({
        kind: "rect",
        id: `grip:${i}`,
        z: 6,
        clip: null,
        x: rect.left - 5,
        y: y - 6,
        width: 10,
        height: 12,
        radius: 3,
        style: { fill: look.paper, stroke: look.amberDeep, width: 1.4 },
      });
  });

  // ---- names and labels
  for (const n of placeNames(picture, rects))
    text(`name:${n.name}`, n.x, n.y, n.name, look.curves[n.colour]!, {
      size: 13,
      bold: true,
      opacity: faded(`function:${n.name}`),
    });
  placeLabels(picture, rects).forEach((l, i) => {
    const opacity = faded(`question:${l.question}`);
    if (l.leader)
      runs(`leader:${i}`, 5, [[l.leader.x1, l.leader.y1, l.leader.x2, l.leader.y2]], {
        stroke: look.quiet,
        width: 1,
        opacity,
      });
    text(`label:${i}`, l.x, l.y, l.text, look.ink, { align: l.align, opacity, halo: look.paper });
  });
  return { marks, rects };
}
