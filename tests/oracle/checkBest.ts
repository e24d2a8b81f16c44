import type { FullFinding } from "#core/question";
import type { Chance } from "../shared/chance";
import { REL_TOL, folded, inputs, isInStretch, isNearEnd, marksOf, plainly, sampleAt } from "./sampling";
import type { Value, World } from "./world";

/** What contradicts a claim about a greatest (sense 1) or least value (−1); null where nothing was found. */
export function checkBest(f: FullFinding, value: Value, sense: 1 | -1, w: World, c: Chance): string | null {
  const isCounted = w.whole && f.solutions.some((s) => s.whole);
  const at = inputs(w, c, marksOf(f));
  return (
    checkBeaten(f, value, sense, at) ??
    (w.whole ? null : checkUntold(f, value, at)) ??
    checkBound(f, value, sense, w) ??
    (!f.bound || isCounted ? checkPlaces(f, value) : null) ??
    (w.whole ? checkWholes(f, value, sense, w) : null)
  );
}

function checkBeaten(f: FullFinding, value: Value, sense: 1 | -1, at: readonly number[]): string | null {
  const best = f.bound ? f.bound.value : f.value;
  for (const x of at) {
    const here = sampleAt(value, x);
    if (!Number.isFinite(here.slack) || Number.isNaN(here.y)) continue;
    if (f.status === "none" && !f.bound) return `has the value ${here.y} at ${x}, told to have none anywhere`;
    if (best !== null && (here.y - best) * sense > here.slack + REL_TOL * Math.abs(best))
      return `${here.y} at ${x} beats ${best}`;
    if (f.status === "everywhere" && Math.abs(here.y - f.value!) > here.slack)
      return `${here.y} at ${x}, told as ${f.value} throughout`;
  }
  return null;
}

/** Every input with the best value is told, alone or in a stretch. Steps have it to the last digit, and show it. */
function checkUntold(f: FullFinding, value: Value, at: readonly number[]): string | null {
  if (f.status !== "found" || f.bound) return null;
  for (const x of at) {
    const here = value(x);
    if (here.off !== 0 || here.v !== f.value) continue;
    const first = folded(f, x);
    const by = Math.max(1e-9, Math.abs(x) * 1e-9);
    const isTold =
      f.solutions.some((s) => Math.abs(s.at - first) <= by) ||
      f.stretches.some((s) => isInStretch(first, s) || isNearEnd(first, s, by));
    if (!isTold) return `the best value, ${here.v}, is taken at ${x} too, which is not told`;
  }
  return null;
}

function checkBound(f: FullFinding, value: Value, sense: 1 | -1, w: World): string | null {
  if (!f.bound || f.bound.at === null) return null;
  const { at, value: limit } = f.bound;
  if (limit !== null) return checkLimit(at, limit, value);
  return Number.isFinite(at) ? checkGrowth(at, value, sense, w) : null;
}

const GREAT = 1e4;

/** Growth without end towards a place: what settles down to one number, or falls, does not grow. */
function checkGrowth(at: number, value: Value, sense: 1 | -1, w: World): string | null {
  const signed = (list: readonly number[]) =>
    list.map((x) => plainly(value)(x) * sense).filter((y) => !Number.isNaN(y));
  const side = (k: number) => signed([at - 10 ** -k, at + 10 ** -k].filter((x) => x >= w.from && x <= w.to));
  // Growth may be as slow as a logarithm's.
  const [a, b, last] = [side(6), side(9), side(12)].map((l) => Math.max(...l, -Infinity)) as [number, number, number];
  // What parts leave that cancel tells nothing either.
  const isSure = [6, 9, 12]
    .flatMap((k) => [at - 10 ** -k, at + 10 ** -k])
    .filter((x) => x >= w.from && x <= w.to)
    .map(value)
    .every(({ v, off }) => off !== Infinity && !(off > 1e-3 * Math.max(1, Math.abs(v))));
  const isAbove = (y: number) => y > last + 1e-3 * Math.max(1, Math.abs(last));
  // Beside 0 doubles go much closer: a logarithm may show there alone that it grows. A pole between poles may be
  // narrower than all of these: the closest doubles tell.
  const shares = [1e-7, 1e-8, 4e-9, 1e-9, 1e-10, 1e-11, 1e-12, 1e-13, 1e-14, 1e-15, 4e-16];
  const beside = shares.flatMap((share) => [at * (1 - share), at * (1 + share)]);
  const closest = at === 0 ? side(280) : signed(beside);
  if (closest.some(isAbove)) return null;
  // Beside a great number, growth as slow as a root's is not seen at all.
  const isFlat = Math.abs(last) < GREAT && [a, b].every((y) => Math.abs(y - last) <= 1e-3 * Math.abs(last));
  const isFalling = a >= b && b >= last;
  return isSure && Number.isFinite(last) && (isFlat || isFalling)
    ? `does not grow towards ${at}: ${a}, ${b}, then ${last}`
    : null;
}

/** A limit at a place: values come near it, or at least ever nearer. */
function checkLimit(at: number, limit: number, value: Value): string | null {
  // A logarithm comes slowly: beside 0 doubles can go much closer.
  const size = Math.min(1, Math.abs(at));
  // A pole may stand between those steps and the place, and the closest doubles only lie beyond it.
  const steps = at === 0 ? [1e-9, 1e-280] : [1e-9 * size, 2e-15 * Math.abs(at)];
  const close = steps
    .flatMap((step) => [at - step, at + step])
    .map(plainly(value))
    .filter((y) => !Number.isNaN(y));
  // Slowly, but closer and closer: 1/ln(x) has come to a thirtieth of what it was, its fourth root to less than half.
  const off = close.map((y) => Math.abs(y - limit));
  // A high root comes slowly too, and the root of a logarithm hardly at all; what comes to another number stays away.
  const further = [at - 1e-5 * size, at + 1e-5 * size]
    .map((x) => Math.abs(plainly(value)(x) - limit))
    .filter(Number.isFinite);
  const nearest = Math.min(...off);
  const isNearing = at === 0 ? nearest < 0.6 * Math.max(...off) : nearest < 0.9 * Math.min(...further);
  const isSure = steps.every((d) => [at - d, at + d].every((x) => value(x).off !== Infinity));
  return isSure && close.length > 0 && !isNearing && !off.some((d) => d <= 0.2 * Math.max(1, Math.abs(limit)))
    ? `comes to ${close.join(" or ")} near ${at}, told as ${limit}`
    : null;
}

/** Where the best value is told to be taken, it is. */
function checkPlaces(f: FullFinding, value: Value): string | null {
  for (const s of f.solutions) {
    const here = sampleAt(value, s.at);
    if (f.value !== null && Number.isFinite(here.slack) && !(Math.abs(here.y - f.value) <= here.slack * 10))
      return `${here.y} at ${s.at}, told as the best ${f.value}`;
  }
  return null;
}

export function checkWholes(f: FullFinding, value: Value, sense: 1 | -1, w: World): string | null {
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
