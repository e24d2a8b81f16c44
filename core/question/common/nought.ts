import { VARIABLE, add, dependsOnVariable, exactNumber, substitute, subtract, type Expression } from "../../formula";
import { ratio } from "../../numeric";
import {
  compareSpots,
  inline,
  isExactlyZero,
  numberOfSpot,
  parityOf,
  partition,
  type FunctionTable,
  type Spot,
} from "../../solve";
import { antiderivative } from "../../working";

/**
 * Whether a total is proven to be 0: on one side of the middle the function has the values of the other with their
 * signs turned, or it has an antiderivative that gains nothing from one end to the other.
 * @param e  bounded between the ends
 */
export function isNought(e: Expression, table: FunctionTable, from: Spot, to: Spot): boolean {
  // A total turns its sign with its direction, and 0 has none.
  if (compareSpots(from, to, table) === 1) return isNought(e, table, to, from);
  if (from.rational && to.rational) {
    const middle = exactNumber(from.rational.add(to.rational).div(ratio(2)));
    if (parityOf(substitute(inline(e, table), add(VARIABLE, middle))) === "odd") return true;
  }
  let gain: Expression | null = null;
  for (const part of partition([e], table, { from, to })) {
    if (part.kind === "place") continue;
    const f = part.kind === "cell" ? part.formulas[0] : null;
    const primitive = f && antiderivative(f);
    if (part.kind !== "cell" || !primitive || !part.from || !part.to) return false;
    const at = (end: Spot) => (dependsOnVariable(primitive) ? substitute(primitive, numberOfSpot(end)) : primitive);
    const own = subtract(at(part.to), at(part.from));
    gain = gain ? add(gain, own) : own;
  }
  return gain !== null && isExactlyZero(gain);
}
