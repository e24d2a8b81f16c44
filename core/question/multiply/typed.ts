import { anyCase } from "../../formula";
import { NAME, type Line } from "../common/line";
import type { QuestionOf } from "../kind";

const FACTORS: readonly (readonly [RegExp, number])[] = [
  [/^d/i, 2],
  [/^t/i, 3],
  [/^h/i, 0.5],
];

/** `double N ?`, `m halves after 3 ?`, `N becomes 5 times after 2 ?` */
export function typed(line: Line): QuestionOf<"multiply"> | null {
  const { text } = line;
  const verbFirst = /^(double|triple|halve)\s+(\S+?)(?:\s+after\s+(\S+))?$/i.exec(text);
  if (verbFirst) return asked(line, verbFirst[2]!, factorOf(verbFirst[1]!), verbFirst[3]);
  const verbLast = /^(\S+)\s+(doubles|triples|halves)(?:\s+after\s+(\S+))?$/i.exec(text);
  if (verbLast) return asked(line, verbLast[1]!, factorOf(verbLast[2]!), verbLast[3]);
  const fold = anyCase(
    String.raw`^(${NAME})\s+(?:becomes\s+(\S+?)\s*(?:times|-?fold)|times\s+(\S+))(?:\s+after\s+(\S+))?$`,
  ).exec(text);
  return fold && line.functionIn(fold[1]!) ? asked(line, fold[1]!, line.amount(fold[2] ?? fold[3]!), fold[4]) : null;
}

const factorOf = (verb: string): number => FACTORS.find(([word]) => word.test(verb))![1];

function asked(
  line: Line,
  name: string,
  factor: QuestionOf<"multiply">["factor"],
  after: string | undefined,
): QuestionOf<"multiply"> {
  const start = after ? { start: line.amount(after) } : {};
  return { id: line.id, ...line.narrowed, ask: "multiply", function: line.functionName(name), factor, ...start };
}
