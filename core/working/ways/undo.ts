import { wholeNumber } from "../../formula/numbers";
import { divide, negate, nthRoot, power } from "../../formula/build";
import { dependsOnVariable, expressionText, wholeExponent } from "../../formula";
import { constantSign, exactRational, rationalForm } from "../../solve";
import { NONE, NOUGHT, anyOf, equation, type Equation, type Setting, type Statement } from "../statement";
import { undone } from "./undone";
import { timesWritten, type Move } from "./way";

/** Undoes the outermost operation, where the unknown is written once or no polynomial will do. */
export function undo(eq: Equation, on: Setting): Move | null {
  const isClear = timesWritten(eq.left) === 1 || rationalForm(eq.left) === null;
  if (dependsOnVariable(eq.right) || !isClear) return null;
  const both = ofTwoSigns(eq, on);
  if (both) return both;
  const next = undone(eq, on.x);
  if (!next) return null;
  if (next.kind === "impossible") return { rule: "impossible", says: next.says, to: NONE };
  return { rule: next.rule, says: next.says, to: equation(next.left, next.right) };
}

/** |u| = c and u² = c hold for two values of u. */
function ofTwoSigns({ left: u, right: c }: Equation, on: Setting): Move | null {
  const even = u.kind === "power" ? wholeExponent(u.b) : null;
  const isEven = even !== null && even >= 2 && even % 2 === 0;
  const isAbs = u.kind === "apply" && u.name === "abs";
  if (!isEven && !isAbs) return null;
  const inner = (u as Extract<typeof u, { a: unknown }>).a;
  const sign = constantSign(c);
  if (sign === null) return null;
  const what = isAbs ? "An absolute value" : "An even power";
  if (sign < 0) return { rule: "impossible", says: `${what} is never negative: there is no solution.`, to: NONE };
  if (sign === 0) return { rule: "zero", says: `${what} is 0 where what it is of is 0.`, to: equation(inner, NOUGHT) };
  const size = isAbs ? c : nthRoot(c, even!);
  const said = expressionText(size, on.x);
  return {
    rule: isAbs ? "absolute value" : "even root",
    says: isAbs
      ? `What is inside is ${said} or its opposite.`
      : `${even === 2 ? "The square root" : `The root of order ${even}`}, with both signs.`,
    to: anyOf([negate(size), size].map((r): Statement => equation(inner, r))),
  };
}

/** The unknown on the right alone: the sides are exchanged. */
export function exchanged(eq: Equation, _on: Setting): Move | null {
  if (dependsOnVariable(eq.left) || !dependsOnVariable(eq.right)) return null;
  return { rule: "exchange", says: "The sides exchanged.", to: equation(eq.right, eq.left), isKey: false };
}

/** u^p = c for a p that is no whole number: u is not negative, and the power is undone by 1/p. */
export function brokenPower(eq: Equation, on: Setting): Move | null {
  const { left: u, right: c } = eq;
  if (u.kind !== "power" || dependsOnVariable(u.b) || dependsOnVariable(c) || wholeExponent(u.b) !== null) return null;
  if (constantSign(c) !== 1 || !exactRational(u.b)) return null;
  const inverse = divide(wholeNumber(1), u.b);
  return {
    rule: "power",
    says: `Raise both sides to the power ${expressionText(inverse, on.x)}.`,
    to: equation(u.a, power(c, inverse)),
  };
}
