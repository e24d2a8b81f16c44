import { Noted, parts, rebuild, size, substitute, type Expression } from "../formula";
import type { FunctionTable } from "./table";

/** Calls are written out until the whole grows past this; beyond, they stay calls. */
const MAX_SIZE = 1500;

/**
 * Writes calls of other functions out, so that algebra sees one formula. A call of a function by pieces stays, to be
 * split at its breaks.
 */
export function inline(e: Expression, table: FunctionTable): Expression {
  let left = MAX_SIZE;
  const go = (x: Expression): Expression => {
    if (!hasCall(x)) return x;
    if (x.kind !== "call") return rebuild(x, go);
    const input = go(x.a);
    const definition = table.definition(x.name, x.order);
    if (definition?.kind !== "expression" || left <= 0) return { ...x, a: input };
    left -= size(definition.expression, MAX_SIZE);
    if (left <= 0) return { ...x, a: input };
    const body = go(definition.expression);
    return input.kind === "variable" ? body : substitute(body, input);
  };
  return go(e);
}

const callMemo = new Noted<boolean>();
function hasCall(e: Expression): boolean {
  if (e.kind === "number" || e.kind === "variable") return false;
  const known = callMemo.get(e);
  if (known !== undefined) return known;
  const found = e.kind === "call" || parts(e).some(hasCall);
  callMemo.set(e, found);
  return found;
}
