import { ONE, ZERO, denominator, equal, rationalOfDouble, toDouble, type Rational } from "../numeric";
import { Enclosure, down, up } from "../interval";
import type { Expression } from "./expression";

export const VARIABLE: Expression = { kind: "variable" };

/** The tightest enclosure of an exact number by doubles. */
export const encloseRational = (r: Rational): Enclosure => encloseNear(r, toDouble(r));

/** The same, where the nearest double is known already. */
function encloseNear(r: Rational, near: number): Enclosure {
  const d = denominator(r);
  // Only fractions over a power of two can be doubles; most decimals are not, and need no further look.
  const isDouble =
    (d & (d - 1n)) === 0n &&
    ((d === 1n && Number.isSafeInteger(near)) || (Number.isFinite(near) && equal(rationalOfDouble(near), r)));
  return isDouble ? new Enclosure(near, near) : new Enclosure(down(near), up(near));
}

export function exactNumber(r: Rational): Expression {
  const value = toDouble(r);
  return { kind: "number", value, exact: r, within: encloseNear(r, value) };
}
export const wholeNumber = (n: number): Expression => exactNumber(ONE.mul(BigInt(n)));
export const enclosedNumber = (value: number, within: Enclosure): Expression => ({
  kind: "number",
  value,
  exact: null,
  within,
});

/** π and e, each between neighbouring doubles. */
export const PI = enclosedNumber(Math.PI, new Enclosure(Math.PI, Math.PI + 2 ** -51));
export const EULER = enclosedNumber(Math.E, new Enclosure(Math.E, Math.E + 2 ** -51));

export const isExact = (e: Expression, r: Rational): boolean =>
  e.kind === "number" && e.exact !== null && equal(e.exact, r);
export const isZeroNumber = (e: Expression): boolean => isExact(e, ZERO);
export const isOneNumber = (e: Expression): boolean => isExact(e, ONE);
