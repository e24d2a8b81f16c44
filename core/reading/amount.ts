import type { Sentence, Span } from "./text";

export type AmountKind = "money" | "percent" | "time" | "measure" | "count" | "bare" | "times" | "date";

/** A number of the story with all that stands close to it. */
export interface Amount extends Span {
  /** as formulas use it: 4.2 % is 0.042, 50 cents are 0.5 */
  readonly value: number;
  readonly kind: AmountKind;
  /** what one of it is: "$", "m/s", "%", "lantern"; null where nothing says so */
  readonly unit: string | null;
  /** what it is for one of: "lantern", "year"; "each" where the thing is told elsewhere */
  readonly per: string | null;
  /** the words of what is counted: "river lanterns" */
  readonly words: string;
  /** "grams of fat": fat */
  readonly of: string | null;
  readonly limit: "<=" | ">=" | "<" | ">" | "=" | null;
  /** where the words of the limit begin: "at most 320" */
  readonly limitStart: number;
  /** "6 fewer", "40 more" */
  readonly change: "more" | "fewer" | null;
  readonly sentence: Sentence;
  /** the words since the amount before it, and up to the one after it, in its sentence */
  readonly before: string;
  readonly after: string;
}

/** An amount without what stands around it. */
export type Body = Omit<Amount, "limit" | "limitStart" | "sentence" | "before" | "after">;
