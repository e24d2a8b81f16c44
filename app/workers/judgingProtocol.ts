import type { CaseFile } from "#core/model";

/** The lines of a student's own working under a question, to be judged; plain data both ways. */
export interface JudgeRequest {
  readonly job: number;
  readonly source: CaseFile;
  readonly question: string;
  readonly lines: readonly string[];
}
