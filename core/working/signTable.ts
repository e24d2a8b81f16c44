import { formatNumber } from "../explain";
import type { Expression } from "../formula";
import { signedParts, type SignedPart, type Spot } from "../solve";
import { toldSign } from "./toldSign";
import { written, type Setting, type WorkingStep } from "./statement";

/** Stretches of one sign that are told. */
const MOST_ROWS = 12;
/** Digits of the ends of a stretch. */
const DIGITS = 6;
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
  const rows = rowsOf(parts);
  if (!rows || rows.length > MOST_ROWS) return [];
  return rows.map(({ from, to, sign }) => {
    const range = rangeSaid(from, to, on.x);
    const none = sign === "none";
    const rangeTex = range.replace(/∞/g, "\\infty");
    const cut = isCut(from) || isCut(to) ? " (ends rounded)" : "";
    return written("signs", `${says(sign)}${cut}`, {
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
/** The stretches between places; null where one is not settled, or has more steps than are listed. */
function rowsOf(parts: readonly SignedPart[]): Row[] | null {
  const out: Row[] = [];
  for (const { part, sign } of parts) {
    if (sign === "open" || (part.kind !== "cell" && part.kind !== "place")) return null;
    if (part.kind === "cell") out.push({ from: part.from, to: part.to, sign });
  }
  return out;
}
/** Whether an end is told with fewer digits than it has. */
const isCut = (s: Spot | null): boolean => s !== null && toldSign(formatNumber(s.at, DIGITS), s.rational) === "≈";

function rangeSaid(from: Spot | null, to: Spot | null, x: string): string {
  const [start, end] = [
    from ? `${formatNumber(from.at, DIGITS)} < ` : "",
    to ? ` < ${formatNumber(to.at, DIGITS)}` : "",
  ];
  return `${start}${x}${end}${!from && !to ? " anywhere" : ""}`;
}
