import { toDouble, TINY } from "../numeric";
import type { NumberFunction } from "../formula";
import { formatInput, list, unitFor } from "../explain";
import type { Model, ModelVariable } from "../model";
import { roomOf, setAsideOf, solutionsOf, stretchesOf, type AnyAnswer, type Sight } from "../question";
import type { Pane, Point, Shade } from "./parts";
import { axis, type Axis } from "./scale";

/** The stretch that matters: the variable's range; where it is open, around the answers. */
export function rangeOf(variable: ModelVariable, findings: readonly AnyAnswer[]): { lo: number; hi: number } {
  const answers = findings
    .flatMap((f) => [...solutionsOf(f).map((s) => s.at), ...stretchesOf(f).flatMap((s) => [s.from, s.to])])
    .filter((x): x is number => x !== null && Number.isFinite(x));
  const known = [...answers, ...findings.flatMap((f) => roomOf(f).inputs(f))];
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

/** An axis of the range, with round ends where it goes beyond it. */
export function ends(
  lo: number,
  hi: number,
  range: { lo: number; hi: number },
  roundLow: boolean,
  roundHigh: boolean,
): Axis {
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
export function heights(functions: readonly NumberFunction[], lo: number, hi: number): number[] {
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
  const reach = Math.max(spread * 4, TINY);
  const low = bottom < at(0.05) - reach ? at(0.05) - spread * 0.5 : bottom;
  const high = top > at(0.95) + reach ? at(0.95) + spread * 0.5 : top;
  return [low, high];
}

/** What lies outside the range of the variable, and why. */
export function shadesOf(variable: ModelVariable, x: Axis, to: unknown, model: Model): Shade[] {
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

/** "framed to show both meeting points, the peak and the limit" */
export function caption(findings: readonly AnyAnswer[], variable: ModelVariable, showsAside: boolean): string {
  const seen = (sight: Sight) => findings.filter((f) => roomOf(f).sight(f) === sight);
  const meeting = seen("meeting").filter((f) => solutionsOf(f).length > 0);
  const found = meeting.reduce((n, f) => n + solutionsOf(f).length, 0);
  const aside = showsAside ? meeting.reduce((n, f) => n + setAsideOf(f).length, 0) : 0;
  // Beyond the range only what lies near by is looked for.
  const areAll = aside === 0 && meeting.every(isAll);
  const parts = found === 0 ? [] : [meetingPoints(found + aside, areAll)];
  for (const sight of ["peak", "low point", "threshold"] as const)
    if (seen(sight).length > 0) parts.push(`${seen(sight).every(({ complete }) => complete) ? "the" : "a"} ${sight}`);
  if (showsAside && variable.to) parts.push("the limit");
  if (parts.length > 0) return `framed to show ${list(parts)}`;
  return variable.from && variable.to
    ? `framed to the range of ${variable.name}`
    : `framed around ${variable.name} = 0`;
}
/** Whether there are no more answers than are told. */
const isAll = (f: AnyAnswer): boolean => f.complete && !("repeats" in f && f.repeats);
function meetingPoints(n: number, areAll: boolean): string {
  if (!areAll) return n === 1 ? "a meeting point" : `${n} meeting points`;
  return n === 1 ? "the meeting point" : n === 2 ? "both meeting points" : `all ${n} meeting points`;
}

/** The picture in words. */
export function described(panes: readonly Pane[], points: readonly Point[], variable: ModelVariable, x: Axis): string {
  const curves = panes.map((p) => `${list(p.functions)}${p.unit ? ` in ${unitFor(2, p.unit)}` : ""}`).join("; ");
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
