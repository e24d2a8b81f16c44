import { anyCase, RESERVED } from "../formula";
import { formatNumber, formatQuantity, isPercent } from "../explain";
import { buildModel, type CaseFile, type Model } from "../model";
import type { Unit } from "../units";
import type { Understanding } from "./understanding";

/** What only asks for the number of a calculation. */
export const CALCULATE = anyCase(
  String.raw`^(?:(?:what(?:'s|\s+is)|how much is|calculate|compute|work out|evaluate|find)\s+)` +
    String.raw`(?=[\d(−-]|\p{L}+\s*\()`,
);

/** A text of digits, operations and brackets, perhaps with names and calls of functions: nothing that asks in words. */
export function isNumberMeant(text: string, model: Model): boolean {
  const words = text.match(/\p{L}[\p{L}\d_]*/gu) ?? [];
  const isWord = (w: string) =>
    w.length > 1 && !RESERVED.has(w) && !model.functions.has(w) && !model.givens.has(w) && !model.variables.has(w);
  return (
    /[\d+*/^−-]/.test(text) && words.filter(isWord).length < 2 && !words.some((w) => NO_NUMBER.has(w.toLowerCase()))
  );
}

const NO_NUMBER = new Set("max min is what when where how greatest least not of at for in the".split(" "));

/** The number of a calculation, in its unit; a percentage that is added is told as the number it is. */
export function numbered(text: string, value: number, source: CaseFile): Understanding {
  const of = source.functions?.[0]?.of ?? source.variables?.[0]?.name ?? "x";
  const name = "worked_out_";
  const row = { name, of, by: { kind: "formula", text } } as const;
  const unit =
    buildModel({ ...source, functions: [...(source.functions ?? []), row], questions: [] }).functions.get(name)?.unit ??
    null;
  return { kind: "number", value, unit, says: `= ${formatQuantity(value, unit, 12)}${addedPercent(text, unit)}` };
}

/** `F + 10%` adds a tenth of 1, and many would mean a tenth of F. */
function addedPercent(text: string, unit: Unit | null): string {
  const [, of, sign, percents] = /^(.*[^\s+*/^(−-])\s*([+−-])\s*(\d+(?:\.\d+)?)\s*%\s*$/u.exec(text) ?? [];
  if (!of || of.trim() === "1" || of.includes("%") || isPercent(unit)) return "";
  const share = formatNumber(sign === "+" ? 100 + Number(percents) : 100 - Number(percents));
  const whole = /[+−-]/.test(of) ? `(${of.trim()})` : of.trim();
  const said = `${percents}% is ${formatNumber(Number(percents) / 100)}`;
  return ` (${said}; for ${percents}% ${sign === "+" ? "more" : "less"} write \`${whole} * ${share}%\`)`;
}
