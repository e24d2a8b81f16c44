import type { CaseProblem } from "../model";

export interface PlanPoint {
  readonly at: readonly number[];
  readonly exact: readonly string[];
  readonly value: number | null;
}

export interface PlanCorner extends PlanPoint {
  readonly on: readonly string[];
}

/** A plan worked out; null where the plan does not ask for it. */
export interface PlanResult {
  readonly status: "optimal" | "tied" | "unbounded" | "infeasible" | null;
  readonly corners: readonly PlanCorner[];
  /** where two boundary lines cross outside the region; at most 200 */
  readonly outside: readonly (readonly [number, number])[];
  readonly regionBounded: boolean | null;
  readonly directions: readonly (readonly number[])[];
  readonly best: readonly PlanPoint[];
  readonly whole: PlanPoint | null;
  readonly wholeTies: readonly PlanPoint[] | null;
  readonly binding: readonly string[];
  readonly slack: Readonly<Record<string, number>>;
  /** what every constraint leaves at the best whole point (0: nothing); null where none is asked for or found */
  readonly wholeSlack: Readonly<Record<string, number>> | null;
  readonly multipliers: Readonly<Record<string, number | null>>;
  /** right-hand sides between which a multiplier holds; null ends are open */
  readonly ranges: Readonly<Record<string, readonly [number | null, number | null]>>;
  /**
   * values of each variable's coefficient in the objective for which the same point stays best; only where one point is
   * best
   */
  readonly stays: Readonly<Record<string, readonly [number | null, number | null]>>;
  /**
   * what the best value loses for each unit of a variable, beside the constraints of several variables; 0 for one that
   * is in use, null where not unique
   */
  readonly reduced: Readonly<Record<string, number | null>>;
  /** a way along which the objective grows for ever, where it does */
  readonly ray: readonly number[] | null;
  /** a smallest set of constraints that cannot hold together */
  readonly conflict: readonly string[];
  readonly notes: readonly string[];
  /** how far the best value of a second method lies from this one, relative */
  readonly secondWay: number | null;
  /** worked out in doubles by the compiled solver, its answer tested; false: exact, in fractions */
  readonly compiled: boolean;
  /**
   * relative distance between the best found so far and what is still possible, when the work ended before the proof;
   * null otherwise
   */
  readonly gap: number | null;
}

/** A result that tells nothing: what is found is put over it. */
export const NOTHING_FOUND: PlanResult = {
  status: null,
  corners: [],
  outside: [],
  regionBounded: null,
  directions: [],
  best: [],
  whole: null,
  wholeTies: null,
  binding: [],
  slack: {},
  wholeSlack: null,
  multipliers: {},
  ranges: {},
  stays: {},
  reduced: {},
  ray: null,
  conflict: [],
  notes: [],
  secondWay: null,
  compiled: false,
  gap: null,
};

export interface PlanReading {
  readonly result: PlanResult | null;
  readonly errors: readonly CaseProblem[];
  readonly warnings: readonly CaseProblem[];
  /** the exact method did not settle it, or did not try because of its size: a case for the compiled solver */
  readonly unsettled: boolean;
}
