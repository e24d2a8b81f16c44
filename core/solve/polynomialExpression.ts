import { ONE, denominator, isInteger, numerator, ratio, signOf, type Polynomial, type Rational } from "../numeric";
import { VARIABLE, exactNumber, wholeNumber } from "../formula/numbers";
import { add, divide, multiply, negate, power, subtract } from "../formula/build";
import { decimalText, powersInOrder, type Expression } from "../formula";

/** An exact polynomial written out as a sum of powers, as a person would: 14 − q/30, 2 t − 10, x² − 5 x + 6. */
export function polynomialExpression(p: Polynomial): Expression {
  let sum: Expression | null = null;
  for (const power of powersInOrder(p)) {
    const c = p[power]!;
    const size = term(c.abs(), power);
    sum = sum === null ? (signOf(c) < 0 ? negate(size) : size) : signOf(c) < 0 ? subtract(sum, size) : add(sum, size);
  }
  return sum ?? wholeNumber(0);
}

function term(c: Rational, i: number): Expression {
  if (i === 0) return exactNumber(c);
  const x = i === 1 ? VARIABLE : power(VARIABLE, wholeNumber(i));
  if (isInteger(c) || decimalText(c, 4)) return multiply(exactNumber(c), x);
  return divide(
    multiply(exactNumber(numerator(c) === 1n ? ONE : ratio(numerator(c))), x),
    exactNumber(ratio(denominator(c))),
  );
}
