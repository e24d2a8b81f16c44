import type { Amount } from "./amount";
import { amountsOf } from "./amounts";
import { asksOf, type Ask } from "./asks";
import type { Draft } from "./draft";
import { sentencesOf, type Sentence } from "./text";

/** A story taken apart: what every situation reads from. */
export interface Told {
  readonly story: string;
  readonly sentences: readonly Sentence[];
  readonly amounts: readonly Amount[];
  readonly asks: readonly Ask[];
  /** amounts that are told, not asked about */
  readonly stated: readonly Amount[];
}

/** A situation that a story may be about: it offers what it finds there, or nothing. */
export type Situation = (told: Told) => Draft | null;

/** A text that asks more than this is no problem to be solved but a book of them. */
const MOST_ASKED = 24;

export function toldIn(story: string): Told {
  const sentences = sentencesOf(story);
  const amounts = amountsOf(story, sentences);
  const asks = asksOf(story, sentences, amounts).slice(0, MOST_ASKED);
  const isAsked = (a: Amount) => asks.some((q) => q.amounts.includes(a));
  return { story, sentences, amounts, asks, stated: amounts.filter((a) => !isAsked(a)) };
}

/** The words before an amount in its own clause: from the last sign or "and" with a verb after it. */
export function clauseBefore(a: Amount, story: string): string {
  const text = story.slice(a.sentence.start, a.start);
  return /[^,;:—]*$/.exec(text)![0];
}

/** Where the last match of a pattern in a text begins; -1 where there is none. */
export function lastAt(pattern: RegExp, text: string): number {
  let at = -1;
  for (const m of text.matchAll(new RegExp(pattern, pattern.flags.includes("g") ? pattern.flags : `${pattern.flags}g`)))
    at = m.index;
  return at;
}
