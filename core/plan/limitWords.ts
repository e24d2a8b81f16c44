import { anyCase } from "../formula";

/** How a story says that there may be so many and no more, as alternatives of a pattern. */
export const AT_MOST = "at most|no more than|not more than|up to|a maximum of";
/** How it says that there must be so many or more. */
export const AT_LEAST = "at least|no fewer than|not fewer than|no less than|not less than|a minimum of|minimum";

const said = (words: string): RegExp => anyCase(String.raw`\s+(?:(?:is|are)\s+)?(?:${words})\s+`);
/** Relations as they are said, the longer before those they begin with. */
const SIGNS: readonly (readonly [RegExp, string])[] = [
  [said(`${AT_MOST}|(?:less|smaller) than or equal to`), " <= "],
  [said(`${AT_LEAST}|(?:greater|more) than or equal to`), " >= "],
  [said("(?:less|fewer|smaller) than"), " < "],
  [said("(?:more|greater|larger) than"), " > "],
  [anyCase(String.raw`\s+(?:equals|(?:is|are) (?:equal to|exactly))\s+`), " = "],
];

/** `2x + 3y at most 240` with its sign; a line that has one is left as it is. */
export function withSigns(line: string): string {
  const found = /[<>=≤≥]/.test(line) ? undefined : SIGNS.find(([words]) => words.test(line));
  return found ? line.replace(...found) : line;
}
