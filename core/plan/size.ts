import type { Plan } from "../model";

/** Up to this the exact method in fractions answers at once; beyond it a plan is for the compiled solver. */
const MOST = { variables: 12, constraints: 60, constraintsOfTwo: 300 } as const;

/** Whether a plan is too large to be worked out in fractions while somebody waits. */
export function isLarge(plan: Plan): boolean {
  const { length } = plan.constraints;
  return plan.variables.length <= 2
    ? length > MOST.constraintsOfTwo
    : plan.variables.length > MOST.variables || length > MOST.constraints;
}
