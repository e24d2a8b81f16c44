import type { CaseFile, Plan } from "#core/model";
import type { PlanResult } from "#core/plan";
import { shareParts } from "./share";

/** The answer of a plan that stands on the page, and the plan and givens it belongs to. */
export class PlanAnswer {
  readonly result = shallowRef<PlanResult | null>(null);
  readonly plan = shallowRef<Plan | null>(null);
  private givens: CaseFile["givens"];

  take(source: CaseFile, result: PlanResult | null): void {
    this.result.value = shareParts(this.result.value, result);
    this.plan.value = source.plan ?? null;
    this.givens = source.givens;
  }
  isOf({ plan, givens }: CaseFile): boolean {
    return this.plan.value === plan && this.givens === givens;
  }
  drop(): void {
    this.result.value = null;
    this.plan.value = null;
  }
}
