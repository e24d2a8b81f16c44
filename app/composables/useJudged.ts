import { useDebounceFn } from "@vueuse/core";
import type { Judged } from "#core/judging";
import type { Question } from "#core/model";
import { JudgingWorker } from "~/utils/judgingWorker";

/** Lines are judged when the keys have been calm for this long, in ms. */
const CALM = 250;

/** What is to be said of each line of a student's own working; judged anew when the lines or the case change. */
export function useJudged(question: () => Question, lines: Readonly<Ref<readonly string[]>>) {
  const store = useCaseStore();
  const worker = new JudgingWorker();
  const judged = shallowRef<readonly Judged[]>([]);
  const failure = ref<string | null>(null);
  let turn = 0;

  async function judge(): Promise<void> {
    if (!store.document) return;
    const mine = ++turn;
    failure.value = null;
    try {
      const found = await worker.judge(store.document, question().id, lines.value);
      if (mine === turn) judged.value = found;
    } catch (problem) {
      if (mine === turn) failure.value = problem instanceof Error ? problem.message : String(problem);
    }
  }
  const soon = useDebounceFn(judge, CALM);
  watch([() => store.document, lines], () => void soon(), { immediate: true });
  onScopeDispose(() => worker.end());
  return { judged, failure };
}
