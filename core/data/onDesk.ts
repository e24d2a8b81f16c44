import type { FitMethod } from "../fit";
import { rowsOf, type CaseFile, type DataTable, type FitModel, type FunctionRow, type Variable } from "../model";

/** Two columns of a table, one read off the other. */
export interface Source {
  readonly table: DataTable;
  readonly x: string;
  readonly y: string;
}
/** A model to be fitted to them; `text` is the formula of an own one. */
export interface Model {
  readonly family: FitModel;
  readonly method: FitMethod;
  readonly text?: string;
}
/** Which side of a break the break itself belongs to. */
export type Owner = "left" | "right";
/** A case with the function that was put into it. */
export interface WithFunction {
  readonly source: CaseFile;
  readonly name: string;
}

/** Names a new function cannot have. */
export const namesTaken = (source: CaseFile): ReadonlySet<string> =>
  new Set([...(source.functions ?? []), ...(source.givens ?? []), ...(source.variables ?? [])].map((r) => r.name));

/** What is wrong with a name for a new function, in words; null when it can be used. */
export function nameTrouble(name: string, source: CaseFile): string | null {
  if (!/^\p{L}[\p{L}\p{Nd}_]*$/u.test(name))
    return "A name starts with a letter and goes on with letters, digits or _.";
  return namesTaken(source).has(name) ? `${name} is taken.` : null;
}

/**
 * A free name for a function of `x` that tells `y`: the column's own if it is one letter, else its initial, else a
 * common one.
 */
export function offeredName(y: string, x: string, source: CaseFile): string {
  const taken = namesTaken(source);
  const initial = (/\p{L}/u.exec(y)?.[0] ?? "N").toUpperCase();
  const own = [...y].length === 1 && /\p{L}/u.test(y) ? y : initial;
  // e is the number e.
  const free = [own, "N", "f", "g", "h"].find((n) => n !== x && n !== "e" && !taken.has(n));
  return free ?? numbered(initial, "", 1, taken);
}
function numbered(base: string, between: string, first: number, taken: ReadonlySet<string>): string {
  for (let i = first; ; i++) {
    const name = `${base}${between}${i}`;
    if (!taken.has(name)) return name;
  }
}

/** The first column of the table that no function is read off yet; null where all are used. */
export function unusedColumn({ table, x, y }: Source, source: CaseFile): string | null {
  const used = (source.functions ?? []).flatMap(({ by }) => (by.kind === "fit" && by.data === table.name ? by.y : []));
  const taken = new Set([x, y, ...used]);
  return table.columns.find((c) => !taken.has(c.name))?.name ?? null;
}

/** Puts a function fitted to the columns into a case, and the variable it runs over where there is none yet. */
export function withModel(source: CaseFile, from: Source, model: Model, name: string, rows?: RowRange): WithFunction {
  const widened = withVariable(source, from);
  return { source: { ...widened, functions: [...(widened.functions ?? []), rowOf(from, model, name, rows)] }, name };
}

/**
 * Puts a function in pieces into a case: a model for each stretch between the breaks, fitted to the rows of that
 * stretch, hidden, and the whole made of them.
 *
 * @param breaks  inputs, going up; one fewer than models
 */
export function withPieces(
  source: CaseFile,
  from: Source,
  models: readonly Model[],
  breaks: readonly number[],
  owner: Owner,
  name: string,
): WithFunction {
  const widened = withVariable(source, from);
  const taken = new Set(namesTaken(widened)).add(name);
  const stretches = stretchesOf(inputsOf(from), breaks, owner);
  const parts = models.map((model, i): FunctionRow => {
    const own = `${name}_${i + 1}`;
    const partName = taken.has(own) ? numbered(own, "_", 2, taken) : own;
    taken.add(partName);
    return { ...rowOf(from, model, partName, rowRange(stretches[i]!, i > 0, i < models.length - 1)), shown: false };
  });
  const range = widened.variables!.find((v) => v.name === from.x)!;
  const unit = columnOf(from, from.y)?.unit;
  const ends = [range.from, ...breaks, range.to];
  const last = models.length - 1;
  const bracket = (i: number) =>
    `${i === 0 || owner === "right" ? "[" : "("}${i === last || owner === "left" ? "]" : ")"}` as
      "[]" | "[)" | "(]" | "()";
  const pieces = parts.map((p, i) => ({
    text: p.name,
    ...(ends[i] === undefined ? {} : { from: ends[i] }),
    ...(ends[i + 1] === undefined ? {} : { to: ends[i + 1] }),
    ends: bracket(i),
  }));
  return {
    source: {
      ...widened,
      functions: [
        ...(widened.functions ?? []),
        ...parts,
        { name, of: from.x, ...(unit ? { unit } : {}), by: { kind: "pieces", pieces } },
      ],
    },
    name,
  };
}

/** First and last input of the rows a model is fitted to; a side that is left out is open. */
export interface RowRange {
  readonly from?: number;
  readonly to?: number;
}
/** The rows from the least to the greatest of some inputs, with open sides where nothing else follows. */
export const rowRange = (inputs: readonly number[], closedLeft: boolean, closedRight: boolean): RowRange => ({
  ...(closedLeft ? { from: least(inputs) } : {}),
  ...(closedRight ? { to: greatest(inputs) } : {}),
});

/** Parts the inputs by the breaks. @returns one list more than there are breaks, each in the order of the rows */
export function stretchesOf(inputs: readonly number[], breaks: readonly number[], owner: Owner): number[][] {
  const parts: number[][] = Array.from({ length: breaks.length + 1 }, () => []);
  for (const x of inputs) parts[stretchOf(x, breaks, owner)]!.push(x);
  return parts;
}
/** Number of the stretch an input belongs to, from 0. */
export const stretchOf = (x: number, breaks: readonly number[], owner: Owner): number =>
  breaks.filter((b) => (owner === "left" ? x > b : x >= b)).length;

/**
 * Where two models meet next to a break, so that they can be joined there: between the second input before it and the
 * next after it.
 * @returns null where they do not cross there
 */
export function meetingNear(
  at: number,
  inputs: readonly number[],
  left: (x: number) => number,
  right: (x: number) => number,
): number | null {
  const sorted = [...inputs].sort((a, b) => a - b);
  if (sorted.length < 2) return null;
  const after = sorted.findIndex((x) => x > at);
  const next = after < 0 ? sorted.length - 1 : after;
  let lo = sorted[Math.max(0, next - 2)]!;
  let hi = sorted[Math.min(sorted.length - 1, next + 1)]!;
  const gap = (x: number) => right(x) - left(x);
  const side = Math.sign(gap(lo));
  if (!Number.isFinite(gap(lo)) || !Number.isFinite(gap(hi)) || side === Math.sign(gap(hi))) return null;
  for (let i = 0; i < 60; i++) {
    const m = (lo + hi) / 2;
    if (Math.sign(gap(m)) === side) lo = m;
    else hi = m;
  }
  return Number(((lo + hi) / 2).toPrecision(12));
}

const columnOf = ({ table }: Source, name: string) => table.columns.find((c) => c.name === name);
const inputsOf = (from: Source): readonly number[] => rowsOf({ x: from.x, y: from.y }, from.table).x;
const least = (list: readonly number[]) => list.reduce((m, v) => Math.min(m, v), Infinity);
const greatest = (list: readonly number[]) => list.reduce((m, v) => Math.max(m, v), -Infinity);

function rowOf(from: Source, model: Model, name: string, rows?: RowRange): FunctionRow {
  const column = columnOf(from, from.y);
  return {
    name,
    of: from.x,
    ...(column?.unit ? { unit: column.unit } : {}),
    ...(column?.label ? { label: column.label } : {}),
    by: {
      kind: "fit",
      data: from.table.name,
      x: from.x,
      y: from.y,
      model: model.family,
      ...(model.method === "logs" ? { method: "logs" as const } : {}),
      ...(model.family === "own" ? { text: model.text ?? "" } : {}),
      ...(rows && Object.keys(rows).length > 0 ? { rows } : {}),
    },
  };
}

/** The variable of the inputs reaches half a width beyond the data: what is asked often lies a little beyond. */
function withVariable(source: CaseFile, from: Source): CaseFile {
  if ((source.variables ?? []).some((v) => v.name === from.x)) return source;
  const inputs = inputsOf(from);
  const [lo, hi] = [least(inputs), greatest(inputs)];
  const unit = columnOf(from, from.x)?.unit;
  const added: Variable = {
    name: from.x,
    ...(unit ? { unit } : {}),
    from: lo,
    to: hi > lo ? Number((hi + (hi - lo) / 2).toPrecision(6)) : lo + 1,
  };
  return { ...source, variables: [...(source.variables ?? []), added] };
}
