import { latexName, latexOf, parse } from "../../formula";
import type { NumberText, PieceRow } from "../case";

/** "for 0 <= t < 6" */
export function rangeText(x: string, { from, to, ends = "[]" }: PieceRow): string {
  const low = from === undefined ? "" : `${from} ${ends.startsWith("[") ? "<=" : "<"} `;
  const high = to === undefined ? "" : ` ${ends.endsWith("]") ? "<=" : "<"} ${to}`;
  return low || high ? `for ${low}${x}${high}` : `for all ${x}`;
}

export function rangeLatex(x: string, { from, to, ends = "[]" }: PieceRow): string {
  const low = from === undefined ? "" : `${amountLatex(from)} ${ends.startsWith("[") ? "\\le" : "<"} `;
  const high = to === undefined ? "" : ` ${ends.endsWith("]") ? "\\le" : "<"} ${amountLatex(to)}`;
  return low || high ? `${low}${latexName(x)}${high}` : `\\text{all } ${latexName(x)}`;
}

const amountLatex = (value: NumberText): string => {
  const parsed = parse(String(value), () => false);
  return parsed.ok ? latexOf(parsed.syntax) : String(value);
};
