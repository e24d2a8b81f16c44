import { anyCase, RESERVED, quoted } from "../formula";
import type { CaseFile, Model, NumberText, Variable } from "../model";
import { NAME } from "../question";
import { parseUnit, readAmountText, singular } from "../units";
import { Misread, type Entry } from "./entry";
import { mentioned } from "./mentions";
import { withSigns } from "../plan";
import { keptEnds, type RangeEnd } from "./rangeText";
import { UNIT_OF_WORD } from "./unitWords";

const [UP, DOWN] = ["(?:<=|≤|<)", "(?:>=|≥|>)"];
/** The ways a range of a variable is told; `name`, `low` and `high` are its parts. */
const FORMS: readonly RegExp[] = [
  new RegExp(
    String.raw`^(?<low>[^<>=≤≥]+?)\s*${UP}\s*(?<name>${NAME})` + String.raw`\s*${UP}\s*(?<high>[^<>=≤≥]+)$`,
    "u",
  ),
  new RegExp(String.raw`^(?<high>[^<>=≤≥]+?)\s*${DOWN}\s*(?<name>${NAME})\s*${DOWN}\s*(?<low>[^<>=≤≥]+)$`, "u"),
  new RegExp(
    String.raw`^(?<name>${NAME})\s*(?:∈|\bin\b)\s*[[(]\s*(?<low>[^\],;]+?)\s*[,;]\s*` +
      String.raw`(?<high>[^\]),;]+?)\s*[\])](?<unit>.*)$`,
    "u",
  ),
  anyCase(
    String.raw`^(?<name>${NAME})\s+(?:(?:is|lies|goes|runs|ranges|varies|can be|should be)\s+)?` +
      String.raw`between\s+(?<low>.+?)\s+and\s+(?<high>.+)$`,
  ),
  anyCase(
    String.raw`^(?<name>${NAME})\s+(?:(?:is|goes|runs|ranges|varies)\s+)?(?:from\s+)` +
      String.raw`(?<low>.+?)\s+(?:up\s+)?to\s+(?<high>.+)$`,
  ),
  new RegExp(
    String.raw`^(?<name>${NAME})\s*(?::|\bin\b(?:\s+the\s+(?:range|interval)\b)?)\s*(?:from\s+)?` +
      String.raw`(?<low>\S+?(?:\s+(?:[%$€£]|\p{L}+)(?:/\p{L}+)?)??)\s*` +
      String.raw`(?:…|\.\.\.?|–|\bto\b|(?<=\d)-(?=\d))\s*(?<high>.+)$`,
    "u",
  ),
];
/** Words of sentences that are no names of variables. */
const NO_NAMES = new Set(
  (
    "it this that there what which when where how max min greatest least profit is are " +
    "for total area integral average mean displacement distance slope rate growth change " +
    "maximum minimum zeros roots"
  ).split(" "),
);
const ONE_END = new RegExp(String.raw`^(?<name>${NAME})\s*(?<sign>>=|≥|>|<=|≤|<)\s*(?<end>.+)$`, "u");
const COUNTS = anyCase(
  String.raw`^(?:let\s+)?(?<name>${NAME})\s*(?:\bbe\b|\bis\b|=|:|\bstands for\b|\bcounts\b)\s*` +
    String.raw`(?:the\s+)?(?<label>(?:number|` +
    String.raw`amount|count)\s+of\s+(?<noun>\p{L}+)(?:\s+.*)?)$`,
);

/** `let t be the time in hours`, `let p be the price`: what is measured, and in what. */
const MEASURED = anyCase(
  String.raw`^let\s+(?<name>${NAME})\s+(?:be|denote|represent|stand\s+for)\s+(?:the\s+)?` +
    String.raw`(?<label>\p{L}+(?:\s+\p{L}+){0,5}?)(?:\s*,?\s*(?:measured\s+)?in\s+(?<unit>\p{L}+|[$€£%]))?$`,
);

/** `hours` as `h`, `tickets` as `ticket`; null where it is no unit. */
export function unitWord(text: string): string | null {
  const t = text.trim().replace(/,?\s*\bwhole\b\s*$/i, "");
  if (t === "" || !parseUnit(t).unit) return null;
  const one = /^\p{L}+$/u.test(t) ? singular(t) : t;
  return UNIT_OF_WORD[one.toLowerCase()] ?? one;
}

type End = RangeEnd & { readonly unit: string | null };
const unitBefore = (name: string, source: CaseFile): string | undefined =>
  source.variables?.find((v) => v.name === name)?.unit;

/**
 * A range of a variable, told in any of the usual ways: `0 <= x <= 250`, `x >= 0`, `x from 0 to 250`, `x ∈ [0; 300]`,
 * `let x be the number of kites`.
 * @returns null where the line is none
 * @throws Misread where an end is nothing
 */
export function rangeEntry(text: string, source: CaseFile, model: Model): Entry | null {
  const open = anyCase(
    String.raw`^(${NAME})\s*(?:∈|\bin\b|\bis\b)\s*(?:ℝ|any (?:real )?number|all real numbers|a real number)$`,
  ).exec(text);
  if (open && mayBeVariable(open[1]!, source))
    return variableEntry(source, { name: open[1]!, from: undefined, to: undefined });
  const inUnit = unitFirst(text, source, model);
  if (inUnit) return inUnit;
  const counts = COUNTS.exec(text)?.groups;
  if (counts && mayBeVariable(counts.name!, source)) {
    const unit = unitWord(counts.noun!);
    return variableEntry(source, { name: counts.name!, label: counts.label!, ...(unit ? { unit } : {}), whole: true });
  }
  const measured = MEASURED.exec(text)?.groups;
  if (measured && mayBeVariable(measured.name!, source)) {
    const unit = measured.unit ? unitWord(measured.unit) : null;
    if (unit !== null || !measured.unit)
      return variableEntry(source, { name: measured.name!, label: measured.label!, ...(unit ? { unit } : {}) });
  }
  for (const form of FORMS) {
    const g = form.exec(text)?.groups;
    if (!g || !mayBeVariable(g.name!, source) || [g.low!, g.high!].some(isSentence)) continue;
    const [low, high] = [endOf(g.low!, text, model), endOf(g.high!, text, model)];
    const unit = (g.unit && unitWord(g.unit)) || high.unit || low.unit;
    const [from, to] = keptEnds([low, high], unit ?? unitBefore(g.name!, source));
    const whole = /\bwhole\b/i.test(g.high! + (g.unit ?? ""));
    return variableEntry(
      source,
      counted({ name: g.name!, from, to, ...(unit ? { unit } : {}), ...(whole ? { whole } : {}) }, source),
    );
  }
  // `q at least 3` tells an end of a variable that is there.
  const isOfVariable = source.variables?.some((v) => text.startsWith(`${v.name} `));
  const one = ONE_END.exec(isOfVariable ? withSigns(text) : text)?.groups;
  if (!one || !mayBeVariable(one.name!, source)) return null;
  const end = endOf(one.end!, text, model);
  const before = source.variables?.find((v) => v.name === one.name);
  const [value] = keptEnds([end], before?.unit);
  const isLow = one.sign!.startsWith(">") || one.sign === "≥";
  const ends = isLow ? { from: value, to: before?.to } : { from: before?.from, to: value };
  return variableEntry(source, { name: one.name!, ...ends, ...(end.unit ? { unit: end.unit } : {}) });
}

/** `q in lanterns, 0 … 300`, `r in %/year from 2 to 5`, `t in h, t >= 0`: the unit by itself, then the range. */
const IN_UNIT = anyCase(
  String.raw`^(?<name>${NAME})\s*,?\s+in\s+(?<unit>\p{L}+(?:/\p{L}+)?|%(?:/\p{L}+)?|[$€£](?:/\p{L}+)?)` +
    String.raw`(?:\s*[,:]\s*|\s+)(?<range>.+)$`,
);
function unitFirst(text: string, source: CaseFile, model: Model): Entry | null {
  const g = IN_UNIT.exec(text)?.groups;
  const unit = g ? unitWord(g.unit!) : null;
  if (!g || unit === null || /(?<![<>])=|\[/.test(text) || !mayBeVariable(g.name!, source)) return null;
  const [name, range] = [g.name!, g.range!];
  const line = /[<>≤≥]/.test(range) ? range : /^\p{L}/u.test(range) ? `${name} ${range}` : `${name}: ${range}`;
  // The range is read as one of a variable that has this unit already.
  const before = source.variables?.find((v) => v.name === name);
  const others = source.variables?.filter((v) => v !== before) ?? [];
  const found = rangeEntry(line, { ...source, variables: [...others, { ...before, name, unit }] }, model);
  if (found?.kind !== "variable") return null;
  return { ...found, replaces: before !== undefined };
}

/** Two words in a row are no end of a range, but for a number with its noun. */
const isSentence = (end: string): boolean => /\p{L}+\s+\p{L}+/u.test(end) && !/^[\d$€£.−-]/u.test(end.trim());

/** A name that is a variable, or nothing yet; a word for a function is none. */
function mayBeVariable(name: string, source: CaseFile): boolean {
  if (RESERVED.has(name) || NO_NAMES.has(name.toLowerCase()) || mentioned(name, source).text !== name) return false;
  return ![...(source.givens ?? []), ...(source.functions ?? []), ...(source.plan?.variables ?? [])].some(
    (r) => r.name === name,
  );
}

function endOf(typed: string, line: string, model: Model): End {
  const t = typed.trim().replace(/,?\s*\bwhole\b\s*$/i, "");
  if (t === "" || /^[+−-]?\s*(?:∞|infinity)$/i.test(t)) return { value: undefined, unit: null };
  const read = readAmountText(t);
  const isPlain = read !== null && /^[\s−\-$€£¥\d.]/u.test(t) && !/[*^+()]|\d\s*\//.test(t);
  if (isPlain && (read.rest.trim() === "" || unitWord(read.rest) !== null) && !namesGiven(t, model))
    return { value: read.value, unit: unitWord(read.unit ?? read.rest) };
  const formula = model.amount(t);
  if (formula.ok) return { value: t, unit: null };
  const at = Math.max(0, line.indexOf(t));
  throw new Misread(`${quoted(t)} is no end of a range: a number or a given should stand there.`, at, at + t.length);
}
const namesGiven = (text: string, model: Model): boolean =>
  (text.match(new RegExp(NAME, "gu")) ?? []).some((w) => model.givens.has(w));

/** Years in place of counts, where the variable counts from one: `t from 2024 to 2060`. */
function counted(row: Variable, source: CaseFile): Variable {
  const since = Number(source.variables?.find((v) => v.name === row.name)?.since);
  const isYear = (v: NumberText | undefined) => typeof v === "number" && Number.isInteger(v) && v >= since && v >= 1000;
  if (!(since >= 1000) || !isYear(row.from) || !isYear(row.to)) return row;
  return { ...row, from: (row.from as number) - since, to: (row.to as number) - since };
}

function variableEntry(source: CaseFile, row: Variable): Entry {
  const before = source.variables?.find((v) => v.name === row.name);
  const { from: _from, to: _to, ...kept } = before ?? { name: row.name };
  const { from, to, ...rest } = row;
  const ends = { ...(from === undefined ? {} : { from }), ...(to === undefined ? {} : { to }) };
  // What is only counted keeps the ends it has.
  const had =
    "from" in row || "to" in row
      ? {}
      : {
          ...(before?.from === undefined ? {} : { from: before.from }),
          ...(before?.to === undefined ? {} : { to: before.to }),
        };
  return { kind: "variable", replaces: before !== undefined, row: { ...kept, ...rest, ...had, ...ends } };
}
