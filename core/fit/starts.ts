import { rssOf, type Curve } from "./curve";

/** Starts that are searched from, the best of many tried. */
const KEPT = 4;

function best(
  curve: Curve,
  x: Float64Array,
  y: Float64Array,
  tries: readonly Float64Array[],
  kept = KEPT,
): Float64Array[] {
  return tries
    .map((p) => ({ p, rss: rssOf(curve, x, y, p) }))
    .filter((t) => Number.isFinite(t.rss))
    .sort((a, b) => a.rss - b.rss)
    .slice(0, kept)
    .map((t) => t.p);
}
/** The factor that brings a shape closest to the readings. */
function factor(shape: (x: number) => number, x: Float64Array, y: Float64Array): number {
  let [top, under] = [0, 0];
  for (let i = 0; i < x.length; i++) {
    const g = shape(x[i]!);
    top += g * y[i]!;
    under += g * g;
  }
  return under > 0 ? top / under : NaN;
}

/** Starts for the named families: the shape from a grid that fits the width of the data, the factor by projection. */
export function familyStarts(
  family: "power" | "exponential" | "logistic",
  curve: Curve,
  x: Float64Array,
  y: Float64Array,
): Float64Array[] {
  const [lo, hi] = [Math.min(...ends(x)), Math.max(...ends(x))];
  const width = hi - lo || Math.max(1, Math.abs(hi));
  const few = thinned(x, y);
  const tries: Float64Array[] = [];
  if (family === "logistic") {
    for (const steep of [0.5, 1, 2, 4, 7, 12, 20, 40])
      for (const sign of [1, -1])
        for (let i = -4; i <= 12; i++) {
          const [k, m] = [(sign * steep * 2) / width, lo + (width * i) / 8];
          tries.push(
            Float64Array.of(
              factor((v) => 1 / (1 + Math.exp(-k * (v - m))), few.x, few.y),
              k,
              m,
            ),
          );
        }
  } else if (family === "exponential") {
    for (const b of [0.05, 0.2, 0.5, 1, 2, 3, 5, 8, 13, 20, 40])
      for (const sign of [1, -1]) {
        const rate = (sign * b) / width;
        tries.push(
          Float64Array.of(
            factor((v) => curve.value(v, Float64Array.of(1, rate)), few.x, few.y),
            rate,
          ),
        );
      }
  } else
    for (const b of [-4, -3, -2, -1.5, -1, -0.7, -0.4, -0.2, 0.1, 0.3, 0.5, 0.7, 1, 1.3, 1.6, 2, 2.5, 3, 4, 6])
      tries.push(
        Float64Array.of(
          factor((v) => curve.value(v, Float64Array.of(1, b)), few.x, few.y),
          b,
        ),
      );
  return best(curve, few.x, few.y, tries);
}
const ends = (a: Float64Array): [number, number] => {
  let [lo, hi] = [Infinity, -Infinity];
  for (const v of a) {
    if (v < lo) lo = v;
    if (v > hi) hi = v;
  }
  return [lo, hi];
};
/** At most 400 rows, evenly taken, for comparing starts. */
function thinned(x: Float64Array, y: Float64Array): { x: Float64Array; y: Float64Array } {
  if (x.length <= 400) return { x, y };
  const pick = Array.from({ length: 400 }, (_, i) => Math.floor((i * x.length) / 400));
  return { x: Float64Array.from(pick, (i) => x[i]!), y: Float64Array.from(pick, (i) => y[i]!) };
}

/** Tries for each constant that has no start of its own. */
const SIZES = [1, 0.1, 10, -1, 0.01, 100];
const MOST_TRIES = 1500;

/** The person's starts, and others on a grid of sizes for the constants that have none. */
export function ownStarts(
  curve: Curve,
  x: Float64Array,
  y: Float64Array,
  given: Readonly<Record<string, number>>,
): Float64Array[] {
  const free = curve.names.filter((n) => given[n] === undefined);
  if (free.length === 0) return [Float64Array.from(curve.names, (n) => given[n]!)];
  const few = thinned(x, y);
  const scale = Math.max(...few.y.map(Math.abs)) || 1;
  const reach = Math.max(...few.x.map(Math.abs)) || 1;
  const sizes = [...SIZES, scale, 1 / reach, reach].slice(0, Math.max(2, Math.floor(MOST_TRIES ** (1 / free.length))));
  const tries: Float64Array[] = [];
  const walk = (at: number, chosen: Record<string, number>): void => {
    if (tries.length >= MOST_TRIES) return;
    if (at === free.length) {
      tries.push(Float64Array.from(curve.names, (n) => given[n] ?? chosen[n]!));
      return;
    }
    for (const s of sizes) walk(at + 1, { ...chosen, [free[at]!]: s });
  };
  walk(0, {});
  return best(curve, few.x, few.y, tries, 8);
}

/** Other starts of other sizes around one that led nowhere. */
export function startsAround(curve: Curve, x: Float64Array, y: Float64Array, start: Float64Array): Float64Array[] {
  const few = thinned(x, y);
  const factors = [1, 0.1, 10, 0.01, 100].slice(0, Math.max(2, Math.floor(MOST_TRIES ** (1 / start.length))));
  let tries: number[][] = [[]];
  for (const s of start) tries = tries.flatMap((t) => factors.map((f) => [...t, (s || 1) * f])).slice(0, MOST_TRIES);
  return best(
    curve,
    few.x,
    few.y,
    tries.map((t) => Float64Array.from(t)),
    8,
  );
}
