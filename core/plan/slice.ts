import { ZERO, isZero, rationalOfDouble, rationalText, signOf, simplestBetween, type Rational } from "../numeric";
import type { Names } from "../formula";
import type { Plan } from "../model";
import { planPicture, type PlanPicture } from "./draw";
import { readPlan } from "./readPlan";
import { solvePlan } from "./solvePlan";
import type { PlanResult } from "./planResult";

/** Room for rounding at a constraint that the point of the slice lies on. */
const ROOM = 1e-10;

/** Two of many variables, the others held where they are: a plan of two variables with its region. */
export interface Slice {
  readonly plan: Plan;
  readonly result: PlanResult;
  readonly picture: PlanPicture;
}

/**
 * The slice of a plan through a point along two of its variables.
 * @param at  values of all variables, in the order of the plan; doubles stand for the simplest fraction near them,
 * since corners that fall together must do so exactly
 * @returns null when the plan cannot be read, or nothing of it concerns the two
 */
export function sliceOf(
  plan: Plan,
  names: Names,
  at: readonly number[],
  pair: readonly [number, number],
): Slice | null {
  const read = readPlan(plan, names);
  if (read.errors.length > 0) return null;
  const held = at.map((v) => {
    const room = ROOM * Math.max(1, Math.abs(v));
    return simplestBetween(rationalOfDouble(v - room), rationalOfDouble(v + room));
  });
  const two = pair.map((j) => plan.variables[j]!);
  const rest = (coefficients: readonly Rational[]) =>
    coefficients.reduce((s, a, j) => (pair.includes(j) || isZero(a) ? s : s.add(a.mul(held[j]!))), ZERO);
  const sum = (coefficients: readonly Rational[]): string =>
    pair
      .map((j, k) => {
        const a = coefficients[j]!;
        return isZero(a)
          ? ""
          : `${signOf(a) < 0 ? "- " : k > 0 && !isZero(coefficients[pair[0]]!) ? "+ " : ""}(` +
              `${rationalText(a.abs())}) ${plan.variables[j]!.name}`;
      })
      .filter((t) => t)
      .join(" ");
  const counts = new Map<string, number>();
  const constraints = read.relations.flatMap((r) => {
    const text = sum(r.coefficients);
    if (!text) return [];
    counts.set(r.id, (counts.get(r.id) ?? 0) + 1);
    const label = plan.constraints.find((c) => c.id === r.id)?.label;
    const bound = r.bound.sub(rest(r.coefficients));
    return [
      {
        id: counts.get(r.id)! > 1 ? `${r.id} ` : r.id,
        text:
          `${text} ${r.sense} ` +
          `${signOf(bound) < 0 ? `-(${rationalText(bound.abs())})` : `(${rationalText(bound)})`}`,
        ...(label ? { label } : {}),
      },
    ];
  });
  if (constraints.length === 0) return null;
  const cut: Plan = { variables: two, constraints };
  if (read.form && plan.objective) {
    const text = sum(read.form.coefficients);
    const constant = read.form.constant.add(rest(read.form.coefficients));
    if (text)
      cut.objective = {
        ...plan.objective,
        text: `${text} ${signOf(constant) < 0 ? "-" : "+"} (${rationalText(constant.abs())})`,
      };
  }
  const { result } = solvePlan(cut, names);
  const picture = result && planPicture(cut, names, result);
  return result && picture ? { plan: cut, result, picture } : null;
}
