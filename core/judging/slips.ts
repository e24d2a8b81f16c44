import { exactNumber, wholeNumber } from "../formula/numbers";
import { add, apply, divide, multiply, negate, power, rebuild, subtract } from "../formula/build";
import {
  dependsOnVariable,
  differentiate,
  expressionText,
  parts,
  same,
  wholeExponent,
  type Expression,
} from "../formula";
import { isIdenticallyZero, polynomialExpression, polynomialForm, signed, termsOf } from "../solve";
import { poly, ratio } from "../numeric";
import { equation, isSameWhereDefined, type Equation } from "../working";

/** A likely slip: what was done, in words. */
interface Slip {
  readonly says: string;
}

/** One node of an expression written the wrong way; null where the slip is not for it. */
type Wrong = (e: Expression) => Expression | null;

const isSum = (e: Expression): e is Expression & { kind: "add" | "subtract" } =>
  e.kind === "add" || e.kind === "subtract";
const sum = (e: { readonly kind: "add" | "subtract" }, a: Expression, b: Expression): Expression =>
  e.kind === "add" ? add(a, b) : subtract(a, b);

/** A function of a sum taken term by term. */
const ofEach =
  (name: "ln" | "sqrt" | "exp"): Wrong =>
  (e) =>
    e.kind === "apply" && e.name === name && isSum(e.a) ? sum(e.a, apply(name, e.a.a), apply(name, e.a.b)) : null;

const EVERY_TERM = "The factor before a bracket is for every term in it.";

/** k (u + v) with the factor for one of the terms only. */
const distributed =
  (of: "a" | "b", by: "a" | "b", only: "first" | "second"): Wrong =>
  (e) => {
    if (e.kind !== "multiply" || !isSum(e[of])) return null;
    const [bracket, k] = [e[of] as Expression & { kind: "add" | "subtract" }, e[by]];
    return only === "first"
      ? sum(bracket, multiply(k, bracket.a), bracket.b)
      : sum(bracket, bracket.a, multiply(k, bracket.b));
  };

const MIDDLE_TERM = "The square of a sum has a middle term: (a + b)² = a² + 2ab + b².";

/** The table of slips inside one side; each has a test of its own. */
export const WRONG: readonly (Slip & { readonly wrong: Wrong })[] = [
  {
    says: "The logarithm of a sum is not the sum of the logarithms; that holds for a product.",
    wrong: ofEach("ln"),
  },
  { says: "The root of a sum is not the sum of the roots.", wrong: ofEach("sqrt") },
  { says: "e to a sum is the product of the two powers, not their sum.", wrong: ofEach("exp") },
  {
    says: MIDDLE_TERM,
    wrong: (e) =>
      e.kind === "power" && isSum(e.a) && wholeExponent(e.b) !== null
        ? sum(e.a, power(e.a.a, e.b), power(e.a.b, e.b))
        : null,
  },
  {
    says: MIDDLE_TERM,
    wrong: (e) =>
      e.kind === "power" && isSum(e.a) && wholeExponent(e.b) !== null
        ? add(power(e.a.a, e.b), power(e.a.b, e.b))
        : null,
  },
  {
    says: "A bracket is not closed over all of what is subtracted: its minus is for every term in it.",
    wrong: (e) => (e.kind === "subtract" && isSum(e.b) ? sum(e.b, subtract(e.a, e.b.a), e.b.b) : null),
  },
  { says: EVERY_TERM, wrong: distributed("b", "a", "first") },
  { says: EVERY_TERM, wrong: distributed("b", "a", "second") },
  { says: EVERY_TERM, wrong: distributed("a", "b", "first") },
  { says: EVERY_TERM, wrong: distributed("a", "b", "second") },
  {
    says: "A fraction is parted by its numerator, never by its denominator.",
    wrong: (e) => (e.kind === "divide" && isSum(e.b) ? sum(e.b, divide(e.a, e.b.a), divide(e.a, e.b.b)) : null),
  },
  {
    says: "The denominator is for every term above it.",
    wrong: (e) => (e.kind === "divide" && isSum(e.a) ? sum(e.a, divide(e.a.a, e.b), e.a.b) : null),
  },
  {
    says: "The power comes before the product: a·b^x is not (a·b)^x.",
    wrong: (e) => {
      if (e.kind !== "multiply" || e.b.kind !== "power" || dependsOnVariable(e.a)) return null;
      return power(multiply(e.a, e.b.a), e.b.b);
    },
  },
  {
    says: "Powers of one base are multiplied by adding their exponents.",
    wrong: (e) => (e.kind === "power" && e.a.kind === "power" ? power(e.a.a, add(e.a.b, e.b)) : null),
  },
];

/** Every expression in which one slip was made at one place. */
function* slipped(e: Expression, wrong: Wrong): Generator<Expression> {
  const here = wrong(e);
  if (here) yield here;
  const list = parts(e);
  for (const [i, part] of list.entries())
    for (const other of slipped(part, wrong)) {
      let k = 0;
      yield rebuild(e, (p) => (k++ === i ? other : p));
    }
}

/** Slips looked through for one line. */
const MOST = 200;

/** The slip that leads from the line above to this one; null where none of the table does. */
export function slipBetween(above: Equation, line: Equation, x: string): string | null {
  let tried = 0;
  const leads = (left: Expression, right: Expression) =>
    tried++ < MOST && isSameWhereDefined(equation(left, right), line);
  const { left, right } = above;
  for (const { says, wrong } of WRONG) {
    for (const other of slipped(left, wrong)) if (leads(other, right)) return says;
    for (const other of slipped(right, wrong)) if (leads(left, other)) return says;
  }
  return signSlip(above, leads, x) ?? oneSided(above, leads);
}

type Leads = (left: Expression, right: Expression) => boolean;

function signSlip({ left, right }: Equation, leads: Leads, x: string): string | null {
  for (const t of [...termsOf(left), ...termsOf(right)]) {
    const twice = multiply(wholeNumber(2), signed(t));
    const says = `A sign: look at ${expressionText(t.term, x)}. What goes to the other side changes its sign.`;
    if (leads(subtract(left, twice), right) || leads(left, subtract(right, twice))) return says;
  }
  return leads(left, negate(right)) ? "A sign: both sides change it, or neither." : null;
}

/** Something done to one side only. */
function oneSided({ left, right }: Equation, leads: Leads): string | null {
  for (const k of numbersIn([left, right])) {
    const said = expressionText(k, "x");
    // Left times 4 and right by 4 come to one equation; what stands there tells which was meant.
    const isBelow = [left, right].some((side) => dividesBy(side, k));
    if (leads(divide(left, k), right) || leads(left, divide(right, k)))
      return `Both sides are ${isBelow ? "multiplied" : "divided"} by ${said}, or neither.`;
    if (leads(multiply(left, k), right) || leads(left, multiply(right, k)))
      return `Both sides are ${isBelow ? "divided" : "multiplied"} by ${said}, or neither.`;
    if (leads(add(left, k), right) || leads(subtract(left, k), right))
      return `${said} is added to both sides, or taken from both, or neither.`;
  }
  return null;
}
const dividesBy = (e: Expression, k: Expression): boolean =>
  (e.kind === "divide" && same(e.b, k)) || parts(e).some((part) => dividesBy(part, k));
function numbersIn(list: readonly Expression[]): Expression[] {
  const out = new Map<string, Expression>();
  const walk = (e: Expression): void => {
    if (e.kind === "number" && Math.abs(e.value) !== 1 && e.value !== 0) {
      const size = e.value < 0 ? negate(e) : e;
      out.set(expressionText(size, ""), size);
    } else parts(e).forEach(walk);
  };
  list.forEach(walk);
  return [...out.values()];
}

/** The slip in a slope that was written for a function; null where none of the table leads there. */
export function slipInSlope(body: Expression, told: Expression): string | null {
  const is = (e: Expression) => isIdenticallyZero(subtract(e, told));
  const p = polynomialForm(body);
  if (p) {
    const rest = p.slice(1);
    if (is(polynomialExpression(rest))) return "The exponent comes down as a factor: (x^n)' = n x^(n − 1).";
    if (is(polynomialExpression(p.map((c, n) => c.mul(ratio(n))))))
      return "The exponent goes down by one: (x^n)' = n x^(n − 1).";
    if (is(add(differentiate(body), exactNumber(p[0] ?? ratio(0))))) return "The slope of a number alone is 0.";
    if (poly.degree(p) > 0 && is(negate(differentiate(body)))) return "A sign: the slope has the other one.";
  }
  if (body.kind === "multiply" && is(multiply(differentiate(body.a), differentiate(body.b))))
    return "The slope of a product is u' v + u v', not u' v'.";
  if (body.kind === "divide" && is(divide(differentiate(body.a), differentiate(body.b))))
    return "The slope of a quotient is (u' v − u v')/v², not u'/v'.";
  return is(withoutChain(body)) ? "The slope of what is inside is still a factor: f(u)' = f'(u) u'." : null;
}
/** The slope with the slope of every inside forgotten. */
function withoutChain(e: Expression): Expression {
  if (!dependsOnVariable(e)) return wholeNumber(0);
  switch (e.kind) {
    case "add":
      return add(withoutChain(e.a), withoutChain(e.b));
    case "subtract":
      return subtract(withoutChain(e.a), withoutChain(e.b));
    case "negate":
      return negate(withoutChain(e.a));
    case "multiply":
      if (!dependsOnVariable(e.a)) return multiply(e.a, withoutChain(e.b));
      return add(multiply(withoutChain(e.a), e.b), multiply(e.a, withoutChain(e.b)));
    case "apply":
      return e.name === "exp" ? e : divide(differentiate(e), differentiate(e.a));
    case "power":
      return dependsOnVariable(e.b)
        ? multiply(e, apply("ln", e.a))
        : multiply(e.b, power(e.a, subtract(e.b, wholeNumber(1))));
    default:
      return differentiate(e);
  }
}
