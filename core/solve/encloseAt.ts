import { poly, type Rational } from "../numeric";
import { compileEnclosure, encloseRational, exactNumber, substitute, type Expression } from "../formula";
import type { Enclosure } from "../interval";
import { exactRational } from "./constant";
import { polynomialForm } from "./rationalForm";
import type { FunctionTable } from "./table";

/** The exact value of a formula at an exact input, where it has one. */
export function exactValueAt(e: Expression, x: Rational): Rational | null {
  const p = polynomialForm(e);
  if (p) return poly.valueAt(p, x);
  return exactRational(substitute(e, exactNumber(x)));
}

/** Bounds of a formula at an exact input. */
export function encloseAt(e: Expression, table: FunctionTable, x: Rational): Enclosure {
  const exact = exactValueAt(e, x);
  return exact ? encloseRational(exact) : compileEnclosure(e, table.enclosure)(encloseRational(x));
}
