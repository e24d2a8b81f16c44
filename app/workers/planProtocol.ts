import type { CaseFile, Plan } from "#core/model";
import type { PlanPicture, PlanReading, PlanResult, Program, Slice } from "#core/plan";
import type { PlanProgress } from "#shared/compiledPlan";

/** What the plan worker is asked: the exact answer, in fractions, while somebody drags. */
export interface PlanRequest {
  readonly job: number;
  readonly source: CaseFile;
  /** two variables to be drawn as a slice through a point */ readonly slice: {
    readonly at: readonly number[];
    readonly pair: readonly [number, number];
  } | null;
}
export type PlanReply =
  | {
      readonly job: number;
      readonly ok: true;
      readonly source: CaseFile;
      readonly reading: PlanReading;
      readonly picture: PlanPicture | null;
      readonly program: Program | null;
      readonly slice: Slice | null;
    }
  | { readonly job: number; readonly ok: false; readonly message: string };

/** What the compiled solver's worker is asked, and what it tells. */
export type SolverRequest =
  | {
      readonly kind: "solve";
      readonly job: number;
      readonly plan: Plan;
      readonly program: Program;
      readonly seconds: number;
    }
  | { readonly kind: "write"; readonly job: number; readonly program: Program; readonly format: "lp" | "mps" }
  | {
      readonly kind: "read";
      readonly job: number;
      readonly text: string;
      readonly format: "lp" | "mps";
      readonly reserved: readonly string[];
    };
export type SolverReply =
  | { readonly kind: "progress"; readonly job: number; readonly progress: PlanProgress }
  | { readonly kind: "solved"; readonly job: number; readonly result: PlanResult }
  | { readonly kind: "written"; readonly job: number; readonly text: string }
  | { readonly kind: "read"; readonly job: number; readonly program: Program; readonly notes: readonly string[] }
  | { readonly kind: "failed"; readonly job: number; readonly message: string };
