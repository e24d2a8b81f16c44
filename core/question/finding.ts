import type { Rational } from "../numeric";
import type { Spot } from "../solve";
import type { Question, Rounding } from "../model";

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
  /** the whole input on the other side of the solution, and its value */
  other?: { at: number; value: number } | undefined;
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
  readonly monotone: "rises" | "falls" | null;
  readonly level: number;
  /** far out it comes ever closer to the level, and never takes it */
  readonly approaches: boolean;
  /** it provably has values on both sides of the level, or none at all */
  readonly values: "both sides" | "none" | null;
}

/** What the answer is about: names and range, resolved. */
export interface About {
  readonly functions: readonly string[];
  readonly variable: string;
  readonly from: number | null;
  readonly to: number | null;
  readonly round: Rounding | null;
}

/** What every answer has, whatever was asked. */
export interface Answered {
  readonly id: string;
  readonly status: "found" | "none" | "everywhere" | "unsettled";
  readonly complete: boolean;
  /** stretches about which nothing is established, in order; none in a complete finding */
  readonly open: readonly FindingStretch[];
  readonly secondWay: SecondWay | null;
  /** plain words when something needs saying */
  readonly message: string | null;
  readonly about: About;
}

/** A search over the range: what it found, and how far it came. */
interface Searched {
  readonly searched: { readonly from: number; readonly to: number } | null;
  /** the answers are those of one period, and come again for ever */
  readonly repeats: { readonly every: number } | null;
  /** for `none`: what the function does instead */
  readonly behaviour: Behaviour | null;
}

/** Inputs at which something takes a value, and stretches on which it keeps it. */
interface AtLevel extends Searched {
  readonly solutions: readonly Solution[];
  readonly setAside: readonly SetAside[];
  readonly stretches: readonly FindingStretch[];
  /** inputs where the function jumps over the level without taking it */
  readonly jumps: readonly number[];
}

export interface MeetFinding extends Answered, AtLevel {
  readonly ask: "meet";
  /** without a simple crossing: the greatest difference of the two on the range, and where; null: throughout */
  readonly gap: { readonly at: number | null; readonly size: number } | null;
}
export interface ReachFinding extends Answered, AtLevel {
  readonly ask: "reach";
  readonly level: number;
}
export interface ReachAnyFinding extends Answered, Omit<AtLevel, "behaviour"> {
  readonly ask: "reach-any";
  /** the answers for each value by itself, in the order in which they were asked for */
  readonly levels: readonly {
    readonly level: number;
    readonly status: Answered["status"];
    readonly solutions: readonly Solution[];
    readonly stretches: readonly FindingStretch[];
  }[];
}
export interface WhereFinding extends Answered, Searched {
  readonly ask: "where";
  readonly level: number;
  readonly stretches: readonly FindingStretch[];
  readonly jumps: readonly number[];
}
export interface MultiplyFinding extends Answered, Searched {
  readonly ask: "multiply";
  readonly level: number;
  /** the input from which it is counted */
  readonly start: number;
  readonly solutions: readonly Solution[];
  readonly stretches: readonly FindingStretch[];
}
export interface BestFinding extends Answered {
  readonly ask: "greatest" | "least";
  readonly solutions: readonly Solution[];
  readonly wholeTies: readonly WholeReading[] | null;
  readonly stretches: readonly FindingStretch[];
  /**
   * a value that is approached at an input and not taken; value null: there is no bound; at null: far out, on that side
   */
  readonly bound: { readonly value: number | null; readonly at: number | null; readonly side: 1 | -1 } | null;
  readonly repeats: { readonly every: number } | null;
  readonly value: number | null;
  readonly exactValue: string | null;
}
/** A number, where there is one. */
interface OneNumber {
  readonly value: number | null;
  readonly exactValue: string | null;
}
export interface ValueFinding extends Answered, OneNumber {
  readonly ask: "value";
  readonly at: number;
  /** how far the input lies outside the variable's range */
  readonly beyond: number | null;
  /**
   * of a function fitted to data: how far beyond the rows (0: inside; negative: before the first), and the 95 % band
   * for a new reading
   */
  readonly estimate: { readonly beyond: number; readonly low: number | null; readonly high: number | null } | null;
}
export interface RateFinding extends Answered, OneNumber {
  readonly ask: "rate";
  /** one input, or two */
  readonly over: { readonly at: number } | { readonly between: readonly [number, number] };
}
export interface TotalFinding extends Answered, OneNumber {
  readonly ask: "total" | "average";
  readonly between: readonly [number, number];
}
export interface CompareFinding extends Answered {
  readonly ask: "compare";
  /** the stretches are those of the first period */
  readonly repeats: { readonly every: number } | null;
  readonly stretches: readonly FindingStretch[];
}
export interface GivenFinding extends Answered {
  readonly ask: "given";
  readonly given: string;
  readonly at: number;
  readonly level: number;
  readonly solutions: readonly Solution[];
  readonly stretches: readonly FindingStretch[];
}

/** The answer to each kind of question. */
export interface FindingByAsk {
  meet: MeetFinding;
  reach: ReachFinding;
  "reach-any": ReachAnyFinding;
  where: WhereFinding;
  multiply: MultiplyFinding;
  greatest: BestFinding;
  least: BestFinding;
  value: ValueFinding;
  rate: RateFinding;
  total: TotalFinding;
  average: TotalFinding;
  compare: CompareFinding;
  given: GivenFinding;
}
export type Ask = Question["ask"];
export type AnswerTo<K extends Ask> = FindingByAsk[K];
export type AnyAnswer = FindingByAsk[Ask];

/** A question that got no answer: its own fault, or cut short since the work allowed to one question was used up. */
export interface Stopped {
  readonly id: string;
  readonly ask: Ask;
  readonly status: "error" | "cut";
  readonly complete: false;
  readonly message: string | null;
}

export type Finding = AnyAnswer | Stopped;

export const isStopped = (f: Finding): f is Stopped => f.status === "error" || f.status === "cut";

/** The inputs that answer, of whatever kind of question; none where it has no such. */
export const solutionsOf = (f: Finding): readonly Solution[] => ("solutions" in f ? f.solutions : []);
/** The stretches that answer. */
export const stretchesOf = (f: Finding): readonly FindingStretch[] => ("stretches" in f ? f.stretches : []);
/** Answers outside the range. */
export const setAsideOf = (f: Finding): readonly SetAside[] => ("setAside" in f ? f.setAside : []);
/** Jumps over what was asked for. */
export const jumpsOf = (f: Finding): readonly number[] => ("jumps" in f ? f.jumps : []);
/** The value that answers. */
export const valueOf = (f: Finding): number | null => ("value" in f ? f.value : null);
