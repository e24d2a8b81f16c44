import { judged, type Judged } from "#core/judging";
import { analyse } from "#core/question";
import { answering } from "./answering";
import type { JudgeRequest } from "./judgingProtocol";

/** The case seldom changes while its lines are written; it is worked out once. */
let held: { key: string; analysis: ReturnType<typeof analyse> } | null = null;

function judgedOf({ source, question, lines }: JudgeRequest): readonly Judged[] {
  const q = source.questions?.find((one) => one.id === question);
  if (!q) return [];
  const key = JSON.stringify({
    ...source,
    brief: null,
    questions: source.questions?.map((o) => ({ ...o, working: null })),
  });
  if (held?.key !== key) held = { key, analysis: analyse(source) };
  const { model, findings } = held.analysis;
  return judged(q, lines, model, (id) => findings.find((f) => f.id === id) ?? null);
}

answering(judgedOf);
