import { pointsOf } from "../common/pointsOf";
import { followedValue } from "../common/followed";
import { functionReplaced } from "../common/replaced";
import { choiceSlot, range, theFunction } from "../common/slots";
import type { Kind, Outline } from "../kind";
import { details } from "./details";
import { sentence } from "./sentence";

const WORDS = (["greatest", "least"] as const).map((value) => ({ value, text: value }));

/** Where a function turns inside its range: the highest or the lowest of its values is at neither end. */
function turning({ values }: Outline): "greatest" | "least" | null {
  const isInside = (k: number) => k > 0 && k < values.length - 1;
  if (isInside(values.indexOf(Math.max(...values)))) return "greatest";
  return isInside(values.indexOf(Math.min(...values))) ? "least" : null;
}

/** Where is a function greatest, or least? */
export const greatestLeast: Kind<"greatest" | "least"> = {
  sentence,

  parts: (q, words) => [
    { text: "Where is " },
    words.function(),
    { text: " " },
    { text: q.ask, slot: "ask" },
    ...words.range(),
    { text: "?" },
  ],
  place: (q, words) => `${words.function().text} is ${q.ask}`,
  slots: {
    function: theFunction(),
    ask: choiceSlot(
      WORDS,
      (q) => q.ask,
      (q, ask) => ({ ...q, ask }),
    ),
    range: range(),
  },
  isRounded: false,
  replaced: (q, by) => functionReplaced(q, by),
  identity: (q) => q.ask,

  typed(line) {
    const m = /^(greatest|least)\s+(.+)$/i.exec(line.text);
    const ask = m?.[1]!.toLowerCase() as "greatest" | "least" | undefined;
    return ask ? { id: line.id, ...line.narrowed, ask, function: line.functionName(m![2]!) } : null;
  },
  starts: [
    ["greatest ", "greatest P ?"],
    ["least ", "least C ?"],
  ],
  asks: "Where a function is greatest or least",
  examples: ["greatest {f} ?", "least {f} ?", "min {f} for {x} from 2 to 5 ?"],
  suggested(of, id) {
    const ask = turning(of);
    return ask && { id, ask, function: of.name };
  },

  details,
  surety(f, on) {
    if (f.status !== "found") return null;
    const n = f.solutions.length;
    return n === 1 ? `the ${f.ask}${on}, proven` : `all ${n} best inputs, proven`;
  },
  followed: followedValue,
  printsOpen: false,

  points(f, canvas) {
    // What is not proven may be beaten by a value elsewhere.
    const what = f.complete ? f.ask : "found";
    return pointsOf(f.solutions, canvas, (x, y) => `${what} ${canvas.y(y, canvas.drawn)} at ${x}`);
  },
  threshold: () => null,
  inputs: () => [],
  asksAt: () => null,
  sight: (f) => (f.solutions.length === 0 ? null : f.ask === "greatest" ? "peak" : "low point"),
  countsInputs: true,
};
