import { Misread, withEntry, type Entry } from "./entry";
import { parseUnit } from "../units";
import { buildModel, modelOf, type CaseFile, type Model, type Variable } from "../model";
import { formatQuantity, formatUnitElsewhere, rangeInUnit, unitFor } from "../explain";
import { questionText, withPercents } from "../question";

/** Digits of a number that is told as it was typed. */
const DIGITS = 12;

export type Interpretation =
  | { readonly ok: true; readonly entry: Entry; readonly says: string; readonly warning: string | null }
  | {
      readonly ok: false;
      readonly message: string;
      readonly at: number;
      readonly end: number;
      /** nothing in the line is at fault; it is not understood as a whole */
      readonly isVague: boolean;
    };

/** A line that cannot be read, as what is told of it. @throws whatever else went wrong */
export function asRefused(failure: unknown): Interpretation & { ok: false } {
  if (!(failure instanceof Misread)) throw failure;
  const { message, at, end, isVague } = failure;
  return { ok: false, message, at, end, isVague };
}

/**
 * What an entry would do, said in a sentence, once the case with it in has no fault that it did not have before.
 * @param text  the line it was read from, for the place of a fault
 * @throws Misread with the fault
 */
export function checked(text: string, read: Entry, source: CaseFile, before: Model): Interpretation {
  const isBare = read.kind === "question" && !/%|percent/iu.test(text);
  const entry = isBare ? { ...read, row: withPercents(read.row, before) } : read;
  const after = withEntry(source, entry);
  const built = buildModel(after);
  const own = ownPath(entry, after);
  // An error elsewhere that was not there before (a circle closed, a name taken) belongs to this entry too.
  const known = new Set(before.errors.map((e) => `${e.path} ${e.message}`));
  const errors = built.errors.filter((e) => e.path.startsWith(own) || !known.has(`${e.path} ${e.message}`));
  const offset = bodyStart(text);
  if (errors.length > 0) {
    const e = errors[0]!;
    const inText = e.path === `${own}.by.text` && e.at !== undefined;
    throw new Misread(e.message, inText ? e.at! + offset : 0, inText ? (e.end ?? e.at!) + offset : text.length);
  }
  const warning = built.warnings.find((w) => w.path.startsWith(own))?.message ?? null;
  return { ok: true, entry, says: say(entry, built), warning };
}

/** The same, with a fault as what is told of it. */
export function checkedEntry(text: string, entry: Entry, source: CaseFile): Interpretation {
  try {
    return checked(text, entry, source, modelOf(source));
  } catch (failure) {
    return asRefused(failure);
  }
}

function ownPath(entry: Entry, after: CaseFile): string {
  const list = `${entry.kind}s` as "givens" | "variables" | "functions" | "questions";
  const rows = (after[list] ?? []) as { name?: string; id?: string }[];
  const key = "name" in entry.row ? entry.row.name : entry.row.id;
  return `${list}[${rows.findIndex((r) => (r.name ?? r.id) === key)}]`;
}

/** Where the right-hand side begins in the text as typed. */
function bodyStart(text: string): number {
  const equals = text.indexOf("=");
  const rest = text.slice(equals + 1);
  return equals + 1 + (rest.length - rest.trimStart().length);
}

function say(entry: Entry, built: Model): string {
  switch (entry.kind) {
    case "given":
      return (
        `${entry.replaces ? "changes" : "adds"} the given ${entry.row.name} = ` +
        `${formatQuantity(entry.row.value, unitOf(entry.row.unit), DIGITS)}`
      );
    case "variable": {
      const whole = entry.row.whole ? ", whole" : "";
      return `${entry.replaces ? "changes" : "adds"} the variable ${entry.row.name}${rangeSaid(entry.row)}${whole}`;
    }
    case "function": {
      const f = built.functions.get(entry.row.name);
      return (
        `${entry.replaces ? "changes" : "adds"} the function ${entry.row.name}(` +
        `${entry.row.of}) = ${f?.text ?? ""}${f?.unit?.text ? `, in ${f.unit.text}` : ""}` +
        `${entry.variable ? newVariableSaid(entry.variable, entry.because) : ""}`
      );
    }
    case "question": {
      const q = questionText(entry.row, built);
      return `asks: ${q.charAt(0).toLowerCase()}${q.slice(1)}`;
    }
  }
}

/** ", 0 … 30 years", ", in kites"; nothing of a variable of which neither is told. */
function rangeSaid(row: Variable): string {
  const { from, to, unit } = row;
  if (from === undefined && to === undefined) return unit ? `, in ${unitFor(2, unit)}` : "";
  const areNumbers = typeof from === "number" && typeof to === "number";
  return `, ${areNumbers ? between(from, to, unit) : rangeInUnit(row)}`;
}
const between = (from: number, to: number, unit: string | undefined): string =>
  `${formatUnitElsewhere(from, unitOf(unit), DIGITS)} … ${formatQuantity(to, unitOf(unit), DIGITS)}`;

function newVariableSaid({ name, from, to, unit, whole }: Variable, because: string | undefined): string {
  const counted = whole ? ", whole" : "";
  if (typeof from !== "number" || typeof to !== "number")
    return `, and its variable ${name}${unit ? ` in ${unitFor(2, unit)}` : ""}${counted}, for now any number`;
  return `, and its variable ${name}, ${between(from, to, unit)}${counted}${because ? ` (${because})` : ""}`;
}

function unitOf(text: string | undefined) {
  return text ? parseUnit(text).unit : null;
}
