import { VARIABLE, call, parts, rebuild, resolve, size, substitute, type Expression } from "../formula";
import { inlineByRule } from "../solve";
import type { Model } from "../model";

/** Calls are written out until a formula grows past this. */
const MAX_SIZE = 400;

/**
 * A function of a case written out in its variable, its numbers as people wrote them (1 + 4.15%/12); null where it is
 * in trouble. Functions by pieces stay calls.
 */
export function bodyOf(name: string, model: Model): Expression | null {
  const f = model.functions.get(name);
  if (!f || f.trouble) return null;
  const body = writtenOut(call(name, 0, VARIABLE), model, { left: MAX_SIZE });
  return inlineByRule(body, model.table);
}

function writtenOut(e: Expression, model: Model, room: { left: number }): Expression {
  if (e.kind === "number" || e.kind === "variable" || parts(e).length === 0) return e;
  if (e.kind !== "call") return rebuild(e, (part) => writtenOut(part, model, room));
  const input = writtenOut(e.a, model, room);
  const formula = e.order === 0 ? asTyped(e.name, model) : null;
  room.left -= formula ? size(formula, MAX_SIZE) : 0;
  if (!formula || room.left <= 0) return { ...e, a: input };
  const body = writtenOut(formula, model, room);
  return input.kind === "variable" ? body : substitute(body, input);
}

/** The formula of a function as it was typed; null where it is made in another way. */
function asTyped(name: string, model: Model): Expression | null {
  const row = model.source.functions?.find((f) => f.name === name);
  if (!row || row.by.kind !== "formula") return null;
  return resolve(row.by.text, { ...model.names, variable: row.of }, "writing").expression;
}
