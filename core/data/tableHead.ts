import { RESERVED } from "../formula";
import { parseUnit, plural, singular } from "../units";

export type ColumnKind = "number" | "date" | "year" | "text";

/** What the title of a pasted column says. */
export interface HeadParts {
  readonly words: string;
  readonly unit: string | null;
}

/** `price [$/lantern]`, `t, weeks`, `people (persons)`: words and unit. */
export function headerParts(title: string): HeadParts {
  const m =
    /^(.*?)\s*[([]([^()[\]]+)[)\]]\s*$/.exec(title) ??
    /^([^,]+),\s*(\S+)$/.exec(title) ??
    /^(.+?)\s+in\s+(\S+)$/i.exec(title);
  const unit = m && parseUnit(m[2]!.trim()).unit ? m[2]!.trim() : null;
  return unit ? { words: m![1]!.trim(), unit } : countedIn(title);
}

/** Times that a column can count by itself. */
const TIMES: ReadonlySet<string> = new Set(["second", "minute", "hour", "day", "week", "month", "quarter"]);
/** Plural words that are measured, not counted one by one. */
const MEASURED: ReadonlySet<string> = new Set(
  "sales costs earnings savings wages expenses proceeds takings profits data news goods degrees points values".split(
    " ",
  ),
);

/** `days` is t in days, `people` counts people; any other title gives no unit. */
function countedIn(title: string): HeadParts {
  const word = title.toLowerCase();
  const one = singular(word);
  if (one !== word && TIMES.has(one)) return { words: "t", unit: one };
  const isMany = /^\p{L}{4,}$/u.test(word) && one !== word && plural(one) === word;
  const isCounted = isMany && !MEASURED.has(word) && Object.keys(parseUnit(one).unit?.powers ?? {})[0] === one;
  return { words: title, unit: isCounted ? one : null };
}

/** A name for formulas: the header's letters where they make one, else a letter by place. */
export function columnName(words: string, index: number, kind: ColumnKind, taken: Set<string>): string {
  const letters = words
    .normalize("NFC")
    .replace(/[^\p{L}\p{Nd}]+/gu, "_")
    .replace(/^[_\p{Nd}]+|_+$/gu, "")
    .slice(0, 24);
  const base =
    kind === "date" || kind === "year"
      ? "t"
      : letters && !RESERVED.has(letters)
        ? letters
        : (["x", "y", "z", "u", "v", "w"][index] ?? `c_${index + 1}`);
  let name = base;
  for (let i = 2; taken.has(name); i++) name = `${base}_${i}`;
  taken.add(name);
  return name;
}

export function looksLikeYears(rows: readonly (readonly (number | null)[])[], j: number, title: string): boolean {
  const values = rows.map((r) => r[j]).filter((v): v is number => v !== null);
  const inside = values.every((v) => Number.isInteger(v) && v >= 1500 && v <= 2200);
  return (
    inside &&
    values.length > 0 &&
    (/\b(year|date|season)s?\b/i.test(title) ||
      (j === 0 &&
        values.length > 2 &&
        values.every((v, i) => i === 0 || v > values[i - 1]!) &&
        values[values.length - 1]! - values[0]! < 400))
  );
}
