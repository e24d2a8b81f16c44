import { encloseRational, subtract, type Expression } from "../formula";
import type { Rational } from "../numeric";
import { exactRational, isExactlyZero } from "./constant";
import type { ExactForm } from "./exactForm";
import type { FunctionTable } from "./table";

/** One zero, alone in [lo, hi], proven. */
export interface Zero {
  readonly at: number;
  readonly lo: number;
  readonly hi: number;
  /**
   * order of the zero; null where the function is not smooth enough there to have one (an end of its domain, a kink)
   */
  readonly multiplicity: number | null;
  readonly exact: ExactForm | null;
}

/** All zeros of a function on a stretch, or what is left open. */
export interface ZeroSet {
  readonly zeros: readonly Zero[];
  /** the function is 0 on the whole stretch, wherever it has a value */
  readonly everywhere: boolean;
  /** stretches on which the function is 0 throughout, where that is not the whole */
  readonly flat?: readonly { lo: number; hi: number }[];
  /** stretches in which zeros were neither found nor excluded */
  readonly open: readonly { lo: number; hi: number }[];
  /** how it was settled: by exact algebra throughout, or with intervals somewhere */
  readonly algebraic: boolean;
}

export const NONE: ZeroSet = { zeros: [], everywhere: false, open: [], algebraic: true };

export const EVERYWHERE: ZeroSet = { zeros: [], everywhere: true, open: [], algebraic: true };

export interface Stretch {
  readonly table: FunctionTable;
  readonly from: Rational | null;
  readonly to: Rational | null;
  readonly lo: number;
  readonly hi: number;
  /** what is left for all work of this call: interval boxes, and rewritten equations */
  budget: { boxes: number; rewrites: number };
  /** how many equations this one was rewritten from, one out of the other */
  readonly depth: number;
}

/** All inputs of the stretch with u(x) = c, for c without variable. */
export type Equation = (u: Expression, c: Expression) => ZeroSet;

export function outward(r: Rational, side: -1 | 1): number {
  const within = encloseRational(r);
  return side < 0 ? within.lo : within.hi;
}

export function merge(sets: readonly ZeroSet[]): ZeroSet {
  if (sets.some((s) => s.everywhere)) return EVERYWHERE;
  const all = sets.flatMap((s) => s.zeros).sort((a, b) => a.at - b.at);
  const zeros: Zero[] = [];
  for (const z of all) {
    const last = zeros[zeros.length - 1];
    if (last && z.lo <= last.hi && sameZero(last, z)) {
      zeros[zeros.length - 1] = {
        ...(last.hi - last.lo <= z.hi - z.lo ? last : z),
        exact: last.exact ?? z.exact,
        multiplicity: last.multiplicity === null || z.multiplicity === null ? null : last.multiplicity + z.multiplicity,
      };
    } else zeros.push(z);
  }
  return {
    zeros,
    everywhere: false,
    open: sets.flatMap((s) => s.open),
    flat: sets.flatMap((s) => s.flat ?? []),
    algebraic: sets.every((s) => s.algebraic),
  };
}

/** Overlapping enclosures are one zero unless exact forms tell them apart. */
export function sameZero(a: Zero, b: Zero): boolean {
  if (!a.exact || !b.exact) return true;
  const ra = exactRational(a.exact.expression);
  const rb = exactRational(b.exact.expression);
  if (ra && rb) return ra.compare(rb) === 0;
  return isExactlyZero(subtract(a.exact.expression, b.exact.expression));
}

export const withMultiplicity = (set: ZeroSet, by: (m: number | null) => number | null): ZeroSet => ({
  ...set,
  zeros: set.zeros.map((z) => ({ ...z, multiplicity: by(z.multiplicity) })),
});

export const unsettled = (s: Stretch): ZeroSet => ({
  zeros: [],
  everywhere: false,
  open: [{ lo: s.lo, hi: s.hi }],
  algebraic: false,
});
