import { ONE, TINY, ZERO, isZero, rationalOfDouble, signOf, toDouble, type Rational } from "../numeric";
import { maximise } from "./exactSimplex";
import type { Relation } from "./linear";
import { ROUNDED, dot, inDoubles, sideOf } from "./side";

/**
 * What one more of each right-hand side changes, at a best point: the y with Σ yᵢ aᵢ = c over the relations that
 * are tight there (y ≥ 0 for ≤, y ≤ 0 for ≥). Where more than one such y exists, more and less change the best
 * value differently and the multiplier is null.
 * @param c  coefficients of the objective, made greatest
 * @returns one multiplier a relation, of the objective made greatest; 0 where a relation is not tight
 */
export function multipliersAt(
  c: readonly Rational[],
  relations: readonly Relation[],
  at: readonly Rational[],
): (Rational | null)[] {
  const out: (Rational | null)[] = relations.map(() => ZERO);
  const tight = tightAt(relations, at);
  const only = solveColumns(
    tight.map((i) => relations[i]!.coefficients),
    c,
  );
  if (only) {
    tight.forEach((i, k) => {
      out[i] = only[k]!;
    });
    return out;
  }
  const { equations, signs } = cone(c, relations, tight);
  tight.forEach((i, k) => {
    const unit = tight.map((_, m) => (m === k ? ONE : ZERO));
    const high = maximise(unit, [...equations, ...signs]);
    const low = maximise(
      unit.map((v) => v.neg()),
      [...equations, ...signs],
    );
    out[i] =
      high.status === "optimal" && low.status === "optimal" && high.value.compare(low.value.neg()) === 0
        ? high.value
        : null;
  });
  return out;
}

/**
 * Between which right-hand sides a multiplier holds, where exactly as many relations are tight as there are variables
 * and each of them is worth something: the best point moves along a straight line until the next relation stops it.
 * @returns null where the point is not of that kind
 */
export function boundRange(
  relations: readonly Relation[],
  at: readonly Rational[],
  multipliers: readonly (Rational | null)[],
  which: number,
): readonly [Rational | null, Rational | null] | null {
  const tight = tightAt(relations, at);
  const place = tight.indexOf(which);
  if (
    place < 0 ||
    tight.length !== at.length ||
    tight.some((i) => relations[i]!.sense !== "=" && (!multipliers[i] || isZero(multipliers[i])))
  )
    return null;
  const way = solveRows(
    tight.map((i) => relations[i]!.coefficients),
    tight.map((_, k) => (k === place ? ONE : ZERO)),
  );
  if (!way) return null;
  let [low, high]: [Rational | null, Rational | null] = [null, null];
  // Doubles tell which relations could be the first; only those are worked out in fractions.
  const [near, ahead] = [at.map(toDouble), way.map(toDouble)];
  const rough = relations.map((r) => roomAlong(r, near, ahead));
  const first = { low: -Infinity, high: Infinity };
  for (const [k, v] of rough.entries())
    if (v && !tight.includes(k)) {
      if (v.upper) first.high = Math.min(first.high, v.reach + v.off);
      else first.low = Math.max(first.low, v.reach - v.off);
    }
  const late = (v: Room | null) => v !== null && (v.upper ? v.reach - v.off > first.high : v.reach + v.off < first.low);
  relations.forEach((r, k) => {
    if (tight.includes(k) || late(rough[k]!)) return;
    const speed = dot(r.coefficients, way);
    if (isZero(speed)) return;
    const reach = r.bound.sub(dot(r.coefficients, at)).div(speed);
    // a·(x + t d) ≤ b stops t from above where the speed is positive, from below where it is negative; ≥ the other
    // way.
    if ((r.sense === "<=") === signOf(speed) > 0) {
      if (!high || reach.compare(high) < 0) high = reach;
    } else if (!low || reach.compare(low) > 0) low = reach;
  });
  const b = relations[which]!.bound;
  return [low && b.add(low), high && b.add(high)];
}

/** An end of a range as a double that lies inside it: what is told to hold up to there, holds there. */
export function insideEnd(end: Rational, side: 1 | -1): number {
  const near = toDouble(end);
  const order = Number.isFinite(near) ? rationalOfDouble(near).compare(end) * side : 0;
  return order > 0 ? near - side * Math.max(Math.abs(near) * 2 ** -52, Number.MIN_VALUE) : near;
}

/**
 * Between which values one coefficient of the objective may lie while the same point stays best: as long as the
 * objective stays inside the cone of the tight relations.
 * @returns ends in terms of the objective made greatest; null ends are open
 */
export function coefficientRange(
  c: readonly Rational[],
  relations: readonly Relation[],
  at: readonly Rational[],
  j: number,
): readonly [Rational | null, Rational | null] {
  const tight = tightAt(relations, at);
  const straight =
    tight.length === c.length
      ? [c, c.map((_, k) => (k === j ? ONE : ZERO))].map((right) =>
          solveColumns(
            tight.map((i) => relations[i]!.coefficients),
            right,
          ),
        )
      : [];
  const [y, z] = straight;
  if (y && z) {
    // Each y moves along a straight line; the first that would change its sign ends the range.
    let [low, high]: [Rational | null, Rational | null] = [null, null];
    tight.forEach((i, k) => {
      const { sense } = relations[i]!;
      if (sense === "=" || isZero(z[k]!)) return;
      const t = y[k]!.neg().div(z[k]!);
      if ((sense === "<=") === signOf(z[k]!) > 0) {
        if (!low || t.compare(low) > 0) low = t;
      } else if (!high || t.compare(high) < 0) high = t;
    });
    return [low && c[j]!.add(low), high && c[j]!.add(high)];
  }
  const { equations, signs } = cone(c, relations, tight);
  // One unknown more: c + t·(unit j) in the cone.
  const wide = (r: Relation): Relation => ({ ...r, coefficients: [...r.coefficients, ZERO] });
  const rows = equations.map((r, k): Relation => ({
    ...r,
    coefficients: [...r.coefficients, k === j ? ONE.neg() : ZERO],
  }));
  const end = (sign: 1 | -1): Rational | null => {
    const r = maximise([...tight.map(() => ZERO), sign > 0 ? ONE : ONE.neg()], [...rows, ...signs.map(wide)]);
    return r.status === "optimal" ? c[j]!.add(sign > 0 ? r.value : r.value.neg()) : null;
  };
  return [end(-1), end(1)];
}

interface Room {
  readonly reach: number;
  /** how far the reach may be off */
  readonly off: number;
  /** it stops from above, not from below */
  readonly upper: boolean;
}
/** How far a point may go along a way until it meets a relation, in doubles; null where they do not tell. */
function roomAlong(r: Relation, at: readonly number[], way: readonly number[]): Room | null {
  const d = inDoubles(r);
  const along = (v: readonly number[]) => d.coefficients.reduce((s, a, j) => s + a * v[j]!, 0);
  const terms = (v: readonly number[]) => d.coefficients.reduce((s, a, j) => s + Math.abs(a * v[j]!), 0);
  const speed = along(way);
  const speedOff = ROUNDED * terms(way);
  const least = Math.abs(speed) - speedOff;
  if (!(least > 0)) return null;
  const reach = (d.bound - along(at)) / speed;
  const off = (ROUNDED * (Math.abs(d.bound) + terms(at)) + Math.abs(reach) * speedOff) / least + TINY;
  if (!Number.isFinite(reach) || !Number.isFinite(off)) return null;
  return { reach, off, upper: (r.sense === "<=") === speed > 0 };
}
const tightAt = (relations: readonly Relation[], at: readonly Rational[]): number[] => {
  const near = at.map(toDouble);
  return relations.flatMap((r, i) => (sideOf(r, at, near) === 0 ? [i] : []));
};
/** Σ yᵢ aᵢ = c with the signs of y, as relations in the unknowns y. */
function cone(
  c: readonly Rational[],
  relations: readonly Relation[],
  tight: readonly number[],
): { equations: Relation[]; signs: Relation[] } {
  return {
    equations: c.map((v, j) => ({
      coefficients: tight.map((i) => relations[i]!.coefficients[j]!),
      sense: "=" as const,
      bound: v,
    })),
    signs: tight.flatMap((i, k): Relation[] => {
      const { sense } = relations[i]!;
      return sense === "="
        ? []
        : [
            {
              coefficients: tight.map((_, m) => (m === k ? ONE : ZERO)),
              sense: sense === "<=" ? ">=" : "<=",
              bound: ZERO,
            },
          ];
    }),
  };
}

/** The only y with Σ yᵢ columnᵢ = right; null when there is none or more than one. */
function solveColumns(columns: readonly (readonly Rational[])[], right: readonly Rational[]): Rational[] | null {
  return solveRows(
    right.map((_, j) => columns.map((col) => col[j]!)),
    right,
  );
}
/** The only x with rowᵢ · x = rightᵢ, by elimination; null when there is none or more than one. */
function solveRows(rows: readonly (readonly Rational[])[], right: readonly Rational[]): Rational[] | null {
  const m = rows.map((r, i) => [...r, right[i]!]);
  const n = rows[0]?.length ?? 0;
  let at = 0;
  for (let j = 0; j < n; j++) {
    const p = m.findIndex((r, i) => i >= at && !isZero(r[j]!));
    if (p < 0) return null;
    [m[at], m[p]] = [m[p]!, m[at]!];
    const pivot = m[at]!;
    for (let i = 0; i < m.length; i++) {
      if (i === at || isZero(m[i]![j]!)) continue;
      const f = m[i]![j]!.div(pivot[j]!);
      m[i] = m[i]!.map((v, k) => (k < j || isZero(pivot[k]!) ? v : v.sub(f.mul(pivot[k]!))));
    }
    at++;
  }
  if (m.slice(at).some((r) => !isZero(r[n]!))) return null;
  return m.slice(0, n).map((r, j) => r[n]!.div(r[j]!));
}
