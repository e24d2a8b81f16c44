import { bare } from "../numeric";
import { UNIT_OF_WORD } from "../entry";
import { parseUnit, singular } from "../units";
import { list } from "./smallWords";

/** How units are said, and how they are written; a newcomer adds a word here and a row to the test beside it. */
const WRITTEN = bare<string>({
  ...UNIT_OF_WORD,
  sec: "s",
  centimetre: "cm",
  centimeter: "cm",
  millimetre: "mm",
  millimeter: "mm",
  foot: "ft",
  feet: "ft",
  kilo: "kg",
  gram: "g",
  litre: "L",
  liter: "L",
  l: "L",
  buck: "$",
  "¢": "cent",
  kwh: "kWh",
  // Money in pounds is told before a unit is looked for; what is left is a weight.
  pound: "lb",
});
/** Units that are one word as they are written. */
const SHORT = new Set("s h m km cm mm g kg mg L ml mL min ft mi yd lb oz ha".split(" "));
const LONG = list(
  `second minute hour day week month quarter year decade
  mile yard inch gallon acre hectare tonne ounce gram litre`,
);
/** Units that are said in several words, or written in one that does not come apart. */
const WHOLE: readonly (readonly [RegExp, string])[] = [
  [/^(?:metres|meters|m) per second (?:squared|per second|every second)\b/i, "m/s^2"],
  [/^(?:feet|foot|ft) per second (?:squared|per second|every second)\b/i, "ft/s^2"],
  [/^(?:m\/s(?:\^2|²|2)|m\/s\/s)(?![\p{L}\d])/iu, "m/s^2"],
  [/^(?:ft\/s(?:\^2|²|2)|ft\/s\/s)(?![\p{L}\d])/iu, "ft/s^2"],
  [/^(?:metres|meters|metre|meter|m)\s?(?:per|a|each|every|\/)\s?(?:second|sec|s)\b/i, "m/s"],
  [/^(?:feet|foot|ft)\s?(?:per|a|each|every|\/)\s?(?:second|sec|s)\b/i, "ft/s"],
  [/^(?:kilomet(?:re|er)s?|km)\s?(?:per|an?|each|every|\/)\s?(?:hour|hr|h)\b/i, "km/h"],
  [/^(?:km|k)ph\b/i, "km/h"],
  [/^(?:miles?\s?(?:per|an|\/)\s?hour|mph|mi\/h)\b/i, "mi/h"],
  [/^(?:cubic met(?:re|er)s?|m(?:\^3|³))(?![\p{L}\d])/iu, "m^3"],
  [/^(?:square met(?:re|er)s?|m(?:\^2|²))(?![\p{L}\d])/iu, "m^2"],
  [/^(?:square (?:feet|foot)|sq\.? ?ft)\b/i, "ft^2"],
  [/^(?:degrees? (?:celsius|centigrade)|°\s?C)(?![\p{L}])/iu, "°C"],
];

export const TIME_UNITS = new Set("s min h day week month quarter year decade".split(" "));
export const isTimeUnit = (unit: string | null): boolean => unit !== null && TIME_UNITS.has(unit);

/** "yearly", "p.a.", "monthly": the time that a rate is told for. */
export const EVERY = bare<string>({
  yearly: "year",
  annually: "year",
  annual: "year",
  annum: "year",
  monthly: "month",
  weekly: "week",
  daily: "day",
  hourly: "h",
  nightly: "night",
  quarterly: "quarter",
});

/** A unit at the beginning of a text: how it is written, and how many letters it takes. */
export interface SaidUnit {
  readonly unit: string;
  readonly length: number;
}

/** The unit of measure said at the beginning of a text; null where none is. */
export function saidUnit(text: string): SaidUnit | null {
  const lead = /^[\s-]*/.exec(text)![0].length;
  const rest = text.slice(lead);
  for (const [pattern, unit] of WHOLE) {
    const m = pattern.exec(rest);
    if (m) return { unit, length: lead + m[0].length };
  }
  const word = /^(?:\p{L}+|¢)/u.exec(rest)?.[0];
  const unit = word === undefined ? null : unitOfWord(word);
  return unit === null ? null : { unit, length: lead + word!.length };
}

/** How a word for a measure is written as a unit: metres → m; null where it is none. */
export function unitOfWord(word: string): string | null {
  const low = word.toLowerCase();
  const one = SHORT.has(word) ? word : singular(low);
  const written = WRITTEN[word] ?? WRITTEN[low] ?? WRITTEN[one];
  if (written) return written;
  if (SHORT.has(word) || LONG.has(one)) return SHORT.has(word) ? word : one;
  return EVERY[low] && low === "annum" ? "year" : null;
}

/** What a noun is as a unit: a measure as it is written, else the thing counted, in the singular. */
export function unitOfNoun(noun: string): string | null {
  const measure = unitOfWord(noun);
  if (measure) return measure;
  const one = singular(noun.toLowerCase());
  const clean = one.replaceAll(/[^\p{L}\p{Nd}_-]/gu, "");
  return clean !== "" && parseUnit(clean).unit ? clean : null;
}
