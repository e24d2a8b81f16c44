const CONDITION = String.raw`(?:if|for|when|while|where|,)`;

/**
 * Pieces as books write them, in the form `3 t for 0 <= t < 6; … for …`: with braces, commas, `if`, `otherwise`.
 * @param of  the variable of the function
 * @returns null where it is no function by pieces
 */
export function piecesBody(body: string, of: string): string | null {
  const inBraces = /^\{(.*)\}?$/s.exec(body.trim());
  const text = (inBraces ? inBraces[1]!.replace(/\}\s*$/, "") : body).trim();
  const asksForPieces = inBraces !== null || /;|\b(?:if|for|when|otherwise|else)\b/i.test(text);
  if (!asksForPieces) return null;
  const rows = rowsOf(apart(text), of);
  if (rows.length === 0 || (rows.length === 1 && !rows[0]!.range && !rows[0]!.isRest)) return null;
  if (rows.some((r) => !r.range && !r.isRest)) return null;
  const pieces: string[] = [];
  let last = "";
  for (const r of rows) {
    const range = r.isRest ? restAfter(last, of) : r.range!;
    if (!range) return null;
    pieces.push(`${r.text} for ${range}`);
    last = range;
  }
  return pieces.join("; ");
}

/** A comma before and a last place for what holds otherwise, wherever it was written. */
const apart = (text: string): string =>
  text
    .replace(/,?\s*\b(?:and\s+)?(?:otherwise|else(?:where)?)\b,?\s*(?=\S)/gi, ", otherwise ")
    .replace(/, otherwise\s+([^,;]+?)\s*$/i, ", $1 otherwise");

interface Row {
  readonly text: string;
  readonly range: string | null;
  readonly isRest: boolean;
}

/** A formula and where it holds, each. */
function rowsOf(text: string, of: string): Row[] {
  const isCondition = (s: string) =>
    /[<>≤≥]/.test(s) && new RegExp(String.raw`(?<![\p{L}\d])${of}(?![\p{L}\d])`, "u").test(s);
  const rows: Row[] = [];
  let formula: string | null = null;
  const put = (range: string | null, isRest = false) => {
    rows.push({ text: formula!, range, isRest });
    formula = null;
  };
  for (const part of partsOf(text)) {
    const rest = /^(.*?),?\s*\b(?:otherwise|else(?:where)?)$/i.exec(part);
    const own = new RegExp(String.raw`^(.+?)\s*\b${CONDITION}\s+(.+)$`, "i").exec(part);
    const alone = new RegExp(String.raw`^(?:if|for|when|while|where)\s+(.+)$`, "i").exec(part);
    if (alone && formula !== null && isCondition(alone[1]!)) put(alone[1]!);
    else if (isCondition(part) && !own && formula !== null) put(part);
    else if (rest && (rest[1]!.trim() !== "" || formula !== null)) {
      formula = rest[1]!.trim() === "" ? formula : rest[1]!.trim();
      put(null, true);
    } else if (own && isCondition(own[2]!)) {
      formula = own[1]!.trim();
      put(own[2]!);
    } else {
      if (formula !== null) put(null);
      formula = part;
    }
  }
  if (formula !== null) put(null);
  return rows;
}

/** Cut at semicolons and commas that stand in no bracket. */
function partsOf(text: string): string[] {
  const parts: string[] = [];
  let depth = 0;
  let from = 0;
  for (let i = 0; i <= text.length; i++) {
    const ch = text[i];
    if (ch === "(" || ch === "[") depth++;
    else if (ch === ")" || ch === "]") depth--;
    const isThousands = ch === "," && /\d/.test(text[i - 1] ?? "") && /^\d{3}(?!\d)/.test(text.slice(i + 1));
    if (ch !== undefined && (depth > 0 || isThousands || (ch !== ";" && ch !== ","))) continue;
    const part = text.slice(from, i).trim();
    if (part !== "") parts.push(part);
    from = i + 1;
  }
  return parts;
}

/** What is left above the last stretch: `t < 6` leaves `t >= 6`. */
function restAfter(range: string, of: string): string | null {
  const upper = new RegExp(String.raw`(?<![\p{L}\d])${of}\s*(<=|≤|<)\s*(.+)$`, "u").exec(range);
  if (upper) return `${of} ${upper[1] === "<" ? ">=" : ">"} ${upper[2]}`;
  const lower = new RegExp(String.raw`^${of}\s*(>=|≥|>)\s*(.+)$`, "u").exec(range);
  return lower ? `${of} ${lower[1] === ">" ? "<=" : "<"} ${lower[2]}` : null;
}
