import { expressionText, subtract, type Expression } from "../formula";
import { formatNumber } from "../explain";
import { ratio, rationalOfDouble, type Rational } from "../numeric";
import { constantSign, spotOfConstant, type Spot } from "../solve";
import { toldSign, type Equation, type Solutions } from "../working";
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
  return roundedNumber(left, right) ?? apart(left, right);
}
/** A decimal that is the number on the other side, rounded. */
function roundedNumber(left: Expression, right: Expression): Said | null {
  const typed = right.kind === "number" ? right.exact : null;
  const places = /^-?\d+(?:\.(\d+))?$/.exec(expressionText(right, ""))?.[1]?.length ?? 0;
  if (places === 0 || !typed || !isRounded(spotOfConstant(left), typed, places)) return null;
  return say("follows", `Rounded to ${places} ${places === 1 ? "place" : "places"}; then ≈ is the sign.`);
}

/** Whether a number is proven to lie within half of the last place of a decimal. */
function isRounded({ lo, hi, rational }: Spot, typed: Rational, places: number): boolean {
  if (!Number.isFinite(lo) || !Number.isFinite(hi)) return false;
  const half = ratio(1n, 2n * 10n ** BigInt(places));
  const ends = rational ? [rational] : [rationalOfDouble(lo), rationalOfDouble(hi)];
  return ends.every((end) => end.sub(typed).abs().compare(half) <= 0);
}

function apart(a: Expression, b: Expression): Said {
  const [left, right] = [a, b].map((e) => formatNumber(spotOfConstant(e).at, 8)) as [string, string];
  return say("wrong", `The left is ${left}, the right ${right}.`);
}

/** Decimals that are the answers above, each rounded as it is written. */
export function roundedAs(list: readonly Rounded[], above: Solutions, x: string): Said | null {
  if (!above.isWhole || above.stretches.length > 0) return null;
  const hits = list.map((r) => above.spots.filter((s) => isRounded(s, r.value, r.places)));
  if (hits.some((h) => h.length !== 1)) return null;
  const lost = above.spots.filter((s) => !hits.some((h) => h[0] === s));
  if (lost.length > 0) return say("loses", `Loses ${told(lost, x)}.`);
  return say("follows", list.some((r) => r.isExact) ? "Follows, rounded: then ≈ is the sign." : "Follows, rounded.");
}

/** Answers in words: x = 3 and x ≈ 4.2. */
export function told(list: readonly Spot[], x: string): string {
  const said = list.slice(0, 3).map((s) => {
    const number = formatNumber(s.at, 8);
    return `${x} ${toldSign(number, s.rational)} ${number}`;
  });
  const more = list.length > 3 ? ` and ${list.length - 3} more` : "";
  return said.join(" and ") + more;
}
