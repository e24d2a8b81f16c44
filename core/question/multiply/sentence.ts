import { formatNumber, formatStep } from "../../explain";
import type { Speech } from "../common/speech";
import type { MultiplyFinding, Solution } from "../finding";
import type { QuestionOf } from "../kind";

export function sentence(f: MultiplyFinding, say: Speech, q: QuestionOf<"multiply">): string {
  const goal = say.out(f.level);
  if (f.status === "unsettled")
    return `Not settled: whether ${say.name} comes to ${goal} could not be proven or excluded.`;
  const [s] = f.solutions;
  if (!s && f.stretches.length > 0) return f.message ?? "";
  if (!s) {
    const instead = say.instead(f.behaviour);
    return `${say.name} never comes ${q.factor === 1 ? "back " : ""}to ${goal} ${say.range(f.searched)}${instead}.`;
  }
  const time = formatStep(s.at - f.start, say.input);
  const at = f.start === 0 ? "" : `, at ${say.at(s.at)}`;
  const reads = s.reads ? ` (${s.reads})` : "";
  return `${say.name} comes to ${goal} after ${time}${at}${reads}.${firstWhole(s, f, say, q)}`;
}

/** "The first month below half is month 84." */
function firstWhole(s: Solution, f: MultiplyFinding, say: Speech, q: QuestionOf<"multiply">): string {
  if (!s.whole || s.whole.at === s.at) return "";
  const goal = q.factor === 0.5 ? "half" : q.factor === 2 ? "double" : say.out(f.level);
  // A falling function is below from the next whole input on; a rising one reaches it there.
  const first = formatNumber(Math.floor(s.at) + 1);
  const noun = say.isCounted() ? say.noun(1) : "whole number";
  const which = say.isCounted() ? `${noun} ${first}` : `${say.x} = ${first}`;
  return ` The first ${noun} ${s.turns < 0 ? "below" : "at or above"} ${goal} is ${which}.`;
}
