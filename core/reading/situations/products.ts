import { re } from "../pattern";
import { plural, singular } from "../../units";
import { isNounEnd } from "../smallWords";
import { unitOfWord } from "../spokenUnits";
import type { Span } from "../text";
import type { Told } from "../told";

/** A thing that a plan decides how many to have of. */
export interface Product {
  /** its words in the singular: river, lantern */
  readonly stems: readonly string[];
  readonly words: string;
  readonly plural: string;
  /** where it is told first */
  readonly first: Span;
}
/** A place where a product is named. */
export interface Mention extends Span {
  readonly product: number;
}

interface Candidate extends Span {
  readonly stems: string[];
  readonly text: string;
}
const NOT_PRODUCTS = re("")`
    ^(?:day|week|year|month|evening|night|hour|minute|second|time|total|lot|mix|plan|workshop|stall|
    club|baker|bakery|potter|team|group|family|company|firm|factory|farm|farmer|school|business|
    shop|most|least|profit|price|cost|person|visitor|customer|part|kind|sort|number|few|maximum|
    minimum)$`;
const ARTICLE = /\b(?:an?|each|every|per|one|a single)\s+((?:\p{L}[\p{L}’'-]*\s*){1,4})/giu;

/** Products: things told with "a", "each" or "per", with amounts after them, more than one of them. */
export function productsOf(told: Told): Product[] {
  const { story } = told;
  const found = [
    ...[...story.matchAll(ARTICLE)].flatMap((m) => candidateAt(m, told)),
    ...subjects(told),
    ...lettered(told),
  ].sort((a, b) => a.start - b.start);
  const unique: Candidate[] = [];
  for (const c of found) if (!unique.some((u) => u.stems.join(" ") === c.stems.join(" "))) unique.push(c);
  const own = unique.filter((c) => hasAmounts(c, told));
  // "a lantern" beside "a river lantern" is no third thing.
  const apart = own.filter(
    (c) => !own.some((o) => o !== c && o.stems.length > c.stems.length && c.stems.every((s) => o.stems.includes(s))),
  );
  return apart.map((c) => ({
    stems: c.stems,
    words: c.text,
    plural: pluralOf(c.text),
    first: { start: c.start, end: c.end },
  }));
}
function candidateAt(m: RegExpExecArray, { story }: Told): Candidate[] {
  const words = m[1]!.trim().split(/\s+/);
  const cut = words.findIndex(
    (w, i) => isNounEnd(w.toLowerCase()) && !(i > 0 && isOfMeasure(words, i)) && words[i - 1]?.toLowerCase() !== "of",
  );
  const noun = (cut < 0 ? words : words.slice(0, cut)).slice(0, 3);
  if (noun.length === 0) return [];
  const head = singular(noun[noun.length - 1]!.toLowerCase());
  const isMeasure = noun.length === 1 && unitOfWord(noun[0]!) !== null;
  if (isMeasure || NOT_PRODUCTS.test(head)) return [];
  const text = noun.join(" ");
  const start = m.index + m[0].length - m[1]!.length;
  const end = story.indexOf(text, start) + text.length;
  const stems = noun.filter((w) => w.toLowerCase() !== "of").map((w) => singular(w.toLowerCase()));
  // "A school trip: minibuses seat 9" is about something else.
  return story[end] === ":" ? [] : [{ stems, text: text.toLowerCase(), start, end }];
}
const MANY = re("giu")`
    (?:^|[.;,:]\s+|\b(?:and|while)\s+)(?:the\s+)?((?:\p{L}+\s)?(\p{L}+s)|
    people)\s+(?:each\s+)?(?:carry|take|need|cost|hold|bring|contain|give|use|require|earn|sell|
    make|seat|provide|weigh|yield)\b`;
/** "small tents for 3 people at $20" */
const KIND = /\b((?:\p{L}+\s)(\p{L}+s))\s+(?:for|with|of|at)\s+[$€£]?\d/gu;
/** "type A needs 2 hours" */
const LETTERED = /\b((type|feed|model|product|kind|food|brand|machine|variety|sort)\s(\p{Lu}))\b/giu;
const lettered = ({ story }: Told): Candidate[] =>
  [...story.matchAll(LETTERED)].map((m) => {
    const stems = [m[2]!.toLowerCase(), m[3]!.toLowerCase()];
    return { stems, text: `${m[2]!.toLowerCase()} ${m[3]!}`, start: m.index, end: m.index + m[0].length };
  });
/** "Vans carry 8 people and cost $60": many of a thing, told as one each. */
function subjects({ story }: Told): Candidate[] {
  return [...story.matchAll(MANY), ...story.matchAll(KIND)].flatMap((m) => {
    const words = m[1]!.split(/\s+/).filter((w) => !isNounEnd(w.toLowerCase()));
    const head = words[words.length - 1];
    if (!head || NOT_PRODUCTS.test(singular(head.toLowerCase())) || unitOfWord(head)) return [];
    const text = words.join(" ");
    const start = story.indexOf(text, m.index);
    const stems = words.map((w) => singular(w.toLowerCase()));
    return [{ stems, text: stems.join(" "), start, end: start + text.length }];
  });
}
/** "a bag of beans" is a thing, "a lot of" is none. */
const isOfMeasure = (words: readonly string[], i: number): boolean =>
  words[i]!.toLowerCase() === "of" &&
  re("i")`
    ^(?:portion|bag|box|kilogram|kilo|litre|hectare|acre|serving|glass|cup|tonne|gram|bottle|jar|
    tin|pack|packet|sack|crate|can|kg)$`.test(words[i - 1]!);
const pluralOf = (text: string): string => {
  const words = text.split(" ");
  const at = words.indexOf("of") > 0 ? words.indexOf("of") - 1 : words.length - 1;
  return /\s\p{Lu}$/u.test(text) ? text : words.map((w, i) => (i === at ? plural(w) : w)).join(" ");
};
/** A product has an amount told for it, soon after it or right before. */
function hasAmounts(c: Candidate, { stated, story }: Told): boolean {
  const after = stated.find((a) => a.start >= c.end);
  const isAfter =
    after !== undefined &&
    after.limit === null &&
    !/[.?!]\s/.test(story.slice(c.end, after.start)) &&
    after.start - c.end < 60;
  const before = stated.filter((a) => a.end <= c.end && a.end >= c.start - 16).pop();
  return (
    isAfter ||
    (before !== undefined &&
      (before.end > c.start || /^\s*(?:for|per|on|from)\b/i.test(story.slice(before.end, c.start))))
  );
}

/** "A serving of oats" is also called oats, where no other has the name. */
const namesOf = (p: Product, products: readonly Product[]): (readonly string[])[] => {
  const last = p.stems[p.stems.length - 1]!;
  const isOwn = / of /.test(p.words) && products.every((o) => o === p || !o.stems.includes(last));
  return isOwn ? [p.stems, [last]] : [p.stems];
};

/** All places where products are named, in order; the longest name wins. */
export function mentionsOf(story: string, products: readonly Product[]): Mention[] {
  const tokens = [...story.matchAll(/\p{L}[\p{L}’'-]*/gu)].map((m) => ({
    stem: singular(m[0].toLowerCase()),
    start: m.index,
    end: m.index + m[0].length,
  }));
  const kept = tokens.filter((t) => t.stem !== "of");
  const out: Mention[] = [];
  for (let i = 0; i < kept.length; i++) {
    const fits = products
      .flatMap((p, product) =>
        namesOf(p, products).map((stems) => ({
          product,
          length: stems.length,
          is: stems.every((s, k) => kept[i + k]?.stem === s),
        })),
      )
      .filter((f) => f.is)
      .sort((a, b) => b.length - a.length)[0];
    if (fits) out.push({ product: fits.product, start: kept[i]!.start, end: kept[i + fits.length - 1]!.end });
  }
  return out;
}
