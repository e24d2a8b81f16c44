import { formatInput, formatQuantity, formatUnitElsewhere } from "../../explain";
import { closer } from "../common/card";
import { NAME, TO, type Line } from "../common/line";
import { firstInput } from "../common/followed";
import { pairReplaced, rangeReplaced } from "../common/replaced";
import { Unfit, theAmount, pairSlot, theFunction, type SlotOf } from "../common/slots";
import { few, type Speech } from "../common/speech";
import type { GivenFinding } from "../finding";
import type { Kind, QuestionOf } from "../kind";

type Asked = QuestionOf<"given">;

function sentence(f: GivenFinding, say: Speech): string {
  const { given: k, about } = f;
  const unit = say.model.givens.get(k)?.unit ?? null;
  const at = formatInput(f.at, say.input);
  const goal = `${say.name}(${at}) is ${say.out(f.level)}`;
  switch (f.status) {
    case "everywhere":
      return `${goal} whatever ${k} is.`;
    case "unsettled":
      return `Not settled: which ${k} makes ${goal} could not be proven.`;
    case "none": {
      const range = `${formatUnitElsewhere(about.from ?? 0, unit)} to ${formatQuantity(about.to ?? 0, unit)}`;
      return `No ${k} from ${range} makes it so that ${goal}.`;
    }
    case "found": {
      const values = f.solutions.map((s) => formatQuantity(s.at, unit));
      return `${k} has to be ${few(values, "or", "values")} so that ${goal}.`;
    }
  }
}

/** `k so that f(3) = 5 ?`, `k = 0 … 10: f(3) = 5 ?` */
function typed(line: Line): Asked | null {
  const varied = String.raw`(?:\s*(?:\bin\b|=)\s*(\S+?)${TO}(\S+))?`;
  const goal = String.raw`(${NAME})\s*\(([^()]*)\)\s*=\s*(.+)`;
  const m = new RegExp(String.raw`^(${NAME})${varied}\s*(?:\bso that\b|:)\s*${goal}$`, "u").exec(line.text);
  if (!m) return null;
  const row = line.given(m[1]!);
  // Without a range of one's own: from 0 to ten times its present value, or its track.
  const reach = row.vary ?? { from: Math.min(0, row.value * 10), to: Math.max(0, row.value * 10) || 10 };
  return {
    id: line.id,
    ask: "given",
    given: row.name,
    range: m[2] && m[3] ? [line.amount(m[2]), line.amount(m[3])] : [reach.from, reach.to],
    function: line.functionName(m[4]!),
    at: line.amount(m[5]!),
    value: line.amount(m[6]!),
  };
}

const theGiven: SlotOf<Asked> = {
  shown: (q) => q.given,
  choices: "givens",
  put(q, name, model) {
    if (!model.givens.has(name)) throw new Unfit(`\`${name}\` is no given of this case.`);
    return { ...q, given: name };
  },
};

/** What must a given be so that a function has a value? */
export const given: Kind<"given"> = {
  sentence,

  parts(q, words) {
    const unit = words.model.givens.get(q.given)?.unit ?? null;
    return [
      { text: "What must " },
      { text: q.given, slot: "given" },
      { text: " be (" },
      { text: words.pair(q.range, unit), slot: "givenRange" },
      { text: ") so that " },
      words.function(),
      { text: " at " },
      words.at(q.at),
      { text: " is " },
      words.value(q.value),
      { text: "?" },
    ];
  },
  place: () => null,
  slots: {
    given: theGiven,
    givenRange: pairSlot(
      (q) => q.range,
      (q, range) => ({ ...q, range }),
    ),
    function: theFunction(),
    at: theAmount("at"),
    value: theAmount("value"),
  },
  isRounded: false,
  replaced: (q, by) => ({
    ...q,
    ...rangeReplaced(q, by),
    given: by.name(q.given),
    range: pairReplaced(q.range, by),
    function: by.name(q.function),
    at: by.amount(q.at),
    value: by.amount(q.value),
  }),
  identity: () => "given",

  typed,
  starts: [],
  asks: "What a given must be so that a function has a value",
  examples: ["{a} so that {f}(5) = 40 ?"],
  suggested: () => null,

  details: (f, card) => closer(f.solutions, card),
  surety(f) {
    const n = f.solutions.length;
    if (n === 0) return null;
    return n === 1 ? "the only such value" : `all ${n} such values`;
  },
  followed(f, model) {
    const value = firstInput(f);
    return value === null ? null : { value, unit: model.givens.get(f.given)?.unit ?? null };
  },
  printsOpen: true,

  // Its answers are no inputs: they have no place on the graph.
  points: () => [],
  threshold: () => null,
  inputs: () => [],
  asksAt: () => null,
  sight: () => null,
  countsInputs: false,
};
