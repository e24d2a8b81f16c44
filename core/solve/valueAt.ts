import { ratio, signOf, type Rational, poly } from "../numeric";
import { dependsOnVariable, subtract, type Expression } from "../formula";
import { isExactlyZero } from "./constant";
import { polynomialForm } from "./rationalForm";
import { spotOfRational, type Spot } from "./spot";
import { mayBreak } from "./breaking";
import { inline } from "./inline";
import type { FunctionTable } from "./table";
import { Chooser } from "./chooser";
import { withoutNothing } from "./withoutNothing";
import { type ValueAt, NONE, OPEN, rationalValue, valueOf } from "./value";

/** What a function by pieces, kinks and stairs is worth at a spot, every branch chosen by a proven sign. */
export function valueAt(e: Expression, spot: Spot, table: FunctionTable): ValueAt {
  const p = spot.rational && polynomialForm(e);
  if (p) return rationalValue(poly.valueAt(p, spot.rational!));
  const there = new Chooser(spot, table).branch(inline(e, table));
  if (there === "none") return NONE;
  return there === "open" ? OPEN : valueOf(withoutNothing(there), spot, table);
}

/** The branch of a function that holds at a spot, free of kinks, stairs and pieces. */
export const branchAt = (e: Expression, spot: Spot, table: FunctionTable): Expression | "none" | "open" =>
  mayBreak(e) ? new Chooser(spot, table).branch(e) : e;

/** Sign of a value, 0 only when proven. */
export const signOfValue = (v: ValueAt & { kind: "value" }): -1 | 0 | 1 | null =>
  v.lo > 0
    ? 1
    : v.hi < 0
      ? -1
      : v.exact
        ? signOf(v.exact)
        : v.form && !dependsOnVariable(v.form) && isExactlyZero(v.form)
          ? 0
          : null;

/** Two values proven to be one. */
export function areEqualValues(
  a: { exact: Rational | null; form: Expression | null },
  b: { exact: Rational | null; form: Expression | null },
): boolean {
  if (a.exact && b.exact) return a.exact.compare(b.exact) === 0;
  return a.form !== null && b.form !== null && isExactlyZero(subtract(a.form, b.form));
}

/** The value of an expression without variable, every branch chosen. */
export function constantValue(e: Expression, table: FunctionTable): ValueAt {
  return valueAt(e, spotOfRational(ratio(0)), table);
}
