import { formatQuantity, formatUnitElsewhere } from "../../explain";
import { few, type Speech } from "../common/speech";
import type { FindingStretch, WhereFinding } from "../finding";
import type { QuestionOf } from "../kind";

export const RELATIONS = { "<": "below", "<=": "at most", ">": "above", ">=": "at least" } as const;

export function sentence(f: WhereFinding, say: Speech, q: QuestionOf<"where">): string {
  const relation = `${RELATIONS[q.relation]} ${say.out(f.level)}`;
  const range = say.range(f.searched);
  switch (f.status) {
    case "unsettled":
      return `Not settled: where ${say.name} is ${relation} could not be proven.`;
    case "none":
      return `${say.name} is never ${relation} ${range}${say.instead(f.behaviour)}.`;
    case "everywhere":
      return `${say.name} is ${relation} ${say.everywhere(f.searched)}.`;
    case "found":
      return `${say.name} is ${relation} ${few(f.stretches.map((s) => stretch(s, say, q)))}.`;
  }
}

function stretch(s: FindingStretch, say: Speech, { relation }: QuestionOf<"where">): string {
  const [a, b] = [s.from ?? -Infinity, s.to ?? Infinity];
  if (a === b) return `at ${say.at(a)}`;
  if (s.first !== null && Number.isFinite(b)) {
    const last = Math.floor(s.ends.endsWith(")") && Number.isInteger(b) ? b - 1 : b);
    return last === s.first
      ? `for ${formatQuantity(last, say.input)}`
      : `from ${formatUnitElsewhere(s.first, say.input)} to ${formatQuantity(last, say.input)}`;
  }
  // "At most" holds at its ends, unless there is a jump or no value: that is told.
  if (relation === "<=" || relation === ">=") return say.stretch(s);
  if (!Number.isFinite(a)) return `up to ${say.at(b)}`;
  return Number.isFinite(b) ? say.span(a, b) : `from ${say.at(a)} on`;
}
