import { plural, singular } from "../units";
import { isNounEnd, NO_NOUNS } from "./smallWords";
import { unitOfNoun, unitOfWord } from "./spokenUnits";

export interface Noun {
  readonly words: string;
  readonly head: string;
  readonly end: number;
}
/** What is counted: the words after a number up to the first that cannot belong to them. */
export function nounAt(story: string, from: number): Noun | null {
  const taken: { word: string; end: number }[] = [];
  for (const m of story.slice(from).matchAll(/(\s+|-)(\p{L}[\p{L}’'-]*)/gu)) {
    const at = m.index === (taken.length > 0 ? taken[taken.length - 1]!.end - from : 0);
    const word = m[2]!;
    if (!at || taken.length === 4 || isNounEnd(word.toLowerCase())) break;
    taken.push({ word, end: from + m.index + m[0].length });
    // A plural is the thing itself: what follows it tells more of it.
    if (isPlural(word)) break;
  }
  if (taken.length === 0) return null;
  const last = taken[taken.length - 1]!;
  // Without a plural the words may be anything ("900 cross again"), but for things that have none.
  const isOne = /(?:^|\s)1$|\b(?:one|half an?)\s*$/i.test(story.slice(Math.max(0, from - 12), from));
  if (!isPlural(last.word) && !NO_PLURAL.has(last.word.toLowerCase()) && !(isOne && taken.length === 1)) return null;
  return { words: taken.map((t) => t.word).join(" "), head: last.word, end: last.end };
}
const NO_PLURAL = new Set("staff fish sheep deer trout salmon aircraft series species bacteria cattle kWh".split(" "));
export const isPlural = (word: string): boolean => {
  const low = word.toLowerCase();
  return singular(low) !== low && plural(singular(low)) === low;
};

/** Whether a story speaks of many of a thing. */
export const manyOf = (unit: string, story: string): boolean =>
  unitOfWord(unit) !== null || new RegExp(String.raw`\b${plural(unit)}\b`, "i").test(story);

/** The noun at the beginning of some words: "paper lantern sold" is a paper lantern. */
export function firstNoun(words: string, isSure: boolean): { unit: string; length: number } | null {
  const taken: string[] = [];
  for (const word of words.split(" ")) {
    const low = word.toLowerCase();
    const isEnd = taken.length === 0 ? NO_NOUNS.has(low) : isNounEnd(low);
    if (isEnd && unitOfWord(word) === null) break;
    taken.push(word);
    if (unitOfWord(word)) break;
  }
  const last = taken[taken.length - 1];
  if (last === undefined) return null;
  // "a total of", "a day trip": a word that is a plural is no "one of".
  if (!isSure && isPlural(last) && !unitOfWord(last)) return null;
  const unit = unitOfNoun(last);
  return unit === null ? null : { unit, length: taken.join(" ").length };
}
