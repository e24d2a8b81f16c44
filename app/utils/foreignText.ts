import type { CaseFile } from "#core/model";
import { pastedText, type Pasted } from "#core/story";
import { cellsOfText } from "~/utils/tableFiles";

/** A text is known by its beginning, so that a large one keeps nobody waiting; in characters. */
const HEAD = 20_000;

/** What a text from elsewhere is; a part of its own, for it comes with all that reads lines. */
export function foreignText(text: string, source: CaseFile): Pasted {
  if (text.length <= HEAD) return pastedText(text, cellsOfText(text), source);
  const head = text.slice(0, text.lastIndexOf("\n", HEAD) + 1 || HEAD);
  const { kind } = pastedText(head, cellsOfText(head), source);
  return kind === "case" || kind === "table" ? { kind } : { kind: "story", isProse: true };
}
