import { Noted, dependsOnVariable, keyOf, parts, wholeExponent, type Expression } from "../formula";
import { add, apply, divide, multiply, negate, power, subtract } from "../formula/build";
import { exactNumber, wholeNumber } from "../formula/numbers";
import { ONE, ZERO, isInteger, isZero, ratio, signOf, type Rational } from "../numeric";
import { exactRational } from "./constant";
import { signed, termsOf } from "./terms";
import { tidied } from "./tidied";

/** A product taken apart: powers of bases, an exponential, and the sign. */
interface Powers {
  readonly sign: 1 | -1;
  readonly bases: ReadonlyMap<string, Power>;
  /** of the exponential; null: there is none */
  readonly exponent: Expression | null;
}
interface Power {
  readonly base: Expression;
  readonly exponent: Rational;
}

/** A product: what is common to the terms of its sum, and the sum that is left. */
export interface Shared {
  readonly outer: Expression;
  readonly inner: Expression;
}

/**
 * What the terms of a sum have in common, if taking it out makes the rest simpler: fractional powers that become whole
 * ones, as √u − x²/√u is (u − x²)/√u, and exponentials, as e^v + x e^w is e^v (1 + x e^(w − v)), a number
 * still where both vanish. Where the whole is smooth and has values throughout an open stretch, what is taken out is
 * never 0 there, so that the rest has the same zeros. Null where nothing is gained.
 */
export function sharedIn(e: Expression): Shared | null {
  if (!mayShare(e)) return null;
  const known = memo.get(e);
  if (known !== undefined) return known;
  return memo.set(e, shared(e));
}
const memo = new Noted<Shared | null>();

/** Only roots, fractional powers and exponentials are taken out. */
const mayShare = (e: Expression): boolean =>
  dependsOnVariable(e) &&
  ((e.kind === "apply" && (e.name === "sqrt" || e.name === "exp")) || isRootOfUneven(e) || parts(e).some(mayShare));
const isRootOfUneven = (e: Expression): boolean =>
  e.kind === "power" && dependsOnVariable(e.a) && fractionOf(e.b) !== null;

function shared(e: Expression): Shared | null {
  const factors = factorsOf(e, ONE);
  let [outer, inner, isGained] = [wholeNumber(1), wholeNumber(1), false];
  for (const { part, exponent } of factors) {
    const found = isSum(part) && isInteger(exponent) ? sharedInSum(part) : null;
    if (!found) inner = multiply(inner, raised(part, exponent));
    else {
      isGained = true;
      outer = multiply(outer, raised(found.outer, exponent));
      inner = multiply(inner, raised(found.inner, exponent));
    }
  }
  return isGained ? { outer, inner } : null;
}

function sharedInSum(e: Expression): Shared | null {
  const terms = termsOf(e).map((t) => powersOf(signed(t)));
  const common = commonPowers(terms);
  const exponents = terms.map((t) => t.exponent && tidied(t.exponent));
  const isVanishing = exponents.every((w) => w !== null && dependsOnVariable(w));
  const isMixed = isVanishing && new Set(exponents.map((w) => keyOf(w!))).size > 1;
  const left = terms.map((t) => (isMixed ? tidied(subtract(t.exponent!, exponents[0]!)) : t.exponent));
  // One of them must be gone, so that nothing is left to be taken out again.
  const shift = isMixed && left.some((w) => !dependsOnVariable(w!)) ? exponents[0]! : null;
  if (common.size === 0 && !shift) return null;
  const rest = terms.map((t, i) => {
    const size = [...t.bases].reduce(
      (product, [key, { base, exponent }]) =>
        multiply(product, raised(base, exponent.sub(common.get(key)?.exponent ?? ZERO))),
      missing(t, common).reduce(multiply, wholeNumber(1)),
    );
    const exponent = shift ? left[i] : t.exponent;
    const whole = exponent && keyOf(exponent) !== NOUGHT ? multiply(size, apply("exp", exponent)) : size;
    return t.sign < 0 ? negate(whole) : whole;
  });
  const powers = [...common.values()].reduce(
    (product, { base, exponent }) => multiply(product, raised(base, exponent)),
    wholeNumber(1),
  );
  return { outer: shift ? multiply(powers, apply("exp", shift)) : powers, inner: rest.reduce(add) };
}
const NOUGHT = keyOf(wholeNumber(0));

/** What a term that lacks a base has to be multiplied with, since the base was taken out all the same. */
const missing = (t: Powers, common: ReadonlyMap<string, Power>): Expression[] =>
  [...common].flatMap(([key, { base, exponent }]) => (t.bases.has(key) ? [] : [raised(base, exponent.neg())]));

/** The least powers of those bases of which fractional ones stand in some term, if whole ones are left of all. */
function commonPowers(terms: readonly Powers[]): Map<string, Power> {
  const out = new Map<string, Power>();
  for (const t of terms)
    for (const [key, { base, exponent }] of t.bases) {
      if (isInteger(exponent) || out.has(key)) continue;
      const all = terms.map((other) => other.bases.get(key)?.exponent ?? ZERO);
      const least = all.reduce((a, b) => (b.compare(a) < 0 ? b : a));
      if (all.every((r) => isInteger(r.sub(least)))) out.set(key, { base, exponent: least });
    }
  return out;
}

// ---- products ------------------------------------------------------------------------------------------------

/** The parts of a product with their exponents: whole ones, and fractions of what has a fractional power. */
function factorsOf(e: Expression, times: Rational): { part: Expression; exponent: Rational }[] {
  switch (e.kind) {
    case "negate":
      return [{ part: wholeNumber(-1), exponent: times }, ...factorsOf(e.a, times)];
    case "multiply":
      return [...factorsOf(e.a, times), ...factorsOf(e.b, times)];
    case "divide":
      return [...factorsOf(e.a, times), ...factorsOf(e.b, times.neg())];
    case "power": {
      const n = wholeExponent(e.b);
      if (n !== null) return factorsOf(e.a, times.mul(ratio(n)));
      const fraction = dependsOnVariable(e.a) ? fractionOf(e.b) : null;
      return [fraction ? { part: e.a, exponent: times.mul(fraction) } : { part: e, exponent: times }];
    }
    case "apply":
      return [e.name === "sqrt" ? { part: e.a, exponent: times.mul(ratio(1, 2)) } : { part: e, exponent: times }];
    default:
      return [{ part: e, exponent: times }];
  }
}

function powersOf(e: Expression): Powers {
  let sign: 1 | -1 = 1;
  let exponent: Expression | null = null;
  const bases = new Map<string, Power>();
  for (const f of factorsOf(e, ONE)) {
    if (isMinusOne(f.part)) {
      if (isInteger(f.exponent) && !isZero(f.exponent.mod(2))) sign = sign > 0 ? -1 : 1;
      continue;
    }
    if (f.part.kind === "apply" && f.part.name === "exp") {
      const w = multiply(exactNumber(f.exponent), f.part.a);
      exponent = exponent ? add(exponent, w) : w;
      continue;
    }
    const key = keyOf(f.part);
    bases.set(key, { base: f.part, exponent: f.exponent.add(bases.get(key)?.exponent ?? ZERO) });
  }
  return { sign, bases, exponent };
}

const isMinusOne = (e: Expression): boolean => e.kind === "number" && e.exact?.compare(-1) === 0;
const isSum = (e: Expression): boolean => e.kind === "add" || e.kind === "subtract";

/** An exponent that is a fraction and no whole number. */
function fractionOf(e: Expression): Rational | null {
  const r = dependsOnVariable(e) ? null : exactRational(e);
  return r && !isInteger(r) ? r : null;
}

function raised(base: Expression, exponent: Rational): Expression {
  if (isZero(exponent)) return wholeNumber(1);
  if (signOf(exponent) < 0) return divide(wholeNumber(1), raised(base, exponent.neg()));
  if (exponent.compare(ONE) === 0) return base;
  if (exponent.compare(ratio(1, 2)) === 0) return apply("sqrt", base);
  return power(base, exactNumber(exponent));
}
