import { anyCase } from "../formula";
import { bare } from "../numeric";
import { namesTaken } from "../data";
import type { CaseFile, FunctionRow } from "../model";
import { parseUnit, singular } from "../units";

/** Words for one thing in the stories of this trade; a function belongs where its label or unit has one of them. */
const KINSHIP: readonly (readonly string[])[] = [
  ["profit", "gain", "surplus", "earnings", "money"],
  ["revenue", "income", "sales", "takings", "turnover"],
  ["cost", "costs", "expense", "expenses", "spending"],
  ["height", "altitude", "elevation", "high"],
  ["speed", "velocity"],
  ["temperature", "temp", "hot", "warm", "cold"],
  ["population", "members", "people", "inhabitants"],
  ["distance", "position", "way"],
  ["price"],
  ["balance", "savings", "amount"],
];

/** Signs that stand for functions in a line whose mentions were taken out; they are in no line that is typed. */
const FIRST_SIGN = 0xe000;
const signOf = (i: number): string => String.fromCharCode(FIRST_SIGN + i);
export const SIGN = "[\ue000-\ue0ff]";
export const numberOfSign = (sign: string): number => sign.charCodeAt(0) - FIRST_SIGN;

const EDGE = String.raw`(?<![\p{L}\p{Nd}_\ue000-\ue0ff])`;

/** A line with a sign in place of each function it mentions; `functions` are the names, by their sign. */
export interface Mentioned {
  readonly text: string;
  readonly functions: readonly string[];
}

/** Puts signs in place of what stands for functions: names first, then labels, then words of their kind. */
export function mentioned(text: string, source: CaseFile): Mentioned {
  const rows = source.functions ?? [];
  const functions = rows.map((f) => f.name);
  let t = text;
  const put = (word: string, i: number, isName: boolean, behind = "") => {
    // Most of the words are in no line, which is seen without a pattern.
    if (!t.toLowerCase().includes(word.toLowerCase())) return;
    const pattern = `${EDGE}${escaped(word)}${behind}(?![\\p{L}\\p{Nd}_'’′])`;
    t = t.replace(isName ? new RegExp(pattern, "gu") : anyCase(pattern, "g"), signOf(i));
  };
  // `P(q)` is P; `P(100)` is read elsewhere, as a value.
  rows.forEach((f, i) => put(f.name, i, true, String.raw`(?:\s*\(\s*${escaped(f.of)}\s*\))?(?!\s*\()`));
  for (const { phrase, i } of labels(rows)) put(phrase, i, false);
  for (const { word, i } of kin(rows)) put(word, i, false);
  const taken = namesTaken(source);
  rows.forEach((f, i) => {
    const other = f.name === f.name.toLowerCase() ? f.name.toUpperCase() : f.name.toLowerCase();
    if (!taken.has(other) && !/^[aiAI]$/.test(other)) put(other, i, true, String.raw`(?!\s*\()`);
  });
  return { text: t, functions };
}

/** Labels and their heads, the longest first: `height of the rocket`, `height`. */
function labels(rows: readonly FunctionRow[]): { phrase: string; i: number }[] {
  const all = rows.flatMap((f, i) => {
    const label = f.label?.trim().toLowerCase();
    if (!label) return [];
    const head = label.replace(/\s+(?:of|in|on|for|after|a|per)\s.*$/, "").replace(/^(?:the|a|an)\s+/, "");
    return [...new Set([label, head])].map((phrase) => ({ phrase, i }));
  });
  const isShared = (phrase: string) => new Set(all.filter((a) => a.phrase === phrase).map((a) => a.i)).size > 1;
  return all
    .filter((a) => a.phrase.length > 2 && !isShared(a.phrase))
    .flatMap((a) => [a, { ...a, phrase: `${a.phrase}s` }])
    .sort((a, b) => b.phrase.length - a.phrase.length);
}

/** Other words for what a function is, where only one function is of that kind. */
function kin(rows: readonly FunctionRow[]): { word: string; i: number }[] {
  return KINSHIP.flatMap((words) => {
    const of = rows.flatMap((f, i) => (isOfKind(f, words) || isNamedSo(f, words, rows) ? [i] : []));
    return of.length === 1 ? words.map((word) => ({ word, i: of[0]! })) : [];
  }).sort((a, b) => b.word.length - a.word.length);
}

/** Names that everybody in this trade gives; they count where a case has two of them and no words for them. */
const TRADE_NAMES = bare<string>({ R: "revenue", C: "cost", P: "profit" });
function isNamedSo(f: FunctionRow, words: readonly string[], rows: readonly FunctionRow[]): boolean {
  const kind = f.label ? undefined : TRADE_NAMES[f.name];
  return kind !== undefined && words.includes(kind) && rows.filter((r) => r.name in TRADE_NAMES).length > 1;
}

/** Whether a function's label or unit has one of these words, in the singular or the plural. */
export function isOfKind(f: FunctionRow, words: readonly string[]): boolean {
  const own = `${f.label ?? ""} ${f.unit ?? ""}`.toLowerCase().match(/\p{L}+/gu) ?? [];
  return own.some((w) => words.includes(w) || words.some((k) => singular(k) === singular(w)));
}

/** The function that is of a kind, where there is one only. */
export function ofKind(source: CaseFile, word: string): string | null {
  const words = KINSHIP.find((k) => k.includes(word)) ?? [word];
  const rows = source.functions ?? [];
  const found = rows.filter((f) => isOfKind(f, words) || isNamedSo(f, words, rows));
  return found.length === 1 ? found[0]!.name : null;
}

/** A function that tells how fast something goes: a length by a time. */
export function speedOf(source: CaseFile): string | null {
  const isSpeed = (text: string | undefined) => {
    const powers = text ? parseUnit(text).unit?.powers : undefined;
    return powers?.metre === 1 && powers.second === -1;
  };
  const found = (source.functions ?? []).filter((f) => isSpeed(f.unit) || isOfKind(f, ["speed", "velocity"]));
  return found.length === 1 ? found[0]!.name : null;
}

/** A text as a pattern of itself. */
export const escaped = (text: string): string => text.replace(/[.*+?^${}()|[\]\\]/g, "\\$&");
