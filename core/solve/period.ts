import { ratio, type Rational } from "../numeric";
import { PI, exactNumber, wholeNumber } from "../formula/numbers";
import { add, divide, multiply } from "../formula/build";
import type { Expression } from "../formula";
import { exactRational } from "./constant";
import { courseOf } from "./course";
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
 * The period of a function, in x-unit: what it is made of turns at speeds that are whole multiples of one of them, and
 * nothing drifts. Null where the function is not of that kind.
 */
export function basicPeriod(e: Expression): Spot | null {
  const course = courseOf(e);
  return course && constantSign(course.drift) === 0 ? commonTurn(course.turns) : null;
}

/** The way after which all that turns at these speeds has turned whole times; null where there is none. */
export function commonTurn(speeds: readonly Expression[]): Spot | null {
  const first = speeds[0];
  if (!first) return null;
  let common: Rational = ratio(1);
  for (const s of speeds) {
    const share = exactRational(divide(s, first));
    if (!share) return null;
    common = gcd(common, share.abs());
  }
  const sign = constantSign(first);
  if (!sign) return null;
  const speed = multiply(exactNumber(common.mul(ratio(sign))), first);
  return spotOfConstant(divide(multiply(wholeNumber(2), PI), speed));
}

/** The first period of a function that repeats on an unbounded range. */
export function periodOf(whole: Expression, table: FunctionTable, range: Range): Period | null {
  if (range.from && range.to) return null;
  const every = basicPeriod(inline(whole, table));
  return every && firstPeriod(every, range);
}

/** The first of the periods that follow each other on an unbounded range. */
export function firstPeriod(every: Spot, { from, to }: Range): Period {
  const base = from ?? (to ? shifted(to, every, -1) : spotOfRational(ratio(0)));
  return { every, range: { from: base, to: from || !to ? shifted(base, every, 1) : to } };
}

function shifted(s: Spot, by: Spot, sign: 1 | -1): Spot {
  const start = s.exact?.expression ?? exactNumber(s.rational ?? ratio(0));
  const step = by.exact!.expression;
  return spotOfConstant(add(start, sign > 0 ? step : multiply(wholeNumber(-1), step)));
}

function gcd(a: Rational, b: Rational): Rational {
  let [x, y] = [a, b];
  while (y.compare(0) !== 0) [x, y] = [y, x.sub(y.mul(x.div(y).floor()))];
  return x;
}
