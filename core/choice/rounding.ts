import { familyText, plain, type Fit } from "../fit";
import { functionsOf, type CaseFile, type FitBy } from "../model";
import { analyse, sentenceOf } from "../question";

/** What a question is answered with all digits of a fitted function, and with its constants rounded. */
export interface RoundingLine {
  readonly id: string;
  readonly full: string;
  readonly rounded: string;
}

/** The answers of a case that rest on a fitted function, with its constants rounded beside those with all digits. */
export function roundingLines(source: CaseFile, name: string, digits: number): RoundingLine[] {
  const full = analyse(source);
  const fitted = full.model.fits.get(name);
  const row = source.functions?.find((f) => f.name === name);
  if (!fitted || !row) return [];
  const text = roundedText(fitted.by, fitted.fit, row.of, digits);
  const rounded = analyse({
    ...source,
    functions: source.functions!.map((f) => (f.name === name ? { ...f, by: { kind: "formula", text } } : f)),
  });
  return full.findings.flatMap((f, i) => {
    const asked = source.questions?.find((q) => q.id === f.id);
    if (!asked || !functionsOf(asked).some((g) => isOrUses(full.model.functions, g, name))) return [];
    const other = rounded.findings[i];
    const says = [sentenceOf(f, full.model), other ? sentenceOf(other, rounded.model) : ""].map(withoutPlace);
    return [{ id: f.id, full: says[0]!, rounded: says[1]! }];
  });
}

function roundedText(by: FitBy, fit: Fit, variable: string, digits: number): string {
  if (by.model !== "own") {
    const constants = fit.constants.map((c) => c.value);
    return familyText(by.model, constants, variable, digits);
  }
  return (by.text ?? "").replace(/\p{L}[\p{L}\p{Nd}_]*/gu, (word) => {
    const constant = fit.constants.find((k) => k.name === word);
    return constant ? `(${plain(constant.value, digits)})` : word;
  });
}
/** Where an answer lies beside the data is told with the full digits alone; a formula knows of no data. */
const withoutPlace = (sentence: string): string =>
  sentence.replace(/, (?:inside the data|[^,]* (?:beyond the last|before the first) row)/, "");

function isOrUses(functions: ReadonlyMap<string, { uses: readonly string[] }>, from: string, name: string): boolean {
  if (from === name) return true;
  return functions.get(from)?.uses.some((used) => used !== from && isOrUses(functions, used, name)) ?? false;
}
