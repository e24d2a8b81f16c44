import { analyse, workingOf, type WorkingStep } from "./index";
import { oneQuestion, type Asked, type Range } from "./oneQuestion.fixture";

/** The working of one question on functions of x, 0 … 100 where nothing else is set. */
export function steps(functions: Record<string, string>, q: Asked, setting: Range = {}) {
  const c = oneQuestion(functions, q, { from: 0, to: 100, ...setting });
  const { model, findings } = analyse(c);
  return workingOf(c.questions[0], findings[0]!, model, () => null);
}

const NAMING = ["names", "definition", "givens", "check", "sentence"];
/** What is worked out, without the naming before it and the check at its end. */
export const linesOf = (list: readonly WorkingStep[]): string[] =>
  list.filter((s) => !NAMING.includes(s.rule)).map((s) => s.text);

export const lines = (...args: Parameters<typeof steps>) => linesOf(steps(...args));
