import { exactNumber, expressionText, latexName, polynomialText, subtract, type Expression } from "../../formula";
import { ONE, isolateRealRoots, poly, rationalOfDouble, type Polynomial, type Rational } from "../../numeric";
import { rationalForm, signed, termsOf } from "../../solve";
import { NONE, polynomialEquation, written, type Equation, type Setting, type WorkingStep } from "../statement";
import type { Move } from "./way";

/** An equation with the unknown in denominators: what is excluded, then both sides times the common denominator. */
export function rational(eq: Equation, on: Setting): Move | null {
  const form = rationalForm(subtract(eq.left, eq.right));
  if (!form || form.divisors.length === 0 || form.numerator.length === 0) return null;
  const terms = termsOf(subtract(eq.left, eq.right)).map((t) => reduced(signed(t)));
  if (terms.includes(null)) return null;
  const list = terms as Quotient[];
  const bottom = list.reduce<Polynomial>((d, t) => lcm(d, t.bottom), [ONE]);
  const parts = list.map((t) => poly.multiply(t.top, poly.divide(bottom, t.bottom).quotient));
  const top = parts.reduce<Polynomial>((a, b) => poly.add(a, b), []);
  if (top.length === 0) return null;
  const excluded = excludedInputs(form.divisors);
  const isLong = poly.degree(bottom) < 1;
  return {
    rule: "multiply out",
    says: isLong ? "Reduced to lowest terms." : `Multiply both sides by ${polynomialText(bottom, on.x)}.`,
    to: poly.degree(top) < 1 ? NONE : polynomialEquation(top, on.x),
    notes: excluded.length > 0 ? [domain(excluded, on)] : [],
  };
}

interface Quotient {
  readonly top: Polynomial;
  readonly bottom: Polynomial;
}
/** One term in lowest terms, the first coefficient below 1; null where it is no quotient of polynomials. */
function reduced(e: Expression): Quotient | null {
  const form = rationalForm(e);
  if (!form) return null;
  const shared = poly.gcd(form.numerator, form.denominator);
  const bottom = poly.divide(form.denominator, shared).quotient;
  const lead = bottom[bottom.length - 1]!;
  return {
    top: poly.scale(poly.divide(form.numerator, shared).quotient, ONE.div(lead)),
    bottom: monic(bottom),
  };
}
const lcm = (a: Polynomial, b: Polynomial): Polynomial =>
  monic(poly.divide(poly.multiply(a, b), poly.gcd(a, b)).quotient);
const monic = (p: Polynomial): Polynomial => poly.scale(p, ONE.div(p[p.length - 1]!));

/** Inputs at which some denominator is 0, where they are fractions. */
function excludedInputs(divisors: readonly Polynomial[]): Rational[] {
  const out: Rational[] = [];
  for (const d of divisors) {
    const bound = rationalOfDouble(Number(poly.rootBound(d)));
    for (const root of isolateRealRoots(d, bound.neg(), bound))
      if (root.exact && !out.some((r) => r.compare(root.exact!) === 0)) out.push(root.exact);
  }
  return out.sort((a, b) => a.compare(b));
}

function domain(excluded: readonly Rational[], { x }: Setting): WorkingStep {
  const list = excluded.map((r) => expressionText(exactNumber(r), x));
  return written(
    "domain",
    excluded.length === 1 ? "A denominator must not be 0: left out is" : "Denominators must not be 0: left out are",
    {
      text: list.map((r) => `${x} ≠ ${r}`).join(", "),
      latex: list.map((r) => `${latexName(x)} \\ne ${r}`).join(",\\; "),
    },
    false,
  );
}
