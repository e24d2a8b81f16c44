import { NAME } from "../question";
import { namesTaken } from "../data";
import { quoted } from "../formula";
import type { CaseFile } from "../model";
import { checkedEntry } from "./checked";
import { interpret } from "./statement";
import { asUnderstood, refusal, type Understanding } from "./understanding";

/** An amount with a remark in brackets behind it: words of three letters and more, which name nothing in the case. */
const REMARKED = new RegExp(
  String.raw`^(${NAME}\s*=[^()]*\d[^()]*?)\s*\(\s*(\p{L}{3,}(?:[\s,’'-]+\p{L}+)*)\s*\)$`,
  "u",
);

/**
 * `F = 180 $ (permit and workbench)`: what stands in brackets says what the given is, and is kept as its label. Read as
 * a formula, `F = 180 (permit)` would be a function of a variable `permit`. Null for any other line.
 */
export function remarked(text: string, source: CaseFile): Understanding | null {
  const [, amount, words] = REMARKED.exec(text) ?? [];
  if (!amount || !words || namesTaken(source).has(words)) return null;
  const read = interpret(amount, source);
  if (!read.ok || read.entry.kind !== "given") return null;
  const entry = { ...read.entry, row: { ...read.entry.row, label: words } };
  const kept = asUnderstood(checkedEntry(text, entry, source));
  return kept.kind === "entries" ? { ...kept, says: `${kept.says}, ${words}` } : kept;
}

/** `T = 1h30`, hours and minutes run together, which would be read as one of a unit `h30`. Null for any other line. */
export function clockTime(text: string): Understanding | null {
  const [, name, hours, minutes] =
    new RegExp(String.raw`^(${NAME})\s*=\s*(\d+)\s*h\s*(\d{1,2})\s*(?:min)?$`, "u").exec(text) ?? [];
  if (!name) return null;
  const line = `${name} = ${60 * Number(hours) + Number(minutes)} min`;
  return refusal(`Hours and minutes are one number here: write ${quoted(line)}.`, [line]);
}
