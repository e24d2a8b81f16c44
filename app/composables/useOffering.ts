import type { Picture } from "#core/graph";
import type { CaseFile } from "#core/model";
import type { StoryReading } from "./useReading";
import { isUnread } from "~/utils/unread";

/**
 * Offers of the story on the desk: they take the place of the entry line until they are gone through, and the graph
 * shows what they would make of a case that has none.
 * @param begin  puts a text on the entry line
 */
export function useOffering(
  document: () => CaseFile,
  reading: StoryReading,
  picture: () => Picture | null,
  begin: (typed: string) => void,
) {
  /** an offer is on the entry line to be changed; the others wait */
  const isChanging = ref(false);
  const isOffering = computed(() => reading.shown.length > 0 && !isChanging.value);
  const isDrawn = computed(
    () => isOffering.value && reading.picture !== null && (document().functions ?? []).length === 0,
  );
  async function change(typed: string): Promise<void> {
    isChanging.value = true;
    await nextTick();
    begin(typed);
  }
  onMounted(() => {
    if (isUnread(document())) reading.begin();
  });
  return {
    isOffering,
    isDrawn,
    drawn: computed(() =>
      isDrawn.value ? { ...reading.picture!, caption: "as it would be, with every offer taken" } : picture(),
    ),
    change,
    changed: () => void (isChanging.value = false),
    goThrough: () => globalThis.document.querySelector<HTMLElement>("[data-offer]")?.focus(),
  };
}
