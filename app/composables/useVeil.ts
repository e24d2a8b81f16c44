import { useTimeoutFn } from "@vueuse/core";

/** The lists of the Desk wait for what is worked out of them no longer than this, in ms. */
const MOMENT = 3000;
/** The head of the page, the desk with its line, story, graph, givens, functions, findings. */
const PARTS = 7;

/** The Desk while it opens. */
export function useVeil() {
  const analysis = useAnalysisStore();
  const isLate = ref(false);
  useTimeoutFn(() => void (isLate.value = true), MOMENT);
  /** the lists wait for what is worked out of them, or for word that it takes long */
  const isVeiled = computed(() => {
    const { desk, progress, failure, stopped } = analysis;
    return !isLate.value && desk === null && progress === null && failure === null && !stopped;
  });
  /** how many parts are there: one more each frame, since together they would hold the page up */
  const parts = useInParts(() => PARTS, 1);
  return { isVeiled, parts };
}
