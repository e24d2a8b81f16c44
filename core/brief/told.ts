import type { Desk, DeskFinding, InfluenceReport } from "../desk";
import { planWords, regionWords, type PlanWords } from "../explain";
import type { Names } from "../formula";
import type { BriefRow, CaseFile, Plan } from "../model";
import type { PlanResult } from "../plan";

/** An answered plan, with the words for it. */
export interface PlanTold {
  readonly plan: Plan;
  readonly result: PlanResult;
  readonly words: PlanWords;
  /** its region can be drawn */
  readonly isPictured: boolean;
  /** the region in words */
  readonly described: string;
}

/** @param isDrawn  a region could be drawn: of two variables it stands on the page */
export function planTold(plan: Plan, result: PlanResult, isDrawn: boolean): PlanTold {
  const isPictured = isDrawn && plan.variables.length === 2;
  const described = isPictured ? regionWords(plan, result) : "";
  return { plan, result, words: planWords(plan, result), isPictured, described };
}

/** All that a brief is written from. */
export interface BriefSource {
  readonly source: CaseFile;
  readonly desk: Desk;
  readonly names: Names;
  readonly plan: PlanTold | null;
  /** what matters most, for each finding that was looked at; null while it is worked out */
  readonly influences: readonly InfluenceReport[] | null;
  /** the graph in words; null where there is none */
  readonly graph: string | null;
}

/** One part being written: what it is written from, and what the person set for it. */
export interface PartSource extends BriefSource {
  readonly row: BriefRow;
}

export const questionOf = (f: Pick<DeskFinding, "question">): string => f.question.map((p) => p.text).join("");
