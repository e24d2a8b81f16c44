import { expressionText, latexName, same, subtract, type Expression } from "../formula";
import { formatNumber } from "../explain";
import { compareSpots, isIdenticallyZero, partition, spotOfConstant, tidied, type Spot, type Stretch } from "../solve";
import { isOn, solutionsOf } from "./proof";
import { worked } from "./solving";
import { toldSign } from "./toldSign";
import {
  equation,
  newSetting,
  stated,
  told,
  written,
  type Equation,
  type Setting,
  type Solved,
  type WorkingStep,
} from "./statement";

/** Ranges a function is taken apart into; more would be no working. */
const MOST_CASES = 6;

interface Case {
  readonly from: Spot | null;
  readonly to: Spot | null;
  readonly left: Expression;
  readonly right: Expression;
}

/** An equation with pieces, absolute values, least and greatest of several: case by case, each on its own range. */
export function byCases(eq: Equation, on: Setting): Solved | null {
  const list = casesOf(eq, on);
  if (!list || list.length < 2 || list.length > MOST_CASES) return null;
  const steps: WorkingStep[] = [];
  const answers: Expression[] = [];
  for (const one of list) {
    const inner = equation(one.left, one.right);
    const within = newSetting(on.x, { from: one.from, to: one.to }, on.table);
    steps.push(stated("case", `${rangeOf(one, on)}:`, inner, on.x));
    const found = worked(inner, within);
    if (!found) return null;
    steps.push(...found.steps);
    for (const answer of found.answers) {
      const there = isOn(spotOfConstant(answer), within);
      if (there === null) return null;
      if (there) answers.push(answer);
      else steps.push(outside(answer, on.x));
    }
  }
  return { steps, answers, isLoose: true };
}

/** Two sides that are one and the same: on each stretch both have one formula; null where that is not proven. */
export function alike(eq: Equation, on: Setting): WorkingStep[] | null {
  const list = casesOf(eq, on);
  if (!list || list.length === 0 || list.length > MOST_CASES) return null;
  if (!list.every((one) => isIdenticallyZero(tidied(subtract(one.left, one.right))))) return null;
  const known = solutionsOf(eq, on);
  if (!known.isWhole || known.stretches.length === 0 || known.spots.length > 0) return null;
  const isEverywhere = known.stretches.length === 1 && isAllOf(known.stretches[0]!, on);
  const where = isEverywhere ? "of the range" : "where both sides have a value";
  return [
    ...list.map((one) => {
      const [left, right] = [tidied(one.left), tidied(one.right)];
      const says = list.length === 1 ? "Both sides, brackets cleared." : `${rangeOf(one, on)}:`;
      return stated("case", says, equation(left, right), on.x);
    }),
    written("identity", "Both sides are the same there, whatever the input.", {
      text: `true for every ${on.x} ${where}`,
      latex: `\\text{true for every } ${latexName(on.x)} \\text{ ${where}}`,
    }),
  ];
}

/** Whether a stretch is the whole range, with its ends. */
function isAllOf(s: Stretch, { range, table }: Setting): boolean {
  const isEnd = (end: Spot | null, of: Spot | null) => (end && of ? compareSpots(end, of, table) === 0 : end === of);
  const isClosed = (range.from === null || s.closedLo) && (range.to === null || s.closedHi);
  return isClosed && isEnd(s.from, range.from) && isEnd(s.to, range.to);
}

function casesOf(eq: Equation, { range, table, work }: Setting): Case[] | null {
  const out: Case[] = [];
  for (const part of partition([eq.left, eq.right], table, range, work)) {
    if (part.kind === "place") continue;
    if (part.kind !== "cell") return null;
    const [left, right] = part.formulas;
    const last = out[out.length - 1];
    if (!left || !right) continue;
    const isSame =
      last &&
      same(last.left, left) &&
      same(last.right, right) &&
      last.to &&
      part.from &&
      compareSpots(last.to, part.from, table) === 0;
    if (isSame) out[out.length - 1] = { ...last, to: part.to };
    else out.push({ from: part.from, to: part.to, left, right });
  }
  return out;
}

function rangeOf({ from, to }: Case, { x }: Setting): string {
  const [a, b] = [from, to].map((s) => s && (s.exact ? expressionText(s.exact.expression, x) : formatNumber(s.at, 6)));
  return a && b ? `For ${x} from ${a} to ${b}` : a ? `For ${x} from ${a} on` : `For ${x} up to ${b ?? "the end"}`;
}

function outside(answer: Expression, x: string): WorkingStep {
  const spot = spotOfConstant(answer);
  const said = formatNumber(spot.at, 8);
  return written("set aside", "Set aside: it lies outside this range.", told(x, toldSign(said, spot.rational), said));
}
