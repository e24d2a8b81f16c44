import { quoted, type Names } from "../formula";
import type { CaseProblem, Plan } from "../model";
import { readConstraint, readForm, type LinearForm, type Relation } from "./linear";

/** A relation with the id of the constraint it stands in. */
export interface Named extends Relation {
  readonly id: string;
}
export interface PlanRead {
  readonly relations: readonly Named[];
  readonly form: LinearForm | null;
  readonly greatest: boolean;
  readonly errors: readonly CaseProblem[];
  readonly warnings: readonly CaseProblem[];
}

/** Reads the constraints in force and the objective of a plan, with every problem at its place. */
export function readPlan(plan: Plan, names: Names): PlanRead {
  const errors: CaseProblem[] = [];
  const warnings: CaseProblem[] = [];
  const variables = plan.variables.map((v) => v.name);
  if (variables.length === 0) errors.push({ path: "plan.variables", message: "A plan needs at least one variable." });
  variables.forEach((name, j) => {
    if (variables.indexOf(name) < j)
      errors.push({
        path: `plan.variables[${j}].name`,
        message: `The name ${quoted(name)} is used twice; every variable of the plan has its own.`,
      });
  });
  const ids = new Set<string>();
  const relations: Named[] = [];
  plan.constraints.forEach((c, i) => {
    const path = `plan.constraints[${i}]`;
    if (ids.has(c.id))
      errors.push({
        path: `${path}.id`,
        message: `The id ${quoted(c.id)} is used twice; every constraint has its own.`,
      });
    ids.add(c.id);
    if (c.off) return;
    const read = readConstraint(c.text, variables, names);
    if (!read.ok) {
      errors.push({
        path: `${path}.text`,
        message: read.problem.message,
        at: read.problem.start,
        end: read.problem.end,
      });
      return;
    }
    if (read.strict)
      warnings.push({
        path: `${path}.text`,
        message: `${quoted(c.text.trim())} is read with its border: a best value needs one.`,
      });
    for (const r of read.relations) relations.push({ ...r, id: c.id });
  });
  const objective = plan.objective ? readForm(plan.objective.text, variables, names) : null;
  if (objective && !objective.ok)
    errors.push({
      path: "plan.objective.text",
      message: objective.problem.message,
      at: objective.problem.start,
      end: objective.problem.end,
    });
  return {
    relations,
    form: objective?.ok ? objective.form : null,
    greatest: plan.objective?.sense !== "least",
    errors,
    warnings,
  };
}
