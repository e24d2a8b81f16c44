import { ONE, ZERO, isZero, signOf, type Rational } from "../numeric";
import type { Relation } from "./linear";

export type LinearResult =
  | { readonly status: "optimal"; readonly at: readonly Rational[]; readonly value: Rational }
  | {
      readonly status: "unbounded";
      /** a way from any feasible point along which the value grows for ever */ readonly ray: readonly Rational[];
    }
  | { readonly status: "infeasible" }
  | { readonly status: "work" };

/** Exchanges of a base after which the exact method gives up. */
const MAX_STEPS = 4000;

/**
 * Greatest value of c·x over Σ a x (sense) b with x free in sign, in fractions: the simplex method in two phases with
 * Bland's rule, which never goes in circles (Bland 1977).
 */
export function maximise(c: readonly Rational[], relations: readonly Relation[]): LinearResult {
  const n = c.length;
  // x = u − v with u, v ≥ 0; each relation with a slack where it is no equality; rows turned so that the right side
  // is not negative.
  const slackOf: number[] = [];
  let columns = 2 * n;
  for (const r of relations) {
    slackOf.push(r.sense === "=" ? -1 : columns++);
  }
  const first = columns;
  const rows: Rational[][] = relations.map((r, i) => {
    const row = new Array<Rational>(first).fill(ZERO);
    r.coefficients.forEach((a, j) => {
      row[j] = a;
      row[n + j] = a.neg();
    });
    if (slackOf[i]! >= 0) row[slackOf[i]!] = r.sense === "<=" ? ONE : ONE.neg();
    row.push(r.bound);
    return signOf(r.bound) < 0 ? row.map((v) => v.neg()) : row;
  });
  const base: number[] = [];
  const artificial: number[] = [];
  rows.forEach((row, i) => {
    const s = slackOf[i]!;
    if (s >= 0 && signOf(row[s]!) > 0) {
      base.push(s);
      return;
    }
    base.push(-1);
    artificial.push(i);
  });
  const total = first + artificial.length;
  rows.forEach((row, i) => {
    const b = row.pop()!;
    for (let k = 0; k < artificial.length; k++) row.push(artificial[k] === i ? ONE : ZERO);
    row.push(b);
  });
  artificial.forEach((i, k) => {
    base[i] = first + k;
  });
  let steps = 0;
  const pivot = (i: number, j: number): void => {
    const under = ONE.div(rows[i]![j]!);
    rows[i] = rows[i]!.map((v) => (isZero(v) ? v : v.mul(under)));
    for (let k = 0; k < rows.length; k++) {
      const f = rows[k]![j]!;
      if (k === i || isZero(f)) continue;
      const from = rows[i]!;
      rows[k] = rows[k]!.map((v, q) => (isZero(from[q]!) ? v : v.sub(f.mul(from[q]!))));
    }
    base[i] = j;
  };
  let growing = -1;
  /** Improves Σ cost·x to its greatest; false when it grows without end, along the column `growing`. */
  const improve = (cost: readonly Rational[], allowed: number): boolean | null => {
    for (;;) {
      if (++steps > MAX_STEPS) return null;
      let enter = -1;
      for (let j = 0; j < allowed && enter < 0; j++) {
        if (base.includes(j)) continue;
        let reduced = cost[j] ?? ZERO;
        for (let i = 0; i < rows.length; i++) {
          const cb = cost[base[i]!] ?? ZERO;
          if (!isZero(cb) && !isZero(rows[i]![j]!)) reduced = reduced.sub(cb.mul(rows[i]![j]!));
        }
        if (signOf(reduced) > 0) enter = j;
      }
      if (enter < 0) return true;
      let leave = -1;
      let least: Rational | null = null;
      for (let i = 0; i < rows.length; i++) {
        const a = rows[i]![enter]!;
        if (signOf(a) <= 0) continue;
        const ratio = rows[i]![total]!.div(a);
        const order = least ? ratio.compare(least) : -1;
        if (order < 0 || (order === 0 && base[i]! < base[leave]!)) {
          least = ratio;
          leave = i;
        }
      }
      if (leave < 0) {
        growing = enter;
        return false;
      }
      pivot(leave, enter);
    }
  };
  if (artificial.length > 0) {
    const cost = new Array<Rational>(total).fill(ZERO);
    for (let k = 0; k < artificial.length; k++) cost[first + k] = ONE.neg();
    if (improve(cost, total) === null) return { status: "work" };
    if (rows.some((row, i) => base[i]! >= first && !isZero(row[total]!))) return { status: "infeasible" };
    // An artificial left in the base at 0 goes out where it can; where it cannot, its row says nothing new.
    for (let i = rows.length - 1; i >= 0; i--) {
      if (base[i]! < first) continue;
      const j = rows[i]!.findIndex((v, k) => k < first && !isZero(v));
      if (j >= 0) pivot(i, j);
      else {
        rows.splice(i, 1);
        base.splice(i, 1);
      }
    }
  }
  const cost = new Array<Rational>(total).fill(ZERO);
  c.forEach((v, j) => {
    cost[j] = v;
    cost[n + j] = v.neg();
  });
  const done = improve(cost, first);
  if (done === null) return { status: "work" };
  if (!done) {
    const way = new Array<Rational>(total).fill(ZERO);
    way[growing] = ONE;
    base.forEach((j, i) => {
      way[j] = rows[i]![growing]!.neg();
    });
    return { status: "unbounded", ray: c.map((_, j) => way[j]!.sub(way[n + j]!)) };
  }
  const values = new Array<Rational>(total).fill(ZERO);
  base.forEach((j, i) => {
    values[j] = rows[i]![total]!;
  });
  const at = c.map((_, j) => values[j]!.sub(values[n + j]!));
  return { status: "optimal", at, value: c.reduce((s, v, j) => s.add(v.mul(at[j]!)), ZERO) };
}
