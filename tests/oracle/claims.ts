import type { FullFinding } from "#core/question";
import type { Question } from "#core/model";
import { checkBest } from "./checkBest";
import { checkLevel, checkMultiply, checkReadings, checkWhere } from "./checkLevel";
import type { Chance } from "../shared/chance";
import { folded, inputs, isInStretch, isNearEnd, less, marksOf, plainly, sampleAt } from "./sampling";
import type { Measured } from "./plain";
import type { Contradiction, Value, World } from "./world";

/** The first value found that contradicts a finding called complete; null where none does. */
export function contradiction(f: FullFinding, q: Question, w: World, c: Chance): Contradiction | null {
  if (!f.complete || f.status === "error" || f.status === "unsettled") return null;
  const check = CHECKS[q.ask] as ((f: FullFinding, q: Question, w: World, c: Chance) => string | null) | undefined;
  const why = check?.(f, q, w, c) ?? null;
  return why === null ? null : { question: q, why };
}

type Check<K extends Question["ask"]> = (
  f: FullFinding,
  q: Question & { ask: K },
  w: World,
  c: Chance,
) => string | null;

const CHECKS: { readonly [K in Question["ask"]]?: Check<K> } = {
  meet: (f, q, w, c) => {
    const [a, b] = [w.functions[q.functions[0]!]!, w.functions[q.functions[1]!]!];
    return checkLevel(f, less(a, b), w, c);
  },
  reach: (f, q, w, c) => {
    const value = w.functions[q.function]!;
    return checkLevel(f, less(value, Number(q.value)), w, c) ?? checkReadings(f, value, Number(q.value), w);
  },
  "reach-any": (f, q, w, c) => {
    const value = w.functions[q.function]!;
    return q.values.reduce<string | null>((why, level, i) => {
      const own = f.levels?.[i];
      return why ?? (own ? checkLevel({ ...f, ...own }, less(value, Number(level)), w, c) : null);
    }, null);
  },
  where: (f, q, w, c) => {
    const value = w.functions[q.function]!;
    return checkWhere(f, less(value, Number(q.value)), q.relation, w, c);
  },
  greatest: (f, q, w, c) => checkBest(f, w.functions[q.function]!, 1, w, c),
  least: (f, q, w, c) => checkBest(f, w.functions[q.function]!, -1, w, c),
  value: (f, q, w) => {
    const here = sampleAt(w.functions[q.function]!, Number(q.at));
    if (!Number.isFinite(here.slack)) return null;
    if (f.status === "none") return Number.isFinite(here.y) ? `has the value ${here.y}, told to have none` : null;
    if (Number.isNaN(here.y)) return `has no value, told as ${f.value}`;
    return Math.abs(here.y - f.value!) <= here.slack * 10 ? null : `${here.y}, told as ${f.value}`;
  },
  rate: (f, q, w) => {
    const value = w.functions[q.function]!;
    if (!q.between || f.value === null) return null;
    const [a, b] = [Number(q.between[0]), Number(q.between[1])];
    const [ya, yb] = [sampleAt(value, a), sampleAt(value, b)];
    if (!Number.isFinite(ya.slack + yb.slack)) return null;
    const rise = (yb.y - ya.y) / (b - a);
    const slack = ((ya.slack + yb.slack) * 10) / Math.abs(b - a);
    return Math.abs(rise - f.value) <= slack ? null : `${rise}, told as ${f.value}`;
  },
  total: (f, q, w) => checkTotal(f, w.functions[q.function]!, Number(q.between[0]), Number(q.between[1]), 1),
  average: (f, q, w) => {
    const [a, b] = [Number(q.between[0]), Number(q.between[1])];
    return checkTotal(f, w.functions[q.function]!, a, b, b - a);
  },
  multiply: (f, q, w, c) =>
    checkMultiply(f, w.functions[q.function]!, Number(q.factor), Number(q.start ?? w.from), w, c),
  compare: (f, q, w, c) => checkCompare(f, q.functions, w, c),
};

/** Where a function grows faster than this power of the way to an end, plain sums miss much of what lies there. */
const STEEP = -0.5;
/** The power of the way to an end that a function grows like there. @param way  to the other end */
function growthAt(value: (x: number) => number, end: number, way: number): number {
  const [near, nearer] = [1e-9, 1e-10].map((share) => Math.abs(value(end + way * share))) as [number, number];
  return Math.log10(near / nearer);
}
/** Middle sums from 0 to an end with x = end·u²⁴, which sees what lies very close to 0. */
function gradedSum(value: (x: number) => number, end: number): number {
  const count = 4000;
  let sum = 0;
  for (let i = 0; i < count; i++) {
    const u = (i + 0.5) / count;
    sum += value(end * u ** 24) * 24 * Math.abs(end) * u ** 23;
  }
  return sum / count;
}

/** A value that is known well enough to be summed; lost where rounding is a good part of it. */
const closely = (m: Measured): Measured => (m.off > 1e-3 * Math.max(1, Math.abs(m.v)) ? { ...m, off: Infinity } : m);

/** Middle sums on two grids: only where both agree well is there something to hold against a total. */
function checkTotal(f: FullFinding, measured: Value, a: number, b: number, by: number): string | null {
  const value = plainly((x) => closely(measured(x)));
  if (f.value === null) {
    if (f.status !== "none" || !/has no value/.test(f.message ?? "")) return null;
    // A stretch without value may be narrow: it is looked for all along, and ever closer to the place that is told.
    const told = Number(/ = ([−-]?[\d.,]+)/.exec(f.message!)?.[1]?.replace("−", "-").replaceAll(",", ""));
    const all = Array.from({ length: 300 }, (_, i) => a + ((b - a) * (i + 0.5)) / 300);
    const closer = Array.from({ length: 60 }, (_, i) => (i % 2 === 0 ? 1 : -1) * 10 ** (-i / 4)).map((d) => told + d);
    const missing = [...all, told, ...closer.filter((x) => x >= a && x <= b)].some((x) => !Number.isFinite(value(x)));
    return !missing ? "has values all along, told to have none" : null;
  }
  const grid = (n: number) => Array.from({ length: n }, (_, i) => value(a + ((b - a) * (i + 0.5)) / n));
  const sum = (values: readonly number[]) => (values.reduce((s, v) => s + v, 0) * (b - a)) / values.length / by;
  const steep = [a, b].find((end) => growthAt(value, end, end === a ? b - a : a - b) < STEEP);
  // Most of such a total lies closer to its end than doubles can tell, unless that end is 0.
  if (steep !== undefined && steep !== 0) return null;
  if (steep === 0) {
    const graded = gradedSum(value, a === 0 ? b : a) / by;
    return !Number.isFinite(graded) || Math.abs(graded - f.value) <= 1e-2 * Math.max(1, Math.abs(graded))
      ? null
      : `${graded} by sums that grow finer towards 0, told as ${f.value}`;
  }
  const coarse = sum(grid(1000));
  if (!Number.isFinite(coarse)) return null;
  const values = grid(4000);
  const [fine, odd] = [sum(values), sum(grid(3331))];
  if (!Number.isFinite(fine) || !Number.isFinite(odd)) return null;
  // A sum over cells misses at every jump up to half of what the function jumps by, times a cell.
  const steps = values.slice(1).map((v, i) => Math.abs(v - values[i]!));
  const jumps = steps.filter((step) => step > 0.1).reduce((s, step) => s + step, 0);
  const missed = (jumps * Math.abs(b - a)) / 4000 / by;
  const spread = Math.max(Math.abs(coarse - fine), Math.abs(odd - fine), missed);
  return Math.abs(fine - f.value) <= 4 * spread + 2e-3 * Math.max(1, Math.abs(fine))
    ? null
    : `${fine} by plain sums, told as ${f.value}`;
}

function checkCompare(f: FullFinding, names: readonly string[], w: World, c: Chance): string | null {
  const by = Math.max(1e-9, (w.to - w.from) * 3e-9);
  for (const x of inputs(w, c, marksOf(f))) {
    const all = names.map((n) => ({ n, s: sampleAt(w.functions[n]!, x) }));
    if (all.some(({ s }) => !Number.isFinite(s.slack))) continue;
    const first = folded(f, x);
    if (f.stretches.some((s) => isNearEnd(first, s, by + Math.abs(x) * 1e-9))) continue;
    const defined = all.filter(({ s }) => !Number.isNaN(s.y));
    const home = f.stretches.find((s) => isInStretch(first, s));
    if (!home) {
      if (defined.length > 0) return `${defined[0]!.n} has the value ${defined[0]!.s.y} at ${x}, where nothing is told`;
      continue;
    }
    if (defined.length === 0) return `nothing has a value at ${x}, inside a stretch`;
    const least = Math.min(...defined.map(({ s }) => s.y));
    const slack = Math.max(...defined.map(({ s }) => s.slack));
    const named = home.least === null ? null : defined.find(({ n }) => n === home.least);
    if (home.least !== null && !named) return `${home.least} has no value at ${x}, told as least`;
    if (named && named.s.y > least + slack * 10) return `${named.n} is ${named.s.y} at ${x}, another ${least}`;
    if (home.least === null && defined.filter(({ s }) => s.y <= least + slack * 10).length < 2)
      return `only one is least at ${x}, told as several`;
  }
  return null;
}
