import type { UnwrapNestedRefs } from "vue";
import { CaseAnalysis, type AnalysisSource } from "~/utils/caseAnalysis";

/**
 * The answers to a case, worked out anew whenever it changes. `shown` is the case as the page should show it: while a
 * given is dragged it is the case the answers belong to, and both change in one frame.
 */
export function useAnalysis(source: AnalysisSource) {
  const analysis = new CaseAnalysis(source);
  onMounted(() => watch([source.of, source.view, source.ghost], () => analysis.request(), { immediate: true }));
  onScopeDispose(() => analysis.end());
  const { desk, picture, slips, ghostAnswers, working, failure, took, stopped, shown, progress } = analysis;
  return {
    shown: shown.of,
    desk,
    picture,
    slips,
    ghostAnswers,
    working,
    failure,
    took,
    progress: progress.shown,
    stopped,
    stop: () => analysis.stop(),
    lookLonger: (id: string | null) => analysis.lookLonger(id),
  };
}
export type Analysis = UnwrapNestedRefs<ReturnType<typeof useAnalysis>>;
