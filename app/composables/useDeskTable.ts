/** The table beside the graph, and the graph alone. @param isBlank  nothing is on the desk yet */
export function useDeskTable(isBlank: () => boolean) {
  const isTable = ref(false);
  const isLarge = ref(false);
  /** @returns whether there is a graph that can be made large, or small again */
  function large(): boolean {
    if (isBlank()) return false;
    isLarge.value = !isLarge.value;
    return true;
  }
  async function close(): Promise<void> {
    isTable.value = false;
    await nextTick();
    document.querySelector<HTMLElement>("#to-table")?.focus();
  }
  return { isTable, isLarge, large, close };
}
