import type { QuestionOf } from "../kind";
import { compileNumber, subtract } from "../../formula";
import { whereRelation } from "../../solve";
import type { FindingStretch, WhereFinding } from "../finding";
import { behaviourOf } from "../common/behaviour";
import { numberOf, type Asking } from "../common/asking";
import { confirmRoot, worst } from "../common/confirm";
import { vaguely } from "../common/digits";
import { repeatsOf } from "../common/level";
import { allOf, isWholeRange, hasSignAt, openMessage, told, toldOpen, wholesIn } from "../common/stretches";

/** Roots of which a second way is tried. */
const MOST_CONFIRMED = 100;

export function where(asking: Asking<QuestionOf<"where">>): WhereFinding {
  const { q, table, range } = asking;
  const limit = asking.amount(q.value, "the value to compare with");
  const e = subtract(asking.body(), numberOf(limit));
  const found = whereRelation(e, table, range, q.relation, asking.work);
  const { search } = found;
  const isWhole = asking.variable.whole && q.round !== "none";
  const signs = [q.relation.startsWith(">") ? 1 : -1, ...(q.relation.endsWith("=") ? [0] : [])];
  const holds = hasSignAt(e, table, signs);
  const [only] = found.stretches;
  const repeated = search.period?.range ?? range;
  const isEverywhere = only !== undefined && isWholeRange(only, repeated);
  // What holds throughout a period holds throughout the range.
  const holding = isEverywhere ? [allOf(range)] : found.stretches;
  const stretches = holding.map((s): FindingStretch => ({
    ...told(s),
    ...(isWhole ? wholesIn(s, table, holds) : {}),
  }));
  const isOpen = search.open.length > 0;
  const vague = vaguely(
    holding.flatMap((s) => [s.from, s.to]),
    asking,
  );
  const status = isEverywhere ? "everywhere" : stretches.length > 0 ? "found" : isOpen ? "unsettled" : "none";
  const here = compileNumber(e, table.number);
  return {
    ...asking.answered(),
    ask: "where",
    status,
    complete: !isOpen && vague === null,
    searched: search.searched,
    repeats: isEverywhere ? null : repeatsOf(search),
    stretches,
    open: search.open.map(toldOpen),
    level: limit.at,
    jumps: search.jumps,
    secondWay: worst(search.roots.slice(0, MOST_CONFIRMED).map((r) => confirmRoot(asking, r, e, here, search))),
    behaviour: status === "none" ? behaviourOf(asking, asking.body(), limit) : null,
    message: isOpen && status !== "unsettled" ? openMessage(search.open, asking.variable.name) : vague,
  };
}
