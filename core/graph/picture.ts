import { sinceWords } from "../calendar";
import { toDouble } from "../numeric";
import type { Unit } from "../units";
import { VARIABLE, call, type NumberFunction } from "../formula";
import { formatInput, formatQuantity, inputNoun, list } from "../explain";
import { rowsOf, type Analysis, type Finding, type Model, type ModelVariable } from "../model";
import { axis, type Axis } from "./scale";
import { curveBreaks, type CurveEnd } from "./ends";
import { sampleCurve, type Run } from "./sample";

export interface Curve {
  readonly name: string;
  readonly pane: number;
  readonly colour: number;
  readonly runs: readonly Run[];
  readonly ends: readonly CurveEnd[];
}
/** A curve of another case or of earlier givens, for comparison. */
export interface Ghost {
  readonly name: string;
  readonly pane: number;
  readonly colour: number;
  readonly runs: readonly Run[];
}
export interface Point {
  readonly x: number;
  readonly y: number;
  readonly pane: number;
  readonly kind: "answer" | "aside" | "reading" | "row";
  readonly question: string | null;
  readonly function: string;
  readonly label: string;
}
export interface Threshold {
  readonly y: number;
  readonly pane: number;
  readonly question: string;
  readonly label: string;
  /**
   * what moves when it is dragged: the value in the question, or the given that holds it; null where it is worked out
   */
  readonly moves: { readonly kind: "question" | "given"; readonly name: string } | null;
}
export interface Shade {
  readonly from: number;
  readonly to: number;
  readonly label: string;
  readonly at: number;
}
export interface Pane {
  readonly unit: string;
  readonly functions: readonly string[];
  readonly y: Axis;
  readonly share: number;
}

/** Everything a drawing needs, in the case's own numbers; how it is drawn is the caller's business. */
export interface Picture {
  readonly variable: string;
  readonly variables: readonly string[];
  readonly xLabel: string;
  /** unit of the inputs: a share or a rate is marked in percent along the axis */
  readonly xUnit: Unit | null;
  readonly x: Axis;
  readonly framed: boolean;
  readonly panes: readonly Pane[];
  readonly curves: readonly Curve[];
  readonly ghosts: readonly Ghost[];
  readonly points: readonly Point[];
  readonly thresholds: readonly Threshold[];
  readonly shades: readonly Shade[];
  /** "framed to show both break-evens, the peak and the room limit" */
  readonly caption: string;
  /** the picture in words */
  readonly described: string;
}

export interface View {
  readonly variable?: string;
  readonly from?: number;
  readonly to?: number;
  /** inputs of table rows that show on the curves */
  readonly rows?: readonly number[];
}

/** Number of curves told apart by colour and dash before they repeat. */
export const CURVE_LOOKS = 7;
/** Beyond the range, in shares of its width, up to which an answer that was set aside is still drawn. */
const ASIDE_REACH = 0.25;

/**
 * Frames and samples the graph of a case: around the range, the answers, the readings and the thresholds; with round
 * numbers.
 */
export function picture({ model, findings }: Analysis, view: View = {}, ghost: Model | null = null): Picture | null {
  const drawable = [...model.functions.values()].filter((f) => !f.trouble);
  const variables = [...new Set(drawable.map((f) => f.of))];
  const variableName =
    view.variable && variables.includes(view.variable) ? view.variable : mostUsed(drawable.map((f) => f.of));
  const variable = model.variables.get(variableName ?? "");
  if (!variable || !variableName) return null;
  const rows = model.source.functions ?? [];
  const functions = drawable.filter(
    (f) => f.of === variableName && rows.find((r) => r.name === f.name)?.shown !== false,
  );
  const own = findings.filter((f) => f.about.variable === variableName && f.status !== "error" && f.ask !== "given");
  const range = rangeOf(variable, own);
  const asides = own.flatMap((f) =>
    f.setAside.filter((s) => Math.abs(s.at - (s.below ? range.lo : range.hi)) <= ASIDE_REACH * (range.hi - range.lo)),
  );
  const readings = rows
    .filter((r) => r.by.kind === "line" && functions.some((f) => f.name === r.name))
    .flatMap((r) =>
      r.by.kind === "line" ? r.by.through.map(([x, y]) => ({ f: r.name, x: Number(x), y: Number(y) })) : [],
    )
    .filter((p) => Number.isFinite(p.x) && Number.isFinite(p.y))
    .concat(dataPoints(model, new Set(functions.map((f) => f.name))));
  const framed = view.from === undefined || view.to === undefined;
  const wanted = [
    range.lo,
    range.hi,
    ...asides.map((a) => a.at),
    ...readings.map((r) => r.x),
    ...own.flatMap((f) => (f.ask === "value" && f.about.at !== null ? [f.about.at] : [])),
  ];
  const lo = Math.min(...wanted);
  const hi = Math.max(...wanted);
  const beyondLow = lo < range.lo;
  const beyondHigh = hi > range.hi;
  const pad = (hi - lo) * 0.04;
  const xAxis = framed
    ? ends(beyondLow ? lo - pad : lo, beyondHigh ? hi + pad : hi, range, beyondLow, beyondHigh)
    : axis(view.from!, view.to!, 6, false);

  // The unit that most functions share comes first, in the tallest pane.
  const countOf = (unit: string) => functions.filter((f) => (f.unit?.text ?? "") === unit).length;
  const units = [...new Set(functions.map((f) => f.unit?.text ?? ""))].sort((a, b) => countOf(b) - countOf(a));
  const numbers = new Map<string, NumberFunction>(functions.map((f) => [f.name, model.table.number(f.name)]));
  // A ghost is drawn where the same function is drawn now, in the same unit.
  const ghostFunctions = ghost
    ? functions.flatMap((f) => {
        const g = ghost.functions.get(f.name);
        return g && !g.trouble && (g.unit?.text ?? "") === (f.unit?.text ?? "") ? [g] : [];
      })
    : [];
  const points = pointsOf(
    own,
    functions.map((f) => f.name),
    numbers,
    units,
    model,
    readings,
    asides,
    variable.unit,
  );
  for (const x of view.rows ?? [])
    for (const f of functions) {
      const y = numbers.get(f.name)!(x);
      if (Number.isFinite(y))
        points.push({
          x,
          y,
          pane: units.indexOf(f.unit?.text ?? ""),
          kind: "row",
          question: null,
          function: f.name,
          label: "",
        });
    }
  const thresholds = own.flatMap((f): Threshold[] => {
    const name = f.about.functions[0]!;
    const pane = units.indexOf(model.functions.get(name)?.unit?.text ?? "");
    if (
      (f.ask !== "reach" && f.ask !== "where" && f.ask !== "multiply") ||
      f.about.level === null ||
      !numbers.has(name)
    )
      return [];
    return [
      {
        y: f.about.level,
        pane,
        question: f.id,
        label: formatQuantity(f.about.level, model.functions.get(name)?.unit ?? null),
        moves: movesOf(f.id, model),
      },
    ];
  });
  const panes = units.map((unit, pane): Pane => {
    const names = functions.filter((f) => (f.unit?.text ?? "") === unit).map((f) => f.name);
    const ghostly = ghostFunctions.filter((g) => (g.unit?.text ?? "") === unit).map((g) => ghost!.table.number(g.name));
    const values = heights(
      [...names.map((n) => numbers.get(n)!), ...ghostly],
      Math.max(xAxis.min, framed ? range.lo : xAxis.min),
      Math.min(xAxis.max, framed ? range.hi : xAxis.max),
    );
    const marks = [
      ...points.filter((p) => p.pane === pane && p.x >= xAxis.min && p.x <= xAxis.max).map((p) => p.y),
      ...thresholds.filter((t) => t.pane === pane).map((t) => t.y),
    ];
    let low = Math.min(...values, ...marks);
    let high = Math.max(...values, ...marks);
    if (!Number.isFinite(low) || !Number.isFinite(high)) {
      low = 0;
      high = 1;
    }
    // 0 is worth showing unless the values keep far from it.
    if (low > 0 && low < high * 0.6) low = 0;
    if (high < 0 && high > low * 0.6) high = 0;
    return { unit, functions: names, y: axis(low, high, pane === 0 ? 5 : 3, true), share: pane === 0 ? 1 : 0.45 };
  });
  const curves = functions.map((f): Curve => {
    const pane = units.indexOf(f.unit?.text ?? "");
    const y = panes[pane]!.y;
    const { breaks, ends } = curveBreaks(call(f.name, 0, VARIABLE), model.table, xAxis.min, xAxis.max);
    const row = rows.findIndex((r) => r.name === f.name);
    const colour = (rows[row]?.look ?? row) % CURVE_LOOKS;
    return {
      name: f.name,
      pane,
      colour,
      runs: sampleCurve(
        numbers.get(f.name)!,
        model.table.enclosure(f.name),
        xAxis.min,
        xAxis.max,
        y.max - y.min,
        breaks,
      ),
      ends: ends(y.max - y.min),
    };
  });
  const ghosts = ghostFunctions.map((g): Ghost => {
    const pane = units.indexOf(g.unit?.text ?? "");
    const y = panes[pane]!.y;
    return {
      name: g.name,
      pane,
      colour: curves.find((c) => c.name === g.name)?.colour ?? 0,
      runs: sampleCurve(
        ghost!.table.number(g.name),
        ghost!.table.enclosure(g.name),
        xAxis.min,
        xAxis.max,
        y.max - y.min,
      ),
    };
  });
  const noun = inputNoun(variable.name, variable.unit);
  return {
    variable: variableName,
    variables,
    framed,
    x: xAxis,
    panes,
    curves,
    ghosts,
    points,
    thresholds,
    xUnit: variable.unit,
    xLabel:
      `${variable.name}` +
      `${noun !== variable.name ? `, ${noun}` : variable.unit?.text ? `, ${variable.unit.text}` : ""}` +
      `${variable.since === null ? "" : ` since ${sinceWords(variable.since)}`}`,
    shades: shadesOf(variable, xAxis, model.source.variables?.find((v) => v.name === variableName)?.to, model),
    caption: framed
      ? caption(own, variable, asides.length > 0)
      : `looking at ${formatInput(xAxis.min, variable.unit)} … ${formatInput(xAxis.max, variable.unit)}`,
    described: described(panes, points, variable, xAxis),
  };
}

/** What a threshold's line stands for: a number in the question or a given named there. */
function movesOf(id: string, model: Model): Threshold["moves"] {
  const q = model.source.questions?.find((r) => r.id === id);
  if (!q || !("value" in q) || q.ask === "given") return null;
  if (typeof q.value === "number") return { kind: "question", name: id };
  if (typeof q.value !== "string") return null;
  const name = q.value.trim();
  return model.givens.has(name)
    ? { kind: "given", name }
    : /^-?\d+(?:\.\d+)?$/.test(name)
      ? { kind: "question", name: id }
      : null;
}

function mostUsed(names: readonly string[]): string | undefined {
  const counts = new Map<string, number>();
  for (const n of names) counts.set(n, (counts.get(n) ?? 0) + 1);
  return [...counts].sort((a, b) => b[1] - a[1])[0]?.[0];
}

/** The stretch that matters: the variable's range; where it is open, around the answers. */
function rangeOf(variable: ModelVariable, findings: readonly Finding[]): { lo: number; hi: number } {
  const answers = findings
    .flatMap((f) => [...f.solutions.map((s) => s.at), ...f.stretches.flatMap((s) => [s.from, s.to])])
    .filter((x): x is number => x !== null && Number.isFinite(x));
  const inputs = findings
    .flatMap((f) => [f.about.at, ...(f.about.between ?? [])])
    .filter((x): x is number => x !== null);
  const known = [...answers, ...inputs];
  const reach = Math.max(...known.map(Math.abs), 0);
  let lo = variable.from
    ? toDouble(variable.from)
    : known.length > 0
      ? Math.min(...known, 0) - 0.3 * reach
      : variable.to
        ? toDouble(variable.to) - 10
        : -10;
  let hi = variable.to
    ? toDouble(variable.to)
    : known.length > 0
      ? Math.max(...known, lo) + 0.4 * Math.max(reach, 1)
      : lo + (variable.from ? 10 : 20);
  if (!(hi > lo)) {
    lo -= 1;
    hi += 1;
  }
  return { lo, hi };
}

function ends(lo: number, hi: number, range: { lo: number; hi: number }, roundLow: boolean, roundHigh: boolean): Axis {
  const step = axis(lo, hi, 8, false).ticks;
  const by = step.length > 1 ? (step[1]! - step[0]!) / 5 : 1;
  const min = roundLow ? Math.floor(lo / by) * by : range.lo;
  const max = roundHigh ? Math.ceil(hi / by) * by : range.hi;
  return axis(Number(min.toPrecision(12)), Number(max.toPrecision(12)), 6, false);
}

/**
 * Values that should be visible: all of them, but a pole does not squash the rest (the outermost are left out where
 * they run away).
 */
function heights(functions: readonly NumberFunction[], lo: number, hi: number): number[] {
  const finite: number[] = [];
  for (const f of functions)
    for (let i = 0; i <= 240; i++) {
      const y = f(lo + ((hi - lo) * i) / 240);
      if (Number.isFinite(y)) finite.push(y);
    }
  if (finite.length < 8) return finite;
  const all = Float64Array.from(finite).sort();
  const at = (share: number) => all[Math.floor(share * (all.length - 1))]!;
  const spread = at(0.95) - at(0.05);
  const top = all[all.length - 1]!;
  const bottom = all[0]!;
  const reach = Math.max(spread * 4, 1e-300);
  const low = bottom < at(0.05) - reach ? at(0.05) - spread * 0.5 : bottom;
  const high = top > at(0.95) + reach ? at(0.95) + spread * 0.5 : top;
  return [low, high];
}

function pointsOf(
  findings: readonly Finding[],
  names: readonly string[],
  numbers: ReadonlyMap<string, NumberFunction>,
  units: readonly string[],
  model: Analysis["model"],
  readings: readonly { f: string; x: number; y: number }[],
  asides: readonly { at: number }[],
  input: Unit | null,
): Point[] {
  const out: Point[] = [];
  const unitOf = (name: string) => model.functions.get(name)?.unit ?? null;
  const pane = (name: string) => units.indexOf(unitOf(name)?.text ?? "");
  const x = (at: number) => formatInput(at, input, 5);
  for (const f of findings) {
    const name = f.about.functions.find((n) => names.includes(n));
    if (!name) continue;
    const value = numbers.get(name)!;
    for (const s of f.solutions.slice(0, 60)) {
      const y = s.value ?? value(s.at);
      if (!Number.isFinite(y)) continue;
      const best = f.ask === "greatest" || f.ask === "least";
      const money = unitOf(name)?.text === "$";
      const word = best
        ? `${f.ask} ${formatQuantity(y, unitOf(name), 5)} at ${x(s.at)}`
        : f.ask === "meet" && money
          ? `break-even ${x(s.at)}`
          : f.ask === "meet"
            ? `meet at ${x(s.at)}`
            : f.ask === "reach"
              ? `${formatQuantity(y, unitOf(name), 5)} at ${x(s.at)}`
              : x(s.at);
      out.push({ x: s.at, y, pane: pane(name), kind: "answer", question: f.id, function: name, label: word });
    }
    for (const s of f.setAside)
      if (asides.includes(s)) {
        const y = value(s.at);
        if (Number.isFinite(y))
          out.push({ x: s.at, y, pane: pane(name), kind: "aside", question: f.id, function: name, label: "" });
      }
    if (f.ask === "where")
      for (const s of f.stretches)
        for (const at of [s.from, s.to]) {
          if (at === null || at === f.about.from || at === f.about.to || !Number.isFinite(value(at))) continue;
          out.push({
            x: at,
            y: value(at),
            pane: pane(name),
            kind: "answer",
            question: f.id,
            function: name,
            label: x(at),
          });
        }
    if (f.ask === "compare")
      for (const s of f.stretches)
        if (s.from !== null && s.from !== f.about.from && s.least && numbers.has(s.least))
          out.push({
            x: s.from,
            y: numbers.get(s.least)!(s.from),
            pane: pane(s.least),
            kind: "answer",
            question: f.id,
            function: s.least,
            label: x(s.from),
          });
    if (f.ask === "value" && f.value !== null && f.about.at !== null)
      out.push({
        x: f.about.at,
        y: f.value,
        pane: pane(name),
        kind: "answer",
        question: f.id,
        function: name,
        label: `${name}(${x(f.about.at)}) = ${formatQuantity(f.value, unitOf(name), 5)}`,
      });
  }
  for (const r of readings)
    out.push({ x: r.x, y: r.y, pane: pane(r.f), kind: "reading", question: null, function: r.f, label: "" });
  return out;
}

function shadesOf(variable: ModelVariable, x: Axis, to: unknown, model: Analysis["model"]): Shade[] {
  const out: Shade[] = [];
  const lo = variable.from && toDouble(variable.from);
  const hi = variable.to && toDouble(variable.to);
  const given = typeof to === "string" ? model.source.givens?.find((g) => g.name === to.trim()) : undefined;
  if (hi !== null && x.max > hi)
    out.push({ from: hi, to: x.max, at: hi, label: `${given?.label ?? "at most"} ${formatInput(hi, variable.unit)}` });
  if (lo !== null && x.min < lo)
    out.push({ from: x.min, to: lo, at: lo, label: `from ${formatInput(lo, variable.unit)} on` });
  return out;
}

function caption(findings: readonly Finding[], variable: ModelVariable, aside: boolean): string {
  const found = findings.filter((f) => f.solutions.length > 0);
  const meets = found
    .filter((f) => f.ask === "meet")
    .reduce((n, f) => n + f.solutions.length + f.setAside.length * (aside ? 1 : 0), 0);
  const parts: string[] = [];
  if (meets > 0)
    parts.push(meets === 1 ? "the meeting point" : meets === 2 ? "both meeting points" : `all ${meets} meeting points`);
  if (found.some((f) => f.ask === "greatest")) parts.push("the peak");
  if (found.some((f) => f.ask === "least")) parts.push("the low point");
  if (findings.some((f) => f.ask === "reach" || f.ask === "where")) parts.push("the threshold");
  if (aside && variable.to) parts.push("the limit");
  if (parts.length === 0)
    return variable.from && variable.to
      ? `framed to the range of ${variable.name}`
      : `framed around ${variable.name} = 0`;
  return `framed to show ${list(parts)}`;
}

function described(panes: readonly Pane[], points: readonly Point[], variable: ModelVariable, x: Axis): string {
  const curves = panes.map((p) => `${list(p.functions)}${p.unit ? ` in ${p.unit}` : ""}`).join("; ");
  const answers = points
    .filter((p) => p.kind === "answer")
    .slice(0, 12)
    .map((p) => p.label);
  return (
    `Graph of ${curves} over ${variable.name} from ${formatInput(x.min, variable.unit)} ` +
    `to ${formatInput(x.max, variable.unit)}.` +
    `${answers.length > 0 ? ` Marked: ${answers.join("; ")}.` : ""}`
  );
}

/** Rows drawn for one function; of more, the least and greatest reading of each narrow stretch stand for the rest. */
const MOST_ROWS = 600;

/** The rows that functions are fitted to, each set once. */
function dataPoints(model: Analysis["model"], shown: ReadonlySet<string>): { f: string; x: number; y: number }[] {
  const seen = new Set<string>();
  return [...model.fits].flatMap(([name, { by }]) => {
    const key = `${by.data} ${by.x} ${by.y} ${by.rows?.from ?? ""} ${by.rows?.to ?? ""}`;
    const table = model.source.data?.find((t) => t.name === by.data);
    if (!shown.has(name) || !table || seen.has(key)) return [];
    seen.add(key);
    const rows = rowsOf(by, table);
    return thinnedRows(rows.x, rows.y).map(([x, y]) => ({ f: name, x, y }));
  });
}
/** Rows for drawing: all, or the extremes of each stretch, so that no outlier goes unseen. */
export function thinnedRows(x: readonly number[], y: readonly number[]): [number, number][] {
  if (x.length <= MOST_ROWS) return x.map((v, i) => [v, y[i]!]);
  const [lo, hi] = [x.reduce((m, v) => Math.min(m, v), Infinity), x.reduce((m, v) => Math.max(m, v), -Infinity)];
  const bins = MOST_ROWS / 2;
  const least = new Array<number>(bins).fill(-1);
  const most = new Array<number>(bins).fill(-1);
  x.forEach((v, i) => {
    const b = Math.min(bins - 1, Math.floor(((v - lo) / (hi - lo || 1)) * bins));
    if (least[b]! < 0 || y[i]! < y[least[b]!]!) least[b] = i;
    if (most[b]! < 0 || y[i]! > y[most[b]!]!) most[b] = i;
  });
  return [...new Set([...least, ...most])]
    .filter((i) => i >= 0)
    .sort((a, b) => x[a]! - x[b]!)
    .map((i) => [x[i]!, y[i]!]);
}
