import { formatNumber, formatStep, isMoney } from "../../explain";
import type { Speech } from "../common/speech";
import type { MultiplyFinding, Solution } from "../finding";
import type { QuestionOf } from "../kind";

export function sentence(f: MultiplyFinding, say: Speech, q: QuestionOf<"multiply">): string {
  const goal = goalOf(f, say, q);
  if (f.status === "unsettled")
    return `Not settled: whether ${say.name} comes to ${goal} could not be proven or excluded.`;
  const [s] = f.solutions;
  const [plateau] = f.stretches;
  if (!s && plateau) return `${say.name} comes to ${goal} just after ${say.at(plateau.from ?? f.start)}.`;
  if (!s) {
    const instead = say.instead(f.behaviour);
    return `${say.name} never comes ${q.factor === 1 ? "back " : ""}to ${goal} ${say.range(f.searched)}${instead}.`;
  }
  const time = formatStep(s.at - f.start, say.input);
  const at = f.start === 0 ? "" : `, at ${say.at(s.at)}`;
  const reads = s.reads ? ` (${s.reads})` : "";
  return `${say.name} comes to ${goal} after ${time}${at}${reads}.${firstWhole(s, f, say, q)}`;
}

/** The level, or what it is made of where it is too large a number to be written. */
const goalOf = (f: MultiplyFinding, say: Speech, { factor }: QuestionOf<"multiply">): string =>
  Number.isFinite(f.level)
    ? say.out(f.level)
    : `${typeof factor === "number" ? formatNumber(factor) : "that many"} times its value at ${say.at(f.start)}`;

/** "The first month below half is month 84." */
function firstWhole(s: Solution, f: MultiplyFinding, say: Speech, q: QuestionOf<"multiply">): string {
  if (!s.whole || s.whole.at === s.at) return "";
  const goal = q.factor === 0.5 ? "half" : q.factor === 2 ? "double" : goalOf(f, say, q);
  // A falling function is below from the next whole input on; a rising one reaches it there.
  const first = formatNumber(Math.floor(s.at) + 1);
  // Months are numbered; money is not.
  const isNumbered = say.isCounted() && !isMoney(say.input);
  const noun = isNumbered ? say.noun(1) : "whole number";
  const which = isNumbered ? `${noun} ${first}` : `${say.x} = ${first}`;
  return ` The first ${noun} ${s.turns < 0 ? "below" : "at or above"} ${goal} is ${which}.`;
}
