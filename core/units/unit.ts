import pluralize from "pluralize";
import { remembered, bare } from "../numeric";

/** Powers and factors of units are few and simple; rounding is off by far less than this. */
const SAME = 1e-9;

/**
 * A unit: powers of base dimensions, and how many base units one of it is. Counted things ("lantern") are dimensions of
 * their own.
 * Dimensions: `currency:USD`, `second`, `metre`, `kilogram`, `kelvin`, or a counted noun in the singular.
 */
export interface Unit {
  readonly powers: Readonly<Record<string, number>>;
  readonly factor: number;
  /** as a person writes it */
  readonly text: string;
}

export const PLAIN: Unit = { powers: bare<number>(), factor: 1, text: "" };

type Known = readonly [dimension: string, power: number, factor: number];
const YEAR = 365.25 * 86400;
const KNOWN = bare<Known>({
  s: ["second", 1, 1],
  sec: ["second", 1, 1],
  second: ["second", 1, 1],
  ms: ["second", 1, 0.001],
  min: ["second", 1, 60],
  minute: ["second", 1, 60],
  h: ["second", 1, 3600],
  hr: ["second", 1, 3600],
  hour: ["second", 1, 3600],
  d: ["second", 1, 86400],
  day: ["second", 1, 86400],
  week: ["second", 1, 604800],
  month: ["second", 1, YEAR / 12],
  quarter: ["second", 1, YEAR / 4],
  year: ["second", 1, YEAR],
  yr: ["second", 1, YEAR],
  a: ["second", 1, YEAR],
  decade: ["second", 1, 10 * YEAR],
  m: ["metre", 1, 1],
  metre: ["metre", 1, 1],
  meter: ["metre", 1, 1],
  km: ["metre", 1, 1000],
  cm: ["metre", 1, 0.01],
  mm: ["metre", 1, 0.001],
  kilometre: ["metre", 1, 1000],
  kilometer: ["metre", 1, 1000],
  centimetre: ["metre", 1, 0.01],
  centimeter: ["metre", 1, 0.01],
  inch: ["metre", 1, 0.0254],
  ft: ["metre", 1, 0.3048],
  foot: ["metre", 1, 0.3048],
  yd: ["metre", 1, 0.9144],
  yard: ["metre", 1, 0.9144],
  mile: ["metre", 1, 1609.344],
  mi: ["metre", 1, 1609.344],
  ha: ["metre", 2, 1e4],
  hectare: ["metre", 2, 1e4],
  acre: ["metre", 2, 4046.8564224],
  L: ["metre", 3, 0.001],
  l: ["metre", 3, 0.001],
  litre: ["metre", 3, 0.001],
  liter: ["metre", 3, 0.001],
  mL: ["metre", 3, 1e-6],
  ml: ["metre", 3, 1e-6],
  gallon: ["metre", 3, 0.003785411784],
  kg: ["kilogram", 1, 1],
  g: ["kilogram", 1, 0.001],
  mg: ["kilogram", 1, 1e-6],
  t: ["kilogram", 1, 1000],
  tonne: ["kilogram", 1, 1000],
  kilogram: ["kilogram", 1, 1],
  gram: ["kilogram", 1, 0.001],
  lb: ["kilogram", 1, 0.45359237],
  pound: ["kilogram", 1, 0.45359237],
  oz: ["kilogram", 1, 0.028349523125],
  ounce: ["kilogram", 1, 0.028349523125],
  K: ["kelvin", 1, 1],
  kelvin: ["kelvin", 1, 1],
  "°C": ["kelvin", 1, 1],
  "°F": ["kelvin", 1, 5 / 9],
  degC: ["kelvin", 1, 1],
  degF: ["kelvin", 1, 5 / 9],
});
const SIGNS = bare<string>({
  $: "USD",
  "€": "EUR",
  "£": "GBP",
  "¥": "JPY",
  "₹": "INR",
  "₽": "RUB",
  "₩": "KRW",
  "₺": "TRY",
  "₴": "UAH",
});
const CODES = new Set(
  (
    "USD EUR GBP JPY CHF CAD AUD NZD CNY INR RUB KRW SEK NOK DKK PLN CZK HUF TRY UAH BRL " +
    "MXN ARS CLP COP PEN ZAR ILS SGD HKD THB AED SAR EGP NGN KES"
  ).split(" "),
);
const CENTS = new Set(["cent", "ct", "¢"]);
/** The names of units by what they measure, in groups; money by its signs and codes. */
export function unitGroups(): { readonly of: string; readonly names: readonly string[] }[] {
  const group = (of: string, dimension: string, power: number) => ({
    of,
    names: Object.keys(KNOWN).filter((name) => KNOWN[name]![0] === dimension && KNOWN[name]![1] === power),
  });
  return [
    { of: "money", names: [...Object.keys(SIGNS), ...CODES, ...CENTS] },
    group("time", "second", 1),
    group("length", "metre", 1),
    group("area", "metre", 2),
    group("volume", "metre", 3),
    group("mass", "kilogram", 1),
    group("temperature", "kelvin", 1),
  ];
}

// Words the package takes for others: cooky, len, bia.
const PLURALS: readonly (readonly [string, string])[] = [
  ...["cookie", "brownie", "calorie", "smoothie", "selfie", "birdie", "hoodie", "pixie", "rookie", "prairie"].map(
    (word) => [word, `${word}s`] as const,
  ),
  ["lens", "lenses"],
  ["bias", "biases"],
  ["axis", "axes"],
  ["basis", "bases"],
];
for (const [one, many] of PLURALS) pluralize.addIrregularRule(one, many);

/** Words that count twelve, or are themselves both one and many. */
const KEPT: ReadonlySet<string> = new Set(["dozen", "series", "species", "gas", "lens", "bus", "plus"]);

/** One thing of a counted noun: lanterns → lantern, batches → batch, movies → movie, people → person. */
export const singular: (noun: string) => string = remembered(1000, (noun) =>
  KEPT.has(noun) || noun.length < 3 ? noun : pluralize.singular(noun),
);

/** Many things of a counted noun, for sentences. */
export const plural: (noun: string) => string = remembered(1000, (noun) =>
  noun === "dozen" ? "dozens" : noun === "series" || noun === "species" ? noun : pluralize.plural(noun),
);

const ATOM = /^(?:[$€£¥₹₽₩₺₴¢%‰]|°[CF]|\p{L}[\p{L}\p{Nd}_-]*)/u;
const POWER = /^(?:\^\s*(-?\d+(?:\.\d+)?|\(-?\d+\))|([²³]))/;

type ReadUnit = { readonly unit: Unit } | { readonly unit: null; readonly reason: string };

const unitOf = remembered(500, readUnit);

/** Reads `$/lantern`, `m/s^2`, `kg m/s^2`, `%/year`, `people`. @returns null with a reason when the text is no unit */
export const parseUnit = (text: string): ReadUnit => unitOf(text);

/** What is wrong with a typed unit, in words; null when it can be kept, as nothing can. */
export function unitTrouble(text: string): string | null {
  const read = parseUnit(text);
  return read.unit ? null : `${read.reason}. Examples: $, $/lantern, m/s^2.`;
}

function readUnit(text: string): ReadUnit {
  const powers = bare<number>();
  let factor = 1;
  let rest = text.trim();
  if (rest === "" || rest === "1") return { unit: { ...PLAIN, text: "" } };
  let below = false;
  let first = true;
  while (rest) {
    const separator = /^\s*([/*·⋅×]|per\s)?\s*/.exec(rest)!;
    below = separator[1] === "/" || separator[1]?.startsWith("per") === true;
    rest = rest.slice(separator[0].length);
    if (first && below) {
      /* "/week" is one per week */
    }
    if (first && /^1(?=\s*\/)/.test(rest)) {
      rest = rest.slice(1);
      first = false;
      continue;
    }
    first = false;
    const atom = ATOM.exec(rest)?.[0];
    if (!atom)
      return {
        unit: null,
        reason: rest ? `\`${rest}\` is not part of a unit` : "the unit stops after its sign; a name should follow",
      };
    rest = rest.slice(atom.length);
    const raised = POWER.exec(rest);
    if (raised) rest = rest.slice(raised[0].length);
    const exponent =
      (raised ? (raised[2] ? (raised[2] === "²" ? 2 : 3) : Number(raised[1]!.replace(/[()]/g, ""))) : 1) *
      (below ? -1 : 1);
    if (atom === "%" || atom === "‰") continue;
    const [dimension, power, scale] = readAtom(atom);
    powers[dimension] = (powers[dimension] ?? 0) + power * exponent;
    if (powers[dimension] === 0) Reflect.deleteProperty(powers, dimension);
    factor *= scale ** exponent;
  }
  return { unit: { powers, factor, text: text.trim() } };
}

function readAtom(atom: string): Known {
  const sign = SIGNS[atom];
  if (sign) return [`currency:${sign}`, 1, 1];
  if (CODES.has(atom)) return [`currency:${atom}`, 1, 1];
  const known = KNOWN[atom] ?? KNOWN[singular(atom)] ?? KNOWN[singular(atom.toLowerCase())];
  if (known) return known;
  if (CENTS.has(singular(atom.toLowerCase()))) return ["currency:USD", 1, 0.01];
  return [singular(atom.toLowerCase()), 1, 1];
}

const samePowers = (a: Unit, b: Unit): boolean => {
  const names = new Set([...Object.keys(a.powers), ...Object.keys(b.powers)]);
  return [...names].every((n) => Math.abs((a.powers[n] ?? 0) - (b.powers[n] ?? 0)) < SAME);
};
export const sameDimension = samePowers;
export const sameUnit = (a: Unit, b: Unit): boolean => samePowers(a, b) && Math.abs(a.factor / b.factor - 1) < SAME;
export const isPlain = (u: Unit): boolean => Object.keys(u.powers).length === 0;

export function times(a: Unit, b: Unit, power = 1): Unit {
  const powers = bare(a.powers);
  for (const [name, p] of Object.entries(b.powers)) {
    powers[name] = (powers[name] ?? 0) + p * power;
    if (Math.abs(powers[name]!) < SAME) Reflect.deleteProperty(powers, name);
  }
  return { powers, factor: a.factor * b.factor ** power, text: productText(a, b, power) };
}

export function raised(a: Unit, power: number): Unit {
  const powers = bare(Object.fromEntries(Object.entries(a.powers).map(([name, p]) => [name, p * power])));
  return { powers, factor: a.factor ** power, text: power === 1 ? a.text : written(collect(a.text, power)) };
}

/** Atoms of a unit text with their powers, so that products can be written without repeating any. */
function collect(text: string, power: number, into = new Map<string, number>()): Map<string, number> {
  let rest = text.trim();
  while (rest) {
    const separator = /^\s*([/*·⋅×])?\s*/.exec(rest)!;
    rest = rest.slice(separator[0].length);
    if (rest.startsWith("1")) {
      rest = rest.slice(1);
      continue;
    }
    const atom = ATOM.exec(rest)?.[0];
    if (!atom) break;
    rest = rest.slice(atom.length);
    const up = POWER.exec(rest);
    if (up) rest = rest.slice(up[0].length);
    const exponent =
      (up ? (up[2] ? (up[2] === "²" ? 2 : 3) : Number(up[1]!.replace(/[()]/g, ""))) : 1) *
      (separator[1] === "/" ? -1 : 1) *
      power;
    const key = [...into.keys()].find((k) => k === atom || singular(k) === singular(atom)) ?? atom;
    into.set(key, (into.get(key) ?? 0) + exponent);
  }
  return into;
}

function written(atoms: Map<string, number>): string {
  const part = ([name, p]: [string, number]) => (Math.abs(p) === 1 ? name : `${name}^${Math.abs(p)}`);
  const entries = [...atoms].filter(([name, p]) => p !== 0 && name !== "%");
  const above = entries
    .filter(([, p]) => p > 0)
    .map(part)
    .join(" ");
  const below = entries
    .filter(([, p]) => p < 0)
    .map(part)
    .map((t) => `/${t}`)
    .join("");
  return above || below ? `${above || "1"}${below}` : "";
}
const productText = (a: Unit, b: Unit, power: number): string => written(collect(b.text, power, collect(a.text, 1)));
