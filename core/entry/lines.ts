import type { CaseFile } from "../model";
import { withEntry, type Entry } from "./entry";
import type { Understanding } from "./understanding";

/**
 * Several lines, as far as they can be read one after another; `stopped` is the first that cannot.
 * @param read  how one line is read
 */
export function readLines(
  lines: readonly string[],
  source: CaseFile,
  read: (text: string, source: CaseFile) => Understanding,
): { entries: Entry[]; stopped: string } {
  const entries: Entry[] = [];
  let now = source;
  for (const line of lines) {
    const found = read(line, now);
    if (found.kind !== "entries") return { entries, stopped: line };
    entries.push(...found.entries);
    now = found.entries.reduce(withEntry, now);
  }
  return { entries, stopped: "" };
}
