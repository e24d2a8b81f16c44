import { compileNumber, parse, problem, quoted, resolve, type Problem } from "../formula";
import type { Model } from "../model";
import { toDouble } from "../numeric";
import { constantValue } from "../solve";
import { NAME } from "../question";

/** A plain calculation, or why there is no number. */
export type Calculated =
  { readonly ok: true; readonly value: number } | { readonly ok: false; readonly problem: Problem };

/** `20% of 350`, `3/4 of 80` as products. */
export const withProducts = (text: string): string =>
  text.replace(/(\d\s?%|\d\s*\/\s*\d+|\))\s+of\s+(?=[\d.(])/gi, "$1 * ");

/** The number of a text without a variable in it: `48 - 35`, `20% of 350`, `P(100) - P(50)`. */
export function calculated(text: string, model: Model): Calculated {
  const t = withProducts(text);
  const read = resolve(t, { ...model.names, variable: null });
  if (!read.expression) return { ok: false, problem: withVariables(text, read.problems[0]!, model) };
  const value = constantValue(read.expression, model.table);
  if (value.kind === "value") {
    const at = value.exact ? toDouble(value.exact) : value.lo + (value.hi - value.lo) / 2;
    return { ok: true, value: at };
  }
  return { ok: false, problem: problem("domain", { start: 0, end: text.length }, whyNoValue(text, t, model)) };
}

/** A variable in a calculation is no fault of spelling. */
function withVariables(text: string, p: Problem, model: Model): Problem {
  const words = text.match(new RegExp(NAME, "gu")) ?? [];
  const variable = words.find((w) => model.variables.has(w));
  if (!variable) return p;
  const name = quoted(variable);
  return problem(
    "unknown-name",
    { start: p.start, end: p.end },
    `${name} is a variable; a calculation has numbers and givens only. To keep the formula, give it a name: ` +
      `${quoted(`f(${variable}) = ${text.trim()}`)}.`,
  );
}

function whyNoValue(text: string, formula: string, model: Model): string {
  const value = compileNumber(resolve(formula, { ...model.names, variable: null }).expression!, model.table.number)(0);
  const divides = /[/÷]/.test(formula);
  if (divides && !Number.isFinite(value)) return `${quoted(text.trim())} has no value: it divides by 0.`;
  return `${quoted(text.trim())} has no value.`;
}

/** Whether a text is made like a calculation: it parses, and has an operation or a function in it. */
export function looksCalculated(text: string): boolean {
  const t = withProducts(text);
  const parsed = parse(t, () => true);
  return parsed.ok ? /[+*/^()×÷·−-]|\d/.test(t) : false;
}
