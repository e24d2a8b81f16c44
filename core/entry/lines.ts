import type { CaseFile } from "../model";
import { withEntry, type Entry } from "./entry";
import type { Understanding } from "./understanding";

/**
 * Several lines, as far as they can be read one after another; `stopped` is the first that cannot, `rest` what follows
 * it.
 * @param read  how one line is read
 */
export function readLines(
  lines: readonly string[],
  source: CaseFile,
  read: (text: string, source: CaseFile) => Understanding,
): { entries: Entry[]; stopped: string; rest: readonly string[] } {
  const entries: Entry[] = [];
  let now = source;
  for (const [i, line] of lines.entries()) {
    const found = read(line, now);
    if (found.kind !== "entries") return { entries, stopped: line, rest: lines.slice(i + 1) };
    entries.push(...found.entries);
    now = found.entries.reduce(withEntry, now);
  }
  return { entries, stopped: "", rest: [] };
}
