import { WorthAtBest } from "./worthAtBest";
import { ZERO, isZero, ratio, rationalText, toDouble, bare, type Rational } from "../numeric";
import type { Names } from "../formula";
import type { Plan } from "../model";
import { maximise } from "./exactSimplex";
import type { Relation } from "./linear";
import { readPlan, type Named } from "./readPlan";
import { regionOf, type Region } from "./region";
import { dot, sideOf } from "./side";
import { maximiseWhole } from "./whole";
import { isLarge } from "./size";
import { NOTHING_FOUND, type PlanPoint, type PlanCorner, type PlanResult, type PlanReading } from "./planResult";

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
      ...NOTHING_FOUND,
      corners,
      outside: (region?.outside ?? []).slice(0, 200),
      regionBounded: region ? region.bounded : null,
      directions: (region?.directions ?? []).map((d) => d.map(toDouble)),
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
    const slack = bare<number>();
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
      ...new WorthAtBest(this.plan, this.relations, this.up, this.greatest).at(at, first.value, tied),
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
    const rooms = bare<number>();
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
