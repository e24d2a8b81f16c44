import { latexNumber } from "./print";
import type { Operator } from "./syntaxTree";
import { decimalText, expressionLatex, expressionText } from "./write";
import type { Expression, Written } from "./expression";

const KINDS = { "+": "add", "-": "subtract", "*": "multiply", "/": "divide", "^": "power" } as const;
const BINDS: Readonly<Record<Operator, Written["binds"]>> = {
  "+": "sum",
  "-": "sum",
  "*": "product",
  "/": "product",
  "^": "product",
};

/** A number under the text a person wrote for it. */
export function writtenAs(e: Expression, text: string): Expression {
  if (e.kind !== "number") return e;
  return { ...e, written: { text, latex: latexNumber(text), binds: "number" } };
}

/**
 * Two numbers that fold into one stay as they were written, where one of them does or where the one has no short
 * decimal: 1 + 4.15%/12, not 24083/24000; but 12 for 3·4.
 */
export function keptAsWritten(folded: Expression, op: Operator, [a, b]: readonly [Expression, Expression]): Expression {
  if (folded.kind !== "number" || a.kind !== "number" || b.kind !== "number") return folded;
  const isShort = folded.exact !== null && decimalText(folded.exact, 6) !== null;
  if (isShort && !a.written && !b.written) return folded;
  const raw: Expression = { kind: KINDS[op], a, b };
  const written: Written = { text: expressionText(raw, ""), latex: expressionLatex(raw, ""), binds: BINDS[op] };
  return { ...folded, written };
}
