import { exactNumber, expressionLatex, expressionText, latexName } from "../formula";
import { rationalOfTyped } from "../numeric";
import { formatQuantity, isPercent } from "../explain";
import type { Model } from "../model";
import { numberLatex, written, type Shown, type WorkingStep } from "./statement";

/** Functions and givens told before the numbers are put in. */
const MOST_FUNCTIONS = 6;
const MOST_GIVENS = 10;

/**
 * What is asked in names, what the names stand for, and the numbers with their units.
 * @param unknown  a given that is looked for, and so has no number
 * @param asked  the question as an equation or an expression in names, with the words before it
 */
export function preludeOf(
  names: readonly string[],
  asked: { says: string; shown: Shown },
  model: Model,
  unknown: string | null = null,
): WorkingStep[] {
  const all = usedBy(names, model);
  return [
    written("names", asked.says, asked.shown),
    ...all.slice(0, MOST_FUNCTIONS).flatMap((name) => definitionOf(name, model)),
    ...givensOf(all, model, unknown),
  ];
}

/** The functions themselves, and all they are made of. */
function usedBy(names: readonly string[], model: Model): string[] {
  const out: string[] = [];
  const add = (name: string): void => {
    const f = model.functions.get(name);
    if (!f || out.includes(name)) return;
    out.push(name);
    f.uses.forEach(add);
  };
  names.forEach(add);
  return out;
}

function definitionOf(name: string, model: Model): WorkingStep[] {
  const f = model.functions.get(name);
  if (!f || f.trouble) return [];
  const label = f.label ? `${capital(f.label)}.` : `What ${name} is.`;
  const left = `${name}(${f.of})`;
  const leftTex = `${latexName(name)}(${latexName(f.of)})`;
  const shown = { text: `${left} = ${f.text}`, latex: `${leftTex} = ${f.latex}` };
  return [...throughReadings(name, model), written("definition", label, shown, false)];
}

/** The slope of a line through two readings. */
function throughReadings(name: string, model: Model): WorkingStep[] {
  const row = model.source.functions?.find((one) => one.name === name);
  if (row?.by.kind !== "line" || row.by.through.length < 2) return [];
  const [[x1, y1], [x2, y2]] = row.by.through as [[unknown, unknown], [unknown, unknown]];
  const [a, b, c, d] = [x1, y1, x2, y2].map((v) => String(v)) as [string, string, string, string];
  if (![a, b, c, d].every((v) => /^\d+(?:\.\d+)?$/.test(v))) return [];
  const difference = (to: string, from: string) => rationalOfTyped(Number(to))!.sub(rationalOfTyped(Number(from))!);
  const slope = exactNumber(difference(d, b).div(difference(c, a)));
  return [
    written(
      "definition",
      `The slope of ${name}, through the two readings.`,
      {
        text: `m = (${d} - ${b})/(${c} - ${a}) = ${expressionText(slope, "")}`,
        latex: `m = \\frac{${d} - ${b}}{${c} - ${a}} = ${expressionLatex(slope, "")}`,
      },
      false,
    ),
  ];
}
const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

function givensOf(names: readonly string[], model: Model, unknown: string | null): WorkingStep[] {
  const used = new Set(names.flatMap((name) => model.functions.get(name)?.uses ?? []));
  const givens = [...used].filter((g) => model.givens.has(g) && g !== unknown);
  if (givens.length === 0) return [];
  const shown = givens.slice(0, MOST_GIVENS).map((name) => {
    const { value, unit } = model.givens.get(name)!;
    const said = formatQuantity(value, unit, isPercent(unit) ? 8 : 12);
    return { text: `${name} = ${said}`, latex: `${latexName(name)} = ${quantityLatex(said)}` };
  });
  return [
    written(
      "givens",
      "The numbers of the story.",
      { text: shown.map((s) => s.text).join(", "), latex: shown.map((s) => s.latex).join(",\\; ") },
      false,
    ),
  ];
}

/** `$14/lantern` as LaTeX: the number, and its unit upright. */
export function quantityLatex(said: string): string {
  const m = /^([−-]?[$€£¥₹]?[\d.,]+(?: × 10[⁰¹²³⁴-⁹⁻]+)?%?)(.*)$/u.exec(said);
  if (!m) return `\\text{${said.replace(/[$%&#_{}]/g, "\\$&")}}`;
  const unit = m[2]!.replace(/[$%&#_{}]/g, "\\$&");
  return unit === "" ? numberLatex(m[1]!) : `${numberLatex(m[1]!)}\\text{${unit}}`;
}
