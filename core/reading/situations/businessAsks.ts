import type { Amount } from "../amount";
import type { Ask } from "../asks";
import type { Draft } from "../draft";
import type { Told } from "../told";

/** The functions of a business, by what they are; null where the story has none. */
export interface Trade {
  readonly variable: string;
  /** the variable itself, or the function that says how many are sold */
  readonly quantity: string;
  readonly price: string | null;
  readonly priceText: string | null;
  readonly revenue: string | null;
  readonly cost: string | null;
  readonly profit: string | null;
  readonly unitPrice: string | null;
  readonly sign: string;
}

/** Turns what is asked about a business into questions about its functions. */
export function askBusiness(draft: Draft, told: Told, trade: Trade): void {
  for (const ask of told.asks) askOne(draft, ask, trade, told);
}

const REVENUE = /\b(?:revenue|income|takings|takes? in|receipts|sales|turnover|brings? in)\b/i;
const PRICE = /\b(?:price|fare|fee|charge|ticket price|admission|rent|rate|ask)\b|\bshould \p{L}+ \p{L}+ cost\b/iu;
const COST = /\b(?:costs?|expenses?|spend)\b/i;
const PROFIT = /\b(?:profit|earns?|earning|left over|gain|makes?|surplus)\b/i;

/** The function that a question speaks of. */
function meantBy(text: string, t: Trade, fallback: string | null): string | null {
  if (REVENUE.test(text)) return t.revenue;
  if (/\bprofit|\bearn|\bgain|\bsurplus|\bloss\b/i.test(text)) return t.profit ?? t.revenue;
  if (COST.test(text) && !PRICE.test(text)) return t.cost;
  if (PROFIT.test(text)) return t.profit ?? t.revenue;
  return fallback;
}

function askOne(draft: Draft, ask: Ask, t: Trade, told: Told): void {
  const best = t.profit ?? t.revenue ?? t.cost;
  const level = ask.amounts.find((a) => a.kind === "money") ?? null;
  const input =
    ask.amounts.find((a) => (a.kind === "count" || a.kind === "bare" || a.kind === "measure") && a !== level) ?? null;
  switch (ask.intent) {
    case "then":
      return andThen(draft, ask, t);
    case "break-even":
    case "same":
      return breakEven(draft, ask, t);
    case "greatest":
    case "least":
      return extreme(draft, ask, t, best);
    case "where":
    case "reach":
      return reach(draft, ask, t, level, input, best);
    case "value":
    case "total":
      return value(draft, ask, t, level, input);
    case "average":
      return average(draft, ask, t, input);
    case "rate": {
      const f = meantBy(ask.text, t, best);
      if (f && input && t.quantity === t.variable)
        draft.ask({ ask: "rate", function: f, at: input.value }, use(draft, ask));
      return;
    }
    case "must-be":
      return mustBe(draft, ask, t, told, level, input);
    default:
  }
}

/** "How many come then?": another function at the last answer; what that answer tells itself is not asked again. */
function andThen(draft: Draft, ask: Ask, t: Trade): void {
  const last = draft.offers.findLast((o) => o.kind === "question" && o.row.ask !== "value");
  draft.answered.add(ask.start);
  if (last?.kind !== "question") return;
  const asked = "function" in last.row ? last.row.function : null;
  const f = /\bhow many\b/i.test(ask.text)
    ? t.quantity === t.variable
      ? null
      : t.quantity
    : PRICE.test(ask.text)
      ? t.price
      : meantBy(ask.text, t, null);
  if (f && f !== asked && f !== t.variable) draft.ask({ ask: "value", function: f, at: { of: last.row.id } }, ask);
}

const use = (draft: Draft, ask: Ask): Ask => {
  draft.use(...ask.amounts);
  return ask;
};

function breakEven(draft: Draft, ask: Ask, t: Trade): void {
  if (!t.revenue || !t.cost || !t.profit) return;
  if (t.quantity !== t.variable) draft.ask({ ask: "reach", function: t.profit, value: 0 }, use(draft, ask));
  else draft.ask({ ask: "meet", functions: [t.revenue, t.cost] }, use(draft, ask));
}

/** Which price earns most, how many earn most, and what that comes to. */
function extreme(draft: Draft, ask: Ask, t: Trade, best: string | null): void {
  const f = meantBy(ask.text, t, best);
  if (!f) return;
  const kind = ask.intent === "least" ? "least" : "greatest";
  const of = draft.ask({ ask: kind, function: f }, use(draft, ask));
  if (PRICE.test(ask.text) && t.price) draft.ask({ ask: "value", function: t.price, at: { of } }, ask);
  if (/\bhow many\b/i.test(ask.text) && t.quantity !== t.variable)
    draft.ask({ ask: "value", function: t.quantity, at: { of } }, ask);
}

/** How many for a profit of so much; for which price so many come. */
function reach(
  draft: Draft,
  ask: Ask,
  t: Trade,
  level: Amount | null,
  input: Amount | null,
  best: string | null,
): void {
  if (level) {
    const isPriceLevel =
      t.price &&
      PRICE.test(ask.text) &&
      /\b(?:at|of|if)\b[^?]*$/i.test(ask.text.slice(0, level.start - ask.start)) &&
      !PROFIT.test(ask.text) &&
      !REVENUE.test(ask.text);
    const f = isPriceLevel ? t.price : meantBy(ask.text, t, best);
    if (!f) return;
    const isStretch =
      ask.intent === "where" ||
      (level.limit !== null && /\b(?:for which|which numbers|between which|what range)\b/i.test(ask.text));
    if (isStretch && level.limit && level.limit !== "=")
      draft.ask({ ask: "where", function: f, relation: level.limit, value: level.value }, use(draft, ask));
    else draft.ask({ ask: "reach", function: f, value: level.value }, use(draft, ask));
    return;
  }
  if (input && t.price && PRICE.test(ask.text)) priceFor(draft, ask, t, input);
}

/** The price at which so many are sold. */
function priceFor(draft: Draft, ask: Ask, t: Trade, input: Amount): void {
  if (t.quantity === t.variable) draft.ask({ ask: "value", function: t.price!, at: input.value }, use(draft, ask));
  else {
    const of = draft.ask({ ask: "reach", function: t.quantity, value: input.value }, use(draft, ask));
    draft.ask({ ask: "value", function: t.price!, at: { of } }, ask);
  }
}

/** The profit, cost or revenue of so many, or at a price of so much. */
function value(draft: Draft, ask: Ask, t: Trade, level: Amount | null, input: Amount | null): void {
  if (level && !input) return valueAtPrice(draft, ask, t, level);
  if (!input) return;
  if (t.price && PRICE.test(ask.text) && !PROFIT.test(ask.text) && !REVENUE.test(ask.text))
    return priceFor(draft, ask, t, input);
  const f = meantBy(ask.text, t, t.profit ?? t.cost ?? t.revenue);
  if (!f) return;
  if (t.quantity === t.variable) draft.ask({ ask: "value", function: f, at: input.value }, use(draft, ask));
  else {
    const of = draft.ask({ ask: "reach", function: t.quantity, value: input.value }, use(draft, ask));
    draft.ask({ ask: "value", function: f, at: { of } }, ask);
  }
}

function valueAtPrice(draft: Draft, ask: Ask, t: Trade, level: Amount): void {
  if (!t.price) return;
  const of = draft.ask({ ask: "reach", function: t.price, value: level.value }, use(draft, ask));
  const f = /\bhow many\b/i.test(ask.text)
    ? t.quantity === t.variable
      ? null
      : t.quantity
    : meantBy(ask.text, t, t.profit ?? t.revenue);
  if (f) draft.ask({ ask: "value", function: f, at: { of } }, ask);
}

/** The cost of each of so many, on average. */
function average(draft: Draft, ask: Ask, t: Trade, input: Amount | null): void {
  const of = meantBy(ask.text, t, t.cost);
  if (!of || !input || t.quantity !== t.variable) return;
  const unit = draft.unit(t.variable);
  const each = draft.formula(
    { name: draft.name("A", "a"), unit: unit ? `${t.sign}/${unit}` : null, label: "average of each" },
    t.variable,
    `${of}/${t.variable}`,
    ask,
  );
  draft.ask({ ask: "value", function: each, at: input.value }, use(draft, ask));
}

/** The price that makes the profit so much: a given that is looked for. */
function mustBe(draft: Draft, ask: Ask, t: Trade, told: Told, level: Amount | null, input: Amount | null): void {
  if (t.profit && t.price === t.variable) {
    draft.ask({ ask: "reach", function: t.profit, value: level?.value ?? 0 }, use(draft, ask));
    return;
  }
  if (!t.profit || !input || t.quantity !== t.variable) return;
  const isPrice = PRICE.test(ask.text);
  const price = draft.offers.find((o) => o.kind === "given" && o.row.label === "price");
  if (!isPrice || price?.kind !== "given" || told.asks.length === 0) return;
  const range: [number, number] = [0, price.row.value * 10];
  draft.ask(
    { ask: "given", given: price.row.name, range, function: t.profit, at: input.value, value: level?.value ?? 0 },
    use(draft, ask),
  );
}
