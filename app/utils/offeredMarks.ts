import type { Mark } from "#core/model";
import type { Offer } from "#core/reading";
import { roleOf } from "#core/story";

/** The words of an offer, drawn like a mark. */
export interface OfferedMark extends Mark {
  /** the key of the offer */
  readonly offer: string;
}

/** The words of what is offered, beside the marks that are there; of two that overlap the shorter has its words. */
export function offeredMarks(offers: readonly Offer[], marks: readonly Mark[]): OfferedMark[] {
  const out: OfferedMark[] = [];
  const found = offers.flatMap((o): OfferedMark[] =>
    o.offered.from ? [{ ...o.offered.from, role: roleOf(o.offered), offer: o.key }] : [],
  );
  const isFree = (m: Mark) => ![...marks, ...out].some((x) => m.start < x.end && x.start < m.end);
  for (const m of found.sort((a, b) => a.end - a.start - (b.end - b.start))) if (isFree(m)) out.push(m);
  return out;
}
