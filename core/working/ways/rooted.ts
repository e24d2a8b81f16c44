import { add, dependsOnVariable, multiply, power, wholeNumber, type Expression } from "../../formula";
import { signed, termsOf, tidied, type SignedTerm } from "../../solve";
import { NOUGHT, equation, type Equation, type Setting } from "../statement";
import { inWords, type Move } from "./way";

/** Equations with square roots among the terms: one root alone, then both sides squared. */
export function rooted(eq: Equation, on: Setting): Move | null {
  const left = termsOf(eq.left);
  const right = termsOf(eq.right);
  const roots = [...left, ...right].filter((t) => isRootTerm(t.term));
  if (roots.length === 0 || roots.length > 2) return null;
  const others = [...left, ...right].filter((t) => !isRootTerm(t.term));
  if (others.some((t) => holdsRoot(t.term))) return null;
  if (left.length === 1 && isRootTerm(left[0]!.term) && (roots.length === 1 || right.length === 1)) return squared(eq);
  const inLeft = left.find((t) => isRootTerm(t.term));
  const isLeft = inLeft !== undefined;
  const chosen = inLeft ?? right.find((t) => isRootTerm(t.term))!;
  const rest = [
    ...(isLeft ? left.filter((t) => t !== chosen).map(opposite) : left),
    ...(isLeft ? right : right.filter((t) => t !== chosen).map(opposite)),
  ];
  const sides = chosen.sign < 0 ? rest.map(opposite) : rest;
  if (left.length === 1 && isLeft && chosen.sign > 0) return squared(eq);
  return {
    rule: "root alone",
    says: `The root ${inWords(chosen.term, on)} alone on one side.`,
    to: equation(chosen.term, tidied(sum(sides))),
  };
}

const opposite = (t: SignedTerm): SignedTerm => ({ term: t.term, sign: t.sign === 1 ? -1 : 1 });
const sum = (terms: readonly SignedTerm[]): Expression =>
  terms.length === 0 ? NOUGHT : terms.map(signed).reduce((a, b) => add(a, b));

function squared({ left, right }: Equation): Move {
  return {
    rule: "square both sides",
    mayBring: true,
    says: "Square both sides; this may bring answers in, so each is checked at the end.",
    to: equation(squareOf(left), squareOf(right)),
  };
}

/** (c √u)² is c² u. */
function squareOf(e: Expression): Expression {
  if (e.kind === "apply" && e.name === "sqrt") return e.a;
  if (e.kind === "negate") return squareOf(e.a);
  if (e.kind === "multiply" && !dependsOnVariable(e.a)) return multiply(power(e.a, wholeNumber(2)), squareOf(e.b));
  return e.kind === "add" || e.kind === "subtract" ? squareOfSum(e) : power(e, wholeNumber(2));
}

/** (c √u + s)² = c² u + 2 s c √u + s² */
function squareOfSum(e: Expression): Expression {
  const terms = termsOf(e);
  const root = terms.find((t) => isRootTerm(t.term));
  if (!root) return power(e, wholeNumber(2));
  const rest = tidied(sum(terms.filter((t) => t !== root)));
  const middle = multiply(multiply(wholeNumber(2), rest), signed(root));
  return add(add(squareOf(root.term), tidied(middle)), tidied(power(rest, wholeNumber(2))));
}

/** c √u, with a number c. */
function isRootTerm(e: Expression): boolean {
  if (e.kind === "apply") return e.name === "sqrt" && dependsOnVariable(e.a) && !holdsRoot(e.a);
  if (e.kind === "negate") return isRootTerm(e.a);
  if (e.kind === "multiply") return !dependsOnVariable(e.a) && isRootTerm(e.b);
  return false;
}
function holdsRoot(e: Expression): boolean {
  if (!dependsOnVariable(e)) return false;
  if (e.kind === "apply" && e.name === "sqrt") return true;
  if (e.kind === "number" || e.kind === "variable" || e.kind === "choose") return e.kind === "choose";
  return holdsRoot(e.a) || ("b" in e && holdsRoot(e.b));
}
