import { formatNumber, formatQuantity } from "../../explain";
import { times } from "../../units";
import { exactNote } from "../common/exactNote";
import { followedValue } from "../common/followed";
import { overStretch } from "../common/line";
import { functionReplaced, pairReplaced } from "../common/replaced";
import { pairSlot, theFunction } from "../common/slots";
import type { Speech } from "../common/speech";
import type { TotalFinding } from "../finding";
import type { Kind } from "../kind";

function sentence(f: TotalFinding, say: Speech): string {
  if (f.value === null) return f.message ?? "Not settled.";
  const stretch = say.span(...f.between);
  if (f.ask === "average") return `${say.name} is ${say.out(f.value)} on average ${stretch}.`;
  const unit = say.output && say.input ? times(say.output, say.input) : null;
  return `The total of ${say.name} ${stretch} is ${unit ? formatQuantity(f.value, unit) : formatNumber(f.value)}.`;
}

/** What is the total of a function over a stretch, or its average? */
export const totalAverage: Kind<"total" | "average"> = {
  sentence,

  parts: (q, words) => [
    { text: `What is the ${q.ask} of ` },
    words.function(),
    { text: " over " },
    words.between(q.between),
    { text: "?" },
  ],
  place: () => null,
  slots: {
    function: theFunction(),
    between: pairSlot(
      (q) => q.between,
      (q, between) => ({ ...q, between }),
    ),
  },
  isRounded: false,
  replaced: (q, by) => ({
    ...functionReplaced(q, by),
    between: pairReplaced(q.between, by),
  }),
  identity: (q) => q.ask,

  typed(line) {
    const over = overStretch(line, "total|average");
    const ask = over?.word as "total" | "average";
    return over && { id: line.id, ask, function: over.function, between: over.between };
  },
  starts: [
    ["total of ", "total of v over 0 … 10 ?"],
    ["average of ", "average of v over 0 … 10 ?"],
  ],
  asks: "The total of a function over a stretch, or its average",
  examples: ["total {f} over 0 … 10 ?", "average {f} over 0 … 10 ?", "area under {f} from 0 to 4"],
  // The total of a speed is a way.
  suggested: ({ name, unit, from, to }, id) =>
    unit?.powers.metre === 1 && unit.powers.second === -1
      ? { id, ask: "total", function: name, between: [from, to] }
      : null,

  details: exactNote,
  surety: () => null,
  // A total has no unit of its function's.
  followed(f, model) {
    const followed = followedValue(f, model);
    return followed && f.ask === "total" ? { ...followed, unit: null } : followed;
  },
  printsOpen: false,

  points: () => [],
  threshold: () => null,
  inputs: (f) => [...f.between],
  asksAt: () => null,
  sight: () => null,
  countsInputs: false,
};
