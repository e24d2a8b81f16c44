import type { Highs, Model } from "highs";
import { ownNames, type Program } from "#core/plan";
import { mpsTrouble } from "./mpsLines";
import { modelData } from "./compiledPlan";

/** A program as a file: `lp` or `mps`, as other solvers read them. Constraints on one variable become its bounds. */
export function programFile(highs: Highs, p: Program, format: "lp" | "mps"): string {
  const single = (r: Program["rows"][number]) => r.entries.length === 1;
  const lower = p.variables.map(() => -Infinity);
  const upper = p.variables.map(() => Infinity);
  for (const r of p.rows.filter(single)) {
    const [j, v] = r.entries[0]!;
    const [lo, hi] = v > 0 ? [r.lower / v, r.upper / v] : [r.upper / v, r.lower / v];
    lower[j] = Math.max(lower[j]!, lo);
    upper[j] = Math.min(upper[j]!, hi);
  }
  const rows = p.rows.filter((r) => !single(r));
  const ids = fileNames(rows.map((r) => r.id));
  return highs.withModel(
    {
      ...modelData(
        { ...p, rows },
        p.variables.some((v) => v.whole),
      ),
      colLower: lower,
      colUpper: upper,
      colNames: fileNames(p.variables.map((v) => v.name)),
      rowNames: ids,
      modelName: fileNames([p.title || "plan"])[0]!,
    },
    (m: Model) => {
      m.options.set("output_flag", false);
      return format === "lp" ? m.exportModel("lp") : new TextDecoder().decode(m.exportModel("mps"));
    },
  );
}

/** Files allow plain letters, digits and `_`; each name once. */
function fileNames(names: readonly string[]): string[] {
  return ownNames(
    names.map((n) =>
      n
        .normalize("NFKD")
        .replace(/[^A-Za-z0-9_]+/g, "_")
        .replace(/^(?=[^A-Za-z])/, "v"),
    ),
    new Set(),
  );
}

/** The name of a column or a row; the library throws where a file gives it none. */
function nameOr(named: () => string, otherwise: string): string {
  try {
    return named() || otherwise;
  } catch {
    return otherwise;
  }
}

/** What a file of each kind looks like. */
const FORMATS = {
  lp: "LP format: it starts with “Maximize” or “Minimize”, then “Subject To”, and ends with “End”",
  mps: "MPS: it has the sections ROWS, COLUMNS, RHS and ENDATA",
} as const;

const unread = (format: keyof typeof FORMATS) => new Error(`The file could not be read as ${FORMATS[format]}.`);
/** Notes on names that were changed, at the most. */
const MOST_NOTES = 6;

/**
 * Reads a file of a linear program, in LP format or MPS.
 * @param reserved  names that are taken in the case
 * @returns the program, with notes on names that were changed
 * @throws an error with a plain sentence when it cannot be read
 */
export function readProgram(
  highs: Highs,
  text: string,
  format: "lp" | "mps",
  reserved: ReadonlySet<string>,
): { program: Program; notes: string[] } {
  const trouble = format === "mps" ? mpsTrouble(text) : null;
  if (trouble) throw new Error(trouble);
  const model = highs.createModel();
  try {
    model.options.set("output_flag", false);
    try {
      model.readModel({ format, data: text });
    } catch {
      throw unread(format);
    }
    return programOf(model, format, reserved);
  } finally {
    model.dispose();
  }
}

type HighsModel = ReturnType<Highs["createModel"]>;
function programOf(model: HighsModel, format: "lp" | "mps", reserved: ReadonlySet<string>) {
  const d = model.getModel("csr");
  if (d.hessian && d.hessian.values.some((v) => v !== 0))
    throw new Error("The objective has squares or products of variables; a plan is made of sums.");
  if (d.numCols === 0) throw unread(format);
  const given = Array.from({ length: d.numCols }, (_, j) => nameOr(() => model.getColName(j), `x${j + 1}`));
  const names = ownNames(given, reserved);
  const changed = given.flatMap((n, j) => (n === names[j] ? [] : [`${n} is called ${names[j]!}`]));
  const isTooMany = changed.length > MOST_NOTES;
  const program: Program = {
    title: "",
    variables: names.map((name, j) => ({ name, whole: (d.integrality[j] ?? 0) === 1 })),
    greatest: Number(d.sense) === -1,
    cost: [...d.colCost].some((c) => c !== 0) ? [...d.colCost] : null,
    constant: d.offset,
    rows: rowsOf(model, d, names),
  };
  const more = `and ${changed.length - MOST_NOTES} more names`;
  return { program, notes: isTooMany ? [...changed.slice(0, MOST_NOTES), more] : changed };
}

/** The rows of a program, and a row for each variable that has bounds; each with a name of its own. */
function rowsOf(
  model: HighsModel,
  d: ReturnType<HighsModel["getModel"]>,
  names: readonly string[],
): Program["rows"][number][] {
  const taken = new Set<string>();
  const once = (id: string): string => {
    let name = id;
    for (let k = 2; taken.has(name); k++) name = `${id}_${k}`;
    taken.add(name);
    return name;
  };
  const { starts, indices, values } = d.matrix;
  const rows = Array.from({ length: d.numRows }, (_, i) => ({
    id: once(nameOr(() => model.getRowName(i), `R${i + 1}`)),
    lower: d.rowLower[i]!,
    upper: d.rowUpper[i]!,
    entries: Array.from({ length: starts[i + 1]! - starts[i]! }, (_, k) => {
      const at = starts[i]! + k;
      return [indices[at]!, values[at]!] as const;
    }),
  }));
  const bounds = names.flatMap((name, j) => {
    const [lower, upper] = [d.colLower[j]!, d.colUpper[j]!];
    const isFree = lower === -Infinity && upper === Infinity;
    return isFree ? [] : [{ id: once(`of_${name}`), lower, upper, entries: [[j, 1] as const] }];
  });
  return [...rows, ...bounds];
}
