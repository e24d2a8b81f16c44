import { asUnderstood, interpret, readLines as linesRead, type Understanding } from "#core/entry";
import type { CaseFile } from "#core/model";

type LineReader = typeof import("../../core/entry/understand");
const reader = shallowRef<LineReader | null>(null);
let coming: Promise<LineReader> | null = null;

/** What reads typed lines in words; it comes after the first graph, or when it is asked for. Null while it cannot. */
async function load(): Promise<LineReader | null> {
  // A part of its own: the rest of the room is on the page from the start.
  coming ??= import("../../core/entry/understand");
  reader.value = await coming.catch(() => {
    coming = null;
    return null;
  });
  return reader.value;
}

/** The reader of typed lines. Until it has come, lines are read as they are written in symbols. */
export function useLineReader() {
  onMounted(() => void afterGraph().then(load));
  const read = (text: string, source: CaseFile): Understanding =>
    reader.value?.understand(text, source) ?? asUnderstood(interpret(text, source));
  const readLines = (lines: readonly string[], source: CaseFile) => linesRead(lines, source, read);
  return { read, readLines, ready: load };
}
