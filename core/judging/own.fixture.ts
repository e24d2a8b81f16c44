import { analyse } from "../question";
import { oneQuestion, type Asked, type Range } from "../question/oneQuestion.fixture";
import { judged, type Judged } from "./index";

/** Lines of a student's own working under a question about functions of x, judged. */
export function judgedLines(
  functions: Record<string, string>,
  q: Asked,
  lines: readonly string[],
  range: Range = {},
): Judged[] {
  const source = oneQuestion(functions, q, { from: -10, to: 100, ...range });
  const { model, findings } = analyse(source);
  return judged(source.questions[0], lines, model, (id) => findings.find((f) => f.id === id) ?? null);
}
export const verdicts = (...args: Parameters<typeof judgedLines>): string[] =>
  judgedLines(...args).map((line) => line.verdict);
