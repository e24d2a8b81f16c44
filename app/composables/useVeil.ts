import { useTimeoutFn } from "@vueuse/core";

/** The lists of the Desk wait for what is worked out of them no longer than this, in ms. */
const MOMENT = 3000;
/** What comes after the head of the page, in this order. */
const PARTS = ["line", "story", "graph", "givens", "functions", "findings"] as const;

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
  /** one more each frame, since together they would hold the page up; the first frame is the head's */
  const drawn = useInParts(() => PARTS.length + 1, 1);
  const has = (part: (typeof PARTS)[number]): boolean => PARTS.indexOf(part) + 1 < drawn.value;
  return { isVeiled, has };
}
