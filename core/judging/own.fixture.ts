import type { CaseFile, Question } from "../model";
import { analyse } from "../question";
import { judged, type Judged } from "./index";

type Asked = Omit<Question, "id"> & Record<string, unknown>;

/** Lines of a student's own working under a question about functions of x, judged. */
export function judgedLines(
  functions: Record<string, string>,
  q: Asked,
  lines: readonly string[],
  { from = -10, to = 100, givens }: { from?: number; to?: number; givens?: CaseFile["givens"] } = {},
): Judged[] {
  const source: CaseFile = {
    format: "pasear-case",
    version: 1,
    title: "T",
    variables: [{ name: "x", from, to }],
    ...(givens ? { givens } : {}),
    functions: Object.entries(functions).map(([name, text]) => ({ name, of: "x", by: { kind: "formula", text } })),
    questions: [{ id: "q", ...q } as Question],
  };
  const { model, findings } = analyse(source);
  return judged(source.questions![0]!, lines, model, (id) => findings.find((f) => f.id === id) ?? null);
}
export const verdicts = (...args: Parameters<typeof judgedLines>): string[] =>
  judgedLines(...args).map((line) => line.verdict);
