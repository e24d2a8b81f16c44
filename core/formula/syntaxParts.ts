import { rationalOfDecimal, ratio, toDouble } from "../numeric";
import type { Span } from "./problem";
import type { Token } from "./tokens";
import type { Syntax } from "./syntaxTree";

/** A base with its exponent. */
export const raised = (base: Syntax, exponent: Syntax): Syntax => ({
  type: "operation",
  op: "^",
  left: base,
  right: exponent,
  implied: false,
  start: base.start,
  end: exponent.end,
});
/** A function that stands at `token`, with its inputs. */
export const applied = (
  token: Span & { readonly name: string; readonly primes: number },
  args: readonly Syntax[],
  end: number,
): Syntax => ({
  type: "apply",
  name: token.name,
  primes: token.primes,
  args,
  nameSpan: { start: token.start, end: token.end },
  start: token.start,
  end,
});

/** A number as it is written: exact, a percentage as its hundredth. */
export function numberOf(text: string, token: Token & { kind: "number" }): Syntax {
  const digits = rationalOfDecimal(token.digits);
  const exact = digits && token.percent ? digits.div(ratio(100)) : digits;
  const value = exact ? toDouble(exact) : Number(token.digits) / (token.percent ? 100 : 1);
  return {
    type: "number",
    text: text.slice(token.start, token.end),
    value,
    exact,
    percent: token.percent,
    start: token.start,
    end: token.end,
  };
}
