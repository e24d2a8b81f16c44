import { ONE, ZERO, isZero, ratio, rationalText, simplestBetween, toDouble, type Rational } from "../numeric";
import type { Names } from "../formula";
import type { CaseProblem, Plan } from "../model";
import { maximise } from "./exactSimplex";
import type { Relation } from "./linear";
import { readPlan, type Named } from "./readPlan";
import { regionOf, type Region } from "./region";
import { dot, sideOf } from "./side";
import { maximiseWhole } from "./whole";
import { isLarge } from "./size";
import { boundRange, coefficientRange, insideEnd, multipliersAt } from "./worth";

export interface PlanPoint {
  readonly at: readonly number[];
  readonly exact: readonly string[];
  readonly value: number | null;
}
export interface PlanCorner extends PlanPoint {
  readonly on: readonly string[];
}
/** A plan worked out; null where the plan does not ask for it. */
export interface PlanResult {
  readonly status: "optimal" | "tied" | "unbounded" | "infeasible" | null;
  readonly corners: readonly PlanCorner[];
  /** where two boundary lines cross outside the region; at most 200 */
  readonly outside: readonly (readonly [number, number])[];
  readonly regionBounded: boolean | null;
  readonly directions: readonly (readonly number[])[];
  readonly best: readonly PlanPoint[];
  readonly whole: PlanPoint | null;
  readonly wholeTies: readonly PlanPoint[] | null;
  readonly binding: readonly string[];
  readonly slack: Readonly<Record<string, number>>;
  /** what every constraint leaves at the best whole point (0: nothing); null where none is asked for or found */
  readonly wholeSlack: Readonly<Record<string, number>> | null;
  readonly multipliers: Readonly<Record<string, number | null>>;
  /** right-hand sides between which a multiplier holds; null ends are open */
  readonly ranges: Readonly<Record<string, readonly [number | null, number | null]>>;
  /**
   * values of each variable's coefficient in the objective for which the same point stays best; only where one point is
   * best
   */
  readonly stays: Readonly<Record<string, readonly [number | null, number | null]>>;
  /**
   * what the best value loses for each unit of a variable, beside the constraints of several variables; 0 for one that
   * is in use, null where not unique
   */
  readonly reduced: Readonly<Record<string, number | null>>;
  /** a way along which the objective grows for ever, where it does */
  readonly ray: readonly number[] | null;
  /** a smallest set of constraints that cannot hold together */
  readonly conflict: readonly string[];
  readonly notes: readonly string[];
  /** how far the best value of a second method lies from this one, relative */
  readonly secondWay: number | null;
  /** worked out in doubles by the compiled solver, its answer tested; false: exact, in fractions */
  readonly compiled: boolean;
  /**
   * relative distance between the best found so far and what is still possible, when the work ended before the proof;
   * null otherwise
   */
  readonly gap: number | null;
}
export interface PlanReading {
  readonly result: PlanResult | null;
  readonly errors: readonly CaseProblem[];
  readonly warnings: readonly CaseProblem[];
  /** the exact method did not settle it, or did not try because of its size: a case for the compiled solver */
  readonly unsettled: boolean;
}
/** Up to this many relations the simplex method goes over a plan of two variables a second time. */
const SECOND_WAY = 16;

/** Reads and solves the plan of a case, exactly. */
export function solvePlan(plan: Plan, names: Names): PlanReading {
  const { relations, form, greatest, errors, warnings } = readPlan(plan, names);
  if (errors.length > 0) return { result: null, errors, warnings, unsettled: false };
  if (isLarge(plan)) return { result: null, errors, warnings, unsettled: true };
  const solver = new PlanSolver(plan, relations, form?.coefficients ?? null, form?.constant ?? ZERO, greatest);
  return { result: solver.solve(), errors, warnings, unsettled: solver.unsettled };
}

class PlanSolver {
  private readonly n: number;
  unsettled = false;
  /** the objective to be made greatest */
  private readonly up: readonly Rational[];
  constructor(
    private readonly plan: Plan,
    private readonly relations: readonly Named[],
    private readonly c: readonly Rational[] | null,
    private readonly constant: Rational,
    private readonly greatest: boolean,
  ) {
    this.n = plan.variables.length;
    this.up = (c ?? plan.variables.map(() => ZERO)).map((v) => (greatest ? v : v.neg()));
  }

  private valueAt(at: readonly Rational[]): Rational | null {
    return this.c && this.c.reduce((s, v, j) => s.add(v.mul(at[j]!)), this.constant);
  }
  private point(at: readonly Rational[]): PlanPoint {
    const v = this.valueAt(at);
    return { at: at.map(toDouble), exact: at.map(rationalText), value: v && toDouble(v) };
  }

  solve(): PlanResult {
    const region = this.n === 2 ? regionOf(this.relations) : null;
    const corners = (region?.corners ?? []).map((k): PlanCorner => ({
      ...this.point(k.at),
      on: [...new Set(k.on.map((i) => this.relations[i]!.id))],
    }));
    const none: PlanResult = {
      status: null,
      corners,
      outside: (region?.outside ?? []).slice(0, 200),
      regionBounded: region ? region.bounded : null,
      directions: (region?.directions ?? []).map((d) => d.map(toDouble)),
      best: [],
      whole: null,
      wholeTies: null,
      binding: [],
      slack: {},
      wholeSlack: null,
      multipliers: {},
      ranges: {},
      stays: {},
      reduced: {},
      ray: null,
      conflict: [],
      notes: [],
      secondWay: null,
      compiled: false,
      gap: null,
    };
    if (region?.empty) return { ...none, status: "infeasible", conflict: this.conflict() };
    const first = this.first(region);
    if (first.status === "infeasible") return { ...none, status: "infeasible", conflict: this.conflict() };
    if (!this.c) return none;
    if (first.status === "work") this.unsettled = true;
    if (first.status === "work") return { ...none, notes: ["The plan is too large for the exact method."] };
    if (first.status === "unbounded") return { ...none, status: "unbounded", ray: first.ray.map(toDouble) };
    const bests = this.allBest(region, first.at, first.value);
    const best = bests.map((p) => this.point(p));
    const tied = bests.length > 1 || this.tiesOpenly(region, first.value);
    const always = this.relations.filter((r) => bests.every((p) => tight(r, p)));
    const whole = this.plan.variables.some((v) => v.whole) ? this.wholeBest() : null;
    const at = bests[0]!;
    const slack: Record<string, number> = {};
    for (const r of this.relations)
      if (!this.relations.some((s) => s.id === r.id && tight(s, at))) {
        const room = toDouble(dot(r.coefficients, at).sub(r.bound).abs());
        slack[r.id] = Math.min(slack[r.id] ?? Infinity, room);
      }
    const binding = [...new Set(always.map((r) => r.id))];
    return {
      ...none,
      status: tied ? "tied" : "optimal",
      best,
      ...(whole ?? {}),
      binding,
      slack,
      ...this.worthOf(at, first.value, tied),
      secondWay:
        region && corners.length > 0 && region.bounded && this.relations.length <= SECOND_WAY
          ? this.differs(corners, maximise(this.up, this.relations))
          : null,
    };
  }

  /** Two variables: the best corner, or none where a direction goes on for ever. Otherwise the simplex method. */
  private first(region: Region | null): ReturnType<typeof maximise> {
    if (!region || region.corners.length === 0) return maximise(this.up, this.relations);
    const growing = region.directions.find((d) => dot(this.up, d as readonly Rational[]).compare(ZERO) > 0);
    if (growing) return { status: "unbounded", ray: growing };
    const values = region.corners.map((k) => dot(this.up, k.at));
    const best = values.reduce((m, v, i) => (v.compare(values[m]!) > 0 ? i : m), 0);
    return { status: "optimal", at: region.corners[best]!.at, value: values[best]! };
  }

  /** Multipliers, the right-hand sides and the coefficients for which they hold, and reduced costs. */
  private worthOf(
    at: readonly Rational[],
    value: Rational,
    tied: boolean,
  ): Pick<PlanResult, "multipliers" | "ranges" | "stays" | "reduced"> {
    const all = multipliersAt(this.up, this.relations, at);
    const turned = (v: Rational) => (this.greatest ? v : v.neg());
    const multipliers: Record<string, number | null> = {};
    const ranges: Record<string, readonly [number | null, number | null]> = {};
    this.relations.forEach((r, i) => {
      if (multipliers[r.id] !== undefined && multipliers[r.id] !== 0) return;
      if (!tight(r, at)) {
        multipliers[r.id] ??= 0;
        // A side that does not bind may move as far as the best point lies from it.
        const reach = dot(r.coefficients, at);
        ranges[r.id] ??= r.sense === "<=" ? [insideEnd(reach, -1), null] : [null, insideEnd(reach, 1)];
        return;
      }
      const worth = all[i]!;
      multipliers[r.id] = worth && toDouble(turned(worth));
      if (worth) {
        const range = (tied ? null : boundRange(this.relations, at, all, i)) ?? this.rangeOf(r, worth, value);
        if (range) ranges[r.id] = range;
      }
    });
    const stays: Record<string, readonly [number | null, number | null]> = {};
    if (!tied)
      this.plan.variables.forEach((v, j) => {
        const [low, high] = coefficientRange(this.up, this.relations, at, j);
        const [from, to] = this.greatest ? [low, high] : [high, low];
        stays[v.name] = [from && insideEnd(turned(from), -1), to && insideEnd(turned(to), 1)];
      });
    const reduced: Record<string, number | null> = {};
    const several = this.relations.map((r) => r.coefficients.filter((a) => !isZero(a)).length > 1);
    this.plan.variables.forEach((v, j) => {
      // What the constraints of several variables leave of the coefficient is just what the bounds of the variable
      // itself take up; those are fewer, and more often unique.
      const sum = this.relations.reduce<Rational | null>(
        (s, r, i) =>
          s === null || several[i] || isZero(r.coefficients[j]!)
            ? s
            : all[i] === null
              ? null
              : s.add(all[i]!.mul(r.coefficients[j]!)),
        ZERO,
      );
      reduced[v.name] = sum && toDouble(turned(sum));
    });
    return { multipliers, ranges, stays, reduced };
  }

  /** Corners against the simplex method: the same best value twice. */
  private differs(corners: readonly PlanCorner[], other: ReturnType<typeof maximise>): number | null {
    if (other.status !== "optimal") return null;
    const wanted = toDouble((this.greatest ? other.value : other.value.neg()).add(this.constant));
    const found = corners.reduce(
      (m, k) => (this.greatest ? Math.max(m, k.value!) : Math.min(m, k.value!)),
      this.greatest ? -Infinity : Infinity,
    );
    return Math.abs(found - wanted) / Math.max(1, Math.abs(wanted));
  }

  private allBest(region: Region | null, at: readonly Rational[], value: Rational): (readonly Rational[])[] {
    if (region && region.corners.length > 0) {
      const list = region.corners
        .filter((k) => dot(this.up, k.at).compare(value) === 0)
        .map((k) => k.at as readonly Rational[]);
      if (list.length > 0) return list;
    }
    if (this.n === 2) return [at];
    // More variables: the ends of the best face along each of them.
    const level: Relation = { coefficients: this.up, sense: "=", bound: value };
    const found: (readonly Rational[])[] = [at];
    if (this.n <= 12)
      for (let j = 0; j < this.n; j++)
        for (const s of [1, -1]) {
          const end = maximise(
            this.up.map((_, k) => (k === j ? ratio(s) : ZERO)),
            [...this.relations, level],
          );
          if (end.status === "optimal" && !found.some((p) => p.every((v, k) => v.compare(end.at[k]!) === 0)))
            found.push(end.at);
        }
    return found;
  }
  /** Whether the best face goes on for ever: a ray or a line of equally good points. */
  private tiesOpenly(region: Region | null, value: Rational): boolean {
    if (region) return region.directions.some((d) => isZero(dot(this.up, d as readonly Rational[])));
    const level: Relation = { coefficients: this.up, sense: "=", bound: value };
    return (
      this.n <= 12 &&
      this.up.some((_, j) =>
        [1, -1].some(
          (s) =>
            maximise(
              this.up.map((_v, k) => (k === j ? ratio(s) : ZERO)),
              [...this.relations, level],
            ).status === "unbounded",
        ),
      )
    );
  }

  private roomsAt(at: readonly Rational[]): Record<string, number> {
    const rooms: Record<string, number> = {};
    for (const r of this.relations) {
      const room = toDouble(dot(r.coefficients, at).sub(r.bound).abs());
      rooms[r.id] = Math.min(rooms[r.id] ?? Infinity, room);
    }
    return rooms;
  }
  private wholeBest(): Pick<PlanResult, "whole" | "wholeTies" | "wholeSlack" | "notes"> {
    const r = maximiseWhole(
      this.up,
      this.relations,
      this.plan.variables.map((v) => v.whole === true),
    );
    if (r.status === "optimal")
      return {
        whole: this.point(r.at),
        wholeSlack: this.roomsAt(r.at),
        wholeTies: r.ties && r.ties.length > 1 ? r.ties.map((p) => this.point(p)) : null,
        notes: [],
      };
    if (r.status === "work") this.unsettled = true;
    return {
      whole: null,
      wholeTies: null,
      wholeSlack: null,
      notes: [
        r.status === "infeasible"
          ? "No point with whole values keeps all constraints."
          : "The best whole point was not settled within the work allowed.",
      ],
    };
  }

  private shifted(r: Named, by: Rational): ReturnType<typeof maximise> {
    return maximise(
      this.up,
      this.relations.map((s) => (s === r ? { ...s, bound: s.bound.add(by) } : s)),
    );
  }
  /** How far a right-hand side may go while its worth stays the same: doubled until it changes, then halved in. */
  private rangeOf(r: Named, worth: Rational, value: Rational): readonly [number | null, number | null] | null {
    if (this.relations.length > 40) return null;
    const slope = worth;
    const end = (sign: 1 | -1): number | null => {
      const keeps = (t: Rational) => {
        const s = this.shifted(r, t.mul(ratio(sign)));
        return s.status === "optimal" && s.value.sub(value).compare(slope.mul(t).mul(ratio(sign))) === 0;
      };
      let good = ratio(1, 1_000_000);
      let bad: Rational | null = null;
      for (let t = ONE; ; t = t.mul(ratio(4))) {
        if (keeps(t)) {
          good = t;
          if (t.compare(ratio(10n ** 9n)) > 0) return null;
        } else {
          bad = t;
          break;
        }
      }
      for (let i = 0; i < 40; i++) {
        const m: Rational = good.add(bad).div(ratio(2));
        if (keeps(m)) good = m;
        else bad = m;
      }
      // The end is a fraction of the plan's own numbers: the simplest one left is it, if it still keeps.
      const simplest = simplestBetween(good, bad);
      return insideEnd(r.bound.add((keeps(simplest) ? simplest : good).mul(ratio(sign))), sign);
    };
    return [end(-1), end(1)];
  }

  /** Constraints are dropped one by one as long as the rest still cannot hold. */
  private conflict(): string[] {
    let left = [...this.relations];
    for (const r of this.relations) {
      const without = left.filter((s) => s !== r);
      if (
        maximise(
          this.up.map(() => ZERO),
          without,
        ).status === "infeasible"
      )
        left = without;
    }
    return [...new Set(left.map((r) => r.id))];
  }
}
const tight = (r: Relation, at: readonly Rational[]): boolean => sideOf(r, at) === 0;
