import { subtract } from "../../formula";
import { compareSpots, type Spot } from "../../solve";
import { Refusal, numberOf, type Asking } from "../common/asking";
import { worst } from "../common/confirm";
import { level } from "../common/level";
import type { ReachAnyFinding } from "../finding";
import type { QuestionOf } from "../kind";

/** All inputs at which a function has one of several values: each is searched for, and all answers put in order. */
export function reachAny(asking: Asking<QuestionOf<"reach-any">>): ReachAnyFinding {
  const values = different(asking);
  if (values.length === 0) throw new Refusal("This question names no value yet.");
  const found = values.map((value) => ({
    ...level(asking, subtract(asking.body(), numberOf(value)), asking.body(), value),
    level: value.at,
  }));
  const solutions = found.flatMap((f) => f.solutions).sort((a, b) => a.at - b.at);
  const stretches = found.flatMap((f) => f.stretches).sort(byStart);
  const open = found.flatMap((f) => f.open).sort(byStart);
  const isEverywhere = found.some((f) => f.status === "everywhere");
  const isFound = solutions.length + stretches.length > 0;
  return {
    ask: "reach-any",
    ...asking.answered(),
    status: isEverywhere ? "everywhere" : isFound ? "found" : open.length > 0 ? "unsettled" : "none",
    complete: found.every((f) => f.complete),
    open,
    solutions,
    stretches,
    setAside: found.flatMap((f) => f.setAside),
    jumps: found.flatMap((f) => f.jumps),
    searched: found.find((f) => f.searched)?.searched ?? null,
    repeats: found.find((f) => f.repeats)?.repeats ?? null,
    secondWay: worst(found.map((f) => f.secondWay)),
    message: found.find((f) => f.message)?.message ?? null,
    levels: found.map(({ level: at, status, solutions: own, stretches: kept }) => ({
      level: at,
      status,
      solutions: own,
      stretches: kept,
    })),
  };
}

const byStart = (a: { from: number | null }, b: { from: number | null }): number =>
  (a.from ?? -Infinity) - (b.from ?? -Infinity);

/** The values asked for, each once; those that cannot be told apart are left as they are. */
function different(asking: Asking<QuestionOf<"reach-any">>): Spot[] {
  const all = asking.q.values.map((value, i) => asking.amount(value, `value ${i + 1}`));
  return all.filter((v, i) => !all.slice(0, i).some((earlier) => compareSpots(v, earlier, asking.table) === 0));
}
