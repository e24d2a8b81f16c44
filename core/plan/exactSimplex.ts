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
 * The table of a program Σ a x (sense) b in fractions. A free x = u − v has two columns, u and v ≥ 0; each
 * relation that is no equality has a slack; rows are turned so that the right side, the last column, is not
 * negative. A row without a slack to begin from has an artificial variable.
 */
class Tableau {
  readonly rows: Rational[][];
  /** the variable that each row stands for */
  readonly base: number[] = [];
  /** columns before the first artificial variable, and columns before the right side */
  readonly first: number;
  readonly total: number;
  /** the column along which the value grows without end, once it was found to */
  growing = -1;
  private steps = 0;

  constructor(relations: readonly Relation[], variables: number) {
    let columns = 2 * variables;
    const slacks = relations.map((r) => (r.sense === "=" ? -1 : columns++));
    this.first = columns;
    const turned = relations.map((r, i) => rowOf(r, variables, slacks[i]!, columns));
    const artificial = turned.flatMap((row, i) => (slacks[i]! >= 0 && signOf(row[slacks[i]!]!) > 0 ? [] : [i]));
    this.total = columns + artificial.length;
    this.base = slacks.map((slack, i) => (artificial.includes(i) ? columns + artificial.indexOf(i) : slack));
    this.rows = turned.map((row, i) => [
      ...row.slice(0, -1),
      ...artificial.map((of) => (of === i ? ONE : ZERO)),
      row.at(-1)!,
    ]);
  }

  /** A feasible base; false where there is none, null when the work ran out. */
  begin(): boolean | null {
    if (this.total === this.first) return true;
    const cost = this.costs((k) => (k >= this.first ? ONE.neg() : ZERO));
    if (this.improve(cost, this.total) === null) return null;
    if (this.rows.some((row, i) => this.base[i]! >= this.first && !isZero(row[this.total]!))) return false;
    this.dropArtificial();
    return true;
  }
  costs(of: (column: number) => Rational): Rational[] {
    return Array.from({ length: this.total }, (_, k) => of(k));
  }
  /** Improves Σ cost·x to its greatest; false when it grows without end, null when the work ran out. */
  improve(cost: readonly Rational[], allowed = this.first): boolean | null {
    for (;;) {
      if (++this.steps > MAX_STEPS) return null;
      const enter = this.entering(cost, allowed);
      if (enter < 0) return true;
      const leave = this.leaving(enter);
      if (leave < 0) {
        this.growing = enter;
        return false;
      }
      this.pivot(leave, enter);
    }
  }

  /** The first column that improves the value, −1 where none does. */
  private entering(cost: readonly Rational[], allowed: number): number {
    for (let j = 0; j < allowed; j++) {
      if (this.base.includes(j)) continue;
      const reduced = this.rows.reduce((sum, row, i) => {
        const ofBase = cost[this.base[i]!]!;
        return isZero(ofBase) || isZero(row[j]!) ? sum : sum.sub(ofBase.mul(row[j]!));
      }, cost[j]!);
      if (signOf(reduced) > 0) return j;
    }
    return -1;
  }
  /** The row that reaches its bound first when this column grows; of several that of the first variable. */
  private leaving(enter: number): number {
    let leave = -1;
    let least: Rational | null = null;
    this.rows.forEach((row, i) => {
      if (signOf(row[enter]!) <= 0) return;
      const ratio = row[this.total]!.div(row[enter]!);
      const order = least ? ratio.compare(least) : -1;
      if (order > 0 || (order === 0 && this.base[i]! >= this.base[leave]!)) return;
      least = ratio;
      leave = i;
    });
    return leave;
  }
  private pivot(i: number, j: number): void {
    const under = ONE.div(this.rows[i]![j]!);
    const from = this.rows[i]!.map((v) => (isZero(v) ? v : v.mul(under)));
    this.rows.forEach((row, k) => {
      const f = row[j]!;
      if (k !== i && !isZero(f)) this.rows[k] = row.map((v, q) => (isZero(from[q]!) ? v : v.sub(f.mul(from[q]!))));
    });
    this.rows[i] = from;
    this.base[i] = j;
  }
  /** An artificial left in the base at 0 goes out where it can; where it cannot, its row says nothing new. */
  private dropArtificial(): void {
    for (let i = this.rows.length - 1; i >= 0; i--) {
      if (this.base[i]! < this.first) continue;
      const j = this.rows[i]!.findIndex((v, k) => k < this.first && !isZero(v));
      if (j >= 0) this.pivot(i, j);
      else {
        this.rows.splice(i, 1);
        this.base.splice(i, 1);
      }
    }
  }
  /** What each column is worth: the right sides at the base, 0 elsewhere. */
  values(): Rational[] {
    const values = this.costs(() => ZERO);
    this.base.forEach((j, i) => {
      values[j] = this.rows[i]![this.total]!;
    });
    return values;
  }
  /** The way along which the value grows without end. */
  ray(): Rational[] {
    const way = this.costs((k) => (k === this.growing ? ONE : ZERO));
    this.base.forEach((j, i) => {
      way[j] = this.rows[i]![this.growing]!.neg();
    });
    return way;
  }
}

function rowOf(r: Relation, variables: number, slack: number, columns: number): Rational[] {
  const row = new Array<Rational>(columns).fill(ZERO);
  r.coefficients.forEach((a, j) => {
    row[j] = a;
    row[variables + j] = a.neg();
  });
  if (slack >= 0) row[slack] = r.sense === "<=" ? ONE : ONE.neg();
  row.push(r.bound);
  return signOf(r.bound) < 0 ? row.map((v) => v.neg()) : row;
}

/**
 * Greatest value of c·x over Σ a x (sense) b with x free in sign, in fractions: the simplex method in two phases with
 * Bland's rule, which never goes in circles (Bland 1977).
 */
export function maximise(c: readonly Rational[], relations: readonly Relation[]): LinearResult {
  const n = c.length;
  const tableau = new Tableau(relations, n);
  const begun = tableau.begin();
  if (!begun) return { status: begun === null ? "work" : "infeasible" };
  const cost = tableau.costs((k) => (k < n ? c[k]! : k < 2 * n ? c[k - n]!.neg() : ZERO));
  const done = tableau.improve(cost);
  if (done === null) return { status: "work" };
  const inTheirSigns = (columns: readonly Rational[]) => c.map((_, j) => columns[j]!.sub(columns[n + j]!));
  if (!done) return { status: "unbounded", ray: inTheirSigns(tableau.ray()) };
  const at = inTheirSigns(tableau.values());
  return { status: "optimal", at, value: c.reduce((s, v, j) => s.add(v.mul(at[j]!)), ZERO) };
}
