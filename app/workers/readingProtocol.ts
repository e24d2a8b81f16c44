import type { CaseFile } from "#core/model";
import type { Offer } from "#core/reading";

/** What the reading worker is asked: what a story offers, or the graph of the case with offers put in. */
export type ReadingRequest =
  | { readonly kind: "read"; readonly job: number; readonly source: CaseFile }
  | { readonly kind: "draw"; readonly job: number; readonly source: CaseFile; readonly offers: readonly Offer[] };
