import type { Body } from "./amount";
import { firstNoun, manyOf } from "./nouns";
import { re } from "./pattern";
import { NO_NOUNS, VERBS } from "./smallWords";
import { EVERY, unitOfNoun } from "./spokenUnits";

const PER = String.raw`(?:(?:per|an?|each|every|for (?:each|every|an?|one))\s+|\/\s*)`;
/** "for the cloth and string of each kite" */
const PER_FAR = re("iu")`
    ^[^,.;:?!\d]{1,44}?\b(?:of|for|per|in|on)\s+(?:each|
    every)\s+((?:\p{L}[\p{L}’'-]*)(?:\s\p{L}[\p{L}’'-]*){0,2})`;
const WORD = String.raw`\p{L}[\p{L}’'-]*`;
/** "of paper and wire a lantern" */
const OF_STUFF = String.raw`(?:(?:interest|growth)\s|of \p{L}+(?:,? (?:and )?\p{L}+){0,3}\s)?`;
const PER_NOUN = new RegExp(String.raw`^\s*${OF_STUFF}${PER}(${WORD}(?:\s${WORD}){0,2})`, "iu");
const PER_SLASH = /^\s*\/\s*(\p{L}+)/u;
const PER_EACH = /^\s*(?:each|apiece|a piece|per piece|per head|a head|per person each)(?=[\s,.;:!?)]|$)/i;
const PER_EVERY = new RegExp(String.raw`^\s*(${Object.keys(EVERY).join("|")})\b`, "i");

/** An amount with what it is for one of, where that stands right after it. */
export function withPer(body: Body, story: string): Body {
  const rest = story.slice(body.end);
  const slash = PER_SLASH.exec(rest);
  const slashed = slash ? unitOfNoun(slash[1]!) : null;
  if (slashed) return { ...body, per: slashed, end: body.end + slash![0].length };
  const every = PER_EVERY.exec(rest);
  if (every) return { ...body, per: EVERY[every[1]!.toLowerCase()]!, end: body.end + every[0].length };
  const annum = /^\s*(?:p\.\s?a\.?|per annum)/i.exec(rest);
  if (annum) return { ...body, per: "year", end: body.end + annum[0].length };
  const noun = PER_NOUN.exec(rest);
  const isEach = PER_EACH.exec(rest);
  if (noun && !(isEach && /^\s*each\b/i.test(rest) && !isThing(noun[1]!))) {
    const taken = firstNoun(noun[1]!, /^\s*(?:per|\/)/.test(noun[0]));
    // "$240 for a workshop" is paid once, where the story knows only one workshop.
    const isOnce = /^\s*for an?\s/i.test(noun[0]) && taken !== null && !manyOf(taken.unit, story);
    const next = /^\s+(\p{L}+)/u.exec(
      noun ? rest.slice(noun[0].length - noun[1]!.length + (taken?.length ?? 0)) : "",
    )?.[1];
    const isSubject = /^\s*an?\s/i.test(noun[0]) && next !== undefined && VERBS.has(next.toLowerCase());
    if (taken && !isOnce && !isSubject)
      return { ...body, per: taken.unit, end: body.end + noun[0].length - noun[1]!.length + taken.length };
  }
  const far = body.kind === "money" ? PER_FAR.exec(rest) : null;
  const taken = far ? firstNoun(far[1]!, true) : null;
  if (taken) return { ...body, per: taken.unit };
  if (isEach)
    return { ...body, per: /head|person/.test(isEach[0]) ? "person" : "each", end: body.end + isEach[0].length };
  return body;
}
const isThing = (words: string): boolean => !NO_NOUNS.has(words.split(" ")[0]!.toLowerCase());
