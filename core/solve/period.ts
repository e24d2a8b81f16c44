import { ratio, type Rational } from "../numeric";
import { PI, exactNumber, wholeNumber } from "../formula/numbers";
import { add, divide, multiply } from "../formula/build";
import { dependsOnVariable, differentiate, parts, type Expression } from "../formula";
import { exactRational } from "./constant";
import { inline } from "./inline";
import type { Range } from "./parts";
import { spotOfConstant, spotOfRational, type Spot } from "./spot";
import { constantSign } from "./terms";
import type { FunctionTable } from "./table";

/** A function that repeats for ever: how often, and the first period on its range. */
export interface Period {
  /** in x-unit, > 0 */
  readonly every: Spot;
  readonly range: Range;
}

/**
 * The period of a function, in x-unit: the input stands only inside sines, cosines and tangents of straight lines,
 * whose slopes are whole multiples of one of them. Null where the function is not of that kind.
 */
export function basicPeriod(e: Expression): Spot | null {
  const slopes = slopesOf(e);
  if (!slopes || slopes.length === 0) return null;
  const first = slopes[0]!;
  let common: Rational = ratio(1);
  for (const s of slopes) {
    const share = exactRational(divide(s, first));
    if (!share) return null;
    common = gcd(common, share.abs());
  }
  const sign = constantSign(first);
  if (!sign) return null;
  const slope = multiply(exactNumber(common.mul(ratio(sign))), first);
  return spotOfConstant(divide(multiply(wholeNumber(2), PI), slope));
}

/** The first period of a function that repeats on an unbounded range. */
export function periodOf(whole: Expression, table: FunctionTable, { from, to }: Range): Period | null {
  if (from && to) return null;
  const every = basicPeriod(inline(whole, table));
  if (!every) return null;
  const base = from ?? (to ? shifted(to, every, -1) : spotOfRational(ratio(0)));
  return { every, range: { from: base, to: from || !to ? shifted(base, every, 1) : to } };
}

function shifted(s: Spot, by: Spot, sign: 1 | -1): Spot {
  const start = s.exact?.expression ?? exactNumber(s.rational ?? ratio(0));
  const step = by.exact!.expression;
  return spotOfConstant(add(start, sign > 0 ? step : multiply(wholeNumber(-1), step)));
}

/** Slopes of all lines inside sines, cosines and tangents; null where the input stands anywhere else. */
function slopesOf(e: Expression): Expression[] | null {
  if (!dependsOnVariable(e)) return [];
  if (e.kind === "variable" || e.kind === "call") return null;
  if (e.kind === "apply" && (e.name === "sin" || e.name === "cos" || e.name === "tan")) {
    const slope = differentiate(e.a);
    if (!dependsOnVariable(slope) && constantSign(slope)) return [slope];
  }
  const inner = parts(e).map(slopesOf);
  return inner.every((s) => s !== null) ? inner.flat() : null;
}

function gcd(a: Rational, b: Rational): Rational {
  let [x, y] = [a, b];
  while (y.compare(0) !== 0) [x, y] = [y, x.sub(y.mul(x.div(y).floor()))];
  return x;
}
