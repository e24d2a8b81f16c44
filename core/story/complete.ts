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
  const isStatement = /^\s*[\p{L}_][\p{L}\p{Nd}_]*\s*=/u.test(text);
  const unit = isStatement ? AFTER_NUMBER.exec(before) : null;
  const word = WORD.exec(before)?.[0] ?? "";
  if (unit && !hasOperator(text) && (unit[1] !== "" || explicit || /\s$/.test(before))) {
    const typed = unit[1]!.toLowerCase();
    const list = [...new Set([...unitsOf(source), ...UNITS])].filter(
      (u) => u.toLowerCase().startsWith(typed) && u.toLowerCase() !== typed,
    );
    if (list.length > 0 && (typed !== "" || explicit || unitsOf(source).length > 0))
      return {
        from: at - unit[1]!.length,
        list: list.slice(0, 10).map((u) => ({ write: u, label: u, detail: "unit", kind: "unit", form: null })),
      };
  }
  if (word === "" && !explicit) return null;
  // A name that stands complete is not asked about again: Enter after it must take the line.
  if (
    !explicit &&
    [...(source.givens ?? []), ...(source.variables ?? []), ...(source.functions ?? [])].some((r) => r.name === word)
  )
    return null;
  const typed = word.toLowerCase();
  const fits = (name: string) => name.toLowerCase().startsWith(typed) && name !== word;
  const offer = (write: string, detail: string, kind: OfferKind, label = write, form: string | null = null): Offer => ({
    write,
    label,
    detail,
    kind,
    form,
  });
  const out: Offer[] = [];
  // A name or a word of its meaning: "rev" finds R, revenue.
  const byMeaning = (name: string, label: string | undefined) =>
    fits(name) ||
    (typed.length > 1 &&
      (label ?? "")
        .toLowerCase()
        .split(/\s+/)
        .some((w) => w.startsWith(typed)));
  for (const f of source.functions ?? [])
    if (byMeaning(f.name, f.label)) out.push(offer(f.name, f.label ?? `function of ${f.of}`, "function"));
  for (const v of source.variables ?? [])
    if (byMeaning(v.name, v.label)) out.push(offer(v.name, v.label ?? "variable", "variable"));
  for (const g of source.givens ?? [])
    if (byMeaning(g.name, g.label))
      out.push(
        offer(
          g.name,
          `${g.label ? `${g.label}, ` : ""}${formatQuantity(g.value, g.unit ? parseUnit(g.unit).unit : null, 6)}`,
          "given",
        ),
      );
  if (/^\s*(?:[\p{L}_][\p{L}\p{Nd}_]*\s*(?:\([^)]*\))?\s*=\s*)?[\p{L}]*$/u.test(before))
    for (const [write, detail] of STARTS)
      if (fits(write.trim()) && (typed.length > 0 || explicit)) out.push(offer(write, detail, "words", write.trim()));
  for (const b of BUILTIN_FUNCTIONS)
    if (fits(b) && BUILTIN_MEANINGS[b]) out.push(offer(`${b}(`, BUILTIN_MEANINGS[b], "built-in", b));
  if (typed.length > 2 && before.trim() === word) {
    for (const f of FORMS)
      if (
        f.title
          .toLowerCase()
          .split(/\s+/)
          .some((w) => w.startsWith(typed))
      )
        out.push(offer(word, `form: ${f.meaning}`, "form", f.title, f.id));
  }
  const rank = (o: Offer) => (o.label.toLowerCase().startsWith(typed) ? 0 : 1);
  return out.length > 0 ? { from: at - word.length, list: out.sort((a, b) => rank(a) - rank(b)).slice(0, 14) } : null;
}

/** A right-hand side that goes on after a number with an operation is a formula: its words are names. */
const hasOperator = (text: string): boolean => /=.*[\d\p{L})]\s*[*+^−(-]/u.test(text);

function unitsOf(source: CaseFile): string[] {
  const all = [...(source.givens ?? []), ...(source.variables ?? []), ...(source.functions ?? [])].flatMap((r) =>
    r.unit ? [r.unit] : [],
  );
  return [...new Set(all)];
}
