import { axis } from "#core/graph";
import { cornerText, formatNumber, variableText } from "#core/explain";
import { isFlat, openEdges, type PlanPicture, type PlanResult } from "#core/plan";
import type { Plan } from "#core/model";
import { AROUND, arrowsOf, groundOf, placeCorners, type Ground, type Labelled } from "./regionLayout";
import type { Look } from "./look";
import { polygon, polyline, words, type ChartOption, type Series, type Shape } from "./option";

/** What is written on a graph for a document. */
export interface PaperWords {
  /** along the input's axis, and over the axis of values of each pane; empty: nothing */
  readonly across: string;
  readonly upwards: readonly string[];
  /** names at the curves, or at the lines of constraints */
  readonly names: boolean;
  /** keys of the answers whose words stand beside their rings */
  readonly named: readonly string[];
}
export const keyOfCorner = (at: readonly number[]): string => at.join(",");

/** What the region of two variables shows. */
export interface RegionView {
  readonly plan: Plan;
  readonly result: PlanResult;
  readonly picture: PlanPicture;
  /** colour of each constraint's line */
  readonly colours: Readonly<Record<string, number>>;
  /** the constraints that stand out; all of them alike where there are none */
  readonly lit: readonly string[];
  /** what is ruled out is shaded, instead of what is allowed */
  readonly ruledOut: boolean;
  /** the objective's line, across the frame */
  readonly line: readonly (readonly [number, number])[] | null;
  /** for a document: what is written on it */
  readonly paper?: PaperWords | undefined;
}

interface Art extends RegionView {
  readonly ground: Ground;
  readonly look: Look;
}

const PLAIN = { silent: true, animation: false, emphasis: { disabled: true } } as const;
/** What lies over what; the library's grid lines are at 0. */
const Z = { area: -1, whole: 1, line: 2, corner: 4, text: 8 } as const;
/** From so many whole points on they are drawn small. */
const MANY = 250;

export function regionOption(view: RegionView, width: number, height: number, look: Look): ChartOption {
  const art: Art = { ...view, ground: groundOf(view.picture, width, height), look };
  const { left, top, width: w, height: h } = art.ground;
  const { frame } = view.picture;
  return {
    textStyle: { fontFamily: look.face },
    grid: [{ id: "frame", left, top, width: w, height: h, outerBoundsMode: "none" }],
    xAxis: [axisOf("x", frame.x0, frame.x1, Math.max(3, Math.round(width / 90)), art)],
    yAxis: [axisOf("y", frame.y0, frame.y1, Math.max(3, Math.round(height / 70)), art)],
    series: [
      { type: "custom", id: "area", ...PLAIN, clip: true, z: Z.area, shapes: areas(art) },
      { type: "scatter", id: "whole", ...PLAIN, clip: true, z: Z.whole, data: wholePoints(art) },
      { type: "custom", id: "lines", ...PLAIN, clip: true, z: Z.line, shapes: [...lines(art), ...ways(art)] },
      { type: "custom", id: "objective", ...PLAIN, clip: true, z: Z.line, shapes: objective(art) },
      { type: "scatter", id: "corners", ...PLAIN, clip: false, z: Z.corner, data: corners(art) },
      texts(art),
    ],
  };
}

const number = (value: number): string => formatNumber(value);

function axisOf(id: string, min: number, max: number, count: number, { look }: Art) {
  const ticks = [...axis(min, max, count, false).ticks];
  return {
    id,
    type: "value",
    min,
    max,
    silent: true,
    axisLine: { show: false },
    axisTick: { show: false, customValues: ticks },
    splitLine: { show: true, lineStyle: { color: look.hairline } },
    axisLabel: { customValues: ticks, formatter: number, color: look.quiet, fontSize: 12, hideOverlap: true },
  };
}

type Pixel = readonly [number, number];
const placed = ({ ground }: Art, points: readonly Pixel[]): Pixel[] =>
  points.map(([x, y]) => [ground.x(x), ground.y(y)]);

/** What is allowed, or what is not; a region without area is a thick line. */
function areas(art: Art): Shape[] {
  const { look, ground, picture } = art;
  const region = placed(art, picture.region);
  const [right, foot] = [ground.left + ground.width, ground.top + ground.height];
  const frame: Pixel[] = [
    [ground.left, ground.top],
    [right, ground.top],
    [right, foot],
    [ground.left, foot],
  ];
  if (art.ruledOut)
    return [polygon(frame, look.brick, 0.14), ...(region.length > 0 ? [polygon(region, look.paper)] : [])];
  if (!isFlat(picture)) return region.length > 0 ? [polygon(region, look.curves[0]!, 0.15)] : [];
  return [polyline([...region, region[0]!], { stroke: look.curves[0]!, lineWidth: 6, opacity: 0.4 })];
}

/** Whole points inside, and those of the rounded best that are not. */
function wholePoints({ picture, result, look }: Art) {
  const size = picture.lattice.length > MANY ? 3.4 : 5.6;
  const inside = picture.lattice.map((value) => ({
    value,
    symbolSize: size,
    itemStyle: { color: look.curves[0]!, opacity: 1 },
  }));
  const outside = result.outside.map((value) => ({
    value,
    symbolSize: 6,
    itemStyle: { color: "none", borderColor: look.grey, borderWidth: 1, opacity: 0.55 },
  }));
  return [...inside, ...outside];
}

const lines = (art: Art): Shape[] =>
  art.picture.lines.map((l) =>
    polyline(placed(art, [l.from, l.to]), {
      stroke: art.look.curves[art.colours[l.id] ?? 6]!,
      lineWidth: art.lit.includes(l.id) ? 3.4 : 2,
      opacity: art.lit.length > 0 && !art.lit.includes(l.id) ? 0.3 : 1,
    }),
  );

/** Where the region goes on for ever: its open edges as a fringe of dashes, and arrows along its directions. */
function ways(art: Art): Shape[] {
  if (art.result.regionBounded !== false) return [];
  const { look } = art;
  const fringe = { stroke: look.paper, lineWidth: 7, opacity: 1, lineDash: [6, 7] };
  const shaft = { stroke: look.curves[0]!, lineWidth: 2.2, opacity: 1 };
  return [
    ...openEdges(art.picture).map((e) => polyline(placed(art, [e.from, e.to]), fringe)),
    ...arrowsOf(art.picture, art.result, art.ground).flatMap((a) => [
      polyline(a.line, shaft),
      polygon(a.head, look.curves[0]!),
    ]),
  ];
}

const objective = (art: Art): Shape[] =>
  art.line
    ? [polyline(placed(art, art.line), { stroke: art.look.amber, lineWidth: 2.6, opacity: 1, lineDash: [9, 5] })]
    : [];

/** The answer: the best whole point where whole values are asked for, otherwise the best corners. */
function answerOf({ result }: Pick<RegionView, "result">): { keys: ReadonlySet<string>; whole: PlanResult["whole"] } {
  const best = new Set(result.best.map((b) => b.at.join(",")));
  const whole = result.whole && !best.has(result.whole.at.join(",")) ? result.whole : null;
  return { keys: whole ? new Set([whole.at.join(",")]) : best, whole };
}

function corners(art: Art) {
  const { look, result } = art;
  const { keys, whole } = answerOf(art);
  const plain = { color: look.paper, borderColor: look.curves[0]!, borderWidth: 2.4, opacity: 1 };
  const best = { color: look.amber, borderColor: look.paper, borderWidth: 2, opacity: 1 };
  const all = [...result.corners, ...(whole ? [whole] : [])];
  return all.map(({ at }) => {
    const isBest = keys.has(at.join(","));
    return { value: [at[0], at[1]], symbol: "circle", symbolSize: isBest ? 14 : 10, itemStyle: isBest ? best : plain };
  });
}

/** "(60, 40) $370" */
function texts(art: Art): Series {
  const { look, ground, plan, paper } = art;
  const how = { fill: look.quiet, face: look.face };
  const { across, upwards } = paper ?? { across: variableText(plan, 0), upwards: [variableText(plan, 1)] };
  const shapes = [
    ...(paper?.names === false ? [] : lineNames(art)),
    ...cornerLabels(art),
    words(ground.left + ground.width / 2, ground.top + ground.height + AROUND.bottom - 10, across, {
      ...how,
      align: "center",
    }),
    words(6, 9, upwards[0] ?? "", how),
  ];
  return { type: "custom", id: "words", coordinateSystem: "none", ...PLAIN, z: Z.text, shapes };
}

/** The best corners come first: their labels are the ones to be read. */
function cornerLabels(art: Art): Shape[] {
  const { look, plan, result } = art;
  const { keys, whole } = answerOf(art);
  const isNamed = (at: readonly number[]) => art.paper?.named.includes(keyOfCorner(at)) ?? true;
  const places = [...(whole ? [whole] : []), ...result.corners].filter((c) => isNamed(c.at));
  const all = places.map((c): Labelled => ({
    at: c.at,
    text: cornerText(c, plan),
    strong: keys.has(c.at.join(",")),
  }));
  const once = all.filter((c, i) => all.findIndex((d) => d.at.join(",") === c.at.join(",")) === i);
  const order = once.sort((a, b) => Number(b.strong) - Number(a.strong));
  return placeCorners(order, art.ground).map((l) =>
    words(l.x, l.y, l.text, {
      fill: look.ink,
      face: look.face,
      halo: look.paper,
      align: l.align,
      size: l.strong ? 14 : 12,
      bold: l.strong,
    }),
  );
}

/** Names at the ends of the lines: long ones lie along the line, short ones beside its end. */
function lineNames({ picture, ground, look, colours }: Art): Shape[] {
  return picture.lines.map((l) => {
    const [x, y] = [ground.x(l.to[0]), ground.y(l.to[1])];
    const isLong = l.id.trim().length > 2;
    const isAtRight = l.to[0] >= picture.frame.x1 - 1e-9;
    const hasRoom = x > ground.left + 70;
    const dx = isLong ? (hasRoom ? -4 : 4) : isAtRight ? 5 : -4;
    const dy = isLong ? -9 : isAtRight ? 0 : 10;
    return words(x + dx, Math.max(ground.top + 6, Math.min(ground.top + ground.height - 8, y + dy)), l.id, {
      fill: look.curves[colours[l.id] ?? 6]!,
      face: look.face,
      align: isLong && hasRoom ? "right" : "left",
      size: 13,
      bold: true,
    });
  });
}
