import { bare } from "../numeric";
/** Words for what is measured, and how their units are written. */
export const UNIT_OF_WORD = bare<string>({
  second: "s",
  minute: "min",
  hour: "h",
  hr: "h",
  metre: "m",
  meter: "m",
  kilometre: "km",
  kilometer: "km",
  kilogram: "kg",
  dollar: "$",
  euro: "€",
  pound: "£",
  percent: "%",
});

/** The words that a unit is called by. */
export const wordsOfUnit = (unit: string): string[] =>
  Object.entries(UNIT_OF_WORD).flatMap(([word, written]) => (written === unit ? [word] : []));
