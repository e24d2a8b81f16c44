import type { Progress } from "#core/question";
import type { Compared } from "#core/merge";
import type { CaseFile } from "#core/model";
import type { Desk, InfluenceReport } from "#core/desk";
import type { Picture, View } from "#core/graph";
import type { Slip } from "#core/slips";

/** What the analysis worker is asked, and what it sends back; both are plain data. */
export interface AnalysisRequest {
  readonly kind: "analysis";
  readonly job: number;
  readonly source: CaseFile;
  readonly view: View;
  readonly ghost: CaseFile | null;
  /** questions whose working is looked at, by id */
  readonly worked: "all" | readonly string[];
  /** questions that are to be looked at longer than others, by id */
  readonly longer: readonly string[];
}
export interface InfluenceRequest {
  readonly kind: "influence";
  readonly job: number;
  readonly source: CaseFile;
  readonly question: string;
}
export interface CompareRequest {
  readonly kind: "compare";
  readonly job: number;
  readonly before: CaseFile;
  readonly after: CaseFile;
}
export type WorkerRequest = AnalysisRequest | InfluenceRequest | CompareRequest;
/** What the case held as a ghost answers to the same questions. */
export interface GhostAnswer {
  readonly id: string;
  readonly says: string;
}
/** A case as it is worked out, wholly or so far. */
export interface Analysed {
  readonly job: number;
  readonly ok: true;
  /** some questions wait to be answered; more is to come */
  readonly isPart: boolean;
  readonly desk: Desk;
  readonly picture: Picture | null;
  readonly slips: readonly Slip[];
  readonly ghost: readonly GhostAnswer[];
  readonly ms: number;
}
export type AnalysisReply =
  | { readonly job: number; readonly progress: Progress }
  | Analysed
  | { readonly job: number; readonly ok: false; readonly message: string };
/** What a worker says that is asked one thing after the other. */
export type AskedReply<T> =
  | { readonly job: number; readonly ok: true; readonly report: T }
  | { readonly job: number; readonly ok: false; readonly message: string };
export type InfluenceReply = AskedReply<InfluenceReport | null>;
export type CompareReply = AskedReply<Compared>;
