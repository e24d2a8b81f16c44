import { wholeNumber } from "../../formula/numbers";
import { add, apply, divide, multiply, negate, power, subtract } from "../../formula/build";
import { dependsOnVariable, expressionText, wholeExponent, type Expression } from "../../formula";
import { isZero } from "../../numeric";
import { encloseConstant, exactRational } from "../../solve";

/** What undoing the outermost operation of an equation's left side comes to. */
export type Undone =
  | {
      readonly kind: "step";
      readonly rule: string;
      readonly says: string;
      readonly left: Expression;
      readonly right: Expression;
    }
  /** no number makes it true */
  | { readonly kind: "impossible"; readonly says: string };
/** Both sides, with the unknown on the left alone. */
export interface Equation {
  readonly left: Expression;
  readonly right: Expression;
}

const step = (rule: string, says: string, left: Expression, right: Expression): Undone => ({
  kind: "step",
  rule,
  says,
  left,
  right,
});
const impossible = (says: string): Undone => ({ kind: "impossible", says });

/**
 * Undoes the outermost operation of the left side, as a student would; null where that is not the way.
 * @param x  the unknown, for words
 */
export function undone({ left: u, right: c }: Equation, x: string): Undone | null {
  switch (u.kind) {
    case "negate":
      return step("sign", "Change the sign of both sides.", u.a, negate(c));
    case "add":
    case "subtract":
    case "multiply":
    case "divide":
      return undoneOfTwo(u, c, x);
    case "power":
      return undonePower(u, c, x);
    case "apply":
      return undoneFunction(u, c);
    default:
      return null;
  }
}

type OfTwo = Expression & { readonly kind: "add" | "subtract" | "multiply" | "divide" };

/** A sum, difference, product or quotient of which one side stands still. */
function undoneOfTwo(u: OfTwo, c: Expression, x: string): Undone | null {
  const isFirstMoving = dependsOnVariable(u.a);
  if (isFirstMoving === dependsOnVariable(u.b)) return null;
  const [moving, still] = isFirstMoving ? [u.a, u.b] : [u.b, u.a];
  const text = expressionText(still, x);
  const isNegative = still.kind === "number" && still.value < 0;
  if (u.kind === "add")
    return isNegative
      ? step("add", `Add ${expressionText(negate(still), x)} on both sides.`, moving, subtract(c, still))
      : step("subtract", `Subtract ${text} on both sides.`, moving, subtract(c, still));
  if (u.kind === "subtract")
    return isFirstMoving
      ? step("add", `Add ${text} on both sides.`, moving, add(c, still))
      : step("subtract", `Take ${text} to the other side.`, moving, subtract(still, c));
  if (u.kind === "multiply") {
    const factor = exactRational(still);
    return factor && isZero(factor) ? null : step("divide", `Divide by ${text}.`, moving, divide(c, still));
  }
  if (isFirstMoving) return step("multiply", `Multiply by ${text}.`, moving, multiply(c, still));
  const level = encloseConstant(c);
  return level.lo > 0 || level.hi < 0
    ? step("reciprocal", "Exchange denominator and value.", moving, divide(still, c))
    : impossible("A fraction with a fixed numerator is never 0.");
}

function undonePower(u: Expression & { readonly kind: "power" }, c: Expression, x: string): Undone | null {
  if (!dependsOnVariable(u.a)) {
    if (encloseConstant(c).hi <= 0)
      return impossible(`A power of ${expressionText(u.a, x)} is always positive: there is no solution.`);
    const says = "Take the logarithm of both sides, and divide by that of the base.";
    return step("logarithm", says, u.b, divide(apply("ln", c), apply("ln", u.a)));
  }
  const n = wholeExponent(u.b);
  // An even power has two roots, and is told in another way.
  if (n === null || n < 2 || n % 2 === 0) return null;
  return step("root", `Take the root of order ${n}.`, u.a, n === 3 ? apply("cbrt", c) : { kind: "root", a: c, n });
}

function undoneFunction(u: Expression & { readonly kind: "apply" }, c: Expression): Undone | null {
  const { hi } = encloseConstant(c);
  switch (u.name) {
    case "exp":
      return hi <= 0
        ? impossible("A power of e is always positive: there is no solution.")
        : step("logarithm", "Take the logarithm of both sides.", u.a, apply("ln", c));
    case "ln":
      return step("exponential", "Raise e to both sides.", u.a, apply("exp", c));
    case "log10":
      return step("exponential", "Raise 10 to both sides.", u.a, power(wholeNumber(10), c));
    case "log2":
      return step("exponential", "Raise 2 to both sides.", u.a, power(wholeNumber(2), c));
    case "sqrt":
      return hi < 0
        ? impossible("A square root is never negative: there is no solution.")
        : step("square", "Square both sides.", u.a, power(c, wholeNumber(2)));
    default:
      return null;
  }
}
