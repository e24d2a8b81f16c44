import type { FullFinding } from "#core/question";
import type { Chance } from "../shared/chance";
import {
  closeIn,
  folded,
  inputs,
  isInStretch,
  isNearEnd,
  less,
  marksOf,
  plainly,
  sampleAt,
  type Sample,
} from "./sampling";
import type { Value, World } from "./world";

/** By their signs: a product of tiny values is 0. */
const isChange = (y: number, next: number): boolean => (y < 0 && next > 0) || (y > 0 && next < 0);

/** Every crossing that plain values show must be among the answers, and every answer must be one. */
export function checkLevel(f: FullFinding, difference: Value, w: World, c: Chance): string | null {
  const near = Math.max(1e-9, (w.to - w.from) * 1e-9);
  const known = (x: number, by: number) =>
    f.status === "everywhere" ||
    f.solutions.some((s) => Math.abs(s.at - x) <= by + Math.abs(x) * 1e-9) ||
    f.stretches.some((s) => isInStretch(x, s) || isNearEnd(x, s, by));
  for (const s of f.solutions) {
    const here = sampleAt(difference, s.at);
    // At a zero the value is no further from 0 than it varies close by.
    const closeBy = [near * 10, -near * 10].map((d) => Math.abs(plainly(difference)(s.at + d) - here.y));
    const scale = Math.max(1e-9, ...closeBy.filter(Number.isFinite)) * 4;
    if (Number.isNaN(here.y) && Number.isFinite(here.slack)) return `no value at the answer ${s.at}`;
    if (Number.isFinite(here.slack) && Math.abs(here.y) > scale + here.slack * 10)
      return `${here.y} off at the answer ${s.at}`;
  }
  for (const s of f.stretches) {
    const x = (s.from ?? w.from) + ((s.to ?? w.to) - (s.from ?? w.from)) * (0.2 + 0.6 * c.next());
    const here = sampleAt(difference, x);
    if (Number.isFinite(here.slack) && !(Math.abs(here.y) <= here.slack + 1e-9))
      return `${here.y} off at ${x} inside a level stretch`;
  }
  let before: Sample | null = null;
  for (const x of inputs(w, c, marksOf(f))) {
    const here = sampleAt(difference, x);
    if (f.status === "everywhere" && Math.abs(here.y) > here.slack + 1e-9)
      return `${here.y} off at ${x}, told as equal everywhere`;
    // Of a value within its rounding nobody knows the sign.
    if (Math.abs(here.y) <= here.slack) continue;
    if (before && isChange(before.y, here.y) && Number.isFinite(before.slack) && Number.isFinite(here.slack)) {
      const crossing = closeIn(difference, before.x, here.x);
      const by = Math.max(near * 20, f.repeats ? 1e-6 : 0) + (crossing?.within ?? 0);
      const at = crossing === null ? null : folded(f, crossing.at);
      const wraps = f.repeats && at !== null && (known(at + f.repeats.every, by) || known(at - f.repeats.every, by));
      if (crossing && at !== null && !wraps && !known(at, by)) return `a crossing near ${crossing.at} is missing`;
    }
    before = here;
  }
  return null;
}

export function checkWhere(f: FullFinding, difference: Value, relation: string, w: World, c: Chance): string | null {
  const by = Math.max(1e-9, (w.to - w.from) * 3e-9);
  for (const x of inputs(w, c, marksOf(f))) {
    const here = sampleAt(difference, x);
    if (!Number.isFinite(here.slack) || Math.abs(here.y) <= here.slack) continue;
    const holds = !Number.isNaN(here.y) && (relation.startsWith(">") ? here.y > 0 : here.y < 0);
    const at = folded(f, x);
    const claimed = f.status === "everywhere" || (f.status === "found" && f.stretches.some((s) => isInStretch(at, s)));
    const slack = by + Math.abs(x) * 1e-9 + (f.repeats ? 1e-6 : 0);
    if (holds !== claimed && !f.stretches.some((s) => isNearEnd(at, s, slack)))
      return (
        `${holds ? "holds" : Number.isNaN(here.y) ? "has no value" : "does not hold"} at ${x}` +
        ` (${here.y}), told otherwise`
      );
  }
  return null;
}

/** A whole reading lies on the side where the function is at least the level. */
export function checkReadings(f: FullFinding, value: Value, level: number, w: World): string | null {
  if (!w.whole) return null;
  for (const s of f.solutions) {
    if (!s.whole || s.whole.at === s.at) continue;
    const here = sampleAt(value, s.whole.at);
    if (Number.isFinite(here.slack) && here.y - level < -here.slack * 10)
      return `the whole reading ${s.whole.at} gives ${here.y}, below ${level}`;
    if (Math.abs(s.whole.at - s.at) >= 1 + 1e-9) return `the whole reading ${s.whole.at} lies far from ${s.at}`;
  }
  return null;
}

export function checkMultiply(
  f: FullFinding,
  value: Value,
  factor: number,
  start: number,
  w: World,
  c: Chance,
): string | null {
  const first = value(start);
  const level = first.v * factor;
  // What is wanted is known as well as where the counting starts.
  if (!Number.isFinite(level) || first.off > 1e-9 * Math.max(1, Math.abs(first.v))) return null;
  const at = f.solutions[0]?.at ?? f.stretches[0]?.from ?? Infinity;
  if (f.solutions[0]) {
    const here = sampleAt(value, at);
    if (
      Number.isFinite(here.slack) &&
      !(Math.abs(here.y - level) <= here.slack * 100 + 1e-6 * Math.max(1, Math.abs(level)))
    )
      return `${here.y} at ${at}, not ${level}`;
  }
  const difference = less(value, level);
  let before: Sample | null = null;
  for (const x of inputs({ ...w, from: start }, c, [])) {
    const here = sampleAt(difference, x);
    if (before && isChange(before.y, here.y) && Number.isFinite(before.slack + here.slack)) {
      const crossing = closeIn(difference, before.x, here.x);
      const by = 1e-6 + (crossing?.within ?? 0);
      if (crossing !== null && crossing.at > start + by && crossing.at < at - by)
        return `comes to ${level} before, near ${crossing.at}`;
    }
    before = here;
  }
  return null;
}
