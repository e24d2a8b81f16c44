import { resolve, type Expression, type Names } from "../formula";
import { rationalOfDecimal } from "../numeric";
import { between } from "./range.fixture";
import type { Range } from "./parts";

const NAMES: Names = { variable: "x", givens: new Map(), functions: new Map(), variables: new Set<string>() };

/** A formula of x, for tests. */
export function formulaOf(text: string): Expression {
  const { expression, problems } = resolve(text, NAMES);
  if (!expression) throw new Error(`${text}: ${problems[0]!.message}`);
  return expression;
}

/** `0 … 4`, `… 3`, `0 …`, `…`: a range of decimals, open where none stands. */
export function rangeOf(text: string): Range {
  const [from, to] = text.split("…").map((t) => rationalOfDecimal(t.trim()));
  return between(from ?? null, to ?? null);
}

/** Six digits, as a person would write them into a table of expectations. */
export const sixDigits = (x: number): string => String(Number(x.toPrecision(6)));
