import { exactNumber, wholeNumber } from "../formula/numbers";
import { add, divide, multiply, negate, power, rebuild, subtract } from "../formula/build";
import { dependsOnVariable, expressionText, same, type Expression } from "../formula";
import { ONE, ZERO, isInteger, isZero, signOf, type Rational } from "../numeric";
import { polynomialExpression } from "./polynomialExpression";
import { polynomialForm } from "./rationalForm";
import { signed, termsOf } from "./terms";

/**
 * The same expression as a person would write it: brackets cleared where it is a polynomial, one number in front of
 * each product, one fraction bar, no double signs, like terms together. It has the value of `e` wherever `e` has one;
 * where something was cancelled it may have one in more places.
 */
export function tidied(e: Expression): Expression {
  if (e.kind === "number") return e;
  const p = dependsOnVariable(e) ? polynomialForm(e) : null;
  if (p) return polynomialExpression(p);
  switch (e.kind) {
    case "add":
    case "subtract":
      return tidySum(e);
    case "negate":
    case "multiply":
    case "divide":
      return writtenProduct(productOf(e));
    default:
      return rebuild(e, tidied);
  }
}

function tidySum(e: Expression): Expression {
  const terms = new Map<string, { product: Product; factor: Rational }>();
  for (const t of termsOf(e)) {
    const product = productOf(tidied(signed(t)));
    const key = keyOf(product);
    const factor = product.factor.add(terms.get(key)?.factor ?? ZERO);
    terms.set(key, { product, factor });
  }
  const list = [...terms.values()];
  // A sum begins with a term that has no sign, where there is one.
  const first = list.findIndex((t) => signOf(t.factor) > 0);
  const sorted = first > 0 ? [list[first]!, ...list.filter((_, i) => i !== first)] : list;
  let out: Expression | null = null;
  for (const { product, factor } of sorted) {
    // A part that falls out may take its own lack of a value with it: it stays where it divides.
    if (isZero(factor) && product.below.length === 0) continue;
    const size = writtenProduct({ ...product, factor: factor.abs() });
    const isNegative = signOf(factor) < 0;
    out = out === null ? (isNegative ? negate(size) : size) : isNegative ? subtract(out, size) : add(out, size);
  }
  return out ?? wholeNumber(0);
}

/** factor · above / below */
export interface Product {
  readonly factor: Rational;
  readonly above: readonly Expression[];
  readonly below: readonly Expression[];
}
const keyOf = ({ above, below }: Product): string =>
  [above, below]
    .map((list) =>
      list
        .map((e) => expressionText(e, "x"))
        .sort()
        .join("·"),
    )
    .join("/");

export function productOf(e: Expression): Product {
  if (e.kind === "number" && e.exact && !e.written) return { factor: e.exact, above: [], below: [] };
  if (e.kind === "negate") {
    const p = productOf(e.a);
    return { ...p, factor: p.factor.neg() };
  }
  if (e.kind === "multiply" || e.kind === "divide") {
    const [a, b] = [productOf(tidied(e.a)), productOf(tidied(e.b))];
    if (e.kind === "multiply")
      return { factor: a.factor.mul(b.factor), above: [...a.above, ...b.above], below: [...a.below, ...b.below] };
    if (!isZero(b.factor))
      return { factor: a.factor.div(b.factor), above: [...a.above, ...b.below], below: [...a.below, ...b.above] };
  }
  return { factor: ONE, above: [e], below: [] };
}

export function writtenProduct({ factor, ...both }: Product): Expression {
  const [above, below] = cancelled(both.above, both.below);
  // Where something below is 0, the whole has no value, and keeps none.
  if (isZero(factor))
    return below.length === 0
      ? wholeNumber(0)
      : divide(
          wholeNumber(0),
          gathered(below).reduce((a, b) => multiply(a, b)),
        );
  const [top, bottom] = [gathered(above), gathered(below)];
  const size = factor.abs();
  const isUnit = size.compare(ONE) === 0;
  const isReciprocal = !isUnit && top.length > 0 && size.compare(ONE) < 0 && ONE.div(size).d === 1n;
  // What stands still goes before what moves: 8 (x − 2).
  const sorted = [...top.filter((e) => !dependsOnVariable(e)), ...top.filter(dependsOnVariable)];
  const numbers = isUnit || isReciprocal ? sorted : [exactNumber(size), ...sorted];
  const over = isReciprocal ? [exactNumber(ONE.div(size)), ...bottom] : bottom;
  const product = (factors: readonly Expression[]) => factors.reduce((a, b) => multiply(a, b));
  const whole = numbers.length === 0 ? wholeNumber(1) : product(numbers);
  const out = over.length === 0 ? whole : divide(whole, product(over));
  return signOf(factor) < 0 ? negate(out) : out;
}

/** What stands above and below alike is left out: where it is 0 or has no value, the whole had none before. */
function cancelled(
  above: readonly Expression[],
  below: readonly Expression[],
): readonly [readonly Expression[], readonly Expression[]] {
  const rest = [...below];
  const top = above.filter((e) => {
    const at = rest.findIndex((b) => same(b, e));
    if (at < 0) return true;
    rest.splice(at, 1);
    return false;
  });
  return [top, rest];
}

/** Equal factors as one power; exponents that are no whole numbers stay so, and with them what has no value. */
function gathered(list: readonly Expression[]): Expression[] {
  const out: { base: Expression; exponent: Rational; key: string }[] = [];
  for (const e of list) {
    const exponent = e.kind === "power" && e.b.kind === "number" ? e.b.exact : null;
    const [base, times] = e.kind === "power" && exponent ? [e.a, exponent] : [e, ONE];
    const key = expressionText(base, "x");
    const known = out.find((o) => o.key === key && isInteger(o.exponent.add(times)) === isWholeBoth(o.exponent, times));
    if (known && signOf(known.exponent) === signOf(times)) known.exponent = known.exponent.add(times);
    else if (known && !isInteger(known.exponent.add(times))) known.exponent = known.exponent.add(times);
    else out.push({ base, exponent: times, key });
  }
  return out.map(({ base, exponent }) => (exponent.compare(ONE) === 0 ? base : power(base, exactNumber(exponent))));
}
const isWholeBoth = (a: Rational, b: Rational): boolean => isInteger(a) && isInteger(b);
