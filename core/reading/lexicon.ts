import { re } from "./pattern";
import { singular } from "../units";
import type { Amount } from "./amount";
import { manyOf } from "./nouns";
import { isNounEnd, list, NO_NOUNS, VERBS } from "./smallWords";
import { clauseBefore } from "./told";

/** Words of the trade; a newcomer adds one here and a row to the test beside it. */
export const COST = re("i")`
    \b(?:costs?|costing|rents?|rental|permits?|fees?|licen[cs]es?|insurance|wages?|paid|pays?|
    spends?|spent|materials?|ingredients?|takes?|needs?|buys?|bought|expenses?|overheads?|produc\w+|
    makes?|making|prints?|printing|equipment|set[- ]?up|hires?|hiring|hired|electricity|advertis\w+|
    machines?|tools?|workshop|bill|invest\w*|lease|labou?r|purchas\w+|outlay|worth of)\b`;
export const PRICE = re("i")`
    \b(?:sells?|sold|selling|prices?|priced|charg\w+|asks?|asked|tickets?|admission|revenue|
    receives?|received|earns?|takes? in|brings? in|customers? pays?|visitors? pays?|guests? pays?|
    fares?|goes for|go for|entry|income)\b`;
/** What is owed once, whatever is sold. */
export const ONCE = re("i")`
    \b(?:once|fixed|flat|up front|in advance|one-off|for the (?:night|evening|day|season|month|year|
    week|stall|event|fair)|overhead|rent|permit|licen[cs]e|set[- ]?up|insurance|equipment|basic|
    standing|deposit|joining|registration|base)\b`;
/** Words for money itself, and for whoever spends it: no amount is for one of them. */
const NOT_THINGS = list(
  `charge fee price cost rate deposit sum total bill payment profit revenue income rise business company firm club group
  school team family bank city town year month week day evening night`,
);

/** What is paid for one at a time, also where the story never says it in the plural. */
const ONE_BY_NATURE = new Set("ticket ride trip visit admission entry person head piece copy".split(" "));

/** The thing an amount is for one of, where it is told before it: "each lantern takes $2.50" is for a lantern. */
export function oneBefore(a: Amount, story: string): string | null {
  const clause = clauseBefore(a, story);
  const found = [...clause.matchAll(/\b(each|every|an?|one)\s+((?:\p{L}[\p{L}’'-]*\s*){1,4})/giu)].reverse();
  for (const m of found) {
    const words = m[2]!.trim().split(/\s+/);
    const end = words.findIndex((w) => isNounEnd(w.toLowerCase()));
    const noun = end < 0 ? words : words.slice(0, end);
    const verb = end < 0 ? "" : words[end]!.toLowerCase();
    const head = noun.length > 0 ? singular(noun[noun.length - 1]!.toLowerCase()) : "";
    const isPlain = /^an?$/i.test(m[1]!);
    if (NOT_THINGS.has(head) || (isPlain && !manyOf(head, story) && !ONE_BY_NATURE.has(head))) continue;
    // A noun with a verb after it, at once or behind "for the boat": "a lantern takes".
    const isLater =
      /^(?:for|of|to|on|at|with)$/.test(verb) &&
      words
        .slice(end)
        .concat(clause.slice(m.index + m[0].length).split(/\s+/))
        .some((w) => VERBS.has(w.toLowerCase()));
    if (noun.length > 0 && (VERBS.has(verb) || verb === "is" || verb === "can" || isLater))
      return singular(noun[noun.length - 1]!.toLowerCase());
  }
  return null;
}

/** Words that begin a phrase and say nothing of its own. */
const DETERMINERS = re("i")`
    ^(?:(?:after that|in addition|another|and|but|while|so|then|also|if|when|for|the|a|an|each|
    every|our|their|his|her|its|my|your|we|they|she|he|it|you|there|in addition|of|this|that|
    one)\s+)+`;

/** What an amount is called in the words of the story: "permit and workbench" cost $180; null where none do. */
export function calledBefore(a: Amount, story: string): string | null {
  const own = clauseBefore(a, story).trim();
  const since = a.before
    .split(/[,;:—]\s/)
    .pop()!
    .trim();
  const clause = since.length < own.length && /\p{L}{3}/u.test(since) ? since.replace(/^and\s+/i, "") : own;
  const named = re("i")`
      \b((?:(?:fixed|total|running|monthly|daily|weekly|basic|start-?up|set-?up)\s+)?(?:costs?|
      fees?|rent|charge|price|expenses?|overheads?))(?:\s+(?:of|is|are|come to|comes to|amount to|at))?\s*$`.exec(
    clause,
  );
  if (named && /\s/.test(named[1]!)) return named[1]!.toLowerCase();
  const words = clause.split(/\s+/);
  const verb = words.findLastIndex((w) => VERBS.has(w.toLowerCase()) || /^(?:is|are|was|were|has|have|had)$/i.test(w));
  const subject = words.slice(0, verb < 0 ? words.length : verb).join(" ");
  const bare = subject
    .replace(DETERMINERS, "")
    .replace(/\s+(?:of|for|at|is|are|will|would|must|can|to)$/i, "")
    .trim();
  const isShort =
    bare !== "" &&
    !bare.split(/\s+/).every((w) => w.toLowerCase() !== "another" && NO_NOUNS.has(w.toLowerCase())) &&
    bare.split(/\s+/).length <= 5 &&
    !/[\d$€£]/.test(bare);
  return isShort ? lowerFirst(bare) : null;
}

/** Who or what a sentence is about, up to its first verb; null where that is told in many words. */
export function subjectOf(a: Amount, story: string): string | null {
  const text = story.slice(a.sentence.start, a.start);
  const clause = /[^;:—]*$/.exec(text)![0].split(/,\s/).pop()!.trim();
  const words = clause.split(/\s+/);
  const verb = words.findIndex(
    (w, i) => i > 0 && (VERBS.has(w.toLowerCase()) || /^(?:is|are|was|were|has|have|had|can)$/i.test(w)),
  );
  if (verb <= 0) return null;
  const bare = words
    .slice(0, verb)
    .join(" ")
    .replace(DETERMINERS, "")
    .replace(/\s+(?:of|for|at|is|are|will|would|must|can|to|it|they|you|we)$/i, "");
  const isFine =
    bare !== "" &&
    bare.split(" ").length <= 6 &&
    !/\d/.test(bare) &&
    !bare.split(" ").every((w) => w.toLowerCase() !== "another" && NO_NOUNS.has(w.toLowerCase()));
  return isFine ? lowerFirst(bare) : null;
}

/** What an amount is for, told after it: "$180 for the permit", "$2.50 of paper". */
export function calledAfter(a: Amount, story: string): string | null {
  const m = re("iu")`
    ^\s*(?:of|for|on|in)\s+(?:the\s+|a\s+|an\s+|its\s+|
    their\s+)?((?:\p{L}[\p{L}’'-]*(?:,)?\s*){1,5})`.exec(story.slice(a.end, a.sentence.end));
  if (!m) return null;
  const words = m[1]!.trim().split(/\s+/);
  const end = words.findIndex((w, i) => i > 0 && isNounEnd(w.toLowerCase()) && w.toLowerCase() !== "and");
  const noun = (end < 0 ? words : words.slice(0, end)).join(" ").replace(/[,\s]*(?:\band)?[,\s]*$/i, "");
  const isTime = /^(?:night|evening|day|week|month|year|season|hour|event|each|every|all|whole)\b/i.test(noun);
  return noun === "" || isTime || isNounEnd(noun.toLowerCase()) ? null : lowerFirst(noun);
}

export const labelOf = (a: Amount, story: string, fallback: string): string =>
  calledAfter(a, story) ?? calledBefore(a, story) ?? fallback;

const lowerFirst = (text: string): string =>
  /^\p{Lu}\p{Ll}/u.test(text) ? text[0]!.toLowerCase() + text.slice(1) : text;
