import type { CaseFile, Question } from "../model";
import { changedRow, way, withField } from "./way";

const withQuestion = (source: CaseFile, id: string, to: (q: Question) => Question): CaseFile => ({
  ...source,
  questions: changedRow(source.questions, (q) => q.id === id, to),
});

export const questionEdits = {
  ask: way<{ question: Question }>({
    says: () => "ask a suggested question",
    apply: (source, { question }) => ({ ...source, questions: [...(source.questions ?? []), question] }),
  }),
  changeQuestion: way<{ question: Question }>({
    says: () => "change a question",
    apply: (source, { question }) => withQuestion(source, question.id, () => question),
  }),
  /** The lines of a student's own working; none is kept of empty ones at the end. */
  writeWorking: way<{ id: string; lines: readonly string[] }>({
    says: (p) => `write working for ${p.id}`,
    apply: (source, { id, lines }) => {
      const last = lines.findLastIndex((line) => line.trim() !== "");
      const kept = lines.slice(0, last + 1);
      return withQuestion(source, id, (q) => withField(q, "working", kept.length > 0 ? [...kept] : undefined));
    },
    group: (p) => `working:${p.id}`,
  }),
  /** Asked on the whole range of its variable. */
  clearRange: way<{ id: string }>({
    says: () => "ask on the whole range",
    apply: (source, { id }) =>
      withQuestion(source, id, (q) => {
        const { from: _from, to: _to, ...rest } = q;
        return rest as Question;
      }),
  }),
  askAt: way<{ id: string; at: number }>({
    says: () => "ask at another input",
    apply: (source, { id, at }) => withQuestion(source, id, (q) => ("at" in q ? { ...q, at } : q)),
  }),
  /** A threshold drawn across the graph, moved by hand: it is a number of the question, or the given that holds it. */
  moveThreshold: way<{ id: string; value: number; given: string | null }>({
    says: (p) => `move the threshold of ${p.id}`,
    apply: (source, { id, value, given }) =>
      given === null
        ? withQuestion(source, id, (q) => ("value" in q ? { ...q, value } : q))
        : {
            ...source,
            givens: changedRow(
              source.givens,
              (g) => g.name === given,
              (g) => ({ ...g, value }),
            ),
          },
    group: (p) => `threshold:${p.id}`,
  }),
};
