import { formatNumber } from "../explain";
import type { Expression } from "../formula";
import { signedParts, type SignedPart, type Spot } from "../solve";
import { written, type Setting, type WorkingStep } from "./statement";

/** Stretches of one sign that are told. */
const MOST_ROWS = 12;
const SIGN = { "-1": "< 0", "0": "= 0", "1": "> 0", none: "" } as const;

/**
 * The sign of an expression on every stretch of the range, each proven by enclosures; empty where one is open.
 * @param what  how the expression is called, as text and as LaTeX
 */
export function signTable(
  e: Expression,
  what: { readonly text: string; readonly latex: string },
  on: Setting,
  says: (sign: -1 | 0 | 1 | "none") => string,
): WorkingStep[] {
  const parts = signedParts(e, on.table, on.range, on.work);
  const rows = parts.filter((p) => p.part.kind === "cell");
  if (parts.some((p) => p.sign === "open") || rows.length > MOST_ROWS) return [];
  return merged(rows).map(({ from, to, sign }) => {
    const range = rangeSaid(from, to, on.x);
    const none = sign === "none";
    const rangeTex = range.replace(/∞/g, "\\infty");
    return written("signs", says(sign), {
      text: `${range}: ${what.text} ${none ? "has no value" : SIGN[`${sign}`]}`,
      latex: `${rangeTex}:\\; ${what.latex} ${none ? "\\text{ has no value}" : SIGN[`${sign}`]}`,
    });
  });
}

interface Row {
  readonly from: Spot | null;
  readonly to: Spot | null;
  readonly sign: -1 | 0 | 1 | "none";
}
/** Neighbours of one sign are one row, where the function is 0 nowhere between. */
function merged(rows: readonly SignedPart[]): Row[] {
  const out: Row[] = [];
  for (const { part, sign } of rows) {
    if (part.kind !== "cell" || sign === "open") continue;
    out.push({ from: part.from, to: part.to, sign });
  }
  return out;
}

function rangeSaid(from: Spot | null, to: Spot | null, x: string): string {
  const [start, end] = [from ? `${formatNumber(from.at, 6)} < ` : "", to ? ` < ${formatNumber(to.at, 6)}` : ""];
  return `${start}${x}${end}${!from && !to ? " anywhere" : ""}`;
}
