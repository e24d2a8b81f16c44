import { add, dependsOnVariable, divide, multiply, negate, wholeNumber, type Expression } from "../../formula";
import { constantSign, signed, termsOf, type SignedTerm } from "../../solve";
import { NOUGHT, anyOf, equation, type Equation, type Setting } from "../statement";
import { inWords, type Move } from "./way";

/** |u| beside other terms with the unknown: alone on its side, then u is the other side or its opposite. */
export function absolute(eq: Equation, on: Setting): Move | null {
  if (isAbs(eq.left)) return opened(eq.left.a, eq.right, on);
  const terms = [...termsOf(eq.left), ...termsOf(eq.right).map(opposite)];
  const found = terms.filter((t) => absIn(t.term) !== null);
  if (found.length !== 1 || terms.some((t) => !found.includes(t) && holdsAbs(t.term))) return null;
  const { factor, inside } = absIn(found[0]!.term)!;
  if (constantSign(factor) === null || constantSign(factor) === 0) return null;
  const rest = terms.filter((t) => t !== found[0]).map(opposite);
  const other = rest.length === 0 ? NOUGHT : rest.map(signed).reduce((a, b) => add(a, b));
  const size = found[0]!.sign < 0 ? negate(other) : other;
  const isOne = factor.kind === "number" && factor.value === 1;
  return {
    rule: "absolute value alone",
    says: "The absolute value alone on one side.",
    to: equation(inside, isOne ? size : divide(size, factor)),
  };
}

const isAbs = (e: Expression): e is Expression & { kind: "apply" } => e.kind === "apply" && e.name === "abs";
const opposite = (t: SignedTerm): SignedTerm => ({ term: t.term, sign: t.sign === 1 ? -1 : 1 });

function opened(u: Expression, side: Expression, on: Setting): Move {
  return {
    rule: "absolute value",
    says: `${inWords(u, on)} is the other side or its opposite; each answer is checked at the end.`,
    to: anyOf([equation(u, side), equation(u, negate(side))]),
  };
}

/** c |u| with a number c. */
function absIn(e: Expression): { factor: Expression; inside: Expression } | null {
  if (isAbs(e)) return dependsOnVariable(e.a) && !holdsAbs(e.a) ? { factor: wholeNumber(1), inside: e } : null;
  if (e.kind !== "multiply" || dependsOnVariable(e.a)) return null;
  const inner = absIn(e.b);
  return inner && { ...inner, factor: multiply(e.a, inner.factor) };
}
function holdsAbs(e: Expression): boolean {
  if (!dependsOnVariable(e)) return false;
  if (isAbs(e)) return true;
  if (e.kind === "number" || e.kind === "variable" || e.kind === "choose") return false;
  return holdsAbs(e.a) || ("b" in e && holdsAbs(e.b));
}
