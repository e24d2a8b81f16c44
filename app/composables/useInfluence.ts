import type { CaseFile } from "#core/model";
import type { InfluenceReport } from "#core/desk";
import { InfluenceWorker } from "~/utils/influenceWorker";

/** "What matters most" for one finding; asked anew whenever the case changes while it is open. */
export function useInfluence(source: Ref<CaseFile | null>) {
  const question = ref<string | null>(null);
  const report = shallowRef<InfluenceReport | null>(null);
  const state = ref<"closed" | "working" | "ready" | "failed">("closed");
  const worker = new InfluenceWorker();
  let turn = 0;

  async function request(): Promise<void> {
    if (!question.value || !source.value) return;
    // A change while it is under way starts it over.
    if (state.value === "working") worker.end();
    const mine = ++turn;
    state.value = "working";
    try {
      const found = await worker.ask(source.value, question.value);
      if (mine !== turn) return;
      report.value = found;
      state.value = "ready";
    } catch {
      if (mine === turn) state.value = "failed";
    }
  }
  function open(id: string): void {
    question.value = id;
    report.value = null;
    void request();
  }
  function close(): void {
    turn++;
    question.value = null;
    report.value = null;
    state.value = "closed";
    worker.end();
  }
  watch(source, request);
  onScopeDispose(() => worker.end());
  return { question, report, state, open, close };
}
