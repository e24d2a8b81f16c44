import { rationalOfDouble, toDouble, type Rational } from "../../numeric";
import { tidy } from "../numbers";
import { plural } from "../../units";
import type { Amount } from "../amount";
import { Draft } from "../draft";
import { labelOf } from "../lexicon";
import { isTimeUnit, unitOfNoun } from "../spokenUnits";
import { hull, type Span } from "../text";
import type { Told } from "../told";
import { askBusiness, type Trade } from "./businessAsks";
import { readingsOf, slopeOf, type Reading, type Slope } from "./demand";
import { moneyRoles, type Paid } from "./moneyRoles";

/** Cost, price and demand of one thing that is made and sold. */
export function business(told: Told): Draft | null {
  const slope = slopeOf(told);
  const all = readingsOf(told);
  const base = slope ? baseOf(all, slope, told) : null;
  const readings = slope ? [] : all.length >= 2 ? all.slice(0, 2) : [];
  const inDemand = new Set([...readings, ...(base ? [base] : [])].flatMap((r) => [r.price, r.count]));
  const paid = moneyRoles(told).filter((p) => !inDemand.has(p.amount) && p.amount !== slope?.step);
  const hasPrice = readings.length > 0 || base !== null || paid.some((p) => p.role === "price");
  const hasCost = paid.some((p) => p.role === "each") || (hasPrice && paid.some((p) => p.role === "fixed"));
  if ((!hasPrice && !hasCost) || isPacked(told, paid)) return null;
  const item = itemOf(told, paid, [...readings, ...(base ? [base] : [])], slope);
  const draft = new Draft();
  const sign = paid[0]?.amount.unit ?? [...inDemand].find((a) => a.kind === "money")?.unit ?? "$";
  const wanted = hasPrice ? null : wantedCount(told, item);
  const make = slope && base ? changing(base, slope) : wanted ? priceWanted(wanted) : plainTrade(readings);
  const trade = make({ draft, told, paid, item, sign });
  askBusiness(draft, told, trade);
  return draft;
}

/** "A booklet of 24 pages" beside 12 cents a page: two things are counted, and which one is sold is not told apart. */
const isPacked = (told: Told, paid: readonly Paid[]): boolean =>
  told.stated.some(
    (a) =>
      a.kind === "count" &&
      paid.some((p) => p.per !== null && unitOfNoun(p.per) === a.unit) &&
      /\b(?:an?|the|each|every|one) \p{L}+ of $/iu.test(told.story.slice(a.sentence.start, a.start)),
  );

/** The number sold, in a story that asks what the price must be. */
const wantedCount = (told: Told, item: string): Amount | null =>
  told.asks.some((a) => a.intent === "must-be" && /\b(?:price|fee|fare|charge|ticket)\b/i.test(a.text))
    ? (told.amounts.find((a) => a.kind === "count" && a.unit === item && a.limit === null) ?? null)
    : null;

interface Making {
  readonly draft: Draft;
  readonly told: Told;
  readonly paid: readonly Paid[];
  readonly item: string;
  readonly sign: string;
}

/** Today's price and number, where the story says how the number follows the price. */
function baseOf(readings: readonly Reading[], slope: Slope, told: Told): Reading | null {
  const own = readings.filter((r) => r.price !== slope.step && r.count !== slope.count);
  if (own[0]) return own[0];
  const price = moneyRoles(told).find((p) => p.role === "price" && p.amount !== slope.step)?.amount;
  const count = told.stated.find(
    (a) => a !== slope.count && a.limit === null && a.change === null && (a.kind === "count" || a.kind === "bare"),
  );
  return price && count ? { price, count, ...hull([price, count]) } : null;
}

/** What is made and sold: what most amounts are for one of, or what is counted. */
function itemOf(told: Told, paid: readonly Paid[], readings: readonly Reading[], slope: Slope | null): string {
  const votes = new Map<string, number>();
  const vote = (unit: string | null, weight: number) => {
    if (unit && unit !== "each" && unit !== "$" && !isTimeUnit(unit)) votes.set(unit, (votes.get(unit) ?? 0) + weight);
  };
  for (const p of paid) if (p.role !== "fixed") vote(p.per && unitOfNoun(p.per), 2);
  for (const r of readings) {
    vote(r.count.unit, 2);
    vote(r.price.per, 1);
  }
  vote(slope?.count.unit ?? null, 1);
  for (const q of told.asks) for (const a of q.amounts) if (a.kind === "count") vote(a.unit, 1);
  for (const q of told.asks)
    vote(
      /\bhow (?:many|much) (?:\p{L}+ )?(\p{L}+s|people)\b/iu.exec(q.text)?.[1]
        ? unitOfNoun(/\bhow (?:many|much) (?:\p{L}+ )?(\p{L}+s|people)\b/iu.exec(q.text)![1]!)
        : null,
      1,
    );
  for (const a of told.stated) if (a.limit && a.kind === "count") vote(a.unit, 1);
  return [...votes].sort((a, b) => b[1] - a[1])[0]?.[0] ?? "piece";
}

const MEASURES = new Set("kg g tonne L mL m km m^2 m^3 lb ft mi h min".split(" "));
const PEOPLE = new Set(
  "person guest visitor passenger customer member student child adult participant spectator seat".split(" "),
);
const each = (sign: string, item: string): string => `${sign}/${item}`;

/** Quantity is the variable: a price that is fixed, or a line through two readings. */
const plainTrade =
  (readings: readonly Reading[]) =>
  (m: Making): Trade => {
    const { draft, told, item } = m;
    const q = draft.name("q", "n", "x");
    const isMeasured = MEASURES.has(item);
    const costs = costNames(m);
    const limit = limitOf(told, item, new Set(m.paid.map((p) => p.amount)));
    const to = limit ? draft.given(limit, ["M"], item, "the most there can be", limit) : highest(readings, isMeasured);
    const label = isMeasured ? "amount sold" : PEOPLE.has(item) ? plural(item) : `${plural(item)} sold`;
    draft.variable(
      { name: q, unit: item, label, from: 0, ...(to === null ? {} : { to }), ...(isMeasured ? {} : { whole: true }) },
      limit && { start: limit.limitStart, end: limit.end },
    );
    const { price, priceText, from } = priceOf(m, readings, q);
    return finish(m, { variable: q, quantity: q, price, priceText, costs, from });
  };

/** The price: a line through what was told, or one given price. */
function priceOf(
  { draft, paid, item, sign }: Making,
  readings: readonly Reading[],
  q: string,
): Pick<Trade, "price" | "priceText"> & { from: Span | null } {
  const money = each(sign, item);
  if (readings.length > 0) {
    for (const r of readings) draft.use(r.price, r.count);
    const through = readings.map((r): [number, number] => [r.count.value, r.price.value]);
    const price = draft.by(
      { name: draft.name("p"), unit: money, label: "price" },
      q,
      { kind: "line", through },
      hull(readings),
    );
    return { price, priceText: `${price}(${q})`, from: hull(readings) };
  }
  const fixed = paid.find((p) => p.role === "price");
  if (!fixed) return { price: null, priceText: null, from: null };
  return { price: null, priceText: draft.given(fixed.amount, ["p"], money, "price"), from: fixed.amount };
}

/** A price that is looked for, with the number sold told: the price is the variable. */
const priceWanted =
  (count: Amount) =>
  (m: Making): Trade => {
    const { draft, item, sign } = m;
    const p = draft.name("p");
    draft.variable({ name: p, unit: each(sign, item), label: "price", from: 0 }, null);
    const N = draft.given(count, ["N", "Q"], item, `${plural(item)} sold`);
    const costs = costNames(m);
    return finish(m, { variable: p, quantity: N, price: p, priceText: p, costs, from: count });
  };

/** The quantity at which the price comes to nothing, where it falls; whole things are all sold before. */
function highest(readings: readonly Reading[], isMeasured: boolean): number | null {
  const [first, second] = readings.map((r) => [r.count.value, r.price.value].map((v) => rationalOfDouble(v)));
  if (!first || !second) return null;
  const [[a, u], [b, v]] = [first, second] as [[Rational, Rational], [Rational, Rational]];
  if (b.equals(a)) return null;
  const slope = v.sub(u).div(b.sub(a));
  if (slope.s >= 0n) return null;
  const zero = a.sub(u.div(slope));
  return toDouble(isMeasured ? zero : zero.floor());
}

/** The change of today's price is the variable: (a + x)(b − m x). */
const changing =
  (base: Reading, slope: Slope) =>
  (m: Making): Trade => {
    const { draft, item, sign } = m;
    const x = draft.name("x");
    const money = each(sign, item);
    const a = draft.given(base.price, ["a"], money, "today's price");
    const b = draft.given(base.count, ["b"], item, `${plural(item)} today`);
    const isRising = slope.fewer < 0;
    draft.use(slope.step, slope.count);
    const per = `${item}^2/${sign}`;
    const k = draft.number(
      Math.abs(slope.fewer),
      ["m", "d"],
      per,
      `${isRising ? "more" : "fewer"} for one more of the price`,
      slope,
    );
    const top = slope.fewer > 0 ? base.count.value / slope.fewer : base.price.value;
    draft.variable(
      { name: x, unit: money, label: "change of the price", from: -base.price.value, to: tidy(top) },
      slope,
    );
    const costs = costNames(m);
    const p = draft.formula({ name: draft.name("p"), unit: money, label: "price" }, x, `${a} + ${x}`, base);
    const n = draft.formula(
      { name: draft.name("n", "q"), unit: item, label: plural(item) },
      x,
      `${b} ${isRising ? "+" : "-"} ${k} ${x}`,
      slope,
    );
    return finish(m, { variable: x, quantity: n, price: p, priceText: p, costs, from: hull([base, slope]) });
  };

interface Costs {
  readonly fixed: readonly string[];
  readonly each: readonly string[];
  readonly spans: readonly Span[];
}
function costNames({ draft, paid, told, item, sign }: Making): Costs {
  const fixed = paid.filter((p) => p.role === "fixed").filter((p) => !isWhatIf(p.amount));
  const per = paid.filter((p) => p.role === "each");
  const name = (p: Paid, names: string[], unit: string, fallback: string) =>
    draft.given(p.amount, names, unit, labelOf(p.amount, told.story, fallback));
  return {
    fixed: fixed.map((p) => name(p, ["F", "G", "H"], sign, "fixed cost")),
    each: per.map((p) => name(p, ["k", "c", "w"], each(sign, item), "cost of each")),
    spans: [...fixed, ...per].map((p) => p.amount),
  };
}
const isWhatIf = (a: Amount): boolean => a.limit !== null && a.limit !== "=";

/** The most of the thing that can be: "at most 320 lanterns". */
function limitOf(told: Told, item: string, taken: ReadonlySet<Amount>): Amount | null {
  return (
    told.stated.find(
      (a) =>
        !taken.has(a) &&
        (a.limit === "<=" || a.limit === "<") &&
        (a.unit === item || (a.kind === "bare" && a.of === null)) &&
        a.value > 0,
    ) ?? null
  );
}

/** Revenue, cost and profit, as far as the story has them. */
function finish(
  m: Making,
  t: Omit<Trade, "revenue" | "cost" | "profit" | "unitPrice" | "sign"> & { costs: Costs; from: Span | null },
): Trade {
  const { draft, sign } = m;
  const n = t.quantity;
  const { fixed, each: per, spans } = t.costs;
  const from = spans.length > 0 ? hull(spans) : null;
  const revenue = t.priceText
    ? draft.formula(
        { name: draft.name("R"), unit: sign, label: "revenue" },
        t.variable,
        t.price === null ? `${t.priceText} ${n}` : `${n} ${t.priceText}`,
        t.from,
      )
    : null;
  const perText = per.length === 0 ? "" : per.length === 1 ? `${per[0]!} ${n}` : `(${per.join(" + ")}) ${n}`;
  const costText = [...fixed, perText].filter((c) => c !== "").join(" + ");
  const cost =
    costText === ""
      ? null
      : draft.formula({ name: draft.name("C"), unit: sign, label: "cost" }, t.variable, costText, from);
  const profit =
    revenue && cost
      ? draft.formula({ name: draft.name("P", "G"), unit: sign, label: "profit" }, t.variable, `${revenue} - ${cost}`)
      : null;
  return { ...t, revenue, cost, profit, unitPrice: t.price, sign };
}
