import { NAME } from "../question";

const BEGINS = new RegExp(String.raw`^\s*${NAME}\s*(?:\(\s*${NAME}\s*\)\s*)?=(?!=)`, "u");
/** A part that tells the range of a variable. */
const RANGE = new RegExp(
  String.raw`^${NAME}\s+(?:is\s+)?(?:from|between)\s|^[^<>=≤≥]+(?:<=|≤|<)\s*${NAME}\s*(?:<=|≤|<)` +
    String.raw`|^${NAME}\s*(?:>=|≥|>|<=|≤|<)`,
  "u",
);
/** What makes the parts of a line one function by pieces. */
const PIECES = /[{}]|\b(?:for|if|when|otherwise|else|line)\b/i;

/** The entries of a line that holds several: `a = 3, b = 4`, `C(x) = 90 + 7x; R(x) = 15x`, `max R; min C`. */
export function severalLines(line: string): string[] {
  const asks = /\?\s*$/.test(line);
  const bySemicolon = split(line, ";");
  const oneFunction = PIECES.test(line) && !bySemicolon.slice(1).every((p) => BEGINS.test(p));
  if (bySemicolon.length > 1 && !oneFunction)
    return bySemicolon.flatMap((p) => severalLines(p)).map((p) => asked(p, asks));
  const byComma = split(line, ",");
  return byComma.length > 1 && byComma.every((p) => BEGINS.test(p) || RANGE.test(p)) ? byComma : [line];
}

/** A question mark at the end of a line is meant for all that it asks. */
const asked = (part: string, asks: boolean): string =>
  asks && !part.includes("=") && !/\?\s*$/.test(part) ? `${part} ?` : part;

/** Cut at a sign that stands in no bracket. */
function split(text: string, sign: string): string[] {
  const parts: string[] = [""];
  let depth = 0;
  for (const ch of text) {
    if ("([{".includes(ch)) depth++;
    else if (")]}".includes(ch)) depth--;
    if (ch === sign && depth <= 0) parts.push("");
    else parts[parts.length - 1] += ch;
  }
  return parts.map((p) => p.trim()).filter((p) => p !== "");
}
