import type { CaseFile, Finding, FindingStretch, Question } from "#core/model";
import type { Chance } from "./chance";
import type { Measured } from "./plain";

/** A function as the oracle works it out. */
export type Value = (x: number) => Measured;

/** A place where plain values contradict what was called complete. */
export interface Contradiction {
  readonly question: Question;
  readonly why: string;
}

/** What a case is to the oracle: functions by name, and the range all of them are asked on. */
export interface World {
  readonly functions: Readonly<Record<string, Value>>;
  readonly from: number;
  readonly to: number;
  readonly whole: boolean;
  /** the range has no end on one side or both; it is looked at as far as from and to say */
  readonly isOpen: boolean;
  readonly document: CaseFile;
}

/** Inputs laid over the range; more of them close to what is claimed. */
const SAMPLES = 400;
/** Plain values may be off by this, relative to their size, and more where a function is steep. */
const REL_TOL = 1e-7;

interface Sample {
  readonly x: number;
  readonly y: number;
  /**
   * how far the value may be off through rounding of the input and of what is done with it; infinite where sides differ
   */
  readonly slack: number;
}

/** A value with how sure it is. */
function sampleAt(f: Value, x: number): Sample {
  const { v, off } = f(x);
  return {
    x,
    y: v,
    slack: off === Infinity ? Infinity : Number.isNaN(v) ? 0 : off * 4 + REL_TOL * 1e-3 * Math.max(1, Math.abs(v)),
  };
}
/** A plain number, NaN where it is not sure. */
const plainly =
  (f: Value) =>
  (x: number): number => {
    const m = f(x);
    return m.off === Infinity ? NaN : m.v;
  };

function inputs(w: World, c: Chance, near: readonly number[]): number[] {
  const out: number[] = [w.from, w.to];
  const width = w.to - w.from;
  for (let i = 0; i <= SAMPLES; i++) out.push(w.from + (width * (i + 0.4 * c.next())) / SAMPLES);
  for (let n = Math.ceil(w.from); n <= Math.min(w.to, Math.ceil(w.from) + 60); n++) out.push(n, n + 1e-7, n - 1e-7);
  // Of an endless range most happens near 0, but far out counts as well.
  if (w.isOpen) for (let i = 0; i <= SAMPLES; i++) out.push((i / SAMPLES - 0.5) * 80 + 0.01 * c.next());
  for (const x of near) for (const k of [3, 5, 7, 9]) out.push(x - width * 10 ** -k, x + width * 10 ** -k);
  return out.filter((x) => x >= w.from && x <= w.to).sort((a, b) => a - b);
}

const marksOf = (f: Finding): number[] =>
  [
    ...f.solutions.map((s) => s.at),
    ...f.stretches.flatMap((s) => [s.from, s.to]),
    f.bound?.at ?? null,
    ...f.jumps,
  ].filter((x): x is number => x !== null && Number.isFinite(x));

/** Of a finding that repeats only the first period is told: an input further on stands for the one it repeats. */
function folded(f: Finding, x: number): number {
  const every = f.repeats?.every;
  const start = f.about.from ?? (f.about.to !== null && every ? f.about.to - every : 0);
  return every ? start + ((((x - start) % every) + every) % every) : x;
}

/** The first value found that contradicts a finding called complete; null where none does. */
export function contradiction(f: Finding, q: Question, w: World, c: Chance): Contradiction | null {
  if (!f.complete || f.status === "error" || f.status === "unsettled") return null;
  const why = CHECKS[q.ask]?.(f, q as never, w, c) ?? null;
  return why === null ? null : { question: q, why };
}

type Check<K extends Question["ask"]> = (f: Finding, q: Question & { ask: K }, w: World, c: Chance) => string | null;

const isInStretch = (x: number, s: FindingStretch): boolean =>
  (s.from === null || x > s.from || (x === s.from && s.ends[0] === "[")) &&
  (s.to === null || x < s.to || (x === s.to && s.ends[1] === "]"));
const isNearEnd = (x: number, s: FindingStretch, by: number): boolean =>
  [s.from, s.to].some((e) => e !== null && Math.abs(e - x) <= by);

/** The difference of two functions, or of a function and a number. */
const less =
  (a: Value, b: Value | number): Value =>
  (x) => {
    const [u, v] = [a(x), typeof b === "number" ? { v: b, off: 0 } : b(x)];
    if (u.off === Infinity || v.off === Infinity) return { v: NaN, off: Infinity };
    return { v: u.v - v.v, off: u.off + v.off + Math.abs(u.v - v.v) * 2.5e-16 };
  };

/** Every crossing that plain values show must be among the answers, and every answer must be one. */
function checkLevel(f: Finding, difference: Value, w: World, c: Chance): string | null {
  const near = Math.max(1e-9, (w.to - w.from) * 1e-9);
  const known = (x: number, by: number) =>
    f.status === "everywhere" ||
    f.solutions.some((s) => Math.abs(s.at - x) <= by + Math.abs(x) * 1e-9) ||
    f.stretches.some((s) => isInStretch(x, s) || isNearEnd(x, s, by));
  for (const s of f.solutions) {
    const here = sampleAt(difference, s.at);
    const closeBy = [near * 10, -near * 10].map((d) => Math.abs(plainly(difference)(s.at + d)));
    const scale = Math.max(1e-6, ...closeBy.filter(Number.isFinite)) * 20;
    if (Number.isNaN(here.y) && Number.isFinite(here.slack)) return `no value at the answer ${s.at}`;
    if (Number.isFinite(here.slack) && Math.abs(here.y) > scale + here.slack)
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
    if (before && before.y * here.y < 0 && Number.isFinite(before.slack) && Number.isFinite(here.slack)) {
      const crossing = closeIn(difference, before.x, here.x);
      const at = crossing === null ? null : folded(f, crossing);
      const wraps =
        f.repeats && at !== null && (known(at + f.repeats.every, 1e-6) || known(at - f.repeats.every, 1e-6));
      if (at !== null && !wraps && !known(at, Math.max(near * 20, f.repeats ? 1e-6 : 0)))
        return `a crossing near ${crossing} is missing`;
    }
    before = here;
  }
  return null;
}

/** Halves a change of sign; null where it is a jump, a pole or a gap. */
function closeIn(value: Value, lo: number, hi: number): number | null {
  const f = plainly(value);
  let [a, b] = [lo, hi];
  let fa = f(a);
  const start = Math.max(Math.abs(fa), Math.abs(f(b)));
  for (let i = 0; i < 70; i++) {
    const m = a + (b - a) / 2;
    const y = f(m);
    if (Number.isNaN(y)) return null;
    if (!(m > a && m < b)) break;
    // Within its rounding of 0: the values on both sides tell whether it passes through.
    if (Math.abs(y) <= value(m).off) break;
    if (y * fa > 0) [a, fa] = [m, y];
    else b = m;
  }
  // Beside a hole both sides come to 0, and nothing is taken.
  if (Number.isNaN(f(Math.abs(a) < 1e-12 ? 0 : Number(a.toPrecision(12))))) return null;
  const left = Math.abs(f(a));
  const right = Math.abs(f(b));
  return Math.max(left, right) < 1e-6 * Math.max(start, 1e-3) ? a : null;
}

function checkWhere(f: Finding, difference: Value, relation: string, w: World, c: Chance): string | null {
  const by = Math.max(1e-9, (w.to - w.from) * 3e-9);
  for (const x of inputs(w, c, marksOf(f))) {
    const here = sampleAt(difference, x);
    if (!Number.isFinite(here.slack) || Math.abs(here.y) <= here.slack) continue;
    const holds = !Number.isNaN(here.y) && (relation.startsWith(">") ? here.y > 0 : here.y < 0);
    const at = folded(f, x);
    const claimed = f.status === "everywhere" || (f.status === "found" && f.stretches.some((s) => isInStretch(at, s)));
    const slack = by + Math.abs(x) * 1e-9 + (f.repeats ? 1e-6 : 0);
    if (holds !== claimed && !f.stretches.some((s) => isNearEnd(at, s, slack)))
      return `${holds ? "holds" : Number.isNaN(here.y) ? "has no value" : "does not hold"} at ${x} (${here.y}), told otherwise`;
  }
  return null;
}

function checkBest(f: Finding, value: Value, sense: 1 | -1, w: World, c: Chance): string | null {
  const best = f.bound ? f.bound.value : f.value;
  const isCounted = w.whole && f.solutions.some((s) => s.whole);
  for (const x of inputs(w, c, marksOf(f))) {
    const here = sampleAt(value, x);
    if (!Number.isFinite(here.slack) || Number.isNaN(here.y)) continue;
    if (f.status === "none" && !f.bound) return `has the value ${here.y} at ${x}, told to have none anywhere`;
    if (best !== null && (here.y - best) * sense > here.slack + REL_TOL * Math.abs(best))
      return `${here.y} at ${x} beats ${best}`;
    if (f.status === "everywhere" && Math.abs(here.y - f.value!) > here.slack)
      return `${here.y} at ${x}, told as ${f.value} throughout`;
  }
  if (f.bound && f.bound.value === null && f.bound.at !== null && Number.isFinite(f.bound.at)) {
    const { at } = f.bound;
    const side = (k: number) =>
      [at - 10 ** -k, at + 10 ** -k]
        .filter((x) => x >= w.from && x <= w.to)
        .map((x) => plainly(value)(x) * sense)
        .filter((y) => !Number.isNaN(y));
    // Growth may be as slow as a logarithm's; what settles down to one number does not grow.
    const [a, b, last] = [side(6), side(9), side(12)].map((l) => Math.max(...l, -Infinity)) as [number, number, number];
    const isSure = [at - 1e-12, at + 1e-12].every((x) => x < w.from || x > w.to || value(x).off !== Infinity);
    const isFlat = [a, b].every((y) => Math.abs(y - last) <= 1e-3 * Math.max(1, Math.abs(last)));
    if (isSure && Number.isFinite(last) && isFlat) return `does not grow towards ${at}: ${a}, ${b}, then ${last}`;
  }
  if (f.bound && f.bound.value !== null && f.bound.at !== null) {
    const { at, value: limit } = f.bound;
    // A logarithm comes slowly: beside 0 doubles can go much closer.
    const steps = at === 0 ? [1e-9, 1e-280] : [1e-9];
    const close = steps
      .flatMap((step) => [at - step, at + step])
      .map(plainly(value))
      .filter((y) => !Number.isNaN(y));
    if (close.length > 0 && !close.some((y) => Math.abs(y - limit) <= 0.2 * Math.max(1, Math.abs(limit))))
      return `comes to ${close.join(" or ")} near ${at}, told as ${limit}`;
  }
  if (!f.bound || isCounted)
    for (const s of f.solutions) {
      const here = sampleAt(value, s.at);
      if (f.value !== null && Number.isFinite(here.slack) && !(Math.abs(here.y - f.value) <= here.slack * 10))
        return `${here.y} at ${s.at}, told as the best ${f.value}`;
    }
  return isCounted || w.whole ? checkWholes(f, value, sense, w) : null;
}

function checkWholes(f: Finding, value: Value, sense: 1 | -1, w: World): string | null {
  const told = f.wholeTies?.map((t) => t.at) ?? f.solutions.flatMap((s) => (s.whole ? [s.whole.at] : []));
  if (told.length === 0) return null;
  const best = sampleAt(value, told[0]!);
  if (Number.isNaN(best.y)) return null;
  for (let n = Math.ceil(w.from); n <= w.to; n++) {
    const here = sampleAt(value, n);
    if (Number.isNaN(here.y)) continue;
    if ((here.y - best.y) * sense > here.slack + best.slack)
      return `the whole ${n} gives ${here.y}, better than ${best.y} at ${told[0]}`;
    const isTie = here.y === best.y && value(n).off === 0 && value(told[0]!).off === 0;
    if (isTie && f.stretches.length === 0 && !told.includes(n) && f.status === "found")
      return `the whole ${n} ties with ${told.join(", ")} and is not told`;
  }
  return null;
}

const CHECKS: { readonly [K in Question["ask"]]?: Check<K> } = {
  meet: (f, q, w, c) => {
    const [a, b] = [w.functions[q.functions[0]!]!, w.functions[q.functions[1]!]!];
    return checkLevel(f, less(a, b), w, c);
  },
  reach: (f, q, w, c) => {
    const value = w.functions[q.function]!;
    return checkLevel(f, less(value, Number(q.value)), w, c) ?? checkReadings(f, value, Number(q.value), w);
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

/** A whole reading lies on the side where the function is at least the level. */
function checkReadings(f: Finding, value: Value, level: number, w: World): string | null {
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

/** Middle sums on two grids: only where both agree well is there something to hold against a total. */
function checkTotal(f: Finding, measured: Value, a: number, b: number, by: number): string | null {
  const value = plainly(measured);
  if (f.value === null) {
    const missing = Array.from({ length: 300 }, (_, i) => value(a + ((b - a) * (i + 0.5)) / 300)).some(
      (y) => !Number.isFinite(y),
    );
    return f.status === "none" && !missing && /has no value/.test(f.message ?? "")
      ? "has values all along, told to have none"
      : null;
  }
  const sum = (n: number) => {
    let s = 0;
    for (let i = 0; i < n; i++) s += value(a + ((b - a) * (i + 0.5)) / n);
    return (s * (b - a)) / n / by;
  };
  const [coarse, fine, odd] = [sum(1000), sum(4000), sum(3331)];
  if (!Number.isFinite(coarse) || !Number.isFinite(fine) || !Number.isFinite(odd)) return null;
  const spread = Math.max(Math.abs(coarse - fine), Math.abs(odd - fine));
  return Math.abs(fine - f.value) <= 4 * spread + 2e-3 * Math.max(1, Math.abs(fine))
    ? null
    : `${fine} by plain sums, told as ${f.value}`;
}

function checkMultiply(f: Finding, value: Value, factor: number, start: number, w: World, c: Chance): string | null {
  const level = plainly(value)(start) * factor;
  if (!Number.isFinite(level)) return null;
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
    if (before && before.y * here.y < 0 && Number.isFinite(before.slack + here.slack)) {
      const crossing = closeIn(difference, before.x, here.x);
      if (crossing !== null && crossing > start + 1e-6 && crossing < at - 1e-6)
        return `comes to ${level} before, near ${crossing}`;
    }
    before = here;
  }
  return null;
}

function checkCompare(f: Finding, names: readonly string[], w: World, c: Chance): string | null {
  const by = Math.max(1e-9, (w.to - w.from) * 3e-9);
  for (const x of inputs(w, c, marksOf(f))) {
    const all = names.map((n) => ({ n, s: sampleAt(w.functions[n]!, x) }));
    if (all.some(({ s }) => !Number.isFinite(s.slack))) continue;
    if (f.stretches.some((s) => isNearEnd(x, s, by + Math.abs(x) * 1e-9))) continue;
    const defined = all.filter(({ s }) => !Number.isNaN(s.y));
    const home = f.stretches.find((s) => isInStretch(x, s));
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
