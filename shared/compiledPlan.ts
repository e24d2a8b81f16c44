import type { Highs, Model, ModelData } from "highs";
import type { Names } from "#core/formula";
import type { Plan } from "#core/model";
import { compiledResult, programOf, type CompiledAnswer, type PlanResult, type Program } from "#core/plan";

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

export function modelData(p: Program, whole: boolean): ModelData {
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
  const start = performance.now();
  const passed = () => (performance.now() - start) / 1000;
  const relaxed = highs.withModel(modelData(p, false), (m: Model) => solveRelaxed(highs, m, p, seconds));
  const found =
    relaxed.status === "optimal" && p.variables.some((v) => v.whole)
      ? highs.withModel(modelData(p, true), (m: Model) => solveWhole(highs, m, seconds, progress, passed))
      : {};
  return { ...UNSOLVED, ...relaxed, ...found, seconds: passed() };
}
const UNSOLVED: CompiledAnswer = {
  status: "stopped",
  relaxed: null,
  whole: null,
  wholeStatus: null,
  conflict: [],
  ray: null,
  seconds: 0,
};
/** How exactly constraints and multipliers are kept. */
const FEASIBILITY_TOL = 1e-9;

/** The best value without regard to whole values, with multipliers and how far they reach. */
function solveRelaxed(highs: Highs, m: Model, p: Program, seconds: number): Partial<CompiledAnswer> {
  const { modelStatus: S } = highs.constants;
  m.options.set({
    output_flag: false,
    time_limit: seconds,
    primal_feasibility_tolerance: FEASIBILITY_TOL,
    dual_feasibility_tolerance: FEASIBILITY_TOL,
  });
  m.run();
  // What was left out beforehand does not tell which of the two it is, and has no ray.
  const runInFull = () => {
    m.options.set("presolve", "off");
    m.clearSolver();
    m.run();
  };
  if (m.getModelStatus() === S.unboundedOrInfeasible) runInFull();
  const status = m.getModelStatus();
  if (status === S.infeasible) return { status: "infeasible", conflict: conflictOf(m, p.rows.length) };
  if (status === S.unbounded) {
    runInFull();
    return { status: "unbounded", ray: [...(m.getPrimalRay()?.values ?? [])] };
  }
  return status === S.optimal ? { status: "optimal", relaxed: relaxedOf(m, p) } : {};
}

function relaxedOf(m: Model, p: Program): NonNullable<CompiledAnswer["relaxed"]> {
  const { colValue, rowDual } = m.getSolution();
  const ranging = p.rows.length > 0 && p.cost ? m.getRanging() : null;
  const reachOf = (i: number) => [ranging!.rowBoundDown.value[i]!, ranging!.rowBoundUp.value[i]!] as const;
  const staysOf = (j: number) => [ranging!.colCostDown.value[j]!, ranging!.colCostUp.value[j]!] as const;
  return {
    at: [...colValue],
    worth: [...rowDual],
    reach: ranging ? p.rows.map((_, i) => reachOf(i)) : [],
    stays: ranging ? p.variables.map((_, j) => staysOf(j)) : [],
  };
}

/** The best point with whole values. @param passed  seconds since the work began */
function solveWhole(
  highs: Highs,
  m: Model,
  seconds: number,
  progress: CompiledOptions["progress"],
  passed: () => number,
): Partial<CompiledAnswer> {
  const { modelStatus: S, callbackType: C } = highs.constants;
  m.options.set({
    output_flag: false,
    time_limit: seconds,
    mip_rel_gap: 0,
    mip_abs_gap: 0,
    mip_feasibility_tolerance: FEASIBILITY_TOL,
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
            progress({ best: finite(best), bound: finite(bound), seconds: passed() });
          },
        }
      : {},
  );
  const status = m.getModelStatus();
  if (status === S.infeasible) return { wholeStatus: "infeasible" };
  const isOptimal = status === S.optimal;
  const at = [...m.getSolution().colValue];
  const isFound = at.length > 0 && (isOptimal || Number.isFinite(Number(m.info.get("mip_gap"))));
  const whole = isFound ? { at, bound: Number(m.info.get("mip_dual_bound")), proven: isOptimal } : null;
  return { wholeStatus: isOptimal ? "optimal" : "stopped", whole };
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
