import { defineStore } from "pinia";
import type { View } from "#core/graph";
import type { CaseFile } from "#core/model";
import { CaseAnalysis } from "~/utils/caseAnalysis";

/** Two states of a case that differ in the write-up at most: nothing that is worked out differs. */
function isOnlyWritten(before: CaseFile | null | undefined, now: CaseFile | null): boolean {
  if (!before || !now) return false;
  const keys = new Set([...Object.keys(before), ...Object.keys(now)] as (keyof CaseFile)[]);
  keys.delete("brief");
  return [...keys].every((key) => before[key] === now[key]);
}

/**
 * The answers to the open case, what of it is looked at, and what it is compared with. `shown` is the case as the page
 * should show it: while a given is dragged it is the case the answers belong to, and both change in one frame.
 */
export const useAnalysisStore = defineStore("analysis", () => {
  const store = useCaseStore();
  const view = shallowRef<View>({});
  /** Another case, or this one with earlier numbers, drawn faintly to compare with. */
  const ghost = shallowRef<{ readonly name: string; readonly document: CaseFile } | null>(null);
  /** questions whose working is looked at; the write-up may want them all */
  const worked = shallowRef<readonly string[]>([]);
  const isAllWorked = ref(false);
  function lookAt(id: string, isLooked: boolean): void {
    worked.value = [...worked.value.filter((one) => one !== id), ...(isLooked ? [id] : [])];
  }
  const analysis = new CaseAnalysis({
    of: computed((before?: CaseFile | null) => (isOnlyWritten(before, store.document) ? before! : store.document)),
    view,
    ghost: computed(() => ghost.value?.document ?? null),
    isDragged: store.isDragged,
    worked: computed(() => (isAllWorked.value ? "all" : worked.value)),
  });
  const isFollowed = ref(false);
  /** A case is on the page: it is worked out whenever it changes, until the scope of the page ends. */
  function follow(): void {
    isFollowed.value = true;
    analysis.follow();
    onScopeDispose(() => {
      isFollowed.value = false;
      view.value = {};
      ghost.value = null;
      worked.value = [];
      isAllWorked.value = false;
    });
  }
  const { desk, picture, slips, ghostAnswers, working, failure, took, stopped, shown, progress } = analysis;
  return {
    view,
    ghost,
    shown: computed(() => (isFollowed.value ? shown.of.value : store.document)),
    desk,
    picture,
    slips,
    ghostAnswers,
    working,
    failure,
    took,
    progress: progress.shown,
    stopped,
    follow,
    lookAt,
    workAll: (is: boolean) => void (isAllWorked.value = is),
    stop: () => analysis.stop(),
    lookLonger: (id: string | null) => analysis.lookLonger(id),
  };
});
