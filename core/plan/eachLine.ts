const NAME = String.raw`\p{L}[\p{L}\p{Nd}_]*`;
const LIST = String.raw`${NAME}(?:\s*(?:,|\band\b)\s*${NAME})+`;
const RELATION = /[<>=≤≥]/;
const SIGN = String.raw`(?:<=|≤|<|>=|≥|>)`;
/** `x, y >= 0`, and `0 <= x, y <= 9`. */
const OF_EACH = new RegExp(String.raw`^([^<>=≤≥]*${SIGN})?\s*(${LIST})\s*(${SIGN}[^<>=≤≥]+)$`, "u");
/** Before the words that lead from a goal to its constraints. */
const BEFORE_LIMITS = /[\s,;]+(?=(?:subject\s+to|such\s+that|s\.\s?t\.)[\s:])/i;
const SEMICOLON = /\s*;\s*/;
const NAMES_APART = /\s*(?:,|\band\b)\s*/;
const GOAL = /^(?:make\s+)?(?:greatest|least|max|min)/i;
/** A comma before a digit may be a decimal one. */
const COMMA_OR_AND = /\s*,\s+(?:and\s+)?|\s+and\s+/;

/**
 * The lines of a plan that stand in one: `max 6x + 4y subject to 2x + 3y <= 240, x, y >= 0`. Parts between commas are
 * lines of their own only where each of them compares.
 */
export function eachLine(text: string): string[] {
  const parts = cut(text, SEMICOLON).flatMap((part) => cut(part, BEFORE_LIMITS));
  return parts.length === 0 ? [text] : parts.flatMap(linesOf);
}

function linesOf(text: string): string[] {
  const list = OF_EACH.exec(text);
  if (list) {
    const [, before = "", names, after] = list;
    return cut(names!, NAMES_APART).map((name) => `${before} ${name} ${after!.trim()}`.trim());
  }
  // A part that compares nothing goes with the next, as x in `x, y >= 0`.
  const lines: string[] = [];
  let waiting: string[] = [];
  for (const part of cut(text, COMMA_OR_AND)) {
    waiting.push(part);
    if (!RELATION.test(part) && !GOAL.test(part)) continue;
    lines.push(waiting.join(", "));
    waiting = [];
  }
  return waiting.length > 0 || lines.length < 2 ? [text] : lines.flatMap(linesOf);
}

const cut = (text: string, at: RegExp): string[] => text.split(at).flatMap((part) => part.trim() || []);
