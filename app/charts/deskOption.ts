import type { Picture, Point } from "#core/graph";
import { xAxis, yAxis, type Art } from "./deskAxes";
import { LABEL_HEIGHT, placeLabels } from "./answerLabels";
import { paneRects, placeNames, toX, toY, type Margin, type Rect } from "./deskLayout";
import { dashOf, type Look } from "./look";
import { cutAt, group, polyline, words, type ChartOption, type Lettering, type Series, type Shape } from "./option";

/** Beyond this a line is cut: drawings lose their footing at huge numbers; in px. */
const FAR = 50_000;
/** What is off the trail that is lit. */
const FADED = 0.22;
/** What lies over what; higher is nearer. */
const Z = { ghost: 2, level: 2, curve: 3, end: 4, point: 6, text: 8 } as const;
const PLAIN = { silent: true, animation: false, emphasis: { disabled: true } } as const;

/** What may be otherwise about the graph of the desk. */
export interface DeskForm {
  /** what is on the trail that is lit: everything else fades */
  readonly lit?: ReadonlySet<string> | null;
  /** of a small graph, which has neither names nor labels */
  readonly margin?: Margin;
  /** no names at the ends of its curves */
  readonly isUnnamed?: boolean;
}

/** The graph of the desk at a size in pixels. */
export function deskOption(
  picture: Picture,
  width: number,
  height: number,
  look: Look,
  { lit = null, margin, isUnnamed = false }: DeskForm = {},
): { option: ChartOption; rects: Rect[] } {
  const rects = paneRects(picture, width, height, margin);
  const art: Art = { picture, rects, look, lit, isSmall: margin !== undefined, isUnnamed };
  const option = {
    textStyle: { fontFamily: look.face },
    grid: rects.map((r, i) => ({ id: `pane:${i}`, ...r, outerBoundsMode: "none" })),
    xAxis: rects.map((_, i) => xAxis(i, art)),
    yAxis: rects.map((_, i) => yAxis(i, art)),
    series: [...rects.flatMap((_, i) => paneSeries(i, art)), texts(art)],
  };
  return { option, rects };
}

const shade = ({ lit }: Art, key: string): number => (lit && !lit.has(key) ? FADED : 1);
const colourOf = ({ picture, look }: Art, name: string): string =>
  look.curves[picture.curves.find((c) => c.name === name)?.colour ?? 0]!;

// ---- series of one pane ---------------------------------------------------------------------------------------------

function paneSeries(pane: number, art: Art): Series[] {
  const axes = { xAxisIndex: pane, yAxisIndex: pane, ...PLAIN };
  return [
    { type: "custom", id: `ghosts:${pane}`, ...axes, clip: false, z: Z.ghost, shapes: ghosts(pane, art) },
    { type: "custom", id: `curves:${pane}`, ...axes, clip: false, z: Z.curve, shapes: curves(pane, art) },
    { type: "scatter", id: `ends:${pane}`, ...axes, clip: true, z: Z.end, data: ends(pane, art) },
    {
      type: "scatter",
      id: `points:${pane}`,
      ...axes,
      clip: false,
      z: Z.point,
      // Nobody takes hold of anything on paper.
      data: [...points(pane, art), ...(art.look.onPaper ? [] : grips(pane, art))],
      markLine: levels(pane, art),
      markArea: shades(art),
    },
  ];
}

/** Runs of x, y, x, y, … as points in pixels. */
const placed = ({ picture, rects }: Art, run: ArrayLike<number>, pane: number): [number, number][] =>
  Array.from({ length: run.length / 2 }, (_, i) => [
    toX(picture, rects[pane]!, run[2 * i]!),
    Math.max(-FAR, Math.min(FAR, toY(picture, pane, rects[pane]!, run[2 * i + 1]!))),
  ]);

const ghosts = (pane: number, art: Art): Shape[] =>
  art.picture.ghosts
    .filter((g) => g.pane === pane)
    .map((g) => {
      const opacity = 0.24 * shade(art, `function:${g.name}`);
      const style = { stroke: art.look.curves[g.colour]!, lineWidth: 5, opacity };
      return cutAt(
        art.rects[pane]!,
        g.runs.map((run) => polyline(placed(art, run, pane), style)),
      );
    });

const curves = (pane: number, art: Art): Shape[] =>
  art.picture.curves
    .filter((c) => c.pane === pane)
    .map((c) => {
      const dash = dashOf(c.colour);
      const style = {
        stroke: art.look.curves[c.colour]!,
        lineWidth: art.lit?.has(`function:${c.name}`) ? 3.2 : art.isSmall ? 2 : 2.4,
        opacity: shade(art, `function:${c.name}`),
        ...(dash ? { lineDash: dash } : {}),
      };
      return cutAt(
        art.rects[pane]!,
        c.runs.map((run) => polyline(placed(art, run, pane), style)),
      );
    });

/** Ends, jumps and holes: filled where the function has that value, open where it only comes close to it. */
const ends = (pane: number, art: Art) =>
  art.picture.curves
    .filter((c) => c.pane === pane)
    .flatMap((c) =>
      c.ends.map((e) => ({
        value: [e.x, e.y],
        symbol: "circle",
        symbolSize: art.isSmall ? 7 : 8,
        itemStyle: {
          color: e.closed ? art.look.curves[c.colour]! : art.look.paper,
          borderColor: art.look.curves[c.colour]!,
          borderWidth: 2,
          opacity: shade(art, `function:${c.name}`),
        },
      })),
    );

const points = (pane: number, art: Art) =>
  art.picture.points
    .filter((p) => p.pane === pane && p.x >= art.picture.x.min && p.x <= art.picture.x.max)
    .map((p) => ({ value: [p.x, p.y], ...pointStyle(p, art) }));

/** A reading is a square, a row of a table a diamond, an answer a ring; one that was set aside is grey. */
function pointStyle(p: Point, art: Art) {
  const { look } = art;
  const own = colourOf(art, p.function);
  const opacity = shade(art, p.question === null ? `function:${p.function}` : `question:${p.question}`);
  const ring = (borderColor: string, borderWidth: number) => ({ color: look.paper, borderColor, borderWidth, opacity });
  switch (p.kind) {
    case "reading":
      return { symbol: "rect", symbolSize: 8, itemStyle: { color: own, opacity } };
    case "row":
      return { symbol: "diamond", symbolSize: 10, itemStyle: ring(own, 1.6) };
    case "aside":
      return { symbol: "circle", symbolSize: 10, itemStyle: ring(look.grey, 2) };
    case "answer":
      return { symbol: "circle", symbolSize: 10, itemStyle: ring(look.amber, art.isSmall ? 3 : 3.5) };
  }
}

// ---- limits and thresholds ------------------------------------------------------------------------------------------

/** Thresholds across the pane, and the edges of the range. */
function levels(pane: number, art: Art) {
  const { picture, look } = art;
  const across = levelsIn(pane, art).map((t) => ({
    yAxis: t.y,
    lineStyle: {
      color: look.amberDeep,
      width: t.moves ? 1.6 : 1.2,
      type: [2, 3],
      opacity: shade(art, `question:${t.question}`),
    },
  }));
  const edges = picture.shades.map((s) => ({
    xAxis: s.at,
    lineStyle: { color: look.brick, width: 1.2, type: [5, 4] },
  }));
  return { ...PLAIN, z: Z.level, symbol: ["none", "none"], label: { show: false }, data: [...across, ...edges] };
}

function levelsIn(pane: number, { picture }: Art) {
  const { min, max } = picture.panes[pane]!.y;
  return picture.thresholds.filter((t) => t.pane === pane && t.y >= min && t.y <= max);
}

/** Where to take hold of a threshold that can be dragged. */
const grips = (pane: number, art: Art) =>
  levelsIn(pane, art)
    .filter((t) => t.moves !== null && !art.isSmall)
    .map((t) => ({
      value: [art.picture.x.min, t.y],
      symbol: "roundRect",
      symbolSize: [10, 12],
      itemStyle: { color: art.look.paper, borderColor: art.look.amberDeep, borderWidth: 1.4, opacity: 1 },
    }));

/** What lies outside the range. */
const shades = ({ picture, look }: Art) => ({
  ...PLAIN,
  z: 1,
  label: { show: false },
  itemStyle: { color: look.brick, borderColor: look.brick, opacity: 0.09 },
  data: picture.shades.map((s) => [{ xAxis: s.from }, { xAxis: s.to }]),
});

// ---- words ----------------------------------------------------------------------------------------------------------

const write = ({ look }: Art, x: number, y: number, text: string, how: Omit<Lettering, "face">): Shape =>
  words(x, y, text, { ...how, face: look.face });

/** Names at the ends of the curves, labels of answers, what the limits are: placed by us, over all panes. */
function texts(art: Art): Series {
  const shapes = art.isSmall ? [] : [...limitWords(art), ...nameWords(art), ...answerWords(art)];
  return { type: "custom", id: "words", coordinateSystem: "none", ...PLAIN, z: Z.text, shapes };
}

const limitWords = (art: Art): Shape[] => {
  const first = art.rects[0]!;
  return art.picture.shades.map((s) => {
    const x = toX(art.picture, first, s.at);
    const isRight = x > first.left + first.width * 0.6;
    return write(art, x + (isRight ? 4 : -4), first.top - 10, s.label, {
      fill: art.look.brick,
      align: isRight ? "right" : "left",
    });
  });
};
const nameWords = (art: Art): Shape[] =>
  (art.isUnnamed ? [] : placeNames(art.picture, art.rects)).map((n) =>
    write(art, n.x, n.y, n.name, {
      fill: art.look.curves[n.colour]!,
      size: 13,
      bold: true,
      opacity: shade(art, `function:${n.name}`),
    }),
  );
const answerWords = (art: Art): Shape[] =>
  placeLabels(art.picture, art.rects).map((l) => {
    const opacity = Math.max(...l.questions.map((id) => shade(art, `question:${id}`)));
    const label = write(art, l.x, l.y, l.text, {
      lineHeight: LABEL_HEIGHT,
      fill: art.look.ink,
      align: l.align,
      opacity,
      halo: art.look.paper,
    });
    if (!l.leader) return label;
    const { x1, y1, x2, y2 } = l.leader;
    const line = { stroke: art.look.quiet, lineWidth: 1, opacity };
    return group([
      polyline(
        [
          [x1, y1],
          [x2, y2],
        ],
        line,
      ),
      label,
    ]);
  });
