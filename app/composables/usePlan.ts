import { apart, type PlanPicture, type PlanReading, type PlanResult, type Program, type Slice } from "#core/plan";
import { planWords, type PlanWords } from "#core/explain";
import type { CaseFile, Plan } from "#core/model";
import type { PlanReply, PlanRequest } from "~/workers/planProtocol";
import { planOnServer } from "~/utils/planApi";

/** An exact answer that takes longer than this is ended when something newer waits, in ms. */
const PATIENCE = 4000;
/** The second way is asked when the plan has been still for this long, in ms. */
const CALM = 250;
/** Time the compiled solver has in the browser, and on the server when the person wants to go on; in s. */
const SECONDS = { here: 20, server: 120 } as const;

export type SolverState =
  | { readonly state: "idle" | "working" | "done" }
  | { readonly state: "cancelled"; readonly best: number | null; readonly bound: number | null }
  | { readonly state: "failed"; readonly message: string };

/**
 * The answer of a plan while it is written and varied: exact in a worker, the newest request first; by the compiled
 * solver where it is too large for that, and as the second way where it is not. Sentences, tables and region come with
 * one reply and change together.
 */
export function usePlan(source: Ref<CaseFile>, pair: Ref<readonly [number, number] | null>) {
  const reading = shallowRef<PlanReading | null>(null);
  const picture = shallowRef<PlanPicture | null>(null);
  const slice = shallowRef<Slice | null>(null);
  const result = shallowRef<PlanResult | null>(null);
  /** the plan that `result` and the pictures belong to */
  const solved = shallowRef<Plan | null>(null);
  const failure = ref<string | null>(null);
  const solver = useSolver();
  const solving = shallowRef<SolverState>({ state: "idle" });
  const where = ref<"here" | "server">("here");
  let program: Program | null = null;
  let job = 0;
  const worker = newestFirst<PlanRequest, PlanReply>(
    () => new Worker(new URL("../workers/plan.worker.ts", import.meta.url), { type: "module" }),
    taken,
    (message) => {
      failure.value = message;
    },
    PATIENCE,
  );
  let calm: ReturnType<typeof setTimeout> | undefined;
  let server: AbortController | null = null;
  /** the givens that `result` belongs to, beside `solved` */
  let solvedGivens: CaseFile["givens"];

  function taken(data: PlanReply): void {
    if (!source.value.plan) return;
    if (!data.ok) {
      failure.value = data.message;
      return;
    }
    failure.value = null;
    program = data.program;
    reading.value = shareParts(reading.value, data.reading);
    picture.value = shareParts(picture.value, data.picture);
    slice.value = shareParts(slice.value, data.slice);
    const plan = data.source.plan!;
    if (!data.reading.unsettled) {
      if (!(pair.value && result.value?.compiled)) solving.value = { state: "idle" };
      result.value = shareParts(result.value, data.reading.result);
      solved.value = plan;
      solvedGivens = data.source.givens;
      if (!worker.isWaiting() && data.reading.result && plan.objective) {
        clearTimeout(calm);
        calm = setTimeout(() => void second(plan, data.reading.result!), CALM);
      }
    } else if (solved.value !== plan || solvedGivens !== data.source.givens || !result.value?.compiled) {
      clearTimeout(calm);
      calm = setTimeout(() => void large(data.source), result.value ? CALM : 0);
    }
  }
  async function second(plan: Plan, exact: PlanResult): Promise<void> {
    if (!program) return;
    try {
      const reply = await solver.ask({ kind: "solve", plan: toRaw(plan), program, seconds: SECONDS.here });
      if (reply?.kind === "solved" && solved.value === plan)
        result.value = { ...exact, secondWay: apart(exact, reply.result) };
    } catch {
      /* the exact answer stands by itself */
    }
  }
  async function large(asked: CaseFile): Promise<void> {
    const plan = asked.plan!;
    if (!program) return;
    solving.value = { state: "working" };
    where.value = "here";
    try {
      const reply = await solver.ask({ kind: "solve", plan: toRaw(plan), program, seconds: SECONDS.here });
      if (reply?.kind === "solved") {
        solved.value = plan;
        solvedGivens = asked.givens;
        result.value = reply.result;
        solving.value = { state: "done" };
        if (pair.value) request();
      }
    } catch (reason) {
      solving.value = { state: "failed", message: reason instanceof Error ? reason.message : String(reason) };
    }
  }
  /** More time, on the server; the page stays free. */
  async function goOn(): Promise<void> {
    const asked = toRaw(source.value);
    const { plan } = asked;
    if (!plan) return;
    solving.value = { state: "working" };
    where.value = "server";
    solver.progress.value = null;
    server = new AbortController();
    try {
      const found = await planOnServer(asked, SECONDS.server, server.signal, (p) => {
        solver.progress.value = p;
      });
      if (source.value.plan === plan && source.value.givens === asked.givens) {
        solved.value = plan;
        solvedGivens = asked.givens;
        result.value = found;
        solving.value = { state: "done" };
      }
    } catch (reason) {
      if (!server.signal.aborted)
        solving.value = { state: "failed", message: reason instanceof Error ? reason.message : String(reason) };
    }
  }
  function cancel(): void {
    const { best = null, bound = null } = solver.progress.value ?? {};
    solver.cancel();
    server?.abort();
    solving.value = { state: "cancelled", best, bound };
  }

  function request(): void {
    if (!source.value.plan) {
      reading.value = null;
      picture.value = null;
      slice.value = null;
      result.value = null;
      solved.value = null;
      return;
    }
    const at = (result.value?.whole ?? result.value?.best[0])?.at;
    worker.ask({
      job: ++job,
      source: toRaw(source.value),
      slice: pair.value && at ? { at: [...at], pair: [...pair.value] as [number, number] } : null,
    });
  }
  watch(
    [() => source.value.plan, () => source.value.givens, pair],
    ([plan, givens], before) => {
      // A changed plan ends what is under way for the old one.
      if (before[0] !== undefined && (plan !== before[0] || givens !== before[1])) {
        solver.cancel();
        server?.abort();
        if (solving.value.state === "working") solving.value = { state: "idle" };
      }
      request();
    },
    { immediate: true },
  );
  onScopeDispose(() => {
    clearTimeout(calm);
    worker.end();
    server?.abort();
  });

  const words = computed((): PlanWords | null =>
    solved.value && result.value ? planWords(solved.value, result.value) : null,
  );
  const currentProgram = (): Program | null => program;
  return {
    reading,
    picture,
    slice,
    result,
    solved,
    words,
    failure,
    solving,
    where,
    progress: solver.progress,
    cancel,
    goOn,
    currentProgram,
  };
}
