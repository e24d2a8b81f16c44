import { anyCase } from "../formula";
import type { CaseFile, Variable } from "../model";
import { parseUnit, plural, singular } from "../units";
import { AT_MOST } from "../plan";
import { escaped } from "./mentions";

/** A variable made of a name nobody knew, and the words or rows its range is taken from. */
export interface NewVariable {
  readonly row: Variable;
  /** where the range comes from, as it is told; null when it is open */
  readonly because: string | null;
}

const NUMBER = String.raw`(\d{1,3}(?:,\d{3})+|\d+(?:\.\d+)?)`;
const NOUN = String.raw`(\p{L}[\p{L}’'-]+)`;
const LIMIT = `(?:${AT_MOST}|fewer than|room for)`;
/** "at most 320 lanterns" */
const UP_TO = anyCase(String.raw`\b${LIMIT}\s+${NUMBER}\s+${NOUN}`, "g");
/** "between 50 and 200 kites", "from 0 to 30 nights" */
const BETWEEN = anyCase(String.raw`\b(?:between\s+${NUMBER}\s+and|from\s+${NUMBER}\s+to)\s+${NUMBER}\s+${NOUN}`, "g");
/** "for the next 12 weeks", "over 30 years", "within 8 seconds" */
const DURING = anyCase(
  String.raw`\b(?:for|over|during|within|lasts?|in)\s+(?:the\s+)?(?:first|next|last|coming)?\s*${NUMBER}\s+${NOUN}`,
  "g",
);
/** Letters that stand for a count, or for time, where nobody says otherwise. */
const COUNTS = new Set(["q", "n", "x", "k"]);
const TIMES = new Set(["t", "T"]);
/** Words that join others, and name nothing by themselves. */
export const JOINING = new Set(
  "the of and or in is are be for to a an at on per each every more than was were by with from as off incl".split(" "),
);

/** What a name that becomes a variable is, as far as the tables or the story of its case tell; else an open range. */
export function newVariable(name: string, source: CaseFile): NewVariable {
  return fromTable(name, source) ?? fromStory(name, source.story?.text ?? "") ?? { row: { name }, because: null };
}

function fromTable(name: string, source: CaseFile): NewVariable | null {
  for (const table of source.data ?? []) {
    const at = table.columns.findIndex((c) => c.name === name);
    const values = table.rows.map((row) => row[at] ?? null).filter((v) => v !== null);
    if (at < 0 || values.length === 0) continue;
    const { unit, label } = table.columns[at]!;
    const ends = values.reduce((r, v) => ({ from: Math.min(r.from, v), to: Math.max(r.to, v) }), {
      from: Infinity,
      to: -Infinity,
    });
    if (ends.from === ends.to) continue;
    const row = { name, ...(unit ? { unit } : {}), ...(label ? { label } : {}), ...ends };
    return { row, because: `as the column ${name} of ${table.label ?? table.name}` };
  }
  return null;
}

interface Stretch {
  readonly from: number;
  readonly to: number;
  readonly noun: string;
  readonly phrase: string;
}
const numberOf = (text: string): number => Number(text.replaceAll(",", ""));

function fromStory(name: string, text: string): NewVariable | null {
  const noun = nounOf(name, text);
  const isTime = noun === null ? TIMES.has(name) : isTimeUnit(noun);
  const fits = (s: Stretch): boolean =>
    noun !== null
      ? singular(s.noun.toLowerCase()) === noun
      : isTime
        ? isTimeUnit(s.noun)
        : COUNTS.has(name) && !isMeasure(s.noun);
  const told = [...limited(text), ...(isTime ? during(text) : [])].filter((s) => s.from < s.to && fits(s));
  const first = told[0];
  // Two limits that differ leave the choice to the person.
  const isOne = first !== undefined && told.every((s) => s.from === first.from && s.to === first.to);
  if (!isOne) return noun === null ? null : { row: { name, ...kindOf(noun) }, because: null };
  const row = { name, ...kindOf(singular(first.noun.toLowerCase())), from: first.from, to: first.to };
  return { row, because: `from “${first.phrase}”` };
}

/** What a name counts or is measured in: "let x be the number of kites", "q lanterns", "t in minutes". */
function nounOf(name: string, text: string): string | null {
  const before = String.raw`(?<![\p{L}\p{N}_])${escaped(name)}(?![\p{L}\p{N}_])`;
  const ways = [
    String.raw`${before}\s+(?:be|is|stands\s+for|means|=)\s+(?:the\s+)?number\s+of\s+${NOUN}`,
    String.raw`number\s+of\s+${NOUN}(?:\s*,)?\s*\(?${before}`,
    String.raw`${before}\s*,?\s*(?:is|be)?\s*(?:the\s+)?(?:time|\p{L}+)?\s*,?\s*\(?(?:measured\s+)?in\s+${NOUN}`,
    String.raw`${before}\s+${NOUN}`,
  ];
  for (const way of ways) {
    const found = anyCase(way).exec(text)?.[1]?.toLowerCase();
    // A letter before a word is a count of it only where the word is a plural ("q lanterns"), or a unit ("t min").
    const isCounted =
      found !== undefined && !JOINING.has(found) && (plural(singular(found)) === found || isMeasure(found));
    if (isCounted) return singular(found);
  }
  return null;
}

function limited(text: string): Stretch[] {
  const up = [...text.matchAll(UP_TO)].map((m) => stretch("0", m[1]!, m[2]!, m[0]));
  return [...up, ...[...text.matchAll(BETWEEN)].map((m) => stretch(m[1] ?? m[2]!, m[3]!, m[4]!, m[0]))];
}
const during = (text: string): Stretch[] =>
  [...text.matchAll(DURING)].map((m) => stretch("0", m[1]!, m[2]!, m[0])).filter((s) => isTimeUnit(s.noun));
const stretch = (from: string, to: string, noun: string, phrase: string): Stretch => ({
  from: numberOf(from),
  to: numberOf(to),
  noun,
  phrase,
});

const dimensionsOf = (noun: string): readonly string[] => Object.keys(parseUnit(noun).unit?.powers ?? {});
const isTimeUnit = (noun: string): boolean => dimensionsOf(noun).join() === "second";
const isMeasure = (noun: string): boolean => dimensionsOf(noun).join() !== singular(noun.toLowerCase());
/** What is counted comes in whole ones; what is measured does not. */
const kindOf = (noun: string): Pick<Variable, "unit" | "whole"> => ({
  unit: noun,
  ...(isMeasure(noun) ? {} : { whole: true }),
});
