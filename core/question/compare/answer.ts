import type { QuestionOf } from "../kind";
import { compileNumber, subtract, type Expression } from "../../formula";
import { commonPeriod, inline, leastOf, periodOf, withoutNothing } from "../../solve";
import type { CompareFinding } from "../finding";
import { plainEvaluation } from "../common/secondWay";
import { Refusal, type Asking } from "../common/asking";
import { residualScale, worst } from "../common/confirm";
import { vaguely } from "../common/digits";
import { allOf, isWholeRange, openMessage, told, toldOpen, wholesIn } from "../common/stretches";

export function compare(asking: Asking<QuestionOf<"compare">>): CompareFinding {
  const { functions, range, table } = asking;
  if (functions.length < 2) throw new Refusal("Comparing needs at least two functions.");
  const bodies = functions.map((_, i) => asking.body(i));
  const period = commonPeriod(bodies, table, range);
  const { leaders: first, open, meets } = leastOf(bodies, table, period?.range ?? range, asking.work);
  // Who is least throughout a period is least throughout the range.
  const always = period && first[0] && isWholeRange(first[0], period.range) ? { ...first[0], ...allOf(range) } : null;
  const leaders = always ? [always] : first;
  const isRepeated = (f: Expression, g: Expression) =>
    periodOf(withoutNothing(inline(subtract(f, g), table)), table, range) !== null;
  // What repeats for ever has no last stretch, unless one of them is the least all along.
  if (open.length > 0 && bodies.some((f, i) => bodies.slice(0, i).some((g) => isRepeated(f, g))))
    throw new Refusal(`These repeat without end; give ${asking.variable.name} a start and an end to compare them.`);
  const vague = vaguely(
    leaders.flatMap((l) => [l.from, l.to]),
    asking,
  );
  const isWhole = asking.variable.whole && asking.q.round !== "none";
  const confirmed = meets.map((m) => {
    const f = compileNumber(subtract(bodies[m.a]!, bodies[m.b]!), table.number);
    const off = Math.abs(f(m.at));
    return Number.isFinite(off) ? plainEvaluation(0, off < residualScale(f, m.at) ? 0 : off) : null;
  });
  return {
    ...asking.answered(),
    ask: "compare",
    status: leaders.length > 0 ? "found" : open.length > 0 ? "unsettled" : "none",
    complete: open.length === 0 && vague === null,
    repeats: period && !always ? { every: period.every.at } : null,
    stretches: leaders.map((l) => ({
      ...told(l),
      least: l.least === null ? null : functions[l.least]!.name,
      ...(isWhole ? wholesIn(l, table) : {}),
    })),
    open: open.map(toldOpen),
    // Where a place is known only roughly, plain values there tell nothing.
    secondWay: vague ? null : worst(confirmed),
    message:
      open.length > 0
        ? openMessage(open, asking.variable.name)
        : leaders.length === 0
          ? "None of the functions has a value on the range."
          : vague,
  };
}
