import type { Understanding, readLines as linesRead } from "#core/entry";
import type { CaseFile } from "#core/model";

/** The reader of typed lines; it comes after the first graph, or when it is asked for, and reads nothing before. */
export function useLineReader() {
  onMounted(() => void afterGraph().then(deskCore));
  /** Somebody asked for it, and it could not be had. */
  const isMissing = ref(false);
  async function ready(): Promise<void> {
    isMissing.value = (await deskCore()) === null;
  }
  function read(text: string, source: CaseFile): Understanding | null {
    const core = deskCoreNow();
    if (core) return core.understand(text, source);
    return isMissing.value ? { kind: "refused", message: NO_DESK_CORE, at: 0, end: Infinity, instead: [] } : null;
  }
  /** Several lines as far as they can be read; without a reader none can. */
  function readLines(lines: readonly string[], source: CaseFile): ReturnType<typeof linesRead> {
    const core = deskCoreNow();
    if (core) return core.readLines(lines, source, core.understand);
    const [stopped = "", ...rest] = lines;
    return { entries: [], stopped, rest };
  }
  return { read, readLines, ready };
}
