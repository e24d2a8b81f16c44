import { Noted, parts, rebuild, size, substitute, type Expression } from "../formula";
import type { Definition, FunctionTable } from "./table";

/** Calls are written out until the whole grows past this; beyond, they stay calls. */
const MAX_SIZE = 1500;

/**
 * Writes calls of other functions out, so that algebra sees one formula. A call of a function by pieces stays, to be
 * split at its breaks.
 */
export const inline = (e: Expression, table: FunctionTable): Expression =>
  writtenOut(e, table, (d) => (d.kind === "expression" ? d.expression : null));

/**
 * The same where all of it is smooth: there the slope of a running total is what it sums. Where that is no formula, but
 * a function by pieces, say, the slope by its name tells more: it knows no ends.
 */
export function inlineSmooth(e: Expression, table: FunctionTable): Expression {
  const written = writtenOut(e, table, (d) => {
    if (d.kind === "expression") return d.expression;
    const total = d.kind === "slope" ? table.definition(d.of.name, d.of.order) : null;
    return total?.kind === "closures" ? total.slope : null;
  });
  return hasCall(written) ? e : written;
}

/**
 * The same for showing how something is worked out: slopes are written as the rules give them, which is what people do
 * by hand. Nothing is proven by it.
 */
export const inlineByRule = (e: Expression, table: FunctionTable): Expression =>
  writtenOut(e, table, (d) => {
    const shown = d.kind === "slope" ? d.rule : d;
    return shown.kind === "expression" ? shown.expression : null;
  });

function writtenOut(e: Expression, table: FunctionTable, formulaOf: (d: Definition) => Expression | null): Expression {
  let left = MAX_SIZE;
  const go = (x: Expression): Expression => {
    if (!hasCall(x)) return x;
    if (x.kind !== "call") return rebuild(x, go);
    const input = go(x.a);
    const definition = table.definition(x.name, x.order);
    const formula = definition && formulaOf(definition);
    if (!formula || left <= 0) return { ...x, a: input };
    left -= size(formula, MAX_SIZE);
    if (left <= 0) return { ...x, a: input };
    const body = go(formula);
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
