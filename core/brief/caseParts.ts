import type { DeskVariable } from "../desk";
import { formatUnitElsewhere, list, unitFor } from "../explain";
import type { DataTable } from "../model";
import { parseUnit } from "../units";
import { paragraph, picture, plain, quiet, type BriefBlock, type BriefTable, type FormulaLine } from "./page";
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

/** "q is lanterns sold, in pieces, from 0 to 320, whole numbers only." */
function variableWords({ name, label, unit, from, to, whole }: DeskVariable): string {
  const isSaid = label.split(/[^\p{L}\p{Nd}%]+/u).includes(unit);
  const range = to === null ? from && `from ${from} on` : from === null ? `up to ${to}` : `from ${from} to ${to}`;
  const parts = [
    label ? `${name} is ${label}` : `${name} is the input`,
    unit && !isSaid && `in ${unit}`,
    range,
    whole && "whole numbers only",
  ];
  return `${parts.filter(Boolean).join(", ")}.`;
}

/** Variables with their ranges, and every function as it is written. */
export function modelled({ desk }: PartSource): BriefBlock[] {
  const lines = desk.functions.flatMap((f): FormulaLine[] => {
    if (f.trouble || !f.latex) return [];
    const note = [f.label, f.unit && `in ${f.unit}`, f.note].filter(Boolean).join(", ");
    return [{ latex: f.latex, text: `${f.name}(${f.of}) = ${f.text}`, note }];
  });
  const troubled = desk.functions.filter((f) => f.trouble).map((f) => f.name);
  return [
    ...desk.variables.map((v) => paragraph(plain(variableWords(v)))),
    ...(lines.length > 0 ? [{ kind: "formulas", lines } as const] : []),
    ...(troubled.length > 0 ? [quiet(`Left out, since it cannot be worked out yet: ${list(troubled)}.`)] : []),
  ];
}

/** The graph of the whole case. */
export function graph({ graph: described, desk, row, source }: PartSource): BriefBlock[] {
  if (described === null) return [quiet("There is no graph yet.")];
  return [picture("graph", row, { itself: captionOf(shownOf(desk, source)), described })];
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
      .map((row) => table.columns.map((_, j) => (row[j] == null ? "" : formatUnitElsewhere(row[j], units[j]!, 10)))),
    more: hidden > 0 ? `and ${hidden} more ${hidden === 1 ? "row" : "rows"}` : "",
  };
}
