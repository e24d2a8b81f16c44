import type { Mark, MarkRole } from "#core/model";
import type { Offer } from "#core/reading";

/** The words of an offer, drawn like a mark. */
export interface OfferedMark extends Mark {
  /** the key of the offer */
  readonly offer: string;
}

const ROLES: Readonly<Record<Offer["offered"]["kind"], MarkRole>> = {
  given: "given",
  variable: "limit",
  data: "relation",
  function: "relation",
  question: "question",
  "plan-variable": "relation",
  constraint: "limit",
  objective: "question",
};

/** The words of what is offered, beside the marks that are there; of two that overlap the shorter has its words. */
export function offeredMarks(offers: readonly Offer[], marks: readonly Mark[]): OfferedMark[] {
  const out: OfferedMark[] = [];
  const found = offers.flatMap((o): OfferedMark[] =>
    o.offered.from ? [{ ...o.offered.from, role: o.offered.role ?? ROLES[o.offered.kind], offer: o.key }] : [],
  );
  const isFree = (m: Mark) => ![...marks, ...out].some((x) => m.start < x.end && x.start < m.end);
  for (const m of found.sort((a, b) => a.end - a.start - (b.end - b.start))) if (isFree(m)) out.push(m);
  return out;
}
