import { rationalOfTyped, type Rational } from "../numeric";

/** A number as it is told: its sign, money, digits; with a power of ten or in percent it is taken as rounded. */
const DIGITS = /^([−-]?)[$€£¥₹]?([\d,]+(?:\.\d+)?)(?!\d)(?!\s*(?:×|%))/u;

/**
 * The sign before a number as it is told: = only where its digits are all of it.
 * @param exact  the number itself; null where it is no fraction
 */
export function toldSign(said: string, exact: Rational | null): "=" | "≈" {
  const m = DIGITS.exec(said);
  const shown = m && rationalOfTyped(Number(m[2]!.replaceAll(",", "")));
  if (!exact || !shown) return "≈";
  return exact.compare(m[1] ? shown.neg() : shown) === 0 ? "=" : "≈";
}

/** The same for a number that is known as a double only: what was typed or comes out in few digits is told in full. */
export const toldSignOf = (said: string, value: number): "=" | "≈" => toldSign(said, rationalOfTyped(value));

export const latexSign = (sign: "=" | "≈"): string => (sign === "=" ? "=" : "\\approx");
