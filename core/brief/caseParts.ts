import { formatUnderHeading, list, unitFor } from "../explain";
import type { DataTable } from "../model";
import { parseUnit } from "../units";
import { paragraph, plain, quiet, type BriefBlock, type BriefTable, type FormulaLine } from "./page";
import type { PartSource } from "./told";

/** Rows of a table that a page shows; more are counted. */
const MOST_ROWS = 24;
/** Givens that are listed. */
const MOST_GIVENS = 100;

/** The story, and the numbers that were taken from it. */
export function known({ source, desk }: PartSource): BriefBlock[] {
  const story = (source.story?.text ?? "")
    .split(/\n\s*\n/)
    .filter((text) => text.trim())
    .map((text) => paragraph(plain(text.trim())));
  const givens: BriefTable = {
    kind: "table",
    caption: "What is given",
    columns: ["name", "meaning", "value"].map((name, i) => ({ name, isNumber: i === 2 })),
    rows: desk.givens.slice(0, MOST_GIVENS).map((g) => [g.name, g.label, g.shown]),
    more: desk.givens.length > MOST_GIVENS ? `and ${desk.givens.length - MOST_GIVENS} more` : "",
  };
  return [...story, ...(desk.givens.length > 0 ? [givens] : [])];
}

/** Variables with their ranges, and every function as it is written. */
export function modelled({ desk }: PartSource): BriefBlock[] {
  const variables = desk.variables.map((v) => {
    const what = [v.label && `${v.name} is ${v.label}`, v.unit && !v.label.includes(v.unit) && `in ${v.unit}`].filter(
      Boolean,
    );
    const whole = v.whole ? ", whole numbers only" : "";
    const open = /^−∞ … ∞$/.test(v.range);
    return `${what.join(", ") || v.name}${open ? "" : `, from ${v.range.replace(" … ", " to ")}`}${whole}.`;
  });
  const lines = desk.functions.flatMap((f): FormulaLine[] => {
    if (f.trouble || !f.latex) return [];
    const note = [f.label, f.unit && `in ${f.unit}`, f.note].filter(Boolean).join(", ");
    return [{ latex: f.latex, text: `${f.name}(${f.of}) = ${f.text}`, note }];
  });
  const troubled = desk.functions.filter((f) => f.trouble).map((f) => f.name);
  return [
    ...variables.map((says) => paragraph(plain(says))),
    ...(lines.length > 0 ? [{ kind: "formulas", lines } as const] : []),
    ...(troubled.length > 0 ? [quiet(`${list(troubled)} cannot be worked out yet, and are left out here.`)] : []),
  ];
}

/** The graph of the whole case. */
export function graph({ graph: described, desk, row, source }: PartSource): BriefBlock[] {
  if (described === null) return [quiet("There is no graph yet.")];
  return [{ kind: "picture", key: "graph", caption: row.caption ?? captionOf(shownOf(desk, source)), described }];
}
const shownOf = (desk: PartSource["desk"], { functions = [] }: PartSource["source"]) =>
  desk.functions.filter((f) => functions.find((row) => row.name === f.name)?.shown !== false);
/** "Revenue R, cost C and profit P against lanterns sold q." */
function captionOf(functions: PartSource["desk"]["functions"]): string {
  const named = functions.filter((f) => !f.trouble).map((f) => (f.label ? `${f.label} ${f.name}` : f.name));
  const inputs = [...new Set(functions.map((f) => f.of))];
  const says = `${list(named)} against ${list(inputs)}.`;
  return says.charAt(0).toUpperCase() + says.slice(1);
}

/** "t, weeks", "people": a column with its unit, where its name does not say it. */
function headingOf({ name, label, unit }: DataTable["columns"][number]): string {
  const [said, units] = [label ?? name, unit ? unitFor(MANY, unit) : ""];
  return !units || said === units || said === unit ? said : `${said}, ${units}`;
}
/** A number of things: their unit stands in the plural. */
const MANY = 2;

/** Every table of the case, the first rows of it. */
export const data = ({ source }: PartSource): BriefBlock[] => (source.data ?? []).map(tableOf);

function tableOf(table: DataTable): BriefTable {
  const units = table.columns.map((c) => (c.unit ? parseUnit(c.unit).unit : null));
  const hidden = table.rows.length - MOST_ROWS;
  return {
    kind: "table",
    caption: table.label ?? table.name,
    columns: table.columns.map((c) => ({ name: headingOf(c), isNumber: true })),
    rows: table.rows
      .slice(0, MOST_ROWS)
      .map((row) => table.columns.map((_, j) => (row[j] == null ? "" : formatUnderHeading(row[j], units[j]!, 10)))),
    more: hidden > 0 ? `and ${hidden} more ${hidden === 1 ? "row" : "rows"}` : "",
  };
}
