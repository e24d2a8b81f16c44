import { re } from "../pattern";
import { parse, RESERVED } from "../../formula";
import { Draft } from "../draft";
import { isNounEnd } from "../smallWords";
import { isTimeUnit, unitOfNoun, unitOfWord } from "../spokenUnits";
import type { Span } from "../text";
import type { Told } from "../told";
import { askFormula } from "./formulaAsks";
import { meaningOf, rangeOf } from "./letters";

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
  namedNumbers(draft, written, told);
  for (const w of written) {
    if (!variables.has(w.of))
      draft.variable({ name: draft.name(w.of), ...rangeOf(w.of, told), ...meaningOf(w.of, told, written) }, w);
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

/** "with a fixed cost F = 180 dollars": a number with the letter that a formula has for it. */
function namedNumbers(draft: Draft, written: readonly Written[], { amounts, story }: Told): void {
  for (const a of amounts) {
    const m = /(?<![\p{L}\p{N}_])(?:(\p{L}{3,})\s+)?(\p{L}\d?)\s*=\s*$/u.exec(story.slice(a.sentence.start, a.start));
    const name = m?.[2];
    const isIn = (w: Written) =>
      w.name !== name && new RegExp(String.raw`(?<![\p{L}])${name}(?![\p{L}\p{N}])`, "u").test(w.text);
    if (name && written.some((w) => w.of !== name && isIn(w)))
      draft.given(a, [name], a.unit, m[1] && !isNounEnd(m[1].toLowerCase()) ? m[1] : name, a);
  }
}

/** A formula at the beginning of some words: what follows it is cut word by word. */
function formulaIn(words: string): string {
  let text = words;
  const endsInWord = () => !RESERVED.has(/\s(\p{L}{2,})$/u.exec(text)?.[1] ?? "pi");
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
  return [...calls, ...plain].flatMap((w, i, all) => {
    const text = formulaIn(
      w.text
        .trim()
        .replaceAll("$", "")
        .replace(/[.\s]+$/, ""),
    );
    const isAmount = /^[\d.,]+\s*(?:m|km|cm|ft|s|h|kg|g|L)(?:\s?\/\s?(?:s|h|m|min))?(?:²|³|\^?\d)?$/u.test(text);
    const isOne = !isAmount && isFormula(text);
    // It holds its letter, or a function that was written before it.
    const held = [w.of, ...all.slice(0, i).map((x) => x.name)].join("|");
    if (!isOne || !new RegExp(String.raw`(?<![\p{L}])(?:${held})(?![\p{L}])`, "u").test(text)) return [];
    // Words that were cut off stand behind the formula: they may tell its unit.
    const at = told.story.indexOf(text, w.start);
    const own = { ...w, text, end: at < 0 ? w.end : at + text.length };
    return [{ ...own, ...kindOf(own, all[i - 1]?.end ?? 0, told) }];
  });
}

/** What a formula is of, by the words around it. */
function kindOf(
  w: Span & { name: string },
  previousEnd: number,
  { story, sentences }: Told,
): { label: string | null; unit: string | null } {
  const s = sentences.find((x) => w.start >= x.start && w.start < x.end);
  const before = story.slice(Math.max(s?.start ?? 0, previousEnd), w.start).toLowerCase();
  const told = new RegExp(
    String.raw`(?<![\p{L}])${w.name} (?:is|be|stands for|means) the (price|cost|revenue|profit|number|height|demand)`,
    "u",
  ).exec(story)?.[1];
  const label =
    told ??
    re("")`
      \b(revenue|cost|profit|income|price|height|population|demand|speed|velocity|distance|
      temperature|number|value|amount|area|volume|flow|depth|radius|force|power|
      energy|weight|level)s?\b(?!.*\b(?:revenue|cost|profit|price|height)s?\b)`.exec(before)?.[1] ??
    null;
  const after = story.slice(w.end, w.end + 24);
  const said = /^\s*(?:in\s+|measured in\s+)?(\p{L}+)/u.exec(after)?.[1];
  const measured = /\bin (\p{L}+)\b[^=]*$/u.exec(before)?.[1];
  const unit =
    said && unitOfWord(said) ? unitOfWord(said) : measured && unitOfWord(measured) ? unitOfWord(measured) : null;
  const counted = /\bnumber of (\p{L}+)[^.=]*$/u.exec(before)?.[1];
  return { label, unit: unit && !isTimeUnit(unit) ? unit : label === "number" && counted ? unitOfNoun(counted) : null };
}

const isOf = (w: Written, word: RegExp): boolean => w.label !== null && word.test(w.label);
/** "each unit is sold for 17 dollars": the revenue, beside a cost that is written as a formula. */
function soldFor(draft: Draft, of: string, told: Told): { of: string; unit: string | null; name: string } | null {
  const SOLD = /\b(?:is|are) sold (?:for|at)\s+(?:a price of\s+)?$|\b(?:sells?|selling price)\b[^.,;]*$/i;
  const price = told.stated.find((a) => a.kind === "money" && SOLD.test(a.before));
  if (!price) return null;
  const k = draft.given(price, ["p", "k"], draft.unit(of) ? `${price.unit}/${draft.unit(of)}` : price.unit, "price");
  const unit = price.unit;
  return { of, unit, name: draft.formula({ name: draft.name("R"), unit, label: "revenue" }, of, `${k} ${of}`) };
}

/** Profit, where revenue and cost are written and it is asked for. */
function profitOf(draft: Draft, written: readonly Written[], told: Told): void {
  if (!/\bprofit|\bearn|break|\brevenue/i.test(told.story) || written.some((w) => isOf(w, /profit/))) return;
  const c = written.find((w) => isOf(w, /cost/));
  const p = written.find((w) => isOf(w, /price|demand/) && w.name !== c?.name);
  const own = written.find((w) => isOf(w, /revenue|income/));
  const sold = own || p || !c ? null : soldFor(draft, c.of, told);
  const made =
    own ??
    sold ??
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
