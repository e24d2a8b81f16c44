import type { KeptCase as Kept } from "./caseApi";

/** How the open case is kept. */
export type Keeping =
  | { readonly state: "kept"; readonly at: number | null }
  | { readonly state: "waiting" | "sending" }
  /** not kept, and tried again: the server does not answer, or says why it cannot */
  | { readonly state: "away"; readonly since: number; readonly why: string | null; readonly isHeld: boolean }
  /** changed elsewhere too, in the same parts */
  | { readonly state: "stale"; readonly theirs: Kept; readonly clashes: readonly string[] }
  | { readonly state: "gone" }
  | { readonly state: "refused"; readonly message: string };
