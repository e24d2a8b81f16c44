import { list } from "../../explain";
import { closer, neighbours } from "../common/card";
import { sidesOf } from "../common/line";
import { followedInput } from "../common/followed";
import { pointsOf } from "../common/pointsOf";
import { functionReplaced } from "../common/replaced";
import { amountText, range, rounding, theFunction, typedAmount, type SlotOf } from "../common/slots";
import { MOST_TOLD, few, type Speech } from "../common/speech";
import type { ReachAnyFinding } from "../finding";
import type { Kind, QuestionOf } from "../kind";

type Level = ReachAnyFinding["levels"][number];

function sentence(f: ReachAnyFinding, say: Speech): string {
  const values = list(
    f.levels.map((l) => say.out(l.level)),
    "or",
  );
  if (f.status === "unsettled") return `Not settled: whether ${say.name} is ${values} could not be proven or excluded.`;
  if (f.status === "none") return `${say.name} is never ${values} ${say.range(f.searched)}.`;
  // What is never taken comes first where the places come again: that is said after them.
  const levels = f.repeats
    ? [...f.levels].sort((a, b) => Number(b.status === "none") - Number(a.status === "none"))
    : f.levels;
  return `${say.name} is ${levels.map((l) => told(l, f, say)).join("; ")}.`;
}

/** "10 at x = 3", "never 50" */
function told({ level, status, solutions, stretches }: Level, f: ReachAnyFinding, say: Speech): string {
  const value = say.out(level);
  if (status === "everywhere") return `${value} ${say.everywhere(f.searched)}`;
  if (status === "none") return `never ${value}`;
  if (status === "unsettled") return `perhaps ${value}, which could not be settled`;
  if (solutions.length > MOST_TOLD) return `${value} at ${solutions.length} places`;
  const places = solutions.length === 0 ? [] : [`at ${list(solutions.map((s) => say.place(s)))}`];
  const kept = stretches.length === 0 ? [] : [few(stretches.map((s) => say.stretch(s)))];
  return `${value} ${list([...places, ...kept])}`;
}

const LIST = /\s*,\s+(?:or\s+)?|\s+or\s+/;

const theValues: SlotOf<QuestionOf<"reach-any">> = {
  shown: (q) => q.values.map(amountText).join(", "),
  choices: null,
  put: (q, typed, model) => ({ ...q, values: typed.split(LIST).map((value) => typedAmount(value, model)) }),
};

/** Where has a function one of several values? */
export const reachAny: Kind<"reach-any"> = {
  sentence,

  parts: (q, words) => [
    { text: "Where is " },
    words.function(),
    { text: " equal to " },
    {
      text: list(
        q.values.map((v) => words.value(v).text),
        "or",
      ),
      slot: "values",
    },
    ...words.range(),
    { text: "?" },
  ],
  place: (q, words) =>
    `${words.function().text} is ${list(
      q.values.map((v) => words.value(v).text),
      "or",
    )}`,
  slots: { function: theFunction(), values: theValues, range: range(), round: rounding() },
  isRounded: true,
  replaced: (q, by) => ({
    ...functionReplaced(q, by),
    values: q.values.map((v) => by.amount(v)),
  }),
  identity: (q) => `reach-any ${JSON.stringify(q.values)}`,

  typed(line) {
    const sides = sidesOf(line);
    const values = sides?.right.split(LIST) ?? [];
    if (sides?.sign !== "=" || !sides.leftFunction || values.length < 2) return null;
    return {
      id: line.id,
      ...line.narrowed,
      ask: "reach-any",
      function: sides.leftFunction,
      values: values.map((v) => line.amount(v)),
    };
  },
  starts: [],
  asks: "Where a function has one of several values",
  examples: ["{f} = 10, 20 or 30 ?"],
  suggested: () => null,

  details: (f, card) => [...closer(f.solutions, card), ...neighbours(f.solutions, card)],
  surety(f, on) {
    const n = f.solutions.length;
    if (n === 0) return f.status === "none" ? `proven: none${on}` : null;
    return n === 1 ? `the only place${on}` : `${n === 2 ? "both places" : `all ${n} places`}${on}`;
  },
  followed: followedInput,
  printsOpen: true,

  points: (f, canvas) => pointsOf(f.solutions, canvas, (x, y) => `${canvas.y(y, canvas.drawn)} at ${x}`),
  threshold: () => null,
  inputs: () => [],
  asksAt: () => null,
  sight: () => "threshold",
  countsInputs: true,
};
