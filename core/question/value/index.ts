import { estimateWords } from "../../explain";
import { readingOf } from "../../model";
import type { Card } from "../common/card";
import { exactNote } from "../common/exactNote";
import { NAME } from "../common/line";
import { followedValue } from "../common/followed";
import { rangeReplaced } from "../common/replaced";
import { theAmount, theFunction } from "../common/slots";
import type { Speech } from "../common/speech";
import type { ValueFinding } from "../finding";
import type { Kind } from "../kind";

function sentence(f: ValueFinding, say: Speech): string {
  if (f.value === null) return f.message ?? "";
  const data = f.estimate ? `, ${estimateWords(f.estimate.beyond, say.input)}` : "";
  const beyond = f.message ? ` ${f.message}` : "";
  return `${say.name}(${say.bare(f.at)})${dated(f.at, say)} is ${say.out(f.value)}${data}.${beyond}`;
}

/** ", in 2031,", ", on 7 April 2031,", where inputs count from a date. */
function dated(at: number, say: Speech): string {
  const variable = say.model.variables.get(say.x);
  const reads = variable?.since ? readingOf(at, variable) : null;
  return reads ? `, ${/^-?\d+$/.test(reads) ? "in" : "on"} ${reads},` : "";
}

function band({ estimate }: ValueFinding, card: Card): string[] {
  if (estimate === null || estimate.low === null || estimate.high === null) return [];
  const [low, high] = [estimate.low, estimate.high].map((y) => card.output(y, 4));
  return [`if the model holds, 95 of 100 readings there lie between ${low} and ${high}`];
}

/** What is a function at an input? */
export const value: Kind<"value"> = {
  sentence,

  parts: (q, words) => [{ text: "What is " }, words.function(), { text: " at " }, words.at(q.at), { text: "?" }],
  place: () => null,
  slots: {
    function: theFunction(),
    at: theAmount("at"),
  },
  isRounded: false,
  replaced: (q, by) => ({ ...q, ...rangeReplaced(q, by), function: by.name(q.function), at: by.amount(q.at) }),
  identity: () => "value",

  typed(line) {
    const m = new RegExp(String.raw`^(${NAME})\s*\(([^()]*(?:\([^()]*\)[^()]*)*)\)$`, "u").exec(line.text);
    return m && { id: line.id, ask: "value", function: line.functionName(m[1]!), at: line.amount(m[2]!) };
  },
  starts: [],
  asks: "What a function is at an input",
  examples: ["{f}(5) ?", "what is {f} at 5?"],
  suggested: () => null,

  details: (f, card) => [...band(f, card), ...exactNote(f, card)],
  surety: () => null,
  followed: followedValue,
  printsOpen: false,

  points(f, canvas) {
    if (f.value === null) return [];
    const label = `${canvas.drawn}(${canvas.x(f.at)}) = ${canvas.y(f.value, canvas.drawn)}`;
    return [{ x: f.at, y: f.value, function: canvas.drawn, label }];
  },
  threshold: () => null,
  inputs: (f) => [f.at],
  asksAt: (f) => f.at,
  sight: () => null,
  countsInputs: false,
};
