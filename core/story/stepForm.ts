import { parse, type Syntax } from "../formula";
import type { PieceRow } from "../model";

export type StepForm = { readonly ok: true; readonly text: string } | { readonly ok: false; readonly message: string };

/**
 * A function by pieces written as one formula with unit steps: f₁ + (f₂ − f₁) step(x − b). The step is 1 from
 * the break on, so each piece must own its start and pieces must follow each other without a gap; the first and last
 * reach as far as the range does.
 */
export function stepForm(pieces: readonly PieceRow[], of: string): StepForm {
  const first = pieces[0];
  if (!first) return { ok: false, message: "There is no piece yet." };
  let out = first.text.trim();
  for (let i = 1; i < pieces.length; i++) {
    const [before, here] = [pieces[i - 1]!, pieces[i]!];
    if (here.from === undefined || String(before.to).trim() !== String(here.from).trim())
      return {
        ok: false,
        message: `Piece ${i + 1} does not start where piece ${i} ends; a step form needs pieces without a gap.`,
      };
    if ((here.ends ?? "[]").startsWith("("))
      return {
        ok: false,
        message: `At ${of} = ${here.from} piece ${i} owns the break; a unit step gives it to piece ${i + 1}.`,
      };
    const change = difference(here.text.trim(), before.text.trim());
    if (change === "0") continue;
    out += ` + ${change} step(${shifted(of, String(here.from).trim())})`;
  }
  return { ok: true, text: out.replace(/^0 \+ /, "") };
}

function difference(now: string, before: string): string {
  if (now === before) return "0";
  const plain = (t: string) => /^-?\d+(?:\.\d+)?$/.test(t);
  if (plain(now) && plain(before)) {
    const d = Number((Number(now) - Number(before)).toPrecision(12));
    return d < 0 ? `(${d})` : String(d);
  }
  if (before === "0") return isSum(now) ? `(${now})` : now;
  if (now === "0") return `(-${isSum(before) ? `(${before})` : before})`;
  return `(${now} - ${isSum(before) ? `(${before})` : before})`;
}
const shifted = (of: string, at: string): string =>
  at === "0"
    ? of
    : at.startsWith("-")
      ? `${of} + ${at.slice(1)}`
      : /^[\d.]+$|^\p{L}[\p{L}\p{Nd}_]*$/u.test(at)
        ? `${of} - ${at}`
        : `${of} - (${at})`;

function isSum(text: string): boolean {
  const parsed = parse(text, () => true);
  const top: Syntax | null = parsed.ok ? parsed.syntax : null;
  return top === null || top.type === "negate" || (top.type === "operation" && (top.op === "+" || top.op === "-"));
}
