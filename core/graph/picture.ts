import { sinceWords } from "../calendar";
import { VARIABLE, call, type EnclosureFunction, type NumberFunction } from "../formula";
import { formatInput, inputNoun } from "../explain";
import type { Model, ModelFunction, ModelVariable } from "../model";
import { isStopped, roomOf, setAsideOf, type Analysis, type AnyAnswer, type Finding } from "../question";
import { curveBreaks } from "./ends";
import { caption, described, ends, heights, rangeOf, shadesOf } from "./frame";
import type { Curve, Ghost, Pane, Picture, Point, Threshold, View } from "./parts";
import { answerPoints, plain, thresholdsOf, type Ground } from "./points";
import { readingsOf, type Reading } from "./rows";
import { sampleCurve } from "./sample";
import { axis, type Axis } from "./scale";

/** Number of curves told apart by colour and dash before they repeat. */
export const CURVE_LOOKS = 7;
/** Beyond the range, in shares of its width, up to which an answer that was set aside is still drawn. */
const ASIDE_REACH = 0.25;
/** Share of the frame that is left free beyond an answer outside the range. */
const PAD = 0.04;

/**
 * Frames and samples the graph of a case: around the range, the answers, the readings and the thresholds; with round
 * numbers.
 */
export function picture({ model, findings }: Analysis, view: View = {}, ghost: Model | null = null): Picture | null {
  const drawable = [...model.functions.values()].filter((f) => !f.trouble);
  const variables = [...new Set(drawable.map((f) => f.of))];
  const variable = model.variables.get(
    view.variable && variables.includes(view.variable) ? view.variable : (mostUsed(drawable) ?? ""),
  );
  if (!variable) return null;
  const hidden = new Set((model.source.functions ?? []).filter((r) => r.shown === false).map((r) => r.name));
  const functions = drawable.filter((f) => f.of === variable.name && !hidden.has(f.name));
  const own = drawnAnswers(findings, variable.name);
  const units = unitsOf(functions);
  const ground: Ground = {
    model,
    numbers: new Map(functions.map((f) => [f.name, model.table.number(f.name)])),
    pane: (name) => units.indexOf(unitOf(model.functions.get(name))),
  };
  const readings = readingsOf(model, functions);
  const frame = frameOf(variable, own, readings, view);
  const points = pointsOf(own, frame, readings, view, ground);
  const thresholds = thresholdsOf(own, ground);
  const ghosts = ghostFunctions(functions, ghost);
  const visible = [...points.filter((p) => p.x >= frame.x.min && p.x <= frame.x.max), ...thresholds];
  const panes = units.map((unit, pane) => paneOf(unit, pane, frame, visible, ground, ghosts));
  const curves = functions.map((f) => curveOf(f, panes[ground.pane(f.name)]!, frame.x, ground));
  const end = model.source.variables?.find((v) => v.name === variable.name)?.to;
  return {
    variable: variable.name,
    variables,
    framed: frame.isOwn,
    x: frame.x,
    xUnit: variable.unit,
    xLabel: xLabel(variable),
    panes,
    curves,
    ghosts: ghosts.map((g) =>
      ghostOf(
        g,
        panes[ground.pane(g.name)]!,
        frame.x,
        curves.find((c) => c.name === g.name),
      ),
    ),
    points,
    thresholds,
    shades: shadesOf(variable, frame.x, end, model),
    caption: frame.isOwn
      ? caption(own, variable, frame.asides.size > 0)
      : `looking at ${formatInput(frame.x.min, variable.unit)} … ${formatInput(frame.x.max, variable.unit)}`,
    described: described(panes, points, variable, frame.x),
  };
}

const unitOf = (f: ModelFunction | undefined): string => f?.unit?.text ?? "";

/** The units of the functions; the one that most share comes first, in the tallest pane. */
function unitsOf(functions: readonly ModelFunction[]): string[] {
  const countOf = (unit: string) => functions.filter((f) => unitOf(f) === unit).length;
  return [...new Set(functions.map(unitOf))].sort((a, b) => countOf(b) - countOf(a));
}

function mostUsed(functions: readonly ModelFunction[]): string | undefined {
  const counts = new Map<string, number>();
  for (const { of } of functions) counts.set(of, (counts.get(of) ?? 0) + 1);
  return [...counts].sort((a, b) => b[1] - a[1])[0]?.[0];
}

/** Answers about inputs of the variable; a given that was looked for has no place along its axis. */
const drawnAnswers = (findings: readonly Finding[], variable: string): AnyAnswer[] =>
  findings.filter((f): f is AnyAnswer => !isStopped(f) && f.about.variable === variable && !("given" in f));

interface Frame {
  readonly x: Axis;
  /** chosen here, not by somebody who looks closer */
  readonly isOwn: boolean;
  readonly range: { readonly lo: number; readonly hi: number };
  /** answers outside the range that are near enough to be drawn */
  readonly asides: ReadonlySet<ReturnType<typeof setAsideOf>[number]>;
}

/** What is looked at: the range, and a little further where something is to be seen there. */
function frameOf(variable: ModelVariable, own: readonly AnyAnswer[], readings: readonly Reading[], view: View): Frame {
  const range = rangeOf(variable, own);
  const reach = ASIDE_REACH * (range.hi - range.lo);
  const asides = new Set(
    own.flatMap(setAsideOf).filter((s) => Math.abs(s.at - (s.below ? range.lo : range.hi)) <= reach),
  );
  if (view.from !== undefined && view.to !== undefined)
    return { x: axis(view.from, view.to, 6, false), isOwn: false, range, asides };
  const wanted = [
    ...[...asides].map((a) => a.at),
    ...readings.map((r) => r.x),
    ...own.flatMap((f) => roomOf(f).asksAt(f) ?? []),
  ];
  const [lo, hi] = [Math.min(range.lo, ...wanted), Math.max(range.hi, ...wanted)];
  const pad = (hi - lo) * PAD;
  const [isBelow, isAbove] = [lo < range.lo, hi > range.hi];
  const x = ends(isBelow ? lo - pad : lo, isAbove ? hi + pad : hi, range, isBelow, isAbove);
  return { x, isOwn: true, range, asides };
}

/** Answers, rows of a table that somebody looks at, and readings. */
function pointsOf(
  own: readonly AnyAnswer[],
  frame: Frame,
  readings: readonly Reading[],
  view: View,
  ground: Ground,
): Point[] {
  const rows = (view.rows ?? []).flatMap((x) =>
    [...ground.numbers.keys()].map((name): Point => ({ ...plain(name, x, ground), kind: "row" })),
  );
  const marked = readings.map(({ f, x, y }): Point => ({ ...plain(f, x, ground), y, kind: "reading" }));
  return [...answerPoints(own, frame.asides, ground), ...marked, ...rows.filter((p) => Number.isFinite(p.y))];
}

interface GhostFunction {
  readonly name: string;
  readonly unit: string;
  readonly number: NumberFunction;
  readonly enclosure: EnclosureFunction;
}
/** A ghost is drawn where the same function is drawn now, in the same unit. */
function ghostFunctions(functions: readonly ModelFunction[], ghost: Model | null): GhostFunction[] {
  return functions.flatMap((f): GhostFunction[] => {
    const g = ghost?.functions.get(f.name);
    if (!ghost || !g || g.trouble || unitOf(g) !== unitOf(f)) return [];
    const { name } = g;
    return [{ name, unit: unitOf(g), number: ghost.table.number(name), enclosure: ghost.table.enclosure(name) }];
  });
}

/** The functions of one unit above each other, tall enough for their values and all that is marked. */
function paneOf(
  unit: string,
  pane: number,
  frame: Frame,
  visible: readonly (Point | Threshold)[],
  ground: Ground,
  ghosts: readonly GhostFunction[],
): Pane {
  const functions = [...ground.numbers.keys()].filter((name) => ground.pane(name) === pane);
  const values = heights(
    [...functions.map((n) => ground.numbers.get(n)!), ...ghosts.filter((g) => g.unit === unit).map((g) => g.number)],
    Math.max(frame.x.min, frame.isOwn ? frame.range.lo : frame.x.min),
    Math.min(frame.x.max, frame.isOwn ? frame.range.hi : frame.x.max),
  );
  const all = [...values, ...visible.filter((v) => v.pane === pane).map((v) => v.y)];
  const [low, high] = withZero(Math.min(...all), Math.max(...all));
  const isFirst = pane === 0;
  return { unit, functions, y: axis(low, high, isFirst ? 5 : 3, true), share: isFirst ? 1 : LOWER_SHARE };
}
/** Height of the lower panes, as a share of the first. */
const LOWER_SHARE = 0.45;
/** Values that come within this share of their size of 0 are shown together with it. */
const NEAR_ZERO = 0.6;

/** 0 is worth showing unless the values keep far from it; where there are no values there is still an axis. */
function withZero(low: number, high: number): [number, number] {
  if (!Number.isFinite(low) || !Number.isFinite(high)) return [0, 1];
  if (low > 0 && low < high * NEAR_ZERO) return [0, high];
  return high < 0 && high > low * NEAR_ZERO ? [low, 0] : [low, high];
}

function curveOf(f: ModelFunction, { y }: Pane, x: Axis, { numbers, model, pane }: Ground): Curve {
  const rows = model.source.functions ?? [];
  const place = rows.findIndex((r) => r.name === f.name);
  const height = y.max - y.min;
  const broken = curveBreaks(call(f.name, 0, VARIABLE), model.table, x.min, x.max);
  const enclosure = model.table.enclosure(f.name);
  return {
    name: f.name,
    pane: pane(f.name),
    colour: (rows[place]?.look ?? place) % CURVE_LOOKS,
    runs: sampleCurve(numbers.get(f.name)!, enclosure, x.min, x.max, height, broken.breaks),
    ends: broken.ends(height),
  };
}

function ghostOf(g: GhostFunction, { y }: Pane, x: Axis, curve: Curve | undefined): Ghost {
  const runs = sampleCurve(g.number, g.enclosure, x.min, x.max, y.max - y.min);
  return { name: g.name, pane: curve?.pane ?? 0, colour: curve?.colour ?? 0, runs };
}

/** "q, lanterns", "t, s since 3 January 2031" */
function xLabel({ name, unit, since }: ModelVariable): string {
  const noun = inputNoun(name, unit);
  const of = noun !== name ? `, ${noun}` : unit?.text ? `, ${unit.text}` : "";
  return `${name}${of}${since === null ? "" : ` since ${sinceWords(since)}`}`;
}
