import { compileNumber, type Expression } from "../../formula";
import { besides, ratio, toDouble } from "../../numeric";
import { compareSpots, findRoots, newWork, spotOfRational, type RootSearch, type Root, type Spot } from "../../solve";
import { readingOf } from "../../model";
import type { MeetFinding, SetAside, Solution } from "../finding";
import { behaviourOf } from "./behaviour";
import { fractionOf, type Asking } from "./asking";
import { confirmRoot, worst } from "./confirm";
import { vaguely } from "./digits";
import { exactShown } from "./exactShown";
import { isWholeRange, openMessage, told, toldOpen } from "./stretches";
import { wholeReading } from "./wholeReading";

/** What questions about one level have in common. */
type LevelAnswer = Omit<MeetFinding, "ask" | "gap">;

/** Set-aside answers on one side that are told one by one. */
const MOST_SET_ASIDE = 100;
/** Looking outside the range is a courtesy, and gets less work than the range itself. */
const SET_ASIDE_BOXES = 2000;

/** All inputs at which `e` is 0, read as "`shown` reaches the level". */
export function level(asking: Asking, e: Expression, shown: Expression, value: Spot | null): LevelAnswer {
  const search = findRoots(e, asking.table, asking.range, asking.work);
  const number = compileNumber(shown, asking.table.number);
  const here = compileNumber(e, asking.table.number);
  const solutions = search.roots.map((r) => solutionOf(asking, r, e, value ? value.at : number(r.at)));
  const vague = vaguely(
    [...search.roots.map((r) => r.spot), ...search.everywhere.flatMap((s) => [s.from, s.to])],
    asking,
  );
  const [first] = search.everywhere;
  const isEverywhere = first !== undefined && isWholeRange(first, asking.range);
  const isFound = solutions.length > 0 || search.everywhere.length > 0;
  const status = isEverywhere ? "everywhere" : isFound ? "found" : search.open.length > 0 ? "unsettled" : "none";
  return {
    ...asking.answered(),
    status,
    complete: search.open.length === 0 && vague === null,
    solutions,
    stretches: search.everywhere.map(told),
    open: search.open.map(toldOpen),
    searched: search.searched,
    repeats: repeatsOf(search),
    setAside: search.everywhere.length > 0 ? [] : besides(() => setAside(asking, e), []),
    secondWay: worst(search.roots.slice(0, MOST_SET_ASIDE).map((r) => confirmRoot(asking, r, e, here, search))),
    behaviour: status === "none" ? behaviourOf(asking, shown, value) : null,
    jumps: search.jumps,
    message: search.open.length > 0 && isFound ? openMessage(search.open, asking.variable.name) : vague,
  };
}

export const repeatsOf = (search: Pick<RootSearch, "period">): MeetFinding["repeats"] =>
  search.period && { every: search.period.every.at };

export function solutionOf(asking: Asking, r: Root, e: Expression, value: number): Solution {
  return {
    at: r.spot.rational ? toDouble(r.spot.rational) : r.at,
    value,
    low: r.lo,
    high: r.hi,
    kind: r.kind,
    ...exactShown(r.exact),
    whole: wholeReading(asking, e, r),
    reads: readingOf(r.at, asking.variable),
    turns: turnsOf(r),
    spot: r.spot,
  };
}

/** −1, 1: the function goes below, above 0 at a root; 0: it does neither, or nothing is known. */
function turnsOf(r: Root): -1 | 0 | 1 {
  if (r.left === r.right) return 0;
  if (r.right === 1 || r.left === -1) return 1;
  return r.right === -1 || r.left === 1 ? -1 : 0;
}

/** Answers up to one range-width beyond each end, with why they do not count. */
function setAside(asking: Asking, e: Expression): SetAside[] {
  const { from, to } = asking.range;
  if (!from || !to || compareSpots(from, to, asking.table) === 0) return [];
  const width = fractionOf(to).sub(fractionOf(from));
  if (width.compare(ratio(0)) <= 0) return [];
  const below = { from: spotOfRational(fractionOf(from).sub(width)), to: from };
  const above = { from: to, to: spotOfRational(fractionOf(to).add(width)) };
  return [below, above].flatMap((range, i) => {
    const isBelow = i === 0;
    const edge = isBelow ? from : to;
    const own = isBelow ? asking.variable.start : asking.variable.end;
    const isAsked = asking.isNarrowed && !(own && compareSpots(own, edge, asking.table) === 0);
    const reason =
      `${isBelow ? "below" : "above"} the range ` +
      `${isAsked ? "asked for" : `of ${asking.variable.name}`}, ${asking.shown(edge)}`;
    return findRoots(e, asking.table, range, newWork(SET_ASIDE_BOXES, 600))
      .roots.slice(0, MOST_SET_ASIDE)
      .filter((r) => compareSpots(r.spot, edge, asking.table) === (isBelow ? -1 : 1))
      .map((r) => ({ at: r.at, below: isBelow, reason }));
  });
}
