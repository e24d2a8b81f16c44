import { MONTH_NAMES, dayOf } from "../calendar";

/** How a number was written: which sign parts the decimals. */
export type DecimalSign = "." | ",";
export type Cell =
  | { readonly kind: "empty" }
  | { readonly kind: "number"; readonly value: number; readonly sign: string | null; readonly percent: boolean }
  | { readonly kind: "date"; readonly days: number }
  | { readonly kind: "text" };

const SIGNS = "$€£¥₹₽₩₺₴";
const SPACES = /[\s\u00a0\u2009\u202f]/g;
const EMPTY = /^(?:|-|–|—|n\/?a|nan|null|none|missing|\.|\?)$/i;

/** The bare digits of a cell that may be a number: without currency, percent, brackets and spaces. Null for others. */
function bare(text: string): { digits: string; sign: string | null; percent: boolean; negative: boolean } | null {
  let t = text.trim().replace(/[−–]/g, "-");
  const brackets = /^\((.+)\)$/.exec(t);
  if (brackets) t = brackets[1]!;
  let sign: string | null = null;
  const currency = new RegExp(`[${SIGNS}]`, "u").exec(t);
  if (currency) {
    sign = currency[0];
    t = t.replace(sign, "");
  }
  const word = /^(?:([A-Z]{3})\s*(?=[\d-]))|(?:(?<=\d)\s*([A-Z]{3}))$/.exec(t.trim());
  const code = word?.[1] ?? word?.[2];
  if (
    code &&
    ["USD", "EUR", "GBP", "JPY", "CHF", "CAD", "AUD", "INR", "SEK", "NOK", "DKK", "PLN", "CZK"].includes(code)
  ) {
    sign = code;
    t = t.replace(code, "");
  }
  const percent = /%\s*$/.test(t);
  t = t
    .replace(/%\s*$/, "")
    .replace(SPACES, "")
    .replace(/['’](?=\d{3})/g, "");
  const m = /^([+-]?)(\d[\d.,]*(?:e[+-]?\d+)?|[.,]\d+)$/i.exec(t);
  return m ? { digits: m[2]!, sign, percent, negative: m[1] === "-" || brackets !== null } : null;
}

/** Which sign parts decimals in these cells: told by those that can be read in one way only. */
export function decimalSign(texts: readonly string[]): { sign: DecimalSign; sure: boolean } {
  let [points, commas] = [0, 0];
  for (const text of texts) {
    const d = bare(text)?.digits;
    if (!d) continue;
    const [point, comma] = [d.lastIndexOf("."), d.lastIndexOf(",")];
    if (point >= 0 && comma >= 0) {
      if (point > comma) points++;
      else commas++;
      continue;
    }
    const at = Math.max(point, comma);
    if (at < 0) continue;
    const separator = d[at]!;
    const many = d.split(separator).length > 2;
    const grouped =
      /^\d{1,3}$/.test(d.slice(0, d.indexOf(separator))) &&
      d
        .slice(d.indexOf(separator) + 1)
        .split(separator)
        .every((g) => /^\d{3}$/.test(g)) &&
      !d.startsWith("0");
    // 1.234.567 can only be groups; 12,5 can only be a decimal; 1,234 can be either.
    if (many) {
      if (separator === ".") commas++;
      else points++;
    } else if (!grouped) {
      if (separator === ".") points++;
      else commas++;
    }
  }
  return { sign: commas > points ? "," : ".", sure: points + commas > 0 };
}

export function readCell(text: string, decimal: DecimalSign, dayFirst: boolean): Cell {
  if (EMPTY.test(text.trim())) return { kind: "empty" };
  const days = readDate(text, dayFirst);
  if (days !== null) return { kind: "date", days };
  const b = bare(text);
  if (!b) return { kind: "text" };
  const group = decimal === "." ? "," : ".";
  const parts = b.digits.split(decimal);
  if (parts.length > 2) return { kind: "text" };
  const whole = parts[0]!;
  if (whole.includes(group) && !new RegExp(`^\\d{1,3}(?:\\${group}\\d{2,3})+$`).test(whole)) return { kind: "text" };
  if (parts[1]?.includes(group)) return { kind: "text" };
  const value = Number(`${whole.replaceAll(group, "")}${parts[1] === undefined ? "" : `.${parts[1]}`}`);
  if (!Number.isFinite(value)) return { kind: "text" };
  const signed = b.negative && value !== 0 ? -value : value;
  return {
    kind: "number",
    value: b.percent ? Number((signed / 100).toPrecision(15)) : signed,
    sign: b.sign,
    percent: b.percent,
  };
}

/** Years that a number in a table is taken for. */
const YEARS = { from: 1000, to: 3000 };
/** The month a word of three letters or more begins: 0 where it is none. */
const monthOf = (word: string): number =>
  MONTH_NAMES.findIndex((name) => name.toLowerCase().startsWith(word.toLowerCase())) + 1;
const realDay = (y: number, m: number, d: number): number | null =>
  y >= YEARS.from && y <= YEARS.to ? dayOf(y, m, d) : null;

/** Days since 1970-01-01 of a date as people write it: 2031-01-06, 6.1.2031, 1/6/2031, 6 Jan 2031, January 6, 2031. */
export function readDate(text: string, dayFirst: boolean): number | null {
  const t = text.trim().replace(/[T ]\d{1,2}:\d{2}(?::\d{2}(?:\.\d+)?)?Z?$/, "");
  const iso = /^(\d{4})[-/](\d{1,2})[-/](\d{1,2})$/.exec(t);
  if (iso) return realDay(Number(iso[1]), Number(iso[2]), Number(iso[3]));
  const dotted = /^(\d{1,2})\.(\d{1,2})\.(\d{4})$/.exec(t);
  if (dotted) return realDay(Number(dotted[3]), Number(dotted[2]), Number(dotted[1]));
  const slashed = /^(\d{1,2})[/-](\d{1,2})[/-](\d{4})$/.exec(t);
  if (slashed) {
    const [a, b] = [Number(slashed[1]), Number(slashed[2])];
    return dayFirst ? realDay(Number(slashed[3]), b, a) : realDay(Number(slashed[3]), a, b);
  }
  const worded = /^(\d{1,2})\.?\s+([A-Za-z]{3,9})\.?,?\s+(\d{4})$/.exec(t);
  if (worded && monthOf(worded[2]!)) return realDay(Number(worded[3]), monthOf(worded[2]!), Number(worded[1]));
  const american = /^([A-Za-z]{3,9})\.?\s+(\d{1,2}),?\s+(\d{4})$/.exec(t);
  if (american && monthOf(american[1]!))
    return realDay(Number(american[3]), monthOf(american[1]!), Number(american[2]));
  const month = /^([A-Za-z]{3,9})\.?\s+(\d{4})$/.exec(t);
  return month && monthOf(month[1]!) ? realDay(Number(month[2]), monthOf(month[1]!), 1) : null;
}
/** Whether slashed dates have their day first: told by any that has a number over 12. */
export function daysComeFirst(texts: readonly string[]): boolean {
  for (const t of texts) {
    const m = /^(\d{1,2})[/-](\d{1,2})[/-]\d{4}/.exec(t.trim());
    if (m && Number(m[1]) > 12) return true;
    if (m && Number(m[2]) > 12) return false;
  }
  return false;
}
