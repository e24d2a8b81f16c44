import type { CaseFile, Mark, MarkRole } from "../model";

/** A small case by its kind of problem, to begin with and take apart. */
export interface Starter {
  readonly id: string;
  /** what kind of problem it is, as a student would call it */
  readonly kind: string;
  /** one line on what is asked in it */
  readonly about: string;
  readonly title: string;
  readonly rest: Omit<CaseFile, "format" | "version" | "title">;
}

/** `the words` of a story that are a role of a thing: where the words first stand. */
export type Said = readonly [words: string, role: MarkRole, of: string];

/** A story with its marks, told by the words that are marked. */
export function story(text: string, ...said: readonly Said[]): { text: string; marks: Mark[] } {
  const marks = said.map(([words, role, of]): Mark => {
    const start = text.indexOf(words);
    if (start < 0) throw new Error(`“${words}” does not stand in the story.`);
    return { start, end: start + words.length, role, of };
  });
  return { text, marks: marks.sort((a, b) => a.start - b.start) };
}
