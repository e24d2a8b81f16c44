import type { CaseFile, Plan } from "../model";
import { freeConstraintId, yesOrNo, type PlanLine } from "../plan";
import { withMarks } from "../story";
import { changedRow, named, typedText, way, withField } from "./way";

type Constraint = Plan["constraints"][number];

const EMPTY: Plan = { variables: [], constraints: [] };
const withPlan = (source: CaseFile, to: (plan: Plan) => Plan): CaseFile => ({
  ...source,
  plan: to(source.plan ?? EMPTY),
});
const withConstraint = (source: CaseFile, id: string, to: (c: Constraint) => Constraint): CaseFile =>
  withPlan(source, (p) => ({ ...p, constraints: changedRow(p.constraints, (c) => c.id === id, to) }));
const withObjective = (source: CaseFile, to: (o: NonNullable<Plan["objective"]>) => Plan["objective"]): CaseFile =>
  withPlan(source, (p) => (p.objective ? { ...p, objective: to(p.objective) } : p));
const withPlanVariable = (
  source: CaseFile,
  name: string,
  to: (v: Plan["variables"][number]) => Plan["variables"][number],
): CaseFile => withPlan(source, (p) => ({ ...p, variables: changedRow(p.variables, named(name), to) }));

const withNew = (p: Plan, text: string, label: string | undefined): Plan => ({
  ...p,
  constraints: [...p.constraints, { id: freeConstraintId(p.constraints), text, ...(label ? { label } : {}) }],
});

function withLine(source: CaseFile, line: PlanLine): CaseFile {
  return withPlan(source, (before) => {
    const p = { ...before, variables: [...before.variables, ...line.fresh.map((name) => ({ name }))] };
    if (line.kind === "constraint") return withNew(p, line.text, line.label);
    const unit = line.unit ?? before.objective?.unit;
    return { ...p, objective: { text: line.text, sense: line.sense, ...(unit ? { unit } : {}) } };
  });
}

export const planEdits = {
  /** A line of the plan: its objective or a constraint; names that are new become variables. */
  addPlanLine: way<{ line: PlanLine }>({
    says: ({ line }) => (line.kind === "objective" ? "set the objective" : "add a constraint"),
    apply: (source, { line }) => withLine(source, line),
  }),
  /** Lines pasted together; the names that are new to one of them are known to the next. */
  addPlanLines: way<{ lines: readonly PlanLine[] }>({
    says: ({ lines }) => `add ${lines.length} lines to the plan`,
    apply: (source, { lines }) => lines.reduce(withLine, source),
  }),
  /** A limit told in the story becomes a constraint, and its words, from `start` to `end`, a mark of it. */
  addPhrase: way<{ text: string; label?: string | undefined; start: number; end: number }>({
    says: () => "add a constraint from the story",
    apply(source, { text, label, start, end }) {
      const id = freeConstraintId(source.plan?.constraints ?? []);
      const added = withPlan(source, (p) => withNew(p, text, label));
      const marks = source.story?.marks ?? [];
      // Words that are marked for something else stay its own.
      if (!source.story || marks.some((m) => m.start < end && start < m.end)) return added;
      return { ...added, story: withMarks(source.story, [...marks, { start, end, role: "limit", of: id }]) };
    },
  }),
  setObjective: way<{ text?: string | undefined; sense?: "greatest" | "least" | undefined }>({
    says: () => "change the objective",
    apply: (source, { text, sense }) =>
      withObjective(source, (o) => ({ ...o, ...(text === undefined ? {} : { text }), ...(sense ? { sense } : {}) })),
  }),
  setObjectiveUnit: way<{ unit: string }>({
    says: () => "set the unit",
    apply: (source, { unit }) => withObjective(source, (o) => withField(o, "unit", typedText(unit))),
  }),
  setConstraint: way<{ id: string; text: string }>({
    says: (p) => `change ${p.id}`,
    apply: (source, { id, text }) => withConstraint(source, id, (c) => ({ ...c, text })),
  }),
  describeConstraint: way<{ id: string; label: string }>({
    says: () => "describe a constraint",
    apply: (source, { id, label }) => withConstraint(source, id, (c) => withField(c, "label", typedText(label))),
  }),
  forceConstraint: way<{ id: string; inForce: boolean }>({
    says: (p) => (p.inForce ? `use ${p.id} again` : `leave out ${p.id}`),
    apply: (source, { id, inForce }) =>
      withConstraint(source, id, (c) => withField(c, "off", inForce ? undefined : true)),
  }),
  removeConstraint: way<{ id: string }>({
    says: (p) => `delete the constraint ${p.id}`,
    apply(source, { id }) {
      const left = withPlan(source, (p) => ({ ...p, constraints: p.constraints.filter((c) => c.id !== id) }));
      const marks = source.story?.marks ?? [];
      // Another constraint may come to have this letter; the words were not told of that one.
      if (!source.story || !marks.some((m) => m.of === id)) return left;
      return {
        ...left,
        story: withMarks(
          source.story,
          marks.filter((m) => m.of !== id),
        ),
      };
    },
  }),
  describePlanVariable: way<{ name: string; label: string }>({
    says: () => "describe a variable",
    apply: (source, { name, label }) => withPlanVariable(source, name, (v) => withField(v, "label", typedText(label))),
  }),
  /** A constraint for each that it is not below 0. */
  keepNotNegative: way<{ names: readonly string[] }>({
    says: () => "nothing below 0",
    apply: (source, { names }) =>
      withPlan(source, (before) => names.reduce((p, name) => withNew(p, `${name} >= 0`, undefined), before)),
  }),
  onlyWhole: way<{ names: readonly string[] }>({
    says: () => "only whole numbers",
    apply: (source, { names }) =>
      names.reduce((now, name) => withPlanVariable(now, name, (v) => ({ ...v, whole: true })), source),
  }),
  setPlanWhole: way<{ name: string; whole: boolean }>({
    says: (p) => `make ${p.name} ${p.whole ? "whole" : "any number"}`,
    apply: (source, { name, whole }) =>
      withPlanVariable(source, name, (v) => withField(v, "whole", whole || undefined)),
  }),
  /** Yes or no: whole, from 0 to 1. */
  setYesNo: way<{ name: string; yesNo: boolean }>({
    says: (p) => (p.yesNo ? `make ${p.name} yes or no` : `let ${p.name} be more than yes or no`),
    apply(source, { name, yesNo }) {
      const at = source.plan ? yesOrNo(source.plan, name) : -1;
      if (!yesNo) return withPlan(source, (p) => ({ ...p, constraints: p.constraints.filter((_, i) => i !== at) }));
      const whole = withPlanVariable(source, name, (v) => ({ ...v, whole: true }));
      const label = source.plan?.variables.find(named(name))?.label ?? name;
      return at >= 0 ? whole : withPlan(whole, (p) => withNew(p, `0 <= ${name} <= 1`, `${label}: yes or no`));
    },
  }),
  removePlanVariable: way<{ name: string }>({
    says: (p) => `delete the variable ${p.name}`,
    apply: (source, { name }) =>
      withPlan(source, (p) => ({ ...p, variables: p.variables.filter((v) => v.name !== name) })),
  }),
  readPlan: way<{ plan: Plan; from: string }>({
    says: (p) => `read the plan of ${p.from}`,
    apply: (source, { plan }) => ({ ...source, plan }),
  }),
};
