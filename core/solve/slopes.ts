import {
  billed,
  isZero,
  keep,
  pay,
  ratio,
  rationalOfDouble,
  rationalOfTyped,
  rationalText,
  type Bill,
} from "../numeric";
import { compileNumber, dependsOnVariable, differentiate, exactNumber, keyOf, same, type Expression } from "../formula";
import { exactRational } from "./constant";
import { withSummed } from "./calledParts";
import { inline } from "./inline";
import { limitAt } from "./limits";
import { partition } from "./partition";
import { neighboursOf, type Neighbours } from "./neighbours";
import type { CellPart } from "./parts";
import { compareSpots, outerEnd, spotOfRational, type Spot } from "./spot";
import { FunctionTable } from "./table";
import { areEqualValues, valueAt } from "./valueAt";
import type { ValueAt } from "./value";

type Known = ValueAt & { kind: "value" };
type Slope = Expression | "none" | "open";

/** How far beside an input a function is taken apart for its slope there, in x-unit. */
const BESIDE = ratio(1, 1024);

/**
 * The slope of a function at an input, as a formula that has this value there: of the formula that holds around it;
 * where formulas meet, what the slopes of both sides come to, if the function joins there and they agree. At an end of
 * what it is defined for, one side is all there is. By the mean value theorem a function that joins has there the slope
 * that its slopes beside come to, and none where they grow without bound.
 */
export function slopeAt(e: Expression, at: Spot, table: FunctionTable): Slope {
  const around = neighboursOf(e, at) ?? takenApart(e, at, table);
  if (!around) return "open";
  if (around.kind === "cell") return around.formulas[0] ? differentiate(around.formulas[0]) : "none";
  const own = valueAt(e, at, table);
  if (own.kind !== "value") return own.kind;
  const written = inline(e, table);
  const sides = [sideOf(around.left, at, -1, table), sideOf(around.right, at, 1, table)]
    .filter((s) => s !== null)
    // A smooth formula that is the whole one joins with itself, as a running total does.
    .map((s) => (same(s.formula, written) ? { ...s, value: own } : s));
  return sides.length === 0 ? "none" : agreed(own, sides);
}

/** The cell that an input lies in, or those beside it where it is a place; null where neither is known. */
function takenApart(e: Expression, at: Spot, table: FunctionTable): CellPart | Neighbours | null {
  const range = {
    from: spotOfRational(outerEnd(at, -1).sub(BESIDE)),
    to: spotOfRational(outerEnd(at, 1).add(BESIDE)),
  };
  const parts = partition([e], table, range);
  const isHere = (s: Spot) => compareSpots(s, at, table);
  const joint = parts.findIndex((p) => p.kind === "place" && isHere(p.spot) === 0);
  if (joint < 0) {
    const isHome = (p: CellPart) => (!p.from || isHere(p.from) === -1) && (!p.to || isHere(p.to) === 1);
    return parts.find((p): p is CellPart => p.kind === "cell" && isHome(p)) ?? null;
  }
  const [left, right] = [parts[joint - 1], parts[joint + 1]];
  return left?.kind === "cell" && right?.kind === "cell" ? { kind: "place", left, right } : null;
}

/** What a function and its slope come to from one side. */
interface Side {
  readonly formula: Expression;
  readonly value: ValueAt;
  readonly slope: ValueAt;
}

/** @returns null where the function has no values on this side */
function sideOf(cell: CellPart, at: Spot, side: 1 | -1, table: FunctionTable): Side | null {
  const [f] = cell.formulas;
  if (!f) return null;
  const slope = sloping(f, cell, side, table);
  return {
    formula: f,
    value: comesTo(f, at, side, table),
    slope: slope ? comesTo(slope, at, side, table) : { kind: "open" },
  };
}

/** The derivative of a smooth formula just beside a place; null where it is not known. */
function sloping(f: Expression, cell: CellPart, side: 1 | -1, table: FunctionTable): Expression | null {
  const slope = differentiate(f);
  const written = withSummed(slope, table);
  // Only a running total is still called in a cell; its slope is what is summed, which may jump at the place.
  if (written === slope) return slope;
  const parts = partition([written], table, cell);
  const next = side > 0 ? parts[1] : parts.at(-2);
  return next?.kind === "cell" ? next.formulas[0]! : null;
}

/** What a formula that is smooth beside a place comes to there; none where it grows without bound. */
function comesTo(f: Expression, at: Spot, side: 1 | -1, table: FunctionTable): ValueAt {
  const value = valueAt(f, at, table);
  if (value.kind === "value" && Number.isFinite(value.lo) && Number.isFinite(value.hi)) return value;
  const limit = limitAt(f, at, side, Number(BESIDE), table);
  if (limit.kind === "infinite") return { kind: "none" };
  if (limit.kind === "open") return { kind: "open" };
  const { lo, hi, form } = limit;
  return { kind: "value", lo, hi, form, exact: form && exactRational(form) };
}

/** The common slope, where the function joins on every side and the slopes are one; none where they are proven not. */
function agreed(own: Known, sides: readonly Side[]): Slope {
  const states = [all([own, ...sides.map((s) => s.value)]), all(sides.map((s) => s.slope))];
  if (states.includes("apart")) return "none";
  if (states.includes("open")) return "open";
  const [{ slope }] = sides as [Side & { slope: Known }];
  if (slope.exact) return exactNumber(slope.exact);
  return slope.form && !dependsOnVariable(slope.form) ? slope.form : "open";
}

/** Whether values are proven to be one, or proven not to be; what has no bound is no common value. */
function all(values: readonly ValueAt[]): "one" | "apart" | "open" {
  if (values.some((v) => v.kind === "none")) return "apart";
  if (values.some((v) => v.kind === "open")) return "open";
  const [first, ...rest] = values as [Known, ...Known[]];
  if (rest.every((v) => v === first || areEqualValues(first, v))) return "one";
  const isApart = (v: Known) =>
    v.lo > first.hi || v.hi < first.lo || (v.exact && first.exact && !isZero(v.exact.sub(first.exact)));
  return rest.some(isApart) ? "apart" : "open";
}

/** Slopes at single inputs that are kept for one case; the oldest go first. */
const MOST = 2000;

/** The functions of a case, with the slopes that functions with corners have at single inputs. */
export class CaseFunctions extends FunctionTable {
  private readonly known = new Map<string, { readonly slope: Slope; readonly bill: Bill }>();

  /** What was told before is told again, and counts as much work as it was, once for each question. */
  override slopeAt(e: Expression, spot: Spot): Slope {
    if (!spot.rational) return slopeAt(e, spot, this);
    const key = `${rationalText(spot.rational)} ${keyOf(e)}`;
    const before = this.known.get(key);
    if (before) {
      pay(before.bill);
      return before.slope;
    }
    const { value: slope, bill } = billed(() => slopeAt(e, spot, this));
    keep(this.known, MOST, key, { slope, bill });
    return slope;
  }
  /** A double stands for what a person means by it: the end told as 0.3 is 3/10, beside which there is nothing. */
  override slopeNumberAt(e: Expression, x: number): number {
    const slope = this.slopeAt(e, spotOfRational(rationalOfTyped(x) ?? rationalOfDouble(x)));
    return typeof slope === "string" ? NaN : compileNumber(slope, this.number)(x);
  }
}
