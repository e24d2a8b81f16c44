import type { QuestionOf } from "../kind";
import { rationalText, toDouble } from "../../numeric";
import { compareSpots, formOf, spotOfRational, valueAt, type FunctionTable, type Spot } from "../../solve";
import { compileEnclosure, dependsOnVariable, type Expression } from "../../formula";
import { EMPTY, Enclosure } from "../../interval";
import type { ValueFinding } from "../finding";
import type { ModelFit } from "../../model";
import { plainEvaluation } from "../common/secondWay";
import { isClose, onlyBetween } from "../common/digits";
import { isNought } from "../common/nought";
import { isAtEdge } from "../common/edge";
import { fractionOf, type Asking } from "../common/asking";
import { readable } from "../common/exactShown";

export function value(asking: Asking<QuestionOf<"value">>): ValueFinding {
  const { variable: x, table, name } = asking;
  const at = asking.amount(asking.q.at, "the input");
  const v = valueAt(asking.body(), at, table);
  const isBelow = x.start !== null && compareSpots(at, x.start, table) === -1;
  const isAbove = x.end !== null && compareSpots(at, x.end, table) === 1;
  const edge = isBelow ? x.start : isAbove ? x.end : null;
  const beyond = edge && toDouble(fractionOf(at).sub(fractionOf(edge)));
  const without: ValueFinding = {
    ask: "value",
    ...asking.answered(),
    at: at.at,
    beyond,
    value: null,
    exactValue: null,
    estimate: null,
  };
  if (v.kind === "open")
    return {
      ...without,
      status: "unsettled",
      message: `Not settled: whether ${name} has a value at ${x.name} = ${asking.shown(at)}.`,
    };
  if (v.kind === "none" || !Number.isFinite(v.lo) || !Number.isFinite(v.hi))
    return {
      ...without,
      status: "none",
      complete: v.kind === "none",
      message:
        v.kind === "none"
          ? `${name} has no value at ${x.name} = ${asking.shown(at)}.`
          : `${name} at ${x.name} = ${asking.shown(at)} is too large a number to be written here.`,
    };
  const isKnown = v.exact !== null || isClose(v) || isNoughtTotal(asking.body(), at, table);
  if (!isKnown)
    return { ...without, status: "unsettled", message: onlyBetween(`${name} at ${x.name} = ${asking.shown(at)}`, v) };
  const number = v.exact ? toDouble(v.exact) : isClose(v) ? v.lo + (v.hi - v.lo) / 2 : 0;
  // What cancels in the formula is gone from the value, not from plain numbers.
  const plain = compileEnclosure(asking.body(), table.enclosure)(new Enclosure(at.lo, at.hi));
  const rounding = plain.flags & EMPTY ? 0 : plain.hi - plain.lo;
  const second = table.number(name)(at.at);
  const isLost = Number.isNaN(second) && isAtEdge(asking.body(), at, table);
  const closed = !v.exact && v.form && !dependsOnVariable(v.form) ? readable(formOf(v.form).text) : null;
  return {
    ...without,
    complete: true,
    value: number,
    exactValue: v.exact ? readable(rationalText(v.exact)) : closed,
    secondWay: isLost ? null : plainEvaluation(number, second, Math.max(v.hi - v.lo, rounding)),
    estimate: estimateAt(asking, name, at.at),
    message: edge
      ? `${asking.shown(at)} lies ${isBelow ? "below" : "above"} the range of ${x.name}, ${asking.shown(edge)}.`
      : null,
  };
}

/** Whether a running total is proven to have come back to 0. */
function isNoughtTotal(e: Expression, at: Spot, table: FunctionTable): boolean {
  const total = e.kind === "call" && e.a.kind === "variable" ? table.definition(e.name, e.order) : null;
  return total?.kind === "closures" && isNought(total.slope, table, spotOfRational(total.from), at);
}

/**
 * What a fitted function is worth at an input: inside its rows or beyond them, and between which readings it should
 * lie.
 */
function estimateAt(asking: Asking, name: string, at: number): ValueFinding["estimate"] {
  const own = asking.model.fits.get(name);
  // A function made of fitted ones, a revenue or a function in pieces, is worth what their rows are; its band is not
  // known.
  const under = own ? [own] : fitsUnder(asking, name, new Set());
  if (under.length === 0) return null;
  const [from, to] = [Math.min(...under.map((f) => f.from)), Math.max(...under.map((f) => f.to))];
  const band = own?.fit.band(at) ?? null;
  return {
    beyond: at > to ? at - to : at < from ? at - from : 0,
    low: band && Number.isFinite(band.low) ? band.low : null,
    high: band && Number.isFinite(band.high) ? band.high : null,
  };
}

/** The fits of the same variable that a function is made of. */
function fitsUnder(asking: Asking, name: string, seen: Set<string>): ModelFit[] {
  const f = asking.model.functions.get(name);
  if (!f || seen.has(name)) return [];
  seen.add(name);
  const own = asking.model.fits.get(name);
  if (own) return f.of === asking.variable.name ? [own] : [];
  return f.uses.flatMap((u) => fitsUnder(asking, u, seen));
}
