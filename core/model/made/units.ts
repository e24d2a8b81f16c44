import type { Unit } from "../../units";
import type { UnitProblem } from "../unitCheck";

/** What the parts of a function say of its unit. */
export interface UnitsFound {
  readonly derived: Unit | null;
  readonly problems: readonly UnitProblem[];
  /** something was there that has a unit, so that agreement means something */
  readonly isTold: boolean;
}
export const told = (derived: Unit | null): UnitsFound => ({ derived, problems: [], isTold: derived !== null });
