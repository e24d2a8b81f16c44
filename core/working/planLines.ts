import { exactNumber, expressionText } from "../formula";
import { relationShown } from "../explain";
import { isZero, signOf, type Rational } from "../numeric";
import type { Relation } from "../plan";
import { written, type WorkingStep } from "./statement";

/** What the workings of a plan write alike. */
export const text = (r: Rational): string => expressionText(exactNumber(r), "");
export const bracketed = (r: Rational): string => (signOf(r) < 0 || text(r).includes("/") ? `(${text(r)})` : text(r));
/** x ≥ 0 says only that a variable is not negative. */
export const isPlainSign = ({ bound, coefficients }: Relation): boolean =>
  isZero(bound) && coefficients.filter((c) => !isZero(c)).length === 1;

/** The objective, with what is wanted of it. */
export function objectiveLine(of: string, says: string): WorkingStep {
  const shown = relationShown(of).replace(/−/g, "-");
  return written("objective", says, { text: `Z = ${shown}`, latex: `Z = ${shown.replace(/·/g, "\\cdot ")}` });
}
