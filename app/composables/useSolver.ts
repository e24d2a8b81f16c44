import type { SolverReply, SolverRequest } from "~/workers/planProtocol";
import type { PlanProgress } from "#shared/compiledPlan";

type Asked = SolverRequest extends infer R ? (R extends SolverRequest ? Omit<R, "job"> : never) : never;

/** The compiled solver in a worker of its own. A newer request ends the older; `cancel` ends whatever is under way. */
export function useSolver() {
  const busy = ref(false);
  const progress = shallowRef<PlanProgress | null>(null);
  let worker: Worker | null = null;
  let job = 0;
  let settle: ((reply: SolverReply | null) => void) | null = null;

  function cancel(): void {
    if (!busy.value) return;
    worker?.terminate();
    worker = null;
    busy.value = false;
    settle?.(null);
    settle = null;
  }
  /** The reply, or null when it was cancelled. @throws Error in plain words when it failed */
  async function ask(request: Asked): Promise<SolverReply | null> {
    cancel();
    if (!worker) {
      worker = new Worker(new URL("../workers/solver.worker.ts", import.meta.url), { type: "module" });
      worker.onmessage = ({ data }: MessageEvent<SolverReply>) => {
        if (data.job !== job) return;
        if (data.kind === "progress") {
          progress.value = data.progress;
          return;
        }
        busy.value = false;
        const done = settle;
        settle = null;
        done?.(data);
      };
      worker.onerror = (event) => {
        const done = settle;
        settle = null;
        busy.value = false;
        worker?.terminate();
        worker = null;
        done?.({ kind: "failed", job, message: event.message || "The solver could not be loaded." });
      };
    }
    busy.value = true;
    progress.value = null;
    worker.postMessage({ ...request, job: ++job });
    const reply = await new Promise<SolverReply | null>((resolve) => {
      settle = resolve;
    });
    if (reply?.kind === "failed") throw new Error(reply.message);
    return reply;
  }
  onScopeDispose(() => {
    worker?.terminate();
    worker = null;
    settle?.(null);
    settle = null;
  });
  return { ask, cancel, busy, progress };
}
