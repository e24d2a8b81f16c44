import { closer } from "../common/card";
import { followedInput } from "../common/followed";
import { pointsOf } from "../common/pointsOf";
import { functionReplaced } from "../common/replaced";
import { theAmount, rounding, theFunction } from "../common/slots";
import type { Kind, Outline } from "../kind";
import { sentence } from "./sentence";
import { typed } from "./typed";

/** Share of its middle value that the geometric mean of a growing function's ends comes up to. */
const GROWTH = 0.9;

/**
 * Growth by a factor: from 0 on, always rising, with a middle near the geometric mean of the ends and nearer to it than
 * to the mean that a straight line has.
 */
function grows({ values, from }: Outline): boolean {
  const [first, middle, last] = [values[0]!, values[values.length >> 1]!, values[values.length - 1]!];
  const rises = values.every((y, k) => k === 0 || y > values[k - 1]!);
  if (!rises || from !== 0 || first <= 0 || last <= 2 * first) return false;
  const [geometric, straight] = [Math.sqrt(first * last), (first + last) / 2];
  return geometric > GROWTH * middle && middle < (geometric + straight) / 2;
}

/** When has a function become a multiple of what it was? */
export const multiply: Kind<"multiply"> = {
  sentence,

  parts: (q, words) => [
    { text: "When has " },
    words.function(),
    { text: " become " },
    { text: words.amount(q.factor, null), slot: "factor" },
    { text: " times what it is at " },
    {
      text: q.start === undefined ? "the start" : words.amount(q.start, words.variable()?.unit ?? null),
      slot: "start",
    },
    { text: "?" },
  ],
  place: (q, words) => `${words.function().text} is ${words.amount(q.factor, null)} times as much`,
  slots: {
    function: theFunction(),
    factor: theAmount("factor"),
    start: theAmount("start"),
    round: rounding(),
  },
  isRounded: true,
  replaced: (q, by) => ({
    ...functionReplaced(q, by),
    factor: by.amount(q.factor),
    ...(q.start === undefined ? {} : { start: by.amount(q.start) }),
  }),
  identity: () => "multiply",

  typed,
  starts: [],
  asks: "When a function has become a multiple of what it was",
  examples: ["how long until {f} doubles?", "when has {f} tripled?"],
  suggested: (of, id) => (grows(of) ? { id, ask: "multiply", function: of.name, factor: 2 } : null),

  details: (f, card) => closer(f.solutions, card),
  surety: () => null,
  followed: followedInput,
  printsOpen: false,

  points: (f, canvas) => pointsOf(f.solutions, canvas, (x) => x),
  threshold: (f) => f.level,
  inputs: (f) => [f.start],
  asksAt: () => null,
  sight: () => null,
  countsInputs: false,
};
