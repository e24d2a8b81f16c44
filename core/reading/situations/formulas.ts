import { re } from "../pattern";
import { parse, RESERVED } from "../../formula";
import { Draft } from "../draft";
import { isNounEnd } from "../smallWords";
import { isTimeUnit, unitOfNoun, unitOfWord } from "../spokenUnits";
import { plural } from "../../units";
import type { Span } from "../text";
import type { Told } from "../told";
import { askFormula } from "./formulaAsks";

/** A formula that the story writes out: "C(q) = 180 + 2.5 q". */
interface Written extends Span {
  readonly name: string;
  readonly of: string;
  readonly text: string;
  readonly label: string | null;
  readonly unit: string | null;
}

const FORMULA = re("gu")`
    (?<![\p{L}\p{N}_])(\p{L}\d?)\s?\(\s?(\p{L})\s?\)\s*=\s*([^,;?!]*?)(?=(?:,\s|;|\?|!|\.\s|\.$|
    \s+(?:and|where|for|with|dollars|metres|euros|people|when|in|is|gives?|describes?)\b|$))`;
const EQUATION = re("gu")`
    (?<![\p{L}\p{N}_(])(\p{L})\s*=\s*([^,;?!=]*?\b(\p{L})\b[^,;?!=]*?)(?=(?:,\s|;|\?|!|\.\s|\.$|
    \s+(?:and|where|for|with|dollars|metres|euros|when|in|is)\b|$))`;

/** Functions that the story writes as formulas, and what it asks about them. */
export function formulas(told: Told): Draft | null {
  const written = writtenIn(told);
  if (written.length === 0) return null;
  const money = written.find((w) => w.unit === "$" || w.unit === "€" || w.unit === "£")?.unit ?? null;
  const draft = new Draft();
  const variables = new Set<string>();
  const spans = written.map((w) => ({ start: w.start, end: w.end }));
  const inside = told.amounts.filter((a) => spans.some((s) => a.start >= s.start && a.start < s.end));
  draft.use(...inside);
  for (const w of written) {
    if (!variables.has(w.of))
      draft.variable({ name: draft.name(w.of), ...rangeOf(w.of, told, written), ...meaningOf(w.of, told) }, w);
    variables.add(w.of);
    draft.formula(
      {
        name: w.name,
        unit: w.unit ?? (w.label && /revenue|cost|profit|income/.test(w.label) ? money : null),
        ...(w.label ? { label: w.label } : {}),
      },
      w.of,
      w.text,
      w,
    );
  }
  profitOf(draft, written, told);
  for (const ask of told.asks) askFormula(draft, ask);
  return draft;
}

/** A formula at the beginning of some words: what follows it is cut word by word. */
function formulaIn(words: string): string {
  let text = words;
  const endsInWord = () => !RESERVED.has(/\s(\p{L}{3,})$/u.exec(text)?.[1] ?? "pi");
  while ((endsInWord() || !isFormula(text)) && /\s\S+$/.test(text)) text = text.replace(/\s+\S+$/, "");
  return text;
}
function isFormula(text: string): boolean {
  try {
    return parse(text, () => false).ok;
  } catch {
    return false;
  }
}

function writtenIn(told: Told): Written[] {
  const calls = [...told.story.matchAll(FORMULA)].map((m) => ({
    name: m[1]!,
    of: m[2]!,
    text: m[3]!,
    start: m.index,
    end: m.index + m[0].length,
  }));
  const plain = [...told.story.matchAll(EQUATION)]
    .filter((m) => !calls.some((c) => m.index < c.end && m.index + m[0].length > c.start) && m[3] !== m[1])
    .map((m) => ({ name: m[1]!, of: m[3]!, text: m[2]!, start: m.index, end: m.index + m[0].length }));
  return [...calls, ...plain].flatMap((w) => {
    const text = formulaIn(
      w.text
        .trim()
        .replaceAll("$", "")
        .replace(/[.\s]+$/, ""),
    );
    const isAmount = /^[\d.,]+\s*(?:m|km|cm|ft|s|h|kg|g|L)(?:\s?\/\s?(?:s|h|m|min))?(?:²|³|\^?\d)?$/u.test(text);
    return !isAmount && isFormula(text) && new RegExp(String.raw`(?<![\p{L}])${w.of}(?![\p{L}])`, "u").test(text)
      ? [{ ...w, text, ...kindOf(w, told) }]
      : [];
  });
}

/** What a formula is of, by the words around it. */
function kindOf(w: Span & { name: string }, { story, sentences }: Told): { label: string | null; unit: string | null } {
  const s = sentences.find((x) => w.start >= x.start && w.start < x.end);
  const before = story.slice(s?.start ?? 0, w.start).toLowerCase();
  const told = new RegExp(
    String.raw`(?<![\p{L}])${w.name} (?:is|be|stands for|means) the (price|cost|revenue|profit|number|height|demand)`,
    "u",
  ).exec(story)?.[1];
  const label =
    told ??
    re("")`
      \b(revenue|cost|profit|income|price|height|population|demand|speed|velocity|distance|
      temperature|number|value|amount|area|volume)s?\b(?!.*\b(?:revenue|cost|profit|price|
      height)s?\b)`.exec(before)?.[1] ??
    null;
  const after = story.slice(w.end, w.end + 24);
  const said = /^\s*(?:in\s+|measured in\s+)?(\p{L}+)/u.exec(after)?.[1];
  const measured = /\bin (\p{L}+)\b[^=]*$/u.exec(before)?.[1];
  const unit =
    said && unitOfWord(said) ? unitOfWord(said) : measured && unitOfWord(measured) ? unitOfWord(measured) : null;
  const counted = /\bnumber of (\p{L}+)[^.=]*$/u.exec(before)?.[1];
  return { label, unit: unit && !isTimeUnit(unit) ? unit : label === "number" && counted ? unitOfNoun(counted) : null };
}

/** "where t is the time in seconds", "q lanterns": what a letter stands for. */
function meaningOf(name: string, { story }: Told): { unit?: string; label?: string; whole?: boolean } {
  const v = String.raw`(?<![\p{L}])${name}(?![\p{L}])`;
  const measured =
    new RegExp(String.raw`${v}[^.;]{0,40}?\bin (\p{L}+)`, "u").exec(story)?.[1] ??
    new RegExp(String.raw`${v} (\p{L}+)`, "u").exec(story)?.[1];
  const unit = measured ? unitOfWord(measured) : null;
  const counted =
    new RegExp(String.raw`number of (\p{L}+)[^.;]{0,24}?${v}|${v}[^.;]{0,24}?number of (\p{L}+)`, "u").exec(story) ??
    (unit ? null : new RegExp(String.raw`${v} (\p{L}+s)()\b`, "u").exec(story));
  const isDirect = unit !== null && (isTimeUnit(unit) || !counted);
  if (isDirect) return { unit, label: isTimeUnit(unit) ? "time" : measured! };
  const said = counted?.[1] ?? counted?.[2];
  const noun = said !== undefined && isNounEnd(said.toLowerCase()) ? undefined : said;
  const one = noun ? unitOfNoun(noun) : null;
  return one ? { unit: one, label: plural(one), whole: true } : {};
}
/** "for 0 ≤ t ≤ 5", "at most 320": where a letter goes; from 0 on where it counts or times. */
function rangeOf(name: string, { story }: Told, written: readonly Written[]): { from?: number; to?: number } {
  const number = String.raw`(-?\d+(?:\.\d+)?)`;
  const chain = new RegExp(String.raw`${number}\s*(?:<=|≤|<)\s*${name}\s*(?:<=|≤|<)\s*${number}`, "u").exec(story);
  if (chain) return { from: Number(chain[1]), to: Number(chain[2]) };
  return written.length > 0 && /[tqnTN]/.test(name) ? { from: 0 } : {};
}

const isOf = (w: Written, word: RegExp): boolean => w.label !== null && word.test(w.label);
/** Profit, where revenue and cost are written and it is asked for. */
function profitOf(draft: Draft, written: readonly Written[], told: Told): void {
  if (!/\bprofit|\bearn|break|\brevenue/i.test(told.story) || written.some((w) => isOf(w, /profit/))) return;
  const c = written.find((w) => isOf(w, /cost/));
  const p = written.find((w) => isOf(w, /price|demand/) && w.name !== c?.name);
  const own = written.find((w) => isOf(w, /revenue|income/));
  const made =
    own ??
    (p
      ? {
          of: p.of,
          unit: c?.unit ?? null,
          name: draft.formula(
            { name: draft.name("R"), unit: c?.unit ?? null, label: "revenue" },
            p.of,
            `${p.of} ${p.name}(${p.of})`,
          ),
        }
      : null);
  if (!made || !c || made.of !== c.of) return;
  draft.formula(
    { name: draft.name("P", "G"), unit: made.unit ?? c.unit, label: "profit" },
    made.of,
    `${made.name} - ${c.name}`,
  );
}
