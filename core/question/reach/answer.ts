import { subtract } from "../../formula";
import { numberOf, type Asking } from "../common/asking";
import { level } from "../common/level";
import type { ReachFinding } from "../finding";
import type { QuestionOf } from "../kind";

/** All inputs at which a function has a value that is asked for. */
export function reach(asking: Asking<QuestionOf<"reach">>): ReachFinding {
  const value = asking.amount(asking.q.value, "the value to reach");
  const found = level(asking, subtract(asking.body(), numberOf(value)), asking.body(), value);
  return { ask: "reach", ...found, level: value.at };
}
