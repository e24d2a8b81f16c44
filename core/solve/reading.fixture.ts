import { resolve, type Expression, type Names } from "../formula";
import { ratio, rationalOfDecimal, type Rational } from "../numeric";
import { between } from "./range.fixture";
import type { Range } from "./parts";
import { FunctionTable } from "./table";
import { outward, type Stretch } from "./zeroSet";

const NAMES: Names = { variable: "x", givens: new Map(), functions: new Map(), variables: new Set<string>() };

/** A formula of x, for tests. */
export function formulaOf(text: string): Expression {
  const { expression, problems } = resolve(text, NAMES);
  if (!expression) throw new Error(`${text}: ${problems[0]!.message}`);
  return expression;
}

/** 0, which nothing here proves: what it decides stays open. */
const DOUBT = "(sin(1)^2 + cos(1)^2 - 1)";
/** A formula of x in which `D` stands for that 0. */
export const doubtful = (text: string): Expression => formulaOf(text.replaceAll("D", DOUBT));

/** `0.25` or `1/3`. */
export function fractionOf(text: string): Rational {
  const [over, under] = text.split("/");
  return under ? ratio(Number(over), Number(under)) : rationalOfDecimal(text)!;
}

/** `0 … 4`, `… 1/3`, `0 …`, `…`: a range of fractions, open where none stands. */
export function rangeOf(text: string): Range {
  const [from, to] = text.split("…").map((t) => (t.trim() === "" ? null : fractionOf(t.trim())));
  return between(from ?? null, to ?? null);
}

/** A range as what looks for zeros is given it: with doubles around it, and so many boxes to look at. */
export function stretchOf(range: string, boxes = 20_000): Stretch {
  const [from, to] = [rangeOf(range).from, rangeOf(range).to].map((s) => s?.rational ?? null) as [
    Rational | null,
    Rational | null,
  ];
  const lo = from ? outward(from, -1) : -Infinity;
  const hi = to ? outward(to, 1) : Infinity;
  return { table: new FunctionTable(), from, to, lo, hi, budget: { boxes, rewrites: 9 }, depth: 0 };
}

/** Six digits, as a person would write them into a table of expectations. */
export const sixDigits = (x: number): string => String(Number(x.toPrecision(6)));
