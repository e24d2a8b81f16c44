import { VARIABLE, exactNumber, multiply, polynomialLatex, polynomialText, subtract } from "../../formula";
import { ZERO, isZero, poly, signOf, type Rational } from "../../numeric";
import { polynomialForm } from "../../solve";
import { NONE, equation, solved, type Equation, type Setting } from "../statement";
import { inWords, type Move } from "./way";

/** Equations whose unknown stands alone to the first power at most. */
export function linear(eq: Equation, on: Setting): Move | null {
  const p = polynomialForm(subtract(eq.left, eq.right));
  if (!p || poly.degree(p) > 1) return null;
  if (poly.degree(p) < 1) return p.length === 0 ? null : standing(on);
  const alone = polynomialForm(eq.left);
  const isCollected = alone && isZero(alone[0] ?? ZERO) && poly.degree(alone) === 1 && eq.right.kind === "number";
  if (isCollected) return divided(alone[1]!, p[0]!.neg(), on);
  // The side with more of the unknown keeps it, so that its factor is positive.
  const sign = signOf(p[1]!) < 0 ? -1 : 1;
  const [a, b] = sign < 0 ? [p[1]!.neg(), p[0]!] : [p[1]!, p[0]!.neg()];
  return {
    rule: "collect",
    says: `Collect what has ${on.x} on one side and the numbers on the other.`,
    to: a.compare(ONE) === 0 ? solved(exactNumber(b)) : termEquals(a, b, on),
  };
}

const ONE = ZERO.add(1n);

function divided(a: Rational, b: Rational, on: Setting): Move {
  return {
    rule: "divide",
    says: `Divide both sides by ${inWords(exactNumber(a), on)}.`,
    to: solved(exactNumber(b.div(a))),
  };
}
function termEquals(a: Rational, b: Rational, { x }: Setting): Equation {
  const [left, right] = [multiply(exactNumber(a), VARIABLE), exactNumber(b)];
  const [term, level] = [[ZERO, a], isZero(b) ? [] : [b]];
  return equation(left, right, {
    text: `${polynomialText(term, x)} = ${polynomialText(level, x)}`,
    latex: `${polynomialLatex(term, x)} = ${polynomialLatex(level, x)}`,
  });
}
const standing = ({ x }: Setting): Move => ({
  rule: "contradiction",
  says: `${x} falls out, and the two sides differ: no ${x} makes them equal.`,
  to: NONE,
});
