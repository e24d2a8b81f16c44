import { formatNumber, formatStep, isPercent, oneOf } from "../../explain";
import { NAME, overStretch } from "../common/line";
import { exactNote } from "../common/exactNote";
import { functionReplaced, pairReplaced } from "../common/replaced";
import { theAmount, pairSlot, theFunction } from "../common/slots";
import type { Speech } from "../common/speech";
import type { RateFinding } from "../finding";
import type { Kind, QuestionOf } from "../kind";

function sentence(f: RateFinding, say: Speech, q: QuestionOf<"rate">): string {
  if (f.value === null) return f.message ?? "";
  // A variable in % is counted in points: a change per 1 would be one per 100 of them.
  const isPoints = isPercent(say.input);
  const per = isPoints ? "percentage point" : oneOf(say.x, say.input);
  const changes = `${say.name} changes by ${amount(isPoints ? f.value / 100 : f.value, say, q)} per ${per}`;
  return "between" in f.over
    ? `${changes} on average ${say.span(...f.over.between)}.`
    : `At ${say.at(f.over.at)} ${changes}.`;
}

function amount(change: number, say: Speech, q: QuestionOf<"rate">): string {
  if (q.as === "percent") return `${formatNumber(change * 100)} %`;
  return formatStep(change, say.output);
}

/** How fast does a function change, at an input or between two? */
export const rate: Kind<"rate"> = {
  sentence,

  parts: (q, words) => [
    { text: "How fast does " },
    words.function(),
    { text: q.between ? " change on average over " : " change at " },
    q.between ? words.between(q.between) : words.at(q.at ?? 0),
    { text: q.as === "percent" ? ", in percent?" : "?" },
  ],
  place: () => null,
  slots: {
    function: theFunction(),
    at: theAmount("at"),
    between: pairSlot(
      (q) => q.between ?? [0, 0],
      (q, between) => ({ ...q, between }),
    ),
  },
  isRounded: false,
  replaced: (q, by) => ({
    ...functionReplaced(q, by),
    ...(q.at === undefined ? {} : { at: by.amount(q.at) }),
    ...(q.between === undefined ? {} : { between: pairReplaced(q.between, by) }),
  }),
  identity: () => "rate",

  typed(line) {
    const over = overStretch(line, "rate");
    if (over) return { id: line.id, ask: "rate", function: over.function, between: over.between };
    const slope = new RegExp(String.raw`^(${NAME})['’′]\s*\(([^()]*)\)$`, "u").exec(line.text);
    if (!slope) return null;
    const f = line.functionName(slope[1]!);
    return { id: line.id, ...line.narrowed, ask: "rate", function: f, at: line.amount(slope[2]!) };
  },
  starts: [],
  asks: "How fast a function changes",
  examples: ["rate {f} at 5 ?", "average rate of change of {f} between 1 and 2", "slope of {f} at 3"],
  suggested: () => null,

  details: exactNote,
  surety: () => null,
  followed: (f) => (f.value === null ? null : { value: f.value, unit: null }),
  printsOpen: false,

  points: () => [],
  threshold: () => null,
  inputs: (f) => ("at" in f.over ? [f.over.at] : [...f.over.between]),
  asksAt: () => null,
  sight: () => null,
  countsInputs: false,
};
