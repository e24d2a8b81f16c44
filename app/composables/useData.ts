import type { DataReply, DataRequest } from "~/workers/dataProtocol";

type Asked = DataRequest extends infer R ? (R extends DataRequest ? Omit<R, "job"> : never) : never;
type Answer<K> = Extract<DataReply, { kind: K }>;

/**
 * One worker for one kind of work on data. A newer request ends the older; `cancel` ends whatever is under way.
 * Progress is in shares of 1.
 */
export function useDataWorker() {
  const busy = ref(false);
  const progress = ref(0);
  let worker: Worker | null = null;
  let job = 0;
  let settle: ((reply: DataReply | null) => void) | null = null;

  function end(): void {
    worker?.terminate();
    worker = null;
    busy.value = false;
    settle?.(null);
    settle = null;
  }
  /** The reply, or null when it was cancelled. @throws Error in plain words when it failed */
  async function ask<K extends DataRequest["kind"]>(request: Extract<Asked, { kind: K }>): Promise<Answer<K> | null> {
    if (busy.value) end();
    worker ??= made();
    busy.value = true;
    progress.value = 0;
    const own = ++job;
    worker.postMessage({ ...request, job: own });
    const reply = await new Promise<DataReply | null>((resolve) => {
      settle = resolve;
    });
    if (reply === null || reply.job !== own) return null;
    if (reply.kind === "failed") throw new Error(reply.message);
    return reply as Answer<K>;
  }
  function made(): Worker {
    const w = new Worker(new URL("../workers/data.worker.ts", import.meta.url), { type: "module" });
    w.onmessage = ({ data }: MessageEvent<DataReply>) => {
      if (data.job !== job) return;
      if (data.kind === "progress") {
        progress.value = data.all > 0 ? data.done / data.all : 0;
        return;
      }
      busy.value = false;
      const done = settle;
      settle = null;
      done?.(data);
    };
    w.onerror = (event) => {
      const done = settle;
      settle = null;
      busy.value = false;
      worker?.terminate();
      worker = null;
      done?.({ kind: "failed", job, message: event.message || "The calculation stopped." });
    };
    return w;
  }
  onScopeDispose(end);
  return { ask, cancel: end, busy, progress };
}
