import { ONE, ZERO, floorOf, isInteger, poly, ratio, rationalOfDouble, type Rational } from "../numeric";
import { EMPTY, Enclosure } from "../interval";
import { compileEnclosure, type Expression } from "../formula";
import { polynomialForm } from "./rationalForm";
import type { FunctionTable } from "./table";
import { stairStep } from "./chooser";

export type Stair = "floor" | "ceil" | "round";

/** The step an argument is certainly on at an input; null where it lies too close to the next. */
export function stepAt(name: Stair, u: Expression, x: number, table: FunctionTable): Rational | null {
  const v = compileEnclosure(u, table.enclosure)(new Enclosure(x, x));
  if (!(v.flags & EMPTY) && Number.isFinite(v.lo) && Number.isFinite(v.hi)) {
    // Both ends on one step, and neither just where a step begins.
    const [a, b] = [stairStep(name, rationalOfDouble(v.lo)), stairStep(name, rationalOfDouble(v.hi))];
    if (a.compare(b) === 0 && (v.lo < v.hi || !isInteger(shifted(name, rationalOfDouble(v.lo))))) return a;
  }
  const p = polynomialForm(u);
  if (!p) return null;
  const value = poly.valueAt(p, rationalOfDouble(x));
  return isInteger(shifted(name, value)) && poly.degree(p) > 0 ? null : stairStep(name, value);
}

/** Where a stair steps, in order: all arguments between two others, exactly, and at most one more at each end. */
export function bordersOf(name: Stair, reach: { readonly lo: number; readonly hi: number }): Rational[] {
  const shift = name === "round" ? ratio(1, 2) : ZERO;
  const out: Rational[] = [];
  const last = rationalOfDouble(reach.hi).add(ONE);
  let border = floorOf(rationalOfDouble(reach.lo).sub(shift)).add(shift);
  for (; border.compare(last) < 0; border = border.add(ONE)) out.push(border);
  return out;
}

const shifted = (name: Stair, r: Rational): Rational => (name === "round" ? r.add(ratio(1, 2)) : r);
