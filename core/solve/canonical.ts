import {
  ONE,
  ZERO,
  denominator,
  greatestDivisor,
  leastMultiple,
  numerator,
  ratio,
  signOf,
  type Rational,
} from "../numeric";
import { PI, exactNumber } from "../formula/numbers";
import { add, apply, divide, mapParts, multiply, negate, nthRoot, subtract } from "../formula/build";
import { dependsOnVariable, type Expression } from "../formula";
import { constantForm } from "./constant";
import { rationalOf, type ConstantForm, type Term } from "./constantForm";
import { productOf, tidied } from "./tidied";

/** Numbers under a root or a logarithm that are longer than this are left as they stood. */
const LONGEST = 10n ** 15n;

/**
 * An expression without variable in its one shape: whole squares out of roots, logarithms of numbers gathered, one
 * fraction, no products with 1. Equal numbers that are sums of fractions, roots, fractions of π and logarithms have
 * equal shapes but for the order of the parts, which stays as it was written; of others each part has its shape, and
 * the whole is tidied.
 */
export function canonical(e: Expression): Expression {
  if (e.kind === "number" || dependsOnVariable(e)) return e;
  const known = shapeOfForm(e);
  if (known) return known;
  const tidy = e.kind === "divide" || e.kind === "multiply" ? quotientOf(e) : tidied(mapParts(e, canonical));
  // What cancels may leave a sum that has a shape: √12 + ln(6)/ln(6).
  return shapeOfForm(tidy) ?? tidy;
}

/** What stands above and what below the fraction bar, each in its shape. */
function quotientOf(e: Expression): Expression {
  const { factor, above, below } = productOf(e);
  if (below.length === 0) return tidied(e);
  const top = [exactNumber(factor), ...above].reduce((a, b) => multiply(a, b));
  const bottom = below.reduce((a, b) => multiply(a, b));
  const [a, b] = [top, bottom].map((part) => shapeOfForm(part) ?? tidied(part)) as [Expression, Expression];
  return tidied(divide(a, b));
}
function shapeOfForm(e: Expression): Expression | null {
  const form = constantForm(e);
  return form && ofForm(form);
}

/** A fraction times a part that has one shape. */
interface Shaped {
  readonly factor: Rational;
  readonly part: Expression | null;
}

function ofForm(form: ConstantForm): Expression | null {
  const r = rationalOf(form);
  if (r) return exactNumber(r);
  const logs: Term[] = [];
  const list: Shaped[] = [];
  for (const t of form.values()) {
    if (isLogarithm(t)) logs.push(t);
    else {
      const shaped = shapeOf(t);
      if (!shaped) return null;
      list.push(shaped);
    }
  }
  const log = logs.length > 0 ? gathered(logs) : null;
  if (logs.length > 0 && !log) return null;
  return sumOf(log ? [...list, log] : list);
}

const isLogarithm = (t: Term): boolean =>
  t.exp.size === 0 &&
  t.atoms.size === 1 &&
  [...t.atoms].every(([name, p]) => /^ln:\d+$/.test(name) && p.compare(ONE) === 0);

/** A fraction, a root of a whole number, or π; null for anything else. */
function shapeOf(t: Term): Shaped | null {
  if (t.exp.size > 0) return null;
  if (t.atoms.size === 0) return { factor: t.factor, part: null };
  if (t.atoms.size === 1 && t.atoms.get("pi")?.compare(ONE) === 0) return { factor: t.factor, part: PI };
  const powers = [...t.atoms];
  if (!powers.every(([name]) => /^\d+$/.test(name))) return null;
  const order = powers.reduce((k, [, p]) => leastMultiple(k, denominator(p)), 1n);
  if (order > 3n) return null;
  let inside = 1n;
  for (const [name, p] of powers) inside *= BigInt(name) ** numerator(p.mul(ratio(order)));
  if (inside > LONGEST) return null;
  return { factor: t.factor, part: nthRoot(exactNumber(ratio(inside)), Number(order)) };
}

/** c₁ ln p₁ + c₂ ln p₂ … as g ln(n), g with the sign that makes n more than 1. */
function gathered(logs: readonly Term[]): Shaped | null {
  const parts = logs.map((t) => ({ prime: BigInt([...t.atoms.keys()][0]!.slice(3)), c: t.factor }));
  const common = parts.reduce((d, { c }) => leastMultiple(d, denominator(c)), 1n);
  const whole = parts.map(({ c }) => numerator(c.mul(ratio(common))));
  const shared = whole.reduce((g, n) => greatestDivisor(g, n), 0n);
  if (common > LONGEST) return null;
  let [top, bottom] = [1n, 1n];
  for (const [i, { prime }] of parts.entries()) {
    const n = whole[i]! / shared;
    if (n > 60n || n < -60n) return null;
    if (n > 0n) top *= prime ** n;
    else bottom *= prime ** -n;
    if (top > LONGEST || bottom > LONGEST) return null;
  }
  const factor = ratio(shared, common);
  const isBelow = top < bottom;
  const of = exactNumber(isBelow ? ratio(bottom, top) : ratio(top, bottom));
  return { factor: isBelow ? factor.neg() : factor, part: apply("ln", of) };
}

/** All over one denominator. */
function sumOf(list: readonly Shaped[]): Expression {
  const [only] = list;
  if (list.length === 1 && signOf(only!.factor) < 0) return negate(sumOf([{ ...only!, factor: only!.factor.neg() }]));
  const common = list.reduce((d, { factor }) => leastMultiple(d, denominator(factor)), 1n);
  let top: Expression | null = null;
  for (const { factor, part } of list) {
    const n = factor.mul(ratio(common));
    const size = part === null ? exactNumber(n.abs()) : scaledBy(n.abs(), part);
    const isNegative = signOf(n) < 0;
    top = top === null ? (isNegative ? negate(size) : size) : isNegative ? subtract(top, size) : add(top, size);
  }
  return divide(top ?? exactNumber(ZERO), exactNumber(ratio(common)));
}
const scaledBy = (n: Rational, part: Expression): Expression =>
  n.compare(ONE) === 0 ? part : multiply(exactNumber(n), part);
