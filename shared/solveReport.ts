import { analyse, type CaseFile, type CaseProblem, type Finding, type Solution } from '#core/model'
import { sentenceOf, workingOf, type WorkingStep } from '#core/explain'

const finite = (x: number | null): number | null => (x !== null && Number.isFinite(x) ? x : null)

const solution = (s: Solution) => ({
  at: finite(s.at), value: finite(s.value), low: finite(s.low), high: finite(s.high), kind: s.kind, exact: s.exact,
  whole: s.whole && { at: s.whole.at, value: finite(s.whole.value) }, reads: s.reads,
})

/** What `solve` prints of one finding: the format page's keys, in its order. */
function finding(f: Finding, says: string, working: readonly WorkingStep[]) {
  return {
    id: f.id, status: f.status, complete: f.complete,
    solutions: f.solutions.map(solution),
    wholeTies: f.wholeTies?.map((w) => ({ at: w.at, value: finite(w.value) })) ?? null,
    setAside: f.setAside.map(({ at, reason }) => ({ at, reason })),
    stretches: f.stretches.map(({ from, to, ends, least, first }) => ({ from, to, ends, least, first })),
    searched: f.searched, value: finite(f.value), exact: f.exactValue, secondWay: f.secondWay, greatestDifference: f.gap, jumps: f.jumps, working, says, message: f.message,
  }
}

export type Report = { errors: { path: string; message: string; at?: number }[] } | { title: string; functions: unknown[]; fits: unknown[]; findings: ReturnType<typeof finding>[]; plan: null; warnings: { path: string; message: string }[] }

const problem = ({ path, message, at }: CaseProblem) => ({ path, message, ...(at === undefined ? {} : { at }) })

/** Solves a whole case into the document that the command line prints. An invalid case gives all its errors. */
export function solveReport(source: CaseFile): Report {
  const { model, findings } = analyse(source)
  if (model.errors.length > 0) return { errors: model.errors.map(problem) }
  const working = (id: string) => { const q = source.questions?.find((r) => r.id === id); return q ? workingOf(q, model) : [] }
  const warnings = model.warnings.map(problem)
  if (source.plan) warnings.push({ path: 'plan', message: 'Plans are not solved by this version yet; the rest of the case is.' })
  return {
    title: source.title,
    functions: [...model.functions.values()].map((f) => ({ name: f.name, text: f.text, latex: f.latex, unit: f.unit?.text || null, unitsAgree: f.unitsAgree })),
    fits: [],
    findings: findings.map((f) => finding(f, sentenceOf(f, model), working(f.id))),
    plan: null,
    warnings,
  }
}
