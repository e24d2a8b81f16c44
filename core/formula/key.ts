import { denominator, numerator } from "../numeric";
import type { Expression } from "./expression";
import { Noted } from "./noted";
import { parts } from "./read";

const memo = new Noted<string>();

/**
 * A text that two expressions share exactly when they are the same tree, with the same numbers, equally enclosed and
 * equally written.
 */
export function keyOf(e: Expression): string {
  if (e.kind === "variable") return "x";
  return (
    memo.get(e) ?? memo.set(e, e.kind === "number" ? keyOfNumber(e) : `${headOf(e)}(${parts(e).map(keyOf).join()})`)
  );
}

function keyOfNumber({ value, exact, within, written }: Expression & { kind: "number" }): string {
  const size = exact
    ? `${numerator(exact)}/${denominator(exact)}`
    : `${value}~${within.lo}~${within.hi}~${within.flags}`;
  return written ? `${size}"${written.latex}"` : size;
}

function headOf(e: Exclude<Expression, { kind: "number" | "variable" }>): string {
  switch (e.kind) {
    case "apply":
    case "flat":
      return `${e.kind} ${e.name}`;
    case "root":
      return `root ${e.n}`;
    case "call":
      return `call ${e.name} ${e.order}`;
    default:
      return e.kind;
  }
}
