import type { CaseFile } from "../model";

/** One of the things to try first in a case, with a line for the entry line where there is one. */
export interface FirstStep {
  readonly says: string;
  readonly line: string | null;
}

/**
 * What somebody who has never seen a desk may try on it, in the names of the case.
 *
 * @returns null where the case has not all that is needed: a marked number, a given that varies, a function, a question
 */
export function firstSteps({ story, givens, functions, questions }: CaseFile): readonly FirstStep[] | null {
  const mark = story?.marks?.find((m) => m.role === "given");
  const varied = givens?.find((g) => g.vary);
  const last = functions?.at(-1);
  if (!story || !mark || !varied || !last || !questions?.length) return null;
  const phrase = story.text.slice(mark.start, mark.end);
  return [
    {
      says: `The numbers of the story are marked. Rest the pointer on “${phrase}”: what comes of it lights up.`,
      line: null,
    },
    { says: `Move the track under ${varied.name}: curves, answers and sentences follow.`, line: null },
    { says: "Ask a question of your own on the entry line, and press Enter.", line: `${last.name} > 0 ?` },
    { says: "Every finding says how sure it is. Open “working” under the first; ? has the rest.", line: null },
  ];
}
