import { singular } from "../../units";
import { Draft } from "../draft";
import { isTimeUnit, unitOfWord } from "../spokenUnits";
import { hull, type Span } from "../text";
import type { Told } from "../told";
import { inUnit, levelIn } from "./measure";
import { filled, Stuffs, totalsOf, usesOf, type Total, type Use } from "./planNumbers";
import { productsOf, type Product } from "./products";

/** What each of two or more products takes, gives or earns, and how much of it there is or must be. */
export function plan(told: Told): Draft | null {
  const products = productsOf(told);
  if (products.length < 2) return null;
  const stuffs = new Stuffs(told.stated);
  const raw = usesOf(told, products, stuffs);
  const all = totalsOf(told, new Set(raw.map((u) => u.amount)), products, stuffs);
  const uses = filled(raw, [...new Set(all.filter((t) => t.product === -1 && t.what !== "$").map((t) => t.what))]);
  // What nothing takes and is limited counts all of them: "only 9 vehicles may park".
  const totals = all
    .map((t) =>
      t.product === -1 && t.amount.kind === "count" && t.amount.limit !== ">=" && !uses.some((u) => u.what === t.what)
        ? { ...t, product: -2 }
        : t,
    )
    .filter((t) => t.product !== -1 || uses.some((u) => u.what === t.what));
  const worth = worthOf(uses);
  if (totals.length === 0 || uses.filter((u) => u.amount.kind !== "money").length < 2) return null;
  if (!told.asks.some((a) => /mix|greatest|least|cheaper|value|reach/.test(a.intent)) && worth.length === 0)
    return null;
  const draft = new Draft();
  const MEASURED = /\b(?:litre|kilogram|kg|gram|hectare|acre|tonne|portion|ounce|bag of|serving)s?\b/i;
  const isPerMeasure = uses.some(({ amount: { per } }) => per !== null && !isTimeUnit(per) && unitOfWord(per) !== null);
  const isWhole = !isPerMeasure && !products.every((p) => MEASURED.test(p.words));
  const letters = lettersFor(products, draft);
  products.forEach((p, i) =>
    draft.put({
      kind: "plan-variable",
      from: p.first,
      row: { name: letters[i]!, label: p.plural, ...(isWhole ? { whole: true } : {}) },
    }),
  );
  constrain(draft, { totals, uses, products, letters, told });
  objective(draft, worth, { products, letters, told });
  for (const ask of told.asks) {
    draft.answered.add(ask.start);
    draft.use(...ask.amounts);
  }
  return draft;
}

/** What one of each product earns or costs. */
const worthOf = (uses: readonly Use[]): Use[] => uses.filter((u) => u.what === "$");

/** The first letters of the products where they differ; x, y, z where they do not. */
function lettersFor(products: readonly Product[], draft: Draft): string[] {
  const initials = products.map((p) => p.stems[0]![0]!);
  const isApart =
    new Set(initials).size === products.length && initials.every((c) => /[a-z]/.test(c) && !"eil o".includes(c));
  const fallback =
    products.length <= 3 ? ["x", "y", "z"].slice(0, products.length) : products.map((_, i) => `x${i + 1}`);
  return (isApart ? initials : fallback).map((n) => draft.name(n));
}

interface Parts {
  readonly products: readonly Product[];
  readonly letters: readonly string[];
  readonly told: Told;
}
const term = (v: number, name: string): string => (v === 1 ? name : `${Number(v.toPrecision(12))} ${name}`);

function constrain(
  draft: Draft,
  { totals, uses, products, letters, told }: Parts & { totals: readonly Total[]; uses: readonly Use[] },
): void {
  const limited = new Set<string>();
  for (const total of totals) {
    const key = `${total.product} ${total.what} ${total.sense}`;
    if (limited.has(key)) continue;
    limited.add(key);
    const own = uses.filter((u) => u.what === total.what);
    const unit = measureOf(own, total);
    const terms =
      total.product === -2
        ? letters.map((n) => term(1, n))
        : total.product >= 0
          ? [letters[total.product]!]
          : sums(own, unit, letters);
    if (terms.length === 0) continue;
    draft.use(...total.from, ...own.map((u) => u.amount));
    const label =
      total.product >= 0 ? products[total.product]!.plural : total.product === -2 ? "together" : labelOf(total, told);
    draft.constraint(`${terms.join(" + ")} ${total.sense} ${levelIn(total.amount, unit)}`, label, hull(total.from));
  }
  multiples(draft, { products, letters, told });
  for (const n of letters) draft.constraint(`${n} >= 0`, null, null);
}
/** The smallest measure that what is used is told in: 15 hours against 20 minutes a bowl are 900 minutes. */
function measureOf(own: readonly Use[], total: Total): string | null {
  const all = [total.amount, ...own.map((u) => u.amount)].filter((a) => a.unit !== null);
  const sizes = all.map((a) => ({ unit: a.unit, size: inUnit({ ...a, value: 1 }, total.amount.unit) ?? 1 }));
  return sizes.sort((a, b) => a.size - b.size)[0]?.unit ?? null;
}
function sums(own: readonly Use[], unit: string | null, letters: readonly string[]): string[] {
  return letters.flatMap((n, j) => {
    const v = own.filter((u) => u.product === j).reduce((s, u) => s + levelIn(u.amount, unit), 0);
    return v === 0 ? [] : [term(v, n)];
  });
}
const labelOf = ({ amount, what }: Total, { story }: Told): string =>
  amount.of ?? (amount.words === "" ? (amount.kind === "time" ? "time" : what) : amount.words) ?? story;

/** "at least twice as many sky lanterns as river lanterns" */
function multiples(draft: Draft, { products, letters, told }: Parts): void {
  for (const a of told.amounts.filter((x) => x.kind === "times")) {
    const rest = told.story.slice(a.end, a.sentence.end);
    const m = /^\s*as (?:many|much) ([^,.;]+?) as ([^,.;]+)/i.exec(rest);
    const [p, q] = m ? [m[1]!, m[2]!].map((words) => productIn(words, products)) : [];
    if (p === undefined || q === undefined || p < 0 || q < 0 || p === q) continue;
    const before = told.story.slice(a.sentence.start, a.start);
    const sense = /\bat least\s*$/i.test(before)
      ? ">="
      : /\b(?:at most|no more than|not more than)\s*$/i.test(before)
        ? "<="
        : "=";
    draft.use(a);
    draft.constraint(`${letters[p]!} ${sense} ${term(a.value, letters[q]!)}`, null, {
      start: a.start,
      end: a.end + m![0].length,
    });
  }
}
function productIn(words: string, products: readonly Product[]): number {
  const stems = (words.toLowerCase().match(/\p{L}+/gu) ?? []).map((w) => singular(w));
  return products.findIndex((p) => p.stems.every((s) => stems.includes(s)));
}

function objective(draft: Draft, worth: readonly Use[], { products, letters, told }: Parts): void {
  const asks = told.asks.map((a) => a.text).join(" ");
  const isLeast = /\b(?:cheap\w*|least|lowest|minim\w+|as (?:little|cheap\w*|few) as|smallest)\b/i.test(
    asks.replace(/at least/gi, ""),
  );
  const text = letters.flatMap((n, j) => {
    const own = worth.filter((u) => u.product === j);
    const chosen =
      own.find((u) =>
        (isLeast ? /cost|pay|price|take/i : /profit|earn|gain|sell|bring/i).test(
          told.story.slice(u.amount.sentence.start, u.amount.sentence.end),
        ),
      ) ?? own[0];
    if (!chosen) return [];
    const cost = isLeast
      ? undefined
      : own.find(
          (u) =>
            u !== chosen &&
            /\b(?:cost|costs|materials?|takes)\b/i.test(
              told.story.slice(Math.max(u.amount.sentence.start, u.amount.start - 40), u.amount.start + 30),
            ) &&
            /\bsell|sold|price/i.test(told.story),
        );
    draft.use(...own.map((u) => u.amount));
    return [term(chosen.amount.value - (cost?.amount.value ?? 0), n)];
  });
  if (text.length === 0) return countObjective(draft, isLeast, letters, told);
  const from: Span = hull(worth.map((u) => u.amount));
  if (products.length === 0) return;
  draft.put({
    kind: "objective",
    from,
    row: { text: text.join(" + "), sense: isLeast ? "least" : "greatest", unit: worth[0]!.amount.unit ?? "$" },
  });
}
/** "as many as possible": the number itself is what counts. */
function countObjective(draft: Draft, isLeast: boolean, letters: readonly string[], told: Told): void {
  const ask = told.asks.find((a) => /\b(?:as many|most|greatest number|largest number|fewest|as few)\b/i.test(a.text));
  if (ask)
    draft.put({
      kind: "objective",
      from: ask,
      row: { text: letters.join(" + "), sense: isLeast ? "least" : "greatest" },
    });
}
