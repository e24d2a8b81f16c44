import { NEARLY_WHOLE, raised, bare } from "../numeric";
import { plural, singular, type Unit } from "../units";

/** Numbers from here on, and below, are written with a power of ten. */
const [HUGE, SMALL] = [1e15, 1e-6];
/** A hundredth that rounding is off by less than this is a whole one: money of two places. */
const NO_CENT = 1e-6;

const SIGNS = bare<string>({
  USD: "$",
  EUR: "€",
  GBP: "£",
  JPY: "¥",
  INR: "₹",
  RUB: "₽",
  KRW: "₩",
  TRY: "₺",
  UAH: "₴",
});
/** Units written as symbols: never put in the plural. */
const SYMBOLS = new Set(
  "s ms min h hr d a m km cm mm ha L l mL ml kg g mg t lb oz K °C °F ft yd mi % sec yr".split(" "),
);

const currencyOf = (unit: Unit | null): string | null => {
  if (!unit) return null;
  const [name, ...others] = Object.keys(unit.powers);
  return name?.startsWith("currency:") && others.length === 0 && unit.powers[name] === 1 && unit.factor === 1
    ? name.slice(9)
    : null;
};
/** Money, and nothing but money. */
export const isMoney = (unit: Unit | null): boolean => currencyOf(unit) !== null;
export const isPercent = (unit: Unit | null): boolean => unit !== null && /^%/.test(unit.text);

const grouped = (text: string): string => {
  const [whole = "", rest] = text.split(".");
  const sign = whole.startsWith("-") ? "−" : "";
  const digits = whole.replace("-", "").replace(/\B(?=(\d{3})+(?!\d))/g, ",");
  return `${sign}${digits}${rest ? `.${rest}` : ""}`;
};

/**
 * A number for reading: `digits` significant figures (all digits of whole numbers are kept), thousands set apart, a
 * true minus.
 * Very large and very small numbers are written with a power of ten.
 */
export function formatNumber(x: number, digits = 6): string {
  if (!Number.isFinite(x)) return x > 0 ? "∞" : x < 0 ? "−∞" : "no value";
  if (x === 0 || Object.is(x, -0)) return "0";
  const size = Math.abs(x);
  if (size >= HUGE || size < SMALL) {
    const [m = "", e = ""] = x.toExponential(Math.min(digits - 1, 5)).split("e");
    return `${grouped(m.replace(/\.?0+$/, ""))} × 10${raised(Number(e))}`;
  }
  if (Number.isInteger(x)) return grouped(String(x));
  const places = Math.max(0, Math.min(12, digits - 1 - Math.floor(Math.log10(size))));
  const text = x.toFixed(places);
  return grouped(text.includes(".") ? text.replace(/\.?0+$/, "") : text);
}

/** Rounded to the cent; sums of whole money lose their zeros. */
export function formatMoney(x: number, code: string): string {
  const sign = SIGNS[code];
  // Less than a cent is not nothing: a small amount shows as many places as it needs.
  if (x !== 0 && Math.abs(x) < 0.005)
    return sign ? `${x < 0 ? "−" : ""}${sign}${formatNumber(Math.abs(x), 3)}` : `${formatNumber(x, 3)} ${code}`;
  const cents = Math.round(Math.abs(x) * 100) / 100;
  const amount =
    cents >= 1e15 ? formatNumber(cents) : grouped(Number.isInteger(cents) ? String(cents) : cents.toFixed(2));
  const minus = x < 0 && cents !== 0 ? "−" : "";
  return sign ? `${minus}${sign}${amount}` : `${minus}${amount} ${code}`;
}

/** A price for one of something: below a dollar it may need more places than cents have. */
function formatPrice(x: number, code: string): string {
  const sign = SIGNS[code];
  const isSmall = x !== 0 && Math.abs(x) < 1 && Math.abs(x * 100 - Math.round(x * 100)) > NO_CENT;
  return isSmall && sign ? `${x < 0 ? "−" : ""}${sign}${formatNumber(Math.abs(x), 4)}` : formatMoney(x, code);
}

/** What one more of something is worth: money to the cent, below one of it with the places that it needs. */
export function formatRate(x: number, unit: Unit | null): string {
  const code = currencyOf(unit);
  return code ? formatPrice(x, code) : formatQuantity(x, unit, 6);
}

/** Things that are counted one by one: people, tickets, lanterns; no measure, no money, nothing per something. */
export function isCounted(unit: Unit | null): boolean {
  const [name, ...others] = Object.keys(unit?.powers ?? {});
  if (!unit || !name || others.length > 0 || unit.powers[name] !== 1 || unit.factor !== 1) return false;
  return !/^(?:currency:|second$|metre$|kilogram$|kelvin$)/.test(name);
}

/** A number of counted things for a sentence: never with decimals, "about" where they were left out. */
export function formatCount(x: number, unit: Unit | null, digits = 6): string {
  if (!isCounted(unit) || !Number.isFinite(x) || Math.abs(x - Math.round(x)) < NEARLY_WHOLE)
    return formatQuantity(x, unit, digits);
  return `about ${formatQuantity(Math.round(x), unit, digits)}`;
}

/** `17 lanterns`, `$811.87`, `$8.25/lantern`, `4.2 %`, `3.4 m/s²`: a number in its unit, by the rules of its kind. */
export function formatQuantity(x: number, unit: Unit | null, digits = 6): string {
  const code = currencyOf(unit);
  if (code) return formatMoney(x, code);
  if (!unit || unit.text === "") return formatNumber(x, digits);
  if (isPercent(unit)) return `${formatNumber(x * 100, digits)} ${prettyUnit(unit.text)}`;
  const price = priceOf(unit);
  if (price) return `${formatPrice(x, price.code)}${prettyUnit(price.per)}`;
  return `${formatNumber(x, digits)} ${unitFor(x, unit.text)}`;
}

/** `$/lantern` as its currency and what it is per; null for what is no price. */
function priceOf(unit: Unit | null): { readonly code: string; readonly per: string } | null {
  const [, sign, per] = /^([$€£¥₹₽₩₺₴])\s*(\/.+)$/.exec(unit?.text ?? "") ?? [];
  const code = Object.entries(SIGNS).find(([, s]) => s === sign)?.[0];
  return code && per ? { code, per } : null;
}

/**
 * A value whose unit is said by a heading, or by the last end of a range: money and shares keep their sign, as in
 * `$0.25 … $1.50`; everything else is a bare number.
 */
export function formatUnitElsewhere(x: number, unit: Unit | null, digits = 6): string {
  const price = priceOf(unit);
  if (price) return formatPrice(x, price.code);
  return isMoney(unit) ? formatQuantity(x, unit, digits) : formatInput(x, unit, digits);
}

/** A distance between two inputs: of percentages, so many percentage points. */
export function formatStep(x: number, unit: Unit | null, digits = 6): string {
  if (!isPercent(unit)) return formatQuantity(x, unit, digits);
  const points = formatNumber(x * 100, digits);
  return `${points} percentage point${/^−?1$/.test(points) ? "" : "s"}`;
}

/** An input by itself, where its unit stands elsewhere: a share or a rate is shown in percent, as it is typed. */
export const formatInput = (x: number, unit: Unit | null, digits = 6): string =>
  isPercent(unit) ? `${formatNumber(x * 100, digits)} %` : formatNumber(x, digits);

/** kWh, dB, rpm: letters that stand for words, which have no plural. */
const isSymbol = (word: string): boolean =>
  SYMBOLS.has(word) || /\p{Lu}/u.test(word.slice(1)) || /^[b-df-hj-np-tv-xz]+$/i.test(word);

/** The unit beside a number, in the plural where it is a counted noun. */
export function unitFor(x: number, text: string): string {
  const noun = /^(\p{L}{3,}[\p{L}-]*)((?:\s*[/ ].*)?)$/u.exec(text);
  if (!noun || isSymbol(noun[1]!)) return prettyUnit(text);
  const one = singular(noun[1]!);
  return `${Math.abs(x) === 1 ? one : plural(one)}${prettyUnit(noun[2]!)}`;
}

const SPOKEN = bare<string>({
  s: "second",
  min: "minute",
  h: "hour",
  hr: "hour",
  d: "day",
  a: "year",
  yr: "year",
  m: "metre",
  km: "kilometre",
});
/** One of a unit, after "per": "second", "week", "lantern". */
export function oneOf(name: string, unit: Unit | null): string {
  const text = unit?.text ?? "";
  return SPOKEN[text] ?? (text && !/[/ ^%]/.test(text) ? (isSymbol(text) ? text : unitFor(1, text)) : name);
}

export const prettyUnit = (text: string): string => text.replace(/\^2(?!\d)/g, "²").replace(/\^3(?!\d)/g, "³");

/** A noun for the inputs of a variable: "lanterns", "weeks", or its name. */
export function inputNoun(name: string, unit: Unit | null, count = 2): string {
  return unit?.text && !/[/ ^]/.test(unit.text) && !SYMBOLS.has(unit.text) && unit.text !== "%"
    ? unitFor(count, unit.text)
    : name;
}
