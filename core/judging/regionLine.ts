import type { Region } from "./inequality";
import { readSide, type Reading, type Side } from "./side";

/** Inputs for which relations hold. */
export interface RegionLine {
  readonly kind: "region";
  readonly region: Region;
  readonly latex: string;
}

/** `x < 2 or x > 3`, `2 < x <= 3`: the inputs of several relations, joined. */
export function regionLine(
  plain: string,
  reading: Reading,
): RegionLine | { readonly kind: "refused"; readonly message: string } {
  const parts = plain.split(/\s*(?:\bor\b|∨)\s*/iu).map((part) => {
    const joined = part.split(/\s*(?:\band\b|∧|,|;)\s*/iu).map((chain) => chainOf(chain, reading));
    const bad = joined.find((c) => typeof c === "string");
    return (
      bad ?? {
        kind: "and" as const,
        of: (joined as Chain[]).map((c) => c.region),
        latex: joined.map((c) => (c as Chain).latex),
      }
    );
  });
  const bad = parts.find((p) => typeof p === "string");
  if (typeof bad === "string") return { kind: "refused", message: bad };
  const list = parts as { kind: "and"; of: Region[]; latex: string[] }[];
  const latex = list.map((p) => p.latex.join(" \\text{ and } ")).join(" \\quad\\text{or}\\quad ");
  return { kind: "region", region: { kind: "or", of: list }, latex };
}
interface Chain {
  readonly region: Region;
  readonly latex: string;
}
const SIGNS: Readonly<Record<string, readonly ("<" | "<=" | ">" | ">=")[]>> = {
  "<": ["<"],
  "<=": ["<="],
  "≤": ["<="],
  ">": [">"],
  ">=": [">="],
  "≥": [">="],
  "=": ["<=", ">="],
};
const TEX_SIGNS: Readonly<Record<string, string>> = { "<=": "\\le", "≤": "\\le", ">=": "\\ge", "≥": "\\ge" };

function chainOf(text: string, reading: Reading): Chain | string {
  const pieces = text.split(/(<=|>=|[<>≤≥≠=])/u).map((piece) => piece.trim());
  const signs = pieces.filter((_, i) => i % 2 === 1);
  const sides = pieces
    .filter((_, i) => i % 2 === 0)
    .map((side) => (side === "" ? "A side is empty." : readSide(side, reading)));
  const bad = sides.find((side) => typeof side === "string");
  if (typeof bad === "string") return bad;
  if (signs.length === 0 || !signs.every((sign) => Object.hasOwn(SIGNS, sign)))
    return "This is no relation that is judged here: <, ≤, >, ≥ and = are.";
  const list = sides as Side[];
  const of = signs.flatMap((shown, i) =>
    SIGNS[shown]!.map((sign): Region => ({
      kind: "relation",
      left: list[i]!.expression,
      sign,
      right: list[i + 1]!.expression,
    })),
  );
  const latex = list.map((side, i) => side.latex + (signs[i] ? ` ${TEX_SIGNS[signs[i]!] ?? signs[i]!} ` : "")).join("");
  return { region: { kind: "and", of }, latex };
}
