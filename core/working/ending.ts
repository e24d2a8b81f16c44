import { compileEnclosure, dependsOnVariable, substitute, type Expression } from "../formula";
import { formatNumber } from "../explain";
import { compareSpots, encloseConstant, formOf, spotOfConstant, type Spot } from "../solve";
import { isOn, isRootAt, rangeSaid, solutionsOf } from "./proof";
import {
  numberLatex,
  told,
  written,
  type Equation,
  type Setting,
  type Shown,
  type Solved,
  type WorkingStep,
} from "./statement";
import { toldSign } from "./toldSign";

/** Digits of an answer that is told as a decimal. */
const DIGITS = 8;

/**
 * What is set aside, what stays, as decimals, and the check.
 * @returns null where what stays is not proven to be all there is
 */
export function endingOf(
  eq: Equation,
  { answers, isLoose }: Solved,
  on: Setting,
  isChecked = true,
): WorkingStep[] | null {
  const before = solutionsOf(eq, on);
  const steps: WorkingStep[] = [];
  const kept: { answer: Expression; spot: Spot }[] = [];
  for (const answer of answers) {
    const reason = asideOf(answer, eq, on);
    if (reason === "open") return null;
    if (reason) {
      steps.push(reason);
      continue;
    }
    const spot = spotOfConstant(answer);
    const sides = kept.map((k) => compareSpots(k.spot, spot, on.table));
    if (sides.includes(null)) return null;
    if (!sides.includes(0)) kept.push({ answer, spot });
  }
  if (!before.isWhole || kept.length !== before.spots.length) return null;
  kept.sort((a, b) => a.spot.at - b.spot.at);
  const decimals = inNumbers(kept, on);
  return [...steps, ...decimals, ...(isChecked ? checked(eq, kept, on, isLoose) : [])];
}

/** Why an answer of the algebra is none of the question; null where it is one, "open" where that is not settled. */
function asideOf(answer: Expression, eq: Equation, on: Setting): WorkingStep | null | "open" {
  if (Number.isNaN(encloseConstant(answer).lo)) {
    const says = "Set aside: this is no real number.";
    return written("set aside", says, { text: formOf(answer).text, latex: formOf(answer).latex });
  }
  const spot = spotOfConstant(answer);
  const shown = answerTold(spot, on.x);
  const there = isOn(spot, on);
  if (there === null) return "open";
  if (!there) return written("set aside", `Set aside: outside the range ${rangeSaid(on) ?? on.x}.`, shown);
  if (isRootAt(eq, answer)) return null;
  const sides = solutionsOf(eq, on).spots.map((s) => compareSpots(s, spot, on.table));
  if (sides.includes(0)) return null;
  if (sides.includes(null)) return "open";
  return written("set aside", "Set aside: put back in, it does not hold.", {
    text: `${shown.text}: ${valuesAt(eq, answer, on)}`,
    latex: `${shown.latex}:\\; ${valuesAt(eq, answer, on, true)}`,
  });
}

/** Both sides at an answer: "left 219.13, right 219.13". */
function valuesAt(eq: Equation, answer: Expression, on: Setting, isLatex = false): string {
  const list = [eq.left, eq.right].map((side) => valueAt(side, answer, on));
  const [left, right] = list as [string, string];
  return isLatex
    ? `\\text{left } ${left},\\; \\text{right } ${right}`.replace(/−/g, "-")
    : `left ${left}, right ${right}`;
}
function valueAt(side: Expression, answer: Expression, { table }: Setting): string {
  const put = dependsOnVariable(side) ? substitute(side, answer) : side;
  const { lo, hi } = compileEnclosure(put, table.enclosure)(encloseConstant(answer));
  return Number.isNaN(lo) ? "no value" : formatNumber((lo + hi) / 2, DIGITS);
}

/** An answer as it is told. */
function answerTold({ rational, at }: Spot, x: string): Shown {
  const said = formatNumber(at, DIGITS);
  return told(x, toldSign(said, rational), said);
}

/** Answers that are no fractions of few digits, as decimals. */
function inNumbers(kept: readonly { answer: Expression; spot: Spot }[], on: Setting): WorkingStep[] {
  const list = kept.map((k) => answerTold(k.spot, on.x));
  if (list.every((t) => !t.text.includes("≈"))) return [];
  return [
    written("decimal", "In numbers.", {
      text: list.map((t) => t.text).join(" or "),
      latex: list.map((t) => t.latex).join(" \\quad\\text{or}\\quad "),
    }),
  ];
}

/** The answers put back in: that both sides are one number there is proven, so one is told. */
function checked(
  eq: Equation,
  kept: readonly { answer: Expression; spot: Spot }[],
  on: Setting,
  isLoose: boolean,
): WorkingStep[] {
  return kept.map(({ answer, spot }) => {
    const at = answerTold(spot, on.x);
    const both = dependsOnVariable(eq.right) ? valueAt(eq.left, answer, on) : valueAt(eq.right, answer, on);
    return written(
      "check",
      "Check, put back in: both sides are the same.",
      { text: `${at.text}: ${both} = ${both}`, latex: `${at.latex}:\\; ${numberLatex(both)} = ${numberLatex(both)}` },
      isLoose,
    );
  });
}
