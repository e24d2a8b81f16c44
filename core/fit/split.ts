import { TINY } from "../numeric";

/** Misses below this part of all squares are rounding. */
const NOTHING_LEFT = 1e-12;
/** Places where data turn: the best breaks for straight or bent pieces. */
export interface Split {
  readonly breaks: readonly number[];
  /** 1 or 2: degree of the pieces */ readonly degree: 1 | 2;
  readonly gain: number;
}

/** Rows that a piece must have beyond its constants. */
const SPARE = 2;
/** Rows up to which every break is tried; more are first thinned to this many in order of x. */
const MOST = 400;

/**
 * The best two- or three-piece fit by lines or parabolas, judged by Schwarz's criterion so that a break must earn its
 * place.
 * @param whole  the best model without a break, to be beaten: its sum of squares and its number of constants
 * @returns null when one piece serves as well
 */
export function suggestSplit(
  x: readonly number[],
  y: readonly number[],
  whole: { readonly rss: number; readonly constants: number } | null = null,
): Split | null {
  const order = x.map((_, i) => i).sort((a, b) => x[a]! - x[b]!);
  const step = Math.max(1, Math.ceil(order.length / MOST));
  const rows = order.filter((_, k) => k % step === 0);
  const [xs, ys] = [rows.map((i) => x[i]!), rows.map((i) => y[i]!)];
  const n = xs.length;
  if (n < 6) return null;
  const mean = ys.reduce((a, b) => a + b, 0) / n;
  const total = ys.reduce((s, v) => s + (v - mean) ** 2, 0);
  const floor = total * NOTHING_LEFT + TINY;
  const score = (rss: number, constants: number) => n * Math.log(Math.max(rss, floor) / n) + constants * Math.log(n);
  const two = new Lowest();
  const three = new Lowest();
  const one = Math.min(
    ...([1, 2] as const).map((d) => score(rssOf(xs, ys, 0, n, d), d + 1)),
    whole ? score((whole.rss * n) / x.length, whole.constants) : Infinity,
  );
  for (const degree of [1, 2] as const) {
    const least = degree + 1 + SPARE;
    const cost = memo((a, b) => rssOf(xs, ys, a, b, degree));
    const cuts = Array.from({ length: n - 1 }, (_, k) => k + 1).filter(
      (k) => k >= least && k <= n - least && xs[k]! > xs[k - 1]!,
    );
    for (const c of cuts) {
      two.take(score(cost(0, c) + cost(c, n), 2 * (degree + 1) + 1), degree, [c]);
      if (n > 160) continue;
      for (const d of cuts) {
        if (d < c + least) continue;
        three.take(score(cost(0, c) + cost(c, d) + cost(d, n), 3 * (degree + 1) + 2), degree, [c, d]);
      }
    }
  }
  // The least number of pieces that helps: a further one must earn its place as the first break must.
  const best = two.helps(one) ? (three.helps(two.score) ? three : two) : three.helps(one) ? three : null;
  if (!best) return null;
  return { degree: best.degree, breaks: best.cuts.map((c) => between(xs, c)), gain: one - best.score };
}

/** Less in Schwarz's criterion than this is no reason for another piece (Kass and Raftery 1995: "strong" from 6 on). */
const ENOUGH = 6;
class Lowest {
  score = Infinity;
  degree: 1 | 2 = 1;
  cuts: readonly number[] = [];
  take(score: number, degree: 1 | 2, cuts: readonly number[]): void {
    if (score < this.score) Object.assign(this, { score, degree, cuts });
  }
  helps(than: number): boolean {
    return than - this.score > ENOUGH;
  }
}
/** A round number between two neighbours. */
function between(xs: readonly number[], c: number): number {
  const [a, b] = [xs[c - 1]!, xs[c]!];
  const m = (a + b) / 2;
  for (let digits = 1; digits < 12; digits++) {
    const r = Number(m.toPrecision(digits));
    if (r > a && r < b) return r;
  }
  return m;
}
function memo(f: (a: number, b: number) => number): (a: number, b: number) => number {
  const kept = new Map<number, number>();
  return (a, b) => {
    const key = a * 100_000 + b;
    let v = kept.get(key);
    if (v === undefined) {
      v = f(a, b);
      kept.set(key, v);
    }
    return v;
  };
}
/** Residual sum of squares of a line or parabola through rows a … b, by orthogonal polynomials. */
function rssOf(x: readonly number[], y: readonly number[], a: number, b: number, degree: 1 | 2): number {
  const n = b - a;
  let [mx, my] = [0, 0];
  for (let i = a; i < b; i++) {
    mx += x[i]!;
    my += y[i]!;
  }
  mx /= n;
  my /= n;
  let [sxx, sxxx] = [0, 0];
  for (let i = a; i < b; i++) {
    const u = x[i]! - mx;
    sxx += u * u;
    sxxx += u * u * u;
  }
  if (sxx === 0) {
    let s = 0;
    for (let i = a; i < b; i++) s += (y[i]! - my) ** 2;
    return s;
  }
  let sxy = 0;
  for (let i = a; i < b; i++) sxy += (x[i]! - mx) * (y[i]! - my);
  const slope = sxy / sxx;
  let [q2, q2y] = [0, 0];
  if (degree === 2)
    for (let i = a; i < b; i++) {
      const u = x[i]! - mx;
      const q = u * u - (sxxx / sxx) * u - sxx / n;
      q2 += q * q;
      q2y += q * (y[i]! - my);
    }
  const bend = q2 > 0 ? q2y / q2 : 0;
  let s = 0;
  for (let i = a; i < b; i++) {
    const u = x[i]! - mx;
    s += (y[i]! - my - slope * u - bend * (u * u - (sxxx / sxx) * u - sxx / n)) ** 2;
  }
  return s;
}
