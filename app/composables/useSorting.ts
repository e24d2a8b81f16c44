/**
 * Rows of a list dragged by their handle. The list is drawn from the case: a dropped row goes back where it was, and
 * the case is changed.
 * @param moved  what is done with a row that was dropped elsewhere
 */
export function useSorting(list: Readonly<Ref<HTMLElement | null>>, moved: (from: number, to: number) => void): void {
  let end = () => {};
  onMounted(async () => {
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
  });
  onBeforeUnmount(() => end());
}
