import type { FileCell as Cell } from "../data";
import { rationalOfTyped, toDouble, type Rational } from "../numeric";
import { VARIABLE, call, type Expression } from "../formula";
import { inline, spotOfRational, valueAt, type FunctionTable } from "../solve";
import type { Model } from "../model";

export type Missing = "no value" | "not settled" | "too large";

export interface TableRow {
  readonly input: number;
  /** one value for each function; null where none can be written */
  readonly values: readonly (number | null)[];
  /** why none can be written, in words; null where there is a value */
  readonly missing: readonly (Missing | null)[];
  /** for each function: the sign changes between this row and the next */
  readonly changes: readonly boolean[];
  /** for each function: no other row is greater, as far as that is known of all of them */
  readonly greatest: readonly boolean[];
}

/** Most rows a table shows. */
export const MAX_ROWS = 2000;

/** Inputs from a start by a step up to an end, exactly: 0.1 three times is 0.3. */
export function steppedInputs(from: Rational, to: Rational, step: Rational): Rational[] {
  const out: Rational[] = [];
  if (step.compare(0) <= 0) return out;
  for (let x = from; x.compare(to) <= 0 && out.length < MAX_ROWS; x = x.add(step)) out.push(x);
  return out;
}

/** Into how many steps the place between two rows is opened. */
const FINER = 10;

/** The inputs between two neighbours, in ten equal steps; of what is counted, in whole ones. */
function inputsBetween(from: Rational, to: Rational, isWhole: boolean): Rational[] {
  const tenth = to.sub(from).div(FINER);
  const step = isWhole ? tenth.ceil() : tenth;
  return steppedInputs(from.add(step), to, step).filter((x) => x.compare(to) < 0);
}

/**
 * Inputs with the rows in between where somebody opened them.
 *
 * @param opened  the row each opening begins at, in their order: one within rows that an earlier one brought is finer
 */
export function withOpened(
  inputs: readonly Rational[],
  opened: readonly Rational[],
  isWhole: boolean,
): readonly Rational[] {
  return opened.reduce<readonly Rational[]>((rows, start) => {
    const at = rows.findIndex((x) => x.compare(start) === 0);
    const next = rows[at + 1];
    if (at < 0 || !next) return rows;
    return rows.toSpliced(at + 1, 0, ...inputsBetween(rows[at]!, next, isWhole)).slice(0, MAX_ROWS);
  }, inputs);
}

/**
 * Inputs as a person lists them: numbers, fractions such as `7/3`, formula texts in givens; parted by semicolons or new
 * lines, bare numbers also by spaces.
 */
export function listedInputs(text: string, model: Model): { inputs: Rational[]; wrong: string | null } {
  const inputs: Rational[] = [];
  const bare = /^-?[\d.]+(?:\/[\d.]+)?(?:\s+-?[\d.]+(?:\/[\d.]+)?)*$/;
  const words = text
    .split(/[;\n]+/)
    .map((w) => w.trim())
    .filter((w) => w)
    .flatMap((w) => (bare.test(w) ? w.split(/\s+/) : [w]));
  for (const word of words) {
    const typed = /^-?[\d.]+$/.test(word) ? rationalOfTyped(Number(word)) : null;
    const read = typed ? null : model.amount(word);
    if (typed) inputs.push(typed);
    else if (read?.ok) inputs.push(read.exact);
    else return { inputs, wrong: word };
  }
  return { inputs: inputs.slice(0, MAX_ROWS), wrong: null };
}

/** The value of a function of the case at an input, from its own formula; where none can be written, why. */
export const valueOrWhy = (model: Model, name: string, x: Rational): number | Missing =>
  entryAt(inline(call(name, 0, VARIABLE), model.table), x, model.table);

function entryAt(e: Expression, x: Rational, table: FunctionTable): number | Missing {
  const v = valueAt(e, spotOfRational(x), table);
  if (v.kind !== "value") return v.kind === "none" ? "no value" : "not settled";
  if (!Number.isFinite(v.lo) || !Number.isFinite(v.hi)) return "too large";
  return v.exact ? toDouble(v.exact) : v.lo + (v.hi - v.lo) / 2;
}

/** Values of several functions side by side. */
export function valueTable(model: Model, names: readonly string[], inputs: readonly Rational[]): TableRow[] {
  const bodies = names.map((n) => inline(call(n, 0, VARIABLE), model.table));
  const found = bodies.map((e) => inputs.map((x) => entryAt(e, x, model.table)));
  const columns = found.map((c) => c.map((entry) => (typeof entry === "number" ? entry : null)));
  // Which row is greatest is known only where every other has a value, or provably none.
  const most = found.map((c) =>
    c.some((entry) => entry === "not settled" || entry === "too large")
      ? null
      : Math.max(...c.filter((entry) => typeof entry === "number")),
  );
  return inputs.map((x, i) => ({
    input: toDouble(x),
    values: columns.map((c) => c[i]!),
    missing: found.map((c) => (typeof c[i] === "number" ? null : c[i]!)),
    changes: columns.map((c) => {
      const [a, b] = [c[i], c[i + 1]];
      return a !== null && a !== undefined && b !== null && b !== undefined && a * b < 0;
    }),
    greatest: columns.map((c, k) => c[i] !== null && c[i] === most[k]),
  }));
}

/** Digits of a double that are kept where one is told in percent. */
const DIGITS = 15;

/**
 * The table for another program: all digits, under a header with units.
 *
 * @param isPercent  for each column, whether its unit is %: 0.05 is 5 under such a heading
 */
export function tableCells(
  header: readonly string[],
  rows: readonly TableRow[],
  isPercent: readonly boolean[],
): readonly (readonly Cell[])[] {
  const told = (v: number | null, column: number): Cell =>
    v !== null && isPercent[column] ? Number((v * 100).toPrecision(DIGITS)) : v;
  return [header, ...rows.map((r) => [r.input, ...r.values].map(told))];
}
