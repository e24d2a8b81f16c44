import type { QuestionOf } from "../kind";
import { Enclosure } from "../../interval";
import {
  compileNumber,
  dependsOnVariable,
  enclosedNumber,
  exactNumber,
  multiply as times,
  subtract,
  type Expression,
} from "../../formula";
import { ratio } from "../../numeric";
import {
  encloseConstant,
  exactRational,
  findRoots,
  isExactlyZero,
  spotOfRational,
  valueAt,
  type RootSearch,
  type Spot,
  type Stretch,
  type ValueAt,
} from "../../solve";
import { readingOf } from "../../model";
import type { MultiplyFinding, Solution } from "../finding";
import { behaviourOf } from "../common/behaviour";
import { Refusal, numberOf, showSpot, type Asking } from "../common/asking";
import { confirmRoot } from "../common/confirm";
import { vaguely } from "../common/digits";
import { exactShown } from "../common/exactShown";
import { repeatsOf, solutionOf } from "../common/level";
import { openMessage, told, toldOpen, wholesIn } from "../common/stretches";

/** The first input after the start at which the function is a multiple of what it is there. */
export function multiply(asking: Asking<QuestionOf<"multiply">>): MultiplyFinding {
  const { q, table, name, variable } = asking;
  const factor = asking.amount(q.factor, "the factor");
  const start =
    q.start === undefined ? (asking.range.from ?? spotOfRational(ratio(0))) : asking.amount(q.start, "the start");
  const e = asking.body();
  const first = valueAt(e, start, table);
  const where = `at ${variable.name} = ${showSpot(start, variable.unit)}, where the counting starts`;
  if (first.kind === "none") throw new Refusal(`${name} has no value ${where}.`);
  if (first.kind === "open") throw new Refusal(`Not settled: whether ${name} has a value ${where}.`);
  const base = baseOf(first);
  if (isExactlyZero(base)) throw new Refusal(nothingFrom(asking, start));
  const wanted = times(numberOf(factor), base);
  const goal = subtract(e, wanted);
  const range = { from: start, to: asking.range.to };
  const search = findRoots(goal, table, range, asking.work);
  const level = levelOf(wanted);
  const common = {
    ask: "multiply" as const,
    ...asking.answered({ from: start.at, to: asking.range.to?.at ?? null }),
    level: level.at,
    start: start.at,
    repeats: repeatsOf(search),
  };
  const found = firstAfter(asking, search, start, goal, level.at);
  const plateau = plateauAfter(search, start);
  const end = found?.at ?? plateau?.lo ?? Infinity;
  const open = search.open.filter((o) => o.lo < end);
  const stretches = plateau && plateau.lo <= end ? [told(plateau)] : [];
  if (!found && !plateau)
    return {
      ...common,
      status: open.length > 0 ? "unsettled" : "none",
      complete: open.length === 0,
      searched: search.searched,
      repeats: null,
      solutions: [],
      stretches: [],
      open: open.map(toldOpen),
      behaviour: open.length > 0 ? null : behaviourOf({ range, table }, e, level),
    };
  const root = search.roots.find((r) => r.spot === found?.spot);
  const vague = vaguely([root?.spot ?? null], asking);
  return {
    ...common,
    complete: open.length === 0 && vague === null,
    searched: null,
    behaviour: null,
    solutions: found ? [found] : [],
    stretches,
    open: open.map(toldOpen),
    message: open.length > 0 ? openMessage(open, variable.name) : vague,
    secondWay: root ? confirmRoot(asking, root, goal, compileNumber(goal, table.number), search) : null,
  };
}

/** The level as it is, not its nearest double: 0.1 · 100 · 0.5^(2/8) keeps its logarithm short. */
function baseOf({ exact, form, lo, hi }: ValueAt & { kind: "value" }): Expression {
  if (exact) return exactNumber(exact);
  // A running total is called by its name, which says nothing by itself.
  const isClosed = form && !dependsOnVariable(form) && Number.isFinite(encloseConstant(form).lo);
  return isClosed ? form : enclosedNumber(lo + (hi - lo) / 2, new Enclosure(lo, hi));
}

const nothingFrom = ({ name, variable }: Asking, start: Spot): string =>
  `${name} is 0 at ${variable.name} = ${showSpot(start, variable.unit)}, where the counting starts, ` +
  "and every multiple of 0 is 0: count from another input.";

function levelOf(wanted: Expression): Spot {
  const exact = exactRational(wanted);
  if (exact) return spotOfRational(exact);
  const v = encloseConstant(wanted);
  return { at: v.lo + (v.hi - v.lo) / 2, lo: v.lo, hi: v.hi, rational: null, exact: null, zeroOf: [] };
}

/** The first stretch after the start on which the level is kept. */
const plateauAfter = (search: RootSearch, start: Spot): Stretch | undefined =>
  search.everywhere.find((s) => s.from !== null && s.lo > start.at);

/**
 * The first root after the start, or the start of the first stretch on which the level is kept; one that begins open
 * has no first input.
 */
function firstAfter(asking: Asking, search: RootSearch, start: Spot, goal: Expression, level: number): Solution | null {
  const root = search.roots.find((r) => r.spot !== start && r.at > start.at);
  const plateau = plateauAfter(search, start);
  const isFirst = plateau !== undefined && (!root || plateau.lo < root.at);
  if (isFirst) return plateau.closedLo ? plateauSolution(asking, plateau, plateau.from!, level) : null;
  return root ? solutionOf(asking, root, goal, level) : null;
}

/** The start of a level stretch as the answer; its whole reading is the first whole input on that stretch. */
function plateauSolution(asking: Asking, plateau: Stretch, spot: Spot, value: number): Solution {
  const isCounted = asking.variable.whole && asking.q.round !== "none";
  const { first } = isCounted ? wholesIn(plateau, asking.table) : { first: null };
  return {
    at: spot.at,
    value,
    low: spot.lo,
    high: spot.hi,
    kind: "endpoint",
    ...exactShown(spot.exact),
    whole: first === null ? null : { at: first, value: 0 },
    reads: readingOf(spot.at, asking.variable),
    turns: 0,
    spot,
  };
}
