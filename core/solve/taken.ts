import type { Rational } from "../numeric";
import { type Expression, parts } from "../formula";
import { isExactlyZero } from "./constant";
import type { ExactForm } from "./exactForm";
import type { Spot } from "./spot";
import type { ValueAt } from "./value";
import type { OpenStretch } from "./zerosIn";

/** An input at which the best value is taken. */
export interface Best {
  readonly at: number;
  readonly lo: number;
  readonly hi: number;
  readonly kind: "interior" | "endpoint";
  readonly exact: ExactForm | null;
  readonly spot: Spot;
}

export interface Flat {
  readonly lo: number;
  readonly hi: number;
  readonly from: Spot | null;
  readonly to: Spot | null;
  readonly closedLo: boolean;
  readonly closedHi: boolean;
}

/** What is approached and not taken: a value (null: there is no bound), and where (null: far out). */
export interface Bound {
  readonly value: number | null;
  /** what the value is proven to lie in; infinite where there is no bound */
  readonly low: number;
  readonly high: number;
  readonly form: Expression | null;
  readonly at: number | null;
  /** far out: towards which side */
  readonly side: 1 | -1;
}

/** Growth (sense 1) or fall (−1) without end, towards a place or far out. */
export const unboundedAt = ({ at, side }: Pick<Bound, "at" | "side">, sense: 1 | -1): Bound => ({
  value: null,
  low: sense * Infinity,
  high: sense * Infinity,
  form: null,
  at,
  side,
});

/** A limit as a bound of values; one that is exactly 0 is told as that. */
export function valueOfLimit({ lo, hi, form }: { lo: number; hi: number; form: Expression | null }) {
  if (form && isExactlyZero(form)) return { value: 0, low: 0, high: 0, form };
  return { value: lo + (hi - lo) / 2, low: lo, high: hi, form };
}

export interface Attained {
  readonly status: "attained";
  /** every input with the best value; several are ties */
  readonly best: readonly Best[];
  /** the best value, with proven bounds */
  readonly value: number;
  readonly low: number;
  readonly high: number;
  readonly exactValue: Rational | null;
  readonly form: Expression | null;
  /** stretches on which the best value is taken throughout */
  readonly flat: readonly Flat[];
  readonly complete: boolean;
  /** what keeps it from being complete */
  readonly open: readonly OpenStretch[];
}

export type Known = ValueAt & { readonly kind: "value" };

type TakenAt = { readonly spot: Spot; readonly kind: "interior" | "endpoint" } | Flat;

/**
 * A value that is taken, at a place or all along a stretch. What it is exactly is worked out for rivals of the best
 * only.
 */
export class Taken {
  constructor(
    private readonly value: Known,
    readonly at: TakenAt,
  ) {}
  get low(): number {
    return this.value.lo;
  }
  get high(): number {
    return this.value.hi;
  }
  get exact(): Rational | null {
    return this.value.exact;
  }
  get form(): Expression | null {
    return this.value.form;
  }
}

export const isIn = (s: Spot, f: Flat): boolean => s.at >= f.lo && s.at <= f.hi;

/**
 * Level stretches that meet at a place with the same value are one; an end is closed where the place has the value too.
 */
export function joinedFlats(best: readonly Taken[]): Flat[] {
  const flats = best.flatMap((t) => ("spot" in t.at ? [] : [t.at])).sort((a, b) => a.lo - b.lo);
  const places = best.flatMap((t) => ("spot" in t.at ? [t.at.spot] : []));
  const has = (x: number) => places.some((s) => s.at === x);
  const out: Flat[] = [];
  for (const f of flats) {
    const last = out[out.length - 1];
    if (last && last.hi === f.lo && has(f.lo))
      out[out.length - 1] = { ...last, hi: f.hi, to: f.to, closedHi: has(f.hi) };
    else out.push({ ...f, closedLo: has(f.lo), closedHi: has(f.hi) });
  }
  return out;
}

export function middleOf(lo: number, hi: number): number {
  if (Number.isFinite(lo) && Number.isFinite(hi)) return lo + (hi - lo) / 2;
  if (Number.isFinite(lo)) return lo > 0 ? 4 * lo + 1 : lo + 16 + Math.abs(lo);
  return Number.isFinite(hi) ? (hi < 0 ? 4 * hi - 1 : hi - 16 - Math.abs(hi)) : 0;
}

/**
 * Whether a function is made of continuous parts only: it may bend, end or run away, but it never jumps where it has a
 * value.
 */
export function isContinuous(e: Expression): boolean {
  if (e.kind === "call" || e.kind === "choose" || e.kind === "flat") return false;
  if (e.kind === "apply" && JUMPING.has(e.name)) return false;
  return parts(e).every(isContinuous);
}

const JUMPING: ReadonlySet<string> = new Set(["floor", "ceil", "round", "step", "sign"]);
