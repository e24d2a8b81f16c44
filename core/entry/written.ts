import type { FunctionRow, PieceRow } from "../model";

/** A function as it would be written on the entry line; empty where it is made elsewhere, as a fit is. */
export function writtenFunction({ name, of, by }: FunctionRow): string {
  const head = `${name}(${of}) =`;
  switch (by.kind) {
    case "formula":
      return `${head} ${by.text}`;
    case "line":
      return `${head} line ${by.through.map(([x, y]) => `(${x}, ${y})`).join(", ")}`;
    case "pieces":
      return `${head} ${by.pieces.map((p) => `${p.text} for ${writtenStretch(p, of)}`).join("; ")}`;
    case "total":
      return `${head} total of ${by.function} from ${by.from ?? 0}`;
    case "slope":
      return `${head} slope of ${by.function}`;
    case "fit":
      return "";
  }
}

/** Where a piece holds: `2 <= x < 5`, `x >= 2`. */
function writtenStretch({ from, to, ends = "[]" }: PieceRow, of: string): string {
  const [hasFirst, hasLast] = [ends.startsWith("["), ends.endsWith("]")];
  if (from !== undefined && to === undefined) return `${of} ${hasFirst ? ">=" : ">"} ${from}`;
  const before = from === undefined ? "" : `${from} ${hasFirst ? "<=" : "<"} `;
  const after = to === undefined ? "" : ` ${hasLast ? "<=" : "<"} ${to}`;
  return `${before}${of}${after}`;
}
