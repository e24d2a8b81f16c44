import type { CaseFile, Question } from "#core/model";
import type { Measured } from "./plain";

/** A function as the oracle works it out. */
export type Value = (x: number) => Measured;

/** A place where plain values contradict what was called complete. */
export interface Contradiction {
  readonly question: Question;
  readonly why: string;
}

/** What a case is to the oracle: functions by name, and the range all of them are asked on. */
export interface World {
  readonly functions: Readonly<Record<string, Value>>;
  readonly from: number;
  readonly to: number;
  readonly whole: boolean;
  /** the range has no end on one side or both; it is looked at as far as from and to say */
  readonly isOpen: boolean;
  readonly document: CaseFile;
}

export const described = (w: World): string =>
  `${JSON.stringify(w.document.functions?.map((f) => f.by))} on ${w.from}…${w.to}${w.whole ? " whole" : ""}`;
