import { add, dependsOnVariable, expressionText, multiply, subtract, type Expression } from "../../formula";
import { productOf, signed, termsOf, tidied, writtenProduct } from "../../solve";
import { NOUGHT, equation, type Equation } from "../statement";
import type { Move } from "./way";

/** A part that moves and stands in every term goes before a bracket: exp(-x) − x exp(-x) = exp(-x) (1 − x). */
export function commonFactor(eq: Equation): Move | null {
  const terms = termsOf(subtract(eq.left, eq.right)).map((t) => productOf(tidied(signed(t))));
  if (terms.length < 2) return null;
  const shared = terms[0]!.above.find(
    (part) => dependsOnVariable(part) && terms.every((t) => t.above.some((other) => text(other) === text(part))),
  );
  if (!shared) return null;
  const rest = terms.map((t) => {
    const at = t.above.findIndex((other) => text(other) === text(shared));
    return writtenProduct({ ...t, above: t.above.filter((_, i) => i !== at) });
  });
  return {
    rule: "common factor",
    says: "What is in every term goes before a bracket.",
    to: equation(multiply(shared, tidied(rest.reduce((a, b) => add(a, b)))), NOUGHT),
  };
}

const text = (e: Expression): string => expressionText(e, "x");
