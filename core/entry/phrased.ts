import type { CaseFile, Model, Question } from "../model";
import { NAME } from "../question";
import { AskedLine, type BareQuestion, type Needed } from "./asked";
import { Misread, type Entry } from "./entry";
import { mentioned } from "./mentions";
import { PHRASE_READERS } from "./phrases";
import type { QuestionLine } from "./questionLine";

/** What a line asks in words, or why it is not understood; null where nothing in it asks. */
export type Phrased = { readonly entries: readonly Entry[] } | { readonly misread: Misread } | null;

/**
 * Reads a question as people ask it: `max profit?`, `when does N reach 5000`, `how far in the first 15 seconds`. Every
 * word of the line must have been understood or be a small one.
 */
export function phrased(body: string, source: CaseFile, model: Model, reader: QuestionLine): Phrased {
  if ((source.functions ?? []).length === 0) return null;
  const goal = soughtGiven(body, model);
  const line = reader.line(goal ?? body);
  const about = mentioned(body, source);
  let misread: Misread | null = null;
  for (const read of PHRASE_READERS) {
    try {
      const asked = new AskedLine(body, about, source, model, line);
      const found = read(asked);
      if (!found) continue;
      asked.settled();
      return { entries: found.map(entryOf) };
    } catch (failure) {
      if (!(failure instanceof Misread)) throw failure;
      misread ??= failure;
    }
  }
  return misread && { misread };
}

/** The entry of what was found; a question gets its number where it is put into the case. */
const entryOf = (found: BareQuestion | Needed): Entry =>
  "made" in found
    ? { kind: "function", replaces: false, row: found.made }
    : { kind: "question", replaces: false, row: { id: "q", ...found } as Question };

/**
 * `what k gives T(20) = 55`, `what must k be so that P(100)=0`: as the question about a given is written; null where
 * the line is no such thing.
 */
export function soughtGiven(body: string, model: Model): string | null {
  const goal = new RegExp(String.raw`^(?<ask>.+?)\s*(?<goal>${NAME}\s*\([^()]*\)\s*=\s*[^=?]+)$`, "u").exec(
    body,
  )?.groups;
  if (!goal) return null;
  // A range of its own (`k in 0 … 5 so that …`) is for the room of that question.
  if (goal.ask!.replace(new RegExp(NAME, "gu"), "").replace(/[\s,:'’]/g, "") !== "") return null;
  const words = goal.ask!.match(new RegExp(NAME, "gu")) ?? [];
  const givens = words.filter((w) => model.givens.has(w));
  const others = words.filter((w) => !model.givens.has(w));
  if (givens.length !== 1 || !others.every((w) => ASKS_FOR.has(w.toLowerCase()))) return null;
  return `${givens[0]!} so that ${goal.goal!.trim()}`;
}
const ASKS_FOR = new Set(
  (
    "what which value values of must should does do is are be has have to the for so " +
    "that such gives give makes make when find " +
    "needed need leads brings how big large high much will would if we want it then with"
  ).split(" "),
);
