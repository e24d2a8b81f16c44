import type { CaseFile } from "#core/model";
import type { Offer, Offers } from "#core/reading";
import type { Picture } from "#core/graph";

/** What the reading worker is asked: what a story offers, or the graph of the case with offers put in. */
export type ReadingRequest =
  | { readonly kind: "read"; readonly job: number; readonly source: CaseFile }
  | { readonly kind: "draw"; readonly job: number; readonly source: CaseFile; readonly offers: readonly Offer[] };
export type ReadingReply =
  | { readonly job: number; readonly ok: true; readonly report: Offers | Picture | null }
  | { readonly job: number; readonly ok: false; readonly message: string };
