import { latexName, subtract } from "../formula";
import { formatNumber } from "../explain";
import { findRoots } from "../solve";
import { alike, byCases } from "./cases";
import { endingOf } from "./ending";
import { halving } from "./halving";
import { worked } from "./solving";
import { newSetting, shownAs, stated, written, type Equation, type Setting, type WorkingStep } from "./statement";

/** What is said of the first line in numbers, and whether the answers are put back in. */
export interface Manner {
  readonly says?: string;
  readonly isChecked?: boolean;
}

/**
 * The working of an equation: in numbers, by the rules of algebra as far as these lead, else by halving; then what is
 * set aside, the answers as decimals, and the check.
 * @param prelude  what is asked, in names
 * @returns an empty list where there is no working that is proven
 */
export function equationWorking(
  prelude: readonly WorkingStep[],
  eq: Equation,
  on: Setting,
  { says = "The numbers put in.", isChecked = true }: Manner = {},
): WorkingStep[] {
  const { period } = findRoots(subtract(eq.left, eq.right), on.table, on.range, on.work);
  const steps = solving(eq, period ? newSetting(on.x, period.range, on.table) : on, isChecked);
  if (steps.length === 0) return [];
  const isSaid = prelude.some((s) => s.text === shownAs(eq, on.x).text);
  const first = isSaid ? [] : [stated("numbers", says, eq, on.x)];
  return [...prelude, ...first, ...steps, ...(period ? [again(period.every.at, on)] : [])];
}

function solving(eq: Equation, on: Setting, isChecked: boolean): WorkingStep[] {
  for (const way of [worked, byCases]) {
    const found = way(eq, on);
    const end = found && endingOf(eq, found, on, isChecked);
    if (end) return [...found.steps, ...end];
  }
  return alike(eq, on) ?? halving(eq, on);
}

/** The range has no end, and both sides repeat. */
function again(every: number, { x }: Setting): WorkingStep {
  const size = formatNumber(every, 8);
  return written("period", "Both sides repeat: these are the answers of the first period, and they come again.", {
    text: `${x} + ${size} n for n = 0, 1, 2, …`,
    latex: `${latexName(x)} + ${size}\\,n \\text{ for } n = 0, 1, 2, \\dots`,
  });
}
