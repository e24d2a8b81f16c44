import type { Names } from "../formula";
import type { Plan } from "../model";
import { readConstraint, readForm, type PlanResult } from "../plan";
import { ownOf } from "../numeric";
import { parseUnit } from "../units";
import { formatNumber, formatQuantity } from "./quantity";

/** Constraints of which a point of the region tells what it leaves. */
const MOST_READ = 14;
/** Doubles of a point on a line may lie beside it by as much. */
const ON_LINE_TOL = 1e-9;

/** What a point leaves of a constraint. */
export interface Left {
  readonly id: string;
  readonly text: string;
  readonly broken: boolean;
}

/** What a point of a plan leaves of each constraint in force. @param at  a value for each variable, in their order */
export function leftAt(plan: Plan, at: readonly number[], names: Names): Left[] {
  const own = plan.variables.map((v) => v.name);
  return plan.constraints
    .filter((c) => !c.off)
    .slice(0, MOST_READ)
    .flatMap((c) => {
      const read = readConstraint(c.text, own, names);
      if (!read.ok) return [];
      const room = Math.min(
        ...read.relations.map(({ coefficients, bound, sense }) => {
          const off =
            coefficients.reduce((sum, a, j) => sum + Number(a.valueOf()) * at[j]!, 0) - Number(bound.valueOf());
          return sense === "<=" ? -off : sense === ">=" ? off : -Math.abs(off);
        }),
      );
      const broken = room < -ON_LINE_TOL;
      const text = broken ? `broken by ${formatNumber(-room, 4)}` : `${formatNumber(Math.max(0, room), 4)} left`;
      return [{ id: c.label ?? c.id, broken, text }];
    });
}

/** What the objective comes to at a point, in its unit; nothing where there is none. */
export function worthAt(plan: Plan, at: readonly number[], names: Names): string {
  const { objective, variables } = plan;
  const read = objective
    ? readForm(
        objective.text,
        variables.map((v) => v.name),
        names,
      )
    : null;
  if (!read?.ok) return "";
  const { coefficients, constant } = read.form;
  const value = coefficients.reduce((sum, a, j) => sum + Number(a.valueOf()) * at[j]!, Number(constant.valueOf()));
  return formatQuantity(value, objective?.unit ? parseUnit(objective.unit).unit : null, 6);
}

/** "20 to spare": what the best point leaves of a constraint, in whole values where these are asked for. */
export function spareWords(result: PlanResult, id: string): string {
  if (result.best.length === 0) return "";
  const room = ownOf(result.wholeSlack ?? result.slack, id);
  if (room === undefined) return result.wholeSlack ? "" : "nothing left";
  return result.wholeSlack && room === 0 ? "nothing left" : `${formatNumber(room)} to spare`;
}
