import type { CaseFile } from "#core/model";
import type { Judged } from "#core/judging";
import type { JudgeRequest } from "~/workers/judgingProtocol";
import { AskedWorker } from "./askedWorker";

/** Judges the lines of a student's own working. */
export class JudgingWorker extends AskedWorker<JudgeRequest, readonly Judged[]> {
  judge(source: CaseFile, question: string, lines: readonly string[]): Promise<readonly Judged[]> {
    return this.request({ source: toRaw(source), question, lines: [...lines] });
  }
  protected override open(): Worker {
    return new Worker(new URL("../workers/judging.worker.ts", import.meta.url), { type: "module" });
  }
}
