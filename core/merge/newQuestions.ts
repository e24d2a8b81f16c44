import type { CaseFile, Question } from "../model";
import { freshId } from "../entry";
import { same } from "./same";

/**
 * My version with new ids for the questions that both sides asked anew under the same id; one whose answer is used
 * elsewhere keeps its id, and stays a clash.
 */
export function separateNewQuestions(base: CaseFile, mine: CaseFile, theirs: CaseFile): CaseFile {
  const before = new Set((base.questions ?? []).map((q) => q.id));
  const other = new Map((theirs.questions ?? []).map((q) => [q.id, q]));
  const taken = [...other.values(), ...(mine.questions ?? [])];
  const doubled = (mine.questions ?? []).filter(
    (q) => !before.has(q.id) && other.has(q.id) && !same(other.get(q.id), q) && !isUsed(mine, q),
  );
  if (doubled.length === 0) return mine;
  const ids = new Map<string, string>();
  for (const q of doubled) {
    const id = freshId({ ...mine, questions: taken });
    ids.set(q.id, id);
    taken.push({ ...q, id });
  }
  const questions = mine.questions!.map((q) => ({ ...q, id: ids.get(q.id) ?? q.id }));
  const marks = mine.story?.marks?.map((m) =>
    m.role === "question" && m.of !== undefined ? { ...m, of: ids.get(m.of) ?? m.of } : m,
  );
  return { ...mine, questions, ...(marks ? { story: { ...mine.story!, marks } } : {}) };
}

/** Whether the id stands anywhere besides the row itself and the marks of the story. */
function isUsed(document: CaseFile, question: Question): boolean {
  const questions = (document.questions ?? []).filter((q) => q !== question);
  const rest = { ...document, data: [], story: null, questions };
  return JSON.stringify(rest).includes(question.id);
}
