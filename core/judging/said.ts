export type Verdict = "follows" | "loses" | "brings" | "wrong" | "open" | "unread" | "blank";

/** A line of a student's own working, and what is to be said of it. */
export interface Judged {
  readonly text: string;
  readonly verdict: Verdict;
  readonly says: string;
  /** the likely slip, where one is known */
  readonly slip: string | null;
  /** the line typeset; null where it was not read */
  readonly latex: string | null;
}

/** What is said of a line, without the line itself. */
export type Said = Omit<Judged, "text" | "latex">;
export const say = (verdict: Verdict, says: string, slip: string | null = null): Said => ({ verdict, says, slip });
export const FOLLOWS = say("follows", "Follows.");
