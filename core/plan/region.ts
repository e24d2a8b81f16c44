import { ZERO, isZero, ratio, signOf, toDouble, type Rational } from "../numeric";
import { maximise } from "./exactSimplex";
import type { Relation } from "./linear";
import { holds, sideOf } from "./side";

export type Point = readonly [Rational, Rational];
/** The feasible region of two variables, exactly. */
export interface Region {
  readonly empty: boolean;
  /** counter-clockwise from the one with least x, then least y */
  readonly corners: readonly { readonly at: Point; readonly on: readonly number[] }[];
  readonly bounded: boolean;
  /** ways in which it goes on for ever; a line gives both of its ways */
  readonly directions: readonly Point[];
  /** where two boundary lines cross outside the region, in doubles */
  readonly outside: readonly (readonly [number, number])[];
  /** any point of it */
  readonly inside: Point | null;
}

const along = (r: Relation, d: Point): number => signOf(r.coefficients[0]!.mul(d[0]).add(r.coefficients[1]!.mul(d[1])));
/** Whether one may go on for ever in a direction as far as a relation is concerned. */
const allows = (r: Relation, d: Point): boolean => {
  const s = along(r, d);
  return r.sense === "<=" ? s <= 0 : r.sense === ">=" ? s >= 0 : s === 0;
};
const same = (a: Point, b: Point) => a[0].compare(b[0]) === 0 && a[1].compare(b[1]) === 0;

/** Crossings of pairs are looked at in doubles first; only those near the region are worked out in fractions. */
const NEAR = 1e-6;
/** Crossings outside that are told at most: they are only drawn. */
const MOST_OUTSIDE = 200;

export function regionOf(relations: readonly Relation[]): Region {
  const lines = relations.map((r) => ({
    a: toDouble(r.coefficients[0]!),
    b: toDouble(r.coefficients[1]!),
    c: toDouble(r.bound),
    sense: r.sense,
  }));
  const corners: { at: Point; on: number[] }[] = [];
  const outside = new Map<string, readonly [number, number]>();
  const put = (x: number, y: number): void => {
    if (outside.size < MOST_OUTSIDE) outside.set(`${x.toPrecision(11)} ${y.toPrecision(11)}`, [x, y]);
  };
  for (let i = 0; i < relations.length; i++)
    for (let j = i + 1; j < relations.length; j++) {
      const [l, m] = [lines[i]!, lines[j]!];
      const det = l.a * m.b - m.a * l.b;
      const x = (l.c * m.b - m.c * l.b) / det;
      const y = (l.a * m.c - m.a * l.c) / det;
      const off = (k: (typeof lines)[number]) => {
        const v = k.a * x + k.b * y - k.c;
        const scale = Math.abs(k.a * x) + Math.abs(k.b * y) + Math.abs(k.c) + 1e-300;
        return (k.sense === "<=" ? v : k.sense === ">=" ? -v : Math.abs(v)) / scale;
      };
      const far =
        Number.isFinite(x) &&
        Number.isFinite(y) &&
        Math.abs(det) > 1e-9 * (Math.abs(l.a * m.b) + Math.abs(m.a * l.b)) &&
        lines.some((k) => off(k) > NEAR);
      if (far) {
        put(x, y);
        continue;
      }
      const p = crossing(relations[i]!, relations[j]!);
      if (!p) continue;
      const near = [toDouble(p[0]), toDouble(p[1])];
      if (!relations.every((r) => holds(r, p, near))) put(near[0]!, near[1]!);
      else if (!corners.some((c) => same(c.at, p))) corners.push({ at: p, on: [] });
    }
  for (const c of corners) {
    const near = c.at.map(toDouble);
    relations.forEach((r, k) => {
      if (sideOf(r, c.at, near) === 0) c.on.push(k);
    });
  }
  const found = corners[0] ? null : maximise([ZERO, ZERO], relations);
  const inside: Point | null = corners[0]?.at ?? (found?.status === "optimal" ? [found.at[0]!, found.at[1]!] : null);
  if (!inside)
    return { empty: true, corners: [], bounded: true, directions: [], outside: [...outside.values()], inside: null };
  const directions: Point[] = [];
  const go = (d: Point): void => {
    if (relations.every((r) => allows(r, d)) && !directions.some((e) => parallel(e, d))) directions.push(d);
  };
  if (relations.length === 0)
    for (const [x, y] of [
      [1, 0],
      [-1, 0],
      [0, 1],
      [0, -1],
    ] as const)
      go([ratio(x), ratio(y)]);
  /** Clearly against one relation, already in doubles. */
  const against = (u: number, v: number): boolean =>
    lines.some((k) => {
      const speed = k.a * u + k.b * v;
      const scale = NEAR * (Math.abs(k.a * u) + Math.abs(k.b * v));
      return k.sense === "<=" ? speed > scale : k.sense === ">=" ? speed < -scale : Math.abs(speed) > scale;
    });
  relations.forEach((r, i) => {
    const [a, b] = [r.coefficients[0]!, r.coefficients[1]!];
    const k = lines[i]!;
    if (!against(-k.b, k.a)) go([b.neg(), a]);
    if (!against(k.b, -k.a)) go([b, a.neg()]);
  });
  // A half-plane also goes on into its inside; between two other directions the region goes on anyway.
  if (!directions.some((d) => directions.some((e) => !isZero(d[0].mul(e[1]).sub(d[1].mul(e[0]))))))
    relations.forEach((r, i) => {
      const s = r.sense === "<=" ? -1 : r.sense === ">=" ? 1 : 0;
      if (s !== 0 && !against(s * lines[i]!.a, s * lines[i]!.b))
        go([r.coefficients[0]!.mul(ratio(s)), r.coefficients[1]!.mul(ratio(s))]);
    });
  return {
    empty: false,
    corners: ordered(corners),
    bounded: directions.length === 0,
    directions,
    outside: [...outside.values()],
    inside,
  };
}
const parallel = (a: Point, b: Point) =>
  isZero(a[0].mul(b[1]).sub(a[1].mul(b[0]))) && signOf(a[0].mul(b[0]).add(a[1].mul(b[1]))) > 0;

function crossing(r: Relation, s: Relation): Point | null {
  const [a, b, c, d] = [r.coefficients[0]!, r.coefficients[1]!, s.coefficients[0]!, s.coefficients[1]!];
  const det = a.mul(d).sub(c.mul(b));
  return isZero(det)
    ? null
    : [r.bound.mul(d).sub(s.bound.mul(b)).div(det), a.mul(s.bound).sub(c.mul(r.bound)).div(det)];
}
/** Counter-clockwise from the corner with least x, then least y. */
function ordered<T extends { at: Point }>(corners: readonly T[]): T[] {
  if (corners.length < 2) return [...corners];
  const first = corners.reduce((m, c) => {
    const o = c.at[0].compare(m.at[0]);
    return o < 0 || (o === 0 && c.at[1].compare(m.at[1]) < 0) ? c : m;
  });
  const rest = corners.filter((c) => c !== first);
  // Seen from the leftmost lowest corner all others lie within a half turn; a left turn comes later.
  rest.sort((p, q) => {
    const [px, py, qx, qy] = [
      p.at[0].sub(first.at[0]),
      p.at[1].sub(first.at[1]),
      q.at[0].sub(first.at[0]),
      q.at[1].sub(first.at[1]),
    ];
    return -signOf(px.mul(qy).sub(py.mul(qx)));
  });
  return [first, ...rest];
}
