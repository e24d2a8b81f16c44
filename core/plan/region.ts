import { ZERO, isZero, ratio, signOf, toDouble, type Rational, TINY } from "../numeric";
import { maximise } from "./exactSimplex";
import type { Relation } from "./linear";
import { ROUNDED, holds, sideOf } from "./side";

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

/** Crossings outside that are told at most: they are only drawn. */
const MOST_OUTSIDE = 200;

/** A relation's boundary in doubles: a x + b y = c. */
interface Line {
  readonly a: number;
  readonly b: number;
  readonly c: number;
  readonly sense: Relation["sense"];
}
const lineOf = (r: Relation): Line => ({
  a: toDouble(r.coefficients[0]!),
  b: toDouble(r.coefficients[1]!),
  c: toDouble(r.bound),
  sense: r.sense,
});

/** The region that relations of two variables leave, with every corner in fractions. */
export function regionOf(relations: readonly Relation[]): Region {
  const lines = relations.map(lineOf);
  const { corners, outside } = crossings(relations, lines);
  const found = corners[0] ? null : maximise([ZERO, ZERO], relations);
  const inside: Point | null = corners[0]?.at ?? (found?.status === "optimal" ? [found.at[0]!, found.at[1]!] : null);
  if (!inside) return { empty: true, corners: [], bounded: true, directions: [], outside, inside: null };
  const directions = directionsOf(relations, lines);
  return { empty: false, corners: ordered(corners), bounded: directions.length === 0, directions, outside, inside };
}

type Corner = Region["corners"][number];

/** Where two boundaries cross: the corners of the region with the relations through them, and what lies outside. */
function crossings(
  relations: readonly Relation[],
  lines: readonly Line[],
): { corners: Corner[]; outside: (readonly [number, number])[] } {
  const points: Point[] = [];
  const outside = new Map<string, readonly [number, number]>();
  const putOutside = (x: number, y: number): void => {
    if (outside.size < MOST_OUTSIDE) outside.set(`${x.toPrecision(11)} ${y.toPrecision(11)}`, [x, y]);
  };
  for (let i = 0; i < relations.length; i++)
    for (let j = i + 1; j < relations.length; j++) {
      const far = crossingOutside(lines[i]!, lines[j]!, lines);
      const p = far ? null : crossing(relations[i]!, relations[j]!);
      if (far) putOutside(...far);
      if (!p) continue;
      const near = [toDouble(p[0]), toDouble(p[1])] as const;
      if (!relations.every((r) => holds(r, p, near))) putOutside(...near);
      else if (!points.some((c) => same(c, p))) points.push(p);
    }
  const corners = points.map((at): Corner => {
    const near = at.map(toDouble);
    return { at, on: relations.flatMap((r, k) => (sideOf(r, at, near) === 0 ? [k] : [])) };
  });
  return { corners, outside: [...outside.values()] };
}

/**
 * A crossing that is proven to lie outside the region by doubles and how far each of them may be off; null where
 * fractions have to tell.
 */
function crossingOutside(l: Line, m: Line, lines: readonly Line[]): readonly [number, number] | null {
  const det = l.a * m.b - m.a * l.b;
  const detOff = ROUNDED * (Math.abs(l.a * m.b) + Math.abs(m.a * l.b));
  const least = Math.abs(det) - detOff;
  if (!(least > 0)) return null;
  const [x, y] = [(l.c * m.b - m.c * l.b) / det, (l.a * m.c - m.a * l.c) / det];
  const xOff = (ROUNDED * (Math.abs(l.c * m.b) + Math.abs(m.c * l.b)) + Math.abs(x) * detOff) / least;
  const yOff = (ROUNDED * (Math.abs(l.a * m.c) + Math.abs(m.a * l.c)) + Math.abs(y) * detOff) / least;
  const isOutside = (k: Line): boolean => {
    const v = k.a * x + k.b * y - k.c;
    const terms = Math.abs(k.a * x) + Math.abs(k.b * y) + Math.abs(k.c);
    const off = Math.abs(k.a) * xOff + Math.abs(k.b) * yOff + ROUNDED * terms + TINY;
    return (k.sense === "<=" ? v : k.sense === ">=" ? -v : Math.abs(v)) > off;
  };
  return lines.some(isOutside) ? [x, y] : null;
}

const AXES: readonly Point[] = (
  [
    [1, 0],
    [-1, 0],
    [0, 1],
    [0, -1],
  ] as const
).map(([x, y]) => [ratio(x), ratio(y)]);

/** Ways in which a region that is not empty goes on for ever. */
function directionsOf(relations: readonly Relation[], lines: readonly Line[]): Point[] {
  const directions: Point[] = [];
  const go = (d: Point): void => {
    if (relations.every((r) => allows(r, d)) && !directions.some((e) => parallel(e, d))) directions.push(d);
  };
  /** Clearly against one relation, already in doubles. */
  const isAgainst = (u: number, v: number): boolean =>
    lines.some((k) => {
      const speed = k.a * u + k.b * v;
      const scale = ROUNDED * (Math.abs(k.a * u) + Math.abs(k.b * v)) + TINY;
      return k.sense === "<=" ? speed > scale : k.sense === ">=" ? speed < -scale : Math.abs(speed) > scale;
    });
  if (relations.length === 0) AXES.forEach(go);
  relations.forEach((r, i) => {
    const [a, b] = [r.coefficients[0]!, r.coefficients[1]!];
    const k = lines[i]!;
    if (!isAgainst(-k.b, k.a)) go([b.neg(), a]);
    if (!isAgainst(k.b, -k.a)) go([b, a.neg()]);
  });
  const isTurned = (d: Point, e: Point) => !isZero(d[0].mul(e[1]).sub(d[1].mul(e[0])));
  // A half-plane also goes on into its inside; between two other directions the region goes on anyway.
  if (!directions.some((d) => directions.some((e) => isTurned(d, e))))
    relations.forEach((r, i) => {
      const s = r.sense === "<=" ? -1 : r.sense === ">=" ? 1 : 0;
      if (s !== 0 && !isAgainst(s * lines[i]!.a, s * lines[i]!.b))
        go([r.coefficients[0]!.mul(ratio(s)), r.coefficients[1]!.mul(ratio(s))]);
    });
  return directions;
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
