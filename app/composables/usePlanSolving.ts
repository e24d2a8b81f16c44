import { apart, type PlanResult, type Program } from "#core/plan";
import type { CaseFile, Plan } from "#core/model";
import type { PlanAnswer } from "~/utils/planAnswer";
import { planOnServer } from "~/utils/planApi";

/** Time the compiled solver has in the browser, and on the server when the person wants to go on; in s. */
const SECONDS = { here: 20, server: 120 } as const;

export type SolverState =
  | { readonly state: "idle" | "working" | "done" }
  | { readonly state: "cancelled"; readonly best: number | null; readonly bound: number | null }
  | { readonly state: "failed"; readonly message: string };

const failed = (reason: unknown): SolverState => ({
  state: "failed",
  message: reason instanceof Error ? reason.message : String(reason),
});

/**
 * The compiled solver at work on a plan: the answer where the exact one would take too long, the second way where it
 * is there, and more time on the server when the person wants to go on.
 */
class PlanSolving {
  readonly solving = shallowRef<SolverState>({ state: "idle" });
  readonly where = ref<"here" | "server">("here");
  private server: AbortController | null = null;

  constructor(
    private readonly source: Readonly<Ref<CaseFile>>,
    private readonly answer: PlanAnswer,
    private readonly solver: ReturnType<typeof useSolver>,
  ) {}

  async secondWay(plan: Plan, program: Program, exact: PlanResult): Promise<void> {
    try {
      const found = await this.solve(plan, program);
      if (found && this.answer.plan.value === plan)
        this.answer.result.value = { ...exact, secondWay: apart(exact, found) };
    } catch {
      /* the exact answer stands by itself */
    }
  }
  /** @returns whether an answer was found */
  async large(asked: CaseFile, program: Program): Promise<boolean> {
    this.begin("here");
    try {
      const found = await this.solve(asked.plan!, program);
      if (found) this.done(asked, found);
      return found !== null;
    } catch (reason) {
      this.solving.value = failed(reason);
      return false;
    }
  }
  /** More time, on the server; the page stays free. */
  async goOn(): Promise<void> {
    const asked = toRaw(this.source.value);
    if (!asked.plan) return;
    const { progress } = this.solver;
    this.begin("server");
    progress.value = null;
    this.server = new AbortController();
    const { signal } = this.server;
    try {
      const found = await planOnServer(asked, SECONDS.server, signal, (p) => {
        progress.value = p;
      });
      const { plan, givens } = this.source.value;
      if (plan === asked.plan && givens === asked.givens) this.done(asked, found);
    } catch (reason) {
      if (!signal.aborted) this.solving.value = failed(reason);
    }
  }
  /** The person stops the search; the best point until then is told. */
  cancel(): void {
    const { best = null, bound = null } = this.solver.progress.value ?? {};
    this.end();
    this.solving.value = { state: "cancelled", best, bound };
  }
  /** Another plan stands there now: what is under way for the old one ends. */
  drop(): void {
    this.end();
    if (this.solving.value.state === "working") this.solving.value = { state: "idle" };
  }
  end(): void {
    this.solver.cancel();
    this.server?.abort();
  }

  private async solve(plan: Plan, program: Program): Promise<PlanResult | null> {
    const reply = await this.solver.ask({ kind: "solve", plan: toRaw(plan), program, seconds: SECONDS.here });
    return reply?.kind === "solved" ? reply.result : null;
  }
  private begin(where: "here" | "server"): void {
    this.solving.value = { state: "working" };
    this.where.value = where;
  }
  private done(asked: CaseFile, found: PlanResult): void {
    this.answer.take(asked, found);
    this.solving.value = { state: "done" };
  }
}

export function usePlanSolving(source: Readonly<Ref<CaseFile>>, answer: PlanAnswer) {
  const solver = useSolver();
  const at = new PlanSolving(source, answer, solver);
  onScopeDispose(() => at.end());
  const { solving, where } = at;
  return {
    at,
    shown: { solving, where, progress: solver.progress, cancel: () => at.cancel(), goOn: () => at.goOn() },
  };
}
