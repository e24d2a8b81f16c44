import type { Rational } from "../numeric";
import type { Spot } from "../solve";
import type { Question, Rounding } from "./case";

/** An input that answers a question; all numbers in the case's own units. */
export interface Solution {
  at: number;
  value: number | null;
  /** proven enclosure of `at` */
  low: number;
  high: number;
  kind: "crossing" | "touching" | "endpoint" | "interior";
  exact: string | null;
  exactLatex: string | null;
  /** the whole input next to it on the side the question needs */
  whole: WholeReading | null;
  /** a date or year, where the variable counts from one */
  reads: string | null;
  /** -1, 1: the function goes below, above the level after it; 0: it does neither (or nothing is known) */
  turns: -1 | 0 | 1;
  /** the input itself, for questions that use it: no digit of it is lost */
  spot: Spot;
}
export interface WholeReading {
  at: number;
  /** the whole number itself, where it may be too large for a double */
  n?: Rational;
  value: number;
  /** the whole input on the other side of the solution, and its value */ other?:
    { at: number; value: number } | undefined;
}
export interface SetAside {
  at: number;
  reason: string;
  below: boolean;
}
export interface FindingStretch {
  from: number | null;
  to: number | null;
  ends: string;
  least: string | null;
  /** first and last whole input inside, for counted variables */
  first: number | null;
  last: number | null;
}

/** An independent computation of the same answer. */
export interface SecondWay {
  readonly method: string;
  /** the same number by both methods */
  readonly found: number;
  readonly second: number;
  readonly difference: number;
  readonly agrees: boolean;
}

/** For `none`: what the function does instead of reaching the level. */
export interface Behaviour {
  readonly low: number;
  readonly high: number;
  readonly from: number | null;
  readonly to: number | null;
  readonly monotone: "rises" | "falls" | null;
  readonly level: number;
  readonly approaches: number | null;
}

export interface Finding {
  readonly id: string;
  readonly ask: Question["ask"];
  readonly status: "found" | "none" | "everywhere" | "unsettled" | "error";
  readonly complete: boolean;
  /** not settled because the work allowed to one question was used up */
  readonly isCut: boolean;
  readonly solutions: readonly Solution[];
  readonly wholeTies: readonly WholeReading[] | null;
  readonly setAside: readonly SetAside[];
  readonly stretches: readonly FindingStretch[];
  /** stretches about which nothing is established, in order; none in a complete finding */
  readonly open: readonly FindingStretch[];
  readonly searched: { from: number; to: number } | null;
  /**
   * a greatest or least value that is approached at an input (null: far out) and not taken; value null: there is no
   * bound
   */
  readonly bound: { readonly value: number | null; readonly at: number | null } | null;
  /** the solutions are those of one period, and come again for ever */
  readonly repeats: { readonly every: number } | null;
  readonly value: number | null;
  readonly exactValue: string | null;
  readonly secondWay: SecondWay | null;
  readonly behaviour: Behaviour | null;
  /** `meet` without a simple crossing: the greatest difference of the two on the range, and where */
  readonly gap: { readonly at: number; readonly size: number } | null;
  /** inputs where the function jumps over the level without taking it */
  readonly jumps: readonly number[];
  /**
   * for a value of a function fitted to data: how far beyond the rows (0: inside; negative: before the first), and the
   * 95 % band for a new reading
   */
  readonly estimate: { readonly beyond: number; readonly low: number | null; readonly high: number | null } | null;
  /** plain words when something went wrong or needs saying */
  readonly message: string | null;
  /** what the sentence is about */
  readonly about: About;
}

/** Numbers and names a sentence needs, resolved. */
export interface About {
  readonly functions: readonly string[];
  readonly variable: string;
  readonly from: number | null;
  readonly to: number | null;
  readonly level: number | null;
  readonly at: number | null;
  readonly between: readonly [number, number] | null;
  readonly round: Rounding | null;
  readonly given: string | null;
  /** whether the input lies outside the variable's range, and by how much */
  readonly beyond: number | null;
}
