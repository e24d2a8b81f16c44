import { ZERO, isZero, signOf, toDouble, type Rational } from "../numeric";
import type { Relation } from "./linear";

export const dot = (a: readonly Rational[], b: readonly Rational[]): Rational =>
  a.reduce((s, v, j) => (isZero(v) ? s : s.add(v.mul(b[j]!))), ZERO);

/** What a relation looks like in doubles; made once. */
const doubles = new WeakMap<Relation, { readonly coefficients: readonly number[]; readonly bound: number }>();
export function inDoubles(r: Relation) {
  let d = doubles.get(r);
  if (!d) {
    d = { coefficients: r.coefficients.map(toDouble), bound: toDouble(r.bound) };
    doubles.set(r, d);
  }
  return d;
}
/**
 * More than the roundings of tens of thousands of doubles come to, as a share of what is summed: beyond it they prove a
 * sign; what is nearer is decided in fractions.
 */
export const ROUNDED = 1e-11;

/** Sign of a·x − b: which side of a relation's border a point lies on; 0 exactly on it. */
export function sideOf(r: Relation, at: readonly Rational[], near: readonly number[] = at.map(toDouble)): -1 | 0 | 1 {
  const d = inDoubles(r);
  let v = -d.bound;
  let scale = Math.abs(d.bound);
  for (let j = 0; j < near.length; j++) {
    const term = d.coefficients[j]! * near[j]!;
    v += term;
    scale += Math.abs(term);
  }
  if (v > ROUNDED * scale) return 1;
  if (v < -ROUNDED * scale) return -1;
  return signOf(dot(r.coefficients, at).sub(r.bound));
}
/** Whether a point keeps a relation. */
export function holds(r: Relation, at: readonly Rational[], near?: readonly number[]): boolean {
  const s = sideOf(r, at, near);
  return r.sense === "<=" ? s <= 0 : r.sense === ">=" ? s >= 0 : s === 0;
}
