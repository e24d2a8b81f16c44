import type { CaseFile } from "#core/model";
import type { InfluenceReport } from "#core/desk";
import type { InfluenceReply, InfluenceRequest } from "~/workers/protocol";

/**
 * "What matters most" for one finding, worked out in a worker of its own so that the desk goes on; asked anew whenever
 * the case changes while it is open.
 */
export function useInfluence(source: Ref<CaseFile | null>) {
  const question = ref<string | null>(null);
  const report = shallowRef<InfluenceReport | null>(null);
  const state = ref<"closed" | "working" | "ready" | "failed">("closed");
  let worker: Worker | null = null;
  let job = 0;

  function stop(): void {
    worker?.terminate();
    worker = null;
  }
  function request(): void {
    if (!question.value || !source.value) return;
    // A change while it is under way starts it over.
    if (state.value === "working") stop();
    worker ??= new Worker(new URL("../workers/analysis.worker.ts", import.meta.url), { type: "module" });
    const mine = ++job;
    state.value = "working";
    worker.onmessage = ({ data }: MessageEvent<InfluenceReply>) => {
      if (data.job !== mine) return;
      if (data.ok) report.value = data.report;
      state.value = data.ok ? "ready" : "failed";
    };
    worker.onerror = () => {
      stop();
      state.value = "failed";
    };
    worker.postMessage({
      kind: "influence",
      job: mine,
      source: toRaw(source.value),
      question: question.value,
    } satisfies InfluenceRequest);
  }
  function open(id: string): void {
    question.value = id;
    report.value = null;
    request();
  }
  function close(): void {
    question.value = null;
    report.value = null;
    state.value = "closed";
    stop();
  }
  watch(source, request);
  onScopeDispose(stop);
  return { question, report, state, open, close };
}
