import { ONE, isZero, type Polynomial } from '../numeric'
import { VARIABLE, add, exactNumber, multiply, power, wholeNumber, type Expression } from '../formula'

/** An exact polynomial written out as a sum of powers, constant first. */
export function polynomialExpression(p: Polynomial): Expression {
  let sum: Expression | null = null
  p.forEach((c, i) => {
    if (isZero(c)) return
    const x = i === 0 ? exactNumber(ONE) : i === 1 ? VARIABLE : power(VARIABLE, wholeNumber(i))
    const term = multiply(exactNumber(c), x)
    sum = sum ? add(sum, term) : term
  })
  return sum ?? wholeNumber(0)
}
