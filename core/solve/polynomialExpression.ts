import {
  ONE,
  denominator,
  isInteger,
  isZero,
  numerator,
  ratio,
  signOf,
  type Polynomial,
  type Rational,
} from "../numeric";
import {
  VARIABLE,
  add,
  decimalText,
  divide,
  exactNumber,
  multiply,
  negate,
  power,
  subtract,
  wholeNumber,
  type Expression,
} from "../formula";

/** An exact polynomial written out as a sum of powers, constant first, as a person would: 14 − q/30. */
export function polynomialExpression(p: Polynomial): Expression {
  let sum: Expression | null = null;
  p.forEach((c, i) => {
    if (isZero(c)) return;
    const size = term(c.abs(), i);
    sum = sum === null ? (signOf(c) < 0 ? negate(size) : size) : signOf(c) < 0 ? subtract(sum, size) : add(sum, size);
  });
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
