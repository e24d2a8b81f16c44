import { ONE, isInteger, poly, ratio, signOf, type Rational } from "../numeric";
import { exactNumber } from "../formula/numbers";
import { dependsOnVariable, expressionLatex, expressionText, subtract, type Expression } from "../formula";
import { exactRational, polynomialForm, signed, termsOf, type Spot, type Stretch } from "../solve";
import { rangeSaid, solutionsOf } from "./proof";
import { NONE, equation, shownAs, stated, written } from "./statement";
import type { Equation, Setting, Shown, WorkingStep } from "./statement";

type Stair = Expression & { readonly kind: "apply"; readonly name: "floor" | "ceil" | "round" };

/** Numbers between two ends, each with or without it. */
interface Between {
  readonly low: Rational;
  readonly high: Rational;
  readonly hasLow: boolean;
  readonly hasHigh: boolean;
}

const WORDS = {
  floor: "Rounded down it is that number from there up to below the next.",
  ceil: "Rounded up it is that number from above the one before up to there.",
  round: "Rounded it is that number within a half of it, a half itself going away from 0.",
} as const;

/**
 * k floor(a x + b) + m = c and its like, read off the stair.
 * @returns none where it is of another kind, or what comes out is not proven to be all there is on the range
 */
export function stairLines(eq: Equation, on: Setting): WorkingStep[] {
  const alone = stairAlone(eq);
  const line = alone && polynomialForm(alone.stair.a);
  if (!alone || !line || poly.degree(line) !== 1) return [];
  const { stair, level } = alone;
  const lines = [stated("numbers", "The numbers put in.", eq, on.x)];
  const short = equation(stair, exactNumber(level));
  if (eq.left.kind !== "apply") lines.push(stated("collect", "The stair alone on one side.", short, on.x));
  const found = solutionsOf(eq, on);
  if (!found.isWhole || found.spots.length + found.stretches.length > 1) return [];
  if (!isInteger(level)) {
    const says = `What is rounded is a whole number, and ${sideOf(exactNumber(level), "").text} is none.`;
    return found.stretches.length + found.spots.length === 0 ? [...lines, stated("stair", says, NONE, on.x)] : [];
  }
  const inner = stepOf(stair.name, level);
  lines.push(written("stair", WORDS[stair.name], between(inner, sideOf(stair.a, on.x))));
  const outer = solvedFor(inner, line[0]!, line[1]!);
  if (stair.a.kind !== "variable")
    lines.push(written("collect", `Solved for ${on.x}.`, between(outer, { text: on.x, latex: on.x })));
  const [stretch] = found.stretches;
  if (stretch && isThat(stretch, outer)) return lines;
  // Part of it, or all, lies outside the range.
  const left = stretch ? partOf(stretch, outer) : found.spots[0] ? spotIn(found.spots[0], outer) : null;
  const range = rangeSaid(on);
  const isNothing = !stretch && found.spots.length === 0 && !meetsRange(outer, on);
  if (range === null || !(left || isNothing)) return [];
  const shown = left ? between(left, { text: on.x, latex: on.x }) : shownAs(NONE, on.x);
  return [...lines, written("set aside", `Set aside what lies outside ${range}.`, shown)];
}

/** The one stair of an equation and what it comes to; null where there are others, or more than a multiple of it. */
function stairAlone({ left, right }: Equation): { stair: Stair; level: Rational } | null {
  const terms = termsOf(subtract(left, right)).map(signed);
  const moving = terms.filter(dependsOnVariable);
  if (moving.length !== 1) return null;
  let still: Rational = ratio(0);
  for (const t of terms.filter((one) => !dependsOnVariable(one))) {
    const r = exactRational(t);
    if (!r) return null;
    still = still.add(r);
  }
  const times = multipleOf(moving[0]!, ONE);
  return times && { stair: times.stair, level: still.neg().div(times.k) };
}

function multipleOf(e: Expression, k: Rational): { stair: Stair; k: Rational } | null {
  if (e.kind === "negate") return multipleOf(e.a, k.neg());
  if (e.kind === "apply" && (e.name === "floor" || e.name === "ceil" || e.name === "round"))
    return { stair: e as Stair, k };
  const factor = e.kind === "multiply" ? exactRational(e.a) : e.kind === "divide" ? exactRational(e.b) : null;
  if (!factor || signOf(factor) === 0) return null;
  if (e.kind === "multiply") return multipleOf(e.b, k.mul(factor));
  return e.kind === "divide" ? multipleOf(e.a, k.div(factor)) : null;
}

/** What is rounded to a whole number n. */
function stepOf(name: Stair["name"], n: Rational): Between {
  if (name === "floor") return { low: n, high: n.add(ONE), hasLow: true, hasHigh: false };
  if (name === "ceil") return { low: n.sub(ONE), high: n, hasLow: false, hasHigh: true };
  const half = ratio(1, 2);
  return { low: n.sub(half), high: n.add(half), hasLow: signOf(n) > 0, hasHigh: signOf(n) < 0 };
}

/** Inputs at which b + a x lies between two ends. */
function solvedFor(inner: Between, b: Rational, a: Rational): Between {
  const [low, high] = [inner.low.sub(b).div(a), inner.high.sub(b).div(a)];
  return signOf(a) > 0
    ? { ...inner, low, high }
    : { low: high, high: low, hasLow: inner.hasHigh, hasHigh: inner.hasLow };
}

const sideOf = (e: Expression, x: string): Shown => ({ text: expressionText(e, x), latex: expressionLatex(e, x) });

function between({ low, high, hasLow, hasHigh }: Between, side: Shown): Shown {
  const [a, b] = [low, high].map((r) => sideOf(exactNumber(r), ""));
  if (low.compare(high) === 0) return { text: `${side.text} = ${a!.text}`, latex: `${side.latex} = ${a!.latex}` };
  return {
    text: `${a!.text} ${hasLow ? "<=" : "<"} ${side.text} ${hasHigh ? "<=" : "<"} ${b!.text}`,
    latex: `${a!.latex} ${hasLow ? "\\le" : "<"} ${side.latex} ${hasHigh ? "\\le" : "<"} ${b!.latex}`,
  };
}

const isThat = ({ from, to, closedLo, closedHi }: Stretch, b: Between): boolean =>
  from?.rational?.compare(b.low) === 0 &&
  to?.rational?.compare(b.high) === 0 &&
  closedLo === b.hasLow &&
  closedHi === b.hasHigh;

/** What was found, where it is a part of what was read off; null where it is not. */
const partOf = ({ from, to, closedLo, closedHi }: Stretch, b: Between): Between | null =>
  from?.rational && to?.rational && from.rational.compare(b.low) >= 0 && to.rational.compare(b.high) <= 0
    ? { low: from.rational, high: to.rational, hasLow: closedLo, hasHigh: closedHi }
    : null;
const spotIn = ({ rational: x }: Spot, b: Between): Between | null =>
  x && x.compare(b.low) >= 0 && x.compare(b.high) <= 0 ? { low: x, high: x, hasLow: true, hasHigh: true } : null;

/** Whether what was found reaches into the range at all. */
function meetsRange(b: Between, { range: { from, to } }: Setting): boolean {
  const isAbove = to?.rational && (b.low.compare(to.rational) > 0 || (b.low.compare(to.rational) === 0 && !b.hasLow));
  const isBelow =
    from?.rational && (b.high.compare(from.rational) < 0 || (b.high.compare(from.rational) === 0 && !b.hasHigh));
  return !isAbove && !isBelow;
}
