import { formatNumber, formatQuantity, relationShown, worthSentences } from "../explain";
import { parseUnit } from "../units";
import { bold, paragraph, plain, quiet, type BriefBlock, type BriefTable } from "./page";
import type { PartSource, PlanTold } from "./told";

/** Constraints and corners that a page lists; more are counted. */
const MOST_LISTED = 40;

/** The plan as it is written, its best point, its corners, and what one more of each is worth. */
export function planned({ plan: told, source, row }: PartSource): BriefBlock[] {
  if (!told) return [quiet(source.plan ? "The plan is being worked out …" : "There is no plan.")];
  const { plan, result, words } = told;
  const goal = plan.objective
    ? [paragraph(plain(`As ${plan.objective.sense === "greatest" ? "much" : "little"} as can be of `), objective(told))]
    : [];
  return [
    ...goal,
    constraints(told),
    paragraph(bold(words.says)),
    ...words.more.map((says) => paragraph(plain(says))),
    ...(result.corners.length > 0 ? [corners(told)] : []),
    ...picture(told, row.caption),
    ...worthSentences(plan, result).map((says) => paragraph(plain(says))),
    ...(words.chips.length > 0 ? [quiet(words.chips.map((c) => c.text).join("; "))] : []),
  ];
}

const objective = ({ plan: { objective: goal } }: PlanTold) =>
  plain(`${relationShown(goal!.text)}${goal!.unit ? `, in ${goal!.unit}` : ""}.`);

function constraints({ plan }: PlanTold): BriefTable {
  const inForce = plan.constraints.filter((c) => !c.off);
  const hidden = inForce.length - MOST_LISTED;
  return {
    kind: "table",
    caption: "Constraints",
    columns: [
      { name: "name", isNumber: false },
      { name: "constraint", isNumber: false },
    ],
    rows: inForce.slice(0, MOST_LISTED).map((c) => [c.label ?? c.id, relationShown(c.text)]),
    more: hidden > 0 ? `and ${hidden} more` : "",
  };
}

function corners({ plan, result }: PlanTold): BriefTable {
  const unit = plan.objective?.unit ? parseUnit(plan.objective.unit).unit : null;
  const value = plan.objective ? [{ name: "value", isNumber: true }] : [];
  const labels = new Map(plan.constraints.map((c) => [c.id, c.label ?? c.id]));
  const hidden = result.corners.length - MOST_LISTED;
  return {
    kind: "table",
    caption: "Corners of the region",
    columns: [
      { name: "where", isNumber: false },
      ...plan.variables.map((v) => ({ name: v.label ? `${v.name}, ${v.label}` : v.name, isNumber: true })),
      ...value,
    ],
    rows: result.corners
      .slice(0, MOST_LISTED)
      .map((c) => [
        c.on.map((id) => labels.get(id) ?? id).join(", "),
        ...c.at.map((v) => formatNumber(v)),
        ...(plan.objective ? [c.value === null ? "" : formatQuantity(c.value, unit)] : []),
      ]),
    more: hidden > 0 ? `and ${hidden} more` : "",
  };
}

function picture({ isPictured, described, plan }: PlanTold, caption: string | undefined): BriefBlock[] {
  if (!isPictured) return [];
  const [x, y] = plan.variables.map((v) => v.label ?? v.name);
  return [{ kind: "picture", key: "region", caption: caption ?? `What is allowed of ${x} and ${y}.`, described }];
}
