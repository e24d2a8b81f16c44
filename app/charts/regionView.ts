import type { Plan } from "#core/model";
import { segment, type PlanPicture, type PlanResult } from "#core/plan";
import type { RegionView } from "./regionOption";

/** Colours of the lines of constraints, in turn. */
const LINES = [1, 3, 2, 6, 4, 5, 0] as const;

/** The colour of each constraint's line. */
export function constraintColours(plan: Plan | null): Readonly<Record<string, number>> {
  const rows = (plan?.constraints ?? []).map((c, i) => [c.id, LINES[i % LINES.length]!] as const);
  // A constraint between two numbers has a line at either side; the second goes by the id and a blank.
  return Object.fromEntries(rows.flatMap(([id, colour]) => [[id, colour] as const, [`${id} `, colour] as const]));
}

/** What the objective has beside the variables: the same at every point. */
export function objectiveConstant({ result, picture }: { result: PlanResult; picture: PlanPicture }): number {
  const b = result.best[0] ?? result.corners[0];
  const o = picture.objective;
  return b && o && b.value !== null ? b.value - o[0] * b.at[0]! - o[1] * b.at[1]! : 0;
}

/** Where the objective has a value: a line across the frame; null where there is none. */
export function objectiveLine(of: { result: PlanResult; picture: PlanPicture }, value: number | null) {
  const o = of.picture.objective;
  return o && value !== null && (o[0] !== 0 || o[1] !== 0)
    ? segment({ a: o[0], b: o[1], c: value - objectiveConstant(of) }, of.picture.frame)
    : null;
}

/** The region with the objective's line through its best point. */
export function restingRegion(plan: Plan, result: PlanResult, picture: PlanPicture): RegionView {
  const best = (result.whole ?? result.best[0])?.value ?? null;
  return {
    plan,
    result,
    picture,
    colours: constraintColours(plan),
    lit: [],
    ruledOut: false,
    line: objectiveLine({ result, picture }, best),
  };
}
