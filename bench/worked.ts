import { performance } from "node:perf_hooks";
import { oneQuestion } from "../core/question/oneQuestion.fixture";
import table from "../core/working/fixtures/problems.json";
import type { Question } from "#core/model";
import { analyse, workingOf } from "#core/question";

/** A problem of our own, with what its working has to come to. */
export interface Problem {
  readonly title: string;
  /** the range of x; null: without an end on that side */
  readonly range: readonly [number | null, number | null];
  readonly functions: Readonly<Record<string, string>>;
  readonly question: Omit<Question, "id"> & Record<string, unknown>;
  /** rules that the working goes by, in this order, others between */
  readonly rules: readonly string[];
  /** texts that stand in its lines */
  readonly lines: readonly string[];
}
export interface Worked {
  readonly isWorked: boolean;
  readonly isRight: boolean;
  /** what was missing */
  readonly says: string;
  readonly ms: number;
}

export const problems = (): Problem[] => table as unknown as Problem[];

/** Works a problem, and sees whether it goes by the rules and comes to the lines that it should. */
export function worked({ range: [from, to], functions, question, rules, lines }: Problem): Worked {
  const source = oneQuestion(functions, question, { from, to });
  const { model, findings } = analyse(source);
  const start = performance.now();
  const steps = workingOf(source.questions[0], findings[0]!, model, () => null);
  const ms = performance.now() - start;
  let at = -1;
  const lost = rules.find((rule) => (at = steps.findIndex((s, i) => i > at && s.rule === rule)) < 0);
  const missing = lines.find((line) => !steps.some((s) => s.text === line));
  const says = lost ? `no step "${lost}"` : missing ? `no line "${missing}"` : "";
  return { isWorked: steps.length > 0, isRight: says === "" && steps.length > 0, says, ms };
}
