import type { CaseFile, Model } from "../model";
import { analyse, inFull, sentenceOf, type Finding, type FullFinding } from "./index";

/** The findings that full ones were made of: sentences are told of those. */
const originals = new WeakMap<FullFinding, Finding>();

/** A case worked out, its findings with every field there is: a test names only those it is about. */
export function analysed(source: CaseFile): { model: Model; findings: FullFinding[] } {
  const { model, findings } = analyse(source);
  const full = findings.map((f) => {
    const all = inFull(f);
    originals.set(all, f);
    return all;
  });
  return { model, findings: full };
}

export const saidOf = (f: FullFinding, model: Model): string => sentenceOf(originals.get(f)!, model);
