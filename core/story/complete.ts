import { MAX_LINE } from "../entry";
import { BUILTIN_FUNCTIONS, BUILTIN_MEANINGS } from "../formula";
import { FORMS } from "../forms";
import { formatQuantity } from "../explain";
import { KINDS } from "../question";
import { parseUnit } from "../units";
import type { CaseFile } from "../model";

export type OfferKind = "given" | "variable" | "function" | "built-in" | "unit" | "words" | "form";
/** A completion: what is written, what it is, and for forms which one is put on the desk instead. */
export interface Offer {
  readonly write: string;
  readonly label: string;
  readonly detail: string;
  readonly kind: OfferKind;
  readonly form: string | null;
}
export interface Offers {
  readonly from: number;
  readonly list: readonly Offer[];
}

const UNITS = [
  "$",
  "€",
  "£",
  "%",
  "%/year",
  "year",
  "month",
  "week",
  "day",
  "h",
  "min",
  "s",
  "km",
  "m",
  "cm",
  "m^2",
  "m^3",
  "L",
  "kg",
  "g",
  "t",
  "m/s",
  "km/h",
  "°C",
  "people",
];
/** Beginnings of lines, each with an example: what can be asked, and ways to make a function. */
const STARTS: readonly (readonly [string, string])[] = [
  ...KINDS.flatMap((kind) => kind.starts),
  ["line ", "p(q) = line (240, 6), (150, 9)"],
  ["slope of ", "v(t) = slope of s"],
];
const WORD = /[\p{L}_][\p{L}\p{Nd}_]*$/u;
/** A unit begins right after a number, or after a sign of division beside one. */
const AFTER_NUMBER = /(?:^|[\s=…(])[$€£]?\d[\d,.]*\s*([$€£%°\p{L}][\p{L}/^²³]*|)$/u;

/**
 * What could stand at a place of a line: names of the case first, then built-in functions, units after a number, and
 * forms by their title.
 * @param at        offset of the cursor
 * @param explicit  the person asked for completions: an empty word is completed too
 */
export function offersAt(text: string, at: number, source: CaseFile, explicit = false): Offers | null {
  if (text.length > MAX_LINE) return null;
  const before = text.slice(0, at);
  const units = unitsAt(text, before, source, explicit);
  if (units) return units;
  const word = WORD.exec(before)?.[0] ?? "";
  // A name that stands complete is not asked about again: Enter after it must take the line.
  if (!explicit && (word === "" || namedIn(source).some((r) => r.name === word))) return null;
  const typed = word.toLowerCase();
  const list = [
    ...namesOf(source, word),
    ...(BEGINS.test(before) && (typed.length > 0 || explicit) ? startsOf(word) : []),
    ...builtInsOf(word),
    ...(typed.length > 2 && before.trim() === word ? formsOf(word) : []),
  ];
  const rank = (o: Offer) => (o.label.toLowerCase().startsWith(typed) ? 0 : 1);
  if (list.length === 0) return null;
  return { from: at - word.length, list: list.sort((a, b) => rank(a) - rank(b)).slice(0, MOST.words) };
}

/** Offers at the most. */
const MOST = { units: 10, words: 14 } as const;
/** A line until its first word, or the first word after `=`, is written. */
const BEGINS = /^\s*(?:[\p{L}_][\p{L}\p{Nd}_]*\s*(?:\([^)]*\))?\s*=\s*)?[\p{L}]*$/u;
const offer = (write: string, detail: string, kind: OfferKind, label = write, form: string | null = null): Offer => ({
  write,
  label,
  detail,
  kind,
  form,
});
const fits = (name: string, word: string): boolean =>
  name.toLowerCase().startsWith(word.toLowerCase()) && name !== word;
const hasWord = (text: string, word: string): boolean =>
  text
    .toLowerCase()
    .split(/\s+/)
    .some((w) => w.startsWith(word.toLowerCase()));
const namedIn = (source: CaseFile) => [
  ...(source.givens ?? []),
  ...(source.variables ?? []),
  ...(source.functions ?? []),
];

/** Units after a number that is not part of a formula. */
function unitsAt(text: string, before: string, source: CaseFile, explicit: boolean): Offers | null {
  const isStatement = /^\s*[\p{L}_][\p{L}\p{Nd}_]*\s*=/u.test(text);
  const unit = isStatement && !hasOperator(text) ? AFTER_NUMBER.exec(before)?.[1] : undefined;
  if (unit === undefined || (unit === "" && !explicit && !/\s$/.test(before))) return null;
  const own = unitsOf(source);
  if (unit === "" && !explicit && own.length === 0) return null;
  const list = [...new Set([...own, ...UNITS])].filter((u) => fits(u, unit) && u.toLowerCase() !== unit.toLowerCase());
  if (list.length === 0) return null;
  return { from: before.length - unit.length, list: list.slice(0, MOST.units).map((u) => offer(u, "unit", "unit")) };
}
/** Names of the case, by name or by a word of their meaning: "rev" finds R, revenue. */
function namesOf(source: CaseFile, word: string): Offer[] {
  const found = ({ name, label }: { readonly name: string; readonly label?: string }) =>
    fits(name, word) || (word.length > 1 && hasWord(label ?? "", word));
  const { functions = [], variables = [], givens = [] } = source;
  return [
    ...functions.filter(found).map((f) => offer(f.name, f.label ?? `function of ${f.of}`, "function")),
    ...variables.filter(found).map((v) => offer(v.name, v.label ?? "variable", "variable")),
    ...givens.filter(found).map((g) => {
      const value = formatQuantity(g.value, g.unit ? parseUnit(g.unit).unit : null, 6);
      return offer(g.name, g.label ? `${g.label}, ${value}` : value, "given");
    }),
  ];
}
const startsOf = (word: string): Offer[] =>
  STARTS.filter(([write]) => fits(write.trim(), word)).map(([write, detail]) =>
    offer(write, detail, "words", write.trim()),
  );
const builtInsOf = (word: string): Offer[] =>
  BUILTIN_FUNCTIONS.filter((b) => fits(b, word) && BUILTIN_MEANINGS[b]).map((b) =>
    offer(`${b}(`, BUILTIN_MEANINGS[b]!, "built-in", b),
  );
const formsOf = (word: string): Offer[] =>
  FORMS.filter((f) => hasWord(f.title, word)).map((f) => offer(word, `form: ${f.meaning}`, "form", f.title, f.id));

/** A right-hand side that goes on after a number with an operation is a formula: its words are names. */
const hasOperator = (text: string): boolean => /=.*[\d\p{L})]\s*[*+^−(-]/u.test(text);

function unitsOf(source: CaseFile): string[] {
  const all = [...(source.givens ?? []), ...(source.variables ?? []), ...(source.functions ?? [])].flatMap((r) =>
    r.unit ? [r.unit] : [],
  );
  return [...new Set(all)];
}
