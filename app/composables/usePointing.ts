import { refDebounced } from "@vueuse/core";
import { isWriting } from "~/utils/writing";

/** A pointer that stays on one thing for this long rests there, in ms. */
const REST = 150;

/**
 * What is pointed at, or in focus: `pointed` at once, for keys; `rested` after a rest, for what lights up, so that a
 * hand on its way elsewhere sets nothing flickering. Nothing is lit while somebody writes or drags.
 */
export function usePointing(isDragged: () => boolean) {
  const pointed = ref<string | null>(null);
  const late = refDebounced(pointed, REST);
  const rested = computed(() => (late.value === pointed.value ? pointed.value : null));
  function point(key: string | null): void {
    const isBusy = key !== null && (isDragged() || isWriting(document.activeElement));
    pointed.value = isBusy ? null : key;
  }
  return { pointed, rested, point };
}
