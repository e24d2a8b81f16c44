import type { CaseFile } from "#core/model";
import type { InfluenceReport } from "#core/desk";
import type { InfluenceReply, InfluenceRequest } from "~/workers/protocol";

/**
 * What matters most for several findings, worked out one after the other in a worker of its own; begun anew whenever
 * the case or the list changes.
 * @param ids  the findings that are weighed; an empty list ends the work
 * @returns null until all are there
 */
export function useInfluences(source: Ref<CaseFile>, ids: Ref<readonly string[]>) {
  const reports = shallowRef<readonly InfluenceReport[] | null>(null);
  let worker: Worker | null = null;
  let job = 0;
  function stop(): void {
    worker?.terminate();
    worker = null;
  }
  function request(): void {
    stop();
    reports.value = null;
    const wanted = [...ids.value];
    if (wanted.length === 0) return;
    const found: InfluenceReport[] = [];
    worker = new Worker(new URL("../workers/analysis.worker.ts", import.meta.url), { type: "module" });
    const ask = (question: string) =>
      worker?.postMessage({
        kind: "influence",
        job: ++job,
        source: toRaw(source.value),
        question,
      } satisfies InfluenceRequest);
    worker.onmessage = ({ data }: MessageEvent<InfluenceReply>) => {
      if (data.job !== job) return;
      if (data.ok && data.report) found.push(data.report);
      const next = wanted[wanted.indexOf(asked) + 1];
      if (next === undefined) {
        reports.value = found;
        stop();
        return;
      }
      asked = next;
      ask(next);
    };
    worker.onerror = () => {
      reports.value = found;
      stop();
    };
    let asked = wanted[0]!;
    ask(asked);
  }
  watch([source, () => ids.value.join("\n")], request, { immediate: true });
  onScopeDispose(stop);
  return reports;
}
