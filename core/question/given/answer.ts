import type { QuestionOf } from "../kind";
import { VARIABLE, exactNumber } from "../../formula/numbers";
import { call, rebuild, substitute, subtract } from "../../formula/build";
import {
  compileNumber,
  dependsOnVariable,
  nearName,
  quoted,
  type Expression,
  type NumberFunction,
} from "../../formula";
import {
  compareSpots,
  exactRational,
  findRoots,
  inline,
  type FunctionTable,
  type Piece,
  type Root,
  type Spot,
} from "../../solve";
import type { Rational } from "../../numeric";
import { UNKNOWN_GIVEN, buildModel } from "../../model";
import type { GivenFinding, SecondWay, Solution } from "../finding";
import { plainEvaluation } from "../common/secondWay";
import { Refusal, numberOf, showSpot, type Asking } from "../common/asking";
import { residualScale, worst } from "../common/confirm";
import { vaguely } from "../common/digits";
import { exactShown } from "../common/exactShown";
import { slopeOfGiven } from "./slopeOfGiven";
import { isWholeRange, openMessage, told, toldOpen } from "../common/stretches";

/** The value of a given for a wanted output: the given becomes the unknown, the input a number. */
export function given(asking: Asking<QuestionOf<"given">>): GivenFinding {
  const { q } = asking;
  const range = rangeOf(asking);
  const at = asking.amount(q.at, "the input");
  const level = asking.amount(q.value, "the wanted value");
  const { body, table, isWhole } = inGiven(asking, at);
  const e = subtract(body, numberOf(level));
  const search = findRoots(e, table, range, asking.work);
  const [first] = search.everywhere;
  const isFound = search.roots.length > 0 || first !== undefined;
  const isEverywhere = first !== undefined && isWholeRange(first, range);
  const vague = vaguely(
    search.roots.map((r) => r.spot),
    { range, variable: { name: q.given, unit: asking.model.givens.get(q.given)!.unit } },
  );
  return {
    ask: "given",
    ...asking.answered({ from: range.from.at, to: range.to.at }),
    status: isEverywhere ? "everywhere" : isFound ? "found" : search.open.length > 0 || !isWhole ? "unsettled" : "none",
    complete: search.open.length === 0 && isWhole && vague === null,
    solutions: search.roots.map((r) => solutionOf(r, level.at)),
    stretches: search.everywhere.map(told),
    open: search.open.map(toldOpen),
    given: q.given,
    at: at.at,
    level: level.at,
    // Where a place is known only roughly, plain values there tell nothing.
    secondWay: vague ? null : evaluated(search.roots, compileNumber(e, table.number)),
    message: isWhole
      ? search.open.length > 0 && isFound
        ? openMessage(search.open, q.given)
        : vague
      : `Not settled: what slope there is where a corner or a root lies at ${asking.variable.name} = ` +
        `${asking.shown(at)}.`,
  };
}

/** The values the given may have. */
export function rangeOf(asking: Asking<QuestionOf<"given">>): { readonly from: Spot; readonly to: Spot } {
  const { q, model } = asking;
  if (!model.givens.has(q.given)) {
    const near = nearName(q.given, [...model.givens.keys()]);
    throw new Refusal(`${quoted(q.given)} is no given of this case.${near ? ` Did you mean ${quoted(near)}?` : ""}`);
  }
  const { unit } = model.givens.get(q.given)!;
  const from = asking.amount(q.range[0], "the start of the range");
  const to = asking.amount(q.range[1], "the end of the range");
  if (compareSpots(from, to, asking.table) !== -1)
    throw new Refusal(
      `The range for ${q.given} starts at ${showSpot(from, unit)} and ends at ${showSpot(to, unit)}; ` +
        "the end should come after the start.",
    );
  return { from, to };
}

interface InGiven {
  readonly body: Expression;
  readonly table: FunctionTable;
  /** false where the function may have values besides those of the formula: slopes at corners and roots */
  readonly isWhole: boolean;
}

/** The function at a fixed input as a formula of the given. @throws Refusal where that cannot be had */
export function inGiven(asking: Asking<QuestionOf<"given">>, at: Spot): InGiven {
  const { q, model, name } = asking;
  const { functions, table } = buildModel(model.source, q.given);
  if (functions.get(name)?.trouble !== null)
    throw new Refusal(
      `${name} cannot be followed back to ${q.given}: ${q.given} stands where only a ` +
        `number can, in a reading, the end of a piece or of a range. Vary ${q.given} by its ` +
        "track instead.",
    );
  const found = inUnknown(inline(call(name, 0, numberOf(at)), table), table);
  if (!found)
    throw new Refusal(
      `${name} is made in a way (pieces or a running total) that cannot be solved for ` +
        `${q.given} here; vary ${q.given} by its track instead.`,
    );
  if (!dependsOnVariable(found.body))
    throw new Refusal(`${name} at ${asking.variable.name} = ${asking.shown(at)} does not depend on ${q.given}.`);
  return found;
}

const solutionOf = (r: Root, level: number): Solution => ({
  at: r.at,
  value: level,
  low: r.lo,
  high: r.hi,
  kind: r.kind,
  ...exactShown(r.exact),
  whole: null,
  reads: null,
  turns: 0,
  spot: r.spot,
});
/** What is left over when each value is put in, as doubles. */
const evaluated = (roots: readonly Root[], left: NumberFunction): SecondWay | null =>
  worst(
    roots.map((r) => {
      const off = Math.abs(left(r.at));
      return Number.isFinite(off) ? plainEvaluation(0, off < residualScale(left, r.at) ? 0 : off) : null;
    }),
  );

/** @returns the piece that holds at an input */
const pieceAt = (pieces: readonly Piece[], fixed: Rational): Piece | undefined =>
  pieces.find(
    (p) =>
      (!p.from || fixed.compare(p.from) > 0 || (p.closedFrom && fixed.compare(p.from) === 0)) &&
      (!p.to || fixed.compare(p.to) < 0 || (p.closedTo && fixed.compare(p.to) === 0)),
  );

/**
 * The unknown given in place of the variable, all calls at fixed inputs written out; null where pieces or totals stand
 * in the way.
 */
function inUnknown(e: Expression, table: FunctionTable): InGiven | null {
  let [fails, isWhole] = [false, true];
  const go = (x: Expression): Expression => {
    if (x.kind === "number" && x.within === UNKNOWN_GIVEN) return VARIABLE;
    if (x.kind !== "call") return rebuild(x, go);
    const d = table.definition(x.name, x.order);
    const input = go(x.a);
    const fixed = dependsOnVariable(input) ? null : exactRational(input);
    const piece = d?.kind === "pieces" && fixed && pieceAt(d.pieces, fixed);
    if (piece) return go(inline(substitute(piece.expression, exactNumber(fixed)), table));
    const slope = d?.kind === "slope" && fixed ? slopeOfGiven(d, exactNumber(fixed), table) : null;
    if (slope) {
      isWhole &&= slope.isWhole;
      return go(slope.body);
    }
    fails = true;
    return x;
  };
  const body = go(e);
  return fails ? null : { body, table, isWhole };
}
