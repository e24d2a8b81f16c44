import type { useLineReader } from "./useLineReader";

/**
 * Lines that were pasted together: those that can be read are entered, the first that cannot stands in the entry line
 * to be mended, and the others wait until it is entered.
 */
export function useManyLines(text: Ref<string>, reader: ReturnType<typeof useLineReader>) {
  const store = useCaseStore();
  const waiting = shallowRef<readonly string[]>([]);
  const waits = computed(() => {
    const { length } = waiting.value;
    return `${length === 1 ? "1 more line waits" : `${length} more lines wait`} for this one:`;
  });

  function take(lines: readonly string[]): void {
    const { entries, stopped, rest } = reader.readLines(lines, store.document!);
    const count = lines.length - rest.length - (stopped === "" ? 0 : 1);
    if (count > 0)
      store.apply({ kind: "enter", entries, saying: count === 1 ? "paste a line" : `paste ${count} lines` });
    text.value = stopped;
    waiting.value = rest;
  }
  /** What is pasted while others wait comes before them. */
  const paste = (lines: readonly string[]): void => take([...lines, ...waiting.value]);
  function goOn(): void {
    if (waiting.value.length > 0) take(waiting.value);
  }
  function leave(): void {
    waiting.value = [];
  }
  return { waiting, waits, paste, goOn, leave };
}
