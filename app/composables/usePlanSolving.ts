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
export function usePlanSolving(source: Readonly<Ref<CaseFile>>, answer: PlanAnswer) {
  const solver = useSolver();
  const solving = shallowRef<SolverState>({ state: "idle" });
  const where = ref<"here" | "server">("here");
  let server: AbortController | null = null;
  const solve = (plan: Plan, program: Program) =>
    solver.ask({ kind: "solve", plan: toRaw(plan), program, seconds: SECONDS.here });

  async function secondWay(plan: Plan, program: Program, exact: PlanResult): Promise<void> {
    try {
      const reply = await solve(plan, program);
      if (reply?.kind === "solved" && answer.plan.value === plan)
        answer.result.value = { ...exact, secondWay: apart(exact, reply.result) };
    } catch {
      /* the exact answer stands by itself */
    }
  }
  /** @returns whether an answer was found */
  async function large(asked: CaseFile, program: Program): Promise<boolean> {
    solving.value = { state: "working" };
    where.value = "here";
    try {
      const reply = await solve(asked.plan!, program);
      if (reply?.kind !== "solved") return false;
      answer.take(asked, reply.result);
      solving.value = { state: "done" };
      return true;
    } catch (reason) {
      solving.value = failed(reason);
      return false;
    }
  }
  /** More time, on the server; the page stays free. */
  async function goOn(): Promise<void> {
    const asked = toRaw(source.value);
    if (!asked.plan) return;
    solving.value = { state: "working" };
    where.value = "server";
    solver.progress.value = null;
    server = new AbortController();
    const { signal } = server;
    try {
      const found = await planOnServer(asked, SECONDS.server, signal, (p) => {
        solver.progress.value = p;
      });
      if (source.value.plan !== asked.plan || source.value.givens !== asked.givens) return;
      answer.take(asked, found);
      solving.value = { state: "done" };
    } catch (reason) {
      if (!signal.aborted) solving.value = failed(reason);
    }
  }
  /** The person stops the search; the best point until then is told. */
  function cancel(): void {
    const { best = null, bound = null } = solver.progress.value ?? {};
    end();
    solving.value = { state: "cancelled", best, bound };
  }
  /** Another plan stands there now: what is under way for the old one ends. */
  function drop(): void {
    end();
    if (solving.value.state === "working") solving.value = { state: "idle" };
  }
  function end(): void {
    solver.cancel();
    server?.abort();
  }
  onScopeDispose(() => server?.abort());
  return { solving, where, progress: solver.progress, secondWay, large, goOn, cancel, drop };
}
