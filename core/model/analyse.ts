import { answer } from "./ask";
import { buildModel, type Model } from "./build";
import type { CaseFile } from "./case";
import type { Finding } from "./finding";

export interface Analysis {
  readonly model: Model;
  readonly findings: readonly Finding[];
}

/** Builds the model of a case and answers all its questions, in an order that lets one use the answer of another. */
export function analyse(source: CaseFile): Analysis {
  const model = buildModel(source);
  const questions = new Map((source.questions ?? []).map((q) => [q.id, q]));
  const done = new Map<string, Finding | "open">();
  const of = (id: string): Finding | null => {
    const known = done.get(id);
    if (known === "open") return null;
    if (known) return known;
    const q = questions.get(id);
    if (!q) return null;
    done.set(id, "open");
    const finding = answer(q, model, of);
    done.set(id, finding);
    return finding;
  };
  return { model, findings: (source.questions ?? []).flatMap((q) => of(q.id) ?? []) };
}
