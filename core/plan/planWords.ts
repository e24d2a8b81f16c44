import { quoted } from "../formula";

/** `x != 3`: no limit. Null of any other line. */
export const differsWanted = (body: string): string | null =>
  /!=|≠|<>/.test(body) ? "A limit of a plan holds up to a value (`<=`), from one on (`>=`), or at it (`=`)." : null;

/** `x, y whole`, `y >= 0 integer`: where that is said. Null of any other line. */
export const wholeWanted = (body: string): string | null =>
  /\b(?:whole|integers?|int)\s*$/i.test(body)
    ? "Whether a variable counts in whole numbers is ticked beside it, at “whole”."
    : null;

/** Symbols of units that are letters a variable may have as well. */
const UNIT_LETTERS = new Set(["h", "m", "g", "l", "L", "s", "t"]);

/**
 * `2x + 3y <= 240 sheets`: the word behind a number that stands alone is a unit, and no variable taken 240 times.
 * @param fresh  names of the line that are none of the plan
 * @param own  those of the plan
 * @returns what is said of it, with both ways to write it; null where no word may be one
 */
export function unitMeant(body: string, fresh: readonly string[], own: readonly string[]): string | null {
  for (const side of body.split(/[<>=≤≥]+/)) {
    const [, number, word] = /^\s*([−-]?[\d.,]+)\s+(\p{L}+)\s*$/u.exec(side) ?? [];
    if (!number || !word || !fresh.includes(word)) continue;
    const isUnit = word.length > 1 || (UNIT_LETTERS.has(word) && own.length + fresh.length > 1);
    if (!isUnit) continue;
    const without = body.replace(side, side.replace(new RegExp(String.raw`\s+${word}`, "u"), "")).trim();
    return (
      `${quoted(word)} is no variable of this plan. Leave a unit out: ${quoted(without)}; ` +
      `for a variable of that name write ${quoted(`${number}*${word}`)}.`
    );
  }
  return null;
}

export const NO_SUM = "Write what it is made of, as a sum: `greatest 3.5x + 4y`, each variable times a number.";
