import { isFunctionName, latexName, latexOf, parse, type Names } from "../formula";
import type { Desk } from "../desk";
import type { WordsBlock, WordsRun } from "../model";
import { liveText } from "./live";
import type { BriefBlock, Run } from "./page";

const RELATION = /(<=|>=|≤|≥|≈|=|<|>)/;
const RELATION_LATEX: Readonly<Record<string, string>> = {
  "<=": "\\le",
  "≤": "\\le",
  ">=": "\\ge",
  "≥": "\\ge",
  "≈": "\\approx",
  "=": "=",
  "<": "<",
  ">": ">",
};

/**
 * Mathematics of own words typeset: a formula as it is typed anywhere in a case, or a chain of such with relations
 * between.
 * @returns null where a part cannot be read
 */
export function mathLatex(typed: string, names: Names): string | null {
  const parts = typed.split(RELATION);
  const set = parts.map((part, i) => (i % 2 === 1 ? RELATION_LATEX[part]! : formulaLatex(part, names)));
  return set.some((part) => part === null) ? null : set.join(" ");
}
function formulaLatex(text: string, names: Names): string | null {
  // `P(q)` stands for a function even where this case has none of that name.
  const applied = new Set([...text.matchAll(/(\p{L}[\p{L}\p{Nd}_]*)\(/gu)].map((m) => m[1]!));
  const parsed = parse(text, (name) => isFunctionName(name, names) || (applied.has(name) && !names.givens.has(name)));
  if (!parsed.ok) return /^\s*\p{L}[\p{L}\p{Nd}_]*\s*$/u.test(text) ? latexName(text.trim()) : null;
  return latexOf(parsed.syntax);
}

/** Own words as they stand on the page now. */
export function wordsBlocks(blocks: readonly WordsBlock[], desk: Desk, names: Names): BriefBlock[] {
  const run = (r: WordsRun): Run => {
    if ("text" in r) return r;
    if (!("math" in r)) return { live: r, text: liveText(r, desk) };
    const latex = mathLatex(r.math, names);
    return latex === null ? { text: r.math, italic: true } : { latex, typed: r.math };
  };
  return blocks.map((b) =>
    b.kind === "list"
      ? { kind: "list", ordered: b.ordered ?? false, items: b.items.map((item) => item.map(run)) }
      : { kind: b.kind, runs: b.runs.map(run) },
  );
}
