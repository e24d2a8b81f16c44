import type { CaseFile } from "#core/model";
import type { InfluenceReport } from "#core/desk";
import { InfluenceWorker } from "~/utils/influenceWorker";

/**
 * What matters most for several findings, worked out one after the other; begun anew whenever the case or the list
 * changes.
 * @param ids  the findings that are weighed; an empty list ends the work
 * @returns null until all are there; a finding without a number to follow has no report
 */
export function useInfluences(source: Ref<CaseFile>, ids: Ref<readonly string[]>) {
  const reports = shallowRef<readonly InfluenceReport[] | null>(null);
  const worker = new InfluenceWorker();
  let turn = 0;
  async function request(): Promise<void> {
    worker.end();
    reports.value = null;
    const mine = ++turn;
    const found: InfluenceReport[] = [];
    for (const id of ids.value) {
      const report = await worker.ask(source.value, id).catch(() => null);
      if (mine !== turn) return;
      if (report) found.push(report);
    }
    worker.end();
    reports.value = found;
  }
  watch([source, () => ids.value.join("\n")], request, { immediate: true });
  onScopeDispose(() => worker.end());
  return reports;
}
