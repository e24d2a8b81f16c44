import { MONTH_NAMES } from "../calendar";
import { toDouble } from "../numeric";
import { readAmountText, parseUnit, singular } from "../units";
import type { CaseFile, Model } from "../model";
import { RESERVED } from "../formula";
import { formatQuantity } from "../explain";
import type { Slip } from "./slip";

/** A number in running text, with its sign and percent; not part of a word, a date or a clock time. */
const WHOLE = String.raw`(\d{1,3}(?:,\d{3})+|\d+)`;
const AFTER = String.raw`(\s?%|\s?(?:st|nd|rd|th)\b|:\d\d)?`;
const BEFORE = String.raw`(?<![\p{L}\d_.,:/-])([$€£¥₹]\s?)?`;
const NUMBER = new RegExp(String.raw`${BEFORE}${WHOLE}(\.\d+)?${AFTER}(?![\p{L}\d_:])`, "gu");
/** Words after a number that are not what is counted. */
const LINKS = new Set(
  (
    "and are each for from that the this was were with per than then plus more less out " +
    "but who which when where can will has have"
  ).split(" "),
);
const MONTHS = new RegExp(String.raw`^\s*(${MONTH_NAMES.join("|")})\b`, "i");

/**
 * Numbers of the story that are in no mark and in no given, reading, range or formula: used nowhere, so perhaps
 * forgotten.
 */
export function unusedNumbers(model: Model): Slip[] {
  const { source } = model;
  const text = source.story?.text ?? "";
  // A story that has only just been put in has no number used yet; nothing is forgotten then.
  if (!text || (source.functions ?? []).length === 0) return [];
  const used = usedNumbers(source, model);
  const marks = source.story?.marks ?? [];
  const out: Slip[] = [];
  for (const match of text.matchAll(NUMBER)) {
    const start = match.index;
    const end = start + match[0].length;
    if (/^(?:st|nd|rd|th)|^:/.test((match[4] ?? "").trim())) continue;
    if (marks.some((m) => m.start < end && m.end > start)) continue;
    const value = Number(match[2]!.replace(/,/g, "") + (match[3] ?? "")) / (match[4]?.includes("%") ? 100 : 1);
    if (isYear(match, value) || MONTHS.test(text.slice(end)) || used.has(rounded(value))) continue;
    const read = readAmountText(text.slice(start, Math.min(text.length, end + 24)));
    const next = /^\s+(\p{L}{3,})/u.exec(text.slice(end))?.[1];
    const word = next && !LINKS.has(next.toLowerCase()) ? next : undefined;
    const unit = read?.unit && known(read.unit) ? read.unit : null;
    const name = freshName(word ?? "n", source);
    out.push({
      key: "story",
      message: `${match[0].trim()}${word && !match[1] && !match[4] ? ` ${word}` : ""} is not used anywhere.`,
      mend: {
        says: `Make it a given: ${name} = ${formatQuantity(value, unit ? parseUnit(unit).unit : null, 12)}`,
        change: { kind: "markGiven", name, value, unit, label: "", start, end },
      },
    });
  }
  return out.slice(0, 5);
}

const rounded = (x: number): string => x.toPrecision(12);
const isYear = (match: RegExpMatchArray, value: number): boolean =>
  !match[1] &&
  !match[3] &&
  !match[4] &&
  Number.isInteger(value) &&
  value >= 1800 &&
  value <= 2200 &&
  !match[2]!.includes(",");
/** Only units that are written as such; any noun after a number could be one. */
const known = (unit: string): boolean =>
  /^[$€£¥₹%]/.test(unit) ||
  Object.keys(parseUnit(unit).unit?.powers ?? {}).every((d) => /^(second|metre|kilogram|kelvin)$/.test(d));

function usedNumbers(source: CaseFile, model: Model): Set<string> {
  const out = new Set<string>();
  const add = (x: number | null | undefined) => {
    if (x !== null && x !== undefined && Number.isFinite(x)) {
      out.add(rounded(x));
      out.add(rounded(Math.abs(x)));
    }
  };
  const inText = (text: string) => {
    for (const n of text.match(/\d[\d,]*(?:\.\d+)?%?/g) ?? [])
      add(Number(n.replace(/[,%]/g, "")) / (n.endsWith("%") ? 100 : 1));
  };
  const any = (value: unknown): void => {
    if (typeof value === "number") add(value);
    else if (typeof value === "string") {
      inText(value);
      const r = model.amount(value);
      if (r.ok) add(toDouble(r.exact));
    } else if (Array.isArray(value)) value.forEach(any);
    else if (value && typeof value === "object")
      for (const [key, inner] of Object.entries(value))
        if (key !== "label" && key !== "id" && key !== "name") any(inner);
  };
  for (const list of [source.givens, source.variables, source.functions, source.questions, source.data, source.plan])
    any(list);
  return out;
}

/** A short name that is still free: the first letter of the noun, or the noun itself. */
function freshName(word: string, source: CaseFile): string {
  const taken = new Set(
    [...(source.givens ?? []), ...(source.variables ?? []), ...(source.functions ?? [])].map((r) =>
      r.name.toLowerCase(),
    ),
  );
  const noun = singular(word.toLowerCase());
  for (const candidate of [noun[0]!, noun]) if (!taken.has(candidate) && !RESERVED.has(candidate)) return candidate;
  for (let i = 2; ; i++) if (!taken.has(`${noun}_${i}`)) return `${noun}_${i}`;
}
