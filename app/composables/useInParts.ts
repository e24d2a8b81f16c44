import { useRafFn } from "@vueuse/core";

/**
 * How many of a list are drawn: some at once, and a few more with each frame until all are, so that a long list does
 * not hold the page up.
 * @param count  how many there are
 * @param part  how many are drawn in one frame
 */
export function useInParts(count: () => number, part: number) {
  const drawn = ref(part);
  const { pause, resume } = useRafFn(
    () => {
      if (drawn.value < count()) drawn.value += part;
      else pause();
    },
    { immediate: false },
  );
  watch(
    () => drawn.value < count(),
    (isMore) => isMore && resume(),
    { immediate: true },
  );
  return drawn;
}
