import { re } from "../pattern";
import type { Amount } from "../amount";
import { COST, ONCE, oneBefore, PRICE } from "../lexicon";
import { isTimeUnit } from "../spokenUnits";
import { clauseBefore, lastAt, type Told } from "../told";

export type MoneyRole = "fixed" | "each" | "price" | "other";

/** An amount of money with its part in a business. */
export interface Paid {
  readonly amount: Amount;
  readonly role: MoneyRole;
  /** what it is for one of; null for what is owed once */
  readonly per: string | null;
}

/** What every amount of money in a business is: owed once, the cost of each, a price. */
export function moneyRoles(told: Told): Paid[] {
  const all = told.stated.filter((a) => a.kind === "money").map((a): Paid => ({ amount: a, ...roleOf(a, told) }));
  const clauseOf = ({ amount }: Paid) => clauseBefore(amount, told.story);
  const isSold = (p: Paid) => p.role === "price" && SOLD.test(clauseOf(p));
  if (!all.some(isSold)) return all;
  // "A fair charges $85 for a table. Tom sells candles for $12": what others charge him is no price of his.
  const isCharged = (p: Paid) => p.role === "price" && !isSold(p) && /\bcharges?\b/i.test(clauseOf(p));
  return all.map((p) => (isCharged(p) ? { ...p, role: "fixed", per: null } : p));
}
const SOLD = /\b(?:sells?|selling|sold)\b[^.;]*$/i;

function roleOf(a: Amount, told: Told): { role: MoneyRole; per: string | null } {
  const { story } = told;
  const per = perOf(a, story);
  const side = sideOf(a, story);
  if (side === "price") return { role: "price", per: per ?? "each" };
  // "the wrapping is another 20 cents": for one of what the amount before it was for.
  const before = /\b(?:another|a further|plus)\s*$/i.test(a.before) ? perBefore(a, told) : null;
  if (per === null && before !== null) return { role: "each", per: before };
  if (side === null && per === null)
    return { role: ONCE.test(a.after) || ONCE.test(clauseBefore(a, story)) ? "fixed" : "other", per };
  // "A let room costs $10 a night": for one room, in a story that counts them by the night.
  const one = isTimeUnit(per ?? "") || per === "night" ? oneBefore(a, story) : null;
  if (one !== null) return { role: "each", per: one };
  // A rent of so much a month is owed once in a story that counts things.
  if (per === null || isTimeUnit(per) || per === "night" || per === "evening") return { role: "fixed", per: null };
  return { role: "each", per };
}

/** What the amount of money right before one is for one of, in the same sentence. */
function perBefore(a: Amount, { stated, story }: Told): string | null {
  const before = stated[stated.indexOf(a) - 1];
  return before?.kind === "money" && before.sentence === a.sentence ? perOf(before, story) : null;
}

/** What an amount is for one of, told after or before it. */
export function perOf(a: Amount, story: string): string | null {
  if (a.per !== null) return a.per;
  if (/^\s*(?:once|one-off|up front|in advance|for the)\b/i.test(a.after)) return null;
  const one = oneBefore(a, story);
  if (
    one !== null &&
    !ONCE.test(one) &&
    !re("")`
      ^(?:business|company|stall|shop|firm|factory|baker|club|group|school|team|student|family|
      farmer|potter|person|bakery|workshop|bank|city|town|theatre|museum)$`.test(one)
  )
    return one;
  return /^\s*(?:to (?:make|produce|print|bake|build|buy|sew)|in materials? for)\s+(?:each|an?|one|every)\b/i.test(
    a.after,
  )
    ? "each"
    : null;
}

const CUSTOMER = re("iu")`
    \b(?:guests?|visitors?|customers?|passengers?|members?|students?|children|child|adults?|
    participants?|spectators?|people|person|guest|rider|skater|dancer|
    buyer)s?\s+(?:\p{L}+\s)?pays?\b`;

const SUPPLIER = re("iu")`
  \b(?:suppliers?|printers?|wholesalers?|manufacturers?|landlords?|owners?|makers?|factory|mill|workshop|agency)\s+
  (?:\p{L}+\s)?(?:asks?|charges?|wants?|takes?)\b`;

/** Whether an amount is a cost or a price: the nearest word of the trade before it, else one after it. */
function sideOf(a: Amount, story: string): "cost" | "price" | null {
  const clause = clauseBefore(a, story);
  if (/\bat (?:a price of\s+)?$/i.test(clause)) return "price";
  if (SUPPLIER.test(clause)) return "cost";
  if (CUSTOMER.test(clause)) return "price";
  const [cost, price] = [lastAt(COST, clause), lastAt(PRICE, clause)];
  if (cost >= 0 || price >= 0) return price > cost ? "price" : "cost";
  const after = a.after.split(/[,;.]/)[0]!;
  const [costAfter, priceAfter] = [after.search(COST), after.search(PRICE)];
  if (costAfter >= 0 || priceAfter >= 0)
    return costAfter < 0 || (priceAfter >= 0 && priceAfter < costAfter) ? "price" : "cost";
  const sentence = story.slice(a.sentence.start, a.start);
  const [costFar, priceFar] = [lastAt(COST, sentence), lastAt(PRICE, sentence)];
  if (costFar < 0 && priceFar < 0) return null;
  return priceFar > costFar ? "price" : "cost";
}
