import type { Highs, Model, ModelData } from "highs";
import type { Names } from "#core/formula";
import type { Plan } from "#core/model";
import { compiledResult, ownNames, programOf, type CompiledAnswer, type PlanResult, type Program } from "#core/plan";
import { mpsTrouble } from "./mpsLines";

/** What is told while a plan with whole values is worked out. */
export interface PlanProgress {
  readonly best: number | null;
  readonly bound: number | null;
  readonly seconds: number;
}
export interface CompiledOptions {
  /** time allowed for whole values, in s */
  readonly seconds?: number;
  readonly progress?: (p: PlanProgress) => void;
}

/** Time allowed for whole values unless something else is asked, in s. */
const SECONDS = 20;
/** Progress is told this often, in ms. */
const TELL_EVERY = 120;

function modelData(p: Program, whole: boolean): ModelData {
  const n = p.variables.length;
  const starts = [0];
  const indices: number[] = [];
  const values: number[] = [];
  for (const r of p.rows) {
    for (const [j, v] of r.entries) {
      indices.push(j);
      values.push(v);
    }
    starts.push(indices.length);
  }
  return {
    numCols: n,
    numRows: p.rows.length,
    sense: (p.greatest ? -1 : 1) as NonNullable<ModelData["sense"]>,
    offset: p.constant,
    colCost: p.cost ?? new Array<number>(n).fill(0),
    colLower: new Array<number>(n).fill(-Infinity),
    colUpper: new Array<number>(n).fill(Infinity),
    rowLower: p.rows.map((r) => r.lower),
    rowUpper: p.rows.map((r) => r.upper),
    matrix: {
      format: "csr",
      numRows: p.rows.length,
      numCols: n,
      starts: Int32Array.from(starts),
      indices: Int32Array.from(indices),
      values: Float64Array.from(values),
    },
    ...(whole ? { integrality: p.variables.map((v) => (v.whole ? 1 : 0)) } : {}),
  };
}

/**
 * Solves a program with the compiled solver: first without regard to whole values, with multipliers and their ranges,
 * then with them. Blocks its thread; belongs in a worker or on the server.
 */
export function solveCompiled(
  highs: Highs,
  p: Program,
  { seconds = SECONDS, progress }: CompiledOptions = {},
): CompiledAnswer {
  const { modelStatus: S, callbackType: C } = highs.constants;
  const start = performance.now();
  const base: CompiledAnswer = {
    status: "stopped",
    relaxed: null,
    whole: null,
    wholeStatus: null,
    conflict: [],
    ray: null,
    seconds: 0,
  };
  const done = (a: Partial<CompiledAnswer>): CompiledAnswer => ({
    ...base,
    ...a,
    seconds: (performance.now() - start) / 1000,
  });
  const relaxed = highs.withModel(modelData(p, false), (m: Model): Partial<CompiledAnswer> => {
    m.options.set({
      output_flag: false,
      time_limit: seconds,
      primal_feasibility_tolerance: 1e-9,
      dual_feasibility_tolerance: 1e-9,
    });
    m.run();
    let status = m.getModelStatus();
    if (status === S.unboundedOrInfeasible) {
      m.options.set("presolve", "off");
      m.clearSolver();
      m.run();
      status = m.getModelStatus();
    }
    if (status === S.infeasible) return { status: "infeasible", conflict: conflictOf(m, p.rows.length) };
    if (status === S.unbounded) {
      m.options.set("presolve", "off");
      m.clearSolver();
      m.run();
      return { status: "unbounded", ray: [...(m.getPrimalRay()?.values ?? [])] };
    }
    if (status !== S.optimal) return {};
    const { colValue, rowDual } = m.getSolution();
    const ranging = p.rows.length > 0 && p.cost ? m.getRanging() : null;
    return {
      status: "optimal",
      relaxed: {
        at: [...colValue],
        worth: [...rowDual],
        reach: ranging
          ? p.rows.map((_, i) => [ranging.rowBoundDown.value[i]!, ranging.rowBoundUp.value[i]!] as const)
          : [],
        stays: ranging
          ? p.variables.map((_, j) => [ranging.colCostDown.value[j]!, ranging.colCostUp.value[j]!] as const)
          : [],
      },
    };
  });
  if (relaxed.status !== "optimal" || !p.variables.some((v) => v.whole)) return done(relaxed);
  return highs.withModel(modelData(p, true), (m: Model): CompiledAnswer => {
    m.options.set({
      output_flag: false,
      time_limit: seconds,
      mip_rel_gap: 0,
      mip_abs_gap: 0,
      mip_feasibility_tolerance: 1e-9,
    });
    let told = -Infinity;
    m.run(
      progress
        ? {
            [C.mipInterrupt](event) {
              const now = performance.now();
              if (now - told < TELL_EVERY) return;
              told = now;
              const { mip_primal_bound: best, mip_dual_bound: bound } = event.data;
              progress({ best: finite(best), bound: finite(bound), seconds: (now - start) / 1000 });
            },
          }
        : {},
    );
    const status = m.getModelStatus();
    if (status === S.infeasible) return done({ ...relaxed, wholeStatus: "infeasible" });
    const { colValue } = m.getSolution();
    const primal = Number(m.info.get("mip_gap"));
    const found = colValue.length > 0 && (status === S.optimal || Number.isFinite(primal));
    return done({
      ...relaxed,
      wholeStatus: status === S.optimal ? "optimal" : "stopped",
      whole: found
        ? { at: [...colValue], bound: Number(m.info.get("mip_dual_bound")), proven: status === S.optimal }
        : null,
    });
  });
}
const finite = (v: number | undefined): number | null => (v !== undefined && Math.abs(v) < 1e30 ? v : null);

/** Rows that cannot hold together, none of them in vain. */
function conflictOf(m: Model, rows: number): number[] {
  m.options.set("iis_strategy", 6);
  try {
    const found = [...m.getIis().rowIndex];
    if (found.length > 0) return found;
  } catch {
    /* then all rows are named */
  }
  return Array.from({ length: rows }, (_, i) => i);
}

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
    const unread = () => new Error(`The file could not be read as ${FORMATS[format]}.`);
    try {
      model.readModel({ format, data: text });
    } catch {
      throw unread();
    }
    const d = model.getModel("csr");
    if (d.hessian && d.hessian.values.some((v) => v !== 0))
      throw new Error("The objective has squares or products of variables; a plan is made of sums.");
    if (d.numCols === 0) throw unread();
    const given = Array.from({ length: d.numCols }, (_, j) => nameOr(() => model.getColName(j), `x${j + 1}`));
    const names = ownNames(given, reserved);
    const changed = given.flatMap((n, j) => (n === names[j] ? [] : [`${n} is called ${names[j]!}`]));
    const rowNames = Array.from({ length: d.numRows }, (_, i) => nameOr(() => model.getRowName(i), `R${i + 1}`));
    const taken = new Set<string>();
    const once = (id: string): string => {
      let name = id;
      for (let k = 2; taken.has(name); k++) name = `${id}_${k}`;
      taken.add(name);
      return name;
    };
    const rows: Program["rows"][number][] = rowNames.map((id, i) => ({
      id: once(id),
      lower: d.rowLower[i]!,
      upper: d.rowUpper[i]!,
      entries: Array.from(
        { length: d.matrix.starts[i + 1]! - d.matrix.starts[i]! },
        (_, k) => [d.matrix.indices[d.matrix.starts[i]! + k]!, d.matrix.values[d.matrix.starts[i]! + k]!] as const,
      ),
    }));
    names.forEach((name, j) => {
      const [lower, upper] = [d.colLower[j]!, d.colUpper[j]!];
      if (lower !== -Infinity || upper !== Infinity)
        rows.push({ id: once(`of_${name}`), lower, upper, entries: [[j, 1]] });
    });
    return {
      program: {
        title: "",
        variables: names.map((name, j) => ({ name, whole: (d.integrality[j] ?? 0) === 1 })),
        greatest: Number(d.sense) === -1,
        cost: [...d.colCost].some((c) => c !== 0) ? [...d.colCost] : null,
        constant: d.offset,
        rows,
      },
      notes: changed.length > 6 ? [...changed.slice(0, 6), `and ${changed.length - 6} more names`] : changed,
    };
  } finally {
    model.dispose();
  }
}

/** A whole plan of a case by the compiled solver; null when it cannot be read. */
export function planByCompiled(
  highs: Highs,
  plan: Plan,
  names: Names,
  options: CompiledOptions = {},
): PlanResult | null {
  const { program } = programOf(plan, names);
  return program && compiledResult(plan, program, solveCompiled(highs, program, options));
}
