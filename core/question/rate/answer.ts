import type { QuestionOf } from "../kind";
import { rationalText, toDouble, type Rational } from "../../numeric";
import { decimalText, dependsOnVariable, divide, subtract } from "../../formula";
import { Enclosure, iv } from "../../interval";
import {
  compareSpots,
  exactRational,
  numberOfSpot,
  signOfValue,
  slopeAt,
  valueAt,
  type Spot,
  type ValueAt,
} from "../../solve";
import type { RateFinding } from "../finding";
import { differenceQuotient, plainEvaluation } from "../common/secondWay";
import { isAtEdge } from "../common/edge";
import { Refusal, type Asking } from "../common/asking";
import { isClose, onlyBetween } from "../common/digits";
import { readable } from "../common/exactShown";

/** What rounding of both values leaves of their difference, as a part of them. */
const DIFFERENCE_ROUNDED = 1e-13;
/** How much of the range is looked at around a place, to tell its scale. */
const NEIGHBOURHOOD = 1e-3;

type RateAsking = Asking<QuestionOf<"rate">>;

const without = (asking: RateAsking, over: RateFinding["over"]): RateFinding => ({
  ask: "rate",
  ...asking.answered(),
  over,
  value: null,
  exactValue: null,
});
type Known = ValueAt & { kind: "value" };

export function rate(asking: RateAsking): RateFinding {
  const { q } = asking;
  if (q.between)
    return between(asking, asking.amount(q.between[0], "the start"), asking.amount(q.between[1], "the end"));
  if (q.at === undefined) throw new Refusal("A rate needs an input (`at`) or two inputs (`between`).");
  return rateAt(asking, asking.amount(q.at, "the input"));
}

/** (f(b) − f(a))/(b − a), of f(a) where it is wanted in percent. */
function between(asking: RateAsking, a: Spot, b: Spot): RateFinding {
  const { table, name } = asking;
  const x = asking.variable.name;
  if (compareSpots(a, b, table) === 0)
    throw new Refusal(`An average rate needs two different inputs; both are ${x} = ${asking.shown(a)}.`);
  const e = asking.body();
  const over = { between: [a.at, b.at] as const };
  const [va, vb] = [valueAt(e, a, table), valueAt(e, b, table)];
  if (va.kind !== "value" || vb.kind !== "value")
    return withoutValue(asking, va.kind !== "value" ? [va, a] : [vb, b], over);
  const isPercent = asking.q.as === "percent";
  if (isPercent && signOfValue(va) === 0)
    throw new Refusal(`${name} is 0 at ${x} = ${asking.shown(a)}; a rate in percent of 0 has no meaning.`);
  const exact = exactRise(va, vb, a, b, isPercent);
  const bounds = iv.divide(
    iv.subtract(new Enclosure(vb.lo, vb.hi), new Enclosure(va.lo, va.hi)),
    iv.subtract(new Enclosure(b.lo, b.hi), new Enclosure(a.lo, a.hi)),
  );
  const of = isPercent ? iv.divide(bounds, new Enclosure(va.lo, va.hi)) : bounds;
  if (!exact && Number.isFinite(of.lo) && Number.isFinite(of.hi) && !isClose(of))
    return { ...without(asking, over), status: "unsettled", message: onlyBetween(`the rate of ${name}`, of) };
  const value = exact ? toDouble(exact) : of.lo + (of.hi - of.lo) / 2;
  if (!Number.isFinite(value))
    return {
      ...without(asking, over),
      status: "none",
      message:
        `The rate of ${name} from ${x} = ${asking.shown(a)} to ${asking.shown(b)} is too large a number ` +
        "to be written here.",
    };
  const n = table.number(name);
  const plain = (n(b.at) - n(a.at)) / (b.at - a.at) / (isPercent ? n(a.at) : 1);
  const isLost = [a, b].some((at) => Number.isNaN(n(at.at)) && isAtEdge(e, at, table));
  return {
    ...without(asking, over),
    complete: true,
    value,
    exactValue: exact ? (decimalText(exact) ?? null) : null,
    secondWay: isLost
      ? null
      : plainEvaluation(value, plain, (Math.abs(n(a.at)) + Math.abs(n(b.at))) * DIFFERENCE_ROUNDED),
  };
}

function withoutValue(asking: RateAsking, [v, at]: [ValueAt, Spot], over: RateFinding["over"]): RateFinding {
  const isNone = v.kind === "none";
  return {
    ...without(asking, over),
    status: isNone ? "none" : "unsettled",
    complete: isNone,
    message:
      `${isNone ? "" : "Not settled: whether "}${asking.name} has ${isNone ? "no" : "a"} ` +
      `value at ${asking.variable.name} = ${asking.shown(at)}.`,
  };
}

function exactRise(va: Known, vb: Known, a: Spot, b: Spot, isPercent: boolean): Rational | null {
  const rise =
    va.exact && vb.exact && a.rational && b.rational
      ? vb.exact.sub(va.exact).div(b.rational.sub(a.rational))
      : va.form && vb.form && !dependsOnVariable(va.form) && !dependsOnVariable(vb.form)
        ? exactRational(divide(subtract(vb.form, va.form), subtract(numberOfSpot(b), numberOfSpot(a))))
        : null;
  if (!rise || !isPercent) return rise;
  return va.exact && rise.div(va.exact);
}

function rateAt(asking: RateAsking, at: Spot): RateFinding {
  const { table, name } = asking;
  const x = asking.variable.name;
  const over = { at: at.at };
  const slope = slopeOf(asking, at);
  if (slope.kind !== "value" || !Number.isFinite(slope.lo) || !Number.isFinite(slope.hi)) {
    const isNone = slope.kind === "none";
    return {
      ...without(asking, over),
      status: isNone ? "none" : "unsettled",
      complete: isNone,
      message: isNone
        ? `${name} has no slope at ${x} = ${asking.shown(at)}: it has a corner, a jump or no value there.`
        : `Not settled: whether ${name} has a slope at ${x} = ${asking.shown(at)}.`,
    };
  }
  const isPercent = asking.q.as === "percent";
  const whole = isPercent ? wholeOfPercent(asking, at) : null;
  const exact = whole ? slope.exact && whole.exact && slope.exact.div(whole.exact) : slope.exact;
  const inUnits = new Enclosure(slope.lo, slope.hi);
  const bounds = whole ? iv.divide(inUnits, new Enclosure(whole.lo, whole.hi)) : inUnits;
  if (!exact && !isClose(bounds))
    return { ...without(asking, over), status: "unsettled", message: onlyBetween(`the rate of ${name}`, bounds) };
  const value = exact ? toDouble(exact) : bounds.lo + (bounds.hi - bounds.lo) / 2;
  const n = table.number(name);
  const { from, to } = asking.range;
  const width = from && to ? (to.at - from.at) * NEIGHBOURHOOD : 0;
  const shown = isPercent ? (t: number) => n(t) / n(at.at) : n;
  return {
    ...without(asking, over),
    complete: true,
    value,
    exactValue: slope.exact && !isPercent ? readable(rationalText(slope.exact)) : null,
    secondWay: differenceQuotient(shown, at.at, value, width),
  };
}

/** What a rate at an input is a percent of. */
function wholeOfPercent(asking: RateAsking, at: Spot): Known {
  const { name } = asking;
  const base = valueAt(asking.body(), at, asking.table);
  const where = `${asking.variable.name} = ${asking.shown(at)}`;
  const sign = base.kind === "value" ? signOfValue(base) : null;
  if (sign === 0) throw new Refusal(`${name} is 0 at ${where}; a rate in percent of 0 has no meaning.`);
  if (base.kind !== "value" || sign === null)
    throw new Refusal(`Not settled: whether ${name} is 0 at ${where}, where it is the whole of a percent.`);
  return base;
}

/** The slope at an input; none where the function has a corner, a jump or no value there. */
function slopeOf(asking: RateAsking, at: Spot): ValueAt {
  const slope = slopeAt(asking.body(), at, asking.table);
  return typeof slope === "string" ? { kind: slope } : valueAt(slope, at, asking.table);
}
