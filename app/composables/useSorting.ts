import { useEventListener } from "@vueuse/core";

/**
 * Rows of a list dragged by their handle, or moved by key. The list is drawn from the case: a dropped row goes back
 * where it was, and the case is changed.
 * @param moved  what is done with a row that comes elsewhere; a place beyond the list is never asked for
 * @returns what a key does that moves a row by a step; the row keeps the focus
 */
export function useSorting(list: Readonly<Ref<HTMLElement | null>>, moved: (from: number, to: number) => void) {
  let end = () => {};
  // What drags comes with the pointer's first move: nothing can be dragged before, and the page is lighter.
  const stop = useEventListener(window, ["pointermove", "pointerdown"], () => {
    stop();
    void begin();
  });
  async function begin(): Promise<void> {
    const { default: Sortable } = await import("sortablejs").catch(() => ({ default: null }));
    if (!list.value || !Sortable) return;
    const sorting = Sortable.create(list.value, {
      handle: ".handle",
      animation: 120,
      onEnd: ({ oldIndex, newIndex, item, from }) => {
        if (oldIndex === undefined || newIndex === undefined) return;
        from.insertBefore(item, from.children[oldIndex + (oldIndex > newIndex ? 1 : 0)] ?? null);
        moved(oldIndex, newIndex);
      },
    });
    end = () => sorting.destroy();
  }
  onBeforeUnmount(() => end());

  return async function moveByKey(from: number, step: number, event: KeyboardEvent): Promise<void> {
    event.preventDefault();
    const to = from + step;
    if (to < 0 || to >= (list.value?.children.length ?? 0)) return;
    moved(from, to);
    await nextTick();
    (list.value?.children[to] as HTMLElement | undefined)?.focus();
  };
}
