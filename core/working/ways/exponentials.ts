import { VARIABLE, wholeNumber } from "../../formula/numbers";
import { add, apply, divide, multiply, negate, substitute, subtract } from "../../formula/build";
import { dependsOnVariable, differentiate, type Expression } from "../../formula";
import { constantSign, exactRational, isExactlyZero, signed, termsOf } from "../../solve";
import { isZero } from "../../numeric";
import { NONE, NOUGHT, equation, type Equation, type Setting } from "../statement";
import { inWords, type Move } from "./way";

/** One exponential on each side: both sides' logarithms, where the two factors have one sign. */
export function twoExponentials(eq: Equation, on: Setting): Move | null {
  const terms = termsOf(subtract(eq.left, eq.right)).filter((t) => !isNothing(t.term));
  if (terms.length !== 2) return null;
  const [first, second] = terms.map((t) => powerTerm(signed(t)));
  if (!first || !second || (!first.isMoving && !second.isMoving)) return null;
  const [a, b] = [constantSign(first.factor), constantSign(second.factor)];
  if (a === null || b === null || a === 0 || b === 0) return null;
  if (a === b) {
    const says = "Both sides have one sign each, and not the same: they are never equal.";
    return { rule: "impossible", says, to: NONE };
  }
  const [left, right] =
    a > 0
      ? [first, { ...second, factor: negate(second.factor) }]
      : [second, { ...first, factor: negate(first.factor) }];
  const sides = [left, right].map(wholeTerm) as [Expression, Expression];
  if (!isSplit(eq, sides))
    return { rule: "one on each side", says: "One power on each side.", to: equation(sides[0], sides[1]) };
  if (!isOne(right.factor)) {
    const by = inWords(right.factor, on);
    const alone = { ...left, factor: divide(left.factor, right.factor) };
    const to = equation(wholeTerm(alone), right.power ?? wholeNumber(1));
    return { rule: "divide", says: `Divide both sides by ${by}.`, to };
  }
  return {
    rule: "logarithm",
    says: "Take the logarithm of both sides: that of a product is a sum, and an exponent comes down as a factor.",
    to: equation(logOf(left), logOf(right)),
  };
  function isSplit(e: Equation, [l, r]: readonly [Expression, Expression]): boolean {
    return inWords(e.left, on) === inWords(l, on) && inWords(e.right, on) === inWords(r, on);
  }
}

const isNothing = (e: Expression): boolean => !dependsOnVariable(e) && isExactlyZero(e);

interface PowerTerm {
  readonly factor: Expression;
  /** base^exponent with a positive base; null: a number alone */
  readonly power: Expression | null;
  readonly isMoving: boolean;
  /** ln of the power: exponent times ln of the base */
  readonly log: Expression | null;
}
/** c b^(k x + d), with one power. */
function powerTerm(e: Expression): PowerTerm | null {
  if (!dependsOnVariable(e)) return { factor: e, power: null, isMoving: false, log: null };
  if (e.kind === "apply" && e.name === "exp") return ofPower(e, e.a);
  if (e.kind === "power" && !dependsOnVariable(e.a) && constantSign(e.a) === 1)
    return ofPower(e, multiply(e.b, apply("ln", e.a)));
  if (e.kind === "negate") {
    const t = powerTerm(e.a);
    return t && { ...t, factor: negate(t.factor) };
  }
  if (e.kind === "multiply") {
    const [a, b] = [powerTerm(e.a), powerTerm(e.b)];
    if (!a || !b || (a.power && b.power)) return null;
    return { ...(a.power ? a : b), factor: multiply(a.factor, b.factor) };
  }
  if (e.kind === "divide" && !dependsOnVariable(e.b)) {
    const t = powerTerm(e.a);
    return t && { ...t, factor: divide(t.factor, e.b) };
  }
  return null;
}
const ofPower = (e: Expression, log: Expression): PowerTerm => ({
  factor: wholeNumber(1),
  power: e,
  isMoving: true,
  log,
});
const wholeTerm = (t: PowerTerm): Expression => (t.power ? multiply(t.factor, t.power) : t.factor);
/** ln(c) + exponent · ln(base) */
function logOf(t: PowerTerm): Expression {
  if (!t.log) return apply("ln", t.factor);
  return isOne(t.factor) ? t.log : add(apply("ln", t.factor), t.log);
}
const isOne = (e: Expression): boolean => e.kind === "number" && e.exact !== null && e.value === 1;

/** a x + b = c x + d with numbers that are no fractions, such as logarithms. */
export function linearInConstants(eq: Equation, on: Setting): Move | null {
  const e = subtract(eq.left, eq.right);
  const slope = slopeOf(e);
  if (!slope) return null;
  const isCollected = !dependsOnVariable(eq.right) && isTermAlone(eq.left);
  if (isCollected) {
    if (constantSign(slope) === null || constantSign(slope) === 0) return null;
    const by = inWords(slope, on);
    return { rule: "divide", says: `Divide both sides by ${by}.`, to: equation(VARIABLE, divide(eq.right, slope)) };
  }
  const origin = (side: Expression) => substitute(withoutMoving(side), NOUGHT);
  return {
    rule: "collect",
    says: `Collect what has ${on.x} on one side and the numbers on the other.`,
    to: equation(multiply(slope, VARIABLE), subtract(origin(eq.right), origin(eq.left))),
  };
}

/** The factor of the unknown in a sum of terms; null where it stands in anything but such terms. */
function slopeOf(e: Expression): Expression | null {
  let out: Expression = NOUGHT;
  for (const t of termsOf(e)) {
    if (!dependsOnVariable(t.term)) continue;
    const slope = differentiate(t.term);
    if (dependsOnVariable(slope) || !isProportional(t.term)) return null;
    out = t.sign > 0 ? add(out, slope) : subtract(out, slope);
  }
  const r = exactRational(out);
  return r && isZero(r) ? null : out;
}
/** c x, in whatever order it is written. */
function isProportional(e: Expression): boolean {
  if (e.kind === "variable") return true;
  if (e.kind === "negate") return isProportional(e.a);
  if (e.kind === "divide") return !dependsOnVariable(e.b) && isProportional(e.a);
  if (e.kind !== "multiply") return false;
  return dependsOnVariable(e.a) ? !dependsOnVariable(e.b) && isProportional(e.a) : isProportional(e.b);
}
const isTermAlone = (e: Expression): boolean =>
  termsOf(e).length === 1 && isProportional(e) && e.kind === "multiply" && e.b.kind === "variable";

/** A sum with its moving terms taken out. */
function withoutMoving(e: Expression): Expression {
  const still = termsOf(e).filter((t) => !dependsOnVariable(t.term));
  return still.map(signed).reduce<Expression>((a, b) => add(a, b), NOUGHT);
}
