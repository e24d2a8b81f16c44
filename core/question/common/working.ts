import { VARIABLE, call, type Expression } from "../../formula";
import { workingOfEquation, type WorkingStep } from "../../explain";
import { readAmount, type Amount, type Model } from "../../model";
import type { Rational } from "../../numeric";
import { inline } from "../../solve";

export { workingOfEquation, type WorkingStep };

/** A function of a case, written out; null where it is none or in trouble. */
export function expressionOf(name: string, model: Model): { name: string; of: string; body: Expression } | null {
  const f = model.functions.get(name);
  return f && !f.trouble ? { name, of: f.of, body: inline(call(name, 0, VARIABLE), model.table) } : null;
}

/** A number of a question that is known without answering another one. */
export function knownAmount(a: Amount, model: Model): { value: number; exact: Rational } | null {
  const read = typeof a === "object" ? null : readAmount(a, model.names);
  return read?.ok ? read : null;
}
