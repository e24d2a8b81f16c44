import { ONE, ZERO, isZero, ratio, simplestBetween, toDouble, bare, type Rational } from "../numeric";
import type { Plan } from "../model";
import { maximise } from "./exactSimplex";
import type { Relation } from "./linear";
import type { Named } from "./readPlan";
import { dot, sideOf } from "./side";
import { boundRange, coefficientRange, insideEnd, multipliersAt } from "./worth";
import type { PlanResult } from "./planResult";

/** From and to; null where it goes on for ever. */
type Range = readonly [number | null, number | null];

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
      if (multipliers[r.id] !== undefined && multipliers[r.id] !== 0) return;
      if (!tight(r, at)) {
        multipliers[r.id] ??= 0;
        // A side that does not bind may move as far as the best point lies from it.
        const reach = dot(r.coefficients, at);
        ranges[r.id] ??= r.sense === "<=" ? [insideEnd(reach, -1), null] : [null, insideEnd(reach, 1)];
        return;
      }
      const worth = all[i]!;
      multipliers[r.id] = worth && toDouble(this.turned(worth));
      if (!worth) return;
      const range = (tied ? null : boundRange(this.relations, at, all, i)) ?? this.rangeOf(r, worth, value);
      if (range) ranges[r.id] = range;
    });
    return { multipliers, ranges };
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

  private shifted(r: Named, by: Rational): ReturnType<typeof maximise> {
    return maximise(
      this.up,
      this.relations.map((s) => (s === r ? { ...s, bound: s.bound.add(by) } : s)),
    );
  }

  /** How far a right-hand side may go while its worth stays the same: doubled until it changes, then halved in. */
  private rangeOf(r: Named, worth: Rational, value: Rational): Range | null {
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
}
