import { ONE, ZERO, isZero, ratio, toDouble, bare, type Rational } from "../numeric";
import type { Plan } from "../model";
import { maximise } from "./exactSimplex";
import type { Relation } from "./linear";
import type { Named } from "./readPlan";
import { dot, sideOf } from "./side";
import { boundRange, coefficientRange, insideEnd, multipliersAt } from "./worth";
import type { PlanResult } from "./planResult";

/** Of more relations a range is not worked out where that takes a program of its own. */
const MOST_RELATIONS = 40;

/** From and to; null where it goes on for ever. */
type Range<T = number> = readonly [T | null, T | null];

/** A range of bounds as one of limits as they were written, in doubles that lie inside it. */
function told([from, to]: Range<Rational>, { beside = ZERO }: Relation): Range {
  return [from && insideEnd(from.add(beside), -1), to && insideEnd(to.add(beside), 1)];
}

const tight = (r: Relation, at: readonly Rational[]): boolean => sideOf(r, at) === 0;

/** What a plan's constraints and variables are worth at its best point. */
export class WorthAtBest {
  /** @param up  the objective to be made greatest */
  constructor(
    private readonly plan: Plan,
    private readonly relations: readonly Named[],
    private readonly up: readonly Rational[],
    private readonly greatest: boolean,
  ) {}

  /** Multipliers, the right-hand sides and the coefficients for which they hold, and reduced costs. */
  at(
    at: readonly Rational[],
    value: Rational,
    tied: boolean,
  ): Pick<PlanResult, "multipliers" | "ranges" | "stays" | "reduced"> {
    const all = multipliersAt(this.up, this.relations, at);
    return { ...this.sides(at, all, value, tied), stays: tied ? {} : this.stays(at), reduced: this.reduced(all) };
  }

  private turned(v: Rational): Rational {
    return this.greatest ? v : v.neg();
  }

  /** What one more of each right-hand side is worth, and for which right-hand sides that holds. */
  private sides(
    at: readonly Rational[],
    all: readonly (Rational | null)[],
    value: Rational,
    tied: boolean,
  ): Pick<PlanResult, "multipliers" | "ranges"> {
    const multipliers = bare<number | null>();
    const ranges = bare<Range>();
    this.relations.forEach((r, i) => {
      // Of a constraint of two sides the one that is worth something is told.
      const known = multipliers[r.id];
      if (known !== undefined && known !== 0) return;
      const worth = tight(r, at) ? all[i]! : ZERO;
      if (known === 0 && worth && isZero(worth)) return;
      multipliers[r.id] = worth && toDouble(this.turned(worth));
      const range = this.range(i, at, all, value, tied);
      if (range) ranges[r.id] = told(range, r);
      else Reflect.deleteProperty(ranges, r.id);
    });
    return { multipliers, ranges };
  }

  /** For which right-hand sides a worth holds; null where it is not one number, or not known. */
  private range(
    i: number,
    at: readonly Rational[],
    all: readonly (Rational | null)[],
    value: Rational,
    tied: boolean,
  ): Range<Rational> | null {
    const r = this.relations[i]!;
    if (!tight(r, at)) {
      // A side that does not bind may move as far as the best point lies from it.
      const reach = dot(r.coefficients, at);
      return r.sense === "<=" ? [reach, null] : [null, reach];
    }
    const worth = all[i]!;
    if (!worth) return null;
    return (tied ? null : boundRange(this.relations, at, all, i)) ?? this.rangeOf(r, worth, value);
  }

  /** Coefficients of the objective for which the best point stays where it is. */
  private stays(at: readonly Rational[]): Record<string, Range> {
    return Object.fromEntries(
      this.plan.variables.map((v, j) => {
        const [low, high] = coefficientRange(this.up, this.relations, at, j);
        const [from, to] = this.greatest ? [low, high] : [high, low];
        const range: Range = [from && insideEnd(this.turned(from), -1), to && insideEnd(this.turned(to), 1)];
        return [v.name, range] as const;
      }),
    );
  }

  /**
   * What the constraints of several variables leave of a coefficient is just what the bounds of the variable itself
   * take up; those are fewer, and more often unique.
   */
  private reduced(all: readonly (Rational | null)[]): Record<string, number | null> {
    const isBound = this.relations.map((r) => r.coefficients.filter((a) => !isZero(a)).length <= 1);
    const costOf = (j: number): Rational | null => {
      let sum: Rational = ZERO;
      for (const [i, r] of this.relations.entries()) {
        if (!isBound[i] || isZero(r.coefficients[j]!)) continue;
        const worth = all[i]!;
        if (worth === null) return null;
        sum = sum.add(worth.mul(r.coefficients[j]!));
      }
      return sum;
    };
    return Object.fromEntries(
      this.plan.variables.map((v, j) => {
        const cost = costOf(j);
        return [v.name, cost && toDouble(this.turned(cost))] as const;
      }),
    );
  }

  /**
   * How far a right-hand side may go while its worth stays the same. Whatever it is, the best value is no better than
   * that worth promises, and just as good while some point reaches that: the right-hand sides for which one does are
   * the values of one more unknown.
   */
  private rangeOf(r: Named, worth: Rational, value: Rational): Range<Rational> | null {
    if (this.relations.length > MOST_RELATIONS) return null;
    const moved = this.relations.map((s): Relation => ({
      ...s,
      coefficients: [...s.coefficients, s === r ? ONE.neg() : ZERO],
    }));
    const asGood: Relation = { coefficients: [...this.up, worth.neg()], sense: ">=", bound: value };
    const standing = this.up.map(() => ZERO);
    const [down, up] = [-1, 1].map((sign) => maximise([...standing, ratio(sign)], [...moved, asGood]));
    const isSettled = [down!, up!].every(({ status }) => status === "optimal" || status === "unbounded");
    if (!isSettled) return null;
    return [
      down!.status === "optimal" ? r.bound.sub(down!.value) : null,
      up!.status === "optimal" ? r.bound.add(up!.value) : null,
    ];
  }
}
