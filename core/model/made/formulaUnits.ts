import type { Unit } from "../../units";
import { checkUnits, type UnitNames, type UnitProblem } from "../unitCheck";
import type { Bench } from "./bench";
import type { UnitsFound } from "./units";

/** The unit of formulas: of the first that has one; what disagrees in any of them is told at its place. */
export function formulaUnits(
  texts: readonly { text: string; path: string }[],
  bench: Bench,
  names: UnitNames,
): UnitsFound {
  const problems: UnitProblem[] = [];
  let derived: Unit | null = null;
  let isTold = false;
  texts.forEach(({ text, path }, i) => {
    const syntax = bench.resolved[i]?.syntax;
    if (!syntax) return;
    const check = checkUnits(syntax, text, names);
    isTold ||= check.anything;
    derived ??= check.unit;
    for (const p of check.problems) {
      problems.push(p);
      bench.shop.problems.warn(`${bench.path}.${path}`, p.message, p);
    }
  });
  return { derived, problems, isTold };
}
