import { latexText } from "../desk";
import { formatNumber, formatQuantity, relationShown, worthSentences } from "../explain";
import type { Names } from "../formula";
import type { BriefRow, Plan } from "../model";
import { parseUnit } from "../units";
import { bold, paragraph, picture, plain, quiet, type BriefBlock, type BriefTable } from "./page";
import type { PartSource, PlanTold } from "./told";
import { mathLatex } from "./words";

/** Constraints and corners that a page lists; more are counted. */
const MOST_LISTED = 40;

/** The plan as it is written, its best point, its corners, and what one more of each is worth. */
export function planned({ plan: told, source, row, names }: PartSource): BriefBlock[] {
  if (!told) return [quiet(source.plan ? "The plan is being worked out …" : "There is no plan.")];
  const { plan, result, words } = told;
  return [
    ...written(plan, names),
    paragraph(bold(words.says)),
    ...words.more.map((says) => paragraph(plain(says))),
    ...(result.corners.length > 0 ? [corners(told)] : []),
    ...region(told, row),
    ...worthSentences(plan, result).map((says) => paragraph(plain(says))),
    ...(words.chips.length > 0 ? [quiet(words.chips.map((c) => c.text).join("; "))] : []),
  ];
}

/** The objective and the constraints in force, typeset. */
function written({ objective, constraints }: Plan, names: Names): BriefBlock[] {
  const inForce = constraints.filter((c) => !c.off);
  const hidden = inForce.length - MOST_LISTED;
  const line = (text: string, note: string) => ({
    latex: mathLatex(text, names) ?? `\\text{${latexText(text)}}`,
    text: relationShown(text),
    note,
  });
  const goal = objective && line(objective.text, `as ${objective.sense === "greatest" ? "much" : "little"} as can be`);
  const unit = objective?.unit ? `, in ${objective.unit}` : "";
  return [
    {
      kind: "formulas",
      lines: [
        ...(goal ? [{ ...goal, note: `${goal.note}${unit}` }] : []),
        ...inForce.slice(0, MOST_LISTED).map((c) => line(c.text, c.label ?? "")),
      ],
    },
    ...(hidden > 0 ? [quiet(`and ${hidden} more constraints`)] : []),
  ];
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

function region({ isPictured, described, plan }: PlanTold, row: BriefRow): BriefBlock[] {
  if (!isPictured) return [];
  const [x, y] = plan.variables.map((v) => v.label ?? v.name);
  return [picture("region", row, { itself: `What is allowed of ${x} and ${y}.`, described })];
}
