import { wholeNumber } from "../../formula/numbers";
import { call, substitute } from "../../formula/build";
import { VARIABLE, dependsOnVariable, parts, wholeExponent, type Expression } from "../../formula";
import {
  breakingParts,
  constantSign,
  inline,
  isStair,
  splittersOf,
  type Definition,
  type FunctionTable,
} from "../../solve";
import { UNKNOWN_GIVEN } from "../../model";

/** A slope at a fixed input, as a formula of the unknown given. */
export interface SlopeOfGiven {
  readonly body: Expression;
  /** false where the function may have a slope at a corner or a root, which the formula does not have */
  readonly isWhole: boolean;
}

/**
 * The slope of a function by the usual rules, with a value only where the function has one.
 * @returns null where the function is made of pieces
 */
export function slopeOfGiven(
  { of, rule }: Definition & { kind: "slope" },
  input: Expression,
  table: FunctionTable,
): SlopeOfGiven | null {
  if (rule.kind !== "expression") return null;
  const f = inline(call(of.name, of.order, VARIABLE), table);
  // 0 · f adds nothing but what f has no value for.
  const nothing: Expression = { kind: "multiply", a: wholeNumber(0), b: f };
  const guarded: Expression = { kind: "add", a: rule.expression, b: nothing };
  return {
    body: inline(substitute(guarded, input), table),
    isWhole: breakingParts(f).every((part) => isSmoothAt(part, input, table)),
  };
}

/** Functions with neither corner nor root. */
const SMOOTH: ReadonlySet<string> = new Set(["ln", "log10", "log2", "tan"]);

/** Whether the rules hold for a part wherever it has a value: it is no corner or root, or is none for any given. */
function isSmoothAt(part: Expression, input: Expression, table: FunctionTable): boolean {
  if (!dependsOnVariable(part) || part.kind === "divide") return true;
  if (part.kind === "apply" && SMOOTH.has(part.name)) return true;
  if (part.kind === "power" && wholeExponent(part.b) !== null) return true;
  if (part.kind === "call" || isStair(part) || holdsUnknown(part)) return false;
  return splittersOf(part, table).every((u) => constantSign(substitute(u, input)));
}

const holdsUnknown = (e: Expression): boolean =>
  e.kind === "number" ? e.within === UNKNOWN_GIVEN : parts(e).some(holdsUnknown);
