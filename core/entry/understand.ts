import { quoted } from "../formula";
import type { CaseFile } from "../model";
import { asRefused } from "./checked";
import { withEntry, type Entry } from "./entry";
import { plainLine } from "./plain";
import { severalLines } from "./several";
import { MAX_LINE, interpret } from "./statement";
import { type Understanding, refusal, asUnderstood } from "./understanding";
import { LineReader } from "./lineReader";

/** Reads a line as people write it; see `docs/entry.md`. The document is not changed. */
export function understand(text: string, source: CaseFile): Understanding {
  if (text.length > MAX_LINE) return asUnderstood(interpret(text, source));
  const parts = severalLines(plainLine(text));
  if (parts.length === 1) return one(parts[0]!, text, source);
  return all(parts, text, source);
}

/** Several entries of one line; all of them, or none. */
function all(parts: readonly string[], text: string, source: CaseFile): Understanding {
  let now = source;
  const entries: Entry[] = [];
  const said: string[] = [];
  for (const part of parts) {
    const read = one(part, part, now);
    if (read.kind === "number") return refusal(`${quoted(part)} is a number; beside other entries it has no place.`);
    if (read.kind === "refused") return { ...read, at: 0, end: text.length };
    entries.push(...read.entries);
    said.push(read.says);
    now = read.entries.reduce(withEntry, now);
  }
  return { kind: "entries", entries, says: said.join("; "), warning: null };
}

function one(line: string, typed: string, source: CaseFile): Understanding {
  const read = readOne(line, source);
  if (read.kind !== "refused") return read;
  // A place in the line as it was read is one in the typed line only where nothing was rewritten.
  const span = line === typed ? { at: read.at, end: Math.min(read.end, typed.length) } : { at: 0, end: typed.length };
  return { ...read, ...span };
}

function readOne(line: string, source: CaseFile): Understanding {
  try {
    return new LineReader(line, source).read();
  } catch (failure) {
    return asUnderstood(asRefused(failure));
  }
}
