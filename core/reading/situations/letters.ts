import { plural } from "../../units";
import type { Amount } from "../amount";
import { isNounEnd } from "../smallWords";
import { isTimeUnit, unitOfNoun, unitOfWord } from "../spokenUnits";
import type { Span } from "../text";
import type { Told } from "../told";

interface Meaning {
  readonly unit: string;
  readonly label: string;
  readonly whole: boolean;
  readonly from: number;
  readonly to: number;
}
/** "y metres deep": what is measured there. */
const WAYS: Readonly<Record<string, string>> = {
  deep: "depth",
  high: "height",
  tall: "height",
  wide: "width",
  long: "length",
  away: "distance",
  apart: "distance",
  old: "age",
};

/** "where t is the time in seconds", "q lanterns": what a letter stands for. */
export function meaningOf(name: string, { story: told, amounts }: Told, written: readonly Span[]): Partial<Meaning> {
  const v = String.raw`(?<![\p{L}])${name}(?![\p{L}])`;
  // The words behind a formula are its own: "8 q dollars" does not make q dollars.
  const story = written.reduce(
    (text, w) => text.slice(0, w.start) + " ".repeat(w.end - w.start) + text.slice(w.end),
    told,
  );
  const [, measured, way] =
    new RegExp(String.raw`${v}[^.;]{0,40}?\bin (\p{L}+)()`, "u").exec(story) ??
    new RegExp(String.raw`${v} (\p{L}+)(?: (\p{L}+))?`, "u").exec(story) ??
    [];
  const unit = measured ? unitOfWord(measured) : null;
  const counted =
    new RegExp(String.raw`number of (\p{L}+)[^.;]{0,24}?${v}|${v}[^.;]{0,24}?number of (\p{L}+)`, "u").exec(story) ??
    (unit ? null : new RegExp(String.raw`${v} (\p{L}+s)()\b`, "u").exec(story));
  const isDirect = unit !== null && (isTimeUnit(unit) || !counted);
  if (isDirect && isTimeUnit(unit)) return { unit, label: "time" };
  const label = WAYS[way ?? ""];
  if (isDirect) return { unit, label: label ?? measured!, ...(label ? limitOf(unit, way!, amounts, told) : {}) };
  const said = counted?.[1] ?? counted?.[2];
  const noun = said !== undefined && isNounEnd(said.toLowerCase()) ? undefined : said;
  const one = noun ? unitOfNoun(noun) : null;
  return one ? { unit: one, label: plural(one), whole: true } : {};
}
/** "at most 1.5 m deep", of a depth; none is below 0. */
function limitOf(unit: string, way: string, amounts: readonly Amount[], story: string): Partial<Meaning> {
  const isIt = (a: Amount) => a.limit === "<=" && a.unit === unit && story.slice(a.end).trimStart().startsWith(way);
  const most = amounts.find(isIt);
  return { from: 0, ...(most ? { to: most.value } : {}) };
}
/** "for 0 ≤ t ≤ 5", "rates from 1 % to 20 %": where a letter goes; from 0 on where it counts or times. */
export function rangeOf(name: string, { story, amounts }: Told): Partial<Meaning> {
  const number = String.raw`(-?\d+(?:\.\d+)?)`;
  const chain = new RegExp(String.raw`${number}\s*(?:<=|≤|<)\s*${name}\s*(?:<=|≤|<)\s*${number}`, "u").exec(story);
  if (chain) return { from: Number(chain[1]), to: Number(chain[2]) };
  return rangeOfMeaning(name, amounts, story) ?? (/[tqnTN]/.test(name) ? { from: 0 } : {});
}

/** "At a rate r …; for rates from 1 % to 20 %": a range told with the word for a letter. */
function rangeOfMeaning(name: string, amounts: readonly Amount[], story: string): Partial<Meaning> | null {
  const word = new RegExp(String.raw`(\p{L}{3,})\s+(?:of\s+)?${name}(?![\p{L}\p{N}])`, "u").exec(story)?.[1];
  if (!word) return null;
  const before = new RegExp(String.raw`\b${word}s?\s+(?:from|between)\s+$`, "iu");
  const first = amounts.findIndex((a) => before.test(story.slice(0, a.start)));
  const [a, b] = first < 0 ? [] : amounts.slice(first);
  if (!a || !b || !/^\s*(?:to|and|–|-)\s*$/.test(story.slice(a.end, b.start)) || a.value >= b.value) return null;
  const isShare = a.kind === "percent" && b.kind === "percent";
  return { from: a.value, to: b.value, label: word, ...(isShare ? { unit: "%" } : {}) };
}
