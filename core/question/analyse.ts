import { LONG_EFFORT, QUESTION_EFFORT, answer } from "./ask";
import { buildModel, type CaseFile, type Model } from "../model";
import type { Finding } from "./finding";

export interface Analysis {
  readonly model: Model;
  readonly findings: readonly Finding[];
}

/** How far a case is worked out: questions answered, of how many, and the one that comes now. */
export interface Progress {
  readonly done: number;
  readonly of: number;
  readonly id: string;
}

/** How the questions of a case are worked out. */
export interface Pace {
  /** questions that are given more work than others, by id */
  readonly longer?: readonly string[];
  /** told before each question is worked out; `soFar` gives what is answered already */
  readonly before?: (progress: Progress, soFar: () => Analysis) => void;
}

/** Builds the model of a case and answers all its questions, in an order that lets one use the answer of another. */
export function analyse(source: CaseFile, { longer = [], before }: Pace = {}): Analysis {
  const model = buildModel(source);
  const questions = new Map((source.questions ?? []).map((q) => [q.id, q]));
  let answered = 0;
  const done = new Map<string, Finding | "open">();
  const soFar = (): Analysis => ({
    model,
    findings: [...questions.keys()].flatMap((id) => {
      const finding = done.get(id);
      return finding && finding !== "open" ? [finding] : [];
    }),
  });
  const of = (id: string): Finding | null => {
    const known = done.get(id);
    if (known === "open") return null;
    if (known) return known;
    const q = questions.get(id);
    if (!q) return null;
    done.set(id, "open");
    before?.({ done: answered++, of: questions.size, id }, soFar);
    const finding = answer(q, model, of, longer.includes(id) ? LONG_EFFORT : QUESTION_EFFORT);
    done.set(id, finding);
    return finding;
  };
  return { model, findings: (source.questions ?? []).flatMap((q) => of(q.id) ?? []) };
}
