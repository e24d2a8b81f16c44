import { judged, type Judged } from "#core/judging";
import {
  analyse,
  inFull,
  roomOf,
  sentenceOf,
  workingOf,
  type Finding,
  type FullFinding,
  type Solution,
  type WorkingStep,
} from "#core/question";
import type { Names } from "#core/formula";
import type { CaseFile, CaseProblem, ModelFit, Plan } from "#core/model";
import { solvePlan, type PlanPoint, type PlanResult } from "#core/plan";

const finite = (x: number | null): number | null => (x !== null && Number.isFinite(x) ? x : null);

const solution = (s: Solution) => ({
  at: finite(s.at),
  value: finite(s.value),
  low: finite(s.low),
  high: finite(s.high),
  kind: s.kind,
  exact: s.exact,
  whole: s.whole && { at: s.whole.at, value: finite(s.whole.value) },
  reads: s.reads,
});

/** Where nothing is settled, and beside answers of level questions, what remains open stands among the others. */
const stretchesOf = (f: FullFinding) =>
  f.status === "unsettled" || roomOf(f).printsOpen
    ? [...f.stretches, ...f.open].sort((a, b) => (a.from ?? -Infinity) - (b.from ?? -Infinity))
    : f.stretches;

/** The steps of a textbook, and the student's own as they were judged. */
interface Shown {
  readonly working: readonly WorkingStep[];
  readonly own: readonly Omit<Judged, "latex">[];
}

/** What `solve` prints of one finding: the format page's keys, in its order. */
function finding(f: FullFinding, says: string, { working, own }: Shown) {
  return {
    id: f.id,
    status: f.status,
    complete: f.complete,
    solutions: f.solutions.map(solution),
    wholeTies: f.wholeTies?.map((w) => ({ at: w.at, value: finite(w.value) })) ?? null,
    setAside: f.setAside.map(({ at, reason }) => ({ at, reason })),
    stretches: stretchesOf(f).map(({ from, to, ends, least, first }) => ({ from, to, ends, least, first })),
    searched: f.searched,
    bound: f.bound,
    repeats: f.repeats,
    value: finite(f.value),
    exact: f.exactValue,
    secondWay: f.secondWay,
    estimate: f.estimate,
    greatestDifference: f.gap,
    jumps: f.jumps,
    working,
    ...(own.length > 0 ? { own } : {}),
    says,
    message: f.message,
  };
}

/** What `solve` prints of one fit; growth beside an exponential. */
function fitted(name: string, { by, fit, skipped, from, to }: ModelFit) {
  const by_ = <T>(value: (c: (typeof fit.constants)[number]) => T) =>
    Object.fromEntries(fit.constants.map((c) => [c.name, value(c)]));
  const b = by.model === "exponential" ? fit.constants[1]!.value : null;
  return {
    function: name,
    model: by.model,
    method: by.method ?? "direct",
    parameters: by_((c) => c.value),
    standardErrors: by_((c) => c.standardError),
    rss: fit.rss,
    r2: fit.r2,
    n: fit.n,
    skipped,
    from,
    to,
    residualSd: fit.residualSd,
    aicc: fit.aicc,
    leaveOneOut: fit.leaveOneOut,
    ...(b === null
      ? {}
      : {
          factor: Math.exp(b),
          rate: Math.expm1(b),
          doublingTime: b > 0 ? Math.LN2 / b : null,
          halfLife: b < 0 ? -Math.LN2 / b : null,
        }),
  };
}

/** What `solve` prints of a plan. */
function planned(p: PlanResult) {
  const point = ({ at, value }: PlanPoint) => ({ at, value });
  return {
    status: p.status,
    corners: p.corners.map(({ at, exact, value, on }) => ({ at, exact, value, on })),
    regionBounded: p.regionBounded,
    directions: p.directions,
    best: p.best.map(point),
    whole: p.whole && point(p.whole),
    wholeTies: p.wholeTies?.map(point) ?? null,
    binding: p.binding,
    slack: p.slack,
    multipliers: p.multipliers,
    ranges: p.ranges,
    stays: p.stays,
    reduced: p.reduced,
    conflict: p.conflict,
    notes: p.notes,
    gap: p.gap,
  };
}

export type Report =
  | { errors: { path: string; message: string; at?: number }[] }
  | {
      title: string;
      functions: unknown[];
      fits: ReturnType<typeof fitted>[];
      findings: ReturnType<typeof finding>[];
      plan: ReturnType<typeof planned> | null;
      warnings: { path: string; message: string }[];
    };

const problem = ({ path, message, at }: CaseProblem) => ({ path, message, ...(at === undefined ? {} : { at }) });

/** Works out a plan that the exact method does not settle. */
export type PlanSolver = (plan: Plan, names: Names) => PlanResult | null;

/** Solves a whole case into the document that the command line prints. An invalid case gives all its errors. */
export function solveReport(source: CaseFile, compiled: PlanSolver | null = null): Report {
  const { model, findings } = analyse(source);
  const exact = source.plan ? solvePlan(source.plan, model.names) : null;
  const plan =
    exact?.unsettled && compiled ? { ...exact, result: compiled(source.plan!, model.names) ?? exact.result } : exact;
  if (model.errors.length > 0 || (plan && plan.errors.length > 0))
    return { errors: [...model.errors, ...(plan?.errors ?? [])].map(problem) };
  const shown = (f: Finding): Shown => {
    const q = source.questions?.find((r) => r.id === f.id);
    const answers = (id: string) => findings.find((one) => one.id === id) ?? null;
    if (!q) return { working: [], own: [] };
    const own = q.working ? judged(q, q.working, model, answers) : [];
    return {
      working: workingOf(q, f, model, answers),
      own: own.map(({ text, verdict, says, slip }) => ({ text, verdict, says, slip })),
    };
  };
  const warnings = [...model.warnings, ...(plan?.warnings ?? [])].map(problem);
  return {
    title: source.title,
    functions: [...model.functions.values()].map((f) => ({
      name: f.name,
      text: f.text,
      latex: f.latex,
      unit: f.unit?.text || null,
      unitsAgree: f.unitsAgree,
    })),
    fits: [...model.fits].map(([name, fit]) => fitted(name, fit)),
    findings: findings.map((f) => finding(inFull(f), sentenceOf(f, model), shown(f))),
    plan: plan?.result ? planned(plan.result) : null,
    warnings,
  };
}
