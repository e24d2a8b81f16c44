import type { Plan } from "../model";
import type { PlanResult } from "../plan";
import { parseUnit } from "../units";
import { formatNumber, formatQuantity } from "./quantity";

/** `(60, 40) $370`: a corner and what the objective is there. */
export function cornerText({ at, value }: { at: readonly number[]; value: number | null }, plan: Plan): string {
  const unit = plan.objective?.unit ? parseUnit(plan.objective.unit).unit : null;
  const worth = value === null ? "" : ` ${formatQuantity(value, unit, 6)}`;
  return `(${at.map((v) => formatNumber(v, 5)).join(", ")})${worth}`;
}

/** "x, river lanterns": a variable with what it counts. */
export function variableText(plan: Plan, k: 0 | 1): string {
  const { name, label, unit } = plan.variables[k]!;
  return [name, label ?? unit].filter(Boolean).join(", ");
}

/** The region of two variables in words, for those who do not see it. */
export function regionWords(plan: Plan, { corners, directions, regionBounded }: PlanResult): string {
  const ways = directions.map((d) => `(${d.map((v) => formatNumber(v)).join(", ")})`).join(" and ");
  const end = regionBounded === false ? `, without end along ${ways}` : "";
  const all = corners.map((c) => `; ${cornerText(c, plan)}`).join("");
  return `Region of ${variableText(plan, 0)} and ${variableText(plan, 1)}: ${corners.length} corners${end}${all}.`;
}
