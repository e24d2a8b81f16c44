import { singular } from "../../units";
import type { Amount } from "../amount";
import { unitOfWord } from "../spokenUnits";
import type { Told } from "../told";
import { mentionsOf, type Mention, type Product } from "./products";

/** An amount that one of a product takes, gives, costs or earns. */
export interface Use {
  readonly product: number;
  readonly amount: Amount;
  /** what it is of: "sheet", "min", "fat"; "$" for money */
  readonly what: string;
}
/** How much there is of something, or how much there must be. */
export interface Total {
  readonly amount: Amount;
  /** the numbers of the text it is read from: both of "between 10 and 50" */
  readonly from: readonly Amount[];
  readonly what: string;
  /** the product it counts; −1 for a resource, −2 for all of them together */
  readonly product: number;
  readonly sense: "<=" | ">=" | "=";
}

/** Words for people, who all need a seat. */
const PEOPLE = new Set(
  "person member guest student child visitor passenger pupil teacher camper scout adult".split(" "),
);

/** What amounts are of: their measure, and the stuff it measures where one measure serves several. */
export class Stuffs {
  private readonly several: ReadonlySet<string>;
  constructor(amounts: readonly Amount[]) {
    const of = new Map<string, Set<string>>();
    let unit: string | null = null;
    for (const a of amounts) {
      const stuff = a.of ?? ofAfter(a);
      // "90 grams of fat, 60 of sugar": the measure goes on.
      unit = a.unit ?? (stuff ? unit : null);
      if (unit && stuff && a.kind !== "money") of.set(unit, (of.get(unit) ?? new Set()).add(singular(stuff)));
    }
    this.several = new Set([...of].filter(([, stuffs]) => stuffs.size > 1).map(([unit]) => unit));
  }
  /** What an amount is of; null for a bare number. */
  of(a: Amount): string | null {
    if (a.kind === "money") return "$";
    const stuff = a.of ?? ofAfter(a);
    if (stuff !== null && (a.unit === null || this.several.has(a.unit))) return singular(stuff);
    if (a.unit !== null && PEOPLE.has(a.unit)) return "person";
    return a.kind === "time" ? "time" : a.unit;
  }
}
/** "60 of sugar" */
const ofAfter = (a: Amount): string | null => /^\s+of\s+(?:the\s+)?(\p{L}+)/u.exec(a.after)?.[1]?.toLowerCase() ?? null;

/** Amounts that follow a product in its clause belong to it, until the next product. */
export function usesOf(told: Told, products: readonly Product[], stuffs: Stuffs): Use[] {
  const mentions = mentionsOf(told.story, products);
  const counted = told.stated.filter(
    (a) => a.limit === null && a.kind !== "times" && a.kind !== "date" && a.kind !== "percent",
  );
  const out: Use[] = [];
  for (const amount of counted) {
    if (countedProduct(amount, products, told) !== -1) continue;
    const product = productOf(amount, mentions, told);
    const what = stuffs.of(amount) ?? "";
    // "It has 60 members" after all seats are told is no seat of the last boat.
    const isTold = what !== "" && what !== "$" && out.some((u) => u.product === product && u.what === what);
    if (product !== null && !(isTold && isPointing(amount, told))) out.push({ product, amount, what });
  }
  return out;
}

/** "15, 3 and 3 grams": numbers of no clear stuff stand for the stuffs that are left, in the order of the story. */
export function filled(uses: readonly Use[], order: readonly string[]): Use[] {
  const taken = new Map<number, Set<string>>();
  for (const u of uses)
    if (order.includes(u.what)) taken.set(u.product, (taken.get(u.product) ?? new Set()).add(u.what));
  return uses.map((u) => {
    if (u.what === "$" || order.includes(u.what)) return u;
    const own = taken.get(u.product) ?? new Set<string>();
    const free = order.find((w) => !own.has(w));
    if (free === undefined) return u;
    taken.set(u.product, own.add(free));
    return { ...u, what: free };
  });
}

/** The product an amount belongs to: the one it is for one of, else the last one named before it in its clause. */
function productOf(a: Amount, mentions: readonly Mention[], told: Told): number | null {
  const { story } = told;
  const inside = mentions.find((m) => m.start >= a.start && m.end <= a.end + 1 && a.per !== null);
  if (inside) return inside.product;
  const next = mentions.find((m) => m.start >= a.end);
  const gap = next ? story.slice(a.end, next.start) : "";
  if (next && /^\s*(?:\p{L}+\s+){0,2}?(?:for|per|on|from|by|with)\s+(?:each|every|an?|one|the)?\s*$/iu.test(gap))
    return next.product;
  const stop = Math.max(story.slice(0, a.start).lastIndexOf(";"), a.sentence.start - 1);
  const before = mentions.filter((m) => m.end <= a.start && m.start > stop);
  const last = before[before.length - 1];
  if (last) return HAVE_ALL.test(story.slice(last.end, a.start)) ? null : last.product;
  return isPointing(a, told) ? (mentions.filter((m) => m.end <= a.sentence.start).pop()?.product ?? null) : null;
}
const isPointing = (a: Amount, { story }: Told): boolean =>
  /^(?:it|each one|they)\b/i.test(story.slice(a.sentence.start));
const HAVE_ALL = /\b(?:there (?:are|is)|we have|available|in stock|altogether|in all)\b/i;

/** Amounts that limit: with a word that says so, beside one that has it, or what there is of a thing that is used. */
export function totalsOf(told: Told, used: ReadonlySet<Amount>, products: readonly Product[], stuffs: Stuffs): Total[] {
  const out: Total[] = [];
  let sense: Total["sense"] | null = null;
  let sentence: unknown = null;
  for (const a of told.stated) {
    if (used.has(a) || a.kind === "times" || a.kind === "percent" || a.kind === "date") continue;
    if (a.sentence !== sentence) sense = null;
    sentence = a.sentence;
    const least = leastOf(a, told);
    if (least) {
      const [what, product] = [stuffs.of(a) ?? "", countedProduct({ ...a, limit: "<=" }, products, told)];
      const from = [least, a];
      // "open from 5 to 8 hours" limits nothing that is made.
      if (product === -1 && least.limit === null) continue;
      out.push({ amount: { ...a, value: least.value }, from, what, product, sense: ">=" });
      out.push({ amount: a, from, what, product, sense: "<=" });
      continue;
    }
    if (isLeastOfTwo(a, told)) continue;
    const own =
      a.limit === "<" ? "<=" : a.limit === ">" ? ">=" : (a.limit ?? (/\bonly\s*$/i.test(a.before) ? "<=" : null));
    const clause = told.story.slice(a.sentence.start, a.start);
    const after = told.story.slice(a.end, a.sentence.end);
    sense =
      own ??
      (JOINED.test(a.before) && sense
        ? sense
        : HAVE.test(clause) || AVAILABLE.test(after)
          ? "<="
          : NEED.test(clause) || NEEDED.test(after)
            ? ">="
            : sense);
    // Room for people is there for all of them.
    if (stuffs.of(a) === "person" && a.limit === null && sense === "<=") sense = ">=";
    if (sense !== null)
      out.push({
        amount: a,
        from: [a],
        what: stuffs.of(a) ?? "",
        product: countedProduct(a, products, told),
        sense,
      });
  }
  return out;
}
/** "between 10 and 50 star lanterns", "at least 10 and at most 50": the 10 of the 50; null where it is no such. */
function leastOf(most: Amount, { amounts, story }: Told): Amount | null {
  const least = amounts.filter((a) => a.end <= most.start && a.sentence === most.sentence).at(-1);
  if (!least || least.value >= most.value || most.kind === "money") return null;
  if (least.unit !== null && least.unit !== most.unit) return null;
  const before = story.slice(most.sentence.start, least.start);
  const joint = story.slice(least.end, most.start);
  const isRange =
    (/\bbetween\s*$/i.test(before) && /^\s*and\s*$/i.test(joint)) ||
    (/\bfrom\s*$/i.test(before) && /^\s*to\s*$/i.test(joint)) ||
    (least.limit === ">=" && /^\s*(?:and|but)\s+(?:at most|no more than|not more than)\s*$/i.test(joint));
  return isRange ? least : null;
}
const isLeastOfTwo = (a: Amount, told: Told): boolean => told.stated.some((most) => leastOf(most, told) === a);
const JOINED = /^\s*(?:of\s+\p{L}+)?\s*(?:,|and|,\s*and)?\s*$/iu;
const HAVE = /\b(?:there (?:are|is)|has|have|had|available|in stock|on hand|owns?|up to|supply|stock)\b[^.;]*$/i;
const AVAILABLE = /^[^.;]{0,60}\b(?:available|in stock|on hand|left|can be used|a (?:day|week) at most)\b/i;
const NEED = /\b(?:needs?|must (?:have|get|contain|carry|hold)|requires?|wants?|for)\b[^.;]*$/i;
const NEEDED = /^[^.;]{0,60}\b(?:needed|required|wanted|must be)\b/i;

/** The product a total counts: "at least 20 sky lanterns"; −2 for "at most 60 lanterns" of all; −1 for none. */
function countedProduct(a: Amount, products: readonly Product[], told: Told): number {
  if (a.kind === "measure" && a.limit !== null && products.every((p) => unitOfWord(p.stems[0]!) === a.unit)) return -2;
  if (a.kind !== "count") return -1;
  const words = a.words
    .toLowerCase()
    .split(" ")
    .map((w) => singular(w));
  const found = products.findIndex((p) => p.stems.every((s) => words.includes(s)));
  if (found >= 0) return found;
  const heads = new Set(products.map((p) => p.stems.at(-1)!));
  const isAll = /\b(?:together|altogether|in all|in total|things|pieces|items)\b/i.test(
    told.story.slice(a.sentence.start, a.sentence.end),
  );
  const isCommon = heads.size === 1 && heads.has(words.at(-1)!);
  return isCommon || (isAll && /^(?:things|pieces|items|units)$/.test(a.words)) ? -2 : -1;
}
