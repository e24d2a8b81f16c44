import { decimalText, dependsOnVariable, expressionText, subtract, type Expression } from "../formula";
import { formatNumber } from "../explain";
import { constantSign, encloseConstant, type Spot } from "../solve";
import type { Equation, Solutions } from "../working";
import type { Rounded } from "./ownLine";
import { FOLLOWS, say, type Said } from "./said";

/** Several ways to tell one number. */
export function sameNumbers([first, ...others]: readonly Expression[]): Said {
  const said = others.map((other) => constants({ kind: "equation", left: first!, right: other }));
  return said.find((s) => s.verdict !== "follows") ?? said.find((s) => s !== FOLLOWS) ?? FOLLOWS;
}

/** Two numbers that are told to be one. */
export function constants({ left, right }: Equation): Said {
  const sign = constantSign(subtract(left, right));
  if (sign === 0) return FOLLOWS;
  if (sign === null) return say("open", "Not settled: the two numbers could not be told apart, nor shown to be one.");
  return roundedNumber(left, right) ?? wrongNumbers(left, right, null);
}
/** A decimal that is the number on the other side, rounded. */
function roundedNumber(left: Expression, right: Expression): Said | null {
  const text = expressionText(right, "");
  const places = /^-?\d+(?:\.(\d+))?$/.exec(text)?.[1]?.length ?? 0;
  const off = Math.abs(valueOf(left) - valueOf(right));
  if (places === 0 || off > 0.5000001 * 10 ** -places) return null;
  return say("follows", `Rounded to ${places} ${places === 1 ? "place" : "places"}; then ≈ is the sign.`);
}
const valueOf = (e: Expression): number => {
  const { lo, hi } = encloseConstant(e);
  return (lo + hi) / 2;
};

export function wrongNumbers(a: Expression, b: Expression, rounded: readonly Rounded[] | null): Said {
  if (rounded && roundedNumber(a, b)) return FOLLOWS;
  if (dependsOnVariable(a) || dependsOnVariable(b)) return say("wrong", "These two sides are not the same.");
  return say("wrong", `The left is ${formatNumber(valueOf(a), 8)}, the right ${formatNumber(valueOf(b), 8)}.`);
}

/** Decimals that are the answers above, each rounded as it is written. */
export function roundedAs(list: readonly Rounded[], above: Solutions, x: string): Said | null {
  if (!above.isWhole || above.stretches.length > 0) return null;
  const hit = (r: Rounded) => above.spots.filter((s) => Math.abs(s.at - r.value) <= 0.5000001 * 10 ** -r.places);
  const hits = list.map(hit);
  if (hits.some((h) => h.length !== 1)) return null;
  const isAll = above.spots.every((s) => hits.some((h) => h[0] === s));
  if (!isAll) {
    const lost = above.spots.filter((s) => !hits.some((h) => h[0] === s));
    return say("loses", `Loses ${told(lost, x)}.`);
  }
  return list.some((r) => r.isExact)
    ? say("follows", "Follows, rounded: then ≈ is the sign.")
    : say("follows", "Follows, rounded.");
}

const isShort = ({ rational }: Spot): boolean => rational !== null && decimalText(rational, 6) !== null;

/** Answers in words: x = 3 and x ≈ 4.2. */
export function told(list: readonly Spot[], x: string): string {
  const said = list.slice(0, 3).map((s) => `${x} ${isShort(s) ? "=" : "≈"} ${formatNumber(s.at, 8)}`);
  const more = list.length > 3 ? ` and ${list.length - 3} more` : "";
  return said.join(" and ") + more;
}
