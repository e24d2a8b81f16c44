import type { CaseFile } from "#core/model";
import type { InfluenceReport } from "#core/desk";
import type { Compared } from "#core/merge";
import type { CompareRequest, InfluenceRequest } from "~/workers/protocol";
import { AskedWorker } from "./askedWorker";

/** Works out what matters most for one finding after the other. */
export class InfluenceWorker extends AskedWorker<InfluenceRequest, InfluenceReport | null> {
  /** @returns null where the finding has no number to follow */
  ask(source: CaseFile, question: string): Promise<InfluenceReport | null> {
    return this.request({ kind: "influence", source: toRaw(source), question });
  }
}

/** Works out what two states of a case have otherwise. */
export class CompareWorker extends AskedWorker<CompareRequest, Compared> {
  ask(before: CaseFile, after: CaseFile): Promise<Compared> {
    return this.request({ kind: "compare", before: toRaw(before), after: toRaw(after) });
  }
}
