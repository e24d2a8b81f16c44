import { MONTH_NAMES } from "../calendar";
import type { FoundNumber } from "./numbers";
import { re } from "./pattern";
import { saidUnit } from "./spokenUnits";

/** A number that only names something: a house number, part 2, a time of day. */
export function isName({ start, end, how }: FoundNumber, story: string): boolean {
  const before = story.slice(Math.max(0, start - 16), start);
  const after = story.slice(end, end + 6);
  const isUnit = saidUnit(story.slice(end)) !== null;
  if (
    !isUnit &&
    re("i")`
      \b(?:part|no\.?|number|nr\.?|chapter|room|line|route|question|problem|exercise|stall|page|
      figure|table|gate|platform|track|hall|bus|tram|class|grade|version|step|#)\s*$`.test(before)
  )
    return how !== "times";
  if (/^\s*(?:a\.m\.|p\.m\.|am\b|pm\b|o.clock)/i.test(after) || /^:\d\d/.test(after) || /\d:$/.test(before))
    return true;
  if (/^(?:st|nd|rd|th)\b/i.test(after) || /\p{L}-$/u.test(before)) return true;
  if (/^\s*[.)]\s/.test(after) && (/(?:^|\n)\s*\(?$/.test(before) || before === "")) return true;
  // "2 for $3" is a price of each.
  if (TOGETHER.test(after + story.slice(end + 6, end + 12)) && /\b(?:at|for|are|costs?|sells?|is)\s*$/i.test(before))
    return true;
  // "Two banks" sets the scene; nobody reckons with it.
  if (how === "words" && SCENE.test(story.slice(end))) return true;
  // "one" by itself points at something more often than it counts.
  if (how === "words" && /^one$/i.test(story.slice(start, end))) return !ONE_COUNTS.test(story.slice(end));
  return false;
}
const TOGETHER = /^\s+for\s+[$€£]/;
const SCENE = re("iu")`
    ^\s+(?:\p{L}+\s)?(?:banks?|offers?|plans?|ways?|kinds?|types?|sorts?|options?|friends?|
    brothers?|sisters?|teams?|towns?|villages?|cities|companies|firms?|printers?|choices?|models?|
    shops?|stalls?|runners?|trains?|cyclists?|boats?|stages?|parts?|products?|tanks?|candles?|mixes|
    tariffs?|machines?|teachers?|cars?|farmers?|potters?|clubs?|schools?|of them|of these|of the|
    groups?|prices)\b`;
const ONE_COUNTS = re("iu")`
    ^\s+\p{L}+ (?:stays?|remains?) (?:empty|vacant|unsold)\b|
    ^\s+(?:second|minute|hour|day|week|month|year|dollar|euro|metre|meter|kilomet|customer|visitor|
    passenger|guest|tenant|person|ticket|more|fewer)`;

/** "week 3": a moment, counted. */
export const COUNTED_TIME = re("i")`
  (?:^|,\s|\b(?:in|by|after|on|until|for|at|of|to|from|and|with)\s)
  (week|day|month|year|hour|minute)(\s)$`;
const MONTH = MONTH_NAMES.join("|");
const IN_YEAR = /\b(?:in|since|until|from|by|of|year|before|after|during|to)\s(?:the year\s)?$/i;
const IN_MONTH = new RegExp(String.raw`\b(?:${MONTH})\s$`);
/** "6 January", "March 10": a day that dates the story. */
export const isDay = (n: FoundNumber, story: string): boolean =>
  new RegExp(`^\\s(?:of )?(?:${MONTH})\\b`).test(story.slice(n.end)) ||
  IN_MONTH.test(story.slice(Math.max(0, n.start - 12), n.start));

/** A year that dates the story; a count of things of that size has its noun. */
export function isYear(n: FoundNumber, story: string): boolean {
  if (!/^(?:1[89]|20)\d\d$/.test(story.slice(n.start, n.end))) return false;
  const before = story.slice(Math.max(0, n.start - 24), n.start);
  const after = story.slice(n.end).replace(/^\s+(?:was|is|has|there|it|and)\b.*/su, "");
  return (IN_YEAR.test(before) || IN_MONTH.test(before)) && !/^\s+\p{L}+s\b/u.test(after);
}
