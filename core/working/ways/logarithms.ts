import { wholeNumber } from "../../formula/numbers";
import { apply, divide, multiply, power, subtract } from "../../formula/build";
import { dependsOnVariable, expressionLatex, expressionText, type Expression } from "../../formula";
import { isInteger, toDouble } from "../../numeric";
import { exactRational, signed, termsOf } from "../../solve";
import { equation, written, type Equation, type Setting, type WorkingStep } from "../statement";
import type { Move } from "./way";

interface LogTerm {
  readonly factor: number;
  readonly of: Expression;
}

/** Several logarithms: gathered into one, by ln a + ln b = ln(a b) and n ln a = ln(a^n). */
export function logarithms(eq: Equation, on: Setting): Move | null {
  const terms = termsOf(subtract(eq.left, eq.right));
  const moving = terms.filter((t) => dependsOnVariable(t.term));
  const logs = moving.map((t) => logTerm(signed(t)));
  if (logs.length < 1 || logs.some((t) => t === null)) return null;
  const list = logs as LogTerm[];
  const fixed = terms.filter((t) => !dependsOnVariable(t.term)).map(signed);
  const fixedLogs = fixed.map((e) => logTerm(e, false));
  // ln(8) on a side is gathered like the others, where all that stands still is such a logarithm.
  const areLogs = fixed.length > 0 && fixedLogs.every((t) => t !== null);
  const still = areLogs ? [] : fixed;
  if (areLogs) list.push(...(fixedLogs as LogTerm[]));
  const level = still.reduce<Expression>((a, b) => subtract(a, b), wholeNumber(0));
  if (list.length < 2) return null;
  const [up, down] = [list.filter((t) => t.factor > 0), list.filter((t) => t.factor < 0)];
  const notes = [domain(list, on)];
  const isLevel = still.length === 0 && up.length > 0 && down.length > 0;
  if (isLevel)
    return {
      rule: "equal logarithms",
      says: "Each side as one logarithm; where logarithms are equal, what they are of is equal.",
      to: equation(productOf(up), productOf(down)),
      notes,
    };
  const one =
    down.length === 0 ? productOf(up) : divide(up.length === 0 ? wholeNumber(1) : productOf(up), productOf(down));
  return {
    rule: "gather logarithms",
    says: "The logarithms as one: a sum of logarithms is that of the product.",
    to: equation(apply("ln", one), level),
    notes,
  };
}

/** n ln(u) with a whole n. */
function logTerm(e: Expression, isMoving = true): LogTerm | null {
  if (e.kind === "negate") {
    const t = logTerm(e.a, isMoving);
    return t && { ...t, factor: -t.factor };
  }
  if (e.kind === "apply") return e.name === "ln" && dependsOnVariable(e.a) === isMoving ? { factor: 1, of: e.a } : null;
  if (e.kind !== "multiply" || dependsOnVariable(e.a)) return null;
  const t = logTerm(e.b, isMoving);
  const n = exactRational(e.a);
  return t && n && isInteger(n) && Math.abs(toDouble(n)) <= 6 ? { ...t, factor: t.factor * toDouble(n) } : null;
}
/** Numbers first: 8 (x − 2). */
const productOf = (list: readonly LogTerm[]): Expression =>
  [...list]
    .sort((a, b) => Number(dependsOnVariable(a.of)) - Number(dependsOnVariable(b.of)))
    .map((t) => power(t.of, wholeNumber(Math.abs(t.factor))))
    .reduce((a, b) => multiply(a, b));

function domain(list: readonly LogTerm[], { x }: Setting): WorkingStep {
  const moving = list.filter((t) => dependsOnVariable(t.of));
  const sides = moving.map((t) => [expressionText(t.of, x), expressionLatex(t.of, x)] as const);
  return written(
    "domain",
    "A logarithm is of positive numbers only:",
    { text: sides.map(([s]) => `${s} > 0`).join(", "), latex: sides.map(([, s]) => `${s} > 0`).join(",\\; ") },
    false,
  );
}
