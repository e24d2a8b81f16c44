import { ONE, equal, isLonger, isZero, poly, type Polynomial } from "../numeric";
import { Noted, wholeExponent, type Expression } from "../formula";

/**
 * numerator / denominator in one variable, exactly, and every polynomial the written form divides by (no value where
 * one is 0).
 */
export interface RationalForm {
  readonly numerator: Polynomial;
  readonly denominator: Polynomial;
  readonly divisors: readonly Polynomial[];
}

/** Degree past which exact isolation would take longer than it is worth. */
export const MAX_DEGREE = 40;

const CONSTANT_ONE: Polynomial = [ONE];
const plain = (numerator: Polynomial): RationalForm => ({ numerator, denominator: CONSTANT_ONE, divisors: [] });

/**
 * The expression as an exact quotient of polynomials in `atom` (the variable by default), or null when it is none.
 * @param atom  tells which parts are to be read as the unknown: it returns a polynomial in it, or null
 */
export function rationalForm(
  e: Expression,
  atom: (e: Expression) => Polynomial | null = variableAtom,
): RationalForm | null {
  if (atom !== variableAtom) return formIn(e, atom);
  const known = memo.get(e);
  if (known !== undefined) return known;
  const form = formIn(e, variableAtom);
  memo.set(e, form);
  return form;
}
/** The same expression is asked for again and again: by its roots, its signs and its values. */
const memo = new Noted<RationalForm | null>();

type Atom = (e: Expression) => Polynomial | null;
function formIn(e: Expression, atom: Atom): RationalForm | null {
  const found = atom(e);
  if (found) return plain(found);
  switch (e.kind) {
    case "number":
      return e.exact ? plain(poly.constant(e.exact)) : null;
    case "negate": {
      const f = rationalForm(e.a, atom);
      return f && { ...f, numerator: poly.negate(f.numerator) };
    }
    case "add":
    case "subtract":
    case "multiply":
    case "divide": {
      const f = rationalForm(e.a, atom);
      const g = f && rationalForm(e.b, atom);
      return f && g && JOINS[e.kind](f, g);
    }
    case "power":
      return powerForm(e.a, wholeExponent(e.b), atom);
    default:
      return null;
  }
}

/** A polynomial that must not be 0; a constant one never is. */
const divisorsOf = (p: Polynomial): readonly Polynomial[] => (poly.isConstantPolynomial(p) ? [] : [p]);
function sum(f: RationalForm, g: RationalForm): RationalForm | null {
  const divisors = [...f.divisors, ...g.divisors];
  if (sameDenominator(f, g))
    return { numerator: poly.add(f.numerator, g.numerator), denominator: f.denominator, divisors };
  const top = poly.add(poly.multiply(f.numerator, g.denominator), poly.multiply(g.numerator, f.denominator));
  return checked(top, poly.multiply(f.denominator, g.denominator), divisors);
}
const JOINS = {
  add: sum,
  subtract: (f: RationalForm, g: RationalForm) => sum(f, { ...g, numerator: poly.negate(g.numerator) }),
  multiply(f: RationalForm, g: RationalForm): RationalForm | null {
    const top = poly.multiply(f.numerator, g.numerator);
    return checked(top, poly.multiply(f.denominator, g.denominator), [...f.divisors, ...g.divisors]);
  },
  divide(f: RationalForm, g: RationalForm): RationalForm | null {
    if (g.numerator.length === 0) return null;
    const top = poly.multiply(f.numerator, g.denominator);
    const bottom = poly.multiply(f.denominator, g.numerator);
    return checked(top, bottom, [...f.divisors, ...g.divisors, ...divisorsOf(g.numerator)]);
  },
} as const;
function powerForm(base: Expression, n: number | null, atom: Atom): RationalForm | null {
  if (n === null || Math.abs(n) > MAX_DEGREE) return null;
  const f = rationalForm(base, atom);
  if (!f || (n <= 0 && f.numerator.length === 0)) return null;
  if (Math.abs(n) * Math.max(poly.degree(f.numerator), poly.degree(f.denominator)) > MAX_DEGREE) return null;
  const top = powerOf(f.numerator, Math.abs(n));
  const bottom = powerOf(f.denominator, Math.abs(n));
  return n >= 0 ? checked(top, bottom, f.divisors) : checked(bottom, top, [...f.divisors, ...divisorsOf(f.numerator)]);
}

function variableAtom(e: Expression): Polynomial | null {
  return e.kind === "variable" ? IDENTITY : null;
}
const IDENTITY: Polynomial = poly.trim([ONE.sub(ONE), ONE]);

const sameDenominator = (f: RationalForm, g: RationalForm): boolean =>
  f.denominator.length === g.denominator.length && f.denominator.every((c, i) => equal(c, g.denominator[i]!));

function checked(numerator: Polynomial, denominator: Polynomial, divisors: readonly Polynomial[]): RationalForm | null {
  if (poly.degree(numerator) > MAX_DEGREE || poly.degree(denominator) > MAX_DEGREE) return null;
  // Longer coefficients are left to the interval methods.
  return numerator.some((c) => isLonger(c)) ? null : { numerator, denominator, divisors };
}

function powerOf(p: Polynomial, n: number): Polynomial {
  let out: Polynomial = CONSTANT_ONE;
  for (let i = 0; i < n; i++) out = poly.multiply(out, p);
  return out;
}

/** The expression as an exact polynomial, when it is one everywhere (division by numbers only). */
export function polynomialForm(e: Expression): Polynomial | null {
  const form = rationalForm(e);
  if (!form || form.divisors.length > 0 || form.denominator.length !== 1 || isZero(form.denominator[0]!)) return null;
  const d = form.denominator[0]!;
  return equal(d, ONE) ? form.numerator : form.numerator.map((c) => c.div(d));
}
