import { useTimeoutFn } from "@vueuse/core";

/** The lists of the Desk wait for what is worked out of them no longer than this, in ms. */
const MOMENT = 3000;
const LISTS = 3;

/** The lists while the Desk opens. */
export function useVeil() {
  const analysis = useAnalysisStore();
  const isLate = ref(false);
  useTimeoutFn(() => void (isLate.value = true), MOMENT);
  /** they wait for what is worked out of them, or for word that it takes long */
  const isVeiled = computed(() => {
    const { desk, progress, failure, stopped } = analysis;
    return !isLate.value && desk === null && progress === null && failure === null && !stopped;
  });
  /** how many are there: one more each frame, since together they would hold the page up */
  const lists = useInParts(() => LISTS, 1);
  return { isVeiled, lists };
}
